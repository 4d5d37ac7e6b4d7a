import { BASIS_LABELS } from '../../gear';
import { FEEDS } from '../../standards/feeds';
import { feedAt, finding, heldAgainst, quantity, ratedFor, restsOn, rounded, type Case, type Rule } from '../case';
import type { Limit } from '../../gear';
import { meter } from '../solve';

/** The most that plug-in power has, open (1.5 to 5 V, common practice): its resistor keeps it from harming. */
const PLUG_IN = FEEDS['plug-in'].volts + FEEDS['plug-in'].tolerance;

/** What is too much on an element, either way round; undefined where nothing is. */
export function overvoltage(
  volts: number,
  stands: Limit,
  reverse: Limit | undefined,
): { size: number; limit: Limit; reversed: boolean } | undefined {
  const reversed = volts < 0;
  const size = Math.abs(volts);
  if (size > stands.value) return { size, limit: stands, reversed };
  // An assumed limit for the wrong way round says nothing where plug-in power with its resistor is all there is.
  if (!reversed || !reverse || size <= reverse.value || (reverse.basis === 'assumed' && size <= PLUG_IN))
    return undefined;
  return { size, limit: reverse, reversed };
}

export const turnedOff = (at: Case): string =>
  feedAt(at, at.circuit.junctions.length - 1) > 1 ? ' Turn the feed off now.' : '';

export const capsuleOvervoltage: Rule = {
  code: 'capsule-overvoltage',
  judge: (at) =>
    at.circuit.stakes.flatMap((stake) => {
      if (stake.type !== 'capsule') return [];
      const found = overvoltage(meter(at.point, stake.between), stake.stands, stake.reverse);
      if (!found) return [];
      const { size, limit, reversed } = found;
      return [
        finding({
          code: 'capsule-overvoltage',
          severity: 'harm',
          part: stake.part,
          what: reversed
            ? `${rounded(size, 'V')} the wrong way round on the capsule`
            : 'Too much voltage on the capsule',
          why: reversed
            ? `The capsule has −${quantity(size, 'V')}: its common contact is fed and its signal contact grounded. It is ${ratedFor(limit, 'V')}${limit === stake.stands ? '' : ' in that direction'}.${turnedOff(at)}`
            : `${quantity(size, 'V')} on a capsule ${ratedFor(limit, 'V')}.${turnedOff(at)}`,
          numbers: [
            {
              label: 'Voltage on the capsule',
              value: reversed ? -size : size,
              unit: 'V',
              limit: heldAgainst(limit),
            },
          ],
          basis: `calculation; ${restsOn(limit)}`,
          ...(limit.basis === 'assumed' && size > stake.stands.value && { assumed: undefined }),
          look: `Look at what the adapters on this line join: nothing keeps the phantom from the capsule (${BASIS_LABELS[limit.basis]}).`,
        }),
      ];
    }),
};
