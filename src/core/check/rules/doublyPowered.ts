import { LIVE } from '../../standards/feeds';
import { finding, nameOf, quantity, schoolOf, type Rule } from '../case';
import { feedOff } from '../remedies';

export const doublyPowered: Rule = {
  code: 'doubly-powered',
  judge: (at) =>
    at.supplies.flatMap(({ stake, volts }) => {
      if (!stake.battery || volts < LIVE) return [];
      const reserve = at.schools.batteryAndPhantom === 'battery-as-reserve';
      return [
        finding({
          code: 'doubly-powered',
          severity: reserve ? 'note' : 'watch',
          part: stake.part,
          what: 'Battery and phantom are both on',
          why: `${quantity(volts, 'V')} reach ${nameOf(at.line, stake.part)} while its battery is on. ${reserve ? 'The battery stands by.' : 'Some designs share the rail, and the feed then works on the cell.'}`,
          numbers: [
            {
              label: `Voltage, ${stake.contacts}`,
              value: volts,
              unit: 'V',
              limit: { label: 'A feed counts as live from', value: LIVE, basis: 'common practice' },
            },
          ],
          remedies: [
            {
              label: 'Switch the battery off',
              edits: [{ do: 'choose', part: stake.part, choice: 'battery', value: 'off' }],
            },
            ...feedOff(at),
          ],
          ...schoolOf(at, 'batteryAndPhantom'),
        }),
      ];
    }),
};
