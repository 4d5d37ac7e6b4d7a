import { DEFAULT_SCHOOLS, type Schools } from '../check';
import type { Line } from '../gear';

/** Name and version of the open format. */
export const FORMAT = 'inlet-check';
export const VERSION = 1;

/** Most lines one document may hold. */
export const MOST_LINES = 512;
/** Largest document that is read, in bytes. */
export const MOST_BYTES = 1024 * 1024;

/** A rig as a file holds it: its lines, and the schools it follows where they differ from the careful default. */
export interface RigDocument {
  format: typeof FORMAT;
  version: typeof VERSION;
  name: string;
  note?: string;
  schools?: Partial<Schools>;
  lines: Line[];
}

/** Every school of a rig, defaults filled in. */
export const schoolsOf = (document: Pick<RigDocument, 'schools'>): Schools => ({
  ...DEFAULT_SCHOOLS,
  ...document.schools,
});

export const emptyRig = (name: string): RigDocument => ({ format: FORMAT, version: VERSION, name, lines: [] });
