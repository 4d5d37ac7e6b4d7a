import {
  inletKind,
  linkKind,
  livesOnFeed,
  sourceKind,
  type Branch,
  type FeedSwitch,
  type Grounding,
  type Line,
  type Part,
  type PathLink,
  inletKey,
} from '../gear';
import {
  endsInLink,
  groupOf,
  startsAtLink,
  type Device,
  type InletRef,
  type RigDocument,
  type RigLine,
  type Socket,
  type SwitchGroup,
} from './document';

/** The line of the document that a link of a path belongs to, and its place there. */
export interface Owner {
  line: string;
  link: number;
}

/** A line followed from its source to its inlet, over the links of other lines where it runs on them. */
export interface RigPath {
  line: Line;
  /** The line whose source feeds it. */
  source: string;
  /** By position on the path. */
  owners: Owner[];
  inlet: InletRef;
}

/** Everything about a document that following its lines needs, looked up once. */
interface Index {
  document: RigDocument;
  lines: Map<string, RigLine>;
  devices: Map<string, Device>;
  /** Lines that begin or end at a link of a line. */
  hanging: Map<string, RigLine[]>;
  /** Names of lines by device and inlet. */
  names: Map<string, string>;
  /** Inlets whose line has something that lives on a feed. */
  fed: Set<string>;
  /** What is on the inlets of a switch, once somebody has asked. */
  switches: Map<SwitchGroup, Switched[]>;
}

/** A line on an inlet of a switch. */
interface Switched {
  inlet: string;
  name: string;
  fed: boolean;
}

/** The name of an inlet as people call it: the device's and its own. */
export const inletName = (device: Device, inlet: Part & { id: string }): string =>
  `${device.name}, ${inlet.name ?? (/^\d+$/.test(inlet.id) ? `inlet ${inlet.id}` : inlet.id)}`;

/** What documents are looked up in. They are never changed in place: whoever changes one makes another. */
const indices = new WeakMap<RigDocument, Index>();

function indexOf(document: RigDocument): Index {
  const known = indices.get(document);
  if (known) return known;
  const index = indexed(document);
  indices.set(document, index);
  return index;
}

function indexed(document: RigDocument): Index {
  const hanging = new Map<string, RigLine[]>();
  const hang = (on: string, line: RigLine) => hanging.set(on, [...(hanging.get(on) ?? []), line]);
  const names = new Map<string, string>();
  const fed = new Set<string>();
  for (const line of document.lines) {
    if (startsAtLink(line)) hang(line.source.from.line, line);
    if (endsInLink(line)) hang(line.inlet.into.line, line);
    else {
      names.set(inletKey(line.inlet), line.name);
      if (wantsFeed(line)) fed.add(inletKey(line.inlet));
    }
  }
  return {
    document,
    lines: new Map(document.lines.map((line) => [line.id, line])),
    devices: new Map(document.devices.map((device) => [device.id, device])),
    hanging,
    names,
    fed,
    switches: new Map(),
  };
}

/** Whether anything on a line's own way lives on a feed. */
const wantsFeed = (line: RigLine): boolean =>
  (!startsAtLink(line) && livesOnFeed(sourceKind(line.source.kind), line.source)) ||
  line.links.some((part) => livesOnFeed(linkKind(part.kind), part));

/** How a device's ground stands: as it says; else what runs on batteries floats. */
export const groundingOf = ({ ground, batteries }: Device): Grounding => ground ?? (batteries ? 'floating' : 'unknown');

/** Every line of a document, followed from its source to its inlet. */
export function rigPaths(document: RigDocument): RigPath[] {
  const index = indexOf(document);
  return document.lines.map((line) => followed(index, line));
}

/** Some lines of a document followed, in the order asked for; ids that it does not have are left out. */
export function rigPathsOf(document: RigDocument, ids: readonly string[]): RigPath[] {
  const index = indexOf(document);
  return ids.flatMap((id) => {
    const line = index.lines.get(id);
    return line ? [followed(index, line)] : [];
  });
}

/** One line of a document followed; undefined if there is none of that id. */
export function rigPath(document: RigDocument, id: string): RigPath | undefined {
  const index = indexOf(document);
  const line = index.lines.get(id);
  return line && followed(index, line);
}

const linkAt = (line: RigLine, { link }: Socket): number => line.links.findIndex(({ id }) => id === link);

interface Way {
  source: Part;
  from: string;
  links: PathLink[];
  owners: Owner[];
  /** Lines on the way, not to be hung on it as branches. */
  used: Set<string>;
}

/** From the source down to, but not including, link `until` of a line; all of its links if that is left out. */
function upstream(index: Index, line: RigLine, until = line.links.length): Way {
  const own = line.links.slice(0, until);
  const owners = own.map((_, link): Owner => ({ line: line.id, link }));
  if (!startsAtLink(line)) return { source: line.source, from: line.id, links: own, owners, used: new Set([line.id]) };
  const { from } = line.source;
  const root = index.lines.get(from.line)!;
  const at = linkAt(root, from);
  const before = upstream(index, root, at);
  return {
    ...before,
    links: [...before.links, { ...root.links[at], exit: from.port }, ...own],
    owners: [...before.owners, { line: root.id, link: at }, ...owners],
    used: before.used.add(line.id),
  };
}

interface Rest {
  links: PathLink[];
  owners: Owner[];
  inlet: InletRef;
  used: Set<string>;
}

