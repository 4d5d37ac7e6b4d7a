import { directVolts, nodesOf } from '../../../../tests/referee/ngspice';
import { oneCable, tableFor } from '../../../../tests/testing/lines';
import { operatingPoint } from '../../circuit';
import { stickAt } from '../instruments/lamps';
import { across, openEnd } from './openEnd';

/** What instruments read on faulted lines, against ngspice: a stick, and a load, at the source end. */
const TABLES = ['P48', 'P24', 'P12'].map((feed) => tableFor(oneCable({ kind: 'condenser-9-52' }, feed)));
const CASES = TABLES.flatMap((table) =>
  table.hypotheses.flatMap(({ what, part, world, sometimes }) =>
    part === 0 && !sometimes && world.faults.length === 1
      ? [{ table, world, name: `${table.subject.feed}, ${what}` }]
      : [],
  ),
);

test('there are faulted lines enough for a referee', () => expect(CASES.length).toBeGreaterThanOrEqual(30));

test.each(CASES)('$name: direct voltages with the stick and with a load within 1e-6', async ({ table, world }) => {
  const end = openEnd(world, 0);
  for (const fitted of [stickAt(table.subject, end, 0), [across(end, 'load', '2', '1', 6800)]]) {
    const netlist = end.fitted(fitted);
    const own = operatingPoint(netlist);
    const floating = new Set(own.floating.flat());
    const referee = await directVolts(netlist);
    const compared = nodesOf(netlist).filter((node) => !floating.has(node));
    expect(compared.length).toBeGreaterThan(3);
    for (const node of compared) {
      const expected = referee(node);
      // Through a lamp that is dark both are rounding errors.
      const tolerance = 1e-6 + 1e-6 * Math.abs(expected);
      if (Math.abs(own.volts(node)! - expected) > tolerance)
        throw new Error(`${node}: ${own.volts(node)} V here, ${expected} V by ngspice`);
    }
  }
});
