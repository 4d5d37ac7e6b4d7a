import { noise } from '../../../../tests/signals';
import type { Hertz } from '../../units';
import { recordingMeter } from './analysis';

/** White noise as it is recorded at a sample rate. */
const read = (rate: Hertz) => {
  const meter = recordingMeter(rate, 1, 8 * rate);
  meter.push([noise(8 * rate, 1e-3, 3)]);
  return meter.reading().channels[0];
};

test.each([
  [8000, 4000, 'nothing above 4.0 kHz', 'recorded at 8 kHz'],
  [11_025, 5512.5, 'nothing above 5.5 kHz', 'recorded at 11 kHz'],
  [16_000, 8000, 'nothing above 8.0 kHz', 'recorded at 16 kHz'],
  [22_050, 11_025, 'nothing above 11.0 kHz', 'recorded at 22.1 kHz'],
  [32_000, 16_000, 'nothing above 16.0 kHz', 'recorded at 32 kHz'],
])(
  'at a sample rate of %d Hz nothing above half of it is in a recording, which is no clean floor',
  (rate, hz, what, by) => {
    const { reachesHz, patterns, usable, clean } = read(rate);
    expect(Math.abs(reachesHz - hz)).toBeLessThan(5);
    expect(patterns.find(({ code }) => code === 'cut-off')).toMatchObject({ what, evidence: by });
    expect({ usable, clean }).toEqual({ usable: true, clean: false });
  },
);

test.each([44_100, 48_000, 88_200, 96_000])('at %d Hz the whole band is there', (rate) => {
  const { reachesHz, patterns, clean } = read(rate);
  expect(reachesHz).toBe(20_000);
  expect(patterns.map(({ code }) => code)).toEqual(['hiss']);
  expect(clean).toBe(true);
});
