import { headroom, type Headroom } from '../../level/headroom';
import type { LevelPlan } from '../../level/plan';
import { solveLine } from '../../check/solve';
import { asDrawn, inletKind, inletReader, type Line, type PartRef } from '../../gear';
import { dbu, fromDbu, ratio, type Dbfs, type Dbu, type Decibels, type Hertz } from '../../units';
import { FLOOR_METERS, type FloorMeter } from '../../schools/schools';
import { aWeight, highPass } from '../../signal/measure/weighting';
import { BAND, integral } from '../band';
import { noiseParts, type NoiseKind, type NoisePart } from './parts';
import { ASSUMED_ROOM, type Room } from './sound';

/** A full-scale sine reads this as an RMS level. */
const SINE: Decibels = 10 * Math.log10(2);

/** How loud one part is at the inlet, RMS. */
export interface Contribution {
  kind: NoiseKind;
  part: PartRef;
  level: Dbu;
  /** In dBu(A). */
  aWeighted: Dbu;
  /** Of the power of all parts, unweighted and A-weighted; each adds up to 1. */
  share: number;
  shareA: number;
  /** How far it may be off either way, where it is a computed hum. */
  within?: Decibels;
}

/** What a line should deliver: its level plan and its noise, at one gain. */
export interface NoiseBudget {
  plan: LevelPlan;
  headroom: Headroom;
  gain: Decibels;
  room: Room;
  /** At the inlet. */
  level: Dbu;
  aWeighted: Dbu;
  /** As recorded, with the rumble that is usual where nobody stated the room’s; RMS, a full-scale sine reading −3.01. */
  dbfs: Dbfs;
  dbfsA: Dbfs;
  /** The floor as each meter reads it, with what of it nobody has stated. */
  reads: Record<FloorMeter, FloorRead>;
  /** From the planned peak down to the floor, as far as that is known. */
  peakToFloor: Decibels;
  peakToFloorA: Decibels;
  /** Loudest first, A-weighted. */
  parts: Contribution[];
  /** Mean square per hertz, full scale being 1. */
  density: { hz: Hertz; power: number }[];
  /** Figures that cannot be right, and what cannot be heard; that first. */
  doubts: string[];
}

/**
 * A floor with what is known of it, in dBFS. A room that is known in dB(A) alone is not known below 80 Hz: there it may
 * have nothing, or more than is usual.
 */
export interface FloorRead {
  known: Dbfs;
  most: Dbfs;
}

/** Why nothing can be predicted. */
export interface NoBudget {
  reason: string;
}

/** Tones of a recording. */
export interface MeasuredTones {
  gain: Decibels;
  tones: readonly { hz: Hertz; dbfs: Dbfs }[];
}

/** Hum and whine as they are computed at the inlet, RMS, and how far they may be off either way. */
export interface ComputedTones {
  within: Decibels;
  tones: readonly { hz: Hertz; level: Dbu }[];
}

export interface BudgetWishes {
  /** Where peaks should land, in dBFS. */
  target: Dbfs;
  /** As set; the planned one where left out. */
  gain?: Decibels;
  room?: Room;
  /**
   * Hum and other tones as they were measured, RMS, and the gain that was set then: they came in before it; or as they
   * are computed.
   */
  hum?: MeasuredTones | ComputedTones;
}

/** A line before anything is summed: its plan, and every part of its noise at one gain. */
export interface OpenBudget {
  plan: LevelPlan;
  gain: Decibels;
  /** From dBu at the inlet to dBFS RMS. */
  toDbfs: Decibels;
  parts: NoisePart[];
  doubt?: string;
}

/**
 * Finds what adds noise to a line.
 * @throws CircuitError for a line whose circuit has no single answer
 */
export function openBudget(
  line: Line,
  { target, gain: set, room = ASSUMED_ROOM, hum }: BudgetWishes,
): OpenBudget | NoBudget {
  const solved = solveLine(asDrawn(line), target);
  const { level: plan } = solved;
  if (!solved.powered)
    return { reason: 'Something on this line gets no power: it is silent. Its findings are in the Rig place.' };
  if (!plan) return { reason: 'No usable signal arrives at the inlet. Its findings are in the Rig place.' };
  const gain = set ?? plannedGain(plan);
  const { plug } = solved.circuit.junctions.at(-1)!;
  const toDbfs = gain - inletReader(inletKind(line.inlet.kind), line.inlet, plug).value('fullScale') - SINE;
  const { parts, doubt } = noiseParts(solved, gain, room);
  return { plan, gain, toDbfs, parts: hum ? [...parts, humPart(hum, toDbfs - gain)] : parts, doubt };
}

/**
 * Predicts level and noise of a line from its circuit and the figures of its gear.
 * @throws CircuitError for a line whose circuit has no single answer
 */
export function noiseBudget(line: Line, wishes: BudgetWishes): NoiseBudget | NoBudget {
  const open = openBudget(line, wishes);
  return 'reason' in open ? open : summed(open, wishes.room ?? ASSUMED_ROOM);
}

