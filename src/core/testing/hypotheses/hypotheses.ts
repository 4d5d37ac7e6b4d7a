import {
  CONNECTORS,
  inletKind,
  lineCircuit,
  mate,
  sourceKind,
  withPart,
  type Contact,
  type ContactFault,
  type ContactTrouble,
  type Part,
  type PartRef,
} from '../../gear';
import { FEEDS, feedLabel, isPhantom, type FeedName } from '../../standards/feeds';
import type { Ohms } from '../../units';
import { FAILED_BEFORE, FAULTS, TABLE_COUNTS_AS, TROUBLES, type FaultType, type Repair } from './priors';
import { classOf, contactName, contactNames, isSwitched, partName, type Subject, type World } from '../subject';

/** A joint that conducts badly: enough to be found by a load, and not by a lamp (design of the test load). */
const BAD_JOINT: Ohms = 1000;
/** What damp leaves between contacts, 10 kΩ to 1 MΩ (common practice); the middle of that. */
const DAMP: Ohms = 47e3;
/** A feed whose resistors let too little through (assumed): open it reads well. */
const WEAK_FEED: Ohms = 33e3;

/** What is no fault of the circuit. */
export type Condition = 'muted' | 'padded' | 'elsewhere' | 'silent source' | 'dead inlet' | 'dead link';

/** What would put it right. */
export interface Act {
  id: string;
  text: string;
  part: PartRef | 'desk';
}

/** Whether an act puts right what is wrong: its own does, and whatever unplugs a plug that is not home pushes it home. */
export function cures(
  { id, part }: Act,
  { act, part: wrong, condition }: Pick<Hypothesis, 'act' | 'part' | 'condition'>,
  links: number,
): boolean {
  if (id === act.id) return true;
  if (condition || wrong === 'desk' || !act.id.startsWith(PUSH_HOME) || part === 'desk') return false;
  const junction = Number(act.id.slice(PUSH_HOME.length));
  if (part === 'source') return junction === 0;
  if (part === 'inlet') return junction === links;
  return !id.startsWith(PUSH_HOME) && (junction === part || junction === part + 1);
}

const PUSH_HOME = 'push home ';

/** One thing that may be wrong. */
export interface Hypothesis {
  id: string;
  what: string;
  part: PartRef | 'desk' | 'nothing';
  act: Act;
  /** How likely before anything is looked at, all together being 1. */
  prior: number;
  world: World;
  /** Present only at times: while it is moved, mostly. */
  sometimes: boolean;
  condition?: Condition;
  counts: Repair;
}

type Draft = Omit<Hypothesis, 'prior' | 'id'> & { weight: number };

/** Everything that may be wrong with a line, one thing at a time; priors learned from repairs that helped. */
export function hypothesesOf(subject: Subject, repairs: readonly Repair[] = []): Hypothesis[] {
  const parts: PartRef[] = ['source', ...subject.line.links.keys(), 'inlet'];
  const drafts = [
    ...parts.flatMap((part) => partFaults(subject, part)),
    ...plugsNotHome(subject),
    ...sourceTroubles(subject),
    ...deskTroubles(subject),
    {
      what: 'nothing wrong now',
      part: 'nothing' as const,
      act: { id: 'leave', text: 'Leave it plugged and listen: nothing is wrong now', part: 'desk' as const },
      weight: TROUBLES.nothing,
      world: subject.sound,
      sometimes: false,
      counts: { class: 'desk' as const, type: 'nothing' as const },
    },
  ];
  return learned(drafts, repairs).map((draft, n) => ({ ...draft, id: `${n} ${draft.what}` }));
}

/** Weights as the table has them, with what was confirmed added, as shares. */
function learned(drafts: readonly Draft[], repairs: readonly Repair[]): Omit<Hypothesis, 'id'>[] {
  const total = drafts.reduce((sum, { weight }) => sum + weight, 0);
  const failedBefore = ({ counts }: Draft) =>
    repairs.filter(({ item }) => item !== undefined && item === counts.item).length;
  const added = drafts.map(() => 0);
  for (const repair of repairs) {
    const alike = drafts.flatMap((draft, n) =>
      draft.counts.class === repair.class && draft.counts.type === repair.type ? [n] : [],
    );
    const shares = alike.map((n) => drafts[n].weight * (1 + FAILED_BEFORE * failedBefore(drafts[n])));
    const all = shares.reduce((sum, share) => sum + share, 0);
    alike.forEach((n, k) => (added[n] += shares[k] / all));
  }
  const counted = added.reduce((sum, each) => sum + each, 0);
  return drafts.map(({ weight, ...draft }, n) => ({
    ...draft,
    prior: (TABLE_COUNTS_AS * (weight / total) + added[n]) / (TABLE_COUNTS_AS + counted),
  }));
}

