import { isCable, linkKind, reader, sourceKind, type ConnectorId, type Part } from '../gear';
import type { Location } from './arrangement';
import { endsInLink, startsAtLink, withEnds, type InletRef, type RigDocument, type RigLine } from './document';
import { addLine, duplicateLine, freeId, freeInlets, freeName } from './rigEdits';

/** Changes to several lines at once. Each takes a document and returns another; the one given stays as it is. */

/** Why something cannot be done to all of them; nothing is changed then. */
export interface NotAll {
  problem: string;
}

const withLines = (document: RigDocument, ids: readonly string[], change: (line: RigLine, n: number) => RigLine) => ({
  ...document,
  lines: document.lines.map((line) => (ids.includes(line.id) ? change(line, ids.indexOf(line.id)) : line)),
});

/**
 * The last plain cable of each line becomes another one; a line without any gets it before its inlet.
 * @param cable the new one, by the plug that the line has there: an instrument lead stays one
 */
export const withCable = (
  document: RigDocument,
  ids: readonly string[],
  cable: (plug: ConnectorId) => Part,
): RigDocument =>
  withLines(document, ids, (line) => {
    const at = line.links.findLastIndex((part) => isCable(part));
    const { id } = line.links[at] ?? {};
    const next = { ...structuredClone(cable(plugAt(line, at))), ...(id !== undefined && { id }) };
    return { ...line, links: at < 0 ? [...line.links, next] : line.links.with(at, next) };
  });

/** The plug of a line's cable; where it has none, of what comes before the inlet. */
function plugAt({ source, links }: RigLine, cable: number): ConnectorId {
  const part = cable < 0 ? links.at(-1) : links[cable];
  if (part) return linkKind(part.kind).ends(reader(linkKind(part.kind), part)).output;
  if (!('kind' in source)) return 'xlr3';
  const kind = sourceKind(source.kind);
  return kind.connector(reader(kind, source));
}

/** All of them at a position; it is made where the rig does not have it yet. */
export function withLocation(document: RigDocument, ids: readonly string[], name: string): RigDocument {
  const known = locationNamed(document, name);
  const { locations = [] } = document;
  const location = known ?? { id: freeId(locations, name), name: name.trim().slice(0, 80).trim() };
  const placed = withLines(document, ids, (line) => ({ ...line, location: location.id }));
  return known ? placed : { ...placed, locations: [...locations, location] };
}

const locationNamed = ({ locations = [] }: Pick<RigDocument, 'locations'>, name: string): Location | undefined =>
  locations.find((location) => location.name.toLowerCase() === name.trim().toLowerCase());

/** A note put behind what each says already. @returns NotAll where a note would grow beyond what a line keeps */
export function withNote(
  document: RigDocument,
  ids: readonly string[],
  note: string,
  most: number,
): RigDocument | NotAll {
  const next = withLines(document, ids, (line) => ({
    ...line,
    note: [line.note, note.trim()].filter(Boolean).join('; '),
  }));
  const long = next.lines.find((line) => ids.includes(line.id) && line.note!.length > most);
  return long ? { problem: `The note of ${long.name} would have more than ${most} characters.` } : next;
}

/**
 * All of them onto a device, from an inlet on, in their order; whoever is there and is none of them is in the way.
 * @returns NotAll where there are not as many inlets, or one is taken
 */
export function movedTogether(document: RigDocument, ids: readonly string[], from: InletRef): RigDocument | NotAll {
  const device = document.devices.find(({ id }) => id === from.device);
  const start = device?.inlets.findIndex(({ id }) => id === from.inlet) ?? -1;
  if (!device || start < 0) return { problem: 'There is no such inlet.' };
  const inlets = device.inlets.slice(start, start + ids.length);
  if (inlets.length < ids.length)
    return { problem: `${device.name} has ${inlets.length} inlets from ${from.inlet} on; ${ids.length} are needed.` };
  for (const { id } of inlets) {
    const there = document.lines.find(
      (line) => !endsInLink(line) && line.inlet.device === device.id && line.inlet.inlet === id,
    );
    if (there && !ids.includes(there.id)) return { problem: `${device.name}, inlet ${id} is taken by ${there.name}.` };
  }
  return withLines(document, ids, (line, n) => withEnds(line, { inlet: { device: device.id, inlet: inlets[n].id } }));
}

