import { GROUND, NetlistBuilder, type Netlist, type Node } from '../circuit';
import { Bench, EARTH, EARTH_LEAD, reader, type Notes, type Terminals, type Wiring } from './bench';
import { throughFaults, type ContactFault } from './contactFaults';
import { inletKind, linkKind, sourceKind } from './catalogue';
import { CONNECTORS, mate, type ConnectorId, type Contact } from './connectors';
import type { Branch, Grounding, Line, Part, PartRef, PathLink } from './part';
import type { AnyStake, Bridge, Channel, Path } from './stakes';

/** Where two neighbours of a line meet: the plug of the one nearer the source in the socket of the other. */
export interface Junction {
  plug: ConnectorId;
  socket: ConnectorId;
  fits: boolean;
  /** Nodes of the plug's contacts. */
  nodes: Record<string, Node>;
  /** The same as somebody finds them who measures on the plug: behind whatever is wrong in it. */
  pins: Record<string, Node>;
  /** Contacts of the plug that touch nothing in the socket. */
  unmade: Contact[];
}

/** What a link does with its conductors, for drawing. */
export interface LinkView {
  input: ConnectorId;
  output: ConnectorId;
  paths: Path[];
  bridges: Bridge[];
}

/** What is at stake on another line that hangs on the same conductors. */
export interface BranchStake {
  line: string;
  name: string;
  stake: AnyStake;
}

/** A line wired up: the circuit, and what in it means something. */
export interface LineCircuit {
  netlist: Netlist;
  /** `junctions[n]` lies before link n; the last one is at the inlet. */
  junctions: Junction[];
  links: LinkView[];
  stakes: AnyStake[];
  channels: Channel[];
  /** Expected gain of all links together, in dB. */
  expectedGain: number;
  others: BranchStake[];
}

const prefixOf = (ref: PartRef) => (typeof ref === 'number' ? `link${ref + 1}` : ref);

/** The end of what is wired so far: a plug with its contacts. */
interface End {
  plug: ConnectorId;
  node(contact: Contact): Node;
}

const endOf = (plug: ConnectorId, prefix: string, port?: string): End => ({
  plug,
  node: (contact) => `${prefix}.${port ? `out-${port}` : 'out'}.${contact}`,
});

/** Node of a socket's contact at a junction that is kept apart, as somebody finds it who measures there. */
export const socketNode = (contact: Contact, junction: number): Node => `socket${junction}.${contact}`;

