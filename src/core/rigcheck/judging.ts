import { CircuitError } from '../circuit';
import type { Line } from '../gear';
import type { RigPath } from '../rig/paths';
import type { LineResult } from '../check/result';
import type { Schools } from '../schools/schools';

/** A line whose circuit has no single answer, and why. */
export interface Unsolved {
  id: string;
  name: string;
  message: string;
}

/** How a line is judged; somebody may keep earlier answers. */
export type Judge = (line: Line, schools: Schools) => LineResult;

/** Judges lines one by one: what cannot be solved is told by itself. */
export function solvedOrNot(paths: readonly RigPath[], schools: Schools, judge: Judge) {
  const lines: LineResult[] = [];
  const unsolved: Unsolved[] = [];
  for (const { line } of paths)
    try {
      lines.push(judge(line, schools));
    } catch (error) {
      if (!(error instanceof CircuitError)) throw error;
      unsolved.push({ id: line.id, name: line.name, message: error.message });
    }
  return { lines, unsolved };
}
