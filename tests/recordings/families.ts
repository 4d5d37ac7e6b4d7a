import {
  add,
  amplitudeOf,
  automaticGain,
  between,
  birds,
  comb,
  event,
  gated,
  highPass,
  lowPass,
  mainsLevels,
  music,
  pick,
  pulses,
  rmsOf,
  room,
  scaled,
  seeded,
  speech,
  telephone,
  white,
  wind,
  type Random,
} from './sounds';

/** A recording as somebody would make it, and what is true of it. */
export interface Made {
  samples: Float32Array;
  rate: number;
  /** RMS of the floor; undefined where no stretch of the recording shows it. */
  floor?: number;
}

type Maker = (random: Random, rate: number) => Made;

/** Converter noise behind everything. */
const CONVERTER = -112;

function finished(random: Random, samples: Float64Array, rate: number, floor?: ArrayLike<number>): Made {
  add(samples, white(random, samples.length, amplitudeOf(CONVERTER)));
  return {
    samples: Float32Array.from(samples, (x) => Math.max(-1, Math.min(1, x))),
    rate,
    ...(floor && { floor: 20 * Math.log10(Math.hypot(rmsOf(floor), amplitudeOf(CONVERTER))) }),
  };
}

/** A floor between quiet and noisy, now and then with hum. */
function background(random: Random, seconds: number, rate: number): { floor: Float64Array; dbfs: number } {
  const dbfs = between(random, -82, -58);
  const floor = room(random, Math.round(seconds * rate), rate, dbfs);
  if (random() < 0.3)
    add(
      floor,
      comb(floor.length, rate, between(random, 49.9, 50.1), mainsLevels(random, dbfs - between(random, 0, 12)), random),
    );
  return { floor, dbfs };
}

const with_ =
  (what: (random: Random, seconds: number, rate: number, dbfs: number) => Float64Array): Maker =>
  (random, rate) => {
    const seconds = between(random, 10, 20);
    const { floor, dbfs } = background(random, seconds, rate);
    const sound = what(random, seconds, rate, dbfs);
    return finished(random, add(floor.slice(), sound), rate, floor);
  };

/** Sounds over the whole length, so much louder than the floor. */
const throughout = (make: typeof speech, from: number, to: number): Maker =>
  with_((random, seconds, rate, dbfs) => make(random, seconds, rate, dbfs + between(random, from, to)));

/** Speech at one end or both. */
const speechAtEnds: Maker = with_((random, seconds, rate, dbfs) => {
  const out = new Float64Array(Math.round(seconds * rate));
  const level = dbfs + between(random, 12, 40);
  const which = pick(random, ['start', 'end', 'both'] as const);
  const make = () => speech(random, between(random, 0.8, 3), rate, level);
  if (which !== 'end') add(out, make());
  if (which !== 'start') {
    const last = make();
    add(out, last, out.length - last.length);
  }
  return out;
});

const events: Maker = with_((random, seconds, rate, dbfs) => {
  const out = new Float64Array(Math.round(seconds * rate));
  const count = Math.floor(between(random, 1, 4));
  for (let n = 0; n < count; n++)
    add(out, event(random, rate, dbfs + between(random, 10, 40)), Math.round(between(random, 0.05, 0.9) * out.length));
  return out;
});

/** A room that is not quiet behind a gate, for want of something that opens it. */
const opened = (random: Random, seconds: number, rate: number) => {
  const { floor, dbfs } = background(random, seconds, rate);
  const sounds = speech(random, seconds, rate, dbfs + between(random, 20, 35));
  for (let at = between(random, 1, 2); at < seconds; at += between(random, 3, 5))
    sounds.fill(0, Math.round(at * rate), Math.round((at + between(random, 1, 2.5)) * rate));
  return { samples: add(floor.slice(), sounds), dbfs };
};

type Reach = readonly [number, number];

/** Something that opens by level, so far over the floor, and closes by so much. */
const closing =
  (over: number, reaches: Record<'range' | 'attack' | 'hold' | 'release', Reach>): Maker =>
  (random, rate) => {
    const { samples, dbfs } = opened(random, between(random, 10, 20), rate);
    const within = (what: keyof typeof reaches) => between(random, ...reaches[what]);
    const made = {
      threshold: amplitudeOf(dbfs + over),
      range: within('range'),
      attack: within('attack'),
      hold: within('hold'),
      release: within('release'),
    };
    return finished(random, gated(samples, rate, made), rate);
  };

const gate = (hold: Reach, release: Reach): Maker =>
  closing(16, { range: [14, 70], attack: [0.0005, 0.005], hold, release });

const settling: Maker = (random, rate) => {
  const seconds = between(random, 8, 18);
  const { floor } = background(random, seconds, rate);
  const [begins, lasts, depth] = [between(random, 0.4, 3), between(random, 0.3, 3), between(random, 8, 25)];
  for (let n = 0; n < floor.length; n++)
    floor[n] *= amplitudeOf(-depth * Math.min(1, Math.max(0, (n / rate - begins) / lasts)));
  return finished(random, floor, rate);
};

/** The floor comes up with what sounds, and is pressed down after it. */
const pumping = closing(18, { range: [8, 20], attack: [0.02, 0.1], hold: [0.2, 0.8], release: [0.5, 1.5] });

const agc: Maker = (random, rate) => {
  const { samples, dbfs } = opened(random, between(random, 12, 20), rate);
  return finished(
    random,
    automaticGain(samples, rate, {
      wanted: amplitudeOf(dbfs + between(random, 24, 34)),
      rises: between(random, 3, 15),
      most: amplitudeOf(between(random, 10, 30)),
    }),
    rate,
  );
};

