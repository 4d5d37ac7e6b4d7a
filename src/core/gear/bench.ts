import { type NetlistBuilder, type Node, GROUND } from '../circuit';
import type { ConnectorId, Contact } from './connectors';
import type { ContactFault } from './contactFaults';
import { UNITS, type Figure } from './figures';
import type { Fault, Part, PartRef } from './part';
import type { Kind } from './kind';
import type { Reader } from './reader';
import type { AnyStake, Bridge, Channel, Limit, Path } from './stakes';

/** A part's figure, its kind's typical one standing in where it says nothing; undefined where that is open too. */
export const figureOf = (kind: Kind, part: Part, name: string): Figure | undefined => {
  const { typical, unit } = kind.figures[name];
  return part.figures?.[name] ?? (typical && { ...typical, unit });
};

/** Reads one part's figures and choices, its kind's catalogue entry standing in where it says nothing. */
export function reader(kind: Kind, part: Part): Reader & { figure(name: string): Figure | undefined } {
  const figure = (name: string): Figure | undefined => {
    const spec = kind.figures[name];
    if (!spec) throw new Error(`${kind.kind} has no figure ${name}`);
    return figureOf(kind, part, name);
  };
  const optional = (name: string) => {
    const spec = kind.figures[name];
    if (!spec) throw new Error(`${kind.kind} has no figure ${name}`);
    const given = part.figures?.[name];
    if (given) return given.value * UNITS[given.unit];
    return spec.typical && spec.typical.value * UNITS[spec.unit];
  };
  return {
    figure,
    optional,
    value(name) {
      const value = optional(name);
      if (value === undefined) throw new Error(`${kind.kind}: ${name} has no value`);
      return value;
    },
    choice(name) {
      const spec = kind.choices[name];
      if (!spec) throw new Error(`${kind.kind} has no choice ${name}`);
      return part.choices?.[name] ?? spec.standard;
    },
  };
}

/** Where a part meets its neighbours. */
export interface Terminals {
  prefix: string;
  /** Nodes of the contacts of its own socket, for links and inlets. */
  inputs: Partial<Record<Contact, Node>>;
  /** The same for its further sockets, by their name. */
  ports?: Record<string, Partial<Record<Contact, Node>>>;
  /** The plug that sits in an inlet. */
  plug?: ConnectorId;
  /** Its source plays nothing: another line is being looked at. */
  quiet?: boolean;
  /** Ground of the device that an inlet belongs to. */
  ground?: Node;
  wiring?: Wiring;
}

/** How a circuit differs from the plugged-in line at rest. */
export interface Wiring {
  /** Junctions whose contacts are not joined: plug and socket keep nodes of their own; see `socketNode`. */
  apart?: number | readonly number[];
  /** What is wrong with the contacts of the line's own plugs and sockets. */
  faults?: readonly ContactFault[];
  /** How much larger the cold leg of every phantom feed is than the hot one, as a share. */
  mismatch?: number;
  /** The coupling capacitors of the inlet differ by the share its figure says. */
  unequal?: boolean;
  /** With what only counts while something changes: clamps behind the coupling capacitors, electronics that stop drawing. */
  moving?: boolean;
  /** Which of the two channels of a stereo source plays; both where left out. */
  only?: 'left' | 'right';
}

/** Mains earth, to which class I devices are joined. */
export const EARTH: Node = 'earth';
/** From a device's ground to the earth contact of its plug, lead included (common practice: at most 0.1 Ω each). */
export const EARTH_LEAD = 0.2;

/** What a part leaves behind besides circuit elements. */
export interface Notes {
  stakes: AnyStake[];
  paths: Path[];
  bridges: Bridge[];
  channels: Channel[];
}

/** The bench on which one part is wired into the circuit of its line. Element names get the part's prefix. */
export class Bench implements Reader {
  readonly value: Reader['value'];
  readonly optional: Reader['optional'];
  readonly choice: Reader['choice'];
  private readonly figure: (name: string) => Figure | undefined;

  constructor(
    private readonly kind: Kind,
    private readonly part: Part,
    readonly ref: PartRef,
    private readonly net: NetlistBuilder,
    private readonly terminals: Terminals,
    private readonly notes: Notes,
  ) {
    const read = reader(kind, part);
    this.value = read.value;
    this.optional = read.optional;
    this.choice = read.choice;
    this.figure = read.figure;
  }

  get faults(): Fault[] {
    return this.part.faults ?? [];
  }

  get plug(): ConnectorId | undefined {
    return this.terminals.plug;
  }

  /** An inner node of this part. */
  node(name: string): Node {
    return `${this.terminals.prefix}.${name}`;
  }

  /** A contact of this part's socket, on the source's side; of a further socket where one is named. */
  in(contact: Contact, port?: string): Node {
    if (port) return this.terminals.ports?.[port]?.[contact] ?? this.node(`in-${port}.${contact}`);
    return this.terminals.inputs[contact] ?? this.node(`in.${contact}`);
  }

