import Joi from 'joi';
import { BASES, CONNECTORS, type AnyKind, type FigureSpec, type LinkKind } from '../gear';

export const text = (most: number) => Joi.string().trim().max(most);

export const identifier = Joi.string()
  .pattern(/^[a-z0-9][a-z0-9-]{0,63}$/)
  .messages({ 'string.pattern.base': '{{#label}} takes small letters, digits and hyphens, 64 at most' });

export const figure = ({ unit, min, max }: Pick<FigureSpec, 'unit' | 'min' | 'max'>) =>
  Joi.object({
    value: Joi.number().min(min).max(max).required(),
    unit: Joi.valid(unit).required(),
    basis: Joi.valid(...BASES).required(),
    where: text(200).allow(''),
  });

/** Who answered, when, and where it is written. */
const fact = Joi.object({
  who: text(80).required(),
  when: Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/)
    .messages({ 'string.pattern.base': '{{#label}} must be a date like 2026-05-01' })
    .required(),
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

const partOfKind = (kind: AnyKind, more: Joi.PartialSchemaMap, without: readonly string[]) =>
  Joi.object({
    kind: Joi.valid(kind.kind).required(),
    ...more,
    item: identifier,
    name: text(80).allow(''),
    note: text(500).allow(''),
    figures: Joi.object(Object.fromEntries(Object.entries(kind.figures).map(([name, spec]) => [name, figure(spec)]))),
    choices: Joi.object(
      Object.fromEntries(
        Object.entries(kind.choices)
          .filter(([name]) => !without.includes(name))
          .map(([name, { options }]) => [name, Joi.valid(...options.map(({ value }) => value))]),
      ),
    ),
    facts: Joi.object(
      Object.fromEntries([...Object.keys(kind.figures), ...Object.keys(kind.choices)].map((name) => [name, fact])),
    ),
    ...((kind as LinkKind).faults && { faults: Joi.array().items(fault).max(8) }),
  });

/**
 * A part whose fields depend on its kind; an unknown kind lists the known ones.
 * @param more fields besides those that every part has
 * @param without choices that are made elsewhere
 */
export const part = (kinds: readonly AnyKind[], more: Joi.PartialSchemaMap = {}, without: readonly string[] = []) =>
  Joi.alternatives().conditional('.kind', {
    switch: kinds.map((kind, n) => ({
      is: kind.kind,
      then: partOfKind(kind, more, without),
      ...(n === kinds.length - 1 && {
        otherwise: Joi.object({ kind: Joi.valid(...kinds.map((known) => known.kind)).required() }).unknown(),
      }),
    })),
  });
