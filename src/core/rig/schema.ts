import Joi from 'joi';
import { SCHOOLS } from '../check';
import {
  BASES,
  CONNECTORS,
  INLETS,
  LINKS,
  SOURCES,
  linkKind,
  reader,
  type AnyKind,
  type Contact,
  type FigureSpec,
  type Line,
  type LinkKind,
  type Part,
} from '../gear';
import { FORMAT, MOST_LINES, VERSION, type RigDocument } from './document';

const text = (most: number) => Joi.string().trim().max(most);

const figure = ({ unit, min, max }: FigureSpec) =>
  Joi.object({
    value: Joi.number().min(min).max(max).required(),
    unit: Joi.valid(unit).required(),
    basis: Joi.valid(...BASES).required(),
    where: text(200).allow(''),
  });

const contact = Joi.valid(...new Set(Object.values(CONNECTORS).flatMap(({ contacts }) => contacts)));
const contacts = Joi.array().items(contact).length(2).unique();

const fault = Joi.alternatives().conditional('.type', {
  switch: [
    {
      is: 'open',
      then: Joi.object({ type: Joi.valid('open'), contact: contact.required(), at: Joi.number().min(0).max(500) }),
    },
    { is: 'swapped', then: Joi.object({ type: Joi.valid('swapped'), contacts: contacts.required() }) },
    { is: 'shorted', then: Joi.object({ type: Joi.valid('shorted'), contacts: contacts.required() }) },
    {
      is: 'leaky',
      then: Joi.object({
        type: Joi.valid('leaky'),
        contacts: contacts.required(),
        ohms: Joi.number().min(0.1).max(1e9).required(),
      }),
    },
    {
      is: 'shield to cold',
      then: Joi.object({ type: Joi.valid('shield to cold') }),
      otherwise: Joi.object({
        type: Joi.valid('open', 'swapped', 'shorted', 'leaky', 'shield to cold').required(),
      }).unknown(),
    },
  ],
});

const partOfKind = (kind: AnyKind) =>
  Joi.object({
    kind: Joi.valid(kind.kind).required(),
    name: text(80).allow(''),
    note: text(500).allow(''),
    figures: Joi.object(Object.fromEntries(Object.entries(kind.figures).map(([name, spec]) => [name, figure(spec)]))),
    choices: Joi.object(
      Object.fromEntries(
        Object.entries(kind.choices).map(([name, { options }]) => [
          name,
          Joi.valid(...options.map(({ value }) => value)),
        ]),
      ),
    ),
    ...((kind as LinkKind).faults && { faults: Joi.array().items(fault).max(8) }),
  });

/** A part whose fields depend on its kind; an unknown kind lists the known ones. */
const part = (kinds: readonly AnyKind[]) =>
  Joi.alternatives().conditional('.kind', {
    switch: kinds.map((kind, n) => ({
      is: kind.kind,
      then: partOfKind(kind),
      ...(n === kinds.length - 1 && {
        otherwise: Joi.object({ kind: Joi.valid(...kinds.map((known) => known.kind)).required() }).unknown(),
      }),
    })),
  });

/** Faults must speak of contacts that the cable has. */
function cableContacts(line: Line, helpers: Joi.CustomHelpers) {
  for (const [n, link] of line.links.entries()) {
    const known: readonly Contact[] =
      CONNECTORS[linkKind(link.kind).ends(reader(linkKind(link.kind), link)).input].contacts;
    for (const [k, fault] of (link.faults ?? []).entries()) {
      const named = 'contact' in fault ? [fault.contact] : 'contacts' in fault ? fault.contacts : [];
      const wrong = named.find((other) => !known.includes(other));
      if (wrong)
        return helpers.message({
          custom: `{{#label}}.links[${n}].faults[${k}] speaks of contact ${wrong}; this cable has ${known.join(', ')}`,
        });
    }
  }
  return line;
}

