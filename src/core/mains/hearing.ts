import { magnitude, type Complex } from '../circuit';
import { METERS } from '../noise/budget';
import { FLOOR_METERS, type FloorMeter } from '../schools/schools';
import { dbu, type Amps, type Dbfs, type Dbu, type Decibels, type Hertz, type Volts } from '../units';
import { BEHIND_WINDINGS, WINDINGS } from './figures';
import type { GroundVolts, Way } from './solve';
import type { Hearing, Tie } from './ties';

/** Who gives how much of what is heard, by which way. */
export interface HumShare {
  unit: string;
  way: Way;
  share: number;
}

/** A level as each meter reads it. */
export type Reads = Record<FloorMeter, Dbu>;

/** What a line hears of the mains, at its inlet. */
export interface LineHum {
  line: string;
  name: string;
  how: Hearing['how'];
  /** At the inlet, as each meter reads it. */
  reads: Reads;
  /** How far each may be off either way. */
  within: Decibels;
  /** What would tell it better than anything else; absent where that is known. */
  ask?: 'shells' | 'rejection';
  /** From dBu at the inlet to dBFS, at the gain of the plan; absent where nothing arrives. */
  toDbfs?: Decibels;
  byHarmonic: HumLine[];
  /** Of what is heard, A-weighted, by unit and way; largest first, adding up to 1. */
  shares: HumShare[];
  /** Between its shells when it is unplugged, everything else as it is; all harmonics. */
  open?: Volts;
  /** Current in its shield at the fundamental. */
  shield: Amps;
  /** Tones that are no harmonics, from supplies that whine. */
  whine?: { reads: Reads; byTone: HumLine[]; shares: HumShare[] };
}

export interface HumLine {
  hz: Hertz;
  level: Dbu;
  /** At the gain of the plan; absent where nothing arrives. */
  dbfs?: Dbfs;
}

/** The voltage between the grounds at the ends of a tie, at one frequency. */
export interface TieHarmonic extends GroundVolts {
  hz: Hertz;
  order?: number;
}

/** How much of what lies between the grounds at its ends a line hears, at a frequency. */
function hearing({ how, unbalanced, ratio, conversion, pinOne }: Hearing, { ohms }: Tie, hz: Hertz): number {
  // What the shield drops adds to the signal as far as that returns over it; the rest is common to both legs.
  const drop = ohms === undefined ? 0 : unbalanced;
  const common = conversion + (ohms === undefined ? 0 : pinOne / ohms);
  switch (how) {
    case 'unbalanced':
      return ohms === undefined ? 1 : drop;
    case 'balanced':
      return common;
    case 'transformer':
      // What comes over the windings' capacitance counts where the shield is parted there.
      return ohms === undefined
        ? 2 * Math.PI * hz * WINDINGS * BEHIND_WINDINGS * ratio
        : Math.hypot(drop * ratio, common);
  }
}

/** Uncertainty from typical figures alone, by how a line hears (assumed). */
const WITHIN: Record<Hearing['how'], Decibels> = { unbalanced: 12, balanced: 25, transformer: 25 };
/** With what was measured between the shells (assumed). */
const MEASURED: Decibels = 4;

/** How well a level is known, and what would tell it better. */
function known({ how, rejectionStated }: Hearing, { shells }: Tie): Pick<LineHum, 'within' | 'ask'> {
  if (how === 'transformer') return { within: WITHIN.transformer };
  if (how === 'balanced' && !rejectionStated) return { within: WITHIN.balanced, ask: 'rejection' };
  return shells === undefined ? { within: WITHIN.unbalanced, ask: 'shells' } : { within: MEASURED };
}

/** Quieter than anything is heard. */
export const SILENT: Dbu = -200;
const levelOf = (power: number): Dbu => (power > 0 ? Math.max(SILENT, dbu(Math.sqrt(power))) : SILENT);

/** What a line hears of a voltage between the grounds at its ends. */
export function heard(
  tie: Tie,
  hears: Hearing,
  { volts, open }: { volts: readonly TieHarmonic[]; open?: Volts },
): LineHum {
  const { toDbfs } = hears;
  const [hum, whine] = [true, false].map((isHum) =>
    summed(
      tie,
      hears,
      volts.filter(({ order }) => (order !== undefined) === isHum),
    ),
  );
  const [fundamental] = volts;
  return {
    line: hears.line,
    name: hears.name,
    how: hears.how,
    reads: hum.reads,
    ...known(hears, tie),
    ...(toDbfs !== undefined && { toDbfs }),
    ...(open !== undefined && { open }),
    byHarmonic: hum.by,
    shares: hum.shares,
    shield: tie.ohms === undefined || !fundamental ? 0 : magnitude(fundamental.total) / tie.ohms,
    ...(whine.reads['as-set'] > SILENT && {
      whine: { reads: whine.reads, byTone: whine.by, shares: whine.shares },
    }),
  };
}

function summed(tie: Tie, hears: Hearing, volts: readonly TieHarmonic[]) {
  const { toDbfs } = hears;
  const powers = FLOOR_METERS.map(() => 0);
  const parts = new Map<string, { unit: string; way: Way; power: number }>();
  const by = volts.map(({ hz, total, by: given }): HumLine => {
    const share = hearing(hears, tie, hz);
    const own = (share * magnitude(total)) ** 2;
    FLOOR_METERS.forEach((meter, n) => (powers[n] += own * METERS[meter](hz)));
    const weight = share ** 2 * METERS['a-weighted'](hz);
    for (const { unit, way, volts: part } of given) {
      const key = `${unit} ${way}`;
      const known = parts.get(key) ?? { unit, way, power: 0 };
      known.power += towards(part, total) * weight;
      parts.set(key, known);
    }
    const level = levelOf(own);
    return { hz, level, ...(toDbfs !== undefined && level > SILENT && { dbfs: level + toDbfs }) };
  });
  const given = [...parts.values()].map((each) => ({ ...each, power: Math.max(0, each.power) }));
  const whole = given.reduce((sum, each) => sum + each.power, 0) || 1;
  return {
    reads: Object.fromEntries(FLOOR_METERS.map((meter, n) => [meter, levelOf(powers[n])])) as Reads,
    by,
    shares: given
      .map(({ unit, way, power: own }): HumShare => ({ unit, way, share: own / whole }))
      .filter(({ share }) => share > 1e-3)
      .sort((a, b) => b.share - a.share),
  };
}

/** What a part gives of the power of the whole: its projection on it. */
const towards = (part: Complex, whole: Complex): number => part.re * whole.re + part.im * whole.im;
