import type { Seconds } from '../../units';
import type { Breach } from '../invariants';
import type { Aim, Found } from '../report';
import type { SheetRig } from '../rig';
import type { SheetState } from '../state';
import type { WaitReason } from '../step';
import type { Action } from './action';

/** A step as it is read out. */
export interface StepWords {
  title: string;
  detail?: string;
  /** What to look at to be sure. */
  look?: string;
  /** A hazard to people. */
  caution?: string;
}

/** Something that may have been found instead, and how it is said. */
export interface Likely {
  text: string;
  what: Found;
}

/** Everything that a run sheet has to know of one sort of action. */
export interface ActionRules<A extends Action> {
  /** How long it takes by hand, in seconds (assumed): enough to compare one order with another. */
  takes: (action: A) => Seconds;
  /** What several of them are called. */
  several?: string;
  /** Lines that it touches: their waits come before it. */
  touches: (action: A) => readonly string[];
  /** Lines that it is about, for the log. */
  about: (rig: SheetRig, action: A) => readonly string[];
  /** Whether a rig still has everything that it speaks of. */
  isOf: (rig: SheetRig, action: A) => boolean;
  /** What it changes. */
  after: (rig: SheetRig, state: SheetState, action: A) => SheetState;
  /** What speaks against it in a state; undefined if nothing does. */
  breach: (rig: SheetRig, state: SheetState, action: A) => Breach | undefined;
  /** Whether nobody knows what it would change. */
  isUnknown: (state: SheetState, action: A) => boolean;
  /** A state in which nobody knows whether it was carried out. */
  doubtful: (rig: SheetRig, state: SheetState, action: A) => SheetState;
  /** The aim without what it was for, where it cannot be done. */
  without: (rig: SheetRig, aim: Aim, state: SheetState, action: A) => Aim;
  /** What somebody may have found instead, the likeliest first. @param reasons of a wait */
  likely: (rig: SheetRig, state: SheetState, action: A, reasons?: readonly WaitReason[]) => Likely[];
  /** How it is said; without a state, all is known. */
  words: (rig: SheetRig, action: A, state?: SheetState) => StepWords;
  /** The title of a look at what nobody knows, and what to do where it is not so. */
  check: (rig: SheetRig, action: A) => string;
}
