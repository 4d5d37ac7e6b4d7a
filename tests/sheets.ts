import type { FeedName } from '@/core/standards/feeds';
import {
  decayWait,
  settleWait,
  type SheetDevice,
  type SheetGroup,
  type SheetLine,
  type SheetRig,
} from '@/core/runsheet/rig';
import type { Wanted } from '@/core/runsheet/wanted';
import type { Step } from '@/core/runsheet/step';
import { after } from '@/core/runsheet/actions';
import type { SheetState } from '@/core/runsheet/state';

/** What tests of run sheets have in common: small rigs, wishes, carrying steps out. */

export const group = (key: string, more: Partial<SheetGroup> = {}): SheetGroup => ({
  key,
  name: key,
  device: 'desk',
  place: 'desk end',
  offers: ['P48'],
  latched: false,
  mutes: false,
  decay: decayWait('longer', 20),
  settle: settleWait(5),
  charge: [
    { at: 0, volts: 48 },
    { at: 20, volts: 1 },
  ],
  ...more,
});
export const line = (id: string, groups: string[], more: Partial<SheetLine> = {}): SheetLine => ({
  id,
  name: id,
  source: 'a source',
  inlet: `inlet of ${id}`,
  device: 'desk',
  stage: 'stage end',
  desk: 'desk end',
  mixedAt: 'desk end',
  groups,
  ...(groups[0] && { key: groups[0] }),
  reaches: groups,
  shares: [],
  way: id,
  parts: ['a source', `inlet of ${id}`],
  stops: {},
  supply: false,
  ...more,
});

const devices: SheetDevice[] = [{ id: 'desk', name: 'desk', place: 'desk end', power: 'mains' }];
/** Lines on switches of one desk. */
export const rigWith = (lines: SheetLine[], groups: SheetGroup[]): SheetRig => ({ lines, groups, devices });

/** A ribbon and a condenser on one switch, a third line with a supply of its own on another. */
export const RIG = rigWith(
  [line('ribbon', ['a'], { stops: { a: ['P48'] } }), line('mic', ['a']), line('boxed', ['b'], { supply: true })],
  [group('a', { latched: true }), group('b')],
);

export const wish = (
  plugged: string[],
  feeds: Record<string, FeedName>,
  open: string[],
  exchanged: string[] = [],
): Wanted => ({
  plugged: new Set(plugged),
  feeds,
  open: new Set(open),
  exchanged: new Set(exchanged),
});

export const carriedOut = (rig: SheetRig, from: SheetState, steps: readonly Step[]): SheetState =>
  steps.reduce((state, { action }) => after(rig, state, action), from);

export const SMALL = rigWith(
  [line('ribbon', ['a'], { stops: { a: ['P48'] } }), line('mic', ['a'])],
  [group('a', { latched: true })],
);
export const TWO = rigWith([line('one', ['a']), line('both', ['a', 'b'])], [group('a'), group('b')]);
