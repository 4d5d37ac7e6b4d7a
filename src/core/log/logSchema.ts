import { FEEDS } from '../standards/feeds';
import { ENTRY_KINDS, FORMAT, VERSION } from './entry';

type Schema = Record<string, unknown>;

const object = (properties: Record<string, Schema>, required: readonly string[]): Schema => ({
  type: 'object',
  properties,
  required,
  additionalProperties: false,
});
const list = (items: Schema): Schema => ({ type: 'array', items });

const text: Schema = { type: 'string' };
const moment: Schema = { type: 'string', format: 'date-time', description: 'in UTC' };
const feed: Schema = { enum: [...Object.keys(FEEDS), 'unknown'] };
const line: Schema = { type: 'string', description: 'id of a line of the rig' };

/** The published JSON Schema of `inlet-check-log`. */
export const logSchema = (): Schema => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: `${FORMAT}, version ${VERSION}`,
  ...object(
    {
      format: { const: FORMAT },
      version: { const: VERSION },
      rig: { type: 'string', description: 'name of the rig' },
      entries: list(
        object(
          {
            at: moment,
            kind: { enum: Object.keys(ENTRY_KINDS) },
            who: text,
            text,
            place: text,
            lines: list(line),
            photo: { type: 'string', description: 'id of a photo that is kept with the rig' },
            fed: {
              type: 'object',
              additionalProperties: feed,
              description: 'by line, what its source had from then on',
            },
          },
          ['at', 'kind', 'who', 'text', 'lines'],
        ),
      ),
      exposures: list(
        object(
          {
            line,
            name: text,
            feeds: list(
              object({ feed, seconds: { type: 'number', minimum: 0 }, times: { type: 'integer', minimum: 0 } }, [
                'feed',
                'seconds',
                'times',
              ]),
            ),
            incidents: list(object({ at: moment, text }, ['at', 'text'])),
          },
          ['line', 'name', 'feeds', 'incidents'],
        ),
      ),
    },
    ['format', 'version', 'rig', 'entries', 'exposures'],
  ),
});
