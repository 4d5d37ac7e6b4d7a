import type { Contact, ConnectorId } from './connectors';
import type { Bench } from './bench';
import type { Character, Kind, LevelFrom, MeantFor } from './kind';
import type { Reader } from './reader';
import type { Decibels, Farads } from '../units';

/** What a catalogue entry of a source, a link or an inlet says: figures and choices, how it is wired, and what others have to know of it. */
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
  /** What the sockets are meant for that it belongs in; a microphone's where nothing is said. */
  belongsIn?: MeantFor;
  /** What its usual load costs it, where that is more than a voltage source would lose (common practice). */
  usualLoss?: Decibels;
  /** It comes with a supply of its own, which is switched by itself and the only thing it runs on. */
  ownSupply?: true;
  /** Its own supply holds a dangerous voltage: it warms up slowly and is not switched off and on. */
  highVoltage?: true;
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
  /** It stands in a line on purpose: nobody offers to take it out. */
  onPurpose?: true;
  /** A loop through the shield does not get past it. */
  breaksLoops?: true;
  /** The shield goes on over a capacitor alone. */
  shieldOver?: Farads;
  /** It brings an instrument onto a microphone line, and so belongs near the instrument. */
  directBox?: true;
  /** The kind that has two such in one housing: what a second source on its thru socket gets instead. */
  withTwoSides?: string;
  /** It turns the polarity, which is what somebody put it there for. */
  turnsPolarity?: true;
  /** What it is offered for where a line is to be mended; one kind for each. */
  mends?: Mends;
  /** Two channels stay apart in it on purpose: left and right have a socket each. */
  keepsChannelsApart?: boolean;
  /** What a plan and the remedies have to know of it. */
  planning?: Planning;
  faults?: boolean;
  build(bench: Bench): void;
}

/** What a line may be mended with. */
export type Mends =
  | 'isolation'
  | 'polarity'
  | 'pad'
  | 'attenuating lead'
  | 'passive box'
  | 'active box'
  | 'stereo box'
  | 'booster'
  | 'phantom supply'
  | 'T12 supply'
  | 'plug-in converter'
  | 'adapter'
  | 'stereo split'
  | 'split'
  | 'shield over a capacitor';

/** How a link may stand in a chain. */
export interface Planning {
  /** How hard it is to understand, carry and power; the plan prefers little of it (an assumption of ours). */
  complexity: number;
  /** It changes the connector of a line, so that a chain may be built over it. */
  adapts?: boolean;
  /** Codes of the findings that an engineer puts it into a line against; whether it helps, the check says. */
  against?: readonly string[];
  /** The choice that tells its builds apart, where one of them has to be got. */
  built?: string;
  /** What it gives, in the words in which a source says what it wants. */
  gives?: string;
  /** The settings in which it is tried as a supply, what each is called, and what it needs from the inlet. */
  tried?: readonly { choices?: Record<string, string>; set: string; feed: 'off' | 'P48' }[];
  /** It is nothing to get for a line that has what it takes. */
  plain?: true;
  /** It is plugged into an inlet by itself, without a cable behind it. */
  plugsIn?: true;
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
  /** It sits on its source: nothing but what it is plugged onto ends in it. */
  plugsOn?: true;
  /** An intercom, whose wires carry its own direct current. */
  intercom?: true;
  build(bench: Bench): void;
}

export type AnyKind = SourceKind | LinkKind | InletKind;
