import { finding, heldAgainst, nameOf, quantity, ratedFor, restsOn, rounded, type Rule } from '../case';
import { overvoltage, turnedOff } from './capsuleOvervoltage';

export const supplyOvervoltage: Rule = {
  code: 'supply-overvoltage',
  judge: (at) =>
    at.supplies.flatMap(({ stake, pins, reversed }) => {
      // The pins of what is fed the right way round count; the wrong way round its inner rail does.
      const found = stake.stands && overvoltage(reversed > 0 ? -reversed : pins, stake.stands, stake.reverse);
      if (!found) return [];
      const { size, limit } = found;
      return [
        finding({
          code: 'supply-overvoltage',
          severity: 'harm',
          part: stake.part,
          what: found.reversed
            ? `${rounded(size, 'V')} the wrong way round on ${stake.what}`
            : `Too much voltage for ${stake.what}`,
          why: found.reversed
            ? `${nameOf(at.line, stake.part)} has −${quantity(size, 'V')} (${stake.contacts}), ${ratedFor(limit, 'V')} in that direction.${turnedOff(at)}`
            : `${quantity(size, 'V')}, ${ratedFor(limit, 'V')}.${turnedOff(at)}`,
          numbers: [
            {
              label: `Voltage, ${stake.contacts}`,
              value: found.reversed ? -size : size,
              unit: 'V',
              limit: heldAgainst(limit),
            },
          ],
          basis: `calculation; ${restsOn(limit)}`,
          look: 'Compare the feed with the data sheet of the microphone, and look for swapped conductors.',
        }),
      ];
    }),
};
