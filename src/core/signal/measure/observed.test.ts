import { levelMeter } from './levels';
import { floorPower } from './observed';

describe('the mean square of the frames that are floor', () => {
  const LEVELS = {
    ...levelMeter(48_000).levels(),
    frameLevels: Float32Array.from([1, 2, 3, 4]),
    frameMeans: Float32Array.from([0, 1, 1, 0]),
    power: 5,
    mean: 2,
  };
  test('of the spans of the rest, without their own direct offset', () => {
    expect(floorPower(LEVELS, [{ from: 0, to: 1 }])).toBe(1);
    expect(floorPower(LEVELS, [{ from: 1, to: 3 }])).toBe(1.5);
    expect(
      floorPower(LEVELS, [
        { from: 0, to: 1 },
        { from: 3, to: 9 },
      ]),
    ).toBe(2.5);
  });
  test('of everything where there is no rest; never below nothing', () => {
    expect(floorPower(LEVELS, [])).toBe(1);
    expect(floorPower({ ...LEVELS, mean: 3 }, [])).toBe(0);
    expect(floorPower({ ...LEVELS, frameMeans: Float32Array.from([2, 2, 2, 2]) }, [{ from: 0, to: 4 }])).toBe(0);
  });
});
