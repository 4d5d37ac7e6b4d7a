import type { Dbfs, Decibels } from '../units';
import type { LevelPlan } from './plan';

/** How far the loudest sounds stay from where something clips; negative where they do not. */
export interface Headroom {
  /** Where the loudest expected sound lands at the gain that is set. */
  peak: Dbfs;
  /** From there to full scale. */
  toFullScale: Decibels;
  /** From the loudest expected sound to the most that the source takes; undefined where its sheet has no such figure. */
  atSource?: Decibels;
  /** Where the loudest sound that the source takes would land at that gain. */
  loudest?: Dbfs;
  /** From the level at the inlet to the most it takes at its least gain. */
  atInlet: Decibels;
}

/** Headroom of a line at a gain. */
export function headroom(plan: LevelPlan, gain: Decibels): Headroom {
  const atNoGain = plan.target - plan.gainNeeded;
  const peak = atNoGain + gain;
  return {
    peak,
    toFullScale: -peak,
    ...(plan.sourceMargin !== undefined && { atSource: plan.sourceMargin, loudest: peak + plan.sourceMargin }),
    atInlet: -(atNoGain + plan.gainMin),
  };
}
