import type { Part } from '../gear';
import type { Device } from '../rig/document';
import { freeId } from '../rig/rigEdits';

/** Name and version of the open format. */
export const KIT_FORMAT = 'inlet-check-kit';
export const KIT_VERSION = 1;

/** Most items a kit may hold. */
export const MOST_ITEMS = 2000;

/** What a device is, without the name it has on one rig. */
export type DeviceModel = Pick<Device, 'inlets' | 'groups' | 'ground' | 'feedLimit' | 'batteries'>;

/** What is kept of a thing that is one of its own, with a label on it. Days are of the calendar, as 2026-05-01. */
export interface Register {
  bought?: string;
  /** Not used any more since then. */
  retired?: string;
  /** Days from one test to the next. */
  testEvery?: number;
}

interface ItemHead {
  id: string;
  name: string;
  /** How many of them there are. */
  count: number;
  note?: string;
  /** Where its data sheet is, and which edition. */
  sheet?: string;
  register?: Register;
}

/** Something that somebody owns. */
export type KitItem = ItemHead & ({ role: 'source' | 'link'; part: Part } | { role: 'device'; device: DeviceModel });

/** A device of a rig as something owned: without what is its own there, and with every feed off. */
export function itemOfDevice(taken: readonly { id: string }[], device: Device): KitItem {
  const { id: _id, item: _item, location: _location, name, note, ...model } = device;
  const groups = model.groups.map((group) => ({ ...group, feed: 'off' as const }));
  return {
    id: freeId(taken, name),
    name,
    count: 1,
    ...(note && { note }),
    role: 'device',
    device: { ...model, groups },
  };
}

/** A kit as a file holds it. */
export interface KitDocument {
  format: typeof KIT_FORMAT;
  version: typeof KIT_VERSION;
  items: KitItem[];
}

export const kitDocument = (items: KitItem[]): KitDocument => ({ format: KIT_FORMAT, version: KIT_VERSION, items });

/** How many of an item may be used: none of what is retired. */
export const countOf = ({ count, register }: Pick<KitItem, 'count' | 'register'>): number =>
  register?.retired === undefined ? count : 0;

/** An item as a part of a line: its own name and id come with it. */
export const partOf = (item: Extract<KitItem, { part: Part }>): Part => ({
  ...structuredClone(item.part),
  name: item.name,
  item: item.id,
});
