import { linkKind, livesOnFeed, reader, sourceKind, type ConnectorId, type Part } from '../../gear';
import type { KitItem } from '../../kit/item';
import { addLine, freeId, freeInlets, newDevice, setFeed } from '../../rig/rigEdits';
import { groupOf, startsAtLink, type Device, type InletRef, type RigDocument, type RigLine } from '../../rig/document';
import { FEEDS } from '../../standards/feeds';
import {
  between,
  cableOf,
  candidatesOf,
  composed,
  deviceMeant,
  inletsMeant,
  LONGEST_NOTE,
  namesFor,
  plugOf,
  sourcesFor,
} from '../../typed';
import { feedIn, isSpare, metresIn, numbersIn, type FeedWanted } from './cells';
import { columnsOf, type Columns } from './columns';
import type { Grid } from './grid';
import { calledOf, found, meaningOf, type Candidates, type CellMeaning, type Certainty, type Found } from './meaning';
import type { Role } from './roles';

/** What becomes of one row. */
export interface InputRow {
  /** Where it is in the file, counted from 1. */
  row: number;
  cells: string[];
  /**
   * lines: becomes lines; there: a line of that name is in the rig already; spare: kept free on purpose; heading: says what
   * the rows after it belong to; open: needs a word from somebody first
   */
  becomes: 'lines' | 'there' | 'spare' | 'heading' | 'open';
  name: string;
  /** What was understood, from source to inlet. */
  understood: string[];
  certainty: Certainty;
  /** What the source may be instead. */
  others: string[];
  feed?: FeedWanted;
  /** What somebody should know of it: another inlet than the list says, 48 V where none is needed. */
  remarks: string[];
  lines: Omit<RigLine, 'id'>[];
  /** Why it stays open, and what to do. */
  problem?: string;
}

/** What an input list becomes. */
export interface InputList {
  columns: Columns;
  rows: InputRow[];
  /** What belongs to no line and is kept in the rig's note: titles, totals, spare channels. */
  left: string[];
  /** The rig with every row that could be put in. */
  document: RigDocument;
  /** Id of the device that the numbers are inlets of. */
  device: string;
  /** Ids of the lines that are new. */
  ids: string[];
}

/** What somebody says about a list where it does not say so itself. */
export interface Said {
  /** What the columns hold. */
  roles?: readonly (Role | undefined)[];
  /** Id of the device that the numbers are inlets of; `new` for one that is made for it. */
  device?: string;
  /** By row: what its source is, as somebody calls it. */
  sources?: Readonly<Record<number, string>>;
  /** Whether switches are set as the list says; they are where nothing is said. */
  setFeeds?: boolean;
}

/** A device for a rig that has none. */
export const NEW_DEVICE = 'new';
const MOST_NOTE = 2000;

/**
 * Reads an input list into a rig: each row becomes a line or several, matched with the kit and then the catalogue. Nothing
 * is lost: what no line says by itself is kept as a note on it, and what belongs to no line in the rig's note.
 */
export function readInputList(document: RigDocument, kit: readonly KitItem[], grid: Grid, said: Said = {}): InputList {
  const columns = columnsOf(grid, said.roles, {
    sources: candidatesOf('source', kit, document),
    links: candidatesOf('link', kit, document),
  });
  const { rig, device } = deviceFor(document, grid, columns, said.device);
  let next = rig;
  let section = '';
  let before = '';
  const rows: InputRow[] = [];
  const left = columns.titles.map((row) => row.filter(Boolean).join(' '));
  for (const [n, cells] of grid.entries()) {
    if (n < columns.first || cells.every((cell) => cell === '')) continue;
    const row = readRow(next, kit, {
      n,
      cells,
      columns,
      device,
      section,
      before,
      chosen: said.sources?.[n + 1],
      next: grid[n + 1],
    });
    rows.push(row);
    const own = columns.roles.flatMap((role, column) => (role === 'source' ? [cells[column]] : [])).join(' ');
    if (own && !DITTO.test(own)) before = own;
    if (row.becomes === 'heading') section = row.name;
    if (row.becomes === 'spare' || row.becomes === 'there') left.push(cells.filter(Boolean).join(' '));
    next = row.lines.reduce(withLocated, next);
  }
  // What comes after the last line is no heading of anything.
  const last = rows.findLastIndex(({ becomes }) => becomes === 'lines' || becomes === 'open');
  for (const [n, { becomes, name }] of rows.entries()) if (becomes === 'heading' && n > last) left.push(name);
  if (said.setFeeds !== false) next = withFeeds(next, rows);
  const known = new Set(document.lines.map(({ id }) => id));
  const ids = next.lines.map(({ id }) => id).filter((id) => !known.has(id));
  const note = [next.note, ...left].filter(Boolean).join('\n');
  return {
    columns,
    rows,
    left,
    device: device.id,
    document: ids.length ? { ...next, ...(note && { note: note.slice(0, MOST_NOTE) }) } : document,
    ids,
  };
}

