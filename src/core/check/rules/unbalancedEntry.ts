import { CONNECTORS } from '../../gear';
import { finding, quantity, type Case, type Rule } from '../case';
import { mendCables, replaceLink } from '../remedies';
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
    const adapter = at.line.links.findIndex(
      (part) => part.kind === 'plain-adapter' && part.choices?.wiring === 'ts-to-xlr',
    );
    return [
      finding({
        code: 'unbalanced-entry',
        severity: 'watch',
        part: 'inlet',
        what: 'A balanced inlet is driven unbalanced',
        why: `One leg shows ${quantity(low, 'Ω')} to ground, the other ${quantity(high, 'Ω')}: hum that both pick up no longer cancels.`,
        numbers: [
          { label: 'Lower leg to ground, 1 kHz', value: low, unit: 'Ω' },
          { label: 'Higher leg to ground, 1 kHz', value: high, unit: 'Ω' },
        ],
        remedies: [
          ...mendCables(at),
          ...(adapter < 0 ? [] : [replaceLink('Use a passive direct box', adapter, { kind: 'passive-direct-box' })]),
        ],
        basis: 'the computed impedances at 1 kHz',
      }),
    ];
  },
};
