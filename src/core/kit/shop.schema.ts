import Joi from 'joi';
import { day, exactly, identifier, text } from '../rig/parts.schema';
import { MOST_ASKED, type ShopRecord, type ShopWork } from './shop';
import type { ShopSaid } from './shopMerge';

/** What comes through the door about the repair shop. */

const work = exactly<ShopWork>({
  what: text(500).required(),
  by: text(120).required(),
  on: day.required(),
  cost: text(60),
  warranty: day,
});

const measurement = Joi.number().integer().min(1).max(1e12);

const said = {
  serial: text(120),
  item: identifier,
  unchanged: text(1000),
  asked: Joi.array()
    .items(Joi.object({ who: text(120).required(), said: text(1000).required(), on: day.required() }))
    .max(MOST_ASKED)
    .default([]),
  done: work,
  recordings: Joi.object({ heard: measurement, silent: measurement }),
  again: text(500),
};

/** A record to begin: of a suspect of a hunt, or of an item by itself. */
export const shopSchema: Joi.ObjectSchema<
  Omit<ShopRecord, 'rig' | 'hunt'> & { rig: string; hunt?: number; suspect?: string }
> = Joi.object({
  rig: Joi.string().max(200).required(),
  hunt: Joi.number().integer().min(1).max(1e12),
  suspect: Joi.string().max(200),
  unit: text(120).required(),
  ...said,
}).and('hunt', 'suspect');

/** What is said of a record later; about the version that the sender has seen. What is left out is taken away. */
export const shopChangeSchema: Joi.ObjectSchema<ShopSaid & { version: number }> = Joi.object({
  version: Joi.number().integer().min(1).required(),
  ...said,
});
