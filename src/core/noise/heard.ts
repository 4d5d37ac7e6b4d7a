import type { LineResult } from '../check';
import { withFloor, type Floor } from '../check/floor';
import { rigPath, rigPaths, schoolsOf, type RigDocument, type RigPath } from '../rig';
import { roomAround } from '../rig/places';
import type { Judge } from '../rigcheck/judging';
import { checkRig, type GroupFeeds, type RigResult } from '../rigcheck';
import { peakTargetOf } from '../schools';
import { knownOf, noiseBudget } from './budget';

/** Noise floors that are known, by line. */
export type Floors = Readonly<Record<string, Floor>>;

/** What the page of a rig shows first. */
export interface FirstResult extends Pick<RigResult, 'lines' | 'unsolved' | 'groups'> {
  /** What every setting of every switch would do; absent where that takes too long. */
  feeds?: GroupFeeds[];
}

/** The noise floor of a line, where it is known: measured, or from a room that was stated octave by octave. */
export const floorOf = (document: RigDocument, id: string, floors: Floors): Floor | undefined =>
  floors[id] ?? (anyStated(document) ? predicted(document, rigPath(document, id)) : undefined);

/** Whether any room is known well enough to say what is recorded of it. */
const anyStated = ({ locations }: RigDocument): boolean =>
  locations?.some(({ roomBands }) => roomBands?.length) ?? false;

function predicted(document: RigDocument, path: RigPath | undefined): Floor | undefined {
  const room = path && roomAround(document, path.source);
  if (!room || !('bands' in room)) return undefined;
  const budget = noiseBudget(path.line, { target: peakTargetOf(schoolsOf(document)), room });
  return 'reason' in budget ? undefined : { dbfs: knownOf(budget), from: 'predicted' };
}

/** A rig judged as `judge` does, with what is known of its noise floors. */
export function heardRig(document: RigDocument, floors: Floors, judge: Judge): RigResult {
  // Followed once for all lines: each by itself would be looked up in the whole rig again.
  const paths = new Map(anyStated(document) ? rigPaths(document).map((path) => [path.line.id, path]) : []);
  return checkRig(document, (line, schools): LineResult =>
    withFloor(judge(line, schools), schools, floors[line.id] ?? predicted(document, paths.get(line.id))),
  );
}
