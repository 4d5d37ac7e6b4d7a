import fc from 'fast-check';
import { carriedOut } from '../../../tests/sheets';
import type { FeedName } from '../standards/feeds';
import { decayWait, settleWait, type SheetRig } from './rig';
import { firstBreach, sequence } from './sequence';
import type { Wanted } from './wanted';
import { bare, live, type SheetState } from './state';

/** Rigs too large to try everything, by chance: up to twelve lines over five switches of three devices in four places. */

const PLACES = ['stage', 'desk', 'wheelhouse', 'lockside'];
const some = (list: readonly string[]) => fc.subarray([...list]);

const rigs: fc.Arbitrary<SheetRig> = fc
  .record({
    devices: fc.array(fc.constantFrom(...PLACES), { minLength: 1, maxLength: 3 }),
    groups: fc.array(
      fc.record({
        device: fc.nat(2),
        latched: fc.boolean(),
        mutes: fc.boolean(),
        decay: fc.integer({ min: 0, max: 200 }),
        settle: fc.integer({ min: 0, max: 30 }),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    lines: fc.array(
      fc.record({
        stage: fc.constantFrom(...PLACES),
        on: fc.array(fc.nat(4), { maxLength: 2 }),
        supply: fc.boolean(),
        stops: fc.boolean(),
      }),
      { minLength: 1, maxLength: 12 },
    ),
  })
  .map(({ devices, groups, lines }) => {
    const made = groups.map(({ device, latched, mutes, decay, settle }, n) => {
      const own = device % devices.length;
      return {
        key: `group-${n}`,
        name: `group ${n}`,
        device: `device-${own}`,
        place: devices[own],
        offers: ['P48' as const],
        latched,
        mutes,
        decay: decayWait('longer', decay),
        settle: settleWait(settle, mutes),
        charge: [],
      };
    });
    return {
      devices: devices.map((place, n) => ({ id: `device-${n}`, name: `device ${n}`, place, power: 'mains' as const })),
      groups: made,
      lines: lines.map(({ stage, on, supply, stops }, n) => {
        const keys = [...new Set(on.map((at) => made[at % made.length].key))];
        const owner = made.find(({ key }) => key === keys[0]);
        return {
          id: `line-${n}`,
          name: `line ${n}`,
          source: 'a source',
          inlet: `inlet ${n}`,
          device: owner?.device ?? 'device-0',
          stage,
          desk: owner?.place ?? PLACES[1],
          mixedAt: owner?.place ?? PLACES[1],
          groups: keys,
          ...(keys[0] && { key: keys[0] }),
          // Every third line hangs on the conductors of the one before it.
          shares: [
            ...(n % 3 === 1 ? [`line-${n - 1}`] : []),
            ...(n % 3 === 0 && n + 1 < lines.length ? [`line-${n + 1}`] : []),
          ],
          reaches: keys,
          way: `line ${n}`,
          parts: ['a source', `inlet ${n}`],
          stops: stops && keys[0] ? { [keys[0]]: ['P48' as FeedName] } : {},
          supply,
          ...(supply && stops && { supplyHarms: true as const }),
        };
      }),
    };
  });

const known = <T>(...values: T[]) => fc.constantFrom<T | 'unknown'>(...values, 'unknown');

const situations = rigs.chain((rig) => {
  const ids = rig.lines.map(({ id }) => id);
  const keys = rig.groups.map(({ key }) => key);
  const each = <T>(names: readonly string[], value: fc.Arbitrary<T>) =>
    fc.tuple(...names.map(() => value)).map((values) => Object.fromEntries(names.map((name, n) => [name, values[n]])));
  const state = fc
    .record({
      ends: each(ids, fc.record({ stage: known(true, false), desk: known(true, false) })),
      feeds: each(keys, fc.record({ feed: known<FeedName>('off', 'P48'), since: fc.integer({ min: -300, max: 0 }) })),
      muted: each(ids, known(true, false)),
      supplies: each(
        rig.lines.filter(({ supply }) => supply).map(({ id }) => id),
        fc.record({ on: known(true, false), since: fc.integer({ min: -300, max: 0 }) }),
      ),
      monitors: fc.record({ monitors: known('down' as const, 'open' as const) }),
      mains: each(
        rig.devices.map(({ id }) => id),
        known(true, false),
      ),
    })
    .map((own): SheetState => ({ ...bare(rig), ...own }));
  const wanted = fc
    .record({
      plugged: some(ids),
      exchanged: some(ids),
      on: some(keys),
      open: some(ids),
      order: fc.constantFrom('time' as const, 'walks' as const),
    })
    .map(({ plugged, exchanged, on, open, order }): Wanted => ({
      order,
      plugged: new Set(plugged),
      exchanged: new Set(exchanged),
      feeds: Object.fromEntries(on.map((key) => [key, 'P48' as const])),
      open: new Set(open),
    }));
  return fc.record({ rig: fc.constant(rig), state, wanted });
});

test('no sequence breaks an invariant, and each ends as wanted', () => {
  fc.assert(
    fc.property(situations, ({ rig, state, wanted }) => {
      const { steps, refused } = sequence(rig, state, wanted);
      expect(firstBreach(rig, state, steps)).toBeUndefined();
      const end = carriedOut(rig, state, steps);
      for (const { id } of rig.lines) {
        expect([id, end.ends[id].stage === true && end.ends[id].desk === true]).toEqual([id, wanted.plugged.has(id)]);
        if (wanted.open.has(id)) expect([id, end.muted[id]]).toEqual([id, false]);
      }
      const not = new Set(refused.map((each) => ('group' in each ? each.group : '')));
      for (const { key } of rig.groups)
        expect([key, live(rig, end, key) ? end.feeds[key].feed : 'off']).toEqual([
          key,
          not.has(key) ? 'off' : (wanted.feeds[key] ?? 'off'),
        ]);
    }),
    { numRuns: 600 },
  );
});

test('a sequence that is done has nothing left to do', () => {
  fc.assert(
    fc.property(situations, ({ rig, state, wanted }) => {
      const settled = { ...wanted, exchanged: new Set<string>() };
      const end = carriedOut(rig, state, sequence(rig, state, settled).steps);
      expect(sequence(rig, end, settled).steps).toEqual([]);
    }),
    { numRuns: 300 },
  );
});

test('waits run side by side: one before plugs, and at most one at each desk before its inlets open', () => {
  fc.assert(
    fc.property(situations, ({ rig, state, wanted }) => {
      const { steps, fewest } = sequence(rig, state, wanted);
      const desks = new Set(rig.lines.map(({ desk }) => desk)).size;
      const waits = steps.filter(({ action }) => action.do === 'wait');
      // What hangs on a switch that may come back on is pulled before power comes, and what came on discharges once more.
      const between = steps.findLastIndex(({ action }) => action.do === 'mains' && action.on);
      const pulled = steps.slice(0, Math.max(between, 0)).some(({ action }) => action.do === 'unplug');
      expect(waits.length).toBeLessThanOrEqual(1 + desks + (pulled ? 1 : 0));
      // Every wait says what for, and is as long as the longest of it.
      for (const { action, reasons } of waits)
        expect(Math.max(...reasons!.map(({ left }) => left))).toBe(action.do === 'wait' && action.seconds);
      expect(fewest).toBe(true);
    }),
    { numRuns: 300 },
  );
});
