import type Joi from 'joi';

/** A JSON Schema, or a part of one. */
export interface JsonSchema {
  type?: string | string[];
  enum?: unknown[];
  properties?: Record<string, JsonSchema>;
  required?: string[];
  items?: JsonSchema;
  anyOf?: JsonSchema[];
  $ref?: string;
  $defs?: Record<string, JsonSchema>;
  [keyword: string]: unknown;
}

/** What Joi writes of one of its schemas, by the interface of Standard JSON Schema. */
type Described = Joi.Schema & {
  '~standard': { jsonSchema: { input: (options: { target: 'draft-2020-12' }) => JsonSchema } };
};

const written = new WeakMap<Joi.Schema, JsonSchema>();

/** A schema as JSON Schema (draft 2020-12), written by Joi itself. */
export function jsonSchemaOf(schema: Joi.Schema): JsonSchema {
  const known = written.get(schema);
  if (known) return known;
  const made = (schema as Described)['~standard'].jsonSchema.input({ target: 'draft-2020-12' });
  written.set(schema, made);
  return made;
}

/** The same as a file of its own. */
export const published = (title: string, schema: Joi.Schema): JsonSchema => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title,
  ...jsonSchemaOf(schema),
});

/** Every object or value that is allowed at some place; what a schema shares stands in its `$defs`. */
function alternatives({ anyOf, ...alone }: JsonSchema, shared: JsonSchema['$defs']): JsonSchema[] {
  if (alone.$ref) return alternatives(shared![alone.$ref.replace('#/$defs/', '')], shared);
  return anyOf ? anyOf.flatMap((each) => alternatives(each, shared)) : [alone];
}

/** The field that tells objects apart, as each has one value of it; undefined where none does. */
export function discriminator(allowed: readonly JsonSchema[]): { field: string; values: unknown[] } | undefined {
  const fields = new Set(allowed.flatMap(({ properties }) => Object.keys(properties ?? {})));
  for (const field of fields) {
    const values = allowed.flatMap(({ properties }) => properties?.[field]?.enum ?? []);
    const single = allowed.every(({ properties }) => (properties?.[field]?.enum?.length ?? 1) === 1);
    if (single && values.length > 1 && new Set(values).size === values.length) return { field, values };
  }
  return undefined;
}

type Fields = Record<string, unknown>;

/** What a schema says of the value at the end of a path: the alternatives that may be there. */
export function schemasAt(schema: JsonSchema, root: unknown, path: readonly (string | number)[]): JsonSchema[] {
  let allowed = alternatives(schema, schema.$defs);
  let value = root;
  for (const step of path) {
    allowed = fitting(allowed, value).flatMap(({ properties, items }) => {
      const next = typeof step === 'number' ? items : properties?.[step];
      return next ? alternatives(next, schema.$defs) : [];
    });
    value = (value as Fields | undefined)?.[step];
  }
  return allowed;
}

/** Those of several alternatives that a value wants to be, going by the field that tells them apart and by what it has. */
export function fitting(allowed: readonly JsonSchema[], value: unknown): JsonSchema[] {
  if (allowed.length < 2 || typeof value !== 'object' || value === null) return [...allowed];
  const told = discriminator(allowed);
  const said = told && (value as Fields)[told.field];
  const named = allowed.filter(({ properties }) => told && properties?.[told.field]?.enum?.[0] === said);
  if (named.length) return named;
  return allowed.filter(({ required = [] }) => required.some((field) => field in value));
}