const windy: Maker = with_((random, seconds, rate, dbfs) =>
  wind(random, seconds, rate, dbfs + between(random, 12, 35)),
);

const humming: Maker = with_((random, seconds, rate, dbfs) => {
  const out = new Float64Array(Math.round(seconds * rate));
  const hertz = pick(random, [49.98, 50.03, 59.97, 60.02]);
  const levels = mainsLevels(random, dbfs + between(random, 3, 25));
  for (let at = between(random, 0.5, 3); at < seconds; at += between(random, 3, 6)) {
    const part = comb(Math.round(between(random, 1, 3) * rate), rate, hertz, levels, random);
    const fade = 0.02 * rate;
    add(
      out,
      part.map((x, n) => x * Math.min(1, n / fade, (part.length - n) / fade)),
      Math.round(at * rate),
    );
  }
  return out;
});

/** Hum or buzz that stays, far over the noise: what most noisy lines have. Its phase drifts against any clock. */
const steadyHum: Maker = (random, rate) => {
  const seconds = between(random, 8, 20);
  const dbfs = between(random, -82, -58);
  const floor = room(random, Math.round(seconds * rate), rate, dbfs);
  const hertz = pick(random, [50, 60]) + between(random, -0.12, 0.12);
  const level = dbfs + between(random, 3, 30);
  const made =
    random() < 0.6
      ? comb(floor.length, rate, hertz, mainsLevels(random, level), random)
      : pulses(random, floor.length, rate, hertz, level);
  return finished(random, add(floor, made), rate, floor);
};

/** A fan, a refrigerator or a pump that comes on or goes off, and is as even as the room while it runs. */
const machine: Maker = with_((random, seconds, rate, dbfs) => {
  const frames = Math.round(seconds * rate);
  const level = dbfs + between(random, 4, 25);
  const out = lowPass(white(random, frames), between(random, 150, 6000), rate);
  scaled(out, amplitudeOf(level));
  if (random() < 0.5)
    add(
      out,
      comb(frames, rate, between(random, 49.9, 50.1), mainsLevels(random, level - between(random, 3, 12)), random),
    );
  const [at, fade] = [between(random, 0.3, 0.7) * frames, between(random, 0.1, 1.5) * rate];
  const comesOn = random() < 0.5;
  for (let n = 0; n < frames; n++) {
    const on = Math.min(1, Math.max(0, (n - at) / fade));
    out[n] *= comesOn ? on : 1 - on;
  }
  return out;
});

const testTone: Maker = (random, rate) => {
  const seconds = between(random, 6, 15);
  const { floor } = background(random, seconds, rate);
  const hertz = random() < 0.5 ? pick(random, [100, 400, 440, 997, 1000]) : between(random, 80, 9000);
  const dbfs = between(random, -40, -3);
  return finished(
    random,
    add(
      floor,
      comb(
        floor.length,
        rate,
        hertz,
        [
          [1, dbfs],
          [2, dbfs - between(random, 50, 80)],
          [3, dbfs - between(random, 50, 80)],
        ],
        random,
      ),
    ),
    rate,
  );
};

const clean: Maker = (random, rate) => {
  const { floor } = background(random, between(random, 5, 20), rate);
  return finished(random, floor.slice(), rate, floor);
};

/** Short and sharp, by a bad contact. */
const crackle: Maker = with_((random, seconds, rate, dbfs) => {
  const out = new Float64Array(Math.round(seconds * rate));
  for (let at = between(random, 0.1, 1); at < seconds; at += between(random, 0.15, 1.5)) {
    const click = highPass(white(random, Math.round(between(random, 0.0005, 0.004) * rate)), 1000, rate);
    add(
      out,
      click.map((x, n) => x * amplitudeOf(dbfs + 35) * Math.exp((-5 * n) / click.length)),
      Math.round(at * rate),
    );
  }
  return out;
});

/** What is made, by what it should be called; a clean one is called nothing. */
export const FAMILIES = {
  clean: { make: clean, named: 'clean' },
  'hum that stays': { make: steadyHum, named: 'clean' },
  'speech at the ends': { make: speechAtEnds, named: 'speech' },
  'speech throughout': { make: throughout(speech, 10, 40), named: 'speech' },
  music: { make: throughout(music, 10, 40), named: 'music' },
  birds: { make: throughout(birds, 8, 30), named: 'birds' },
  'test tone': { make: testTone, named: 'test-tone' },
  'gate, sudden': { make: gate([0, 0], [0.005, 0.03]), named: 'gate' },
  'gate, hold and release': { make: gate([0.05, 0.5], [0.05, 0.4]), named: 'gate' },
  'noise suppressor, settling': { make: settling, named: 'noise-suppressor' },
  'noise suppressor, pumping': { make: pumping, named: 'noise-suppressor' },
  'automatic gain': { make: agc, named: 'automatic-gain' },
  wind: { make: windy, named: 'wind' },
  telephone: { make: throughout(telephone, 10, 35), named: 'telephone' },
  'hum, now and then': { make: humming, named: 'intermittent-hum' },
  'machine that comes on or goes off': { make: machine, named: 'machine' },
  events: { make: events, named: 'event' },
  crackle: { make: crackle, named: 'crackle' },
} as const satisfies Record<string, { make: Maker; named: string }>;
export type Family = keyof typeof FAMILIES;

/** Rates as recorders have them; most at 48 kHz. */
const RATES = [48_000, 48_000, 44_100, 96_000] as const;

/** The n-th recording of a family; even ones were looked at while the analysis was made, odd ones are kept for its figures. */
export function recordingOf(family: Family, n: number): Made {
  const random = seeded(`${family} ${n}`);
  return FAMILIES[family].make(random, RATES[n % 8 < 5 ? 0 : (n % 8) - 4]);
}