  /** A contact of this part's plug, on the inlet's side; of a further socket where one is named. */
  out(contact: Contact, port?: string): Node {
    return this.node(`${port ? `out-${port}` : 'out'}.${contact}`);
  }

  /** How the circuit differs from the line at rest. */
  get wiring(): Wiring {
    return this.terminals.wiring ?? {};
  }

  /** Ground of the device that this inlet belongs to. */
  get gnd(): Node {
    return this.terminals.ground ?? GROUND;
  }

  element(name: string): string {
    return this.node(name);
  }

  join(a: Node, b: Node): void {
    this.net.join(a, b);
  }

  /** Joins a contact to the ground of the inlet's device. */
  ground(node: Node): void {
    this.net.join(node, this.gnd);
  }

  /** Joins a case to mains earth where that is so; a floating one has nothing but its shield. */
  earth(node: Node, grounding: string): void {
    if (grounding === 'earthed') this.resistor('earth', node, EARTH, EARTH_LEAD);
  }

  resistor(name: string, a: Node, b: Node, ohms: number): void {
    this.net.add({ type: 'resistor', name: this.element(name), a, b, ohms });
  }

  /** A capacitance of 0 is no capacitor at all. */
  capacitor(name: string, a: Node, b: Node, farads: number): void {
    if (farads > 0) this.net.add({ type: 'capacitor', name: this.element(name), a, b, farads });
  }

  /** A winding with its direct-current resistance. */
  winding(name: string, a: Node, b: Node, henries: number, ohms: number): void {
    this.resistor(`${name}.wire`, a, this.node(`${name}.turns`), ohms);
    this.inductor(name, this.node(`${name}.turns`), b, henries);
  }

  inductor(name: string, a: Node, b: Node, henries: number): void {
    this.net.add({ type: 'inductor', name: this.element(name), a, b, henries });
  }

  couple(first: string, second: string, factor: number): void {
    this.net.add({
      type: 'coupling',
      name: this.element(`${first}-${second}`),
      first: this.element(first),
      second: this.element(second),
      factor,
    });
  }

  voltage(name: string, a: Node, b: Node, volts: number, signal = 0): void {
    this.net.add({
      type: 'voltageSource',
      name: this.element(name),
      a,
      b,
      volts,
      signal: this.terminals.quiet ? 0 : signal,
    });
  }

  /** A source of noise in the wire from a to b, in V²/Hz, that is otherwise not there. */
  noise(name: string, a: Node, b: Node, density: number): void {
    this.net.add({ type: 'voltageSource', name: this.element(name), a, b, volts: 0, noise: density });
  }

  signalCurrent(name: string, a: Node, b: Node, signal: number): void {
    this.net.add({
      type: 'currentSource',
      name: this.element(name),
      a,
      b,
      amps: 0,
      signal: this.terminals.quiet ? 0 : signal,
    });
  }

  amplifier(name: string, a: Node, b: Node, controlA: Node, controlB: Node, gain: number): void {
    this.net.add({ type: 'voltageControlledVoltage', name: this.element(name), a, b, controlA, controlB, gain });
  }

  diode(name: string, a: Node, b: Node, saturationAmps: number, emission: number): void {
    this.net.add({ type: 'diode', name: this.element(name), a, b, saturationAmps, emission });
  }

  /** @param stops while things change, electronics draw nothing below this voltage */
  load(name: string, a: Node, b: Node, amps: number, kneeVolts: number, stops?: number): void {
    const cutoff = this.wiring.moving && stops !== undefined && stops > 0 ? { cutoffVolts: stops } : {};
    this.net.add({ type: 'constantCurrentLoad', name: this.element(name), a, b, amps, kneeVolts, ...cutoff });
  }

  /** Whether a figure is stated, by the part or its kind. */
  has(name: string): boolean {
    return this.figure(name) !== undefined;
  }

  /** The figure as something that readings are held against. */
  limit(name: string): Limit {
    const figure = this.figure(name);
    if (!figure) throw new Error(`${this.kind.kind}: ${name} has no value`);
    const { unit, basis, where } = figure;
    return {
      part: this.ref,
      figure: name,
      label: this.kind.figures[name].label,
      value: this.value(name),
      unit,
      basis,
      where,
    };
  }

  stake(stake: AnyStake extends infer S ? (S extends AnyStake ? Omit<S, 'part'> : never) : never): void {
    this.notes.stakes.push({ ...stake, part: this.ref } as AnyStake);
  }

  path(path: Path): void {
    this.notes.paths.push(path);
  }

  bridge(bridge: Bridge): void {
    this.notes.bridges.push(bridge);
  }

  listen(channel: Channel): void {
    this.notes.channels.push(channel);
  }
}
