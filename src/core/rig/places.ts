import type { Figure } from '../gear';
import type { InletRef, RigDocument } from './document';

/** Where sources and devices stand. Cable is measured between locations. */
export interface Location {
  id: string;
  name: string;
}

/** The cable that is needed from one location to another, either way, laid as it will lie. */
export interface Run {
  between: [string, string];
  /** In metres. */
  length: Figure;
}

/** What a plan of who goes where has to keep to. */
export interface Wishes {
  /** Lines that belong on one particular inlet. */
  pinned?: { line: string; to: InletRef }[];
  /** Inlets that are not to be used: by one line, or, where none is named, by any. */
  forbidden?: { to: InletRef; line?: string }[];
  /** Pairs of lines that belong on neighbouring inlets of one device. */
  neighbours?: [string, string][];
}

/** What a document says of places and wishes besides its devices and lines. */
export interface Arrangement {
  locations?: Location[];
  runs?: Run[];
  wishes?: Wishes;
}

/** The length of the run between two locations in metres, 0 within one; undefined where nobody has stated it. */
export function runLength({ runs }: Arrangement, from: string, to: string): number | undefined {
  if (from === to) return 0;
  return runs?.find(({ between }) => between.includes(from) && between.includes(to))?.length.value;
}

/** A document without wishes about lines and inlets that are gone. */
export function tidied(document: RigDocument): RigDocument {
  const { wishes: before, ...rest } = document;
  const wishes = wishesFor(before, document);
  return wishes ? { ...rest, wishes } : rest;
}

function wishesFor(
  wishes: Wishes | undefined,
  { lines, devices }: Pick<RigDocument, 'lines' | 'devices'>,
): Wishes | undefined {
  if (!wishes) return undefined;
  const known = new Set(lines.map(({ id }) => id));
  const inlets = new Set(devices.flatMap(({ id, inlets: own }) => own.map((inlet) => `${id} ${inlet.id}`)));
  const there = ({ device, inlet }: InletRef) => inlets.has(`${device} ${inlet}`);
  const kept: Wishes = {
    pinned: wishes.pinned?.filter(({ line, to }) => known.has(line) && there(to)),
    forbidden: wishes.forbidden?.filter(({ line, to }) => (line === undefined || known.has(line)) && there(to)),
    neighbours: wishes.neighbours?.filter((pair) => pair.every((line) => known.has(line))),
  };
  const filled = Object.entries(kept).filter(([, list]) => list?.length);
  return filled.length ? Object.fromEntries(filled) : undefined;
}
