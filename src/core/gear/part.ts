import type { Contact } from './connectors';
import type { Figure } from './figures';

/** A fault of a cable. `at` is metres from the source's end; absent means at the inlet's end. */
export type Fault =
  | { type: 'open'; contact: Contact; at?: number }
  | { type: 'swapped'; contacts: [Contact, Contact] }
  | { type: 'shorted'; contacts: [Contact, Contact] }
  | { type: 'leaky'; contacts: [Contact, Contact]; ohms: number }
  | { type: 'shield to cold' };

/** A source, link or inlet as a document holds it: a kind, and whatever differs from that kind's catalogue entry. */
export interface Part {
  kind: string;
  /** For links that other lines are plugged into: what those call it by. */
  id?: string;
  /** The item of the kit it was taken from. */
  item?: string;
  name?: string;
  note?: string;
  figures?: Record<string, Figure>;
  choices?: Record<string, string>;
  faults?: Fault[];
  /** Who answered for a figure or a choice, by its name. */
  facts?: Record<string, Fact>;
}

/** A maker's or owner's answer: who gave it, when (a date), and where it is written. */
export interface Fact {
  who: string;
  when: string;
  where?: string;
}

/** A link on the way of a line, and the sockets it is entered and left by where these are not its main ones. */
export interface PathLink extends Part {
  entry?: string;
  exit?: string;
}

/** Another line that hangs on the same conductors: at a further socket of a link, towards a source or towards an inlet. */
export interface Branch {
  /** The line it belongs to. */
  line: string;
  name: string;
  /** Link of the path it hangs on, and the socket there. */
  at: number;
  port: string;
  /** One of the two: where it begins, or where it ends. */
  source?: Part;
  inlet?: Part;
  /** The device its inlet belongs to, and how that is grounded. */
  device?: string;
  ground?: Grounding;
  /** In the order from source to inlet. */
  links: PathLink[];
  branches?: Branch[];
}

/** The switch that an inlet's feed hangs on. */
export interface FeedSwitch {
  name: string;
  offers: readonly string[];
  /** Names of the other lines that it reaches. */
  reaches: readonly string[];
  /** Seconds over which the feed rises or falls. */
  ramp?: number;
  /** It mutes its inlets while it switches. */
  mutes?: boolean;
  /** Another line that it reaches lives on this feed. */
  needed?: boolean;
}

export const GROUNDINGS = ['earthed', 'floating', 'unknown'] as const;
/** How the ground of a device stands to mains earth: joined to it, free of it (cells, class II supply), or nobody has said. */
export type Grounding = (typeof GROUNDINGS)[number];

/** One line: a source, its links in order, the inlet, and whatever else hangs on its conductors. */
export interface Line {
  id: string;
  name: string;
  note?: string;
  source: Part;
  links: PathLink[];
  inlet: Part;
  branches?: Branch[];
  switch?: FeedSwitch;
  /** The device its inlet belongs to, and how that is grounded; absent is not known. */
  device?: string;
  ground?: Grounding;
  /** Metres from where its source stands to its inlet, where the rig says so. */
  run?: number;
}

/** Which part of a line: the source, the n-th link (0 is next to the source), the inlet. */
export type PartRef = 'source' | 'inlet' | number;

export const partAt = (line: Line, ref: PartRef): Part => (typeof ref === 'number' ? line.links[ref] : line[ref]);
