import { readCsv, writeCsv, type CsvRow } from './csv';
import { LINKS, SOURCES, sourceKind, linkKind, type Part, inletKey } from '../gear';
import { partOf, type KitItem } from '../kit/item';
import { FEEDS, type FeedName } from '../standards/feeds';
import {
  endsInLink,
  groupOf,
  startsAtLink,
  withEnds,
  type Device,
  type InletRef,
  type RigDocument,
  type RigLine,
} from '../rig/document';
import { freeId, setFeed } from '../rig/rigEdits';
import { partMeant } from '../typed';
import { RowRefused, type RowReport } from './rowReport';

const COLUMNS = ['line', 'source', 'links', 'device', 'inlet', 'feed', 'note'] as const;
/** Between the links of a line, from the source on. */
const THEN = ' > ';

const sourceText = (line: RigLine, { lines }: RigDocument): string => {
  if (!startsAtLink(line)) return line.source.name || sourceKind(line.source.kind).label;
  const { line: host, link, port } = line.source.from;
  return `from ${lines.find(({ id }) => id === host)?.name ?? host}, ${link}, ${port}`;
};
/** Stands for a line without links; an empty cell leaves them as they are. */
const NONE = 'none';
const linksText = ({ links }: RigLine): string => links.map(linkText).join(THEN) || NONE;
const linkText = (part: Part): string => part.name || linkKind(part.kind).label;

/** A rig's lines as a table: who goes where, over what, with which feed. */
export function patchList(document: RigDocument): string {
  const devices = new Map(document.devices.map((device) => [device.id, device]));
  return writeCsv(
    COLUMNS,
    document.lines.map((line) => {
      const into = endsInLink(line) ? line.inlet.into : undefined;
      const ref = endsInLink(line) ? undefined : line.inlet;
      const device = ref && devices.get(ref.device);
      const host = into && document.lines.find(({ id }) => id === into.line);
      return {
        line: line.name,
        source: sourceText(line, document),
        links: linksText(line),
        device: device?.name ?? (into ? `into ${host?.name ?? into.line}` : ''),
        inlet: ref?.inlet ?? (into ? `${into.link}, ${into.port}` : ''),
        feed: ref && device ? (groupOf(device, ref.inlet)?.feed ?? '') : '',
        note: line.note ?? '',
      };
    }),
  );
}

export interface PatchImport {
  rows: RowReport[];
  /** The document with every row that was not refused. */
  document: RigDocument;
}

/**
 * Reads a patch list into a rig. Lines are known by their name; what a row leaves out stays as it is. Nothing is removed.
 * @param kit items that sources and links may be named after
 * @throws CsvError for a file that is not such a table
 */
export function readPatchList(document: RigDocument, kit: readonly KitItem[], file: string): PatchImport {
  const rows = readCsv(file, COLUMNS, ['line']);
  const refused = new Map<number, string>();
  for (;;) {
    const made = applyRows(document, kit, rows, refused);
    const clash = clashOf(made);
    if (clash === undefined) return { rows: made.reports, document: made.document };
    refused.set(clash.row, clash.why);
  }
}

interface Made {
  document: RigDocument;
  reports: RowReport[];
  /** Row that last placed each line, by the line's id. */
  placed: Map<string, number>;
}

function applyRows(
  start: RigDocument,
  kit: readonly KitItem[],
  rows: readonly CsvRow[],
  refused: ReadonlyMap<number, string>,
): Made {
  let document = start;
  const placed = new Map<string, number>();
  const fed = new Map<string, FeedName>();
  const seen = new Set<string>();
  const reports = rows.map((row): RowReport => {
    const name = row.cells.line;
    const report = (did: RowReport['did'], what: string): RowReport => ({ line: row.line, name, did, what });
    const clash = refused.get(row.line);
    if (clash) return report('refused', clash);
    try {
      if (!name) throw new RowRefused('the line has no name');
      if (seen.has(name.toLowerCase())) throw new RowRefused(`“${name}” is in the file twice`);
      seen.add(name.toLowerCase());
      const before = document.lines.find((line) => line.name.toLowerCase() === name.toLowerCase());
      const made = before ? changed(document, kit, before, row.cells) : added(document, kit, row.cells);
      const turned = turnedSwitch(made.document, made.id, row.cells.feed, fed);
      document = turned.document;
      if (made.moved) placed.set(made.id, row.line);
      const what = [...made.what, ...turned.what];
      return before ? report(what.length ? 'changes' : 'unchanged', what.join('; ')) : report('adds', what.join('; '));
    } catch (error) {
      if (error instanceof RowRefused) return report('refused', error.message);
      throw error;
    }
  });
  return { document, reports, placed };
}

