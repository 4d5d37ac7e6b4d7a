import { type FeedName, FEEDS, USUAL, feedsOf, isPhantom } from '../../../standards/feeds';
import { MOST_LINKS } from '../../chains/chain';
import { lengthsOf } from '../../chains/joins';
import { complexity } from '../../pieces';
import { weightsOf, type Goal, type Stage, type Term } from '../../program/program';
import { isSentAway, type Column, type Problem } from '../columns';
import { endsInLink } from '../../../rig/document';
import { groupKey } from '../../places';
import type { Draft } from './draft';
import { inletKey } from '../../../gear';

/** How many of the stages there are up to the one that leaves alone what is Clear, and with it. */
export const TOUCHED = 2;

/** What a plan makes small, in the order that counts. */
export function stages(draft: Draft): Stage[] {
  const { tasks } = draft.problem;
  const lines = tasks.map(({ followers }) => 1 + followers.length);
  const total = lines.reduce((sum, each) => sum + each, 0);
  const weigh = (of: (column: Column) => number): Term[] =>
    draft.columns.flatMap(({ column, variable }): Term[] => {
      const weight = of(column);
      return weight ? [[variable, weight]] : [];
    });
  const ones = (variables: readonly number[]) => variables.map((variable): Term => [variable, 1]);
  const goal = (name: string, most: number, terms: Term[], offset = 0): Goal => ({ name, terms, most, offset });
  const given = draft.givenUp.map(({ variable }) => variable);
  const got = draft.got.map(({ variable }) => variable);
  const apart = draft.apart.map(({ variable }) => variable);
  const { clearFirst } = draft.problem;
  const toGets = got.length ? [goal('things to get', MOST_LINKS * total, ones(got))] : [];
  const placed: Stage = {
    goals: [
      goal(
        'lines left out',
        total,
        draft.out.map((variable, task) => [variable, lines[task]]),
      ),
      ...(given.length ? [goal('wishes given up', given.length, ones(given))] : []),
      ...(clearFirst ? [] : toGets),
    ],
  };
  const nowhere = draft.byTask.map((own, task) => own.length + draft.covering(task).length === 0);
  // Whoever has no place is left out, or served with what each of its ways wants to be got for it.
  const [leaving] = weightsOf(placed);
  const getting = toGets.length && !clearFirst ? weightsOf(placed).at(-1)! : 0;
  const toGet = new Set(draft.got.map(({ piece }) => piece.key));
  const leastOf = draft.byTask.reduce((sum, own, task) => {
    if (nowhere[task]) return sum + lines[task] * leaving;
    if (draft.covering(task).length) return sum;
    const things = Math.min(...own.map(({ column }) => column.judged.uses.filter((use) => toGet.has(use)).length));
    return sum + Math.min(lines[task] * leaving, things * getting);
  }, 0);
  placed.floor = () => leastOf;
  const alone = leftAlone(draft);
  const kept: Stage = {
    goals: [
      ...(apart.length ? [goal('pairs taken apart', apart.length, ones(apart))] : []),
      // In one sum: a search that is cut short must not have moved the stage to spare one line the way elsewhere.
      goal(
        'Clear lines touched, or lines sent elsewhere',
        3 * total,
        [...alone.terms, ...weigh((column) => Number(isSentAway(draft.problem, column)))],
        alone.offset,
      ),
    ],
    // Whoever is placed at all, and has no way but to somewhere else, is sent there in every plan.
    floor: (solution) =>
      draft.out.every((variable, task) => nowhere[task] || !solution?.[variable])
        ? tasks.filter(
            ({ line }, task) =>
              !nowhere[task] &&
              !endsInLink(line) &&
              draft.byTask[task].every(({ column }) => isSentAway(draft.problem, column)),
          ).length
        : 0,
  };
  const watched: Stage = {
    goals: [
      goal(
        'lines to watch',
        total,
        weigh(({ watch }) => watch),
      ),
    ],
  };
  const feeds: Stage = {
    goals: [
      goal('feeds where nobody needs them', draft.feeds.length + total, [
        ...ones(draft.idle),
        ...weigh(({ feed, needs }) => Number(feed !== 'off' && !needs)),
      ]),
      goal(
        'feeds above the lowest that works',
        3 * total,
        weigh((column) => offVoltage(column, draft.problem)),
      ),
    ],
  };
  const moved = moves(draft);
  const joints = draft.cables.map(({ pieces, variable }): Term => [variable, pieces.length - 1]);
  const changes: Stage = {
    goals: [goal('changes', 1e6, [...weigh(({ judged }) => judged.changes), ...moved.terms, ...joints], moved.offset)],
  };
  const turns: Stage = { goals: [goal('switches turned', draft.feeds.length, turned(draft))] };
  const parts = [
    ...weigh(({ judged }) => judged.complexity * PART),
    ...draft.cables.map(({ pieces: [first, ...joined], variable }): Term => [
      variable,
      Math.round(lengthsOf([first, ...joined])) + joined.length * complexity(first.part) * PART,
    ]),
    ...draft.got.map(({ piece, variable }): Term => [variable, complexity(piece.part) * total * PART]),
    // Of feeds that do equally well, the usual one.
    ...draft.feeds.filter(({ feed }) => UNUSUAL.has(feed)).map(({ variable }): Term => [variable, PART]),
  ];
  // Who tolerates a feed where nobody needs it moves nothing and puts nothing in to be rid of it.
  const tolerant = draft.problem.schools.movingCoilFeed === 'tolerate';
  return [
    placed,
    kept,
    watched,
    ...(clearFirst && toGets.length ? [{ goals: toGets }] : []),
    ...(draft.lasts.length
      ? [{ goals: [goal('last ones taken', draft.lasts.length, ones(draft.lasts.map(({ variable }) => variable)))] }]
      : []),
    ...(tolerant ? [changes, feeds] : [feeds, changes]),
    turns,
    { goals: [goal('simplest links', 1e9, parts)] },
  ];
}