/** A line put in; a position that the rig does not have yet is made. */
function withLocated(rig: RigDocument, line: Omit<RigLine, 'id'>): RigDocument {
  const name = line.location;
  if (name === undefined) return addLine(rig, line);
  const known = rig.locations?.find((location) => location.name.toLowerCase() === name.toLowerCase());
  const location = known ?? { id: freeId(rig.locations ?? [], name), name: name.slice(0, 80) };
  const placed = { ...line, location: location.id };
  return addLine(known ? rig : { ...rig, locations: [...(rig.locations ?? []), location] }, placed as typeof line);
}

/** The device whose inlets the numbers are: the one that is said, else the one whose inlets fit the most of them. */
function deviceFor(document: RigDocument, grid: Grid, { roles, first }: Columns, said: string | undefined) {
  const column = roles.indexOf('number');
  const numbers = column < 0 ? [] : grid.slice(first).flatMap((cells) => numbersIn(cells[column]) ?? []);
  const fits = ({ inlets }: Device) =>
    numbers.filter((number) => inlets.some(({ id }) => id === String(number))).length + inlets.length / 1000;
  const chosen =
    said === undefined
      ? document.devices.toSorted((a, b) => fits(b) - fits(a))[0]
      : document.devices.find(({ id }) => id === said);
  if (chosen) return { rig: document, device: chosen };
  const count = Math.max(...numbers, grid.length - first, 1);
  const made = newDevice(document, {
    name: 'Desk',
    kind: 'three-pin',
    inlets: Math.min([2, 4, 8, 16, 24, 32, 48, 64].find((size) => size >= count) ?? 64, 64),
    perSwitch: 1,
    offers: ['P48'],
  });
  return { rig: { ...document, devices: [...document.devices, made] }, device: made };
}

interface Reading {
  n: number;
  cells: string[];
  columns: Columns;
  device: Device;
  /** What the row before it says of its source, for "same" and "ditto". */
  before: string;
  /** Under which the row stands. */
  section: string;
  /** What somebody says its source is. */
  chosen?: string;
  /** The row after it. */
  next?: string[];
}

