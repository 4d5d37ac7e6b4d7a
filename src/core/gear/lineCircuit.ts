import { NetlistBuilder, type Netlist, type Node } from '../circuit';
import { Bench, reader, type Notes } from './bench';
import { inletKind, linkKind, sourceKind } from './catalogue';
import { CONNECTORS, mate, type ConnectorId, type Contact } from './connectors';
import type { Line, PartRef } from './part';
import type { AnyStake, Bridge, Channel, Path } from './stakes';

/** Where two neighbours of a line meet: the plug of the one nearer the source in the socket of the other. */
export interface Junction {
  plug: ConnectorId;
  socket: ConnectorId;
  fits: boolean;
  /** Nodes of the plug's contacts. */
  nodes: Record<string, Node>;
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
}

const prefixOf = (ref: PartRef) => (typeof ref === 'number' ? `link${ref + 1}` : ref);

/** Wires the parts of a line together, contact by contact, from the source to the inlet. */
export function lineCircuit(line: Line): LineCircuit {
  const net = new NetlistBuilder();
  const stakes: AnyStake[] = [];
  const channels: Channel[] = [];
  const notes = (): Notes => ({ stakes, channels, paths: [], bridges: [] });

  const source = sourceKind(line.source.kind);
  const plugAtSource = source.connector(reader(source, line.source));
  source.build(new Bench(source, line.source, 'source', net, { prefix: 'source', inputs: {} }, notes()));

  const junctions: Junction[] = [];
  const links: LinkView[] = [];
  let expectedGain = 0;
  let plug = plugAtSource;
  let from: PartRef = 'source';
  line.links.forEach((part, n) => {
    const kind = linkKind(part.kind);
    const read = reader(kind, part);
    const { input, output } = kind.ends(read);
    const { junction, inputs } = join(net, from, plug, input);
    junctions.push(junction);
    const own = notes();
    kind.build(new Bench(kind, part, n, net, { prefix: prefixOf(n), inputs }, own));
    links.push({ input, output, paths: own.paths, bridges: own.bridges });
    expectedGain += kind.gain?.(read) ?? 0;
    plug = output;
    from = n;
  });

  const inlet = inletKind(line.inlet.kind);
  const socket = inlet.sockets.find((id) => mate(plug, id)) ?? inlet.sockets[0];
  const { junction, inputs } = join(net, from, plug, socket);
  junctions.push(junction);
  inlet.build(new Bench(inlet, line.inlet, 'inlet', net, { prefix: 'inlet', inputs, plug: socket }, notes()));

  return { netlist: net.build(), junctions, links, stakes, channels, expectedGain };
}

function join(net: NetlistBuilder, from: PartRef, plug: ConnectorId, socket: ConnectorId) {
  const nodes = Object.fromEntries(
    CONNECTORS[plug].contacts.map((contact) => [contact, `${prefixOf(from)}.out.${contact}`]),
  );
  const touching = mate(plug, socket);
  const inputs: Partial<Record<Contact, Node>> = {};
  for (const [own, other] of Object.entries(touching ?? {})) inputs[own as Contact] = nodes[other];
  const made = new Set(Object.values(touching ?? {}));
  const unmade = CONNECTORS[plug].contacts.filter((contact) => !made.has(contact));
  return { junction: { plug, socket, fits: touching !== undefined, nodes, unmade }, inputs };
}
