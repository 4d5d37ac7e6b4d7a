import Joi from 'joi';
import {
  BASES,
  CONNECTORS,
  type AnyKind,
  type ChoiceSpec,
  type Fact,
  type Fault,
  type Figure,
  type FigureSpec,
  type LinkKind,
  type Part,
} from '../gear';
import { once } from '../units/once';

/** An object with exactly the fields of a type: one that is forgotten here, or there, does not compile. */
export const exactly = <T>(fields: { [K in keyof Required<T>]: Joi.Schema }): Joi.ObjectSchema<T> =>
  Joi.object<T>(fields as Joi.PartialSchemaMap<T>);

/** A text without space around it. */
export const text = (most: number) =>
  Joi.string()
    .max(most)
    .pattern(/^(\S([\s\S]*\S)?)?$/)
    .messages({ 'string.pattern.base': '{{#label}} must not have leading or trailing whitespace' });

export const identifier = Joi.string()
  .pattern(/^[a-z0-9][a-z0-9-]{0,63}$/)
  .messages({ 'string.pattern.base': '{{#label}} takes small letters, digits and hyphens, 64 at most' });

/** A figure in its unit, within its range; `typical` and `help` are for whoever reads the published schema. */
export const figure = ({
  label,
  unit,
  min,
  max,
  typical,
  help,
}: Pick<FigureSpec, 'label' | 'unit' | 'min' | 'max' | 'typical' | 'help'>) =>
  exactly<Figure>({
    value: Joi.number().min(min).max(max).required(),
    unit: Joi.valid(unit).required(),
    basis: Joi.valid(...BASES).required(),
    where: text(200).allow(''),
  }).description(
    [`${label}.`, help, typical && `Typical: ${typical.value} ${unit} (${typical.basis}).`].filter(Boolean).join(' '),
  );

const isDay = (day: string): boolean => {
  const date = new Date(`${day}T00:00:00Z`);
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(day);
};
/** A day of the calendar. */
export const day = Joi.string()
  .pattern(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
  .custom((value: string, helpers) => (isDay(value) ? value : helpers.error('string.pattern.base')))
  .messages({ 'string.pattern.base': '{{#label}} must be a date like 2026-05-01' });

/** Who answered, when, and where it is written. It stands once in a schema, as `shared`. */
export const fact = exactly<Fact>({
  who: text(80).required(),
  when: day.required(),
  where: text(200).allow(''),
}).id('fact');

/** One of some objects, told apart by a field that each has one value of. */
export const oneOf = <T extends string>(field: string, by: Record<T, Joi.Schema>) =>
  Joi.alternatives().conditional(`.${field}`, {
    switch: Object.entries<Joi.Schema>(by).map(([is, then]) => ({ is, then })),
  });

const contact = Joi.valid(...new Set(Object.values(CONNECTORS).flatMap(({ contacts }) => contacts)));
const contacts = Joi.array().items(contact).length(2).unique().required();

type FaultOf<T extends Fault['type']> = Extract<Fault, { type: T }>;
const fault = once(() =>
  oneOf<Fault['type']>('type', {
    open: exactly<FaultOf<'open'>>({
      type: Joi.valid('open').required(),
      contact: contact.required(),
      at: Joi.number().min(0).max(500).description('metres from the end nearer the source'),
    }),
    swapped: exactly<FaultOf<'swapped'>>({ type: Joi.valid('swapped').required(), contacts }),
    shorted: exactly<FaultOf<'shorted'>>({ type: Joi.valid('shorted').required(), contacts }),
    leaky: exactly<FaultOf<'leaky'>>({
      type: Joi.valid('leaky').required(),
      contacts,
      ohms: Joi.number().min(0.1).max(1e9).required(),
    }),
    'shield to cold': exactly<FaultOf<'shield to cold'>>({ type: Joi.valid('shield to cold').required() }),
  }),
);

const choice = ({ label, options, standard, help }: ChoiceSpec) =>
  Joi.valid(...options.map(({ value }) => value)).description(
    [
      `${label}: ${options.map((option) => `${option.value} (${option.label})`).join(', ')}.`,
      help,
      `Where nothing is said: ${standard}.`,
    ]
      .filter(Boolean)
      .join(' '),
  );

const byName = <T>(map: Record<string, T>, to: (entry: T) => Joi.Schema) =>
  Joi.object(Object.fromEntries(Object.entries(map).map(([name, entry]) => [name, to(entry)])));

function partOfKind(kind: AnyKind, id: Joi.Schema | undefined, without: readonly string[]) {
  const choices = Object.fromEntries(Object.entries(kind.choices).filter(([name]) => !without.includes(name)));
  const fields: { [K in keyof Required<Part>]: Joi.Schema | undefined } = {
    kind: Joi.valid(kind.kind).required(),
    id,
    item: identifier.description('the item of the kit it was taken from'),
    name: text(80).allow(''),
    note: text(500).allow(''),
    figures: byName(kind.figures, figure),
    choices: byName(choices, choice),
    faults: (kind as LinkKind).faults ? Joi.array().items(fault()).max(8) : undefined,
    facts: byName({ ...kind.figures, ...kind.choices }, () => Joi.link('#fact')).description(
      'who answered for a figure or a choice, when, and where it is written',
    ),
  };
  const there = Object.entries(fields).filter(([, schema]) => schema);
  return Joi.object(Object.fromEntries(there)).description(`${kind.label}: ${kind.summary}`);
}

/**
 * A part whose fields depend on its kind.
 * @param id where parts of this sort have one
 * @param without choices that are made elsewhere
 */
export const part = (kinds: readonly AnyKind[], id?: Joi.Schema, without: readonly string[] = []) =>
  oneOf('kind', Object.fromEntries(kinds.map((kind) => [kind.kind, partOfKind(kind, id, without)])));
