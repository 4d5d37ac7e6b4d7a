import { SCHOOLS } from '../check/schools';
import {
  BASES,
  CONNECTORS,
  INLETS,
  LINKS,
  SOURCES,
  type AnyKind,
  type ChoiceSpec,
  type FigureSpec,
  type LinkKind,
} from '../gear';
import { FORMAT, MOST_LINES, VERSION } from './document';

type Schema = Record<string, unknown>;

const object = (properties: Record<string, Schema>, required: string[], more: Schema = {}): Schema => ({
  type: 'object',
  properties,
  required,
  additionalProperties: false,
  ...more,
});
const text = (maxLength: number): Schema => ({ type: 'string', maxLength });

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

const mapped = <T>(map: Record<string, T>, to: (entry: T) => Schema) =>
  Object.fromEntries(Object.entries(map).map(([name, entry]) => [name, to(entry)]));

const part = (kind: AnyKind): Schema =>
  object(
    {
      kind: { const: kind.kind },
      name: text(80),
      note: text(500),
      figures: object(mapped(kind.figures, figure), []),
      choices: object(mapped(kind.choices, choice), []),
      ...((kind as LinkKind).faults && { faults: { type: 'array', items: fault, maxItems: 8 } }),
    },
    ['kind'],
    { title: kind.label, description: kind.summary },
  );

/** The published JSON Schema of the rig document, made from the catalogue so that the two cannot differ. */
export function jsonSchema(): Schema {
  const line = object(
    {
      id: { type: 'string', pattern: '^[a-z0-9][a-z0-9-]{0,63}$' },
      name: { ...text(80), minLength: 1 },
      note: text(500),
      source: { $ref: '#/$defs/source' },
      links: { type: 'array', items: { $ref: '#/$defs/link' }, maxItems: 16 },
      inlet: { $ref: '#/$defs/inlet' },
    },
    ['id', 'name', 'source', 'links', 'inlet'],
  );
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Inlet Check rig document, version 1',
    ...object(
      {
        format: { const: FORMAT },
        version: { const: VERSION },
        name: { ...text(80), minLength: 1 },
        note: text(2000),
        schools: object(
          mapped(SCHOOLS, ({ question, why, options }) => ({
            title: question,
            description: why,
            default: options[0].value,
            oneOf: options.map(({ value, label }) => ({ const: value, title: label })),
          })),
          [],
        ),
        lines: {
          type: 'array',
          items: { $ref: '#/$defs/line' },
          maxItems: MOST_LINES,
          description: 'Every line has an id of its own.',
        },
      },
      ['format', 'version', 'name', 'lines'],
    ),
    $defs: {
      line,
      source: { oneOf: SOURCES.map(part) },
      link: { oneOf: LINKS.map(part) },
      inlet: { oneOf: INLETS.map(part) },
    },
  };
}
