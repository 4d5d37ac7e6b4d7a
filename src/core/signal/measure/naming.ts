import type { Decibels, Seconds } from '../../units';
import type { DisturbanceName } from './disturbance';
import { HISS, VOICE, type Features } from './features';
import { BANDS, FRAME, framesPerSecond } from './frames';
import type { Span } from './quiet';
import { times } from '../../units';

/** A click stands out for less than this, as frames are smoothed. */
const SHARP: Seconds = 0.09;

/** What runs evenly moves by less than this between its quarters, in the band where it moves most. */
const EVEN: Decibels = 3;

/**
 * Stands as evenly as a fan or a refrigerator does, and with a spectrum of its own: a gain that moves lifts all bands by
 * the same.
 */
export const runsEvenly = ({ spread, bands }: Features): boolean => spread < EVEN && hasOwnSpectrum(bands);
const hasOwnSpectrum = (bands: readonly Decibels[]): boolean => Math.max(...bands) - Math.min(...bands) > 3;

/** A click lifts all bands by itself, and lasts no longer than a frame shows: no gain has moved. */
export const isClicking = ({ lasting, clicks, lines }: Features): boolean =>
  lasting < SHARP && clicks >= 3 && lines < 0.05;

/** A shorter recording needs as much of a gain that moves as one of this length: a cough dies away slowly too. */
const LONG = 10 * framesPerSecond;

/** Everything is up and down together: a gain moves. @param count frames of the recording */
export function nameOfGain(
  { rising, falling, dropping, gainLike, flat, least, share, slots, syllables, lasting }: Features,
  spans: readonly Span[],
  count: number,
): DisturbanceName | undefined {
  const moving = rising + falling + dropping;
  const whole = Math.max(count, LONG);
  if (slots > 0.6) return undefined;
  if (rising > 0.08 * whole && rising > 3 * (falling + dropping)) return 'automatic-gain';
  const [first] = spans;
  if (gainLike > 0.6 && syllables > 2) return flat > 0.5 ? 'gate' : undefined;
  // It takes its time to come down: a sound at the start dies away at once, and so does a gain that somebody moves.
  const settles = (falling + dropping - rising) * FRAME > 0.35;
  if (gainLike > 0.7 && spans.length === 1 && first.from <= 2 && settles) return 'noise-suppressor';
  if (falling - rising > 0.05 * whole && falling > 2 * dropping && least > 2) return 'noise-suppressor';
  const long = spans.some(({ from, to }) => to - from > 1.6 * framesPerSecond) || share * count > 0.2 * whole;
  // Clicks open no gate: what it lets through lasts as long as it is open.
  if (least > 9 && gainLike < 0.5 && long && lasting >= SHARP && (moving > 0 || least > 14)) return 'gate';
  return undefined;
}

/** Low noise in gusts. @param count frames of the recording */
export function nameOfAir({ bands, share, lines, mains, slots }: Features, count: number): DisturbanceName | undefined {
  const low = Math.max(bands[0], bands[1]);
  const high = Math.max(...bands.slice(HISS + 1));
  if (
    share * count > 0.35 * Math.max(count, LONG) &&
    low > 7 &&
    low > high + 6 &&
    bands[BANDS - 1] < 3 &&
    lines < 0.35 &&
    mains < 0.8 &&
    slots < 0.6
  )
    return 'wind';
  return undefined;
}

export function nameOf(own: Features, all: Features, span: Span, spans: number): DisturbanceName {
  const { bands, slots, mains, lines, staying, pitch, syllables, clicks, lasting, spread } = own;
  const seconds = (span.to - span.from) * FRAME;
  const [low, high] = [Math.max(...bands.slice(0, 4)), Math.max(bands[5], bands[6])];
  if (slots > 0.6 || (all.slots > 0.7 && spans > 1 && seconds < 0.8)) return 'telephone';
  if (mains > 0.85 && lines > 0.1 && staying > 0.7 * lines && seconds > 0.4) return 'intermittent-hum';
  // Lines are told from 90 Hz on: of 50 or 60 Hz alone there is none. A bump is over sooner.
  if (mains > 0.85 && bands[0] > Math.max(...bands.slice(1)) + 6 && seconds > 1.6) return 'intermittent-hum';
  if (lines > 0.55 && staying > 0.4) return 'music';
  if (pitch > 0.5 && high > low + 6) return 'birds';
  if (
    lasting < SHARP &&
    bands[BANDS - 1] > low - 6 &&
    (clicks > 0 || all.clicks >= 3) &&
    (spans > 2 || all.clicks >= 3)
  )
    return 'crackle';
  if (spread < EVEN && seconds > 1.6) return 'machine';
  // A voice has more where its vowels are than below them; a bump has not.
  if (Math.max(bands[0], bands[1]) > Math.max(...VOICE.map((band) => bands[band])) + 2) return 'event';
  const isVoice = lines > 0.25 || (lines > 0.09 && syllables > 1) || (pitch > 0.2 && high > 6);
  return isVoice || syllables > 3 ? 'speech' : 'event';
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const decibels = (value: Decibels): string => `${value.toFixed(0).replace('-', '−')} dB`;

export function evidenceOf(code: DisturbanceName, own: Features): string {
  const { bands, rising, falling, dropping, slots, mains, pitch, staying, syllables, clicks, least } = own;
  const seconds = (count: number) => `${(count * FRAME).toFixed(1)} s`;
  switch (code) {
    case 'gate':
      return dropping > 0
        ? `all bands fall together, ${decibels(least)} and more, and stay down between sounds`
        : `between sounds even the hiss is ${decibels(least)} lower than while they last`;
    case 'noise-suppressor':
      return `all bands come down together and slowly, for ${seconds(falling + dropping)} in all`;
    case 'automatic-gain':
      return `all bands rise together and slowly in the pauses, for ${seconds(rising)} in all`;
    case 'wind':
      return `gusts below 250 Hz, ${decibels(Math.max(bands[0], bands[1]))} over the floor; nothing of them above 8 kHz`;
    case 'telephone':
      return `${percent(slots)} of it on multiples of 217 Hz`;
    case 'intermittent-hum':
      return `${percent(Math.min(1, mains))} of it on multiples of one mains frequency, for a time`;
    case 'birds':
      return `single tones between 1.5 and 10 kHz that come and go, ${percent(pitch)} of what sounds there`;
    case 'music':
      return `${percent(staying)} of it in tones that stay for a third of a second and change`;
    case 'speech':
      return `${decibels(Math.max(...VOICE.map((band) => bands[band])))} over the floor between 250 Hz and 4 kHz, swelling ${times(syllables)}`;
    case 'machine':
      return `${decibels(Math.max(...bands))} over the rest in its loudest band, and even${hasOwnSpectrum(bands) ? '' : '; all bands alike, as where somebody moves the gain'}`;
    case 'ticking':
    case 'crackle':
      return `${clicks || 1} ${clicks > 1 ? 'clicks' : 'click'}`;
    case 'event':
      return `${decibels(Math.max(...bands))} over the floor in its loudest band`;
  }
}
