import type { RigDocument } from './document';

/** A rig as it was saved, with the number of its revision. */
export interface SavedRig {
  id: string;
  revision: number;
  savedAt: string;
  document: RigDocument;
  /** Revisions that undo and redo would go to, across places, reloads and restarts. */
  steps: { undo?: number; redo?: number };
}
