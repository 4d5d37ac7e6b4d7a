import { LIVE } from '../../standards/feeds';
import { finding, rounded, schoolOf, type Rule } from '../case';

export const doublyPowered: Rule = {
  code: 'doubly-powered',
  judge: (at) =>
    at.supplies.flatMap(({ stake, pins }) => {
      if (!stake.battery || pins < LIVE) return [];
      const reserve = at.schools.batteryAndPhantom === 'battery-as-reserve';
      return [
        finding({
          code: 'doubly-powered',
          severity: reserve ? 'note' : 'watch',
          part: stake.part,
          what: `Phantom (${rounded(pins, 'V')}) and battery are both on`,
          why: reserve
            ? 'The battery is the reserve.'
            : 'In some microphones and boxes phantom then charges the battery.',
          numbers: [{ label: `Voltage, ${stake.contacts}`, value: pins, unit: 'V' }],
          ...schoolOf(at, 'batteryAndPhantom'),
        }),
      ];
    }),
};