/** From link `from` of a line to the inlet where its signal ends; entered by `port` if that is given. */
function downstream(index: Index, line: RigLine, from: number, port?: string): Rest {
  const own = line.links.slice(from).map((part, n): PathLink => (n === 0 && port ? { ...part, entry: port } : part));
  const owners = own.map((_, n): Owner => ({ line: line.id, link: from + n }));
  if (!endsInLink(line)) return { links: own, owners, inlet: line.inlet, used: new Set([line.id]) };
  const { into } = line.inlet;
  const host = index.lines.get(into.line)!;
  const rest = downstream(index, host, linkAt(host, into), into.port);
  return { ...rest, links: [...own, ...rest.links], owners: [...owners, ...rest.owners], used: rest.used.add(line.id) };
}

function followed(index: Index, line: RigLine): RigPath {
  const before = upstream(index, line, 0);
  const after = downstream(index, line, 0);
  const links = [...before.links, ...after.links];
  const owners = [...before.owners, ...after.owners];
  const used = new Set([...before.used, ...after.used]);
  const { part, feedSwitch } = inletPart(index, after.inlet);
  const path: Line = {
    id: line.id,
    name: line.name,
    ...(line.note && { note: line.note }),
    source: before.source,
    links,
    inlet: part,
    ...(feedSwitch && { switch: feedSwitch }),
    device: after.inlet.device,
    ground: groundingOf(index.devices.get(after.inlet.device)!),
  };
  const branches = branchesAt(index, owners, links, used);
  if (branches.length) path.branches = branches;
  return { line: path, source: before.from, owners, inlet: after.inlet };
}

/** Whatever else hangs on the links of a path: other lines, and the rest of the lines that the path has left or joined. */
function branchesAt(index: Index, owners: Owner[], links: PathLink[], used: Set<string>): Branch[] {
  const branches: Branch[] = [];
  owners.forEach((owner, n) => {
    const host = index.lines.get(owner.line)!;
    const { id, exit, entry } = links[n];
    // The path leaves by a side socket: the host line itself goes on. It came in by one: the host's own source too.
    if (exit) {
      const rest = downstream(index, host, owner.link + 1);
      branches.push(branch(index, host, n, '', { away: rest }, used));
    }
    if (entry) {
      const way = upstream(index, host, owner.link);
      branches.push(branch(index, host, n, '', { towards: way }, used));
    }
    for (const other of index.hanging.get(owner.line) ?? []) {
      if (used.has(other.id)) continue;
      if (startsAtLink(other) && other.source.from.link === id)
        branches.push(branch(index, other, n, other.source.from.port, { away: downstream(index, other, 0) }, used));
      if (endsInLink(other) && other.inlet.into.link === id)
        branches.push(branch(index, other, n, other.inlet.into.port, { towards: upstream(index, other) }, used));
    }
  });
  return branches;
}

function branch(
  index: Index,
  line: RigLine,
  at: number,
  port: string,
  way: { away: Rest } | { towards: Way },
  used: Set<string>,
): Branch {
  const rest = 'away' in way ? way.away : way.towards;
  const seen = new Set([...used, ...rest.used]);
  const further = branchesAt(index, rest.owners, rest.links, seen);
  return {
    line: line.id,
    name: line.name,
    at,
    port,
    links: rest.links,
    ...('away' in way
      ? {
          inlet: inletPart(index, way.away.inlet).part,
          device: way.away.inlet.device,
          ground: groundingOf(index.devices.get(way.away.inlet.device)!),
        }
      : { source: way.towards.source }),
    ...(further.length && { branches: further }),
  };
}

/** A device's switch as a line sees it. */
export const switchOf = (
  device: Device,
  group: SwitchGroup | undefined,
  reaches: readonly string[],
  needed = false,
): FeedSwitch => ({
  name: group ? `${device.name}, ${group.name}` : device.name,
  offers: group?.offers ?? [],
  reaches,
  ...(group?.ramp && { ramp: group.ramp.value }),
  ...(group?.mutes && { mutes: true }),
  ...(needed && { needed }),
});

/** What is on the inlets of a switch. */
function switched({ names, fed, switches }: Index, device: string, group: SwitchGroup): Switched[] {
  const lineOn = (inlet: string): Switched[] => {
    const key = inletKey({ device, inlet });
    const name = names.get(key);
    return name === undefined ? [] : [{ inlet, name, fed: fed.has(key) }];
  };
  const found = switches.get(group) ?? group.inlets.flatMap(lineOn);
  switches.set(group, found);
  return found;
}

/** An inlet as the check takes it: its feed as its switch stands now. */
function inletPart(index: Index, ref: InletRef): { part: Part; feedSwitch?: FeedSwitch } {
  const device = index.devices.get(ref.device)!;
  const inlet = device.inlets.find(({ id }) => id === ref.inlet)!;
  const group = groupOf(device, ref.inlet);
  const { id: _id, ...part } = inlet;
  const named: Part = { ...part, name: inletName(device, inlet) };
  const { feed: choice } = inletKind(inlet.kind).choices;
  if (!choice) return { part: named };
  const feed = group?.feed ?? 'off';
  const others = (group ? switched(index, ref.device, group) : []).filter(({ inlet }) => inlet !== ref.inlet);
  const reaches = others.map((other) => other.name);
  const needed = others.some((other) => other.fed);
  return {
    part: { ...named, choices: { ...part.choices, feed } },
    feedSwitch: switchOf(device, group, reaches, needed),
  };
}
