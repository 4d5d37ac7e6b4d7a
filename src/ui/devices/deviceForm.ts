import type { Grounding } from '@/core/gear';
import type { CHEMISTRIES, Device, SwitchGroup } from '@/core/rig';
import type { FeedName } from '@/core/standards/feeds';

/** A device as a form holds it: every figure as it is typed. */
export interface DeviceForm {
  name: string;
  note: string;
  feedLimit: string;
  ground: Grounding;
  cells: string;
  chemistry: (typeof CHEMISTRIES)[number];
  capacity: string;
  inlets: { id: string; kind: string; name: string; was: string }[];
  groups: {
    id: string;
    name: string;
    inlets: string[];
    offers: Exclude<FeedName, 'off'>[];
    control: string;
    latched: boolean;
    mutes: boolean;
    ramp: string;
  }[];
}

/** A typed figure as a number; not finite for what is none. */
const amount = (text: string): number => Number(text.trim().replace(',', '.'));

/** The number after the highest of the inlets. */
export const nextNumber = (inlets: readonly { id: string }[]): string =>
  String(Math.max(0, ...inlets.map(({ id }) => Number(id) || 0)) + 1);

export const formOf = (device: Device): DeviceForm => ({
  name: device.name,
  note: device.note ?? '',
  feedLimit: device.feedLimit ? String(device.feedLimit.value) : '',
  ground: device.ground ?? 'unknown',
  cells: device.batteries ? String(device.batteries.cells) : '',
  chemistry: device.batteries?.chemistry ?? 'nickel metal hydride',
  capacity: device.batteries?.capacity ? String(device.batteries.capacity.value) : '',
  inlets: device.inlets.map(({ id, kind, name }) => ({ id, kind, name: name ?? '', was: id })),
  groups: device.groups.map(({ id, name, inlets, offers, control, latched, mutes, ramp }) => ({
    id,
    name,
    inlets,
    offers,
    control: control ?? '',
    latched: latched ?? false,
    mutes: mutes ?? false,
    ramp: ramp ? String(ramp.value) : '',
  })),
});

/** The device as the form has it; figures keep where they come from as long as their value stays. */
export function deviceOf(device: Device, form: DeviceForm): Device {
  const figure = <U extends 'mA' | 'mAh' | 's'>(text: string, unit: U, was: Device['feedLimit']) =>
    text.trim() === ''
      ? undefined
      : was?.value === amount(text)
        ? was
        : { value: amount(text), unit, basis: 'maker' as const };
  const feedLimit = figure(form.feedLimit, 'mA', device.feedLimit);
  const capacity = figure(form.capacity, 'mAh', device.batteries?.capacity);
  const cells = amount(form.cells);
  // What the Plan place knows of the cells stays.
  const { capacity: _capacity, ...otherFigures } = device.batteries ?? {};
  return {
    id: device.id,
    name: form.name.trim(),
    ...(form.note.trim() && { note: form.note.trim() }),
    ...(device.item && { item: device.item }),
    ...(device.location && { location: device.location }),
    inlets: form.inlets.map(({ id, kind, name, was }) => {
      const before = device.inlets.find((inlet) => inlet.id === was);
      const { name: _name, ...same } = before?.kind === kind ? before : { id, kind };
      return { ...same, id, kind, ...(name.trim() && { name: name.trim() }) };
    }),
    groups: form.groups.map((group): SwitchGroup => {
      const before = device.groups.find(({ id }) => id === group.id);
      const ramp = figure(group.ramp, 's', before?.ramp);
      const feed = before && (before.feed === 'off' || group.offers.includes(before.feed)) ? before.feed : 'off';
      return {
        id: group.id,
        name: group.name.trim(),
        inlets: group.inlets,
        offers: group.offers,
        feed,
        ...(group.control.trim() && { control: group.control.trim() }),
        ...(group.latched && { latched: true }),
        ...(group.mutes && { mutes: true }),
        ...(ramp && { ramp }),
      };
    }),
    ...(form.ground !== 'unknown' && { ground: form.ground }),
    ...(feedLimit && { feedLimit }),
    ...(form.cells.trim() && {
      batteries: { ...otherFigures, cells, chemistry: form.chemistry, ...(capacity && { capacity }) },
    }),
  };
}

/** Says what is wrong with a figure that is typed; an empty one is not known. */
export const typedNumber = (text: string): true | string =>
  text.trim() === '' || Number.isFinite(amount(text)) || 'Type a number, or leave it empty';
