import loadPffft from '@echogarden/pffft-wasm/simd';
import { pffftTransforms, type ChannelReading, type Transforms } from '../../src/core/signal';
import { spread } from '../explore';
import { FAMILIES, recordingOf, type Family } from './families';
import { readBy } from './read';

let quick: Transforms;
beforeAll(async () => {
  quick = pffftTransforms(await loadPffft());
});

/** What is said of a channel, and the levels that are kept of it. */
const told = ({ usable, reasons, patterns, disturbances, mains, clean }: ChannelReading) => ({
  usable,
  clean,
  reasons: reasons.map(({ code }) => code),
  patterns: patterns.map(({ code }) => code),
  disturbances: disturbances.map(({ code }) => code),
  orders: mains?.harmonics.map(({ order }) => order),
});
const LEVELS = ['bandDbfs', 'cut80Dbfs', 'aWeightedDbfs', 'hissDbfs', 'broadbandDbfs', 'rumbleDbfs'] as const;

test.each([...spread(() => Object.keys(FAMILIES) as Family[], 9)])(
  '%s: quick and plain transforms say the same',
  (family) => {
    const { rate, samples } = recordingOf(family, 4001);
    const [one] = readBy(quick, rate, samples).channels;
    const [other] = readBy(undefined, rate, samples).channels;
    expect(told(one)).toEqual(told(other));
    expect(one.floorDbfs ?? 0).toBeCloseTo(other.floorDbfs ?? 0, 2);
    for (const level of LEVELS) expect(Math.abs(one[level] - other[level])).toBeLessThan(0.01);
  },
);

test.each([997, 50, 8000.3])('a pure tone of %i Hz at nearly full level brings no tones of the arithmetic', (hertz) => {
  const rate = 48_000;
  // The second is 120 dB below the first.
  const samples = Float32Array.from(
    { length: 8 * rate },
    (_, n) => 0.9 * (Math.sin((2 * Math.PI * hertz * n) / rate) + 1e-6 * Math.sin((2 * Math.PI * 9300 * n) / rate)),
  );
  for (const transforms of [quick, undefined]) {
    const { tones, mains, wandering } = readBy(transforms, rate, samples).channels[0];
    const lines = [...tones, ...(mains?.harmonics ?? [])].map(({ hz }) => Math.round(hz)).sort((a, b) => a - b);
    expect(lines).toEqual([Math.round(hertz), 9300]);
    expect(wandering).toEqual([]);
  }
});
