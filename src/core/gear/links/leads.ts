import type { Bench } from '../bench';
import type { ConnectorId } from '../connectors';
import type { LinkKind } from '../kinds';
import { choice, coreLevel, saturationLimit, stakeCore, transformer } from '../shared';

const ends = choice('Ends', [
  ['mini', '3.5 mm TRS to 3.5 mm TRS'],
  ['mini-to-jack', '3.5 mm TRS to 6.35 mm TRS'],
]);
const connectors = (value: string): { input: ConnectorId; output: ConnectorId } => ({
  input: 'trs35',
  output: value === 'mini' ? 'trs35' : 'trs635',
});

/** Shunt of each channel of an attenuating lead. */
const SHUNT = 100;

/** Capacitor of a lead that keeps plug-in power from the output it comes from. */
const BLOCKING = 10e-6;

export const attenuatingLead: LinkKind = {
  role: 'link',
  kind: 'attenuating-lead',
  mends: 'attenuating lead',
  label: 'Attenuating lead',
  words: ['attenuating cable'],
  summary: 'Brings a line or earphone output down to a 3.5 mm microphone inlet, and blocks its plug-in power.',
  nature: 'blocks feed',
  planning: { complexity: 3, adapts: true },
  figures: {
    attenuation: {
      label: 'Attenuation',
      unit: 'dB',
      min: 10,
      max: 60,
      typical: { value: 25, basis: 'common practice' },
    },
  },
  choices: { ends },
  ends: (part) => connectors(part.choice('ends')),
  gain: (part) => -part.value('attenuation'),
  build(bench) {
    const series = SHUNT * (10 ** (bench.value('attenuation') / 20) - 1);
    bench.join(bench.in('S'), bench.out('S'));
    for (const contact of ['T', 'R'] as const) {
      bench.resistor(`series.${contact}`, bench.in(contact), bench.node(contact), series);
      bench.resistor(`shunt.${contact}`, bench.node(contact), bench.in('S'), SHUNT);
      bench.capacitor(`blocking.${contact}`, bench.node(contact), bench.out(contact), BLOCKING);
      bench.path({ from: contact, to: contact, look: 'resistor' });
    }
    bench.path({ from: 'S', to: 'S', look: 'wire' });
  },
};

function buildIsolated(bench: Bench, contact: 'T' | 'R'): void {
  transformer(
    bench,
    { a: bench.in(contact), b: bench.in('S'), henries: 5, ohms: 60 },
    { a: bench.out(contact), b: bench.out('S'), ohms: 60 },
    1,
    `${contact}.`,
  );
  bench.path({ from: contact, to: contact, look: 'transformer' });
}

export const isolatingLead: LinkKind = {
  role: 'link',
  kind: 'isolating-lead',
  label: 'Isolating lead',
  words: ['isolating cable'],
  summary: 'Two small transformers in a stereo lead: parts the grounds of a laptop and a mixer.',
  nature: 'blocks feed',
  planning: { complexity: 3, adapts: true },
  figures: { saturation: saturationLimit, coreLevel: coreLevel(6) },
  choices: { ends },
  ends: (part) => connectors(part.choice('ends')),
  build(bench) {
    buildIsolated(bench, 'T');
    buildIsolated(bench, 'R');
    stakeCore(bench, 'the isolating lead', ['T.primary', 'T.secondary'], [bench.in('T'), bench.in('S')]);
  },
};
