import { reverseFigure } from '../phantom';
import type { FigureSpec } from '../figures';
import type { SourceKind } from '../kinds';
import { choice, selfNoiseFigure, soundFigures } from '../shared';
import {
  buildCapsule,
  buildThreeWire,
  contactName,
  electretConnectors,
  electretContacts,
  electretPlug,
} from './electret';

const volts = (label: string, min: number, max: number, value: number): FigureSpec => ({
  label,
  unit: 'V',
  min,
  max,
  typical: { value, basis: 'common practice' },
});

export const plugInElectret: SourceKind = {
  role: 'source',
  kind: 'plug-in-electret',
  belongsIn: 'plug-in',
  usualLoss: 12,
  label: 'Lavalier or electret, plug-in power',
  words: ['lavalier', 'lav', 'lapel', 'body-worn', 'clip-on', 'headset', 'electret', 'on-camera'],
  summary: 'Lavalier or on-camera microphone on a small plug that runs on 1.5 to 5 V from the same wire.',
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
    needs: volts('Minimum voltage at the capsule', 0.5, 12, 1),
    stops: volts('Stops working below', 0.1, 10, 0.6),
    stands: volts('Maximum voltage at the capsule', 1, 60, 10),
    reverse: reverseFigure(1),
    selfNoise: selfNoiseFigure(28),
    ...soundFigures(6, 100, 120),
  },
  choices: {
    connector: electretConnectors,
    wires: choice('Wires', [
      ['two', 'two: power and signal on one contact'],
      ['three', 'three: power on a contact of its own'],
    ]),
  },
  connector: (part) => electretPlug(part.choice('connector')),
  build(bench) {
    const { hot, common, power } = electretContacts(bench.choice('connector'));
    const output = bench.out(hot[0]);
    hot.slice(1).forEach((contact) => bench.join(bench.out(contact), output));
    const three = bench.choice('wires') === 'three' && power !== undefined;
    const supply = three ? bench.out(power) : output;
    if (three) buildThreeWire(bench, supply, output, bench.out(common));
    else buildCapsule(bench, supply, bench.out(common));
    bench.stake({
      type: 'supply',
      what: 'the capsule',
      wants: 'plug-in power',
      contacts: contactName(three ? power : hot[0]),
      between: [[supply, bench.out(common)]],
      needs: bench.limit('needs'),
      stops: bench.limit('stops'),
      battery: false,
    });
    bench.stake({
      type: 'capsule',
      what: 'the capsule',
      between: [supply, bench.out(common)],
      stands: bench.limit('stands'),
      reverse: bench.limit('reverse'),
    });
  },
};
