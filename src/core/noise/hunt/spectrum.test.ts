import { MOST_POINTS, stepSpectrum } from './spectrum';

const points = (count: number) => Array.from({ length: count }, (_, n) => ({ hz: 10 * 1.02 ** n, level: -120 }));

test('a tone that stands in one point of a spectrum stays at its frequency and its level, wherever it is', () => {
  for (let at = 0; at < 320; at++) {
    const spectrum = points(320).map((each, n) => (n === at ? { ...each, level: -70 } : each));
    const kept = stepSpectrum({ spectrum });
    expect(kept.length).toBeLessThanOrEqual(MOST_POINTS);
    expect(kept.filter(({ level }) => level === -70)).toEqual([{ hz: spectrum[at].hz, level: -70 }]);
  }
});

test('a short spectrum is kept as it is; none is none; frequencies rise', () => {
  expect(stepSpectrum({ spectrum: points(90) })).toEqual(points(90));
  expect(stepSpectrum({ spectrum: [] })).toEqual([]);
  const hz = stepSpectrum({ spectrum: points(319) }).map((each) => each.hz);
  expect(hz).toEqual(hz.toSorted((a, b) => a - b));
});
