import { inletKind, saysDeviceGround, type Grounding, type Part, type PartRef, inletKey } from '../gear';
import type { FeedName } from '../standards/feeds';
import {
  endsInLink,
  groupOf,
  startsAtLink,
  withEnds,
  type Device,
  type InletRef,
  type RigDocument,
  type RigLine,
} from './document';
import { ownBox, twoSided, withFigure, type Edit, type FreeInlet } from '../gear/edits';
import { groundingOf, inletName, rigPath, switchOf } from './paths';

/** Changes to a whole rig. Each takes a document and returns another; the one given stays as it is. */

const withLine = (document: RigDocument, id: string, change: (line: RigLine) => RigLine): RigDocument => ({
  ...document,
  lines: document.lines.map((line) => (line.id === id ? change(line) : line)),
});

export const withDevice = (document: RigDocument, id: string, change: (device: Device) => Device): RigDocument => ({
  ...document,
  devices: document.devices.map((device) => (device.id === id ? change(device) : device)),
});

/** Turns a switch. */
export const setFeed = (document: RigDocument, device: string, group: string, feed: FeedName): RigDocument =>
  withDevice(document, device, (known) => ({
    ...known,
    groups: known.groups.map((other) => (other.id === group ? { ...other, feed } : other)),
  }));

/** Applies edits that were found for one line to whatever they concern: its links, other lines' links, its inlet, its switch. */
export const applyToRig = (document: RigDocument, line: string, edits: readonly Edit[]): RigDocument =>
  edits.reduce((rig, edit) => applyOne(rig, line, edit), document);

function applyOne(document: RigDocument, id: string, edit: Edit): RigDocument {
  const path = rigPath(document, id);
  if (!path) return document;
  const { owners, source, inlet } = path;
  const onPart = (ref: PartRef, change: (part: Part) => Part): RigDocument => {
    if (ref === 'source')
      return withLine(document, source, (line) => withEnds(line, { source: change(line.source as Part) }));
    if (ref === 'inlet')
      return withDevice(document, inlet.device, (device) => ({
        ...device,
        inlets: device.inlets.map((other) => (other.id === inlet.inlet ? { ...change(other), id: other.id } : other)),
      }));
    const owner = owners[ref];
    return withLine(document, owner.line, (line) => ({
      ...line,
      links: line.links.with(owner.link, { ...change(line.links[owner.link]), ...keptId(line.links[owner.link]) }),
    }));
  };
  switch (edit.do) {
    case 'insert': {
      const at = insertionPoint(path.owners, id, edit.at, document);
      return withLine(document, at.line, (line) => ({ ...line, links: line.links.toSpliced(at.link, 0, edit.part) }));
    }
    case 'remove': {
      const owner = owners[edit.at];
      const link = document.lines.find((line) => line.id === owner.line)!.links[owner.link];
      if (link.id && document.lines.some((line) => hangsOn(line, owner.line, link.id!))) return document;
      return withLine(document, owner.line, (line) => ({ ...line, links: line.links.toSpliced(owner.link, 1) }));
    }
    case 'replace':
      return onPart(edit.part, () => withoutFeed(edit.part, edit.with));
    case 'choose':
      if (saysDeviceGround(edit))
        return withDevice(document, inlet.device, (device) => ({ ...device, ground: edit.value as Grounding }));
      if (edit.part === 'inlet' && edit.choice === 'feed') return feedOfInlet(document, inlet, edit.value as FeedName);
      return onPart(edit.part, (part) => ({ ...part, choices: { ...part.choices, [edit.choice]: edit.value } }));
    case 'set figure':
      return onPart(edit.part, (part) => withFigure(part, edit.figure, edit.to));
    case 'mend':
      return onPart(edit.at, ({ faults: _mended, ...part }) => part);
    case 'rename':
      return withLine(document, id, (line) => ({ ...line, name: edit.name }));
    case 'move':
      return moveLine(document, id, edit.to);
    case 'separate':
      return separateLines(document, edit);
  }
}

