import { SCHOOL_NAMES, SCHOOLS, TYPED, type SchoolName } from '../schools/schools';
import {
  BASES,
  CONNECTORS,
  GROUNDINGS,
  INLETS,
  LINKS,
  SOURCES,
  type AnyKind,
  type ChoiceSpec,
  type FigureSpec,
  type LinkKind,
} from '../gear';
import { FEEDS } from '../standards/feeds';
import { FORMAT, MOST_DEVICES, MOST_LINES, VERSION } from './document';
import { arrangementSchema } from './arrangementJsonSchema';
import { BATTERY_FIGURES, CHEMISTRIES, DEVICE_FIGURES } from './deviceFigures';
import { deviceFigure, identifier, mapped, name, object, text, type Schema } from './jsonSchemaParts';

const figure = ({ label, unit, min, max, typical, help }: FigureSpec): Schema =>
  object(
    {
      value: { type: 'number', minimum: min, maximum: max },
      unit: { const: unit },
      basis: { enum: [...BASES] },
      where: text(200),
    },
    ['value', 'unit', 'basis'],
    {
      title: label,
      description: [help, typical && `Typical: ${typical.value} ${unit} (${typical.basis}).`].filter(Boolean).join(' '),
    },
  );

const choice = ({ label, options, standard, help }: ChoiceSpec): Schema => ({
  title: label,
  description: help ?? '',
  default: standard,
  oneOf: options.map(({ value, label: title }) => ({ const: value, title })),
});

const contact: Schema = { enum: [...new Set(Object.values(CONNECTORS).flatMap(({ contacts }) => contacts))] };
const contacts: Schema = { type: 'array', items: contact, minItems: 2, maxItems: 2, uniqueItems: true };
const fault: Schema = {
  oneOf: [
    object(
      {
        type: { const: 'open' },
        contact,
        at: { type: 'number', minimum: 0, maximum: 500, description: 'metres from the end nearer the source' },
      },
      ['type', 'contact'],
    ),
    object({ type: { const: 'swapped' }, contacts }, ['type', 'contacts']),
    object({ type: { const: 'shorted' }, contacts }, ['type', 'contacts']),
    object({ type: { const: 'leaky' }, contacts, ohms: { type: 'number', minimum: 0.1, maximum: 1e9 } }, [
      'type',
      'contacts',
      'ohms',
    ]),
    object({ type: { const: 'shield to cold' } }, ['type']),
  ],
};

const fact = object(
  {
    who: { ...text(80), minLength: 1 },
    when: { type: 'string', pattern: '^\\d{4}-\\d{2}-\\d{2}$' },
    where: text(200),
  },
  ['who', 'when'],
);

const part = (kind: AnyKind, more: Record<string, Schema> = {}, without: readonly string[] = []): Schema =>
  object(
    {
      kind: { const: kind.kind },
      ...more,
      item: { ...identifier, description: 'the item of the kit it was taken from' },
      name: text(80),
      note: text(500),
      figures: object(mapped(kind.figures, figure), []),
      choices: object(
        mapped(Object.fromEntries(Object.entries(kind.choices).filter(([own]) => !without.includes(own))), choice),
        [],
      ),
      facts: {
        ...object(
          mapped({ ...kind.figures, ...kind.choices }, () => ({ $ref: '#/$defs/fact' })),
          [],
        ),
        description: 'who answered for a figure or a choice, when, and where it is written',
      },
      ...((kind as LinkKind).faults && { faults: { type: 'array', items: fault, maxItems: 8 } }),
    },
    ['kind', ...(more.id && without.length ? ['id'] : [])],
    { title: kind.label, description: kind.summary },
  );

const FEED_NAMES = Object.keys(FEEDS);

const group = object(
  {
    id: identifier,
    name,
    inlets: { type: 'array', items: identifier, minItems: 1, maxItems: 128 },
    offers: { type: 'array', items: { enum: FEED_NAMES }, uniqueItems: true },
    feed: { enum: ['off', ...FEED_NAMES], description: 'what it is set to now' },
    control: { ...text(200), description: 'where the switch is found' },
    latched: { type: 'boolean', description: 'keeps its state without mains' },
    mutes: { type: 'boolean', description: 'mutes its inlets while it switches' },
    ramp: deviceFigure(DEVICE_FIGURES.ramp),
  },
  ['id', 'name', 'inlets', 'offers', 'feed'],
  { description: 'the inlets whose feed one switch turns on together' },
);

