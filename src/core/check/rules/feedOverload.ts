import { finding, quantity, type Rule } from '../case';
import { feedOff, mendCables } from '../remedies';

/** Above this share of the limit the feed itself is in danger, not only out of its standard. */
const DANGEROUS = 1.5;

export const feedOverload: Rule = {
  code: 'feed-overload',
  judge: (at) =>
    at.circuit.stakes.flatMap((stake) => {
      if (stake.type !== 'feed') return [];
      const amps = Math.abs(at.point.amps(stake.element));
      if (amps <= stake.limit.value) return [];
      const hottest = Math.max(...stake.resistors.map((name) => at.point.amps(name) ** 2 * resistance(name)));
      function resistance(name: string): number {
        const element = at.circuit.netlist.elements.find((other) => other.name === name);
        return element?.type === 'resistor' ? element.ohms : 0;
      }
      return [
        finding({
          code: 'feed-overload',
          severity: amps > DANGEROUS * stake.limit.value ? 'harm' : 'watch',
          part: stake.part,
          what: `The feed gives more than it should`,
          why: `${quantity(amps, 'A')} leave the ${stake.feed} feed; ${quantity(stake.limit.value, 'A')} is the most for one line. One feed resistor turns ${quantity(hottest, 'W')} into heat.`,
          numbers: [
            {
              label: 'Feed current',
              value: amps,
              unit: 'A',
              limit: {
                label: 'Most for one line',
                value: stake.limit.value,
                basis: 'from memory',
                where: stake.limit.source,
              },
            },
            { label: 'Heat in one feed resistor', value: hottest, unit: 'W' },
          ],
          remedies: [...mendCables(at), ...feedOff(at)],
          basis: stake.limit.source,
        }),
      ];
    }),
};