/** Two lines on one inlet: the row that put one there is refused. */
function clashOf({ document, placed }: Made): { row: number; why: string } | undefined {
  const taken = new Map<string, RigLine>();
  for (const line of document.lines) {
    if (endsInLink(line)) continue;
    const place = inletKey(line.inlet);
    const other = taken.get(place);
    if (!other) {
      taken.set(place, line);
      continue;
    }
    const mover = placed.has(line.id) ? line : other;
    const stays = mover === line ? other : line;
    const device = document.devices.find(({ id }) => id === (line.inlet as InletRef).device)!;
    return {
      row: placed.get(mover.id)!,
      why: `inlet ${line.inlet.inlet} of ${device.name} is taken by “${stays.name}”; move that one first or choose another`,
    };
  }
  return undefined;
}

/** A text that is not cut. @throws RowRefused if it is longer than a document takes */
function within(what: string, text: string, most: number): string {
  if (text.length > most) throw new RowRefused(`the ${what} has ${text.length} characters; ${most} are the most`);
  return text;
}

interface Step {
  document: RigDocument;
  id: string;
  what: string[];
  moved: boolean;
}

type Cells = Record<string, string>;

function changed(document: RigDocument, kit: readonly KitItem[], line: RigLine, cells: Cells): Step {
  const what: string[] = [];
  let next = line;
  if (cells.source && cells.source !== sourceText(line, document)) {
    if (startsAtLink(line))
      throw new RowRefused(`“${line.name}” begins at another line's link; change that on the sheet`);
    next = withEnds(next, { source: named(kit, 'source', cells.source) });
    what.push(`source: ${cells.source}`);
  }
  if (cells.links && cells.links !== linksText(line)) {
    next = { ...next, links: linksOf(document, kit, line, cells.links) };
    what.push(`links: ${cells.links}`);
  }
  const to = cells.device || cells.inlet ? inletOf(document, line, cells) : undefined;
  const moved =
    to !== undefined && (endsInLink(line) || to.device !== line.inlet.device || to.inlet !== line.inlet.inlet);
  if (moved) {
    next = withEnds(next, { inlet: to });
    what.push(`moves to ${cells.device} ${to.inlet}`.replace('  ', ' '));
  }
  if (cells.note && cells.note !== line.note) {
    next = { ...next, note: within('note', cells.note, 500) };
    what.push('note');
  }
  return {
    document: { ...document, lines: document.lines.map((other) => (other.id === line.id ? next : other)) },
    id: line.id,
    what,
    moved,
  };
}

function added(document: RigDocument, kit: readonly KitItem[], cells: Cells): Step {
  if (!cells.source) throw new RowRefused('a new line needs a source: a name of the kit or a kind of the catalogue');
  const to = inletOf(document, undefined, cells);
  if (!to) throw new RowRefused('a new line needs a device and an inlet');
  const line: RigLine = {
    id: freeId(document.lines, cells.line),
    name: within('name of the line', cells.line, 80),
    ...(cells.note && { note: within('note', cells.note, 500) }),
    source: named(kit, 'source', cells.source),
    links: linksOf(document, kit, undefined, cells.links ?? ''),
    inlet: to,
  };
  return {
    document: { ...document, lines: [...document.lines, line] },
    id: line.id,
    what: [`${cells.source} to ${cells.device} ${to.inlet}`],
    moved: true,
  };
}

function inletOf(document: RigDocument, line: RigLine | undefined, cells: Cells): InletRef | undefined {
  if (cells.device?.startsWith('into ')) {
    if (line && endsInLink(line)) return undefined;
    throw new RowRefused('to end a line in another line’s link, plug it in on the sheet');
  }
  const own = line && !endsInLink(line) ? line.inlet : undefined;
  const device = cells.device
    ? document.devices.find(({ name, id }) => [name.toLowerCase(), id].includes(cells.device.toLowerCase()))
    : document.devices.find(({ id }) => id === own?.device);
  if (!device)
    throw new RowRefused(
      `there is no device “${cells.device}”; there are ${names(document.devices.map(({ name }) => name))}`,
    );
  const wanted = cells.inlet || own?.inlet || '';
  const inlet = device.inlets.find(({ id, name }) => [id, name?.toLowerCase()].includes(wanted.toLowerCase()));
  if (!inlet)
    throw new RowRefused(`${device.name} has no inlet “${wanted}”; it has ${names(device.inlets.map(({ id }) => id))}`);
  return { device: device.id, inlet: inlet.id };
}

