import { isCable, linkKind, reader, sourceKind } from '../../gear';
import { endsInLink, groupOf, startsAtLink, type RigDocument, type RigLine } from '../../rig/document';
import type { ListColumn, ListRole } from '../../rig/listColumns';
import { writeCsv } from '../csv';

/** The usual columns, where no list has been read. */
const USUAL: readonly Required<ListColumn>[] = [
  { heading: 'Ch', holds: 'number' },
  { heading: 'Name', holds: 'name' },
  { heading: 'Mic/DI', holds: 'source' },
  { heading: 'Via', holds: 'links' },
  { heading: 'Device', holds: 'device' },
  { heading: 'Inlet', holds: 'inlet' },
  { heading: '48V', holds: 'feed' },
  { heading: 'Position', holds: 'location' },
  { heading: 'Notes', holds: 'note' },
];

/**
 * A rig as an input list, in the order of its lines: CSV that reads back into the same lines.
 * @param as in the columns of the list that was read last, where there is one, or in the usual ones. Columns are added
 * where its own have no place for something
 */
export function inputList(document: RigDocument, as: 'its own columns' | 'usual columns' = 'its own columns'): string {
  const own = as === 'its own columns' ? (document.listColumns ?? []) : [];
  if (own.length === 0) return written(document, USUAL);
  const has = (role: ListRole) => own.some(({ holds }) => holds === role);
  const missing = USUAL.filter(({ holds }) => !has(holds) && isNeeded(document, own, holds));
  return written(document, [...own, ...missing]);
}

/** Whether something would get lost without a column for it. */
function isNeeded(document: RigDocument, own: readonly ListColumn[], role: ListRole): boolean {
  const { lines } = document;
  const onInlets = lines.flatMap((line) => (endsInLink(line) ? [] : [line.inlet]));
  switch (role) {
    case 'links':
      return lines.some(({ links }) => links.some((part) => !isCable(part)));
    case 'device':
      return new Set(onInlets.map(({ device }) => device)).size > 1;
    case 'inlet':
      return onInlets.some(({ inlet }) => !/^\d+$/.test(inlet));
    case 'location':
      return lines.some(({ location }) => location !== undefined);
    case 'note':
      return lines.some((line) => noteBut(line, own) !== '');
    default:
      return role === 'name' || role === 'source' || role === 'number';
  }
}

function written(document: RigDocument, columns: readonly ListColumn[]): string {
  // Two columns may have one heading: they are told apart by their place.
  const keys = columns.map((_, n) => String(n));
  const rows = document.lines.map((line, n) =>
    Object.fromEntries(columns.map((_, k) => [String(k), cellOf(document, line, n, k, columns)])),
  );
  return writeCsv(
    keys,
    rows,
    columns.map(({ heading }) => heading),
  );
}

function cellOf(document: RigDocument, line: RigLine, n: number, at: number, columns: readonly ListColumn[]): string {
  const { heading, holds } = columns[at];
  const ref = endsInLink(line) ? undefined : line.inlet;
  const device = ref && document.devices.find(({ id }) => id === ref.device);
  switch (holds) {
    case undefined:
      return noteUnder(line, heading, columns, at);
    case 'number':
      // Where no other column says it, the number is that of the inlet.
      return columns.some((each) => each.holds === 'inlet') || !ref ? String(n + 1) : ref.inlet;
    case 'name':
      return line.name;
    case 'source': {
      if (!startsAtLink(line)) return line.source.name ?? sourceKind(line.source.kind).label;
      const { from } = line.source;
      return `from ${document.lines.find(({ id }) => id === from.line)?.name ?? from.line}`;
    }
    case 'links': {
      const apart = cableApart(line, columns);
      return line.links
        .filter((part) => part !== apart)
        .map((part) => part.name ?? linkKind(part.kind).label)
        .join(' > ');
    }
    case 'cable': {
      const apart = cableApart(line, columns);
      return apart ? `${reader(linkKind(apart.kind), apart).value('length')} m` : '';
    }
    case 'device':
      return device?.name ?? '';
    case 'inlet':
      return ref?.inlet ?? '';
    case 'feed': {
      const feed = ref && device ? groupOf(device, ref.inlet)?.feed : undefined;
      return feed === undefined ? '' : feed === 'P48' ? 'yes' : feed === 'off' ? 'no' : feed;
    }
    case 'location':
      return document.locations?.find(({ id }) => id === line.location)?.name ?? '';
    case 'note':
      return noteBut(line, columns);
  }
}

/** The cable that a column of its own tells: the last one of a line, or its only one. */
function cableApart({ links }: RigLine, columns: readonly ListColumn[]) {
  const cables = links.filter(isCable);
  const [last] = links.slice(-1);
  return columns.some(({ holds }) => holds === 'cable') && cables.length === 1 && last === cables[0] ? last : undefined;
}

const BETWEEN = '; ';

/**
 * What a line's note keeps of a column that no line knows by itself; where several columns have one heading, each has its
 * own piece, and the last of them whatever is left.
 */
function noteUnder({ note = '' }: RigLine, heading: string, columns: readonly ListColumn[], at: number): string {
  if (heading === '') return '';
  const pieces = note
    .split(BETWEEN)
    .filter((piece) => piece.startsWith(`${heading}: `))
    .map((piece) => piece.slice(heading.length + 2));
  const alike = columns.flatMap((column, n) => (!column.holds && column.heading === heading ? [n] : []));
  const first = alike.indexOf(at);
  return pieces.slice(first, at === alike.at(-1) ? undefined : first + 1).join(BETWEEN);
}

/** A line's note without what its own columns hold. */
const noteBut = ({ note = '' }: RigLine, columns: readonly ListColumn[]): string =>
  note
    .split(BETWEEN)
    .filter(
      (piece) => !columns.some(({ heading, holds }) => !holds && heading !== '' && piece.startsWith(`${heading}: `)),
    )
    .join(BETWEEN);