/** A contact's or a pair's troubles, each with the words for it and how often it is. */
function troublesOf(contacts: readonly Contact[]): { type: FaultType; trouble: ContactTrouble; what: string }[] {
  const pairs = contacts.flatMap((a, n) => contacts.slice(n + 1).map((b): [Contact, Contact] => [a, b]));
  const { open, atTimes, bad } = { open: 'open', atTimes: 'open at times', bad: 'resistive' } as const;
  return [
    ...contacts.flatMap((contact) => [
      { type: open as FaultType, trouble: { type: 'open' as const, contact }, what: `${contactName(contact)} open` },
      {
        type: atTimes as FaultType,
        trouble: { type: 'open' as const, contact },
        what: `${contactName(contact)} open at times`,
      },
      {
        type: bad as FaultType,
        trouble: { type: 'resistive' as const, contact, ohms: BAD_JOINT },
        what: `bad joint on ${contactName(contact)}`,
      },
    ]),
    ...pairs.flatMap((pair) => [
      {
        type: 'shorted' as FaultType,
        trouble: { type: 'shorted' as const, contacts: pair },
        what: `${contactNames(pair)} shorted`,
      },
      {
        type: 'shorted at times' as FaultType,
        trouble: { type: 'shorted' as const, contacts: pair },
        what: `${contactNames(pair)} shorted at times`,
      },
      {
        type: 'swapped' as FaultType,
        trouble: { type: 'swapped' as const, contacts: pair },
        what: `${contactNames(pair)} swapped`,
      },
      {
        type: 'damp' as FaultType,
        trouble: { type: 'leaky' as const, contacts: pair, ohms: DAMP },
        what: `damp between ${contactNames(pair)}`,
      },
    ]),
  ];
}

const AT_TIMES: ReadonlySet<FaultType> = new Set(['open at times', 'shorted at times']);

/** Where a part's own contacts are: a link's plug, the source's, the inlet's socket. */
function endOfPart(
  { junctions, links }: Subject,
  part: PartRef,
): { junction: number; side: ContactFault['side']; contacts: readonly Contact[] } {
  if (part === 'inlet') {
    const { socket, plug } = junctions[links];
    const touched = mate(plug, socket) ?? {};
    return { junction: links, side: 'socket', contacts: CONNECTORS[socket].contacts.filter((own) => touched[own]) };
  }
  const junction = part === 'source' ? 0 : part + 1;
  const { plug, fits } = junctions[junction];
  // What is plugged nowhere has all its contacts.
  const unmade = fits ? junctions[junction].unmade : [];
  return { junction, side: 'plug', contacts: CONNECTORS[plug].contacts.filter((own) => !unmade.includes(own)) };
}

const itemOf = (subject: Subject, part: PartRef): string | undefined => {
  const own: Part = part === 'source' || part === 'inlet' ? subject.line[part] : subject.line.links[part];
  return own.item ?? own.name;
};

/** What would put a part right. */
export function actOn(subject: Subject, part: PartRef): Act {
  const name = partName(subject, part);
  if (part === 'inlet') return { id: 'other inlet', text: 'Move the line to another inlet', part };
  if (part === 'source') return { id: 'other source', text: `Swap the source: ${name}`, part };
  return { id: `swap link ${part}`, text: `Swap ${name} for a good one`, part };
}

function partFaults(subject: Subject, part: PartRef): Draft[] {
  const table = FAULTS[classOf(subject, part)];
  const { contacts, junction, side } = endOfPart(subject, part);
  const name = partName(subject, part);
  const item = itemOf(subject, part);
  const act = actOn(subject, part);
  const faults = troublesOf(contacts).flatMap(({ type, trouble, what }): Draft[] => {
    const weight = table[type];
    if (!weight) return [];
    return [
      {
        what: `${name}: ${what}`,
        part,
        act,
        weight,
        world: { line: subject.line, faults: [{ ...trouble, junction, side }] },
        sometimes: AT_TIMES.has(type),
        counts: { class: classOf(subject, part), type, ...(item !== undefined && { item }) },
      },
    ];
  });
  if (!table.dead) return faults;
  return [
    ...faults,
    {
      what: part === 'inlet' ? `${name}: dead` : `${name}: passes nothing`,
      part,
      act,
      weight: table.dead,
      world: subject.sound,
      sometimes: false,
      condition: part === 'inlet' ? 'dead inlet' : 'dead link',
      counts: { class: classOf(subject, part), type: 'dead', ...(item !== undefined && { item }) },
    },
  ];
}

