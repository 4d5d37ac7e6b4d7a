import { headroom } from './headroom';
import type { LevelPlan } from './plan';

/** −43 dBu at an inlet with 0 dBFS at +10 dBu: −53 dBFS without gain. */
const plan: LevelPlan = {
  source: -42,
  inlet: -43,
  target: -12,
  gainNeeded: 41,
  gainMin: -10,
  gainMax: 60,
  reaches: -12,
  sourceMargin: 30,
};

test('at the planned gain peaks lie at the target, and everything else follows from there', () => {
  expect(headroom(plan, 41)).toEqual({ peak: -12, toFullScale: 12, atSource: 30, loudest: 18, atInlet: 63 });
});

test('every decibel of gain is one less to full scale; what the source and the inlet take stays', () => {
  const more = headroom(plan, 56);
  expect(more).toMatchObject({ peak: 3, toFullScale: -3, atSource: 30, atInlet: 63 });
});

test('a source without a loudest sound says nothing of one', () => {
  const { sourceMargin: _margin, ...without } = plan;
  expect(headroom(without, 41)).toEqual({ peak: -12, toFullScale: 12, atInlet: 63 });
});