/** Lines that are Clear: each that does not stay on its inlet counts, and each whose links or settings change. */
function leftAlone(draft: Draft): { terms: Term[]; offset: number } {
  const { tasks, clear } = draft.problem;
  let offset = 0;
  const terms = tasks.flatMap(({ line, now }, task): Term[] => {
    if (!clear.has(line.id)) return [];
    offset++;
    const own = draft.seats.get(task)?.filter(({ key }) => key === inletKey(now!));
    const stays = draft.stays[task];
    const changed = draft.byTask[task].flatMap(({ column, variable }): Term[] =>
      column.judged.changes > 0 ? [[variable, 1]] : [],
    );
    const home: Term[] = own
      ? own.map(({ variable }): Term => [variable, -1])
      : stays !== undefined
        ? [[stays, -1]]
        : [];
    return [...home, ...changed];
  });
  return { terms, offset };
}

/** Lines that change their inlet: as many as there are, less those that stay. */
function moves(draft: Draft): { terms: Term[]; offset: number } {
  const { tasks } = draft.problem;
  let offset = 0;
  const terms = tasks.flatMap(({ now }, task): Term[] => {
    offset++;
    const own = now && draft.seats.get(task)?.filter(({ key }) => key === inletKey(now));
    const stays = draft.stays[task];
    if (own) return own.map(({ variable }): Term => [variable, -1]);
    if (stays !== undefined) return [[stays, -1]];
    return draft.covering(task).map(({ variable }): Term => [variable, -1]);
  });
  return { terms, offset };
}

/** Switches that change their setting. */
function turned(draft: Draft): Term[] {
  const { document } = draft.problem;
  const now = new Map(
    document.devices.flatMap(({ id, groups }) => groups.map((group) => [groupKey(id, group.id), group.feed])),
  );
  return draft.feeds.filter(({ group, feed }) => now.get(group) !== feed).map(({ variable }): Term => [variable, 1]);
}

/** Feeds that nobody expects where 48 V would do. */
const UNUSUAL: ReadonlySet<FeedName> = new Set(feedsOf('phantom', 'T12').filter((feed) => feed !== USUAL));

/** One part more weighs as much as so many metres of cable too long. */
const PART = 50;

/** What speaks against a phantom voltage on batteries: that a lower one would do, or, where nobody asks for that, that it is below 48 V. */
function offVoltage(column: Column, { places, voltage }: Problem): number {
  const { device, group } = places[column.place];
  const wanted = voltage.get(device.id);
  if (wanted === 'lowest') return column.above;
  const low = isPhantom(column.feed) && FEEDS[column.feed].volts < FEEDS[USUAL].volts;
  return Number(wanted === '48 V' && low && group!.offers.includes(USUAL));
}
