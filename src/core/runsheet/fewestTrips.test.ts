import { carriedOut, SMALL, wish } from '../../../tests/sheets';
import { breach, after, type Action } from './actions';
import type { SheetRig } from './rig';
import { sequence, trips } from './sequence';
import type { Wanted } from './wanted';
import { bare, type SheetState } from './state';

/** The fewest trips that any way to a wanted state takes, by trying all ways: actions cost nothing, walking does. */
function fewestTrips(rig: SheetRig, from: SheetState, wanted: Wanted): number {
  const actions: { action: Action; place?: string }[] = [
    ...rig.lines.flatMap(({ id, stage, desk }) =>
      (['plug', 'unplug'] as const).flatMap((what) => [
        { action: { do: what, line: id, end: 'stage' as const }, place: stage },
        { action: { do: what, line: id, end: 'desk' as const }, place: desk },
      ]),
    ),
    ...rig.lines.flatMap(({ id, desk }) => [
      { action: { do: 'mute' as const, lines: [id] }, place: desk },
      { action: { do: 'open' as const, lines: [id] }, place: desk },
    ]),
    ...rig.groups.flatMap(({ key, place }) => [
      { action: { do: 'feed' as const, group: key, to: 'off' as const }, place },
      { action: { do: 'feed' as const, group: key, to: 'P48' as const }, place },
      { action: { do: 'monitors' as const, group: 'monitors', to: 'down' as const }, place },
      { action: { do: 'monitors' as const, group: 'monitors', to: 'open' as const }, place },
    ]),
    { action: { do: 'wait', seconds: 1000 } },
  ];
  const reached = (state: SheetState) =>
    rig.lines.every(
      ({ id }) =>
        (state.ends[id].stage === true && state.ends[id].desk === true) === wanted.plugged.has(id) &&
        state.ends[id].stage === state.ends[id].desk,
    ) &&
    rig.groups.every(({ key }) => state.feeds[key].feed === (wanted.feeds[key] ?? 'off')) &&
    rig.lines.every(({ id }) => !wanted.open.has(id) || state.muted[id] === false) &&
    state.monitors.monitors === (wanted.open.size ? 'open' : state.monitors.monitors);
  /** States that differ in nothing but times long past are one. */
  const key = (state: SheetState, place: string | undefined) =>
    JSON.stringify([
      state.ends,
      state.muted,
      state.monitors.monitors,
      rig.groups.map((each) => [
        state.feeds[each.key].feed,
        Math.min(state.now - Number(state.feeds[each.key].since), 900),
      ]),
      place,
    ]);
  let layer: [SheetState, string | undefined][] = [[from, undefined]];
  const seen = new Set<string>();
  for (let walked = 0; ; walked++) {
    const next: [SheetState, string | undefined][] = [];
    while (layer.length) {
      const [state, place] = layer.pop()!;
      if (seen.has(key(state, place))) continue;
      seen.add(key(state, place));
      if (reached(state)) return walked;
      for (const { action, place: there } of actions) {
        if (breach(rig, state, action)) continue;
        const moved = after(rig, state, action);
        if (there === undefined || place === undefined || there === place) layer.push([moved, there ?? place]);
        else next.push([moved, there]);
      }
    }
    layer = next;
  }
}

describe('the fewest trips', () => {
  const on = carriedOut(SMALL, bare(SMALL), sequence(SMALL, bare(SMALL), wish(['mic'], { a: 'P48' }, ['mic'])).steps);
  test.each<[string, SheetState, Wanted]>([
    ['set-up', bare(SMALL), wish(['mic'], { a: 'P48' }, ['mic'])],
    ['set-up without a feed', bare(SMALL), wish(['ribbon', 'mic'], {}, ['mic'])],
    ['strike', on, wish([], {}, [])],
    ['one out, another in', on, wish(['ribbon'], {}, ['ribbon'])],
    ['feed off alone', on, wish(['mic'], {}, ['mic'])],
  ])('%s: no way at all takes fewer', (_, from, wanted) =>
    expect(trips(sequence(SMALL, from, wanted).steps)).toBe(fewestTrips(SMALL, from, wanted)),
  );
});
