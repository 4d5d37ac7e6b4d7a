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
} from './deviceFigures';
import { deviceFigure, identifier, mapped, name, object, text, type Schema } from './jsonSchemaParts';
import { UNIT_KINDS } from './arrangement';

const inletRef = object({ device: identifier, inlet: identifier }, ['device', 'inlet']);
const list = (items: Schema, maxItems: number, more: Schema = {}): Schema => ({
  type: 'array',
  items,
  maxItems,
  ...more,
});
const pair: Schema = { type: 'array', items: identifier, minItems: 2, maxItems: 2, uniqueItems: true };
const centre: Schema = { enum: ['negative', 'positive'] };

const roomBands = list(
  object({ hz: { enum: [...OCTAVES] }, level: { type: 'number', minimum: -20, maximum: 140 } }, ['hz', 'level']),
  OCTAVES.length,
  { minItems: 1, description: 'room noise by octaves, in dB SPL; taken before `room`' },
);

/** The part of the published JSON Schema that speaks of places, wishes and direct-current supplies. */
export const arrangementSchema = (): Record<string, Schema> => ({
  locations: list(
    object({ id: identifier, name, room: deviceFigure(ROOM_FIGURE), roomBands }, ['id', 'name']),
    MOST_LOCATIONS,
    {
      description: 'where sources and devices stand',
    },
  ),
  runs: list(object({ between: pair, length: deviceFigure(RUN_FIGURE) }, ['between', 'length']), MOST_RUNS, {
    description: 'the cable that is needed from one location to another',
  }),
  wishes: object(
    {
      pinned: list(object({ line: identifier, to: inletRef }, ['line', 'to']), MOST_WISHES, {
        description: 'lines that belong on one particular inlet',
      }),
      forbidden: list(object({ to: inletRef, line: identifier }, ['to']), MOST_WISHES, {
        description: 'inlets that are not to be used, by one line or by any',
      }),
      neighbours: list(pair, MOST_WISHES, { description: 'lines that belong on neighbouring inlets of one device' }),
    },
    [],
    { description: 'what a plan has to keep to' },
  ),
  monitors: list(
    object(
      {
        id: identifier,
        name,
        location: { ...identifier, description: 'where they are turned up and down' },
        devices: list(identifier, MOST_MONITORED, { uniqueItems: true, description: 'devices that are heard on them' }),
      },
      ['id', 'name', 'devices'],
    ),
    MOST_MONITORS,
    { description: 'loudspeakers, headphones and streams that are turned up and down together' },
  ),
  units: list(
    object(
      {
        id: identifier,
        name,
        kind: { enum: Object.keys(UNIT_KINDS) },
        outlet: text(80),
        device: { ...identifier, description: 'the device of the rig that it is' },
        line: { ...identifier, description: 'the line whose source it is' },
      },
      ['id', 'name', 'kind'],
    ),
    MOST_UNITS,
    { description: 'what may disturb a recording, whether sound runs through it or not' },
  ),
  directCurrent: object(
    {
      supplies: list(
        object(
          {
            id: identifier,
            name,
            outlets: { type: 'integer', minimum: 1, maximum: 32 },
            isolated: { type: 'boolean', description: 'every outlet floats by itself' },
            centre,
            ...mapped(DC_SUPPLY_FIGURES, deviceFigure),
          },
          ['id', 'name', 'outlets', 'isolated', 'centre', 'volts', 'limit'],
        ),
        MOST_SUPPLIES,
      ),
      loads: list(
        object(
          {
            id: identifier,
            name,
            centre,
            ground: { ...centre, description: 'the pole that its signal ground is joined to' },
            digital: { type: 'boolean' },
            ...mapped(DC_LOAD_FIGURES, deviceFigure),
            on: object({ supply: identifier, outlet: { type: 'integer', minimum: 1, maximum: 32 } }, [
              'supply',
              'outlet',
            ]),
          },
          ['id', 'name', 'centre', 'ground', 'digital', 'lowest', 'highest', 'current'],
        ),
        MOST_SUPPLIES,
      ),
    },
    ['supplies', 'loads'],
    { description: 'direct-current supplies for boxes and pedals, and what hangs on them' },
  ),
});
