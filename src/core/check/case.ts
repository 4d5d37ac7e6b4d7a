import {
  BASIS_LABELS,
  CONNECTORS,
  inletKind,
  inletReader,
  kindAt,
  linkKind,
  partAt,
  reader,
  sourceKind,
  type Basis,
  type Line,
  type MeantFor,
  type Option,
  type Part,
  type PartRef,
  type Reader,
  type Wiring,
} from '../gear';
import type { Edit, FreeInlet } from '../gear/edits';
import type { Plugging } from '../transients';
import { quantity, rounded, uncapital } from '../units/format';
import { FEEDS, isPhantom, type FeedFamily, type FeedName } from '../standards/feeds';
import type { Finding } from './finding';
import { type SchoolName, type Schools, SCHOOLS, schoolLabel } from '../schools/schools';
import { meter, type Solved } from './solve';

/** The line as it would be if a question to the maker had one particular answer. */
export interface Alternative {
  part: PartRef;
  choice: string;
  value: string;
  label: string;
  ask: string;
  /** Every answer that somebody may record. */
  answers: readonly Option[];
  solved: Solved;
  findings: Finding[];
}

/** Everything a rule may look at. */
export interface Case extends Solved {
  schools: Schools;
  /** One for each answer to each open question of the line. */
  alternatives: Alternative[];
  /** Inlets that nothing is plugged into. */
  free: readonly FreeInlet[];
  /** What lies in the kit and is not in use; undefined where nobody said. */
  kit?: readonly Spare[];
  /** What the source takes while its line is plugged live; absent where nobody asked for it. */
  plugged?: () => Plugging;
  /** Another line like this one, solved. */
  solve(line: Line, wiring?: Wiring): Solved;
  /** The line solved after some edits. */
  whatIf(edits: Edit[]): Solved;
}

/** Links of the kit that nothing uses. */
export interface Spare {
  part: Part;
  name: string;
  count: number;
}

/** One rule: a case in, its findings out. The code is the finding's code. */
export interface Rule {
  code: string;
  judge(at: Case): Finding[];
}

/** A rule's finding with the usual fields filled in. */
export const finding = (
  given: Pick<Finding, 'code' | 'severity' | 'part' | 'what' | 'why' | 'basis'> & Partial<Finding>,
): Finding => {
  const guess = given.numbers?.find(({ limit }) => limit?.basis === 'assumed')?.limit;
  return {
    numbers: [],
    remedies: [],
    ...(guess && { assumed: guess.label }),
    ...given,
    what: capital(given.what),
    why: capital(given.why),
  };
};

export const capital = (text: string) => text.trim().replace(/^./, (first) => first.toUpperCase());

export const readPart = (line: Line, ref: PartRef): Reader =>
  reader(kindAt(ref, partAt(line, ref).kind), partAt(line, ref));

const plainName = (line: Line, ref: PartRef): string => {
  const part = partAt(line, ref);
  return part.name?.trim() || kindAt(ref, part.kind).label;
};

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'];

/** What people call a part: the name it was given, else its kind; which one, counted from the source, where several share it. */
export function nameOf(line: Line, ref: PartRef): string {
  const name = plainName(line, ref);
  if (typeof ref !== 'number') return name;
  const alike = [...line.links.keys()].filter((n) => plainName(line, n) === name);
  return alike.length === 1 ? name : `${name} (${ORDINALS[alike.indexOf(ref)] ?? `number ${alike.indexOf(ref) + 1}`})`;
}

/** The feed switched on at the inlet, `off` where there is none. */
export const feedOf = (line: Line): FeedName =>
  'feed' in inletKind(line.inlet.kind).choices ? (readPart(line, 'inlet').choice('feed') as FeedName) : 'off';

/** Whether the inlet could feed phantom, now or at the press of a switch. */
export const canFeedPhantom = (line: Line): boolean => offeredFeeds(line).some((feed) => isPhantom(feed as FeedName));

