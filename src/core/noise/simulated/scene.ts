import type { Dbfs, Hertz, Seconds } from '../../units';

/** Something that sounds by itself now and then: a voice, or whatever opens a gate. */
export interface Talk {
  /** RMS while it sounds. */
  level: Dbfs;
  /** From one to the next, and how long each lasts. */
  every: Seconds;
  lasts: Seconds;
}

/** What a simulated inlet records. */
export interface Scene {
  /** Steady noise: mean square per hertz, full scale being 1, at rising frequencies; straight lines between them in decibels over octaves. */
  noise: readonly { hz: Hertz; power: number }[];
  /** Steady tones, RMS, mains harmonics among them. */
  tones: readonly { hz: Hertz; dbfs: Dbfs }[];
  talk?: Talk;
  /** Shut between sounds: everything is this much lower then, in dB. */
  gate?: number;
  /** Nothing but exact zeros. */
  muted?: boolean;
}