/** A plug that does not sit home makes no contact at all. */
function plugsNotHome(subject: Subject): Draft[] {
  return subject.junctions.map(({ plug, unmade }, junction): Draft => {
    const after = junction < subject.links ? junction : 'inlet';
    const before = junction > 0 ? junction - 1 : 'source';
    const table = FAULTS[classOf(subject, after === 'inlet' ? before : after)];
    const contacts = CONNECTORS[plug].contacts.filter((own) => !unmade.includes(own));
    const where = `between ${partName(subject, before)} and ${partName(subject, after)}`;
    return {
      what: `plug not home ${where}`,
      part: before,
      act: { id: `${PUSH_HOME}${junction}`, text: `Unplug and push home ${where}`, part: before },
      weight: table['not home'] ?? FAULTS.cable['not home']!,
      world: {
        line: subject.line,
        faults: contacts.map((contact) => ({ type: 'open', contact, junction, side: 'plug' })),
      },
      sometimes: false,
      counts: { class: classOf(subject, before), type: 'not home' },
    };
  });
}

function sourceTroubles(subject: Subject): Draft[] {
  const { line } = subject;
  const kind = sourceKind(line.source.kind);
  const name = partName(subject, 'source');
  const battery = 'battery' in kind.choices;
  const same = { part: 'source' as const, world: subject.sound, sometimes: false, condition: 'silent source' as const };
  return [
    ...(isSwitched(line.source.kind)
      ? [
          {
            ...same,
            what: `${name}: ${battery ? 'switched off, or its battery empty' : 'switched off or turned down'}`,
            act: {
              id: 'source on',
              text: `Switch ${name} on${battery ? ' with a fresh battery' : ' and turn it up'}`,
              part: 'source' as const,
            },
            weight: TROUBLES['source off'],
            counts: { class: 'desk' as const, type: 'source off' as const },
          },
        ]
      : []),
    {
      ...same,
      what: `${name}: dead`,
      act: actOn(subject, 'source'),
      weight: TROUBLES['source dead'],
      counts: {
        class: 'source',
        type: 'source dead',
        ...(itemOf(subject, 'source') && { item: itemOf(subject, 'source') }),
      },
    },
  ];
}

const atInlet = ({ line }: Subject, choices: Record<string, string>): World => ({
  line: withPart(line, 'inlet', { ...line.inlet, choices: { ...line.inlet.choices, ...choices } }),
  faults: [],
});

function deskTroubles(subject: Subject): Draft[] {
  const { line, feed, sound } = subject;
  const desk = (
    type: keyof typeof TROUBLES,
    what: string,
    act: Omit<Act, 'part'>,
    more: Partial<Draft> = {},
    weight = TROUBLES[type],
  ): Draft => ({
    what,
    part: 'desk',
    act: { ...act, part: 'desk' },
    weight,
    world: sound,
    sometimes: false,
    counts: { class: 'desk', type },
    ...more,
  });
  // Where nothing lives on the feed, it makes no difference to what is heard.
  const fed = feed !== 'off' && lineCircuit(line).stakes.some((stake) => stake.type === 'supply' && !stake.battery);
  const others = (line.switch?.offers ?? []).filter((other) => other !== feed && isPhantom(other as FeedName));
  return [
    ...(fed
      ? [
          desk(
            'feed off',
            `${feedLabel(feed)} is off`,
            { id: 'feed on', text: `Turn ${feedLabel(feed)} on` },
            { world: atInlet(subject, { feed: 'off' }) },
          ),
          desk(
            'weak feed',
            'the feed is weak: it reads well open, and sags under load',
            { id: 'other inlet', text: 'Move the line to another inlet' },
            {
              part: 'inlet',
              world: {
                line: withPart(line, 'inlet', {
                  ...line.inlet,
                  figures: {
                    ...line.inlet.figures,
                    ...('feedResistance' in inletKind(line.inlet.kind).figures && {
                      feedResistance: { value: WEAK_FEED, unit: 'Ω', basis: 'assumed' },
                    }),
                  },
                }),
                faults: [],
              },
            },
          ),
        ]
      : []),
    ...others.map((other) =>
      desk(
        'other voltage',
        `the feed is set to ${FEEDS[other as Exclude<FeedName, 'off'>].label}`,
        { id: 'feed voltage', text: `Set the feed to ${feedLabel(feed)}` },
        { world: atInlet(subject, { feed: other }) },
        fed ? TROUBLES['other voltage'] / others.length : 0,
      ),
    ),
    desk(
      'muted',
      'muted, or its gain or fader down',
      { id: 'unmute', text: 'Unmute it and turn it up' },
      { condition: 'muted' },
    ),
    desk('padded', 'a pad is in', { id: 'pad out', text: 'Take the pad out' }, { condition: 'padded' }),
    desk(
      'elsewhere',
      'in another inlet, patch or channel',
      { id: 'right inlet', text: 'Follow the line to its inlet, and the inlet to its channel' },
      { condition: 'elsewhere' },
    ),
  ].filter(({ weight }) => weight > 0);
}
