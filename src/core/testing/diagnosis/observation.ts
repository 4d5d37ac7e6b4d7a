import Joi from 'joi';
import { lookKey, type Seen, type Table } from '../belief/belief';
import { INSTRUMENTS, instrumentNamed, ObservationError } from '../instruments';

/** Something that was looked at, as a file or a page sends it. */
export interface Observation {
  /** Name of the instrument. */
  instrument: string;
  /** Where: `junction 0` at the source, `link 0`, `source`, `inlet`, `desk`. */
  at: string;
  /** What was seen: a key such as `2 lit, 3 dark`, or the readings themselves. */
  seen: unknown;
}

/** Most observations of one line. */
export const MOST_OBSERVATIONS = 200;

export const observation = Joi.object<Observation>({
  instrument: Joi.valid(...INSTRUMENTS.map(({ name }) => name)).required(),
  at: Joi.string().max(40).required(),
  seen: Joi.alternatives(
    Joi.string().max(300),
    Joi.object().pattern(Joi.string().max(20), Joi.alternatives(Joi.number(), Joi.string().max(20), Joi.valid(null))),
  ).required(),
});
const observations = Joi.array().items(observation).max(MOST_OBSERVATIONS);

/**
 * Reads what was seen of a line.
 * @throws ObservationError with the path of what is wrong and what would be right
 */
export function seenOf(table: Table, given: unknown): Seen[] {
  const { error, value } = observations.validate(given, { convert: false, errors: { label: false } });
  if (error) {
    const [{ path, message }] = error.details;
    throw new ObservationError(message, pathOf(path));
  }
  return (value as Observation[]).map(({ instrument, at, seen }, n) => {
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
}

const pathOf = (path: readonly (string | number)[]): string =>
  path.map((step) => (typeof step === 'number' ? `[${step}]` : `.${step}`)).join('') || 'observations';
