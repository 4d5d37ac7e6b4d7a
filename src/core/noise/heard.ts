import type { LineResult } from '../check';
import { withFloor, type Floor } from '../check/floor';
import { rigPath, schoolsOf, type RigDocument } from '../rig';
import { roomOf } from '../rig/places';
import type { Judge } from '../rigcheck/judging';
import { checkRig, type RigResult } from '../rigcheck';
import { peakTargetOf } from '../schools';
import { knownOf, noiseBudget } from './budget';

/** Noise floors that are known, by line. */
export type Floors = Readonly<Record<string, Floor>>;

/** What the page of a rig shows first. */
export type FirstResult = Pick<RigResult, 'lines' | 'unsolved' | 'groups'>;

/** The noise floor of a line, where it is known: measured, or from a room that was stated octave by octave. */
export function floorOf(document: RigDocument, id: string, floors: Floors): Floor | undefined {
  if (floors[id]) return floors[id];
  const room = roomOf(document, id);
  const path = room && 'bands' in room ? rigPath(document, id) : undefined;
  if (!path) return undefined;
  const budget = noiseBudget(path.line, { target: peakTargetOf(schoolsOf(document)), room });
  return 'reason' in budget ? undefined : { dbfs: knownOf(budget), from: 'predicted' };
}

/** A rig judged as `judge` does, with what is known of its noise floors. */
export function heardRig(document: RigDocument, floors: Floors, judge: Judge): RigResult {
  return checkRig(document, (line, schools): LineResult =>
    withFloor(judge(line, schools), schools, floorOf(document, line.id, floors)),
  );
}
