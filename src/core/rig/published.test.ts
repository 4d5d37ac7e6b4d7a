import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import type Joi from 'joi';
import { validator } from '../../../tests/schemas';
import { runs } from '../../../tests/explore';
import { kitSchema } from '../kit';
import { kitShape } from '../kit/schema';
import { jsonSchema } from '.';
import { discriminator, jsonSchemaOf, schemasAt } from './published';
import { VALIDATION } from './refusals';
import { rigShape } from './schema';

/** Of each document. */
const RUNS = runs(600);

type Json = unknown;
type Place = { holder: Record<string | number, Json>; key: string | number };

/** Every place of a document. */
function placesOf(value: Json): Place[] {
  if (typeof value !== 'object' || value === null) return [];
  const holder = value as Record<string | number, Json>;
  const keys: (string | number)[] = Array.isArray(value) ? [...value.keys()] : Object.keys(value);
  return keys.flatMap((key) => [{ holder, key }, ...placesOf(holder[key])]);
}

const anything = fc.oneof(
  fc.string({ maxLength: 90 }),
  fc.constantFrom(
    '',
    ' ',
    ' a',
    'a ',
    'P48',
    'off',
    'unknown',
    'cable',
    'open',
    '2026-02-30',
    '2026-13-01',
    '-66',
    '-5',
  ),
  fc.double({ noNaN: true, noDefaultInfinity: true }),
  fc.integer({ min: -3, max: 600 }),
  fc.boolean(),
  fc.constantFrom(null, [], {}, ['1', '2'], { from: {} }, { kind: 'cable' }),
);

/** What a document has done to it: something put in the place of something, taken away, added, or doubled. */
const change = fc.record({
  at: fc.nat(),
  how: fc.constantFrom('put', 'put', 'take', 'add', 'double'),
  value: anything,
});

function changed(document: Json, { at, how, value }: { at: number; how: string; value: Json }): Json {
  const copy = structuredClone(document);
  const places = placesOf(copy);
  const { holder, key } = places[at % places.length];
  if (how === 'put') holder[key] = value;
  else if (how === 'take') {
    if (Array.isArray(holder)) holder.splice(Number(key), 1);
    else delete holder[key];
  } else if (how === 'add') {
    const inside = holder[key];
    if (typeof inside === 'object' && inside !== null && !Array.isArray(inside))
      Object.assign(inside, { colour: 'red' });
    else holder[key] = [value];
  } else if (Array.isArray(holder)) holder.push(structuredClone(holder[Number(key)]));
  return copy;
}

/** What JSON Schema cannot say: which of two objects has the same id, and how many days a month has. */
const beyond = ({ type, context }: Joi.ValidationErrorItem): boolean =>
  (type === 'array.unique' && typeof context?.value === 'object') ||
  (type === 'string.pattern.base' && /-(29|30|31)$/.test(String(context?.value)));

const accepts = (shape: Joi.Schema, value: Json): boolean =>
  shape.validate(value, VALIDATION).error?.details.every(beyond) ?? true;

const read = (name: string): Json => JSON.parse(readFileSync(`demo/${name}.json`, 'utf8'));

describe.each([
  ['lock-nine', rigShape(), jsonSchema()],
  ['lock-nine-mended', rigShape(), jsonSchema()],
  ['kit', kitShape(), kitSchema()],
] as const)('%s, changed at random', (name, shape, schema) => {
  const valid = validator(schema);
  const document = read(name);

  test('is accepted as it is by both', () => {
    expect([accepts(shape, document), valid(document)]).toEqual([true, true]);
  });

  test('is accepted, or refused, by the reader and by the published schema alike', () => {
    let refused = 0;
    fc.assert(
      fc.property(change, (how) => {
        const tried = changed(document, how);
        const isAccepted = accepts(shape, tried);
        if (!isAccepted) refused++;
        return isAccepted === valid(tried);
      }),
      { numRuns: RUNS },
    );
    expect(refused).toBeGreaterThan(RUNS / 3);
  });
});

describe('a schema that is walked along a document', () => {
  const schema = jsonSchemaOf(rigShape());
  const rig = read('lock-nine');
  const names = (path: (string | number)[]) =>
    schemasAt(schema, rig, path).map(({ properties }) => Object.keys(properties ?? {}));

  test('knows the fields of what is there, by its kind', () => {
    expect(names(['lines', 0])).toEqual([['id', 'name', 'note', 'location', 'source', 'links', 'inlet']]);
    expect(names(['devices', 0, 'batteries'])[0]).toContain('bankEfficiency');
  });

  test('knows what tells alternatives apart', () => {
    const { field, values } = discriminator(schemasAt(schema, rig, ['lines', 0, 'links', 0]))!;
    expect(field).toBe('kind');
    expect(values).toContain('cable');
  });

  test('finds what is shared', () => {
    const { field } = discriminator(schemasAt(schema, rig, ['lines', 0, 'source']))!;
    expect(field).toBe('kind');
    expect(Object.keys(schema.$defs!)).toEqual(['fact']);
  });
});
