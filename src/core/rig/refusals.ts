import type Joi from 'joi';
import { discriminator, fitting, jsonSchemaOf, schemasAt, type JsonSchema } from './published';

/** One thing that is wrong with a document: where, and what would be right. */
export interface Refusal {
  path: string;
  message: string;
}

/** A document that cannot be read; nothing of it is used. */
export class DocumentError extends Error {
  constructor(readonly refusals: Refusal[]) {
    super(refusals.map(({ path, message }) => (path ? `${path}: ${message}` : message)).join('\n'));
    this.name = 'DocumentError';
  }
}

/** How documents are held against their schema: everything that is wrong is told, nothing is changed on the way. */
export const VALIDATION: Joi.ValidationOptions = {
  abortEarly: false,
  convert: false,
  errors: { label: 'key', wrap: { label: false } },
};

/** The value that a text of JSON stands for. @throws DocumentError with the place where it breaks */
export function parsedJson(file: string): unknown {
  try {
    return JSON.parse(file);
  } catch (error) {
    throw new DocumentError([{ path: '', message: `this is not JSON: ${(error as Error).message}` }]);
  }
}

type Steps = (string | number)[];

const pathText = (path: Steps): string =>
  path.reduce<string>(
    (text, step) => (typeof step === 'number' ? `${text}[${step}]` : text ? `${text}.${step}` : step),
    '',
  );

const quoted = (values: readonly unknown[]): string => values.map((value) => JSON.stringify(value)).join(' or ');

/** The fields that are allowed beside one that is not. */
function allowedAt(schema: JsonSchema, root: unknown, path: Steps): string {
  const beside = path.slice(0, -1);
  const names = new Set(
    fitting(schemasAt(schema, root, beside), valueAt(root, beside)).flatMap(({ properties }) =>
      Object.keys(properties ?? {}),
    ),
  );
  return names.size ? `; allowed here: ${[...names].join(', ')}` : '; none are allowed here';
}

const valueAt = (root: unknown, path: Steps): unknown =>
  path.reduce<unknown>((object, step) => (object as Record<string | number, unknown> | undefined)?.[step], root);

/** A value that is none of the objects which are allowed at its place: what tells those apart is missing or unknown. */
function noneOf(schema: JsonSchema, root: unknown, path: Steps): Refusal {
  const value = valueAt(root, path);
  const told = discriminator(schemasAt(schema, root, path));
  if (typeof value !== 'object' || value === null || !told)
    return { path: pathText(path), message: `${pathText(path.slice(-1)) || 'it'} must be of type object` };
  const said = (value as Record<string, unknown>)[told.field];
  return {
    path: pathText([...path, told.field]),
    message:
      said === undefined
        ? `${told.field} is required: ${quoted(told.values)}`
        : `must be ${quoted(told.values)}, not ${JSON.stringify(said)}`,
  };
}

/** A validation error in words that say what to change. @param schema that was not kept to */
export function refusalsOf({ details }: Joi.ValidationError, root: unknown, schema: Joi.Schema): Refusal[] {
  return details.slice(0, 20).map(({ type, path, message, context }) => {
    if (type === 'alternatives.any') return noneOf(jsonSchemaOf(schema), root, path);
    return {
      path: pathText(path),
      message:
        type === 'object.unknown'
          ? `unknown field${allowedAt(jsonSchemaOf(schema), root, path)}`
          : type === 'any.only'
            ? `must be ${quoted(context?.valids as unknown[])}, not ${JSON.stringify(context?.value)}`
            : type === 'array.unique'
              ? `has the same id as ${pathText([...path.slice(0, -1), context?.dupePos as number])}; each needs an id of its own`
              : message,
    };
  });
}
