/** Sounds as they come into recordings, made of nothing but numbers; seeded, so that they repeat. */

export type Random = () => number;

/** Numbers from 0 to 1 by a Weyl sequence that is mixed (mulberry32, public domain), quick enough for minutes of noise. */
export function seeded(seed: string): Random {
  let state = 0;
  for (const letter of seed) state = (Math.imul(state ^ letter.charCodeAt(0), 0x01000193) + 0x9e3779b9) | 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** From a to b. */
export const between = (random: Random, a: number, b: number): number => a + (b - a) * random();
export const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)];
export const amplitudeOf = (decibels: number): number => 10 ** (decibels / 20);

/** A normally distributed number (Box and Muller, 1958). */
const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(random() + 1e-300)) * Math.cos(2 * Math.PI * random());

export function white(random: Random, frames: number, rms = 1): Float64Array {
  const out = new Float64Array(frames);
  for (let n = 0; n < frames; n++) out[n] = rms * normal(random);
  return out;
}

/** Adds a tone: peak, frequency at its start and at its end, phase. */
function tone(into: Float64Array, rate: number, peak: number, from: number, to = from, phase = 0): void {
  let [re, im] = [Math.cos(phase), Math.sin(phase)];
  // Turns by an angle that itself grows evenly.
  const [first, grows] = [(2 * Math.PI * from) / rate, (2 * Math.PI * (to - from)) / rate / Math.max(1, into.length)];
  let [turnRe, turnIm] = [Math.cos(first), Math.sin(first)];
  const [bendRe, bendIm] = [Math.cos(grows), Math.sin(grows)];
  for (let n = 0; n < into.length; n++) {
    into[n] += peak * im;
    [re, im] = [re * turnRe - im * turnIm, re * turnIm + im * turnRe];
    [turnRe, turnIm] = [turnRe * bendRe - turnIm * bendIm, turnRe * bendIm + turnIm * bendRe];
  }
}

/** First order low pass, in place. */
export function lowPass(samples: Float64Array, hertz: number, rate: number): Float64Array {
  const pull = 1 - Math.exp((-2 * Math.PI * hertz) / rate);
  let y = 0;
  for (let n = 0; n < samples.length; n++) samples[n] = y += (samples[n] - y) * pull;
  return samples;
}

/** First order high pass, in place. */
export function highPass(samples: Float64Array, hertz: number, rate: number): Float64Array {
  const low = lowPass(samples.slice(), hertz, rate);
  for (let n = 0; n < samples.length; n++) samples[n] -= low[n];
  return samples;
}

export const rmsOf = (samples: ArrayLike<number>, from = 0, to = samples.length): number => {
  let sum = 0;
  for (let n = from; n < to; n++) sum += samples[n] ** 2;
  return Math.sqrt(sum / (to - from));
};

/** Brought to an RMS, in place. */
export function scaled(samples: Float64Array, rms: number): Float64Array {
  const factor = rms / (rmsOf(samples) || 1);
  for (let n = 0; n < samples.length; n++) samples[n] *= factor;
  return samples;
}

export function add(into: Float64Array, samples: ArrayLike<number>, at = 0): Float64Array {
  at = Math.round(at);
  for (let n = Math.max(0, -at); n < samples.length && at + n < into.length; n++) into[at + n] += samples[n];
  return into;
}

/** A mains comb: RMS levels by order. */
export function comb(
  frames: number,
  rate: number,
  hertz: number,
  levels: readonly [order: number, dbfs: number][],
  random: Random,
): Float64Array {
  const out = new Float64Array(frames);
  for (const [order, dbfs] of levels)
    tone(out, rate, Math.SQRT2 * amplitudeOf(dbfs), hertz * order, hertz * order, 6.28 * random());
  return out;
}

/** Hum of the mains (fundamental and odd) or buzz (twice that, and many). */
export function mainsLevels(random: Random, dbfs: number): [number, number][] {
  const odd = random() < 0.5;
  return Array.from({ length: odd ? 5 : 10 }, (_, n): [number, number] => {
    const order = odd ? 2 * n + 1 : 2 * n + 2;
    return [order, dbfs - (odd ? 8 : 4) * Math.log2(order) - 3 * random()];
  });
}

/** Buzz of a rectifier as it is: a short pulse in each half of a period, or in one of them alone. */
export function pulses(random: Random, frames: number, rate: number, hertz: number, dbfs: number): Float64Array {
  const out = new Float64Array(frames);
  const [each, width, start] = [random() < 0.5 ? 1 : 2, between(random, 0.0003, 0.002), random()];
  for (let n = 0; n < frames; n++) {
    const phase = ((n / rate) * hertz * each + start) % 1;
    const at = (phase - 0.5) / (width * hertz * each);
    out[n] = Math.exp(-at * at);
  }
  const mean = out.reduce((sum, x) => sum + x, 0) / frames;
  const pulse = out.map((x) => x - mean);
  return scaled(pulse, amplitudeOf(dbfs));
}

