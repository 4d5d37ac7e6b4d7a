import { APART, coilField, coilFlux, inducedVolts, leadFlux, pairField } from './fields';

/** Worked examples of the field of long conductors and of the law of induction: arithmetic that anybody can do again. */

const decibels = (a: number, b: number) => 20 * Math.log10(a / b);

test('two single conductors 6 mm apart with 5 A: 0.6 µT at 10 cm, 0.067 µT at 30 cm', () => {
  expect(pairField(5, APART.fixed, 0.1) * 1e6).toBeCloseTo(0.6, 3);
  expect(pairField(5, APART.fixed, 0.3) * 1e6).toBeCloseTo(0.0667, 3);
});

test('a lead’s field falls by 12 dB a doubling, a small transformer’s by 18 dB', () => {
  expect(decibels(pairField(1, 3e-3, 0.1), pairField(1, 3e-3, 0.2))).toBeCloseTo(12, 1);
  expect(decibels(coilField(0.1), coilField(0.2))).toBeCloseTo(18.06, 1);
});

test('157 µV around 5 m² at 0.1 µT, 50 Hz', () => {
  expect(inducedVolts(0.1e-6 * 5, 50) * 1e6).toBeCloseTo(157, 0);
});

test('flux beside a flexible lead is its field summed from there outwards, half of it taken by the twist; none at a right angle', () => {
  const steps = 200_000;
  const far = 200;
  let sum = 0;
  // Distances at equal ratios, from 10 cm on.
  for (let n = 0; n < steps; n++) {
    const [a, b] = [n, n + 1].map((at) => 0.1 * (far / 0.1) ** (at / steps));
    sum += pairField(1, APART.flexible, Math.sqrt(a * b)) * (b - a);
  }
  expect(leadFlux(0.1, 1, 0) / (sum / 2)).toBeCloseTo(1, 2);
  expect(leadFlux(0.1, 1, Math.PI / 2)).toBeLessThan(1e-20);
  expect(decibels(leadFlux(0.1, 2, 0), leadFlux(0.3, 2, 0))).toBeCloseTo(9.5, 1);
});

test('a coil’s flux counts along what it reaches, and falls with the square of the distance', () => {
  expect(coilFlux(0.1, 5, 0)).toBe(coilFlux(0.1, 0.2, 0));
  expect(decibels(coilFlux(0.1, 0.1, 0), coilFlux(0.2, 0.1, 0))).toBeCloseTo(12, 1);
});
