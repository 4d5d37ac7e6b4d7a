import Joi from 'joi';
import { LINKS, SOURCES } from '../gear';
import { deviceFields } from '../rig/schema';
import { deviceFaults } from '../rig/references';
import { day, exactly, fact, identifier, oneOf, part, text } from '../rig/parts.schema';
import { published } from '../rig/published';
import { DocumentError, parsedJson, refusalsOf, VALIDATION, type Refusal } from '../rig/refusals';
import {
  KIT_FORMAT,
  KIT_VERSION,
  MOST_ITEMS,
  type DeviceModel,
  type KitDocument,
  type KitItem,
  type Register,
} from './item';
import { once } from '../units/once';

const head = {
  id: identifier.required(),
  name: text(80).required(),
  count: Joi.number().integer().min(0).max(999).required(),
  note: text(500).allow(''),
  sheet: text(300).allow(''),
  register: exactly<Register>({
    bought: day,
    retired: day,
    testEvery: Joi.number().integer().min(1).max(3650),
  }),
};

type PartItem = Extract<KitItem, { part: unknown }>;
const item = once(() =>
  oneOf<KitItem['role']>('role', {
    source: exactly<PartItem>({
      ...head,
      role: Joi.valid('source').required(),
      part: part(SOURCES).required(),
    }),
    link: exactly<PartItem>({ ...head, role: Joi.valid('link').required(), part: part(LINKS).required() }),
    device: exactly<Exclude<KitItem, PartItem>>({
      ...head,
      role: Joi.valid('device').required(),
      device: exactly<DeviceModel>(deviceFields()).required(),
    }),
  }).shared(fact),
);

/** What a kit may hold. */
export const kitShape = once(() =>
  exactly<KitDocument>({
    format: Joi.valid(KIT_FORMAT).required(),
    version: Joi.valid(KIT_VERSION).required(),
    items: Joi.array().items(item()).max(MOST_ITEMS).unique('id').required(),
  }).shared(fact),
);

/** The published JSON Schema of a kit. */
export const kitSchema = () => published(`Inlet Check kit, version ${KIT_VERSION}`, kitShape());

/** Checks one item that came from outside. @throws DocumentError */
export function readItem(value: unknown): KitItem {
  const { error, value: read } = item().validate(value, VALIDATION);
  if (error) throw new DocumentError(refusalsOf(error, value, item()));
  return wired(read as KitItem, '');
}

/** Reads a kit that came from outside. @throws DocumentError */
export function readKit(value: unknown): KitDocument {
  const { error, value: kit } = kitShape().validate(value, VALIDATION);
  if (error) throw new DocumentError(refusalsOf(error, value, kitShape()));
  (kit as KitDocument).items.forEach((each, n) => wired(each, `items[${n}].`));
  return kit as KitDocument;
}

/** Reads a kit from text. @throws DocumentError */
export const parseKit = (file: string): KitDocument => readKit(parsedJson(file));

/** A device's switches must speak of inlets that it has. */
function wired(read: KitItem, path: string): KitItem {
  if (read.role !== 'device') return read;
  const faults: Refusal[] = deviceFaults({ ...read.device, name: read.name }, `${path}device`);
  if (faults.length) throw new DocumentError(faults);
  return read;
}
