import type { Contact, ConnectorId } from './connectors';
import type { ChoiceSpec, Figure, FigureSpec } from './figures';
import type { Bench } from './bench';

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

/** What every kind of gear has in common. */
export interface Kind {
  kind: string;
  label: string;
  /** One sentence that tells somebody in the rain whether this is what they hold. */
  summary: string;
  /** What can hurt people here. */
  caution?: string;
  figures: Record<string, FigureSpec>;
  choices: Record<string, ChoiceSpec>;
}

/** Groups sources by what they tolerate; rules speak of these and never of kinds. */
export type Character = 'moving coil' | 'passive ribbon' | 'powered' | 'self-powered' | 'line output' | 'pickup';

/** Sockets by what they are meant for: a line output goes to a line socket, a pickup to an instrument socket. */
export type MeantFor = 'microphone' | 'line' | 'instrument' | 'plug-in';

/** How a source's open-circuit level follows from its figures. */
export type LevelFrom = 'sensitivity' | 'output level';

export interface SourceKind extends Kind {
  role: 'source';
  character: Character;
  level: LevelFrom;
  connector(part: Reader): ConnectorId;
  /** The contacts between which it plays, where these are not its connector's first pair. */
  pair?(part: Reader): readonly [Contact, Contact];
  /** It plays two channels that share mono material: left and right of a stereo plug. */
  stereo?(part: Reader): boolean;
  /** What somebody does to it before it is plugged, and when it is packed, besides its settings. */
  byHand?: { before: string; after: string };
  /** Adds the source to the circuit; open-circuit output between the signal contacts is 1 V in mid-band. */
  build(bench: Bench): void;
}

/** A further socket of a link, beside the two that `ends` names. */
export interface Port {
  side: 'input' | 'output' | 'both';
  connector: ConnectorId;
  label: string;
}

export interface LinkKind extends Kind {
  role: 'link';
  ends(part: Reader): { input: ConnectorId; output: ConnectorId };
  ports?(part: Reader): Record<string, Port>;
  /** Gain of a sound link between its intended neighbours, by the socket it is left by, in dB; absent means 0. */
  gain?(part: Reader, exit?: string): number;
  /** What kind of thing it is, where rules or remedies must know. */
  nature?: 'cable' | 'plain adapter' | 'TRS patch point' | 'blocks feed' | 'supply' | 'splitter' | 'passive Y';
  /** What somebody does to it before its line is plugged; `unfed`: never while the line's feed is on or charged. */
  byHand?: { before: string; unfed?: true };
  /** Two channels stay apart in it on purpose: left and right have a socket each. */
  keepsChannelsApart?: boolean;
  /** What a plan and the remedies have to know of it. */
  planning?: Planning;
  faults?: boolean;
  build(bench: Bench): void;
}

/** How a link may stand in a chain. */
export interface Planning {
  /** How hard it is to understand, carry and power; the plan prefers little of it (an assumption of ours). */
  complexity: number;
  /** It changes the connector of a line, so that a chain may be built over it. */
  adapts?: boolean;
  /** What comes from the inlet's end powers what is at the source's end, though no direct current passes straight through. */
  passesPower?: true;
  /** Kinds of source that it is made for; any where none is named. */
  serves?: readonly string[];
  /** Its usual place where it stands in an XLR line (common practice). */
  place?: 'booster' | 'isolation' | 't12' | 'level' | 'supply';
  /** Its wiring to other lines, or its settings, are somebody's decision: a plan leaves it where it is. */
  leftAlone?: boolean;
}

export interface InletKind extends Kind {
  role: 'inlet';
  /** Sockets it offers; a combination socket has two. */
  sockets: readonly ConnectorId[];
  /** What the socket that a plug goes into is meant for, as it is set. */
  meantFor(part: Reader, plug: ConnectorId | undefined): MeantFor;
  /** The figure that counts for a plug and as the inlet is set, where several sockets have figures of their own. */
  figureFor?(part: Reader, plug: ConnectorId | undefined, figure: string): string;
  build(bench: Bench): void;
}

export type AnyKind = SourceKind | LinkKind | InletKind;

/** Reads figures (in SI units) and choices of a part, falling back to its kind's catalogue entry. */
export interface Reader {
  value(figure: string): number;
  optional(figure: string): number | undefined;
  choice(name: string): string;
}