const deviceFields = (): Record<string, Schema> => ({
  inlets: { type: 'array', items: { $ref: '#/$defs/inlet' }, maxItems: 128 },
  groups: { type: 'array', items: { $ref: '#/$defs/group' }, maxItems: 128 },
  ground: {
    enum: [...GROUNDINGS],
    description: 'how its ground stands to mains earth; what runs on batteries floats unless this says otherwise',
  },
  feedLimit: deviceFigure(DEVICE_FIGURES.feedLimit),
  batteries: object(
    {
      cells: { type: 'integer', minimum: 1, maximum: 48 },
      chemistry: { enum: [...CHEMISTRIES] },
      ...mapped(BATTERY_FIGURES, deviceFigure),
    },
    ['cells', 'chemistry'],
  ),
});

const definitions = (): Record<string, Schema> => ({
  fact,
  group,
  source: { oneOf: SOURCES.map((kind) => part(kind)) },
  link: { oneOf: LINKS.map((kind) => part(kind, { id: identifier })) },
  inlet: { oneOf: INLETS.map((kind) => part(kind, { id: identifier }, ['feed'])) },
});

const socket = object({ line: identifier, link: identifier, port: text(20) }, ['line', 'link', 'port'], {
  description: "a further socket of a link on another line: a splitter's leg, a link-through, a Y-lead's second end",
});

const school = (name: SchoolName): Schema => {
  const { question, why, options } = SCHOOLS[name];
  const one = options.map(({ value, label }) => ({ const: value, title: label }));
  return {
    title: question,
    description: why,
    default: options[0].value,
    ...(TYPED[name] ? { anyOf: [...one, { type: 'string', pattern: '^-?\\d+(\\.\\d+)?$' }] } : { oneOf: one }),
  };
};

/** The published JSON Schema of the rig document, made from the catalogue so that the two cannot differ. */
export function jsonSchema(): Schema {
  const line = object(
    {
      id: identifier,
      name,
      note: text(500),
      location: { ...identifier, description: 'where its source stands' },
      source: { oneOf: [{ $ref: '#/$defs/source' }, object({ from: socket }, ['from'])] },
      links: { type: 'array', items: { $ref: '#/$defs/link' }, maxItems: 16 },
      inlet: {
        oneOf: [
          object({ device: identifier, inlet: identifier }, ['device', 'inlet']),
          object({ into: socket }, ['into']),
        ],
      },
    },
    ['id', 'name', 'source', 'links', 'inlet'],
  );
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `Inlet Check rig document, version ${VERSION}`,
    ...object(
      {
        format: { const: FORMAT },
        version: { const: VERSION },
        name,
        note: text(2000),
        schools: object(Object.fromEntries(SCHOOL_NAMES.map((name) => [name, school(name)])), []),
        devices: { type: 'array', items: { $ref: '#/$defs/device' }, maxItems: MOST_DEVICES },
        lines: {
          type: 'array',
          items: { $ref: '#/$defs/line' },
          maxItems: MOST_LINES,
          description: 'Every line has an id of its own, every inlet one line.',
        },
        ...arrangementSchema(),
      },
      ['format', 'version', 'name', 'devices', 'lines'],
    ),
    $defs: {
      line,
      device: object(
        { id: identifier, name, note: text(500), item: identifier, location: identifier, ...deviceFields() },
        ['id', 'name', 'inlets', 'groups'],
      ),
      ...definitions(),
    },
  };
}

/** The published JSON Schema of a kit. */
export function kitSchema(): Schema {
  const head = {
    id: identifier,
    name,
    count: { type: 'integer', minimum: 0, maximum: 999 },
    note: text(500),
    sheet: text(300),
  };
  const item = (role: string, more: Record<string, Schema>): Schema =>
    object({ ...head, role: { const: role }, ...more }, ['id', 'role', 'name', 'count', ...Object.keys(more)]);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Inlet Check kit, version 1',
    ...object(
      {
        format: { const: 'inlet-check-kit' },
        version: { const: 1 },
        items: {
          type: 'array',
          maxItems: 2000,
          items: {
            oneOf: [
              item('source', { part: { $ref: '#/$defs/source' } }),
              item('link', { part: { $ref: '#/$defs/link' } }),
              item('device', { device: object(deviceFields(), ['inlets', 'groups']) }),
            ],
          },
        },
      },
      ['format', 'version', 'items'],
    ),
    $defs: definitions(),
  };
}
