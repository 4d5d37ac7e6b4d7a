import { inletKind, kindAt, linkKind, partAt, reader, type Line, type PartRef, type Reader } from '../gear';
import type { Edit, FreeInlet } from '../rig/edits';
import type { Plugging } from '../switching';
import { quantity } from '../units/format';
import { isPhantom, type FeedName } from '../standards/feeds';
import type { Finding } from './finding';
import type { SchoolName, Schools } from './schools';
import { schoolLabel } from './schools';
import { meter, type Solved } from './solve';

/** The line as it would be if a question to the maker had one particular answer. */
export interface Alternative {
  part: PartRef;
  choice: string;
  value: string;
  label: string;
  ask: string;
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
  /** What the source takes while its line is plugged live; absent where nobody asked for it. */
  plugged?: () => Plugging;
  /** Another line like this one, solved. */
  solve(line: Line): Solved;
  /** The line solved after some edits. */
  whatIf(edits: Edit[]): Solved;
}

/** One rule: a case in, its findings out. The code is the finding's code. */
export interface Rule {
  code: string;
  judge(at: Case): Finding[];
}

/** A rule's finding with the usual fields filled in. */
export const finding = (
  given: Pick<Finding, 'code' | 'severity' | 'part' | 'what' | 'why' | 'basis'> & Partial<Finding>,
): Finding => ({ numbers: [], remedies: [], ...given, what: capital(given.what), why: capital(given.why) });

const capital = (text: string) => text.trim().replace(/^./, (first) => first.toUpperCase());

export const readPart = (line: Line, ref: PartRef): Reader =>
  reader(kindAt(ref, partAt(line, ref).kind), partAt(line, ref));

/** What people call a part: the name it was given, else its kind. */
export function nameOf(line: Line, ref: PartRef): string {
  const part = partAt(line, ref);
  return part.name?.trim() || kindAt(ref, part.kind).label;
}

/** The feed switched on at the inlet, `off` where there is none. */
export const feedOf = (line: Line): FeedName =>
  'feed' in inletKind(line.inlet.kind).choices ? (readPart(line, 'inlet').choice('feed') as FeedName) : 'off';

/** Whether the inlet could feed phantom, now or at the press of a switch. */
export const canFeedPhantom = (line: Line): boolean => offeredFeeds(line).some((feed) => isPhantom(feed as FeedName));

/** Feeds that the line's inlet can be switched to: by its switch where it hangs on one, else by its kind. */
export const offeredFeeds = (line: Line): readonly string[] =>
  line.switch?.offers ?? inletKind(line.inlet.kind).choices.feed?.options.map(({ value }) => value) ?? [];

/** Highest direct voltage between a contact and the reference contact at a junction. */
export function feedAt({ circuit, point }: Solved, junction: number): number {
  const { nodes } = circuit.junctions[junction];
  const [reference, ...others] = Object.entries(nodes)
    .sort(([a], [b]) => rank(a) - rank(b))
    .map(([, node]) => node);
  return Math.max(...others.map((node) => Math.abs(meter(point, [node, reference]))));
}
/** The reference contact first: pin 1, or the last contact of a jack. */
const rank = (contact: string) => ['1', 'S', 'R2', 'R1', 'R', 'T'].indexOf(contact);

/** Positions of links of one nature. */
export const linksOf = (line: Line, nature: string): number[] =>
  line.links.flatMap((part, n) => (linkKind(part.kind).nature === nature ? [n] : []));

/** Positions of cables with faults. */
export const faulty = (line: Line): number[] => line.links.flatMap((part, n) => (part.faults?.length ? [n] : []));

export const schoolOf = (at: Case, name: SchoolName) => ({
  school: { name, choice: at.schools[name] },
  basis: `school “${schoolLabel(name, at.schools[name])}”`,
});

/** What a limit rests on, in words. */
export const restsOn = (limit: { label: string; basis: string; where?: string }): string =>
  `${limit.label.toLowerCase()}: ${limit.basis}${limit.where ? `, ${limit.where}` : ''}`;

export const heldAgainst = ({ label, value, basis, where }: NonNullable<Finding['numbers'][number]['limit']>) => ({
  label,
  value,
  basis,
  where,
});

export { quantity };
