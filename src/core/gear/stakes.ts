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

/** A part that needs power from the line. The highest of `between` counts. */
export interface SupplyStake extends Stake {
  type: 'supply';
  wants: 'phantom' | 'plug-in power' | 'T12';
  between: [Node, Node][];
  contacts: string;
  needs: Limit;
  stops: Limit;
  stands?: Limit;
  /** Its own battery is in and on. */
  battery: boolean;
}

/** A coil or winding that direct current harms; the largest current counts. */
export interface WindingStake extends Stake {
  type: 'winding';
  elements: string[];
  limit: Limit;
}

/** An element that a voltage destroys. */
export interface CapsuleStake extends Stake {
  type: 'capsule';
  between: [Node, Node];
  stands: Limit;
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
  limit: { value: Amps; source: string };
}

export type AnyStake = SupplyStake | WindingStake | CapsuleStake | OutputStake | CapacitorStake | FeedStake;

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