/** Feeds that the line's inlet can be switched to: by its switch where it hangs on one, else by its kind. */
export const offeredFeeds = (line: Line): readonly string[] =>
  line.switch?.offers ?? inletKind(line.inlet.kind).choices.feed?.options.map(({ value }) => value) ?? [];

/** The family of the feed that is on at the inlet; undefined with none. */
export const feedFamily = (line: Line): FeedFamily | undefined => {
  const feed = feedOf(line);
  return feed === 'off' ? undefined : FEEDS[feed].family;
};

/** The feed that is on, as people say it: "48 V". */
export const feedName = (line: Line): string => {
  const feed = feedOf(line);
  return feed === 'off' ? 'the feed' : FEEDS[feed].label;
};

/** Highest direct voltage between a contact and the reference contact at a junction, whichever way round. */
export function feedAt({ circuit, point }: Solved, junction: number): number {
  const { plug, nodes } = circuit.junctions[junction];
  const { contacts, reference } = CONNECTORS[plug];
  return Math.max(
    ...contacts.flatMap((contact) =>
      contact === reference ? [] : [Math.abs(meter(point, [nodes[contact], nodes[reference]]))],
    ),
  );
}

/** What the socket that a line ends in is meant for, as it is set. */
export function meantFor({ line, circuit }: Solved): MeantFor {
  const kind = inletKind(line.inlet.kind);
  return kind.meantFor(reader(kind, line.inlet), circuit.junctions.at(-1)!.plug);
}

/** Reads a line's inlet as it counts for the plug in it. */
export const readInlet = ({ line, circuit }: Solved): Reader =>
  inletReader(inletKind(line.inlet.kind), line.inlet, circuit.junctions.at(-1)!.plug);

export const characterOf = (line: Line) => sourceKind(line.source.kind).character;

/** Whether a source only plays what no one microphone hears: lines, pickups and instruments. */
export const isMicrophone = (line: Line): boolean => !['line output', 'pickup'].includes(characterOf(line));

/** Positions of links of one nature. */
export const linksOf = (line: Line, nature: string): number[] =>
  line.links.flatMap((part, n) => (linkKind(part.kind).nature === nature ? [n] : []));

/** Whether another line hangs on a link, or this one comes in or goes out by another line's: then it stays where it is. */
export const isShared = ({ links, branches = [] }: Line, n: number): boolean =>
  branches.some(({ at }) => at === n) || links[n].entry !== undefined || links[n].exit !== undefined;

/** Positions of cables with faults. */
export const faulty = (line: Line): number[] => line.links.flatMap((part, n) => (part.faults?.length ? [n] : []));

export const schoolOf = (at: Case, name: SchoolName) => ({
  school: { name, choice: at.schools[name] },
  basis: `your school: ${SCHOOLS[name].question}: ${schoolLabel(name, at.schools[name])}`,
});

/** What a limit rests on, in words. */
export function restsOn({ label, basis, where }: { label: string; basis: Basis; where?: string }): string {
  const said = BASIS_LABELS[basis];
  return `${uncapital(label)}: ${[where?.includes(said) ? '' : said, where ?? ''].filter(Boolean).join(', ')}`;
}

/** "rated for 10 V", "rated for 0.1 mA (assumed)". */
export const ratedFor = ({ value, basis }: { value: number; basis: Basis }, unit: string): string =>
  `rated for ${quantity(value, unit)}${basis === 'assumed' ? ' (assumed)' : ''}`;

/** "needs 32 V (data sheet)", "usually needs 8 V". */
export const needsWords = ({ value, basis, label }: { value: number; basis: Basis; label: string }): string => {
  if (label.startsWith('Left by')) return `a standard 48 V feed leaves ${quantity(value, 'V')} or more`;
  return basis === 'maker' || basis === 'measured' || basis === 'published'
    ? `needs ${quantity(value, 'V')} (${BASIS_LABELS[basis]})`
    : `usually needs ${quantity(value, 'V')}`;
};

export const heldAgainst = ({ label, value, basis, where }: NonNullable<Finding['numbers'][number]['limit']>) => ({
  label,
  value,
  basis,
  where,
});

export { quantity, rounded };
