import type { Line } from '../../gear';
import type { Seconds } from '../../units';
import { atHand, tableOf, type Seen, type Table } from '../belief/belief';
import { diagnosis, type Diagnosis } from './diagnosis';
import { hypothesesOf } from '../hypotheses/hypotheses';
import { seenOf, type Observation } from './observation';
import { withPairs } from '../belief/pairs';
import type { Experience } from '../hypotheses/priors';
import { subjectOf } from '../subject';

/** What is known besides what was seen. */
export interface Knowledge extends Experience {
  /** From feed off until something may be unplugged, as the school has it. */
  wait: Seconds;
  /** Names of the instruments that are at hand; all where left out. */
  only?: ReadonlySet<string>;
  /** Turning the feed on would harm another line on its switch: nothing is asked that needs it. */
  feedStaysOff?: boolean;
  /** Keys of looks that somebody cannot make. */
  cannot?: ReadonlySet<string>;
}

export interface Diagnosed extends Diagnosis {
  /** In the order in which they were made, each with what was seen in words. */
  seen: readonly (Seen & { text: string })[];
}

/** Everything that may be wrong with a line, and everything it can be looked at by. */
const testOf = (line: Line, { wait, ...experience }: Knowledge): Table => {
  const subject = subjectOf(line, wait);
  return tableOf(subject, hypothesesOf(subject, experience), experience.repairs);
};

/**
 * What is wrong with a line, by what was seen of it so far, and what to look at next.
 * @throws ObservationError with the path of what is wrong in the observations
 */
export function diagnose(line: Line, observations: readonly Observation[], knowledge: Knowledge): Diagnosed {
  const whole = testOf(line, knowledge);
  // What was seen counts whatever is at hand now.
  const seen = seenOf(whole, observations);
  const table = withPairs(whole, seen);
  return {
    ...diagnosis(
      { ...table, looks: atHand(table.looks, knowledge.only, knowledge.feedStaysOff) },
      seen,
      knowledge.cannot,
    ),
    seen: inWords(table, seen),
  };
}

/** Looks with what was seen in words. */
export const inWords = (table: Table, seen: readonly Seen[]): Diagnosed['seen'] =>
  seen.map((each) => ({
    ...each,
    text: table.outcomes(each.look).find(({ key }) => key === each.key)?.text ?? each.key,
  }));
