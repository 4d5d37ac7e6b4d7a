import type { FeedName } from '../../../standards/feeds';
import { MOST_LINKS } from '../../chains/chain';
import { complexity, lengthOf } from '../../pieces';
import { weightsOf, type Goal, type Stage, type Term } from '../../program/program';
import type { Column, Ground } from '../columns';
import { groupKey, inletKey } from '../places';
import type { Draft } from './draft';

/** What a plan makes small, in the order that counts. */
export function stages(draft: Draft): Stage[] {
  const { tasks } = draft.ground;
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
  const fit = [
    goal(
      'lines left out',
      total,
      draft.out.map((variable, task) => [variable, lines[task]]),
    ),
    ...(given.length ? [goal('wishes given up', given.length, ones(given))] : []),
    ...(got.length ? [goal('things to get', MOST_LINKS * total, ones(got))] : []),
    goal(
      'lines to watch',
      total,
      weigh(({ watch }) => watch),
    ),
  ];
  const least = draft.byTask.map((own, task) =>
    Math.min(
      lines[task] * weightsOf({ goals: fit })[0],
      ...own.map(({ column }) => column.watch),
      // Whoever is placed along with another one counts there.
      ...draft.covering(task).map(() => 0),
    ),
  );
  const feeds = [
    goal('feeds where nobody needs them', draft.feeds.length + total, [
      ...ones(draft.idle),
      ...weigh(({ feed, needs }) => Number(feed !== 'off' && !needs)),
    ]),
    goal(
      'voltage other than the school asks for',
      3 * total,
      weigh((column) => offVoltage(column, draft.ground)),
    ),
  ];
  const moved = moves(draft);
  const changes = [...weigh(({ judged }) => judged.changes), ...moved.terms, ...turned(draft)];
  const parts = [
    ...weigh(({ judged }) => judged.complexity * PART),
    ...draft.cables.map(({ piece, variable }): Term => [variable, Math.round(lengthOf(piece.part))]),
    ...draft.got.map(({ piece, variable }): Term => [variable, complexity(piece.part) * total * PART]),
    // Of feeds that do equally well, the usual one.
    ...draft.feeds.filter(({ feed }) => UNUSUAL.has(feed)).map(({ variable }): Term => [variable, PART]),
  ];
  return [
    { goals: fit, floor: least.reduce((sum, each) => sum + each, 0) },
    { goals: feeds },
    { goals: [goal('changes', 1e6, changes, moved.offset)] },
    { goals: [goal('parts, weighed', 1e9, parts)] },
  ];
}

/** Lines that change their inlet: as many as there are, less those that stay. */
function moves(draft: Draft): { terms: Term[]; offset: number } {
  const { tasks } = draft.ground;
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
  const { document } = draft.ground;
  const now = new Map(
    document.devices.flatMap(({ id, groups }) => groups.map((group) => [groupKey(id, group.id), group.feed])),
  );
  return draft.feeds.filter(({ group, feed }) => now.get(group) !== feed).map(({ variable }): Term => [variable, 1]);
}

/** Feeds that nobody expects where 48 V would do. */
const UNUSUAL: ReadonlySet<FeedName> = new Set(['P24', 'P12', 'SP48', 'T12', 'T12R']);

/** One part more weighs as much as so many metres of cable too long. */
const PART = 50;

/** What speaks against a phantom voltage on batteries: that a lower one would do, or, where nobody asks for that, that it is below 48 V. */
function offVoltage(column: Column, { places, voltage }: Ground): number {
  const { device, group } = places[column.place];
  const wanted = voltage.get(device.id);
  if (wanted === 'lowest') return column.above;
  const low = column.feed === 'P24' || column.feed === 'P12';
  return Number(wanted === '48 V' && low && group!.offers.includes('P48'));
}
