import { feedIn, metresIn, numbersIn } from './cells';
import type { Grid } from './grid';
import { found, type Candidates } from './meaning';
import { headingsIn, isHeading, rolesOf, type Role } from './roles';

/** Where a list begins, and what its columns hold. */
export interface Columns {
  roles: (Role | undefined)[];
  /** Empty where the list has none. */
  headings: string[];
  /** Rows above the headings. */
  titles: string[][];
  /** First row behind the headings. */
  first: number;
}

/** How far down headings are looked for. */
const DEEPEST = 20;

/** What somebody says about the columns: what they hold, and whether the first row is their headings. */
export interface SaidOfColumns {
  roles?: readonly (Role | undefined)[];
  headed?: boolean;
}

/** Finds the headings of a list and what its columns hold; a list without headings is told by what is in its columns. */
export function columnsOf(grid: Grid, { roles: said, headed }: SaidOfColumns, candidates: Candidates): Columns {
  const counts = grid.slice(0, DEEPEST).map(headingsIn);
  const most = Math.max(0, ...counts);
  const seen = most >= 2 ? counts.indexOf(most) : -1;
  const at = headed === undefined ? seen : headed ? 0 : -1;
  const own =
    at < 0 && headed === undefined && said !== undefined && grid.length > 1 && isNoRow(grid[0], said, candidates);
  const headings = at < 0 ? (own ? grid[0] : []) : joined(grid, at);
  const first = at < 0 ? Number(own) : at + 1;
  const byHeading = at < 0 ? undefined : rolesOf(headings);
  const roles = said
    ? [...said]
    : (byHeading ? completed(byHeading, grid.slice(first), candidates) : byContent(grid, candidates)).map(
        (role, column) => role ?? untitled(grid, headings, first, column, byHeading),
      );
  return { roles, headings, titles: grid.slice(0, Math.max(at, 0)).filter((row) => row.some(Boolean)), first };
}

/** Whether a first row is headings that nobody else uses: where a number or a source should be, there is neither. */
const isNoRow = (row: readonly string[], roles: readonly (Role | undefined)[], { sources }: Candidates): boolean => {
  const [number, source] = [row[roles.indexOf('number')], row[roles.indexOf('source')]];
  return number !== undefined
    ? numbersIn(number) === undefined
    : source !== undefined && found(source, sources)?.certainty !== 'sure';
};

/** The headings; where one says nothing by itself, with what stands over it, which may reach over several columns. */
function joined(grid: Grid, at: number): string[] {
  // A title alone in its row is over nothing.
  const upper = grid[at - 1]?.filter(Boolean).length > 1 ? grid[at - 1] : [];
  let over = '';
  return grid[at].map((cell, column) => {
    const above = upper[column] ?? '';
    if (above !== '') over = isHeading(above) ? above : '';
    return over !== '' && cell !== '' && !isHeading(cell) ? `${over} ${cell}` : cell;
  });
}

/** How many of a column's cells say what picks something up. */
const sourcesIn = (cells: readonly string[], { sources, links }: Candidates): number => {
  const filled = cells.filter(Boolean);
  const known = filled.filter((cell) => [sources, links].some((own) => found(cell, own)?.certainty === 'sure'));
  return known.length / Math.max(filled.length, 1);
};

/**
 * Roles by headings, put right by what is in the columns: where none has the sources, or another has them more clearly
 * ("Source" over names, "Type" over microphones), that one does; where none has the names, a column of words does.
 */
function completed(roles: readonly (Role | undefined)[], rows: Grid, candidates: Candidates): (Role | undefined)[] {
  const share = roles.map((role, column) =>
    role === undefined || role === 'source'
      ? sourcesIn(
          rows.map((row) => row[column]),
          candidates,
        )
      : 0,
  );
  const now = roles.indexOf('source');
  const best = share.indexOf(Math.max(...share));
  let next = [...roles];
  if (best >= 0 && best !== now && share[best] >= 0.4 && share[best] > 2 * (share[now] ?? 0)) {
    if (now >= 0) next[now] = next.includes('name') ? undefined : 'name';
    next[best] = 'source';
  }
  if (!next.includes('name')) {
    const words = next.findIndex(
      (role, column) =>
        role === undefined && rows.filter((row) => /[a-z]{2}/i.test(row[column])).length > rows.length / 2,
    );
    if (words >= 0) next = next.with(words, 'name');
  }
  return next;
}

/** A column without a heading that counts up is the number. */
function untitled(
  grid: Grid,
  headings: readonly string[],
  first: number,
  column: number,
  roles: readonly (Role | undefined)[] | undefined,
): Role | undefined {
  if (roles?.includes('number') !== false || headings[column]) return undefined;
  return counts(grid.slice(first).map((row) => row[column])) ? 'number' : undefined;
}

const counts = (cells: readonly string[]): boolean => {
  const filled = cells.filter(Boolean);
  const numbers = filled.flatMap((cell) => numbersIn(cell)?.[0] ?? []);
  return (
    numbers.length > 1 &&
    numbers.length >= 0.7 * filled.length &&
    numbers.every((number, n) => n === 0 || number > numbers[n - 1])
  );
};

/** Numbers of channels in any order: each of them once. */
const areChannels = (cells: readonly string[]): boolean => {
  const numbers = cells.flatMap((cell) => numbersIn(cell)?.[0] ?? []);
  return numbers.length > 1 && numbers.length === cells.length && new Set(numbers).size === numbers.length;
};

/** A length that says its unit: a number alone may be anything. */
const isLength = (cell: string): boolean => metresIn(cell, '') !== undefined && !/\d$/.test(cell);

function byContent(grid: Grid, { sources, links }: Candidates): (Role | undefined)[] {
  const width = grid[0]?.length ?? 0;
  const roles: (Role | undefined)[] = Array.from({ length: width }, () => undefined);
  const cells = roles.map((_, column) => grid.map((row) => row[column]).filter(Boolean));
  const share = (column: number, holds: (cell: string) => boolean) =>
    cells[column].length === 0 ? 0 : cells[column].filter(holds).length / cells[column].length;
  const take = (role: Role, worth: (column: number) => number, least: number) => {
    const [best] = roles
      .flatMap((taken, column) => (taken === undefined ? [{ column, worth: worth(column) }] : []))
      .sort((a, b) => b.worth - a.worth);
    if (best && best.worth >= least) roles[best.column] = role;
  };
  take('number', (column) => (counts(cells[column]) ? 2 : Number(column === 0 && areChannels(cells[column]))), 1);
  take('feed', (column) => share(column, (cell) => feedIn(cell) !== undefined), 0.8);
  take('cable', (column) => share(column, isLength), 0.8);
  take(
    'source',
    (column) =>
      share(column, (cell) => found(cell, sources)?.certainty === 'sure' || found(cell, links)?.certainty === 'sure'),
    0.4,
  );
  take('name', (column) => (cells[column].length ? 1 - column / 100 : 0), 0.5);
  return roles;
}
