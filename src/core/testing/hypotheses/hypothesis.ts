import type { Part, PartRef } from '../../gear';
import { partName, type Subject, type World } from '../subject';
import type { Repair } from './priors';

/** What is no fault of the circuit. */
export type Condition = 'muted' | 'padded' | 'elsewhere' | 'silent source' | 'dead inlet' | 'dead link';

/** What would put it right. */
export interface Act {
  id: string;
  text: string;
  part: PartRef | 'desk';
}

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

/** A hypothesis with how often it is against the others, before that is a share. */
export type Draft = Omit<Hypothesis, 'prior' | 'id'> & { weight: number };

const PUSH_HOME = 'push home ';

/** The act that pushes a plug home, by its junction. */
export const pushHome = (junction: number): string => `${PUSH_HOME}${junction}`;

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

/** What would put a part right. */
export function actOn(subject: Subject, part: PartRef): Act {
  const name = partName(subject, part);
  if (part === 'inlet') return { id: 'other inlet', text: 'Move the line to another inlet', part };
  if (part === 'source') return { id: 'other source', text: `Swap the source: ${name}`, part };
  return { id: `swap link ${part}`, text: `Swap ${name} for a good one`, part };
}

/** By what a part is known from job to job: its item of the kit, or what it is called. */
export const itemOf = (subject: Subject, part: PartRef): string | undefined => {
  const own: Part = part === 'source' || part === 'inlet' ? subject.line[part] : subject.line.links[part];
  return own.item ?? own.name;
};
