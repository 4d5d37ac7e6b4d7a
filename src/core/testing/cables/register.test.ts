import type { KitItem } from '../../kit';
import { sparesOf } from '../../check/spares';
import { lengthRows, registerRows, type DatedTest } from './register';

const cable = (id: string, more: Partial<KitItem> = {}, length = 10): KitItem =>
  ({
    id,
    name: id,
    count: 1,
    role: 'link',
    part: { kind: 'cable', figures: { length: { value: length, unit: 'm', basis: 'measured' } } },
    ...more,
  }) as KitItem;
const test_ = (label: string, at: string, ...seen: [string, string, unknown][]): DatedTest => ({
  label,
  at: `${at}T10:00:00.000Z`,
  who: '',
  connector: 'xlr3',
  observations: seen.map(([instrument, place, each]) => ({ instrument, at: place, seen: each }) as never),
});
const GOOD: [string, string, unknown][] = [
  ['cable box', 'link 0', '1-1, 2-2, 3-3'],
  ['test load', 'junction 0', { 2: 24, 3: 24 }],
];
const TODAY = '2026-05-01';

test('what has to be seen to stands first: bad, due, untested, good, retired', () => {
  const items = [
    cable('fine', { register: { testEvery: 365 } }),
    cable('gone', { register: { retired: '2026-01-02' } }),
    cable('old', { register: { testEvery: 30 } }),
    cable('new'),
    cable('broken'),
    cable('many', { count: 12 }),
  ];
  const tests = [
    test_('broken', '2026-04-30', ['cable box', 'link 0', '1-1, 2-2'], ['lamps', 'junction 0', '2 lit, 3 dark']),
    test_('fine', '2026-04-01', ...GOOD),
    test_('old', '2026-04-01', ...GOOD),
    test_('broken', '2026-04-01', ...GOOD),
  ];
  const rows = registerRows(items, tests, [], TODAY);
  expect(rows.map(({ item, state }) => [item.id, state])).toEqual([
    ['broken', 'bad'],
    ['old', 'due'],
    ['new', 'untested'],
    ['fine', 'good'],
    ['gone', 'retired'],
  ]);
  expect(rows[0].tests).toHaveLength(2);
  expect(rows.map(({ due }) => due)).toEqual([undefined, '2026-05-01', undefined, '2027-04-01', undefined]);
});

test('with an interval and never tested it is due from the day it was bought; a leap day counts', () => {
  const [row] = registerRows([cable('a', { register: { testEvery: 30, bought: '2026-04-20' } })], [], [], TODAY);
  expect([row.state, row.due]).toEqual(['due', '2026-04-20']);
  const tests = [test_('a', '2028-02-01', ...GOOD)];
  const [leap] = registerRows([cable('a', { register: { testEvery: 29 } })], tests, [], '2028-02-29');
  expect([leap.state, leap.due]).toEqual(['due', '2028-03-01'].map((each, n) => (n ? each : 'good')));
});

test('what a test found stands until another one rules it out: lamps miss what the box saw', () => {
  const swapped = test_('a', '2026-04-01', ['cable box', 'link 0', '1-1, 2-3, 3-2']);
  const lit = test_('a', '2026-04-30', ['lamps', 'junction 0', '2 lit, 3 lit']);
  const stateWith = (...tests: DatedTest[]) => registerRows([cable('a')], tests, [], TODAY)[0].state;
  expect(stateWith(lit)).toBe('partly');
  expect(stateWith(lit, swapped)).toBe('suspect');
  expect(stateWith(test_('a', '2026-04-30', ...GOOD), swapped)).toBe('good');
  expect(stateWith(lit, test_('a', '2026-04-01', ...GOOD))).toBe('good');
});

test('failures are told with their ends; a test by item counts whatever its label', () => {
  const tests = [{ ...test_('another label', '2026-04-30', ...GOOD), item: 'a' }];
  const repairs = [
    { class: 'cable', type: 'open', item: 'a', end: 'inlet' },
    { class: 'cable', type: 'open', item: 'a' },
    { class: 'cable', type: 'open', item: 'b', end: 'source' },
  ] as const;
  const [row] = registerRows([cable('a')], tests, repairs, TODAY);
  expect([row.state, row.failures]).toEqual(['good', { count: 2, source: 0, inlet: 1 }]);
});

test('lengths: what there is against what the rig uses; what is retired is neither counted nor planned with', () => {
  const items = [cable('a'), cable('b', { register: { retired: '2026-01-02' } }), cable('many', { count: 4 }, 5)];
  const line = {
    links: [(cable('x') as never as { part: object }).part, (cable('y') as never as { part: object }).part],
  };
  expect(lengthRows(items, { lines: [line] as never }, [{ class: 'cable', type: 'open', item: 'many' }])).toEqual([
    { connector: 'xlr3', length: 5, have: 4, used: 0, failed: 1 },
    { connector: 'xlr3', length: 10, have: 1, used: 2, failed: 0 },
  ]);
  expect(sparesOf(items, { lines: [] }).map(({ count }) => count)).toEqual([1, 0, 4]);
});
