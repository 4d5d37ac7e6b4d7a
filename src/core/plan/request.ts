import type { KitItem } from '../kit/item';
import type { RigDocument } from '../rig/document';
import type { Relaxation } from './assign/model';
import type { Solver } from './program/program';
import type { Proposal } from './proposal';

export interface PlanRequest {
  document: RigDocument;
  kit: readonly KitItem[];
  /** Time for judging chains and finding the best patch, in seconds; a plan that touches nothing Clear is sought in any case. */
  seconds: number;
  /** Lines that nothing in the kit can serve are left out rather than served with something to get. */
  onlyKit?: boolean;
}

export interface PlanTools {
  solver: Solver;
  /** Seconds since any fixed moment. */
  clock: () => number;
  onProgress?: (progress: PlanProgress) => void;
}

/** What is being done; the best proposal so far where there is one. */
export type PlanProgress =
  | { doing: 'chains'; of: 'the kit' | 'what can be got'; done: number; total: number }
  | { doing: 'patch'; goal: string; proposal?: Proposal };

export interface Plan {
  proposal: Proposal;
  /** Where something is to be got or left out: what could be given up instead, and what that would leave out still. */
  instead?: { relaxations: Relaxation[]; leftOut: number };
}
