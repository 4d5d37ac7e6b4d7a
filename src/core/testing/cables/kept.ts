import Joi from 'joi';
import { exactly } from '../../rig/parts.schema';
import type { Observation } from '../diagnosis/observation';
import { MOST_OBSERVATIONS, observation } from '../diagnosis/observation.schema';
import { COMMONEST, PRIORS, RAREST, type OwnPriors, type Repair } from '../hypotheses/priors';
import { INSTRUMENTS } from '../instruments';
import { LAMPS, type InletReading, type Means } from '../meter/inletSheet';
import { PHANTOMS } from '../../standards/feeds';
import type { ConnectorId } from '../../gear';
import { CABLE_CONNECTORS } from './cableTest';

/** Something that was put right and is known to have helped, as it is kept; from all rigs, for how likely things are. */
export interface KeptRepair {
  /** Line of the rig. */
  line: string;
  /** A free name. */
  who: string;
  /** What was done, and what it was most likely. */
  act: string;
  what: string;
  /** Whether it helped. */
  helped: boolean;
  counts: Repair;
}

/** A cable that was tested. */
export interface KeptCableTest {
  /** What it is called: its label, or the name of its item. */
  label: string;
  /** Of the kit, where it is one of an item's. */
  item?: string;
  who: string;
  connector: ConnectorId;
  observations: Observation[];
}

const text = (most: number) => Joi.string().trim().max(most);
const classes = Object.keys(PRIORS);
const types = [...new Set(Object.values(PRIORS).flatMap((table) => Object.keys(table)))];

export const repairShape = exactly<KeptRepair>({
  line: Joi.string().max(200).required(),
  who: text(60).allow('').required(),
  act: text(300).required(),
  what: text(300).required(),
  helped: Joi.boolean().required(),
  counts: exactly<Repair>({
    class: Joi.valid(...classes).required(),
    type: Joi.valid(...types).required(),
    item: text(200),
    end: Joi.valid('source', 'inlet'),
    looks: Joi.array()
      .items(
        exactly<NonNullable<Repair['looks']>[number]>({
          instrument: Joi.valid(...INSTRUMENTS.map(({ name }) => name)).required(),
          fits: Joi.boolean().required(),
        }),
      )
      .max(MOST_OBSERVATIONS),
  }).required(),
});

export const cableTestShape = exactly<KeptCableTest>({
  label: text(80).min(1).required(),
  item: Joi.string().max(200),
  who: text(60).allow('').required(),
  connector: Joi.valid(...CABLE_CONNECTORS).required(),
  observations: Joi.array().items(observation).min(1).max(MOST_OBSERVATIONS).required(),
});

const weight = Joi.number().min(RAREST).max(COMMONEST);

/** What somebody said otherwise of how often things fail. */
export const priorsShape: Joi.ObjectSchema<OwnPriors> = Joi.object(
  Object.fromEntries(
    Object.entries(PRIORS).map(([of, table]) => [
      of,
      Joi.object(Object.fromEntries(Object.keys(table).map((type) => [type, weight]))),
    ]),
  ),
);

/** What the inlets of a device gave, as it was read. */
export interface KeptInletSheet {
  /** Its id on the rig, and what it is called. */
  device: string;
  name: string;
  who: string;
  means: Means;
  readings: InletReading[];
}

const volts = Joi.number().min(-100).max(100);
const legs = Joi.array().items(volts.required(), volts.required()).length(2);

export const inletSheetShape = exactly<KeptInletSheet>({
  device: Joi.string().max(200).required(),
  name: text(80).min(1).required(),
  who: text(60).allow('').required(),
  means: exactly<Means>({
    meter: exactly<Means['meter']>({
      share: Joi.number().min(0).max(0.2).required(),
      digits: Joi.number().min(0).max(5).required(),
    }).required(),
    load: Joi.number().min(100).max(100_000).required(),
    loadTolerance: Joi.number().min(0).max(0.2).required(),
  }).required(),
  readings: Joi.array()
    .items(
      exactly<InletReading>({
        inlet: Joi.string().max(200).required(),
        name: text(80).required(),
        feed: Joi.valid(...PHANTOMS).required(),
        lamps: Joi.valid(...LAMPS),
        open: legs,
        loaded: legs,
      })
        .or('lamps', 'open')
        .with('loaded', 'open'),
    )
    .min(1)
    .max(128)
    .required(),
});
