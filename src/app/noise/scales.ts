import { quantity } from '@/core/units/format';
import { scales as texts } from './texts';

/** A full-scale sine reads −3.01 dBFS RMS here; some would have it read 0. */
export const SINE_READS = { '-3': '−3.01 dBFS RMS', '0': '0 dBFS RMS' } as const;
export type SineReads = keyof typeof SINE_READS;

/** An RMS level as the user wants it written. */
export const rms = (level: number, sine: SineReads): string =>
  level <= -199 ? texts.nothing : quantity(level + (sine === '0' ? 3.01 : 0), 'dBFS');

/** Frequencies that a logarithmic axis is marked at. */
export const DECADES: readonly (readonly [hz: number, text: string])[] = [
  [20, '20 Hz'],
  [50, '50'],
  [100, '100'],
  [200, '200'],
  [500, '500'],
  [1000, '1 kHz'],
  [2000, '2'],
  [5000, '5'],
  [10_000, '10'],
  [20_000, '20 kHz'],
];

/** The same where there is little room. */
export const NARROW_DECADES: typeof DECADES = [
  [20, '20 Hz'],
  [200, '200'],
  [2000, '2 kHz'],
  [20_000, '20 kHz'],
];
