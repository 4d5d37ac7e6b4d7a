import Joi from 'joi';
import {
  BESIDE_FIGURES,
  DC_LOAD_FIGURES,
  DC_SUPPLY_FIGURES,
  FIFTH,
  GROUND_FIGURES,
  MOST_LOCATIONS,
  MOST_MONITORED,
  MOST_MONITORS,
  MOST_RUNS,
  MOST_SUPPLIES,
  MOST_UNITS,
  MOST_WISHES,
  OCTAVES,
  OUTLET_FIGURES,
  ROOM_FIGURE,
  RUN_FIGURE,
  UNIT_FIGURES,
  type Range,
} from './deviceFigures';
import { exactly, figure, identifier, text } from './parts.schema';
import {
  UNIT_KINDS,
  type Arrangement,
  type Location,
  type MonitorGroup,
  type RoomBand,
  type Run,
  type Unit,
  type Wishes,
} from './arrangement';
import type { DcLoad, DcSupply, DirectCurrent } from './directCurrent';
import type { InletRef } from '../gear';
import {
  CONNECTIONS,
  EARTH,
  MOST_CONNECTIONS,
  MOST_GROUNDS,
  MOST_OUTLETS,
  PLUGS,
  SUPPLIES,
  type Beside,
  type Connection,
  type LineGround,
  type Mains,
  type Outlet,
} from './mains';
import { once } from '../units/once';

/** A field for each figure; `required` names those that must be there. */
export const deviceFigures = <N extends string>(ranges: Record<N, Range>, required: readonly NoInfer<N>[] = []) =>
  Object.fromEntries(
    Object.entries<Range>(ranges).map(([name, range]) => [
      name,
      required.includes(name as N) ? figure(range).required() : figure(range),
    ]),
  ) as Record<N, Joi.Schema>;

const inletRef = exactly<InletRef>({ device: identifier.required(), inlet: identifier.required() });
const two = (items: Joi.Schema) => Joi.array().items(items).length(2).unique();
const centre = Joi.valid('negative', 'positive').required();
const head = { id: identifier.required(), name: text(80).required() };

const roomBands = once(() =>
  Joi.array()
    .items(
      exactly<RoomBand>({
        hz: Joi.valid(...OCTAVES).required(),
        level: Joi.number().min(-20).max(140).required(),
      }),
    )
    .min(1)
    .max(OCTAVES.length)
    .unique('hz')
    .description('room noise by octaves, in dB SPL; taken before `room`'),
);

const unit = once(() =>
  exactly<Unit>({
    ...head,
    kind: Joi.valid(...Object.keys(UNIT_KINDS)).required(),
    outlet: text(80).description('the outlet or strip that it hangs on'),
    device: identifier.description('the device of the rig that it is'),
    line: identifier.description('the line whose source it is'),
    plug: Joi.valid(...Object.keys(PLUGS)).description('how it is joined to the mains; by its kind where nobody says'),
    audioGround: Joi.valid('resistor', 'lifted').description(
      'how its audio ground stands to its chassis; directly where nobody says',
    ),
    blocks: Joi.valid(true).description(
      'a listed device in its mains lead stops small earth currents and passes a fault',
    ),
    ...deviceFigures(UNIT_FIGURES),
  }),
);

const monitors = once(() =>
  exactly<MonitorGroup>({
    ...head,
    location: identifier.description('where they are turned up and down'),
    devices: Joi.array()
      .items(identifier)
      .max(MOST_MONITORED)
      .unique()
      .required()
      .description('devices that are heard on them'),
  }),
);

const wishes = once(() =>
  exactly<Wishes>({
    pinned: Joi.array()
      .items(Joi.object({ line: identifier.required(), to: inletRef.required() }))
      .max(MOST_WISHES)
      .unique('line')
      .description('lines that belong on one particular inlet'),
    forbidden: Joi.array()
      .items(Joi.object({ to: inletRef.required(), line: identifier }))
      .max(MOST_WISHES)
      .description('inlets that are not to be used, by one line or by any'),
    neighbours: Joi.array()
      .items(two(identifier))
      .max(MOST_WISHES)
      .description('lines that belong on neighbouring inlets of one device'),
  }).description('what a plan has to keep to'),
);

