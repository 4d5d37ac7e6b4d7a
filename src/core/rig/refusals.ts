import type Joi from 'joi';
import { SCHOOLS } from '../schools/schools';
import { INLETS, LINKS, SOURCES, type LinkKind } from '../gear';

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

const FIELDS: [pattern: RegExp, fields: readonly string[]][] = [
  [/^$/, ['format', 'version', 'name', 'note', 'schools', 'devices', 'lines']],
  [/^schools$/, Object.keys(SCHOOLS)],
  [
    /^devices\[\d+\]$/,
    ['id', 'name', 'note', 'item', 'location', 'inlets', 'groups', 'ground', 'feedLimit', 'batteries'],
  ],
  [
    /^devices\[\d+\]\.groups\[\d+\]$/,
    ['id', 'name', 'inlets', 'offers', 'feed', 'control', 'latched', 'mutes', 'ramp'],
  ],
  [/^devices\[\d+\]\.batteries$/, ['cells', 'chemistry', 'capacity']],
  [/^lines\[\d+\]$/, ['id', 'name', 'note', 'source', 'links', 'inlet']],
  [/\.(from|into)$/, ['line', 'link', 'port']],
  [/\.(ramp|feedLimit|capacity)$/, ['value', 'unit', 'basis', 'where']],
  [/\.inlet$/, ['device', 'inlet', 'into']],
  [/^items\[\d+\]$/, ['id', 'role', 'name', 'count', 'note', 'sheet', 'part', 'device']],
  [/device$/, ['inlets', 'groups', 'ground', 'feedLimit', 'batteries']],
  [/\.faults\[\d+\]$/, ['type', 'contact', 'contacts', 'at', 'ohms']],
];

/** The fields that an object at a path may have. */
function fieldsAt(root: unknown, path: Steps): readonly string[] {
  const known = FIELDS.find(([pattern]) => pattern.test(pathText(path)));
  if (known) return known[1];
  const at = path.findIndex((step) => step === 'source' || step === 'part' || step === 'links' || step === 'inlets');
  if (at < 0) return [];
  const single = path[at] === 'source' || path[at] === 'part';
  const depth = single ? at + 1 : at + 2;
  const value = path
    .slice(0, depth)
    .reduce<unknown>((object, step) => (object as Record<string | number, unknown>)?.[step], root) as
    { kind?: string } | undefined;
  const kind = [...SOURCES, ...LINKS, ...INLETS].find((other) => other.kind === value?.kind);
  if (!kind) return [];
  const rest = path.slice(depth);
  if (rest.length === 0)
    return [
      ...(single ? [] : ['id']),
      'kind',
      'item',
      'name',
      'note',
      'figures',
      'choices',
      'facts',
      ...((kind as LinkKind).faults ? ['faults'] : []),
    ];
  if (rest[0] === 'facts')
    return rest.length > 1 ? ['who', 'when', 'where'] : [...Object.keys(kind.figures), ...Object.keys(kind.choices)];
  if (rest.length > 1) return ['value', 'unit', 'basis', 'where'];
  if (rest[0] === 'figures') return Object.keys(kind.figures);
  return Object.keys(kind.choices).filter((name) => path[at] !== 'inlets' || name !== 'feed');
}

function allowedAt(root: unknown, path: Steps): string {
  const names = fieldsAt(root, path.slice(0, -1));
  return names.length ? `; allowed here: ${names.join(', ')}` : '; none are allowed here';
}

/** A validation error in words that say what to change. */
export function refusalsOf(error: Joi.ValidationError, root: unknown): Refusal[] {
  return error.details.slice(0, 20).map(({ type, path, message, context }) => ({
    path: pathText(path),
    message:
      type === 'object.unknown'
        ? `unknown field${allowedAt(root, path)}`
        : type === 'any.only'
          ? `must be ${(context?.valids as unknown[]).map((valid) => JSON.stringify(valid)).join(' or ')}, not ${JSON.stringify(context?.value)}`
          : type === 'array.unique'
            ? `has the same id as ${pathText([...path.slice(0, -1), context?.dupePos as number])}; each needs an id of its own`
            : message,
  }));
}
