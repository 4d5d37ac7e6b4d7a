import type {
  CurrentControlledCurrent,
  CurrentControlledVoltage,
  VoltageControlledCurrent,
  VoltageControlledVoltage,
} from '../netlist';
import { conducts, finite, spiceHead, spiceNumber, stampBranch, type ElementRules, type SpiceNames } from './rules';

const control = (e: { controlA: string; controlB: string }, names: SpiceNames) =>
  `${names.node(e.controlA)} ${names.node(e.controlB)}`;
const none = () => undefined;

export const voltageControlledVoltage: ElementRules<VoltageControlledVoltage> = {
  branches: () => 1,
  paths: conducts,
  senses: (e) => [e.controlA, e.controlB],
  fault: (e) => finite('gain', e.gain),
  stamp(e, at) {
    const branch = at.branch(e.name);
    stampBranch(at, at.node(e.a), at.node(e.b), branch);
    at.g(branch, at.node(e.controlA), -e.gain);
    at.g(branch, at.node(e.controlB), e.gain);
  },
  spice: (e, names) => [`${spiceHead('E', e, names)} ${control(e, names)} ${spiceNumber(e.gain)}`],
};

export const voltageControlledCurrent: ElementRules<VoltageControlledCurrent> = {
  branches: () => 0,
  paths: none,
  senses: (e) => [e.a, e.b, e.controlA, e.controlB],
  fault: (e) => finite('transconductance', e.siemens),
  stamp(e, at) {
    for (const [row, sign] of [
      [at.node(e.a), 1],
      [at.node(e.b), -1],
    ] as const) {
      at.g(row, at.node(e.controlA), sign * e.siemens);
      at.g(row, at.node(e.controlB), -sign * e.siemens);
    }
  },
  spice: (e, names) => [`${spiceHead('G', e, names)} ${control(e, names)} ${spiceNumber(e.siemens)}`],
};

export const currentControlledCurrent: ElementRules<CurrentControlledCurrent> = {
  branches: () => 0,
  paths: none,
  senses: (e) => [e.a, e.b],
  fault: (e) => finite('gain', e.gain),
  stamp(e, at) {
    at.g(at.node(e.a), at.branch(e.control), e.gain);
    at.g(at.node(e.b), at.branch(e.control), -e.gain);
  },
  spice: (e, names) => [`${spiceHead('F', e, names)} V${names.element(e.control)} ${spiceNumber(e.gain)}`],
};

export const currentControlledVoltage: ElementRules<CurrentControlledVoltage> = {
  branches: () => 1,
  paths: conducts,
  fault: (e) => finite('transresistance', e.ohms),
  stamp(e, at) {
    const branch = at.branch(e.name);
    stampBranch(at, at.node(e.a), at.node(e.b), branch);
    at.g(branch, at.branch(e.control), -e.ohms);
  },
  spice: (e, names) => [`${spiceHead('H', e, names)} V${names.element(e.control)} ${spiceNumber(e.ohms)}`],
};
