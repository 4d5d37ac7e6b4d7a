import type { FeedName } from '../../../standards/feeds';
import type { Term } from '../../program/program';
import { groupKey } from '../../places';
import { giveUp, type Draft } from './draft';

/** Every switch is at one setting, and a line is where its feed is. */
export function switches(draft: Draft): void {
  const { document, places, tasks } = draft.problem;
  for (const device of document.devices)
    for (const group of device.groups) {
      const key = groupKey(device.id, group.id);
      const settings = (['off', ...group.offers] as FeedName[]).map((feed) => {
        const variable = draft.program.variable();
        draft.feeds.push({ group: key, feed, variable });
        return { feed, variable };
      });
      draft.program.row(
        settings.map(({ variable }): Term => [variable, 1]),
        { lower: 1, upper: 1 },
      );
      const here = new Set(places.flatMap((place, n) => (place.device === device && place.group === group ? [n] : [])));
      for (const { feed, variable } of settings)
        for (const [task] of tasks.entries()) {
          const own = draft.byTask[task].filter(
            ({ column }) =>
              (here.has(column.place) && column.feed === feed) ||
              column.also.some((other) => other.group === key && other.feed === feed),
          );
          if (own.length)
            draft.program.row([[variable, -1], ...own.map(({ variable: each }): Term => [each, 1])], { upper: 0 });
        }
      // On, and nobody is there.
      const idle = draft.program.variable();
      draft.idle.push(idle);
      const there = draft.columns.filter(
        ({ column }) =>
          (here.has(column.place) && column.feed !== 'off') ||
          column.also.some((other) => other.group === key && other.feed !== 'off'),
      );
      draft.program.row(
        [
          [idle, 1],
          ...settings.filter(({ feed }) => feed !== 'off').map(({ variable }): Term => [variable, -1]),
          ...there.map(({ variable }): Term => [variable, 1]),
        ],
        { lower: 0 },
      );
    }
}

/** All feeds of a device together stay within what it can give. */
export function limits(draft: Draft): void {
  for (const { id, feedLimit } of draft.problem.document.devices) {
    if (!feedLimit) continue;
    const drawn = draft.columns.flatMap(({ column, variable }): Term[] =>
      column.amps.flatMap(({ device, micro }): Term[] => (device === id && micro > 0 ? [[variable, micro]] : [])),
    );
    const most = feedLimit.value * 1000;
    if (drawn.length === 0) continue;
    const free = giveUp(draft, { relax: 'feed limit', device: id });
    const all = drawn.reduce((sum, [, micro]) => sum + micro, 0);
    draft.program.row([...drawn, ...(free === undefined ? [] : [[free, -all] as Term])], { upper: most });
  }
}
