import type { Seconds } from '../../units';

/** What is no noise floor, by what it is. */
export const DISTURBANCES = {
  gate: 'a gate or expander',
  'noise-suppressor': 'a noise suppressor',
  'automatic-gain': 'automatic gain',
  wind: 'wind',
  telephone: 'a telephone beside a cable',
  'intermittent-hum': 'hum that comes and goes',
  music: 'music',
  birds: 'birds',
  speech: 'somebody speaking, playing or busy nearby',
  machine: 'something that was switched on or off',
  ticking: 'ticking at a steady rate',
  crackle: 'crackle',
  event: 'single sounds, such as a door, a cough, a car or a wave',
} as const;
export type DisturbanceName = keyof typeof DISTURBANCES;

/** Part of a recording that is no floor. */
export interface Disturbance {
  code: DisturbanceName;
  from: Seconds;
  to: Seconds;
  /** What gave it away. */
  evidence: string;
}
