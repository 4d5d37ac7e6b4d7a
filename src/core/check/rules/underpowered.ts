import { finding, heldAgainst, nameOf, quantity, restsOn, type Rule } from '../case';
import { powerUp } from './unpowered';

export const underpowered: Rule = {
  code: 'underpowered',
  judge: (at) =>
    at.supplies
      .filter(({ state }) => state === 'low')
      .map((supply) => {
        const { stake, volts } = supply;
        return finding({
          code: 'underpowered',
          severity: 'watch',
          part: stake.part,
          what: `Less voltage than ${stake.what} is specified for`,
          why:
            `${nameOf(at.line, stake.part)} gets ${quantity(volts, 'V')} (${stake.contacts}) and is specified from ${quantity(stake.needs.value, 'V')}: ` +
            'it runs, with less headroom and perhaps more noise.',
          numbers: [{ label: `Voltage, ${stake.contacts}`, value: volts, unit: 'V', limit: heldAgainst(stake.needs) }],
          remedies: powerUp(at, supply),
          basis: `computation; ${restsOn(stake.needs)}`,
        });
      }),
};
