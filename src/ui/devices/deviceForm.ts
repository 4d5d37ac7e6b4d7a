import type { FieldPath } from 'react-hook-form';
import { inletKind, type Figure, type Grounding } from '@/core/gear';
import type { CHEMISTRIES, Device, Refusal, SwitchGroup } from '@/core/rig';
import { USUAL, type FeedName } from '@/core/standards/feeds';
import { deviceForm as texts } from './texts';

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
  text.trim() === '' || Number.isFinite(amount(text)) || texts.typeANumberOrLeave;

/** How many inlets one switch feeds. */
export const PATTERNS = [
  { value: 'all', label: texts.oneForAllInlets, perSwitch: Infinity },
  { value: 'each', label: texts.oneForEachInlet, perSwitch: 1 },
  { value: 'pairs', label: texts.oneForEachPair, perSwitch: 2 },
  { value: 'banks of 4', label: texts.banksOf4, perSwitch: 4 },
  { value: 'banks of 8', label: texts.banksOf8, perSwitch: 8 },
  { value: 'none', label: texts.noneNoFeed, perSwitch: 0 },
] as const;
export type Pattern = (typeof PATTERNS)[number]['value'];

/** Most inlets of a device, as the document allows them. */
export const MOST_INLETS = 128;

/**
 * A form with so many inlets of one kind, and switches by a pattern; inlets that are there keep their names and figures, and
 * switches what they offer and how they behave.
 */
export function shaped(form: DeviceForm, count: number, kind: string, pattern: Pattern): DeviceForm {
  const inlets = Array.from({ length: count }, (_, n): DeviceForm['inlets'][number] => {
    const before = form.inlets[n];
    return before ? { ...before, kind } : { id: String(n + 1), kind, name: '', was: '' };
  });
  const { perSwitch } = PATTERNS.find(({ value }) => value === pattern)!;
  const fed = 'feed' in inletKind(kind).choices ? perSwitch : 0;
  const size = Math.min(fed, count);
  const groups = Array.from({ length: size === 0 ? 0 : Math.ceil(count / size) }, (_, n) => {
    const own = inlets.slice(n * size, (n + 1) * size).map(({ id }) => id);
    const range = own.length > 1 ? texts.inlets(own[0], own.at(-1)) : texts.inlet(own[0]);
    const like = form.groups[n] ?? form.groups.at(-1);
    return {
      ...(like ?? { offers: [USUAL], control: '', latched: false, mutes: false, ramp: '' }),
      id: form.groups[n]?.id ?? `switch-${n + 1}`,
      name: range,
      inlets: own,
    };
  });
  return { ...form, inlets, groups: distinct(groups) };
}

/** Ids that are there twice get others: a new switch may be called as an old one is. */
function distinct(groups: DeviceForm['groups']): DeviceForm['groups'] {
  const seen = new Set<string>();
  return groups.map((group) => {
    let { id } = group;
    for (let n = 2; seen.has(id); n++) id = `${group.id}-${n}`;
    seen.add(id);
    return { ...group, id };
  });
}

/** Switches without the inlets that are gone; one that feeds none any more goes too. */
export const mended = (groups: DeviceForm['groups'], inlets: readonly { id: string }[]): DeviceForm['groups'] =>
  groups.flatMap((group) => {
    const left = group.inlets.filter((id) => inlets.some((inlet) => inlet.id === id));
    return left.length || group.inlets.length === 0 ? [{ ...group, inlets: left }] : [];
  });

/** Fields that a part of a device is typed into, by its path within the device. */
const FIELDS: readonly [RegExp, (found: RegExpExecArray) => FieldPath<DeviceForm>][] = [
  [/^(name|note|feedLimit)\b/, ([, name]) => name as 'name' | 'note' | 'feedLimit'],
  [/^batteries\.capacity\b/, () => 'capacity'],
  [/^batteries\b/, () => 'cells'],
  [/^inlets\[(\d+)\]\.(kind|name)\b/, ([, n, name]) => `inlets.${Number(n)}.${name as 'kind' | 'name'}`],
  [/^inlets\[(\d+)\]/, ([, n]) => `inlets.${Number(n)}.id`],
  [
    /^groups\[(\d+)\]\.(offers|inlets|ramp|control)\b/,
    ([, n, name]) => `groups.${Number(n)}.${name as 'offers' | 'inlets' | 'ramp' | 'control'}`,
  ],
  [/^groups\[(\d+)\]/, ([, n]) => `groups.${Number(n)}.name`],
];

/** The field in which something is wrong; undefined where no field is to blame. @param path within the device */
export function fieldAt(path: string): FieldPath<DeviceForm> | undefined {
  for (const [pattern, field] of FIELDS) {
    const found = pattern.exec(path);
    if (found) return field(found);
  }
  return undefined;
}

/** What is wrong with a device, told by its own paths. @param at the device's path in its document */
export const withinDevice = (refusals: readonly Refusal[], at: string): Refusal[] =>
  refusals.map(({ path, message }) => ({
    path: path.startsWith(at) ? path.slice(at.length).replace(/^\./, '') : path,
    message,
  }));

/** What is the same on all inlets of a kind: their figures, where they have one and the same. */
export function commonFigures({ inlets }: Device, kind: string): Record<string, Figure> {
  const [first, ...others] = inlets.filter((inlet) => inlet.kind === kind);
  const same = (name: string, figure: Figure) =>
    others.every(({ figures }) => JSON.stringify(figures?.[name]) === JSON.stringify(figure));
  return Object.fromEntries(Object.entries(first?.figures ?? {}).filter(([name, figure]) => same(name, figure)));
}

/** A figure that was set for all inlets of a kind; undefined is the catalogue's again. */
export type SetFigures = Readonly<Record<string, Readonly<Record<string, Figure | undefined>>>>;

/** A device whose inlets have what was set for all of their kind. */
export function withFigures(device: Device, set: SetFigures): Device {
  const inlets = device.inlets.map((inlet) => {
    const own = set[inlet.kind];
    if (!own) return inlet;
    const { figures: before, ...rest } = inlet;
    const figures = Object.fromEntries(
      Object.entries({ ...before, ...own }).filter((each): each is [string, Figure] => each[1] !== undefined),
    );
    return { ...rest, ...(Object.keys(figures).length && { figures }) };
  });
  return { ...device, inlets };
}
