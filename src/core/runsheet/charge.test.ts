import { group, rigWith } from '../../../tests/sheets';
import { residual } from './charge';
import type { SheetGroup } from './rig';
import { bare, type SheetState } from './state';

const BANK = group('bank', {
  charge: [
    { at: 0, volts: 48 },
    { at: 2, volts: 20 },
    { at: 10, volts: 1 },
  ],
});
type Feed = SheetState['feeds'][string];
const at = (now: number, feed: Feed, bank: SheetGroup = BANK) =>
  residual({ ...bare(rigWith([], [bank])), feeds: { bank: feed }, now }, bank);

test('what is left falls from moment to moment, and is what was last followed when all is over', () => {
  const off = { feed: 'off', since: 100 } as const;
  expect([100, 101, 102, 106, 110, 500].map((now) => at(now, off))).toEqual([48, 34, 20, 10.5, 1, 1]);
});

test('a feed that is on is live; what nobody knows is unknown', () => {
  expect(at(0, { feed: 'P48', since: 0 })).toBe('live');
  expect(at(0, { feed: 'unknown', since: 0 })).toBe('unknown');
  expect(at(0, { feed: 'off', since: 'unknown' })).toBe('unknown');
});

test('a switch with nothing on it holds nothing', () => {
  expect(at(0, { feed: 'off', since: 0 }, { ...BANK, charge: [] })).toBe(0);
});
