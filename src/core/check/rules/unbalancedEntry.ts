import { CONNECTORS } from '../../gear';
import { finding, isMicrophone, meantFor, quantity, type Case, type Rule } from '../case';
import { LOST } from '../solve';

/** Impedances of the two legs at the last junction. */
export function legs(at: Case): { hot: number; cold: number } | undefined {
  const { junctions } = at.circuit;
  const { socket, nodes } = junctions[junctions.length - 1];
  const [hot, cold] = CONNECTORS[socket].pairs[0];
  const found = (contact: string) => at.signal.impedance(junctions.length - 1, contact);
  return at.signal.channels[0].balanced && hot in nodes && cold in nodes
    ? { hot: found(hot), cold: found(cold) }
    : undefined;
}

/** One leg lies on ground: below this share of the other and below this many ohms. */
const TIED = { share: 0.1, ohms: 15 };

/** An unbalanced source on a microphone inlet; in a line or instrument jack it is how such sources are plugged. */
export const unbalancedEntry: Rule = {
  code: 'unbalanced-entry',
  judge(at) {
    const { junctions } = at.circuit;
    const plug = junctions[junctions.length - 1].plug;
    const short = plug === 'ts635' && at.signal.channels[0].balanced;
    const found = legs(at) ?? (short ? { hot: at.signal.impedance(junctions.length - 1, 'T'), cold: 0 } : undefined);
    if (!found || at.signal.alongPath <= LOST || at.signal.atSource <= LOST) return [];
    const [low, high] = [Math.min(found.hot, found.cold), Math.max(found.hot, found.cold)];
    if (low >= TIED.ohms || low >= TIED.share * high) return [];
    const usual = meantFor(at) !== 'microphone' || isMicrophone(at.line);
    return [
      finding({
        code: 'unbalanced-entry',
        severity: usual ? 'note' : 'watch',
        part: 'inlet',
        what: 'Unbalanced source on a balanced inlet',
        why: `Legs differ (${quantity(low, 'Ω')} and ${quantity(high, 'Ω')} to ground), so hum doesn't cancel.`,
        numbers: [
          { label: 'Low-impedance leg', value: low, unit: 'Ω' },
          { label: 'High-impedance leg', value: high, unit: 'Ω' },
        ],
        basis: 'the calculated impedances at 1 kHz',
        look: 'Keep the unbalanced part short, or go over a direct box.',
      }),
    ];
  },
};
