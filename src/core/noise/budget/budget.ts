import { headroom, type Headroom } from '../../level/headroom';
import type { LevelPlan } from '../../level/plan';
import { solveLine } from '../../check/solve';
import { asDrawn, inletKind, inletReader, type Line, type PartRef } from '../../gear';
import { aWeight } from '../../signal/measure/weighting';
import { dbu, fromDbu, ratio, type Dbfs, type Dbu, type Decibels, type Hertz } from '../../units';
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
  /** As recorded; RMS, a full-scale sine reading −3.01. */
  dbfs: Dbfs;
  dbfsA: Dbfs;
  /** From the planned peak down to the floor. */
  peakToFloor: Decibels;
  peakToFloorA: Decibels;
  /** Loudest first, A-weighted. */
  parts: Contribution[];
  /** Mean square per hertz, full scale being 1. */
  density: { hz: Hertz; power: number }[];
  /** Figures that cannot be right. */
  doubts: string[];
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

export interface BudgetWishes {
  /** Where peaks should land, in dBFS. */
  target: Dbfs;
  /** As set; the planned one where left out. */
  gain?: Decibels;
  room?: Room;
  /** Hum and other tones as they were measured, RMS, and the gain that was set then: they came in before it. */
  hum?: MeasuredTones;
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
  return { plan, gain, toDbfs, parts: hum ? [...parts, humPart(hum, toDbfs + hum.gain - gain)] : parts, doubt };
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
  return {
    plan,
    headroom: headroom(plan, gain),
    gain,
    room,
    level,
    aWeighted,
    dbfs: level + toDbfs,
    dbfsA: aWeighted + toDbfs,
    peakToFloor: peak - (level + toDbfs),
    peakToFloorA: peak - (aWeighted + toDbfs),
    parts: parts
      .map(({ kind, part }, n) => ({
        kind,
        part,
        level: dbu(Math.sqrt(powers[n].plain)),
        aWeighted: dbu(Math.sqrt(powers[n].weighted)),
        share: powers[n].plain / plain,
        shareA: powers[n].weighted / weighted,
      }))
      .filter(({ share, shareA }) => Math.max(share, shareA) > 1e-9)
      .sort((a, b) => b.shareA - a.shareA),
    density: recorded(parts, toDbfs),
    doubts: doubt ? [doubt] : [],
  };
}

/** What parts leave in a recording: mean square per hertz, full scale being 1. */
export function recorded(parts: readonly NoisePart[], toDbfs: Decibels): { hz: Hertz; power: number }[] {
  const scale = (ratio(toDbfs) / fromDbu(0)) ** 2;
  return BAND.map(({ hz }, n) => ({ hz, power: parts.reduce((sum, { density }) => sum + density[n], 0) * scale }));
}

/** As much gain as the target asks for and the inlet has. */
const plannedGain = ({ gainNeeded, gainMin, gainMax }: LevelPlan): Decibels =>
  Math.min(Math.max(gainNeeded, gainMin), gainMax);

/** Measured tones, each in the step of the band that it lies in. @param toDbfs from dBu at the inlet to dBFS as they were measured */
function humPart({ tones }: MeasuredTones, toDbfs: Decibels): NoisePart {
  const density = new Float64Array(BAND.length);
  for (const { hz, dbfs } of tones) {
    const step = BAND.findIndex((each) => hz < each.hz + each.width / 2);
    if (step >= 0) density[step] += fromDbu(dbfs - toDbfs) ** 2 / BAND[step].width;
  }
  return { kind: 'hum', part: 'inlet', density };
}
