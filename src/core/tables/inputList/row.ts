import { linkKind, livesOnFeed, reader, sourceKind, type ConnectorId, type Part } from '../../gear';
import type { KitItem } from '../../kit/item';
import {
  MOST_LINES,
  startsAtLink,
  type Device,
  type InletRef,
  type RigDocument,
  type RigLine,
} from '../../rig/document';
import {
  between,
  cableOf,
  candidatesOf,
  composed,
  LONGEST_NOTE,
  namesFor,
  plugOf,
  sourcesFor,
  tokensOf,
  type Candidate,
} from '../../typed';
import { feedIn, isSpare, metresIn, numbersIn, withoutFeed, type FeedWanted } from './cells';
import { type Columns } from './columns';
import { calledOf, found, meaningOf, type Candidates, type CellMeaning, type Certainty, type Found } from './meaning';
import { inletsOf } from './placing';
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
  /** Where its source is, by name. */
  position?: string;
  /** What is too long for the notes of its lines. */
  over?: string;
  /** Why it stays open, and what to do. */
  problem?: string;
}

/** A row to be read, and what it depends on. */
export interface Reading {
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
}

/** Reads one row against the rig with those before it. */
export function readRow(rig: RigDocument, kit: readonly KitItem[], reading: Reading): InputRow {
  const { n, cells, columns, device, section, before, chosen } = reading;
  const of = (role: Role) =>
    columns.roles.flatMap((own, column) => (own === role && cells[column] ? [cells[column]] : []));
  const [number, name, sourceText] = (['number', 'name', 'source'] as const).map((role) => of(role).join(' '));
  const numbers = numbersIn(number);
  const row: InputRow = {
    row: n + 1,
    cells,
    becomes: 'lines',
    name: name || sourceText || number || `Row ${n + 1}`,
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
  row.feed =
    of('feed')
      .map((cell) => feedIn(cell) ?? withoutFeed(cell).feed)
      .find(Boolean) ??
    meaning.feed ??
    withoutFeedIn(of('note'));
  if (!source)
    return {
      ...row,
      becomes: 'open',
      problem:
        (chosen ?? sourceText)
          ? `“${chosen ?? sourceText}” is not in the kit or the catalogue. Choose a source.`
          : 'No microphone, pickup or line source given. Choose a source.',
    };
  row.certainty = source.certainty;
  row.others = source.others.map(({ label }) => label);

  const { refs: where, named } = inletsOf(
    rig,
    device,
    { numbers, device: of('device').join(' '), inlet: of('inlet').join(' ') },
    row.remarks,
  );
  const count = where.length;
  if (count > 0 && rig.lines.length + count > MOST_LINES)
    return { ...row, becomes: 'open', problem: `A rig takes ${MOST_LINES} lines. Put the rest into another one.` };
  if (count === 0)
    return { ...row, becomes: 'open', problem: `No inlet is free for it. Add a device, or choose another one above.` };
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
  const note = [section, ...notesOf(reading, meaning, links, source, named)].filter(Boolean).join('; ');
  if (note.length > LONGEST_NOTE) row.over = note.slice(LONGEST_NOTE);
  const [position] = of('location');
  if (position) row.position = position;
  row.lines = composed(rig, {
    names: namesFor(row.name, count),
    sources,
    links: chain,
    inlets: where,
    note,
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
export const DITTO = /^(?:same(?: again)?|ditto|do\.?|as above|idem|["″〃]|'')$/i;

/** A note that says that 48 V is wanted. */
const withoutFeedIn = (notes: readonly string[]): FeedWanted | undefined =>
  notes.map((note) => withoutFeed(note).feed).find(Boolean);

/** What somebody says it is, what the list says, or what the name tells. */
function sourceOf(
  chosen: string | undefined,
  meaning: CellMeaning,
  called: CellMeaning | undefined,
  name: string,
  { sources }: Candidates,
): Found | undefined {
  if (chosen !== undefined) return found(chosen, sources);
  if (meaning.sources.length) return ofTheName(meaning.sources[0], name);
  const byName = called?.sources[0] ?? found(name, sources);
  return byName && { ...byName, certainty: 'guess' };
}

/** Of several that are meant alike, the one that is called as the line is: "Bass" with "piezo" has the bass piezo. */
function ofTheName(source: Found, name: string): Found {
  const words = new Set(tokensOf(name));
  const shared = ({ label }: Candidate) => tokensOf(label).filter((word) => words.has(word)).length;
  const all = [source.candidate, ...source.others];
  const [best] = all.toSorted((a, b) => shared(b) - shared(a));
  return { ...source, candidate: best, others: all.filter((each) => each !== best) };
}

/** What no line says by itself, with its heading: nothing of a row is lost. @param named whether device and inlet were understood */
function notesOf(
  { cells, columns }: Reading,
  meaning: CellMeaning,
  links: readonly CellMeaning[],
  source: Found | undefined,
  named: boolean,
): string[] {
  return columns.roles.flatMap((role, column): string[] => {
    const [cell, heading] = [cells[column], columns.headings[column] ?? ''];
    if (!cell) return [];
    const headed = heading && role !== 'note' ? `${heading}: ${cell}` : cell;
    if (role === undefined || role === 'note') return [headed];
    if (role === 'feed') return feedIn(cell) === undefined ? [headed] : [];
    if (role === 'cable') return metresIn(cell, heading) === undefined ? [headed] : [];
    if (role === 'number') return numbersIn(cell) === undefined ? [headed] : [];
    // Two in a cell, words that were not needed, a pickup that was told by hand, that it must have no 48 V: all of it stays.
    if (role === 'source')
      return meaning.open.length ||
        meaning.sources.length !== 1 ||
        meaning.count ||
        meaning.feed === 'off' ||
        source?.of !== meaning.sources[0].of
        ? [headed]
        : [];
    if (role === 'links') return links.some(({ open, sources }) => open.length || sources.length) ? [headed] : [];
    if (role === 'inlet' || role === 'device') return named || numbersIn(cell) ? [] : [headed];
    return [];
  });
}

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
