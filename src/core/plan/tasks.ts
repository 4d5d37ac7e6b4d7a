import { isCable, CONNECTORS, inletKind, linkKind, reader, sourceKind, type Part } from '../gear';
import { endsInLink, startsAtLink, type InletRef, type RigDocument, type RigLine } from '../rig/document';
import { runLength } from '../rig/places';
import { rigPath } from '../rig/paths';
import type { Metres } from '../units';
import { lengthOf } from './pieces';

/** Something to be placed: a line by itself, or a line with others that hang on its links. */
export interface Task {
  /** The line that is moved about. */
  line: RigLine;
  /** Lines that share its links. They stay on their own inlets, and all of their links stay as they are. */
  followers: RigLine[];
  source: Part;
  /** Where it is now; undefined for a line that is driven into another one's link-through and has no inlet of its own. */
  now?: InletRef;
}

/** A line that uses a link-through socket as a second input is not joined to the other on purpose. */
const throughAsInput = (line: RigLine): boolean => endsInLink(line) && line.inlet.into.port === 'through';

/** What has to be placed on a rig, in the document's order. */
export function tasksOf(document: RigDocument): Task[] {
  const hosts = new Map<string, string>();
  for (const line of document.lines) {
    if (startsAtLink(line)) hosts.set(line.id, line.source.from.line);
    else if (endsInLink(line) && !throughAsInput(line)) hosts.set(line.id, line.inlet.into.line);
  }
  const root = (id: string): string => (hosts.has(id) ? root(hosts.get(id)!) : id);
  return document.lines.flatMap((line): Task[] => {
    if (hosts.has(line.id)) return [];
    const followers = document.lines.filter((other) => other.id !== line.id && root(other.id) === line.id);
    const source = rigPath(document, line.id)!.line.source;
    return [{ line, followers, source, ...(!endsInLink(line) && { now: line.inlet }) }];
  });
}

/** Cable between a person or an instrument and a plug that hangs on the source itself, in metres (common practice). */
const FIXED_LEAD: Metres = 2;

/** Whether a source comes with a lead of its own: whatever ends in a mini-jack does (common practice). */
export const hasLead = (source: Part): boolean => {
  const kind = sourceKind(source.kind);
  return CONNECTORS[kind.connector(reader(kind, source))].size === '3.5 mm';
};

/** Nothing stands where its inlet is: what has no cable yet needs at least so much, in metres (assumed). */
const LEAST_RUN: Metres = 1;

/**
 * The cable that a line needs to reach a device, in metres. Where locations and the run between them are stated, that
 * run; else as much three-pin cable as the line has now, or as much cable of any sort if it has none of that. Only what
 * hangs on a lead of its own, or is plugged onto its inlet, needs none.
 */
export function runTo(document: RigDocument, { line, source }: Task, device: string): Metres {
  const there = document.devices.find(({ id }) => id === device);
  const at = there?.location;
  const stated = line.location && at ? runLength(document, line.location, at) : undefined;
  const run = stated ?? presentRun(line);
  if (hasLead(source)) return Math.max(0, run - FIXED_LEAD);
  return there?.inlets.every(({ kind }) => inletKind(kind).plugsOn) ? run : Math.max(LEAST_RUN, run);
}

function presentRun({ links }: RigLine): Metres {
  const cables = links.filter(isCable);
  const pinned = cables.filter((part) => reader(linkKind('cable'), part).choice('connector') === 'xlr3');
  return (pinned.length ? pinned : cables).reduce((sum, part) => sum + lengthOf(part), 0);
}
