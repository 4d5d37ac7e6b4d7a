import Joi from 'joi';
import { SCHOOL_NAMES, SCHOOLS, TYPED, type SchoolName } from '../schools/schools';
import { GROUNDINGS, INLETS, LINKS, SOURCES } from '../gear';
import { FEEDS } from '../standards/feeds';
import { arrangementFields, deviceFigures } from './arrangement.schema';
import { BATTERY_FIGURES, CHEMISTRIES, DEVICE_FIGURES } from './deviceFigures';
import { FORMAT, MOST_DEVICES, MOST_LINES, VERSION, type RigDocument } from './document';
import { migrated } from './migrate';
import { figure, identifier, part, text } from './parts.schema';
import { brokenReferences } from './references';
import { DocumentError, parsedJson, refusalsOf, VALIDATION } from './refusals';

const feeds = Object.keys(FEEDS);

const group = Joi.object({
  id: identifier.required(),
  name: text(80).required(),
  inlets: Joi.array().items(identifier).min(1).max(128).required(),
  offers: Joi.array()
    .items(Joi.valid(...feeds))
    .unique()
    .max(feeds.length)
    .required(),
  feed: Joi.valid('off', ...feeds).required(),
  control: text(200).allow(''),
  latched: Joi.boolean(),
  mutes: Joi.boolean(),
  ramp: figure(DEVICE_FIGURES.ramp),
});

/** What a device is, in a rig and in the kit. */
export const deviceFields = {
  inlets: Joi.array()
    .items(part(INLETS, { id: identifier.required() }, ['feed']))
    .max(128)
    .unique('id')
    .required(),
  groups: Joi.array().items(group).max(128).unique('id').required(),
  ground: Joi.valid(...GROUNDINGS),
  feedLimit: figure(DEVICE_FIGURES.feedLimit),
  batteries: Joi.object({
    cells: Joi.number().integer().min(1).max(48).required(),
    chemistry: Joi.valid(...CHEMISTRIES).required(),
    ...deviceFigures(BATTERY_FIGURES),
  }),
};

const device = Joi.object({
  id: identifier.required(),
  name: text(80).required(),
  note: text(500).allow(''),
  item: identifier,
  location: identifier,
  ...deviceFields,
});

const socket = Joi.object({ line: identifier.required(), link: identifier.required(), port: text(20).required() });

const line = Joi.object({
  id: identifier.required(),
  name: text(80).required(),
  note: text(500).allow(''),
  location: identifier,
  source: Joi.alternatives()
    .conditional(Joi.object({ from: Joi.exist() }).unknown(), {
      then: Joi.object({ from: socket.required() }),
      otherwise: part(SOURCES),
    })
    .required(),
  links: Joi.array()
    .items(part(LINKS, { id: identifier }))
    .max(16)
    .unique((a, b) => a.id !== undefined && a.id === b.id)
    .required(),
  inlet: Joi.alternatives()
    .conditional(Joi.object({ into: Joi.exist() }).unknown(), {
      then: Joi.object({ into: socket.required() }),
      otherwise: Joi.object({ device: identifier.required(), inlet: identifier.required() }),
    })
    .required(),
});

/** One of the options; where a figure may be typed in, that figure as text. */
function school(name: SchoolName): Joi.Schema {
  const values = SCHOOLS[name].options.map(({ value }) => value as string);
  const typed = TYPED[name];
  if (!typed) return Joi.valid(...values);
  const { min, max, unit } = typed;
  return Joi.string().custom((value: string, helpers) =>
    values.includes(value) || (/^-?\d+(\.\d+)?$/.test(value) && Number(value) >= min && Number(value) <= max)
      ? value
      : helpers.message({
          custom: `{{#label}} must be one of ${values.join(', ')}, or a figure from ${min} to ${max} ${unit}`,
        }),
  );
}

const schema = Joi.object({
  format: Joi.valid(FORMAT).required(),
  version: Joi.valid(VERSION).required(),
  name: text(80).required(),
  note: text(2000).allow(''),
  schools: Joi.object(Object.fromEntries(SCHOOL_NAMES.map((name) => [name, school(name)]))),
  devices: Joi.array().items(device).max(MOST_DEVICES).unique('id').required(),
  lines: Joi.array().items(line).max(MOST_LINES).unique('id').required(),
  ...arrangementFields,
});

/**
 * Reads a document that came from outside, of this version or an older one.
 * @throws DocumentError with the path of everything that is wrong and what would be right
 */
export function readDocument(value: unknown): RigDocument {
  const size = (value as { lines?: unknown[] } | null)?.lines;
  // Thousands of lines are refused before each of them is looked at.
  if (Array.isArray(size) && size.length > MOST_LINES)
    throw new DocumentError([
      {
        path: 'lines',
        message: `has ${size.length} lines; one rig takes ${MOST_LINES} at most. Split it into several rigs.`,
      },
    ]);
  const current = migrated(value);
  const { error, value: document } = schema.validate(current, VALIDATION);
  if (error) throw new DocumentError(refusalsOf(error, current));
  const broken = brokenReferences(document as RigDocument);
  if (broken.length) throw new DocumentError(broken.slice(0, 20));
  return document as RigDocument;
}

/**
 * Reads a document from text.
 * @throws DocumentError also for text that is not JSON, with the place
 */
export const parseDocument = (file: string): RigDocument => readDocument(parsedJson(file));
