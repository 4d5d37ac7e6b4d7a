import { likelihoods, tableOf, type Seen, type Table } from './belief';
import type { Hypothesis } from '../hypotheses/hypothesis';

/**
 * The best that a single fault makes of what was seen has to be so likely: one look misread is (2 % and less), two are not.
 */
const EXPLAINS = 1e-3;
/** What is heard is no measurement: it counts for little here. */
const HEARD = 'listening';
/** So many single faults are combined, those that explain most once two looks are left aside. */
const TRIED = 14;
const LEFT_ASIDE = 2;

const measured = (seen: readonly Seen[]) => seen.filter(({ look }) => look.instrument !== HEARD);

/** By hypothesis, how likely each look was. */
const fits = (table: Table, seen: readonly Seen[]): number[][] => {
  const each = seen.map(({ look, key }) => likelihoods(table, look, [key]));
  return table.hypotheses.map((_, n) => each.map((likelihood) => likelihood[n]));
};

const product = (list: readonly number[]): number => list.reduce((all, one) => all * one, 1);

/** Whether no hypothesis explains what was measured. */
export function fitsNothing(table: Table, seen: readonly Seen[]): boolean {
  const looks = measured(seen);
  return looks.length > 2 && Math.max(...fits(table, looks).map(product)) < EXPLAINS;
}

/** The table with two faults at once thought of too, where no single one explains what was seen; else as it is. */
export function withPairs(table: Table, seen: readonly Seen[]): Table {
  if (!fitsNothing(table, seen)) return table;
  const scored = fits(table, measured(seen)).map((list, n) => ({
    n,
    score: product(list.toSorted((a, b) => a - b).slice(LEFT_ASIDE)) * Math.sqrt(table.hypotheses[n].prior),
  }));
  const best = scored
    .sort((a, b) => b.score - a.score)
    .slice(0, TRIED)
    .map(({ n }) => table.hypotheses[n]);
  const pairs = best.flatMap((first, n) => best.slice(n + 1).flatMap((second) => paired(table, first, second) ?? []));
  return { ...tableOf(table.subject, [...table.hypotheses, ...pairs]), errs: table.errs };
}

/** Two things wrong at once; undefined where they are of one part, or cannot be together. */
function paired({ subject }: Table, first: Hypothesis, second: Hypothesis): Hypothesis | undefined {
  if (first.act.id === second.act.id || first.sometimes || second.sometimes) return undefined;
  if (first.condition && second.condition) return undefined;
  const [lineOf, other] = [first, second].map(({ world }) => world.line !== subject.line);
  if (lineOf && other) return undefined;
  return {
    ...first,
    id: `${first.id} + ${second.id}`,
    what: `${first.what}, and ${second.what}`,
    act: { ...first.act, id: `${first.act.id} + ${second.act.id}`, text: `${first.act.text}; ${second.act.text}` },
    prior: first.prior * second.prior,
    world: {
      line: other ? second.world.line : first.world.line,
      faults: [...first.world.faults, ...second.world.faults],
    },
    condition: first.condition ?? second.condition,
  };
}
