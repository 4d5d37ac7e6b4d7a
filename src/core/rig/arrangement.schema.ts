import Joi from 'joi';
import {
  DC_LOAD_FIGURES,
  DC_SUPPLY_FIGURES,
  MOST_LOCATIONS,
  MOST_MONITORED,
  MOST_MONITORS,
  MOST_RUNS,
  MOST_SUPPLIES,
  MOST_UNITS,
  MOST_WISHES,
  OCTAVES,
  ROOM_FIGURE,
  RUN_FIGURE,
  type Range,
} from './deviceFigures';
import { figure, identifier, text } from './parts.schema';
import { UNIT_KINDS } from './arrangement';

/** A field for each figure; `required` names those that must be there. */
export const deviceFigures = (ranges: Record<string, Range>, required: readonly string[] = []) =>
  Object.fromEntries(
    Object.entries(ranges).map(([name, range]) => [
      name,
      required.includes(name) ? figure(range).required() : figure(range),
    ]),
  );

const inletRef = Joi.object({ device: identifier.required(), inlet: identifier.required() });
const two = (items: Joi.Schema) => Joi.array().items(items).length(2).unique();
const centre = Joi.valid('negative', 'positive').required();
const head = { id: identifier.required(), name: text(80).required() };

const roomBands = Joi.array()
  .items(
    Joi.object({
      hz: Joi.valid(...OCTAVES).required(),
      level: Joi.number().min(-20).max(140).required(),
    }),
  )
  .min(1)
  .max(OCTAVES.length)
  .unique('hz');

const unit = Joi.object({
  ...head,
  kind: Joi.valid(...Object.keys(UNIT_KINDS)).required(),
  outlet: text(80),
  device: identifier,
  line: identifier,
});

const monitors = Joi.object({
  ...head,
  location: identifier,
  devices: Joi.array().items(identifier).max(MOST_MONITORED).unique().required(),
});

const wishes = Joi.object({
  pinned: Joi.array()
    .items(Joi.object({ line: identifier.required(), to: inletRef.required() }))
    .max(MOST_WISHES)
    .unique('line'),
  forbidden: Joi.array()
    .items(Joi.object({ to: inletRef.required(), line: identifier }))
    .max(MOST_WISHES),
  neighbours: Joi.array().items(two(identifier)).max(MOST_WISHES),
});

const directCurrent = Joi.object({
  supplies: Joi.array()
    .items(
      Joi.object({
        ...head,
        outlets: Joi.number().integer().min(1).max(32).required(),
        isolated: Joi.boolean().required(),
        centre,
        ...deviceFigures(DC_SUPPLY_FIGURES, ['volts', 'limit']),
      }),
    )
    .max(MOST_SUPPLIES)
    .unique('id')
    .required(),
  loads: Joi.array()
    .items(
      Joi.object({
        ...head,
        centre,
        ground: centre,
        digital: Joi.boolean().required(),
        ...deviceFigures(DC_LOAD_FIGURES, ['lowest', 'highest', 'current']),
        on: Joi.object({ supply: identifier.required(), outlet: Joi.number().integer().min(1).max(32).required() }),
      }),
    )
    .max(MOST_SUPPLIES)
    .unique('id')
    .required(),
});

/** What a document says of places, wishes and direct-current supplies. */
export const arrangementFields = {
  locations: Joi.array()
    .items(Joi.object({ ...head, room: figure(ROOM_FIGURE), roomBands }))
    .max(MOST_LOCATIONS)
    .unique('id'),
  runs: Joi.array()
    .items(Joi.object({ between: two(identifier).required(), length: figure(RUN_FIGURE).required() }))
    .max(MOST_RUNS),
  wishes,
  monitors: Joi.array().items(monitors).max(MOST_MONITORS).unique('id'),
  units: Joi.array().items(unit).max(MOST_UNITS).unique('id'),
  directCurrent,
};
