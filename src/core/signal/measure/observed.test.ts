import { levelMeter } from './levels';
import { floorOf } from './observed';

describe('the mean square of the frames that are floor', () => {
  const LEVELS = {
    ...levelMeter(48_000).levels(),
    frameLevels: Float32Array.from([1, 2, 3, 4]),
    frameMeans: Float32Array.from([0, 1, 1, 0]),
    power: 5,
    mean: 2,
  };
  test('of the spans of the rest, without their own direct offset', () => {
    expect(floorOf(LEVELS, [{ from: 0, to: 1 }]).power).toBe(1);
    expect(floorOf(LEVELS, [{ from: 1, to: 3 }]).power).toBe(1.5);
    expect(
      floorOf(LEVELS, [
        { from: 0, to: 1 },
        { from: 3, to: 9 },
      ]),
    ).toEqual({ power: 2.5, offset: 0 });
  });
  test('of everything where there is no rest, or nothing is left out; never below nothing', () => {
    expect(floorOf(LEVELS, [])).toEqual({ power: 1, offset: 2 });
    expect(floorOf(LEVELS, [{ from: 0, to: 4 }])).toEqual({ power: 1, offset: 2 });
    expect(floorOf({ ...LEVELS, mean: 3 }, []).power).toBe(0);
    expect(floorOf({ ...LEVELS, frameMeans: Float32Array.from([2, 2, 2, 2]) }, [{ from: 0, to: 3 }]).power).toBe(0);
  });
});