const keptId = ({ id }: Part) => (id ? { id } : {});
const hangsOn = (line: RigLine, host: string, link: string): boolean =>
  [startsAtLink(line) && line.source.from, endsInLink(line) && line.inlet.into].some(
    (socket) => socket && socket.line === host && socket.link === link,
  );

/** An inlet's part without what belongs to the device: its switch, and the name that was made for the line. */
function withoutFeed(ref: PartRef, part: Part): Part {
  if (ref !== 'inlet' || part.choices?.feed === undefined) return part;
  const { feed: _switch, ...choices } = part.choices;
  return { ...part, choices };
}

/** Where a link that goes to position `at` of a path is put: into the line itself wherever that is possible. */
function insertionPoint(owners: { line: string; link: number }[], id: string, at: number, document: RigDocument) {
  const after = owners[at];
  const before = owners[at - 1];
  if (after?.line === id) return after;
  if (before?.line === id) return { line: id, link: before.link + 1 };
  const own = document.lines.find((line) => line.id === id)!;
  // The line has no link of its own: between the splitter and the inlet, or between its source and the box it enters.
  if (own.links.length === 0 && (before ? startsAtLink(own) && !after : endsInLink(own) && at === 0))
    return { line: id, link: 0 };
  if (own.links.length === 0 && owners.length === 0) return { line: id, link: 0 };
  return after ?? (before ? { line: before.line, link: before.link + 1 } : { line: id, link: 0 });
}

function feedOfInlet(document: RigDocument, { device: id, inlet }: InletRef, feed: FeedName): RigDocument {
  const device = document.devices.find((other) => other.id === id)!;
  const group = groupOf(device, inlet);
  return group ? setFeed(document, id, group.id, feed) : document;
}

/** Moves a line to another inlet; whatever is there changes places with it. A line that ended in a link frees it. */
export function moveLine(document: RigDocument, id: string, to: InletRef): RigDocument {
  const line = document.lines.find((other) => other.id === id);
  if (!line) return document;
  const there = document.lines.find(
    (other) => !endsInLink(other) && other.inlet.device === to.device && other.inlet.inlet === to.inlet,
  );
  if (there?.id === id) return document;
  const { inlet: from } = line;
  const moved = withLine(document, id, (own) => ({ ...own, inlet: to }));
  if (!there) return moved;
  return withLine(moved, there.id, (other) => withEnds(other, { inlet: from }));
}

/** Puts a line before another one in the document's order; last if that is left out. */
export function reorderLine(document: RigDocument, id: string, before?: string): RigDocument {
  const line = document.lines.find((other) => other.id === id);
  if (!line || id === before) return document;
  const rest = document.lines.filter((other) => other.id !== id);
  const at = before === undefined ? rest.length : rest.findIndex((other) => other.id === before);
  return { ...document, lines: rest.toSpliced(at < 0 ? rest.length : at, 0, line) };
}

function separateLines(document: RigDocument, { line: id, to }: Extract<Edit, { do: 'separate' }>): RigDocument {
  const second = document.lines.find((line) => line.id === id);
  if (!second || !endsInLink(second)) return document;
  const { line: host, link } = second.inlet.into;
  const joint = document.lines.find((line) => line.id === host)!.links.find((part) => part.id === link)!;
  const box = twoSided(joint);
  const apart = withLine(document, id, (line) => ({
    ...line,
    links: [...line.links, ...(box ? ownBox(box) : [])],
    inlet: to,
  }));
  if (box)
    return withLine(apart, host, (line) => ({
      ...line,
      links: line.links.map((part) => (part.id === link ? { ...part, kind: box } : part)),
    }));
  if (apart.lines.some((line) => hangsOn(line, host, link))) return apart;
  return withLine(apart, host, (line) => ({ ...line, links: line.links.filter((part) => part.id !== link) }));
}