const grounded = Joi.string().pattern(new RegExp(`^([a-z0-9][a-z0-9-]{0,63}|${EARTH})$`));
const mains = once(() =>
  exactly<Mains>({
    supply: Joi.valid(...Object.keys(SUPPLIES)),
    neutral: Joi.valid('bonded', 'free').description('whether neutral and earth are joined at the supply'),
    outlets: Joi.array()
      .items(
        exactly<Outlet>({
          name: text(80).required(),
          from: text(80).description('the outlet that its lead is plugged into; the wall where none is named'),
          otherLeg: Joi.valid(true).description('the other leg of a split phase'),
          isolator: Joi.valid(true).description('pairs of diodes in its earth conductor (a galvanic isolator)'),
          surge: Joi.valid(true).description('behind a surge protector'),
          ...deviceFigures(OUTLET_FIGURES),
        }),
      )
      .max(MOST_OUTLETS)
      .unique('name'),
    connections: Joi.array()
      .items(
        exactly<Connection>({
          between: two(grounded).required().description(`ids of units; "${EARTH}" for the earth of the supply in use`),
          kind: Joi.valid(...Object.keys(CONNECTIONS)).required(),
          isolated: Joi.valid(true).description('an isolator in it parts the grounds'),
        }),
      )
      .max(MOST_CONNECTIONS)
      .description('what joins the grounds of two units beside the lines'),
    balanced: Joi.valid(true).description('both poles stand half the voltage from earth'),
    fifth: figure(FIFTH),
    lines: Joi.array()
      .items(exactly<LineGround>({ line: identifier.required(), ...deviceFigures(GROUND_FIGURES) }))
      .max(MOST_GROUNDS)
      .unique('line')
      .description('what was measured of how lines hear the mains'),
    beside: Joi.array()
      .items(
        exactly<Beside>({
          line: identifier.required(),
          unit: identifier.required(),
          coil: Joi.valid(true).description('it is the coil inside the unit, not its lead'),
          ...deviceFigures(BESIDE_FIGURES, ['distance', 'length']),
        }),
      )
      .max(MOST_GROUNDS)
      .description('lines beside the mains lead or the transformer of a unit'),
  }).description('outlets, leads and what joins grounds beside the lines'),
);

const outlet = Joi.number().integer().min(1).max(32).required();
const directCurrent = once(() =>
  exactly<DirectCurrent>({
    supplies: Joi.array()
      .items(
        exactly<DcSupply>({
          ...head,
          outlets: outlet,
          isolated: Joi.boolean().required().description('every outlet floats by itself'),
          centre,
          ...deviceFigures(DC_SUPPLY_FIGURES, ['volts', 'limit']),
        }),
      )
      .max(MOST_SUPPLIES)
      .unique('id')
      .required(),
    loads: Joi.array()
      .items(
        exactly<DcLoad>({
          ...head,
          centre,
          ground: centre.description('the pole that its signal ground is joined to'),
          digital: Joi.boolean().required(),
          ...deviceFigures(DC_LOAD_FIGURES, ['lowest', 'highest', 'current']),
          on: Joi.object({ supply: identifier.required(), outlet }),
        }),
      )
      .max(MOST_SUPPLIES)
      .unique('id')
      .required(),
  }).description('direct-current supplies for boxes and pedals, and what hangs on them'),
);

/** What a document says of places, wishes and direct-current supplies. */
export const arrangementFields = once((): { [K in keyof Required<Arrangement> | 'directCurrent']: Joi.Schema } => ({
  locations: Joi.array()
    .items(exactly<Location>({ ...head, room: figure(ROOM_FIGURE), roomBands: roomBands() }))
    .max(MOST_LOCATIONS)
    .unique('id')
    .description('where sources and devices stand'),
  runs: Joi.array()
    .items(exactly<Run>({ between: two(identifier).required(), length: figure(RUN_FIGURE).required() }))
    .max(MOST_RUNS)
    .description('the cable that is needed from one location to another'),
  wishes: wishes(),
  monitors: Joi.array()
    .items(monitors())
    .max(MOST_MONITORS)
    .unique('id')
    .description('loudspeakers, headphones and streams that are turned up and down together'),
  units: Joi.array()
    .items(unit())
    .max(MOST_UNITS)
    .unique('id')
    .description('what may disturb a recording, whether sound runs through it or not'),
  mains: mains(),
  directCurrent: directCurrent(),
}));
