import { WHOLE } from '../../../../tests/explore';
import { seeded } from '../../../../tests/recordings/sounds';
import { blindTrials, randomLines } from '../../../../tests/testing/blind';
import { demoLines } from '../../../../tests/testing/lines';
import type { Line } from '../../gear';
import type { Table } from '../belief/belief';

const tables = new Map<Line, Table>();
const all = [...demoLines(), ...randomLines(seeded('lines'), WHOLE ? 200 : 6)];
/** In the sample every fourth line of the demo, and some made up. */
const lines = WHOLE ? all : all.filter((_, n) => n % 4 === 0 || n >= all.length - 6);

/** Faults drawn from the priors, looks misread as often as their instruments say: the act, and how sure it was. */
test('blind: the right act in 95 of 100, and stated confidence within three points of that', () => {
  const { right, stated, count } = blindTrials({ seed: 11, each: WHOLE ? 12 : 3, lines, tables });
  // Two standard deviations of a share of 0.96.
  const chance = 2 * Math.sqrt((0.96 * 0.04) / count);
  expect(right).toBeGreaterThan(0.95 - chance);
  expect(Math.abs(right - stated)).toBeLessThan(0.03 + chance);
});

test('blind, misread twice as often: still nine of ten', () => {
  const { right, count } = blindTrials({ seed: 12, each: WHOLE ? 6 : 2, errors: 2, lines, tables });
  expect(right).toBeGreaterThan(0.9 - 2 * Math.sqrt((0.9 * 0.1) / count));
});
