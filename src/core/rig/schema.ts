import Joi from 'joi';
import { LIST_ROLES, LONGEST_HEADING, MOST_COLUMNS, type ListColumn } from './listColumns';
import { SCHOOL_NAMES, SCHOOLS, TYPED, type SchoolName } from '../schools/schools';
import { GROUNDINGS, INLETS, LINKS, SOURCES, type InletRef } from '../gear';
import { FEEDS } from '../standards/feeds';
import { arrangementFields, deviceFigures } from './arrangement.schema';
import { BATTERY_FIGURES, CHEMISTRIES, DEVICE_FIGURES } from './deviceFigures';
import {
  FORMAT,
  MOST_DEVICES,
  MOST_LINES,
  VERSION,
  type Batteries,
  type Device,
  type RigDocument,
  type RigLine,
  type Socket,
  type SwitchGroup,
} from './document';
import { once } from '../units/once';
import { migrated } from './migrate';
import { exactly, fact, figure, identifier, part, text } from './parts.schema';
import { published } from './published';
import { brokenReferences } from './references';
import { DocumentError, parsedJson, refusalsOf, VALIDATION } from './refusals';

const feeds = Object.keys(FEEDS);

const group = once(() =>
  exactly<SwitchGroup>({
    id: identifier.required(),
    name: text(80).required(),
    inlets: Joi.array().items(identifier).min(1).max(128).required(),
    offers: Joi.array()
      .items(Joi.valid(...feeds))
      .unique()
      .max(feeds.length)
      .required(),
    feed: Joi.valid('off', ...feeds)
      .required()
      .description('what it is set to now'),
    control: text(200).allow('').description('where the switch is found'),
    latched: Joi.boolean().description('keeps its state without mains'),
    mutes: Joi.boolean().description('mutes its inlets while it switches'),
    ramp: figure(DEVICE_FIGURES.ramp),
  }).description('the inlets whose feed one switch turns on together'),
);

type Placed = 'id' | 'name' | 'note' | 'item' | 'location';
/** What a device is, in a rig and in the kit. */
export const deviceFields = once((): { [K in keyof Required<Omit<Device, Placed>>]: Joi.Schema } => ({
  inlets: Joi.array()
    .items(part(INLETS, identifier.required(), ['feed']))
    .max(128)
    .unique('id')
    .required(),
  groups: Joi.array().items(group()).max(128).unique('id').required(),
  ground: Joi.valid(...GROUNDINGS).description(
    'how its ground stands to mains earth; what runs on batteries floats unless this says otherwise',
  ),
  feedLimit: figure(DEVICE_FIGURES.feedLimit),
  batteries: exactly<Batteries>({
    cells: Joi.number().integer().min(1).max(48).required(),
    chemistry: Joi.valid(...CHEMISTRIES).required(),
    ...deviceFigures(BATTERY_FIGURES),
  }),
}));

const device = once(() =>
  exactly<Device>({
    id: identifier.required(),
    name: text(80).required(),
    note: text(500).allow(''),
    item: identifier,
    location: identifier,
    ...deviceFields(),
  }),
);

const socket = once(() =>
  exactly<Socket>({
    line: identifier.required(),
    link: identifier.required(),
    port: text(20).required(),
  }).description("a further socket of a link on another line: a splitter's leg, a link-through, a Y-lead's second end"),
);

const line = once(() =>
  exactly<RigLine>({
    id: identifier.required(),
    name: text(80).required(),
    note: text(500).allow(''),
    location: identifier.description('where its source stands'),
    source: Joi.alternatives()
      .conditional(Joi.object({ from: Joi.exist() }).unknown(), {
        then: Joi.object({ from: socket().required() }),
        otherwise: part(SOURCES),
      })
      .required(),
    links: Joi.array()
      .items(part(LINKS, identifier))
      .max(16)
      .unique((a, b) => a?.id !== undefined && a.id === b?.id)
      .required(),
    inlet: Joi.alternatives()
      .conditional(Joi.object({ into: Joi.exist() }).unknown(), {
        then: Joi.object({ into: socket().required() }),
        otherwise: exactly<InletRef>({ device: identifier.required(), inlet: identifier.required() }),
      })
      .required(),
  }),
);

/** One of the options; where a figure may be typed in, that figure as text. */
function school(name: SchoolName): Joi.Schema {
  const { question, why, options } = SCHOOLS[name];
  const values = options.map(({ value }) => value as string);
  const typed = TYPED[name];
  const allowed = typed
    ? Joi.string()
        .pattern(typed.pattern)
        .messages({
          'string.pattern.base': `{{#label}} must be one of ${values.join(', ')}, or a figure from ${typed.min} to ${typed.max} ${typed.unit}`,
        })
    : Joi.valid(...values);
  return allowed.description(
    `${question}: ${options.map(({ value, label }) => `${value} (${label})`).join(', ')}. ${why}`,
  );
}

/** What a document may hold; that its references lead somewhere is looked at besides. */
export const rigShape = once(() =>
  exactly<RigDocument>({
    format: Joi.valid(FORMAT).required(),
    version: Joi.valid(VERSION).required(),
    name: text(80).required(),
    note: text(2000).allow(''),
    schools: Joi.object(Object.fromEntries(SCHOOL_NAMES.map((name) => [name, school(name)]))),
    devices: Joi.array().items(device()).max(MOST_DEVICES).unique('id').required(),
    lines: Joi.array()
      .items(line())
      .max(MOST_LINES)
      .unique('id')
      .required()
      .description('Every line has an id of its own, every inlet one line.'),
    listColumns: Joi.array()
      .items(
        exactly<ListColumn>({
          heading: text(LONGEST_HEADING).allow('').required(),
          holds: Joi.valid(...LIST_ROLES).description('absent for what no line knows by itself'),
        }),
      )
      .max(MOST_COLUMNS)
      .description('columns of the input list that it was read from last'),
    ...arrangementFields(),
  }).shared(fact),
);

/** The published JSON Schema of the rig document. */
export const jsonSchema = () => published(`Inlet Check rig document, version ${VERSION}`, rigShape());

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
  const { error, value: document } = rigShape().validate(current, VALIDATION);
  if (error) throw new DocumentError(refusalsOf(error, current, rigShape()));
  const broken = brokenReferences(document as RigDocument);
  if (broken.length) throw new DocumentError(broken.slice(0, 20));
  return document as RigDocument;
}

/**
 * Reads a document from text.
 * @throws DocumentError also for text that is not JSON, with the place
 */
export const parseDocument = (file: string): RigDocument => readDocument(parsedJson(file));
