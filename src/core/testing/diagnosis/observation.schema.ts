import Joi from 'joi';
import { INSTRUMENTS, ObservationError } from '../instruments';
import type { Observation } from './observation';

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
 * Reads what was seen of a line or a cable from a file or a request.
 * @throws ObservationError with the path of what is wrong and what would be right
 */
export function readObservations(given: unknown): Observation[] {
  const { error, value } = observations.validate(given, { convert: false, errors: { label: false } });
  if (!error) return value as Observation[];
  const [{ path, message }] = error.details;
  throw new ObservationError(message, pathOf(path));
}

const pathOf = (path: readonly (string | number)[]): string =>
  path.map((step) => (typeof step === 'number' ? `[${step}]` : `.${step}`)).join('') || 'observations';