/** A room as a microphone hears it: hiss, and noise that falls towards the top. */
export function room(random: Random, frames: number, rate: number, dbfs: number): Float64Array {
  const hiss = white(random, frames, amplitudeOf(dbfs - between(random, 1, 8)));
  const low = highPass(lowPass(white(random, frames), between(random, 60, 400), rate), 25, rate);
  add(hiss, scaled(low, amplitudeOf(dbfs - between(random, 1, 8))));
  return scaled(hiss, amplitudeOf(dbfs));
}

/** Lets the room sound on: an exponential tail by convolution with decaying noise is too dear; a decaying envelope does. */
function syllable(random: Random, rate: number, pitch: number): Float64Array {
  const frames = Math.round(between(random, 0.1, 0.32) * rate);
  const tail = Math.round(between(random, 0.05, 0.25) * rate);
  const out = new Float64Array(frames + tail);
  const voiced = random() > 0.25;
  if (voiced) {
    const formants = [between(random, 300, 800), between(random, 900, 2300), between(random, 2300, 3200)];
    const glide = between(random, -0.25, 0.25);
    for (let harmonic = 1; harmonic * pitch < 4500; harmonic++) {
      const hz = harmonic * pitch;
      const level = formants.reduce(
        (sum, formant, n) => sum + Math.exp(-(((hz - formant) / 220) ** 2)) / (n + 1),
        0.03,
      );
      tone(out, rate, level, hz, hz * (1 + (glide * out.length) / frames), 6.28 * random());
    }
  }
  if (!voiced || random() < 0.4) {
    const hiss = highPass(white(random, out.length), between(random, 1500, 4000), rate);
    add(out, scaled(hiss, voiced ? 0.1 : 0.5));
  }
  const dies = tail / 4;
  for (let n = 0; n < out.length; n++)
    out[n] *= n < frames ? Math.sin((Math.PI * (n + 1)) / (2 * frames)) ** 0.5 : Math.exp((frames - n) / dies);
  return out;
}

/** Somebody speaking: syllables with pauses, pitch that moves. RMS while it sounds is `dbfs`. */
export function speech(random: Random, seconds: number, rate: number, dbfs: number): Float64Array {
  const out = new Float64Array(Math.round(seconds * rate));
  const voice = between(random, 90, 230);
  for (let at = 0; at < out.length;) {
    const one = syllable(random, rate, voice * between(random, 0.8, 1.3));
    add(out, scaled(one, between(random, 0.4, 1.3)), at);
    at += one.length * 0.8;
    if (random() < 0.2) at += between(random, 0.15, 0.8) * rate;
  }
  return scaled(out, amplitudeOf(dbfs));
}

/** Notes with harmonics that are struck and die away, or are held; alone or as chords. */
export function music(random: Random, seconds: number, rate: number, dbfs: number): Float64Array {
  const out = new Float64Array(Math.round(seconds * rate));
  const scale = [0, 2, 4, 5, 7, 9, 11, 12, 14, 16];
  const root = 110 * 2 ** (Math.floor(between(random, 0, 18)) / 12);
  const held = random() < 0.5;
  const beat = between(random, 0.25, 0.7);
  const voices = Math.floor(between(random, 1, 4));
  for (let at = 0; at < seconds; at += beat * pick(random, [1, 1, 2]))
    for (let voice = 0; voice < voices; voice++) {
      const hz = root * 2 ** (pick(random, scale) / 12);
      const lasts = beat * between(random, 1, 2.5);
      const note = new Float64Array(Math.round(lasts * rate));
      for (let harmonic = 1; harmonic <= 8; harmonic++) tone(note, rate, harmonic ** -1.2, hz * harmonic);
      for (let n = 0; n < note.length; n++) {
        const t = n / note.length;
        note[n] *= Math.min(1, n / (0.01 * rate)) * (held ? Math.min(1, 8 * (1 - t)) : Math.exp(-4 * t));
      }
      add(out, note, Math.round(at * rate));
    }
  return scaled(out, amplitudeOf(dbfs));
}

/** Birds: sweeps between 2 and 8 kHz in groups. @param dbfs of a chirp */
export function birds(random: Random, seconds: number, rate: number, dbfs: number): Float64Array {
  const out = new Float64Array(Math.round(seconds * rate));
  for (let at = between(random, 0, 1); at < seconds; at += between(random, 0.6, 2.5)) {
    const [base, count, lasts] = [
      between(random, 2200, 6500),
      Math.floor(between(random, 2, 9)),
      between(random, 0.04, 0.22),
    ];
    const sweep = between(random, -0.3, 0.35);
    for (let n = 0; n < count; n++) {
      const chirp = new Float64Array(Math.round(lasts * rate));
      let phase = 0;
      for (let k = 0; k < chirp.length; k++) {
        const t = k / chirp.length;
        phase += (2 * Math.PI * base * (1 + sweep * t + 0.03 * Math.sin(40 * t))) / rate;
        chirp[k] = Math.SQRT2 * amplitudeOf(dbfs) * Math.sin(Math.PI * t) * Math.sin(phase);
      }
      add(out, chirp, Math.round((at + n * lasts * 1.5) * rate));
    }
  }
  return out;
}

