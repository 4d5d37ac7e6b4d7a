import { FEEDS, isPhantom, LIVE, type FeedName } from '../../standards/feeds';
import type { Ohms, Volts } from '../../units';
import { quantity } from '../../units/format';
import { exceeds, MATCHED, type Accuracy, type Measured } from './measured';

/** Feed resistors may be off by this share of what the standard names (IEC 61938, from memory). */
export const RESISTOR_TOLERANCE = 0.1;

/** What each of the two lamps of a stick did. */
export const LAMPS = ['both', 'only 2', 'only 3', 'neither'] as const;
export type Lamps = (typeof LAMPS)[number];

/** What was read at one inlet: by lamps, or in volts of pin 2 and of pin 3 to pin 1. */
export interface InletReading {
  /** Its id, and what it is called. */
  inlet: string;
  name: string;
  feed: FeedName;
  lamps?: Lamps;
  /** With nothing but the meter. */
  open?: [Volts, Volts];
  /** With the load from that pin to pin 1. */
  loaded?: [Volts, Volts];
}

/** By what it was read. */
export interface Means {
  meter: Accuracy;
  load: Ohms;
  /** The load may be off by this share. */
  loadTolerance: number;
}

/** Something that an inlet does not keep to, or that nobody can say with this meter. */
export interface InletFinding {
  what: string;
  sure: boolean;
}

export interface InletFigures {
  volts?: [Measured, Measured];
  ohms?: [Measured, Measured];
  /** (R3 − R2) / R. */
  mismatch?: Measured;
  findings: InletFinding[];
}

/** Under a load that is as large as this share of the right resistor calls for, nobody fitted one: it reads as open. */
const NO_LOAD = 0.2;

const NAMES = ['2', '3'] as const;

/** The feed resistor of one leg by its volts open and under load: what the meter is off by as a share falls out. */
function resistor(open: Volts, loaded: Volts, { meter, load, loadTolerance }: Means): Measured {
  const value = load * (open / loaded - 1);
  const reading = (load * meter.digits * (loaded + open)) / loaded ** 2;
  return { value, plusMinus: Math.abs(value) * loadTolerance + reading };
}

/** How far the two differ; both were read with one load, so that its tolerance falls out. */
function between([two, three]: [Measured, Measured], means: Means): Measured {
  const mean = (two.value + three.value) / 2;
  const own = ({ value, plusMinus }: Measured) => plusMinus - Math.abs(value) * means.loadTolerance;
  return { value: (three.value - two.value) / mean, plusMinus: (own(two) + own(three)) / mean };
}

const told = (what: string, answer: ReturnType<typeof exceeds>): InletFinding[] =>
  answer === 'no' ? [] : [{ what, sure: answer === 'yes' }];

const LAMP_WORDS: Record<Exclude<Lamps, 'both'>, string> = {
  'only 2': 'no feed on pin 3',
  'only 3': 'no feed on pin 2',
  neither: 'no feed',
};

/**
 * What an inlet gives by what was read, and what of that fails the standard of its feed.
 * A limit only counts as exceeded where the uncertainty allows it.
 */
export function inletFigures(reading: InletReading, means: Means): InletFigures {
  const { feed, lamps, open, loaded } = reading;
  if (!isPhantom(feed)) return { findings: [] };
  if (lamps !== undefined) return { findings: lamps === 'both' ? [] : [{ what: LAMP_WORDS[lamps], sure: true }] };
  if (!open) return { findings: [] };
  const standard = FEEDS[feed];
  const dead = NAMES.filter((_, n) => Math.abs(open[n]) < LIVE);
  const volts = open.map((value): Measured => ({
    value,
    plusMinus: Math.abs(value) * means.meter.share + means.meter.digits,
  })) as [Measured, Measured];
  if (dead.length)
    return { volts, findings: [{ what: dead.length === 2 ? 'no feed' : `no feed on pin ${dead[0]}`, sure: true }] };
  const findings = volts.flatMap(({ value, plusMinus }, n) =>
    told(
      `pin ${NAMES[n]} at ${quantity(value, 'V')}, outside ${standard.volts - standard.tolerance} to ${standard.volts + standard.tolerance} V`,
      exceeds({ value: value - standard.volts, plusMinus }, standard.tolerance),
    ),
  );
  if (!loaded) return { volts, findings };
  const sagged = NAMES.filter((_, n) => loaded[n] < LIVE);
  if (sagged.length)
    return {
      volts,
      findings: [...findings, { what: `nothing left under load on pin ${sagged.join(' and ')}`, sure: true }],
    };
  const ohms = open.map((value, n) => resistor(value, loaded[n], means)) as [Measured, Measured];
  const unloaded = NAMES.filter((_, n) => ohms[n].value < NO_LOAD * standard.ohms);
  if (unloaded.length)
    return {
      volts,
      findings: [
        ...findings,
        {
          what: `pin ${unloaded.join(' and ')} as with no load: fit it and read again`,
          sure: false,
        },
      ],
    };
  const mismatch = between(ohms, means);
  const [least, most] = [standard.ohms * (1 - RESISTOR_TOLERANCE), standard.ohms * (1 + RESISTOR_TOLERANCE)];
  return {
    volts,
    ohms,
    mismatch,
    findings: [
      ...findings,
      ...ohms.flatMap(({ value, plusMinus }, n) =>
        told(
          `pin ${NAMES[n]} ${value > standard.ohms ? 'weak' : 'strong'}: ${quantity(value, 'Ω')}, outside ${quantity(least, 'Ω')} to ${quantity(most, 'Ω')}`,
          exceeds({ value: value - standard.ohms, plusMinus }, standard.ohms * RESISTOR_TOLERANCE),
        ),
      ),
      ...told(
        `resistors ${(100 * Math.abs(mismatch.value)).toFixed(1)} % apart, 0.4 % allowed`,
        exceeds(mismatch, MATCHED),
      ),
    ],
  };
}
