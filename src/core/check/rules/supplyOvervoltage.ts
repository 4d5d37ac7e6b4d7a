import { finding, heldAgainst, nameOf, quantity, restsOn, type Rule } from '../case';
import { feedOff, feedOn } from '../remedies';

export const supplyOvervoltage: Rule = {
  code: 'supply-overvoltage',
  judge: (at) =>
    at.supplies.flatMap(({ stake, volts }) => {
      if (!stake.stands || volts <= stake.stands.value) return [];
      return [
        finding({
          code: 'supply-overvoltage',
          severity: 'harm',
          part: stake.part,
          what: `More voltage than ${stake.what} stands`,
          why: `${nameOf(at.line, stake.part)} gets ${quantity(volts, 'V')} (${stake.contacts}) and stands ${quantity(stake.stands.value, 'V')}.`,
          numbers: [{ label: `Voltage, ${stake.contacts}`, value: volts, unit: 'V', limit: heldAgainst(stake.stands) }],
          remedies: [
            ...feedOn(at, [
              { value: 'P24', label: '24 V' },
              { value: 'P12', label: '12 V' },
            ]),
            ...feedOff(at),
          ],
          basis: `computation; ${restsOn(stake.stands)}`,
        }),
      ];
    }),
};
