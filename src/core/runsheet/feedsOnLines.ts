import { groupFeeds } from '../rigcheck/feedOptions';
import type { Judge } from '../rigcheck/judging';
import { answered, operatingPoint } from '../circuit';
import {
  asDrawn,
  CONNECTORS,
  lineCircuit,
  LINKS,
  linkKind,
  sourceKind,
  type Branch,
  type Line,
  type LineCircuit,
  type LinkKind,
  type Part,
  type SourceKind,
} from '../gear';
import { schoolsOf, type RigDocument, type SwitchGroup } from '../rig/document';
import { rigPaths, type RigPath } from '../rig/paths';
import { setFeed } from '../rig/rigEdits';
import { highestOf, LIVE } from '../standards/feeds';
import { sheetKey, type SheetLine } from './rig';

/** Every other line that hangs on the same conductors. */
export const branchLines = (branches: readonly Branch[] = []): string[] =>
  branches.flatMap(({ line, branches: further }) => [line, ...branchLines(further)]);

export const hasSupply = ({ source, links }: Line): boolean =>
  feeds(sourceKind(source.kind)) || links.some(({ kind }) => feeds(linkKind(kind)));

/** Whether a part is a supply, or comes with one of its own that is switched by itself. */
export const feeds = (kind: SourceKind | LinkKind): boolean =>
  kind.role === 'source' ? kind.ownSupply === true : kind.nature === 'supply';

/** The switch that an inlet hangs on, if any. */
export function groupAt({ devices }: RigDocument, { device, inlet }: RigPath['inlet']): string[] {
  const group = devices.find(({ id }) => id === device)?.groups.find(({ inlets }) => inlets.includes(inlet));
  return group ? [sheetKey(device, group.id)] : [];
}

type Harms = Pick<SheetLine, 'stops' | 'supplyHarms'>;

/**
 * What harms a line: by switch the feeds at which the check says Stop, with every outboard supply of the rig off, and
 * whether its own supply does. A line at Stop whatever feeds it is refused every feed: nobody can tell what more it takes.
 */
export function harmsOf(document: RigDocument, judge: Judge): Map<string, Harms> {
  const found = new Map<string, Harms>();
  const quiet = suppliesOff(document);
  for (const device of quiet.devices)
    for (const group of device.groups)
      for (const { feed, lines } of groupFeeds(quiet, device.id, group.id, judge))
        for (const { line, verdict } of lines) {
          if (verdict !== 'Stop' || feed === 'off') continue;
          const own = found.get(line) ?? { stops: {} };
          const key = sheetKey(device.id, group.id);
          found.set(line, { ...own, stops: { ...own.stops, [key]: [...(own.stops[key] ?? []), feed] } });
        }
  for (const { line } of rigPaths(feedsOff(document))) {
    if (!hasSupply(line) || judge(line, schoolsOf(document)).verdict !== 'Stop') continue;
    found.set(line.id, { ...(found.get(line.id) ?? { stops: {} }), supplyHarms: true });
  }
  return found;
}

/** Share of a feed's voltage at the inlet from which on it is the same feed at the source, and not what a box makes of it. */
const SAME = 0.5;
/** Direct current through a source that a feed drives, however little voltage is left of it, in amperes. */
const DRIVEN = 10e-6;

/** By line: the switches whose feed gets to its source, from the solved circuits, each with its highest feed alone. */
export function reachesOf(document: RigDocument): Map<string, string[]> {
  const found = new Map<string, string[]>();
  const known = new Map<string, boolean>();
  // What a box on the way gives is not the switch's doing.
  const quiet = suppliesOff(document);
  for (const device of document.devices)
    for (const group of device.groups) {
      const key = sheetKey(device.id, group.id);
      const fed = rigPaths(fedAlone(quiet, device.id, group));
      const onIt = new Set(
        fed.filter((path) => groupAt(document, path.inlet).includes(key)).map(({ line }) => line.id),
      );
      for (const { line } of fed) {
        if (!onIt.has(line.id) && !branchLines(line.branches).some((id) => onIt.has(id))) continue;
        const circuit = circuitKey(line);
        if (!known.has(circuit)) known.set(circuit, answered(() => getsToSource(line)) ?? true);
        if (known.get(circuit)) found.set(line.id, [...(found.get(line.id) ?? []), key]);
      }
    }
  return found;
}

/** Whether what is fed on a line arrives at its source. */
function getsToSource(line: Line): boolean {
  const circuit = lineCircuit(asDrawn(line));
  const point = operatingPoint(circuit.netlist);
  const volts = ({ plug, nodes }: LineCircuit['junctions'][number]) => {
    const { contacts } = CONNECTORS[plug];
    const all = contacts.flatMap((a) => contacts.map((b) => Math.abs(point.volts(nodes[a], nodes[b]) ?? 0)));
    return Math.max(0, ...all);
  };
  const [first, ...others] = circuit.junctions.map(volts);
  const most = Math.max(first, ...others);
  const driven = circuit.stakes.some(
    (stake) =>
      stake.part === 'source' &&
      stake.type === 'winding' &&
      stake.elements.some((name) => Math.abs(point.amps(name)) > DRIVEN),
  );
  return driven || (first > LIVE && first > SAME * most);
}

const feedsOff = (document: RigDocument): RigDocument => ({
  ...document,
  devices: document.devices.map((each) => ({
    ...each,
    groups: each.groups.map((group) => ({ ...group, feed: 'off' })),
  })),
});

/** A rig with every supply of its own on the way switched off: what a switch does is told apart from what a box does. */
function suppliesOff(document: RigDocument): RigDocument {
  const off = <P extends Part>(part: P): P =>
    LINKS.some(({ kind, nature, choices }) => kind === part.kind && nature === 'supply' && 'feed' in choices)
      ? { ...part, choices: { ...part.choices, feed: 'off' } }
      : part;
  return { ...document, lines: document.lines.map((line) => ({ ...line, links: line.links.map(off) })) };
}

/** As it would be with its highest feed on, and every other switch off: nothing of its own holds more charge than that. */
export function fedAlone(document: RigDocument, device: string, { id, offers }: SwitchGroup): RigDocument {
  const dark = feedsOff(document);
  const highest = highestOf(offers);
  return highest ? setFeed(dark, device, id, highest) : dark;
}

/** What makes a circuit; lines that are alike in it are followed once. */
export const circuitKey = ({ source, links, inlet, branches }: Line): string =>
  JSON.stringify(
    [source, ...links, inlet].map(({ kind, figures, choices, faults }) => [kind, figures, choices, faults]),
  ) + JSON.stringify(branches ?? []);