/** Sets the switch of a row's inlet; two rows of one switch must agree. */
function turnedSwitch(document: RigDocument, id: string, cell: string | undefined, fed: Map<string, FeedName>) {
  const line = document.lines.find((other) => other.id === id)!;
  if (!cell || endsInLink(line)) return { document, what: [] };
  const device = document.devices.find((known) => known.id === (line.inlet as InletRef).device)!;
  const group = groupOf(device, line.inlet.inlet);
  if (!group) throw new RowRefused(`inlet ${line.inlet.inlet} of ${device.name} has no switch; leave the feed empty`);
  const feed = feedNamed(cell, group.offers, device, group.name);
  const place = `${device.id} ${group.id}`;
  const other = fed.get(place);
  if (other && other !== feed)
    throw new RowRefused(
      `${device.name}, ${group.name} is set to ${other} by an earlier row; one switch has one setting`,
    );
  fed.set(place, feed);
  if (group.feed === feed) return { document, what: [] };
  return { document: setFeed(document, device.id, group.id, feed), what: [`${device.name}, ${group.name}: ${feed}`] };
}

function feedNamed(cell: string, offers: readonly string[], device: Device, group: string): FeedName {
  const wanted = cell.toLowerCase().replace(/\s/g, '');
  const found = ['off', ...offers].find((feed) => {
    const label = feed === 'off' ? 'off' : FEEDS[feed as keyof typeof FEEDS].label;
    return [feed.toLowerCase(), label.toLowerCase().replace(/\s/g, '')].includes(wanted);
  });
  if (!found)
    throw new RowRefused(`${device.name}, ${group} cannot be set to “${cell}”; it offers ${names(['off', ...offers])}`);
  return found as FeedName;
}

/** A source or link by the name of a kit item, by the label or kind of the catalogue, or as people type it. */
function named(kit: readonly KitItem[], role: 'source' | 'link', text: string): Part {
  const wanted = text.trim().toLowerCase();
  const item = kit.find((known) => known.role === role && known.name.toLowerCase() === wanted);
  if (item && item.role !== 'device') return partOf(item);
  const kind = (role === 'source' ? SOURCES : LINKS).find(
    (known) => known.kind === wanted.replace(/\s+/g, '-') || known.label.toLowerCase() === wanted,
  );
  if (kind) return { kind: kind.kind };
  const typed = partMeant(role, kit, text);
  if (typed) return typed;
  throw new RowRefused(`“${text.trim()}” is no ${role} of the kit or the catalogue`);
}

/** The links of a cell; those that the line has already under that name stay what they are. */
function linksOf(document: RigDocument, kit: readonly KitItem[], line: RigLine | undefined, cell: string): Part[] {
  const own = [...(line?.links ?? [])];
  const links = (cell.trim().toLowerCase() === NONE ? '' : cell)
    .split('>')
    .map((text) => text.trim())
    .filter(Boolean)
    .map((text): Part => {
      const at = own.findIndex((part) => linkText(part).toLowerCase() === text.toLowerCase());
      return at >= 0 ? own.splice(at, 1)[0] : named(kit, 'link', text);
    });
  const needed = own.find(({ id }) => id && document.lines.some((other) => hangsAt(other, line!.id, id)));
  if (needed) throw new RowRefused(`${linkText(needed)} cannot be left out: another line is plugged into it`);
  if (links.length > 16) throw new RowRefused(`has ${links.length} links; 16 are the most`);
  return links;
}

const hangsAt = (line: RigLine, host: string, link: string): boolean =>
  [startsAtLink(line) ? line.source.from : undefined, endsInLink(line) ? line.inlet.into : undefined].some(
    (socket) => socket?.line === host && socket.link === link,
  );

const names = (all: readonly string[]): string => (all.length ? all.join(', ') : 'none');
