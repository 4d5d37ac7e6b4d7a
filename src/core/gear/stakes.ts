import type { Amps, Volts } from '../units';
import type { Node } from '../circuit';
import type { Contact } from './connectors';
import type { Basis, Unit } from './figures';
import type { PartRef } from './part';

/** A figure that something is held against; `value` in SI units. */
export interface Limit {
  part: PartRef;
  figure: string;
  label: string;
  value: number;
  unit: Unit;
  basis: Basis;
  where?: string;
}

interface Stake {
  part: PartRef;
  /** What is at stake, in the field's words: "the coil", "the capsule". */
  what: string;
}

/** The inner rail of a part that two feed legs supply. */
export interface Rail {
  between: [Node, Node];
  /** Resistors from the pins to the rail, equal, in ohms each. */
  legs: string[];
  pickOff: number;
  /** The electronics, and the current at which they work. */
  load?: { element: string; amps: Amps };
}

/**
 * A part that needs power from the line. With a `rail` that decides: it is brought to the pins of a line whose two legs
 * are equal. Without one the highest of `between` counts.
 */
export interface SupplyStake extends Stake {
  type: 'supply';
  wants: 'phantom' | 'plug-in power' | 'T12';
  between: [Node, Node][];
  rail?: Rail;
  contacts: string;
  needs: Limit;
  stops: Limit;
  stands?: Limit;
  /** What it stands the wrong way round. */
  reverse?: Limit;
  /** Its own battery is in and on. */
  battery: boolean;
}

/** A coil or winding that direct current harms, or whose core it saturates; the largest current counts. */
export interface WindingStake extends Stake {
  type: 'winding';
  elements: string[];
  limit: Limit;
  /** Nothing is damaged: the core saturates, bass distorts. */
  saturates?: true;
}

/** An element that a voltage destroys, either way round. */
export interface CapsuleStake extends Stake {
  type: 'capsule';
  between: [Node, Node];
  stands: Limit;
  reverse: Limit;
}

/** The most that a link can put out before it clips; `volts` is the peak of a sine. */
export interface OutputLimit extends Stake {
  type: 'greatest output';
  /** Where that is measured. */
  between: [Node, Node];
  volts: Volts;
  /** What sets it. */
  because: string;
  basis: Basis;
  where?: string;
  /** A core clips at low frequencies only: the frequency it is stated for, in hertz; it takes more in proportion above. */
  at?: number;
}

/** An output that current driven into it harms; the largest current counts. */
export interface OutputStake extends Stake {
  type: 'output';
  elements: string[];
  limit: Limit;
}

/** An output capacitor that stands so much voltage; the highest counts. */
export interface CapacitorStake extends Stake {
  type: 'output capacitor';
  between: [Node, Node][];
  stands: Limit;
}

/** What a feed has to deliver, against the most it should. */
export interface FeedStake extends Stake {
  type: 'feed';
  feed: string;
  element: string;
  resistors: string[];
  /** Absent where the feed's own resistor limits it: plug-in power. */
  limit?: { value: Amps; source: string };
}

export type AnyStake =
  SupplyStake | WindingStake | CapsuleStake | OutputStake | CapacitorStake | FeedStake | OutputLimit;

/** What an inlet listens to. */
export interface Channel {
  name: string;
  hot: Node;
  cold: Node;
  /** Contacts of the plug's side, for words. */
  contacts: [Contact, Contact];
  balanced: boolean;
}

/** How a conductor runs through a link, for drawing. */
export interface Path {
  /** The further socket it belongs to, where it is not the main way through. */
  port?: string;
  from: Contact;
  to: Contact;
  look: 'wire' | 'open' | 'resistor' | 'capacitor' | 'transformer' | 'amplifier';
  /** Share of the way at which an open conductor is broken, 0 to 1. */
  at?: number;
}

/** Something across conductors inside a link, for drawing. */
export interface Bridge {
  contacts: [Contact, Contact];
  look: 'short' | 'leak' | 'joined';
  /** 0 at the source's end, 1 at the inlet's. */
  at: number;
}

export type Reading = { label: string; volts?: Volts; amps?: Amps };