const line = Joi.object({
  id: Joi.string()
    .pattern(/^[a-z0-9][a-z0-9-]{0,63}$/)
    .required()
    .messages({ 'string.pattern.base': '{{#label}} takes small letters, digits and hyphens, 64 at most' }),
  name: text(80).required(),
  note: text(500).allow(''),
  source: part(SOURCES).required(),
  links: Joi.array().items(part(LINKS)).max(16).required(),
  inlet: part(INLETS).required(),
}).custom(cableContacts);

const schema = Joi.object({
  format: Joi.valid(FORMAT).required(),
  version: Joi.valid(VERSION).required(),
  name: text(80).required(),
  note: text(2000).allow(''),
  schools: Joi.object(
    Object.fromEntries(
      Object.entries(SCHOOLS).map(([name, { options }]) => [name, Joi.valid(...options.map(({ value }) => value))]),
    ),
  ),
  lines: Joi.array().items(line).max(MOST_LINES).unique('id').required(),
});

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

const pathOf = (path: (string | number)[]): string =>
  path.reduce<string>(
    (text, step) => (typeof step === 'number' ? `${text}[${step}]` : text ? `${text}.${step}` : step),
    '',
  );

/** The fields that an object at a path may have, for the message about one it may not. */
function allowedAt(root: unknown, path: (string | number)[]): string {
  const names = fieldsAt(root, path.slice(0, -1));
  return names.length ? `; allowed here: ${names.join(', ')}` : '; none are allowed here';
}

function fieldsAt(root: unknown, path: (string | number)[]): string[] {
  const last = path[path.length - 1];
  if (path.length === 0) return ['format', 'version', 'name', 'note', 'schools', 'lines'];
  if (last === 'schools') return Object.keys(SCHOOLS);
  if (path.length === 2 && path[0] === 'lines') return ['id', 'name', 'note', 'source', 'links', 'inlet'];
  const at = path.findIndex((step) => step === 'source' || step === 'links' || step === 'inlet');
  const depth = path[at] === 'links' ? at + 2 : at + 1;
  const value = path
    .slice(0, depth)
    .reduce<unknown>((object, step) => (object as Record<string, unknown>)?.[step], root) as Part | undefined;
  const kind = [...SOURCES, ...LINKS, ...INLETS].find((known) => known.kind === value?.kind);
  if (!kind) return [];
  if (path.length === depth)
    return ['kind', 'name', 'note', 'figures', 'choices', ...((kind as LinkKind).faults ? ['faults'] : [])];
  if (last === 'figures') return Object.keys(kind.figures);
  if (last === 'choices') return Object.keys(kind.choices);
  if (path[depth] === 'figures') return ['value', 'unit', 'basis', 'where'];
  return path[depth] === 'faults' ? ['type', 'contact', 'contacts', 'at', 'ohms'] : [];
}

/**
 * Reads a document that came from outside.
 * @throws DocumentError with the path of everything that is wrong and what would be right
 */
export function readDocument(value: unknown): RigDocument {
  const { error, value: document } = schema.validate(value, {
    abortEarly: false,
    convert: false,
    errors: { label: 'key', wrap: { label: false } },
  });
  if (!error) return document as RigDocument;
  throw new DocumentError(
    error.details.slice(0, 20).map(({ type, path, message, context }) => ({
      path: pathOf(path),
      message:
        type === 'object.unknown'
          ? `unknown field${allowedAt(value, path)}`
          : type === 'any.only'
            ? `must be ${(context?.valids as unknown[]).map((valid) => JSON.stringify(valid)).join(' or ')}, not ${JSON.stringify(context?.value)}`
            : type === 'array.unique'
              ? `has the same id as lines[${context?.dupePos}]; every line needs an id of its own`
              : message,
    })),
  );
}

/**
 * Reads a document from text.
 * @throws DocumentError also for text that is not JSON, with the place
 */
export function parseDocument(text: string): RigDocument {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    throw new DocumentError([{ path: '', message: `this is not JSON: ${(error as Error).message}` }]);
  }
  return readDocument(value);
}
