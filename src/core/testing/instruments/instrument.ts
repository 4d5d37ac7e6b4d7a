import type { ContactFault } from '../../gear';
import type { Seconds } from '../../units';
import type { Standing } from '../costs';
import type { Hypothesis } from '../hypotheses/hypothesis';
import type { Outcome, Shown } from '../outcome';
import type { Subject, World } from '../subject';

/** Where something is looked at: a junction counted from the source, a part, the desk. */
export type At = `junction ${number}` | `link ${number}` | 'source' | 'inlet' | 'desk';

/** One look with one instrument at one place. */
export interface Look {
  instrument: string;
  at: At;
  /** The question. */
  ask: string;
  /** What is done first, in a sentence. */
  how: string;
  /** Which end of the line it is done at. */
  where: 'source' | 'desk' | 'both';
  /** Something is unplugged for it. */
  unplugs?: true;
  /** The feed goes on for it. */
  feedOn?: true;
}

/** How things may be: what is wrong with the circuit, and what else. */
export type Case = Pick<Hypothesis, 'world' | 'condition' | 'part' | 'act' | 'sometimes'>;

/** An instrument, everything about it in one place. */
export interface Instrument {
  name: string;
  label: string;
  /** What it is, and what must hold before it may be used. */
  about: string;
  /** What it takes: eyes, ears and hands; something to measure with; a good one to put in its place. */
  hand: 'bare' | 'tool' | 'spare';
  /** How often it is misread (assumed; learned from contradictions). */
  errs: number;
  /** How likely what is there only at times is there while it is looked at (assumed). */
  catches: number;
  /** It is used only where that one is not at hand, which says the same and is safer. */
  failing?: string;
  /** Every place of a line where it says something. */
  looks(subject: Subject): Look[];
  /** What it shows if things are as given. @param asIt nothing wrong at all */
  shows(subject: Subject, look: Look, asIt: Case | undefined): Shown;
  /** Whether a fault lies where this look cannot reach, so that it shows what it would without. */
  misses?(look: Look, fault: ContactFault): boolean;
  /** What somebody read, as an outcome's key. @throws ObservationError */
  read(subject: Subject, look: Look, seen: unknown): string;
  /** The numbers it shows, where it shows any: in what unit, and by what names. */
  numbers?(subject: Subject, look: Look): { unit: string; labels: string[] };
  /** What it takes at its place, what has to be switched before included, walks not. */
  seconds(subject: Subject, look: Look, standing: Standing): Seconds;
  /** How the line is left: muted with its feed off, or open. */
  leavesOff: boolean;
}

/** What was written down of a look is none that the instrument can show. */
export class ObservationError extends Error {
  override name = 'ObservationError';
  constructor(
    message: string,
    /** Where in an observation. */
    readonly path: string = 'seen',
  ) {
    super(message);
  }
}

/** How likely what is there only at times is there: at rest, and while it is moved (assumed). */
export const [AT_REST, MOVED] = [0.35, 0.85];

/** The number in a place: of a junction, or of a link. */
export const numberOf = ({ at }: Pick<Look, 'at'>): number => Number(at.split(' ')[1]);

export const worldOf = (subject: Subject, asIt: Case | undefined): World => asIt?.world ?? subject.sound;

/** One of a few keys. @throws ObservationError */
export function oneOfKeys(seen: unknown, outcomes: readonly Outcome[]): string {
  const keys = outcomes.map(({ key }) => key);
  if (typeof seen === 'string' && keys.includes(seen)) return seen;
  throw new ObservationError(`must be one of: ${keys.map((key) => `"${key}"`).join(', ')}`);
}
