import Joi from 'joi';
import { exactly } from '../../rig/parts.schema';
import { MOST_OBSERVATIONS, observation, type Observation } from '../diagnosis/observation';
import { FAULTS, TROUBLES, type Repair } from '../hypotheses/priors';
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
const classes = [...Object.keys(FAULTS), 'desk'];
const types = [...new Set([...Object.values(FAULTS).flatMap((table) => Object.keys(table)), ...Object.keys(TROUBLES)])];

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
  }).required(),
});

export const cableTestShape = exactly<KeptCableTest>({
  label: text(80).min(1).required(),
  item: Joi.string().max(200),
  who: text(60).allow('').required(),
  connector: Joi.valid(...CABLE_CONNECTORS).required(),
  observations: Joi.array().items(observation).min(1).max(MOST_OBSERVATIONS).required(),
});
