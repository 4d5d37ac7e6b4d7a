import type { WindingStake } from '../../gear';
import {
  characterOf,
  faulty,
  feedFamily,
  finding,
  heldAgainst,
  nameOf,
  quantity,
  ratedFor,
  readPart,
  restsOn,
  type Case,
  type Rule,
} from '../case';
import type { Severity } from '../finding';
import type { Solved } from '../solve';

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

/** Plug-in power through a dynamic is common and harmless: only a limit that somebody stated makes it more (common practice). */
export const harmlessHere = (at: Case, { limit }: Pick<WindingStake, 'limit'>): boolean =>
  limit.basis === 'assumed' && feedFamily(at.line) === 'plug-in' && characterOf(at.line) !== 'passive ribbon';

const severityOf = (at: Case, stake: WindingStake): Severity =>
  stake.saturates ? 'watch' : harmlessHere(at, stake) ? 'note' : 'harm';

function reason(at: Case, stake: WindingStake): string {
  const culprit = cause(at, stake);
  if (culprit) return `A fault in ${culprit} grounds one leg. With a good cable no DC flows.`;
  if (
    characterOf(at.line) === 'passive ribbon' &&
    readPart(at.line, 'source').choice('tap') === 'grounded' &&
    stake.part === 'source'
  )
    return (
      'The centre tap is on pin 1. While both legs are equal the halves cancel in the core; a fault, unequal legs, ' +
      'or a plug that makes one leg first sends it through one half alone, and the ribbon feels that.'
    );
  return 'One end is fed, the other finds ground.';
}

export const elementDirectCurrent: Rule = {
  code: 'element-direct-current',
  judge: (at) =>
    at.circuit.stakes.flatMap((stake) => {
      if (stake.type !== 'winding') return [];
      const amps = windingCurrent(at, stake);
      if (amps <= stake.limit.value) return [];
      return [
        finding({
          code: stake.saturates ? 'winding-saturated' : 'element-direct-current',
          severity: severityOf(at, stake),
          part: stake.part,
          what: stake.saturates ? `DC saturates ${stake.what}` : `DC through ${stake.what}`,
          why:
            `${quantity(amps, 'A')} through a winding ${ratedFor(stake.limit, 'A')}. ${reason(at, stake)}` +
            (stake.saturates ? ' Bass distorts; nothing is damaged.' : ''),
          numbers: [{ label: `DC through ${stake.what}`, value: amps, unit: 'A', limit: heldAgainst(stake.limit) }],
          basis: `calculation; ${restsOn(stake.limit)}`,
          look: 'Measure both legs against pin 1 at the source: they should read the same voltage.',
        }),
      ];
    }),
};
