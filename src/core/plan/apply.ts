import { endsInLink, startsAtLink, withEnds, type InletRef, type RigDocument, type RigLine } from '../rig/document';
import { addLine, freeInlets, freeName, moveLine, setFeed } from '../rig/rigEdits';
import { tidied } from '../rig/places';
import { brokenReferences } from '../rig/references';
import type { RankedChain } from './chains/rank';
import type { Proposal } from './proposal';
import { groupKey } from './places';

/** Which changes of a plan are taken: lines by id, switches by device and group, and whether lines without a place go. */
export interface Accepted {
  lines: ReadonlySet<string>;
  /** As `device group`. */
  switches: ReadonlySet<string>;
  leftOut: boolean;
}

/**
 * The rig with some or all changes of a plan. A line whose inlet is wanted and that does not move itself changes places
 * with the one that comes; lines that were driven into each other's boxes are taken together.
 */
export function applyPlan(document: RigDocument, proposal: Proposal, accepted: Accepted): RigDocument {
  const target = new Map(proposal.document.lines.map((line) => [line.id, line]));
  const out = accepted.leftOut ? new Set(proposal.leftOut.map(({ line }) => line)) : new Set<string>();
  const taken = together(
    document,
    new Set(proposal.lines.map(({ line }) => line).filter((id) => accepted.lines.has(id))),
  );
  const added = proposal.document.devices.filter(({ id }) => !document.devices.some((device) => device.id === id));
  const start: RigDocument = {
    ...document,
    devices: [...document.devices, ...added],
    lines: document.lines.filter(({ id }) => !out.has(id)),
  };
  const placed = [...taken].reduce((rig, id) => {
    const line = target.get(id);
    if (!line || out.has(id)) return rig;
    return rebuilt(withRoom(rig, line), line);
  }, start);
  const switched = proposal.switches
    .filter(({ device, group }) => accepted.switches.has(groupKey(device, group)))
    .reduce((rig, { device, group, to }) => setFeed(rig, device, group, to), placed);
  const used = new Set(switched.lines.flatMap((line) => (endsInLink(line) ? [] : [line.inlet.device])));
  const names = new Set(added.map(({ id }) => id));
  return tidied({ ...switched, devices: switched.devices.filter(({ id }) => !names.has(id) || used.has(id)) });
}

/**
 * The rig with one line over a chain that was looked at, at the inlet it was looked at for; whoever is there changes
 * places with it. A source that is not on the rig yet becomes a line of its own, if the inlet is free.
 */
export function withChain(
  document: RigDocument,
  id: string,
  inlet: InletRef,
  { parts, sourcePart }: Pick<RankedChain, 'parts' | 'sourcePart'>,
): RigDocument {
  const links = parts.map(({ id: _id, ...part }) => structuredClone(part));
  const line = document.lines.find((each) => each.id === id);
  if (line && startsAtLink(line)) return document;
  if (!line) {
    const taken = document.lines.some(
      (other) => !endsInLink(other) && other.inlet.device === inlet.device && other.inlet.inlet === inlet.inlet,
    );
    const name = freeName(document.lines, sourcePart.name ?? id);
    return taken ? document : addLine(document, { name, source: sourcePart, links, inlet });
  }
  const next = withEnds({ ...line, links }, { source: sourcePart, inlet });
  return rebuilt(withRoom(document, next), next);
}

/** Accepted lines, and those that cannot stay as they are when these change: whatever is driven into one of their links. */
function together({ lines }: RigDocument, accepted: Set<string>): Set<string> {
  const hanging = lines.filter(
    (line) => endsInLink(line) && line.inlet.into.port === 'through' && accepted.has(line.inlet.into.line),
  );
  // They go first, so that nothing hangs on a link that is about to go.
  return new Set([...hanging.map(({ id }) => id), ...accepted]);
}

/** The line moved to its new inlet, whoever was there gone to its old one or, where it had none, to a free one. */
function withRoom(rig: RigDocument, line: RigLine): RigDocument {
  if (endsInLink(line)) return rig;
  const { inlet } = line;
  const now = rig.lines.find(({ id }) => id === line.id)!;
  if (!endsInLink(now)) return moveLine(rig, line.id, inlet);
  const there = rig.lines.find(
    (other) => !endsInLink(other) && other.inlet.device === inlet.device && other.inlet.inlet === inlet.inlet,
  );
  const free = freeInlets(rig);
  const refuge = free.find(({ to }) => to.device === inlet.device) ?? free[0];
  const cleared = there && refuge ? moveLine(rig, there.id, refuge.to) : rig;
  return moveLine(cleared, line.id, inlet);
}

/** The line with the links and settings of the plan. */
function rebuilt(rig: RigDocument, line: RigLine): RigDocument {
  const lines = rig.lines.map((own): RigLine => {
    if (own.id !== line.id) return own;
    const links = startsAtLink(own) ? own.links : line.links;
    return { ...own, links, source: line.source } as RigLine;
  });
  const next = { ...rig, lines };
  return brokenReferences(next).length ? rig : next;
}
