import { finding, heldAgainst, quantity, restsOn, type Rule } from '../case';
import { converterForAdapter, feedOff, moveAway } from '../remedies';
import { meter } from '../solve';

export const capsuleOvervoltage: Rule = {
  code: 'capsule-overvoltage',
  judge: (at) =>
    at.circuit.stakes.flatMap((stake) => {
      if (stake.type !== 'capsule') return [];
      const volts = meter(at.point, stake.between);
      if (volts <= stake.stands.value) return [];
      return [
        finding({
          code: 'capsule-overvoltage',
          severity: 'harm',
          part: stake.part,
          what: 'Too much voltage on the capsule',
          why:
            `${quantity(volts, 'V')} stand on ${stake.what}; it stands ${quantity(stake.stands.value, 'V')}. ` +
            'Nothing between the inlet and the capsule keeps the phantom feed away from it.',
          numbers: [{ label: 'Voltage on the capsule', value: volts, unit: 'V', limit: heldAgainst(stake.stands) }],
          remedies: [...converterForAdapter(at), ...feedOff(at), ...moveAway(at)],
          basis: `computation; ${restsOn(stake.stands)}`,
        }),
      ];
    }),
};
