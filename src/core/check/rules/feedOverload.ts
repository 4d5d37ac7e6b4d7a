import { finding, quantity, type Rule } from '../case';

/** Above this share of the limit the feed itself is in danger, not only out of its standard. */
const DANGEROUS = 1.5;

export const feedOverload: Rule = {
  code: 'feed-overload',
  judge: (at) =>
    at.circuit.stakes.flatMap((stake) => {
      if (stake.type !== 'feed' || !stake.limit) return [];
      const { limit } = stake;
      const amps = Math.abs(at.point.amps(stake.element));
      // A feed at its limit is at its limit, whatever a cable leaks.
      if (amps <= 1.02 * limit.value) return [];
      const ohms = (name: string): number => {
        const element = at.circuit.netlist.elements.find((other) => other.name === name);
        return element?.type === 'resistor' ? element.ohms : 0;
      };
      const hottest = Math.max(...stake.resistors.map((name) => at.point.amps(name) ** 2 * ohms(name)));
      return [
        finding({
          code: 'feed-overload',
          severity: amps > DANGEROUS * limit.value ? 'harm' : 'watch',
          part: stake.part,
          what: `Too much current from the ${stake.feed} feed`,
          why: `${quantity(amps, 'A')} from ${stake.feed}; ${quantity(limit.value, 'A')} is the limit per line. Each feed resistor runs at up to ${quantity(hottest, 'W')}.`,
          numbers: [
            {
              label: 'Feed current',
              value: amps,
              unit: 'A',
              limit: { label: 'Limit per line', value: limit.value, basis: 'from memory', where: limit.source },
            },
            { label: 'Heat in one feed resistor', value: hottest, unit: 'W' },
          ],
          basis: limit.source,
          look: 'Unplug the source: if the current stays, a cable shorts the feed.',
        }),
      ];
    }),
};
