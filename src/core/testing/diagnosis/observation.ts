import { lookKey, type Seen, type Table } from '../belief/belief';
import { instrumentNamed, ObservationError } from '../instruments';

/** Something that was looked at, as a file or a page sends it. */
export interface Observation {
  /** Name of the instrument. */
  instrument: string;
  /** Where: `junction 0` at the source, `link 0`, `source`, `inlet`, `desk`. */
  at: string;
  /** What was seen: a key such as `2 lit, 3 dark`, or the readings themselves. */
  seen: unknown;
}

/**
 * What was seen of a line, among what may be looked at there.
 * @throws ObservationError with the path of what is wrong and what would be right
 */
export const seenOf = (table: Table, observations: readonly Observation[]): Seen[] =>
  observations.map(({ instrument, at, seen }, n) => {
    const looks = table.looks.filter((look) => look.instrument === instrument);
    const look = looks.find((each) => lookKey(each) === lookKey({ instrument, at: at as never }));
    if (!look)
      throw new ObservationError(
        looks.length
          ? `must be one of ${looks.map((each) => `"${each.at}"`).join(', ')} for ${instrument}`
          : `says nothing here; use one of ${[...new Set(table.looks.map((each) => each.instrument))].join(', ')}`,
        `[${n}].${looks.length ? 'at' : 'instrument'}`,
      );
    try {
      return { look, key: instrumentNamed(instrument)!.read(table.subject, look, seen) };
    } catch (problem) {
      if (problem instanceof ObservationError) throw new ObservationError(problem.message, `[${n}].${problem.path}`);
      throw problem;
    }
  });
