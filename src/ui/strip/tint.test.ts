import { scaleLinear, scaleSqrt } from 'd3';
import { thickness, tint } from './tint';

const VOLTS = [0, 0.01, 1.5, 2.9, 3, 5, 7.5, 11.9, 12, 18, 24, 24.1, 30, 47.9, 48, 60];

test('a tint is the share of the way between the two voltages around it, as a linear scale has it', () => {
  const place = scaleLinear([0, 3, 12, 24, 48], [0, 1, 2, 3, 4]).clamp(true);
  const of = (text: string): number => {
    const [below] = text
      .match(/tint-(\d+)/)!
      .slice(1)
      .map(Number);
    const share = Number(/ (\d+)%/.exec(text)?.[1] ?? 0) / 100;
    return [0, 3, 12, 24, 48].indexOf(below) + share;
  };
  for (const volts of VOLTS) {
    expect(Math.abs(of(tint(volts)) - place(volts))).toBeLessThanOrEqual(0.0051);
    expect(tint(-volts)).toBe(tint(volts));
  }
  expect(tint(null)).toBe(tint(0));
});

test('a rail is as thick as the root of its voltage, within a pixel and a half and four and a half', () => {
  const scale = scaleSqrt<number>().domain([0, 48]).range([1.4, 4.4]).clamp(true);
  for (const volts of VOLTS) expect(thickness(volts)).toBeCloseTo(scale(volts), 12);
  expect(thickness(-1)).toBeCloseTo(scale(-1), 12);
});
