import { FEEDS } from '../../standards/feeds';
import { toolReadings } from './tools';

/** Ohm's law for each feed as its standard has it (IEC 61938, from memory). */
test.each(toolReadings())('$label: open, load and short by arithmetic; the load stays cool', (read) => {
  const { volts, ohms } = FEEDS[read.feed];
  expect(read.open).toBeCloseTo(volts, 0);
  expect(read.load).toBeCloseTo((volts * 6800) / (6800 + ohms), 1);
  expect(read.short * 1000).toBeCloseTo((1000 * volts) / ohms, 1);
  expect(read.watts).toBeLessThan(0.25);
  // Each lamp alone drops about 2 V.
  expect(read.lamp * 1000).toBeCloseTo((1000 * (volts - 2.04)) / (3300 + ohms), 1);
});