function readRow(rig: RigDocument, kit: readonly KitItem[], reading: Reading): InputRow {
  const { n, cells, columns, device, section, before, chosen } = reading;
  const of = (role: Role) =>
    columns.roles.flatMap((own, column) => (own === role && cells[column] ? [cells[column]] : []));
  const [number, name, sourceText] = (['number', 'name', 'source'] as const).map((role) => of(role).join(' '));
  const numbers = numbersIn(number);
  const row: InputRow = {
    row: n + 1,
    cells,
    becomes: 'lines',
    name: name || sourceText || number,
    understood: [],
    certainty: 'sure',
    others: [],
    remarks: [],
    lines: [],
  };
  const said = [name, sourceText, ...of('links')].filter(Boolean);
  if (said.every(isSpare) && (said.length > 0 || numbers)) return { ...row, becomes: 'spare', name: name || 'spare' };
  const filled = cells.filter(Boolean);
  if (filled.length === 1 && !numbers && !sourceText && chosen === undefined) {
    const alone = found(filled[0], candidatesOf('source', kit, rig));
    if (alone?.certainty !== 'sure') return { ...row, becomes: 'heading', name: filled[0] };
  }
  if (name && rig.lines.some((line) => line.name.toLowerCase() === name.toLowerCase() && !startsAtLink(line)))
    return {
      ...row,
      becomes: 'there',
      remarks: ['A line of this name is in the rig already; the row changes nothing.'],
    };

  const candidates: Candidates = { sources: candidatesOf('source', kit, rig), links: candidatesOf('link', kit, rig) };
  const meaning = meaningOf(DITTO.test(sourceText) ? before : sourceText, candidates);
  const links = of('links').map((cell) => meaningOf(cell, candidates));
  // A name may say all of it: "Bass piezo via active DI".
  const byName = sourceText === '' ? meaningOf(name, candidates) : undefined;
  if (byName) links.push({ ...byName, sources: [], open: [] });
  const source = sourceOf(chosen, meaning, byName, name, candidates);
  row.feed = of('feed').map(feedIn).find(Boolean) ?? meaning.feed ?? withoutFeedIn(of('note'));
  if (!source)
    return {
      ...row,
      becomes: 'open',
      problem: sourceText
        ? `“${sourceText}” is no source of the kit or the catalogue: say what it is.`
        : 'The list does not say what picks it up: say what it is.',
    };
  row.certainty = source.certainty;
  row.others = source.others.map(({ label }) => label);

  const { refs: where, named } = inletsOf(
    rig,
    device,
    { numbers, device: of('device').join(' '), inlet: of('inlet').join(' ') },
    row,
  );
  const notes = notesOf(reading, meaning, links, source, named, row);
  const count = where.length;
  if (count === 0)
    return { ...row, becomes: 'open', problem: `No inlet of ${device.name} is free: add a device, or choose another.` };
  const chain = chainOf(rig, kit, source, [meaning, ...links], of('cable'), columns, where[0]);
  const both =
    meaning.sources.length === count && count > 1 ? meaning.sources.map(({ candidate }) => candidate) : undefined;
  const sources = both ?? sourcesFor({ best: source.candidate, others: source.others }, count);
  if (!both && meaning.sources.length > 1)
    row.remarks.push(
      `Taken as ${source.candidate.label}; also there: ${meaning.sources
        .slice(1)
        .map(({ of: words }) => words)
        .join(', ')}.`,
    );
  if (meaning.count && meaning.count !== count)
    row.remarks.push(
      `The list says ${meaning.count}; there is ${count === 1 ? 'one inlet' : `${count} inlets`} for it.`,
    );
  const location = of('location')[0];
  row.lines = composed(rig, {
    names: namesFor(row.name, count),
    sources,
    links: chain,
    inlets: where,
    note: [section, ...notes].filter(Boolean).join('; '),
    ...(location !== undefined && { location: location.slice(0, 80) }),
  });
  row.understood = [
    `${count > 1 ? `${count} × ` : ''}${[...new Set(sources.map(({ label }) => label))].join(' + ')}`,
    ...chain.map((part) => calledOf(part, 'link')),
    where.map((ref) => `${rig.devices.find(({ id }) => id === ref.device)!.name}, inlet ${ref.inlet}`).join(' and '),
  ];
  feedRemark(row, source, chain);
  return row;
}