/** Wind in a microphone: low noise in gusts. */
export function wind(random: Random, seconds: number, rate: number, dbfs: number): Float64Array {
  const frames = Math.round(seconds * rate);
  const cut = between(random, 25, 90);
  const out = highPass(lowPass(lowPass(white(random, frames), cut, rate), cut * 2, rate), 8, rate);
  const gusts = lowPass(lowPass(white(random, frames), between(random, 0.3, 1.2), rate), 1.5, rate);
  scaled(gusts, 1);
  const depth = between(random, 0.9, 1.6);
  for (let n = 0; n < frames; n++) out[n] *= Math.exp(depth * gusts[n]);
  return scaled(out, amplitudeOf(dbfs));
}

/** A telephone beside a cable: pulses of a time slot, 216.7 a second (GSM 05.02: 26 frames in 120 ms), in groups. */
export function telephone(random: Random, seconds: number, rate: number, dbfs: number): Float64Array {
  const out = new Float64Array(Math.round(seconds * rate));
  const slot = 0.12 / 26;
  const shape = between(random, 1, 3);
  for (let at = between(random, 0.2, 2); at < seconds; at += between(random, 0.6, 3)) {
    const lasts = pick(random, [0.15, 0.25, 0.4, 1.2]);
    for (let t = 0; t < lasts; t += slot)
      for (let k = 0; k < (slot / 8) * rate; k++) {
        const n = Math.round((at + t) * rate) + k;
        if (n < out.length) out[n] += Math.exp((-shape * k) / ((slot / 8) * rate));
      }
  }
  const mean = out.reduce((sum, x) => sum + x, 0) / out.length;
  const coupled = highPass(
    out.map((x) => x - mean),
    120,
    rate,
  );
  const active = coupled.filter((x) => Math.abs(x) > 1e-3);
  const factor = amplitudeOf(dbfs) / (rmsOf(active) || 1);
  return coupled.map((x) => x * factor);
}

/** Something that happens once: a door, a cough, a chair, a bump of the stand, a dropped pencil. */
export function event(random: Random, rate: number, dbfs: number): Float64Array {
  const kind = pick(random, ['door', 'cough', 'chair', 'bump', 'pencil'] as const);
  const lasts = { door: 0.5, cough: 0.45, chair: 0.6, bump: 0.35, pencil: 0.12 }[kind] * between(random, 0.7, 1.5);
  const frames = Math.round(lasts * rate);
  let out = white(random, frames);
  if (kind === 'door') out = add(lowPass(out, 120, rate), scaled(white(random, frames), 0.01));
  if (kind === 'cough') out = highPass(lowPass(out, 3000, rate), 250, rate);
  if (kind === 'chair') out = highPass(lowPass(out, 6000, rate), 600, rate);
  if (kind === 'bump') out = lowPass(lowPass(out, 60, rate), 150, rate);
  if (kind === 'pencil') out = highPass(out, 1500, rate);
  const [rise, fall] = [Math.round(between(random, 0.002, 0.02) * rate), frames / between(random, 3, 7)];
  for (let n = 0; n < frames; n++) out[n] *= n < rise ? n / rise : Math.exp((rise - n) / fall);
  return scaled(out, amplitudeOf(dbfs));
}

/** A gate, an expander or its like: opens by the level of what comes, holds, and closes. */
export function gated(
  samples: Float64Array,
  rate: number,
  { threshold, range, attack, hold, release }: Record<'threshold' | 'range' | 'attack' | 'hold' | 'release', number>,
): Float64Array {
  const shut = amplitudeOf(-range);
  const fall = Math.exp(-1 / (0.01 * rate));
  const [opens, shuts] = [1 - Math.exp(-1 / (attack * rate)), amplitudeOf(-range / Math.max(1, release * rate))];
  let [envelope, gain, held] = [0, shut, 0];
  return samples.map((x) => {
    envelope = Math.max(Math.abs(x), envelope * fall);
    if (envelope > threshold) {
      held = hold * rate;
      gain += (1 - gain) * opens;
    } else if (held > 0) held--;
    else gain = Math.max(shut, gain * shuts);
    return x * gain;
  });
}

/** Automatic gain: falls at once where it is loud, rises slowly where it is not. */
export function automaticGain(
  samples: Float64Array,
  rate: number,
  { wanted, rises, most }: { wanted: number; rises: number; most: number },
): Float64Array {
  const fall = Math.exp(-1 / (0.02 * rate));
  const up = amplitudeOf(rises / rate);
  let [envelope, gain] = [0, 1];
  return samples.map((x) => {
    envelope = Math.max(Math.abs(x), envelope * fall);
    gain = envelope * gain > wanted ? Math.max(0.01, wanted / envelope) : Math.min(most, gain * up);
    return x * gain;
  });
}
