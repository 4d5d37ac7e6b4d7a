import type { Seconds } from '../units';
import type { Wait } from './rig';
import type { Action } from './actions/action';

/** One of the things that are waited for together. */
export interface WaitReason {
  /** Switch or, for an outboard supply, line. */
  of: string;
  name: string;
  until: 'discharged' | 'settled';
  wait: Wait;
  /** What of it is left when the wait begins. */
  left: Seconds;
}

/** One step of a run sheet: what is done, where one stands for it; a wait is done anywhere. */
export interface Step {
  action: Action;
  place?: string;
  /** What a wait is for. */
  reasons?: WaitReason[];
}