/** Names for all of them: `#` counts; without one they are numbered. Names that other lines have are numbered on. */
export function withNames(document: RigDocument, ids: readonly string[], series: string): RigDocument {
  const names = ids.map((_, n) =>
    series.includes('#') ? series.replaceAll('#', String(n + 1)) : `${series} ${n + 1}`,
  );
  const others = document.lines.filter(({ id }) => !ids.includes(id));
  return withLines(document, ids, (line, n) => ({
    ...line,
    name: (others.some(({ name }) => name === names[n]) ? freeName(others, names[n]) : names[n]).slice(0, 80).trim(),
  }));
}

/**
 * A second one of each.
 * @param best the best free inlet for a line
 * @returns with the ids of the new lines, or NotAll where inlets run out
 */
export function duplicatedTogether(
  document: RigDocument,
  ids: readonly string[],
  best: (document: RigDocument, line: string) => InletRef | undefined,
): { document: RigDocument; ids: string[] } | NotAll {
  let next = document;
  const made: string[] = [];
  for (const id of ids) {
    const to = best(next, id);
    if (!to)
      return {
        problem: `Only ${made.length} of ${ids.length} find a free inlet: add one to a device, or move a line away first.`,
      };
    const before = new Set(next.lines.map((line) => line.id));
    next = duplicateLine(next, id, to);
    made.push(...next.lines.flatMap((line) => (before.has(line.id) ? [] : [line.id])));
  }
  return { document: next, ids: made };
}

/** Lines to be put into another rig, whole: their inlets and positions by name, since ids are of one rig. */
export interface CopiedLine {
  line: RigLine;
  device: string;
  inlet: string;
  location?: string;
}

/** Lines that stand by themselves, as they are copied; one that begins or ends at another line's link does not. */
export const copied = (document: RigDocument, ids: readonly string[]): CopiedLine[] =>
  document.lines.flatMap((line): CopiedLine[] => {
    if (!ids.includes(line.id) || startsAtLink(line) || endsInLink(line)) return [];
    const { device, inlet } = line.inlet;
    const location = document.locations?.find(({ id }) => id === line.location)?.name;
    return [
      {
        line,
        device: document.devices.find(({ id }) => id === device)?.name ?? device,
        inlet,
        ...(location !== undefined && { location }),
      },
    ];
  });

/**
 * Puts copied lines into a rig: each onto its inlet of the device of that name, else onto the next free one.
 * @returns with the ids of the new lines, or NotAll where inlets run out
 */
export function pasted(
  document: RigDocument,
  lines: readonly CopiedLine[],
): { document: RigDocument; ids: string[]; elsewhere: number } | NotAll {
  let next = document;
  let elsewhere = 0;
  for (const { line, device, inlet, location } of lines) {
    const free = freeInlets(next).map(({ to }) => to);
    const own = next.devices.find(({ name }) => name === device)?.id;
    const same = free.find((to) => to.device === own && to.inlet === inlet);
    const to = same ?? free.find((ref) => ref.device === own) ?? free[0];
    if (!to)
      return { problem: `Only ${next.lines.length - document.lines.length} of ${lines.length} find a free inlet.` };
    if (!same) elsewhere += 1;
    const { id: _id, location: _location, links, ...rest } = line;
    const name = next.lines.some((other) => other.name === line.name) ? freeName(next.lines, line.name) : line.name;
    next = addLine(next, {
      ...rest,
      name,
      links: links.map(({ id: _link, ...part }) => part),
      inlet: to,
    } as Omit<RigLine, 'id'>);
    if (location !== undefined) next = withLocation(next, [next.lines.at(-1)!.id], location);
  }
  const before = new Set(document.lines.map(({ id }) => id));
  return { document: next, ids: next.lines.flatMap(({ id }) => (before.has(id) ? [] : [id])), elsewhere };
}
