import { readFileSync } from 'node:fs';
import type { Part } from '../gear';
import { parseKit, type KitItem } from '.';
import { mergedItem } from './merge';
import { readItem } from './schema';

const merged = (base: KitItem, mine: KitItem, theirs: KitItem) => mergedItem(base, mine, theirs, readItem);

const items = parseKit(readFileSync('demo/kit.json', 'utf8')).items;
const pad = items.find(({ id }) => id === 'pad')! as Extract<KitItem, { part: Part }>;
const measured = (value: number) => ({ value, unit: 'm' as const, basis: 'measured' as const });
const cable = items.find((item) => 'part' in item && item.part.kind === 'cable') as typeof pad;
const long = (metres: number): KitItem => ({
  ...cable,
  part: { ...cable.part, figures: { ...cable.part.figures, length: measured(metres) } },
});

test('what each has changed is kept', () =>
  expect(merged(pad, { ...pad, count: 7 }, { ...pad, note: 'dented' })).toEqual({
    ...pad,
    count: 7,
    note: 'dented',
  }));

test('the same change twice is one', () =>
  expect(merged(pad, { ...pad, count: 7 }, { ...pad, count: 7 })).toEqual({ ...pad, count: 7 }));

test('one figure that both have changed is for the person to decide', () =>
  expect(merged(cable, long(7), long(8))).toBeUndefined());

test('a figure here and a count there go together', () =>
  expect(merged(cable, long(7), { ...cable, count: 9 })).toEqual({ ...long(7), count: 9 }));

test('what one takes away is gone, also where the other changed something else', () => {
  const noted = { ...pad, note: 'dented' };
  expect(merged(noted, pad, { ...noted, count: 7 })).toEqual({ ...pad, count: 7 });
});

test('what makes no item together is not put together', () =>
  expect(merged(pad, { ...pad, count: -1 }, { ...pad, note: 'dented' })).toBeUndefined());
