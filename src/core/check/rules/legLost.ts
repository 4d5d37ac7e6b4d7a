import { CONNECTORS } from '../../gear';
import { faulty, finding, isMicrophone, rounded, type Rule } from '../case';
import { LOST } from '../solve';
import { legs } from './unbalancedEntry';

/** Legs of a good balanced line differ by less than this factor. */
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
    const culprit = faulty(at.line)[0];
    return [
      finding({
        code: 'leg-lost',
        severity: 'watch',
        part: culprit ?? 'inlet',
        what: `One leg is open: ${plug === 'xlr3' ? `pin ${lost}` : lost === 'T' ? 'tip' : 'ring'}`,
        why: `${rounded(at.signal.alongPath, 'dB')} against a good line; hum no longer cancels${isMicrophone(at.line) ? ', and phantom comes through one resistor instead of two' : ''}.`,
        numbers: [
          { label: 'Level against a good line', value: at.signal.alongPath, unit: 'dB' },
          { label: 'Open leg to ground, 1 kHz', value: Math.max(found.hot, found.cold), unit: 'Ω' },
          { label: 'Other leg to ground, 1 kHz', value: Math.min(found.hot, found.cold), unit: 'Ω' },
        ],
        basis: 'the calculated impedances and response at 1 kHz',
        look: 'Swap one cable at a time.',
      }),
    ];
  },
};