/** As in the row before. */
const DITTO = /^(?:same(?: again)?|ditto|do\.?|as above|idem|["″〃]|'')$/i;

/** A note that says that 48 V is wanted. */
const withoutFeedIn = (notes: readonly string[]): FeedWanted | undefined =>
  notes.map((note) => meaningOf(note, { sources: [], links: [] }).feed).find(Boolean);

/** What somebody says it is, what the list says, or what the name tells. */
function sourceOf(
  chosen: string | undefined,
  meaning: CellMeaning,
  called: CellMeaning | undefined,
  name: string,
  { sources }: Candidates,
): Found | undefined {
  if (chosen !== undefined) return found(chosen, sources);
  if (meaning.sources.length) return meaning.sources[0];
  const byName = called?.sources[0] ?? found(name, sources);
  return byName && { ...byName, certainty: 'guess' };
}

/** What no line says by itself, with its heading: nothing of a row is lost. @param named whether device and inlet were understood */
function notesOf(
  { cells, columns }: Reading,
  meaning: CellMeaning,
  links: readonly CellMeaning[],
  source: Found | undefined,
  named: boolean,
  row: InputRow,
): string[] {
  const kept = columns.roles.flatMap((role, column): string[] => {
    const [cell, heading] = [cells[column], columns.headings[column] ?? ''];
    if (!cell) return [];
    const headed = heading && role !== 'note' ? `${heading}: ${cell}` : cell;
    if (role === undefined || role === 'note') return [headed];
    if (role === 'feed') return feedIn(cell) === undefined ? [headed] : [];
    if (role === 'cable') return metresIn(cell, heading) === undefined ? [headed] : [];
    if (role === 'number') return numbersIn(cell) === undefined ? [headed] : [];
    // Two in a cell, words that were not needed, a pickup that was told by hand: all of it stays.
    if (role === 'source')
      return meaning.open.length || meaning.sources.length !== 1 || meaning.count || source !== meaning.sources[0]
        ? [headed]
        : [];
    if (role === 'links') return links.some(({ open, sources }) => open.length || sources.length) ? [headed] : [];
    if (role === 'inlet' || role === 'device') return named || numbersIn(cell) ? [] : [headed];
    return [];
  });
  const long = kept.join('; ').length > LONGEST_NOTE;
  if (long) row.remarks.push('Its notes are longer than a line can keep; the end is cut off.');
  return kept;
}

/** The inlets of a row: as it says; where those are taken or not there, the next free ones, with a remark. */
function inletsOf(
  rig: RigDocument,
  fallback: Device,
  { numbers, device, inlet }: { numbers?: number[]; device: string; inlet: string },
  row: InputRow,
): { refs: InletRef[]; named: boolean } {
  const own = numbersIn(inlet);
  const said = [`${device} ${inlet}`, inlet, device && numbers ? `${device} ${spelled(numbers)}` : device]
    .map((words) => words.trim())
    .filter((words) => /[a-z]/i.test(words))
    .map((words) => deviceMeant(rig, words))
    .find(Boolean);
  const meant = said ?? { device: fallback, inlets: spelled(own ?? numbers ?? []) };
  if (device && !said) row.remarks.push(`There is no device “${device}”: taken as ${fallback.name}.`);
  const count = Math.max(numbers?.length ?? 1, own?.length ?? 1);
  const asked = inletsMeant(rig, meant, count);
  const named = said !== undefined;
  if ('refs' in asked) return { refs: asked.refs, named };
  const free = freeInlets(rig).map(({ to }) => to);
  const next = [
    ...free.filter((ref) => ref.device === meant.device.id),
    ...free.filter((ref) => ref.device !== meant.device.id),
  ];
  const taken = next.slice(0, count);
  if (taken.length < count) return { refs: [], named };
  row.remarks.push(`${asked.problem} It goes to ${taken.map((ref) => `inlet ${ref.inlet}`).join(' and ')}.`);
  return { refs: taken, named };
}

const spelled = (numbers: readonly number[]): string => numbers.join(',');

/** What lies between: as the list says it, then the cable; one that fits where it says nothing. */
function chainOf(
  rig: RigDocument,
  kit: readonly KitItem[],
  source: Found,
  meanings: readonly CellMeaning[],
  cables: readonly string[],
  { roles, headings }: Columns,
  to: InletRef,
): Part[] {
  let plug: ConnectorId = plugOf(source.candidate.part);
  const chain: Part[] = [];
  const add = (part: Part) => {
    chain.push(part);
    plug = linkKind(part.kind).ends(reader(linkKind(part.kind), part)).output;
  };
  for (const link of meanings.flatMap(({ links }) => links))
    add('metres' in link ? cableOf(kit, link.metres, plug) : structuredClone(link.part));
  for (const cable of cables) {
    const metres = metresIn(cable, headings[roles.indexOf('cable')] ?? '');
    if (metres !== undefined) add(cableOf(kit, metres, plug));
  }
  return chain.length ? chain.slice(0, 16) : between(rig, kit, plug, to);
}

/** The list against what the line needs. */
function feedRemark(row: InputRow, source: Found, chain: readonly Part[]): void {
  const { part, label } = source.candidate;
  const needs = [
    ...(livesOnFeed(sourceKind(part.kind), part) ? [label] : []),
    ...chain.filter((link) => livesOnFeed(linkKind(link.kind), link)).map((link) => calledOf(link, 'link')),
  ];
  if (row.feed === 'on' && needs.length === 0) row.remarks.push(`The list asks for 48 V; ${label} needs none.`);
  const supplied = chain.some((link) => linkKind(link.kind).nature === 'supply');
  if (row.feed === 'off' && needs.length && !supplied)
    row.remarks.push(`The list says no 48 V; ${needs.join(' and ')} needs a feed.`);
}

/** Switches turned on where the list asks for 48 V and nothing on the same switch says no. */
function withFeeds(rig: RigDocument, rows: readonly InputRow[]): RigDocument {
  const wanted = new Map<string, { device: string; group: string; on: boolean; row: InputRow }>();
  for (const row of rows)
    for (const { inlet } of row.lines) {
      if (row.feed === undefined || !('device' in inlet)) continue;
      const group = groupOf(
        rig.devices.find(({ id }) => id === inlet.device)!,
        inlet.inlet,
      );
      if (!group?.offers.includes('P48')) continue;
      const key = `${inlet.device} ${group.id}`;
      const before = wanted.get(key);
      if (before && before.on !== (row.feed === 'on'))
        row.remarks.push(
          `${group.name}: one switch, but the list asks for ${FEEDS.P48.label} on some of its rows and not on others.`,
        );
      wanted.set(key, { device: inlet.device, group: group.id, on: row.feed === 'on' && before?.on !== false, row });
    }
  return [...wanted.values()].reduce(
    (next, { device, group, on }) => (on ? setFeed(next, device, group, 'P48') : next),
    rig,
  );
}
