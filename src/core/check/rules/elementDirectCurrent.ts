import type { WindingStake } from '../../gear';
import { faulty, finding, heldAgainst, nameOf, quantity, restsOn, type Case, type Rule } from '../case';
import type { Solved } from '../solve';
import { feedOff, isolate, mendCables, moveAway } from '../remedies';

/** The largest direct current through any element of a winding, in amperes. */
export const windingCurrent = ({ point }: Solved, stake: WindingStake): number =>
  Math.max(...stake.elements.map((element) => Math.abs(point.amps(element))));

/** Which cable fault the current goes away with, if any: found by mending each and solving again. */
function cause(at: Case, stake: WindingStake): string | undefined {
  const culprit = faulty(at.line).find(
    (n) => windingCurrent(at.whatIf([{ do: 'mend', at: n }]), stake) <= stake.limit.value,
  );
  return culprit === undefined ? undefined : nameOf(at.line, culprit);
}

export const elementDirectCurrent: Rule = {
  code: 'element-direct-current',
  judge: (at) =>
    at.circuit.stakes.flatMap((stake) => {
      if (stake.type !== 'winding') return [];
      const amps = windingCurrent(at, stake);
      if (amps <= stake.limit.value) return [];
      const culprit = cause(at, stake);
      return [
        finding({
          code: 'element-direct-current',
          severity: 'harm',
          part: stake.part,
          what: `Direct current flows through ${stake.what}`,
          why:
            `${quantity(amps, 'A')} pass through ${stake.what}; it stands ${quantity(stake.limit.value, 'A')}. ` +
            (culprit
              ? `The fault in ${culprit} ties one side of it to ground: with a sound cable next to nothing would flow.`
              : 'One side of it is fed while the other has a way to ground, so the feed drives a current through it.'),
          numbers: [
            { label: `Current through ${stake.what}`, value: amps, unit: 'A', limit: heldAgainst(stake.limit) },
          ],
          remedies: [...mendCables(at), ...feedOff(at), ...moveAway(at), ...isolate(at)],
          basis: `computation; ${restsOn(stake.limit)}`,
        }),
      ];
    }),
};
