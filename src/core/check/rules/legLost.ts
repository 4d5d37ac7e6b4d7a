import { CONNECTORS } from '../../gear';
import { finding, quantity, type Rule } from '../case';
import { mendCables } from '../remedies';
import { LOST } from '../solve';
import { legs } from './unbalancedEntry';

/** Legs of a sound balanced line differ by less than this factor. */
const ALIKE = 4;

export const legLost: Rule = {
  code: 'leg-lost',
  judge(at) {
    const { plug } = at.circuit.junctions[0];
    const found = legs(at);
    if (!found || at.signal.alongPath <= LOST || at.circuit.junctions.some(({ plug: other }) => other !== plug))
      return [];
    const ratio = (a: number, b: number) => Math.max(a, b) / Math.min(a, b);
    if (ratio(found.hot, found.cold) < ALIKE || Math.min(found.hot, found.cold) < 15) return [];
    const [hot, cold] = CONNECTORS[plug].pairs[0].map((contact) => at.signal.impedance(0, contact));
    if (ratio(hot, cold) > ratio(found.hot, found.cold)) return [];
    const lost = CONNECTORS[plug].pairs[0][found.hot > found.cold ? 0 : 1];
    return [
      finding({
        code: 'leg-lost',
        severity: 'watch',
        part:
          at.line.links.findIndex((part) => part.faults?.length) >= 0
            ? at.line.links.findIndex((part) => part.faults?.length)
            : 'inlet',
        what: `The signal arrives on one leg only: contact ${lost} is lost on the way`,
        why:
          `${quantity(at.signal.alongPath, 'dB')} against a sound line. The other leg still carries it, but hum no longer cancels, ` +
          'and a microphone fed through one resistor instead of two gets less voltage.',
        numbers: [
          { label: 'Level against a sound line', value: at.signal.alongPath, unit: 'dB' },
          { label: `Contact ${lost} to ground, 1 kHz`, value: Math.max(found.hot, found.cold), unit: 'Ω' },
          { label: 'Other leg to ground, 1 kHz', value: Math.min(found.hot, found.cold), unit: 'Ω' },
        ],
        remedies: mendCables(at),
        basis: 'the computed impedances and response at 1 kHz',
      }),
    ];
  },
};
