import type { Branch, Line, Part, PathLink } from '../../gear';
import type { Verdict } from '../finding';
import type { Schools } from '../../schools/schools';

/** A situation of the trade, with the verdict an engineer would give. */
export interface Situation {
  id: string;
  /** Who, with what, through what, into what, which feed. */
  what: string;
  line: Line;
  verdict: Verdict;
  /** Codes of everything that is told as Watch or worse, in the order in which it is told. */
  codes: readonly string[];
  /** Why, in one sentence. */
  because: string;
  /** A published source, a formula, or common practice. */
  basis: string;
  /** Choices that differ from the careful default. */
  schools?: Partial<Schools>;
}

/** Situations of one theme. */
export interface Theme {
  theme: string;
  title: string;
  situations: Situation[];
}

/** One row of a theme. */
export type Told = readonly [
  id: string,
  what: string,
  line: Line,
  verdict: Verdict,
  codes: readonly string[],
  because: string,
  basis: string,
  schools?: Partial<Schools>,
];

/** A theme written down row by row. */
export const theme = (name: string, title: string, rows: readonly Told[]): Theme => ({
  theme: name,
  title,
  situations: rows.map(([id, what, line, verdict, codes, because, basis, schools]) => ({
    id: `${name}-${id}`,
    what,
    line: { ...line, id: `${name}-${id}`, name: what },
    verdict,
    codes,
    because,
    basis,
    ...(schools && { schools }),
  })),
});

/** A line from a source over links to an inlet. */
export const line = (source: Part, ...rest: [...PathLink[], Part]): Line => ({
  id: '',
  name: '',
  source,
  links: rest.slice(0, -1),
  inlet: rest.at(-1)!,
});

/** The line with another one hanging on one of its links. */
export const shared = (own: Line, at: number, branch: Omit<Partial<Branch>, 'at'>): Line => ({
  ...own,
  links: own.links.with(at, { ...own.links[at], id: 'shared' }),
  branches: [{ line: 'other', name: 'the other line', port: 'b', links: [], ...branch, at }],
});