/** Every inlet that nothing is plugged into, in the document's order. */
export function freeInlets(document: RigDocument): FreeInlet[] {
  const taken = new Set(document.lines.flatMap((line) => (endsInLink(line) ? [] : [inletKey(line.inlet)])));
  const names = new Map(
    document.lines.flatMap((line) => (endsInLink(line) ? [] : [[inletKey(line.inlet), line.name] as const])),
  );
  return document.devices.flatMap((device) =>
    device.inlets
      .filter(({ id }) => !taken.has(`${device.id} ${id}`))
      .map((inlet): FreeInlet => {
        const { id, ...part } = inlet;
        const group = groupOf(device, id);
        const named: Part = { ...part, name: inletName(device, inlet) };
        const to = { device: device.id, inlet: id };
        const where = { to, device: device.id, ground: groundingOf(device) };
        if (!inletKind(inlet.kind).choices.feed) return { ...where, inlet: named };
        return {
          ...where,
          inlet: { ...named, choices: { ...part.choices, feed: group?.feed ?? 'off' } },
          switch: switchOf(
            device,
            group,
            (group?.inlets ?? []).flatMap((other) => names.get(`${device.id} ${other}`) ?? []),
          ),
        };
      }),
  );
}

/** An id that nothing has yet, made from a wish. */
export function freeId(taken: readonly { id: string }[], wish: string): string {
  const stem =
    wish
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .replace(/-\d+$/, '')
      .slice(0, 56) || 'x';
  const known = new Set(taken.map(({ id }) => id));
  if (!known.has(stem)) return stem;
  for (let n = 2; ; n++) if (!known.has(`${stem}-${n}`)) return `${stem}-${n}`;
}

/** A name that nothing has yet. */
export function freeName(taken: readonly { name: string }[], wish: string): string {
  const stem = wish.replace(/ \d+$/, '').slice(0, 74);
  const known = new Set(taken.map(({ name }) => name));
  if (!known.has(stem)) return stem;
  for (let n = 2; ; n++) if (!known.has(`${stem} ${n}`)) return `${stem} ${n}`;
}

/** Adds a line at an inlet. */
export const addLine = (document: RigDocument, line: Omit<RigLine, 'id'>): RigDocument => ({
  ...document,
  lines: [...document.lines, { ...line, id: freeId(document.lines, line.name) } as RigLine],
});

/** A second line like the first, on a free inlet; its own links get no ids, since nothing hangs on them. */
export function duplicateLine(document: RigDocument, id: string, to: InletRef): RigDocument {
  const path = rigPath(document, id);
  if (!path) return document;
  const location = document.lines.find((line) => line.id === path.source)?.location;
  const links = path.line.links.map(({ id: _id, entry: _entry, exit: _exit, ...part }) => structuredClone(part));
  const copy: RigLine = {
    id: freeId(document.lines, id),
    name: freeName(document.lines, path.line.name),
    ...(location && { location }),
    source: structuredClone(path.line.source),
    links,
    inlet: to,
  };
  const at = document.lines.findIndex((line) => line.id === id);
  return { ...document, lines: document.lines.toSpliced(at + 1, 0, copy) };
}

/** A device with so many inlets of one kind and one switch for each so many of them. */
export function newDevice(
  document: RigDocument,
  made: { name: string; kind: string; inlets: number; perSwitch: number; offers: SwitchOffers },
): Device {
  const inlets = Array.from({ length: made.inlets }, (_, n) => ({ id: String(n + 1), kind: made.kind }));
  const feeds = inletKind(made.kind).choices.feed?.options.map(({ value }) => value) ?? [];
  const offers = made.offers.filter((feed) => feeds.includes(feed));
  const groups =
    offers.length === 0
      ? []
      : Array.from({ length: Math.ceil(made.inlets / made.perSwitch) }, (_, n) => {
          const own = inlets.slice(n * made.perSwitch, (n + 1) * made.perSwitch).map(({ id }) => id);
          const range = own.length > 1 ? `inlets ${own[0]}–${own[own.length - 1]}` : `inlet ${own[0]}`;
          return { id: `switch-${n + 1}`, name: range, inlets: own, offers, feed: 'off' as const };
        });
  return { id: freeId(document.devices, made.name), name: freeName(document.devices, made.name), inlets, groups };
}
type SwitchOffers = Exclude<FeedName, 'off'>[];
