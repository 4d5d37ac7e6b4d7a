import type { CurrentSource, VoltageSource, Wave } from '../netlist';
import { conducts, finite, spiceHead, spiceNumber, stampBranch, type ElementRules } from './rules';

const waveText = (wave?: Wave): string =>
  wave ? ` PWL(${wave.map((p) => `${spiceNumber(p.at)} ${spiceNumber(p.value)}`).join(' ')})` : '';

export const voltageSource: ElementRules<VoltageSource> = {
  branches: () => 1,
  paths: conducts,
  fault: (e) => finite('voltage', e.volts) ?? finite('signal', e.signal ?? 0),
  stamp(e, at) {
    const branch = at.branch(e.name);
    stampBranch(at, at.node(e.a), at.node(e.b), branch);
    at.source(branch, e.volts);
    at.signal(branch, e.signal ?? 0);
  },
  spice: (e, names) => [
    `${spiceHead('V', e, names)} DC ${spiceNumber(e.volts)} AC ${spiceNumber(e.signal ?? 0)}${waveText(e.wave)}`,
  ],
};

/** A current source joins no nodes: it forces a current, it does not offer a path. */
export const currentSource: ElementRules<CurrentSource> = {
  branches: () => 0,
  paths: () => undefined,
  senses: (e) => [e.a, e.b],
  fault: (e) => finite('current', e.amps) ?? finite('signal', e.signal ?? 0),
  stamp(e, at) {
    at.source(at.node(e.a), -e.amps);
    at.source(at.node(e.b), e.amps);
    at.signal(at.node(e.a), -(e.signal ?? 0));
    at.signal(at.node(e.b), e.signal ?? 0);
  },
  spice: (e, names) => [
    `${spiceHead('I', e, names)} DC ${spiceNumber(e.amps)} AC ${spiceNumber(e.signal ?? 0)}${waveText(e.wave)}`,
  ],
};
