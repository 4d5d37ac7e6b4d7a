import type { Line, Part } from '../gear';
import { thermalNoise } from './thermal';

const line = (source: Part, links: Part[], inlet: Part = { kind: 'three-pin', choices: { feed: 'off' } }): Line => ({
  id: 'line',
  name: 'line',
  source,
  links,
  inlet,
});
const coil = (ohms: number): Part => ({
  kind: 'moving-coil',
  figures: { coil: { value: ohms, unit: 'Ω', basis: 'measured' } },
});

test('a moving coil of 200 Ω on an inlet of some kilohms: a little below the −129.67 dBu of its resistance alone', () => {
  const { level, parts, aWeighted } = thermalNoise(line(coil(200), [{ kind: 'cable' }]));
  // Loaded by R, a source resistance Rs leaves 4kT·(Rs ∥ R): 200 Ω ∥ 1.7 kΩ is 0.5 dB less (Nyquist, 1928).
  expect(level).toBeLessThan(-129.67);
  expect(level).toBeGreaterThan(-130.8);
  expect(parts[0].part).toBe('source');
  expect(parts[0].share).toBeGreaterThan(0.8);
  expect(parts.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  // White noise is 2.05 dB lower A-weighted.
  expect(level - aWeighted).toBeCloseTo(2.05, 1);
});

test('more resistance, more noise; a pad’s resistors take over from the source', () => {
  const plain = thermalNoise(line(coil(50), [{ kind: 'cable' }]));
  expect(plain.level).toBeLessThan(thermalNoise(line(coil(600), [{ kind: 'cable' }])).level);
  const padded = thermalNoise(line(coil(50), [{ kind: 'cable' }, { kind: 'pad' }, { kind: 'cable' }]));
  expect(padded.parts[0].part).toBe(1);
  expect(padded.parts.find(({ part }) => part === 'source')!.share).toBeLessThan(0.05);
});
