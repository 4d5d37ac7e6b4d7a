import type { Limit } from '../../gear';
import { feedFamily, feedName, finding, heldAgainst, quantity, ratedFor, restsOn, type Case, type Rule } from '../case';
import type { Finding } from '../finding';
import { meter } from '../solve';

/** From this share of a limit on the finding says watch. */
const NEAR = 0.5;

export const outputBackfeed: Rule = {
  code: 'output-backfeed',
  judge: (at) =>
    at.circuit.stakes.flatMap((stake) => {
      if (stake.type === 'output') {
        const amps = Math.max(...stake.elements.map((element) => Math.abs(at.point.amps(element))));
        return backfeed(at, amps, 'A', stake.limit, 'into a line output', 'DC into the output');
      }
      if (stake.type === 'output capacitor') {
        const volts = Math.max(...stake.between.map((pair) => Math.abs(meter(at.point, pair))));
        return backfeed(at, volts, 'V', stake.stands, 'on the output capacitor', 'Voltage on the capacitor');
      }
      return [];
    }),
};

function backfeed(at: Case, value: number, unit: 'A' | 'V', limit: Limit, where: string, label: string): Finding[] {
  if (value <= NEAR * limit.value) return [];
  const over = value > limit.value;
  // What plug-in power sends into an output, through its own resistor, harms none that is only assumed to mind.
  const harmless = feedFamily(at.line) === 'plug-in' && limit.basis === 'assumed';
  return [
    finding({
      code: 'output-backfeed',
      severity: harmless ? 'note' : over ? 'harm' : 'watch',
      part: limit.part,
      what: `${feedName(at.line) === 'the feed' ? 'A feed' : feedName(at.line)} ${unit === 'A' ? 'drives current ' : ''}${where}`,
      why: `${quantity(value, unit)}, ${ratedFor(limit, unit)}.${over && !harmless ? ' Turn the feed off now.' : ''}`,
      numbers: [{ label, value, unit, limit: heldAgainst(limit) }],
      basis: `calculation; ${restsOn(limit)}`,
      look: 'Put a transformer between this output and any inlet that can feed.',
    }),
  ];
}