function summed({ plan, gain, toDbfs, parts, doubt }: OpenBudget, room: Room): NoiseBudget {
  const powers = parts.map(({ density }) => ({ plain: integral(density), weighted: integral(density, aWeight) }));
  const [plain, weighted] = (['plain', 'weighted'] as const).map((of) =>
    powers.reduce((sum, power) => sum + power[of], 0),
  );
  const level = dbu(Math.sqrt(plain));
  const aWeighted = dbu(Math.sqrt(weighted));
  const peak = plan.reaches + (gain - plannedGain(plan));
  const reads = readsOf(parts, room, toDbfs);
  // What may be louder than is known says nothing of what cannot be heard.
  const over = peak - reads['a-weighted'].known;
  return {
    plan,
    headroom: headroom(plan, gain),
    gain,
    room,
    level,
    aWeighted,
    dbfs: level + toDbfs,
    dbfsA: aWeighted + toDbfs,
    reads,
    peakToFloor: peak - reads['as-set'].known,
    peakToFloorA: peak - reads['a-weighted'].known,
    parts: parts
      .map(({ kind, part, within }, n) => ({
        kind,
        part,
        ...(within !== undefined && { within }),
        level: dbu(Math.sqrt(powers[n].plain)),
        aWeighted: dbu(Math.sqrt(powers[n].weighted)),
        share: powers[n].plain / plain,
        shareA: powers[n].weighted / weighted,
      }))
      .filter(({ share, shareA }) => Math.max(share, shareA) > 1e-9)
      .sort((a, b) => b.shareA - a.shareA),
    density: recorded(parts, toDbfs),
    doubts: [...(over < UNHEARD_BELOW ? [unheard(over)] : []), ...(doubt ? [doubt] : [])],
  };
}

/** A signal whose peaks lie less than this over the noise cannot be heard for it (common practice). */
const UNHEARD_BELOW: Decibels = 20;
const unheard = (over: Decibels): string =>
  `Its loudest sound lies only ${over.toFixed(0).replace('-', '−')} dB over the noise, A-weighted: it cannot be heard for it. Closer, louder or another source comes before anything else.`;

/** Below this a figure in dB(A) says nothing of a room. */
const UNHEARD: Hertz = 80;
/** Rooms of one figure in dB(A) differ by so much there (assumed). */
const DIFFER: Decibels = 10;

/** The weighting of each meter: of a power, by frequency. */
export const METERS: Record<FloorMeter, (hz: Hertz) => number> = {
  'as-set': () => 1,
  'cut-80': highPass(80),
  'a-weighted': aWeight,
};

function readsOf(parts: readonly NoisePart[], room: Room, toDbfs: Decibels): NoiseBudget['reads'] {
  const isAssumed = 'level' in room;
  const read = (meter: FloorMeter, known: boolean) =>
    dbu(
      Math.sqrt(
        parts.reduce((sum, { kind, density, within = 0 }) => {
          const low = known ? 0 : ratio(DIFFER) ** 2;
          // What is known of a computed hum is the least that it may be.
          const off = ratio(known ? -within : within) ** 2;
          const factor = (hz: Hertz) => (kind === 'room' && isAssumed && hz < UNHEARD ? low : off);
          return sum + integral(density, (hz) => METERS[meter](hz) * factor(hz));
        }, 0),
      ),
    ) + toDbfs;
  return Object.fromEntries(
    FLOOR_METERS.map((meter) => [meter, { known: read(meter, true), most: read(meter, false) }]),
  ) as NoiseBudget['reads'];
}

/** What parts leave in a recording: mean square per hertz, full scale being 1. */
export function recorded(parts: readonly NoisePart[], toDbfs: Decibels): { hz: Hertz; power: number }[] {
  const scale = (ratio(toDbfs) / fromDbu(0)) ** 2;
  return BAND.map(({ hz }, n) => ({ hz, power: parts.reduce((sum, { density }) => sum + density[n], 0) * scale }));
}

/** As much gain as the target asks for and the inlet has. */
const plannedGain = ({ gainNeeded, gainMin, gainMax }: LevelPlan): Decibels =>
  Math.min(Math.max(gainNeeded, gainMin), gainMax);

/** Tones, each in the step of the band that it lies in. @param full from dBu at the inlet to dBFS without gain */
function humPart(hum: MeasuredTones | ComputedTones, full: Decibels): NoisePart {
  const density = new Float64Array(BAND.length);
  const levels: { hz: Hertz; level: Dbu }[] =
    'within' in hum ? [...hum.tones] : hum.tones.map(({ hz, dbfs }) => ({ hz, level: dbfs - full - hum.gain }));
  for (const { hz, level } of levels) {
    const step = BAND.findIndex((each) => hz < each.hz + each.width / 2);
    if (step >= 0) density[step] += fromDbu(level) ** 2 / BAND[step].width;
  }
  return { kind: 'hum', part: 'inlet', density, ...('within' in hum && { within: hum.within }) };
}

/** What is known of a predicted floor, by meter: that alone decides about a target. */
export const knownOf = ({ reads }: Pick<NoiseBudget, 'reads'>): Record<FloorMeter, Dbfs> =>
  Object.fromEntries(FLOOR_METERS.map((meter) => [meter, reads[meter].known])) as Record<FloorMeter, Dbfs>;