/** Wires the parts of a line together, contact by contact, from the source to the inlet. */
export function lineCircuit(line: Line, wiring: Wiring = {}): LineCircuit {
  const net = new NetlistBuilder();
  const stakes: AnyStake[] = [];
  const channels: Channel[] = [];
  const others: BranchStake[] = [];
  const junctions: Junction[] = [];
  const links: LinkView[] = [];
  let expectedGain = 0;

  const grounds = new Map<string, Node>();
  /** The ground of a device: one node however many of its inlets are on this line, joined to mains earth or free. */
  const groundOf = (device: string | undefined, node: Node, grounding: Grounding = 'unknown'): Node => {
    const known = device === undefined ? undefined : grounds.get(device);
    if (known) return known;
    if (device !== undefined) grounds.set(device, node);
    toEarth(node, grounding);
    return node;
  };
  const toEarth = (node: Node, grounding: Grounding = 'unknown') => {
    if (grounding !== 'earthed') return;
    net.add({ type: 'resistor', name: `inlet.${node}.earth`, a: node, b: EARTH, ohms: EARTH_LEAD });
  };
  if (line.device !== undefined) grounds.set(line.device, GROUND);

  /** What is noted about a part of the line itself, or of a branch. */
  const notes = (branch?: Branch): Notes => ({
    stakes: branch ? ([] as AnyStake[]) : stakes,
    channels: branch ? [] : channels,
    paths: [],
    bridges: [],
  });
  const keep = (branch: Branch | undefined, own: Notes) => {
    if (branch) others.push(...own.stakes.map((stake) => ({ line: branch.line, name: branch.name, stake })));
  };
  const terminals = (prefix: string, more: Partial<Terminals>, branch?: Branch): Terminals => ({
    prefix,
    inputs: {},
    quiet: branch !== undefined,
    wiring,
    ...more,
  });

  /** A plug in a socket; at the line's own junctions with what is wrong there, or apart. */
  const meet = (from: End, socket: ConnectorId, branch?: Branch) => {
    const n = junctions.length;
    const faults = branch ? [] : (wiring.faults ?? []).filter(({ junction }) => junction === n);
    const apart = !branch && [wiring.apart ?? []].flat().includes(n);
    const met = join(from, socket);
    if (!faults.length && !apart) return met;
    return parted(net, met, n, faults, apart);
  };

  const buildSource = (part: Part, prefix: string, branch?: Branch): End => {
    const kind = sourceKind(part.kind);
    const own = notes(branch);
    kind.build(new Bench(kind, part, 'source', net, terminals(prefix, {}, branch), own));
    keep(branch, own);
    return endOf(kind.connector(reader(kind, part)), prefix);
  };

  const buildInlet = (part: Part, prefix: string, from: End, branch?: Branch): void => {
    const kind = inletKind(part.kind);
    const socket = kind.sockets.find((id) => mate(from.plug, id)) ?? kind.sockets[0];
    const { junction, inputs } = meet(from, socket, branch);
    if (!branch) junctions.push(junction);
    const own = notes(branch);
    const ground = branch ? groundOf(branch.device, `${prefix}.ground`, branch.ground) : GROUND;
    kind.build(new Bench(kind, part, 'inlet', net, terminals(prefix, { inputs, plug: socket, ground }, branch), own));
    keep(branch, own);
  };

  /** Wires one link with everything that hangs on its further sockets; returns the end by which the path leaves it. */
  const buildLink = (part: PathLink, n: number, prefix: string, from: End, hanging: Branch[], branch?: Branch): End => {
    const kind = linkKind(part.kind);
    const read = reader(kind, part);
    const { input, output } = kind.ends(read);
    const further = kind.ports?.(read) ?? {};
    const entered = part.entry ? (further[part.entry]?.connector ?? input) : input;
    const { junction, inputs } = meet(from, entered, branch);
    if (!branch) junctions.push(junction);
    const ports: Record<string, Partial<Record<Contact, Node>>> = {};
    let main: Partial<Record<Contact, Node>> = {};
    if (part.entry) ports[part.entry] = inputs;
    else main = inputs;
    for (const other of hanging) {
      if (!other.source) continue;
      const arriving = buildTowards(other, `${prefix}~${other.port || 'main'}`);
      const socket = other.port ? (further[other.port]?.connector ?? input) : input;
      const touching = meet(arriving, socket, other).inputs;
      if (other.port) ports[other.port] = touching;
      else main = touching;
    }
    const own = notes(branch);
    kind.build(new Bench(kind, part, n, net, terminals(prefix, { inputs: main, ports }, branch), own));
    keep(branch, own);
    const left = part.exit ? (further[part.exit]?.connector ?? output) : output;
    if (!branch) {
      links.push({
        input: entered,
        output: left,
        paths: own.paths.filter((path) => path.port === part.exit),
        bridges: own.bridges,
      });
      expectedGain += kind.gain?.(read, part.exit) ?? 0;
    }
    for (const other of hanging) {
      if (!other.inlet) continue;
      const plug = other.port ? (further[other.port]?.connector ?? output) : output;
      buildAway(other, `${prefix}~${other.port || 'main'}`, endOf(plug, prefix, other.port || undefined));
    }
    return endOf(left, prefix, part.exit);
  };

  const hangingAt = (branches: Branch[] | undefined, n: number) => (branches ?? []).filter(({ at }) => at === n);

  /** A branch from its source to the socket it is plugged into. */
  const buildTowards = (branch: Branch, prefix: string): End =>
    branch.links.reduce(
      (end, part, n) => buildLink(part, n, `${prefix}~${n + 1}`, end, hangingAt(branch.branches, n), branch),
      buildSource(branch.source!, `${prefix}~source`, branch),
    );

  /** A branch from the socket it hangs on to its inlet. */
  const buildAway = (branch: Branch, prefix: string, from: End): void => {
    const end = branch.links.reduce(
      (at, part, n) => buildLink(part, n, `${prefix}~${n + 1}`, at, hangingAt(branch.branches, n), branch),
      from,
    );
    buildInlet(branch.inlet!, `${prefix}~inlet`, end, branch);
  };

  const end = line.links.reduce(
    (at, part, n) => buildLink(part, n, prefixOf(n), at, hangingAt(line.branches, n)),
    buildSource(line.source, 'source'),
  );
  buildInlet(line.inlet, 'inlet', end);
  if (net.uses(EARTH)) toEarth(GROUND, line.ground);
  return { netlist: net.build(), junctions, links, stakes, channels, expectedGain, others };
}

function join(from: End, socket: ConnectorId) {
  const { plug } = from;
  const { contacts } = CONNECTORS[plug];
  const nodes: Record<string, Node> = {};
  for (const contact of contacts) nodes[contact] = from.node(contact);
  const touching = mate(plug, socket);
  const inputs: Partial<Record<Contact, Node>> = {};
  for (const own in touching) inputs[own as Contact] = nodes[touching[own as Contact]!];
  const unmade = contacts.filter((contact) => !Object.values(touching ?? {}).includes(contact));
  return { junction: { plug, socket, fits: touching !== undefined, nodes, pins: nodes, unmade }, inputs };
}

/** A junction with nodes of their own for what lies behind the faults of its plug and its socket. */
function parted(
  net: NetlistBuilder,
  { junction }: ReturnType<typeof join>,
  n: number,
  faults: readonly ContactFault[],
  apart: boolean,
): ReturnType<typeof join> {
  const { plug, socket, nodes } = junction;
  const inPlug = faults.filter(({ side }) => side === 'plug');
  const inSocket = faults.filter(({ side }) => side === 'socket');
  const pins = inPlug.length
    ? Object.fromEntries(CONNECTORS[plug].contacts.map((contact) => [contact, `plug${n}.${contact}`]))
    : nodes;
  throughFaults(net, `plug${n}.fault`, inPlug, CONNECTORS[plug].contacts, nodes, pins);
  const touching = mate(plug, socket) ?? {};
  const contacts = inSocket.length || apart ? CONNECTORS[socket].contacts.filter((own) => apart || touching[own]) : [];
  const outer = Object.fromEntries(contacts.map((own) => [own, socketNode(own, n)]));
  const inner = inSocket.length ? Object.fromEntries(contacts.map((own) => [own, `socket${n}.in.${own}`])) : outer;
  throughFaults(net, `socket${n}.fault`, inSocket, contacts, inner, outer);
  const inputs: Partial<Record<Contact, Node>> = { ...inner };
  for (const [own, other] of Object.entries(touching) as [Contact, Contact][]) {
    if (inputs[own] === undefined) inputs[own] = pins[other];
    else if (!apart) net.join(outer[own], pins[other]);
  }
  return { junction: { ...junction, pins }, inputs };
}
