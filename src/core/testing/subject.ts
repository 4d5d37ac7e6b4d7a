import {
  asDrawn,
  CONNECTORS,
  inletKind,
  linkKind,
  lineCircuit,
  reader,
  sourceKind,
  type Contact,
  type ContactFault,
  type Junction,
  type Line,
  type PartRef,
} from '../gear';
import type { FeedName } from '../standards/feeds';
import type { Seconds } from '../units';

/** One way a line may be: its parts as they are set, and what is wrong with its contacts. */
export interface World {
  line: Line;
  faults: readonly ContactFault[];
}

/** What of a part may fail, for how often it does. */
export type PartClass = 'cable' | 'adapter' | 'patch point' | 'box' | 'source' | 'inlet';

/** A line that is tested: as it should be, whatever the drawing says is wrong with it. */
export interface Subject {
  line: Line;
  sound: World;
  /** What its inlet is set to. */
  feed: FeedName;
  /** What puts direct voltage on it: its inlet, a supply on the way, or nothing. */
  fedBy: 'inlet' | 'supply' | 'nothing';
  /** Something on it has no power but from that. */
  livesOnFeed: boolean;
  /** From feed off until something may be unplugged. */
  wait: Seconds;
  /** How many links there are; junction 0 is at the source, the last one at the inlet. */
  links: number;
  /** Where its parts meet. */
  junctions: readonly Junction[];
}

/** @param wait from feed off until something may be unplugged, as the school has it */
export function subjectOf(line: Line, wait: Seconds): Subject {
  const good = asDrawn({ ...line, links: line.links.map(({ faults: _faults, ...part }) => part) });
  const kind = inletKind(good.inlet.kind);
  const feed = 'feed' in kind.choices ? (reader(kind, good.inlet).choice('feed') as FeedName) : 'off';
  const { junctions, stakes } = lineCircuit(good);
  const feeding = stakes.filter(({ type }) => type === 'feed');
  return {
    line: good,
    sound: { line: good, faults: [] },
    feed,
    wait,
    links: good.links.length,
    junctions,
    fedBy: feeding.some(({ part }) => part === 'inlet') ? 'inlet' : feeding.length ? 'supply' : 'nothing',
    livesOnFeed: stakes.some((stake) => stake.type === 'supply' && !stake.battery),
  };
}

const NATURES: Partial<Record<NonNullable<ReturnType<typeof linkKind>['nature']>, PartClass>> = {
  cable: 'cable',
  'plain adapter': 'adapter',
  'TRS patch point': 'patch point',
};

export function classOf({ line }: Subject, part: PartRef): PartClass {
  if (typeof part === 'string') return part;
  return NATURES[linkKind(line.links[part].kind).nature ?? 'splitter'] ?? 'box';
}

/** Whether a part is nothing but wire: an ohmmeter may be put across it. */
export const isWire = (subject: Subject, part: PartRef): boolean =>
  ['cable', 'adapter'].includes(classOf(subject, part));

/** A part as people call it. */
export function partName({ line }: Subject, part: PartRef): string {
  if (part === 'inlet') return line.inlet.name ?? 'the inlet';
  const own = part === 'source' ? line.source : line.links[part];
  const kind = part === 'source' ? sourceKind(own.kind) : linkKind(own.kind);
  return own.name ?? kind.label;
}

/** The contacts that a meter finds at a junction: the common one, and the others. */
export interface Contacts {
  reference: Contact;
  legs: readonly Contact[];
}

const contactsOf = (connector: keyof typeof CONNECTORS): Contacts => {
  const { contacts, reference } = CONNECTORS[connector];
  return { reference, legs: contacts.filter((contact) => contact !== reference) };
};

/** What is found at a junction with the plug out: the socket's contacts, towards the inlet. */
export const socketContacts = ({ junctions }: Subject, junction: number): Contacts =>
  contactsOf(junctions[junction].socket);

const NAMES: Partial<Record<Contact, string>> = {
  T: 'tip',
  R: 'ring',
  S: 'sleeve',
  R1: 'first ring',
  R2: 'second ring',
};

/** A contact as people call it: `pin 3`, `tip`. */
export const contactName = (contact: Contact): string => NAMES[contact] ?? `pin ${contact}`;
/** Two contacts: `pins 2 and 3`, `tip and sleeve`. */
export const contactNames = ([a, b]: readonly [Contact, Contact]): string =>
  NAMES[a] ? `${contactName(a)} and ${contactName(b)}` : `pins ${a} and ${b}`;

/** Whether a kind of source is switched on, turned up or has a battery of its own: it may have been forgotten. */
export function isSwitched(source: string): boolean {
  const { choices, byHand, character } = sourceKind(source);
  return 'battery' in choices || byHand !== undefined || character === 'line output';
}

/** What can hurt people where its source is taken out: the high voltage of a valve microphone. */
export function highVoltageOf({ line }: Subject): string {
  const { highVoltage, caution } = sourceKind(line.source.kind);
  return highVoltage && caution ? ` ${caution}` : '';
}

/** How something is done that needs the line unplugged: muted, whatever feeds it off and its wait over, and back. */
export function unplugged({ fedBy }: Subject, what: string): string {
  if (fedBy === 'nothing') return `Mute, ${what}, unmute.`;
  const feed = fedBy === 'inlet' ? 'feed' : 'supply';
  return `Mute, ${feed} off, wait, ${what}, ${feed} on, unmute.`;
}
