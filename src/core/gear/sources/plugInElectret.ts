import type { SourceKind } from '../part';
import { selfNoiseFigure, soundFigures } from '../shared';
import { buildCapsule, electretConnectors, electretContacts, electretPlug } from './electret';

export const plugInElectret: SourceKind = {
  role: 'source',
  kind: 'plug-in-electret',
  label: 'Electret, plug-in power',
  summary: 'Body-worn or on-camera microphone on a mini-jack that lives on 1.5 to 5 V from the same wire.',
  character: 'powered',
  level: 'sensitivity',
  figures: {
    current: {
      label: 'Supply current',
      unit: 'mA',
      min: 0.01,
      max: 2,
      typical: { value: 0.3, basis: 'common practice' },
    },
    needs: {
      label: 'Voltage at the capsule it is specified from',
      unit: 'V',
      min: 0.5,
      max: 12,
      typical: { value: 1, basis: 'common practice' },
    },
    stops: {
      label: 'Voltage at the capsule below which it falls silent',
      unit: 'V',
      min: 0.1,
      max: 10,
      typical: { value: 0.6, basis: 'common practice' },
    },
    stands: {
      label: 'Most voltage at the capsule',
      unit: 'V',
      min: 1,
      max: 60,
      typical: { value: 10, basis: 'common practice' },
    },
    selfNoise: selfNoiseFigure(28),
    ...soundFigures(6, 100, 120),
  },
  choices: { connector: electretConnectors },
  connector: (part) => electretPlug(part.choice('connector')),
  build(bench) {
    const { hot, common } = electretContacts(bench.choice('connector'));
    const capsule = bench.out(hot[0]);
    hot.slice(1).forEach((contact) => bench.join(bench.out(contact), capsule));
    buildCapsule(bench, capsule, bench.out(common));
    bench.stake({
      type: 'supply',
      what: 'the capsule',
      wants: 'plug-in power',
      contacts: ({ S: 'the sleeve', R2: 'the second ring' } as Record<string, string>)[hot[0]] ?? 'the tip',
      between: [[capsule, bench.out(common)]],
      needs: bench.limit('needs'),
      stops: bench.limit('stops'),
      battery: false,
    });
    bench.stake({
      type: 'capsule',
      what: 'the capsule',
      between: [capsule, bench.out(common)],
      stands: bench.limit('stands'),
    });
  },
};
