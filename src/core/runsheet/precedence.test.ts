import { group, line, rigWith } from '../../../tests/sheets';
import type { Action } from './actions';
import { precedes, type Kind, type Made } from './precedence';

/** Two lines on one conductor, a third by itself on another switch, and what the third was before the paper changed. */
const RIG = rigWith(
  [
    line('one', ['a'], { shares: ['two'] }),
    line('two', ['a'], { shares: ['one'] }),
    line('alone', ['b']),
    line('before', ['b'], { was: 'alone' }),
  ],
  [group('a'), group('b')],
);
const ACTIONS: Partial<Record<Kind, (of: string) => Action>> = {
  mute: (id) => ({ do: 'mute', lines: [id] }),
  'late mute': (id) => ({ do: 'mute', lines: [id] }),
  open: (id) => ({ do: 'open', lines: [id] }),
  plug: (id) => ({ do: 'plug', line: id, end: 'desk' }),
  unplug: (id) => ({ do: 'unplug', line: id, end: 'desk' }),
  hand: (id) => ({ do: 'hand', line: id, ready: true }),
  'hand off': (id) => ({ do: 'hand', line: id, ready: false }),
  'supply on': (id) => ({ do: 'supply', line: id, on: true }),
  'supply off': (id) => ({ do: 'supply', line: id, on: false }),
  'feed on': (key) => ({ do: 'feed', group: key, to: 'P48' }),
  'feed off': (key) => ({ do: 'feed', group: key, to: 'off' }),
  'late feed off': (key) => ({ do: 'feed', group: key, to: 'off' }),
};
const job = (kind: Kind, of = 'one', place = 'desk end', part = 'all'): Made => ({
  kind,
  place,
  part,
  actions: [ACTIONS[kind]?.(of) ?? { do: 'mains', device: 'desk', on: true }],
});

test.each<[string, Made, Made, boolean]>([
  ['monitors down before a feed', job('monitors down'), job('feed off', 'a'), true],
  ['monitors down before what has nothing else in common', job('monitors down'), job('plug', 'one', 'x', 'y'), true],
  ['monitors and mutes in either order', job('monitors down'), job('mute'), false],
  ['mute before the feed goes off', job('mute'), job('feed off', 'a'), true],
  ['mute before a supply goes off', job('mute'), job('supply off'), true],
  ['feeds and supplies in either order', job('feed off', 'a'), job('supply off'), false],
  ['everything quiet before the power is cut', job('feed off', 'a'), job('mains cut'), true],
  ['mute before the power is cut', job('mute'), job('mains cut'), true],
  ['quiet before any plug is pulled', job('feed off', 'a'), job('unplug', 'alone'), true],
  ['in another part of the rig it does not matter', job('mute'), job('unplug', 'alone', 'desk end', 'other'), false],
  ['an inlet opens after its plug has moved', job('plug'), job('open'), true],
  ['and after that of whoever shares its conductors', job('unplug', 'two', 'stage end'), job('open'), true],
  ['not after another line’s', job('plug', 'alone'), job('open'), false],
  ['after its supply is on', job('supply on'), job('open'), true],
  ['after its feed came on', job('feed on', 'a'), job('open'), true],
  ['not after another switch', job('feed on', 'b'), job('open'), false],
  ['plugs before any feed comes on', job('plug', 'alone'), job('feed on', 'a'), true],
  ['what is pulled is out before any feed comes on', job('unplug', 'alone'), job('feed on', 'a'), true],
  ['and before power comes in between', job('unplug', 'alone'), job('mains between'), true],
  ['at one place what comes out comes out first', job('unplug', 'alone'), job('plug'), true],
  ['each end by itself', job('unplug', 'one', 'stage end'), job('plug'), false],
  [
    'but what a line was is out, wherever it is, before it goes in anew',
    job('unplug', 'before', 'x'),
    job('plug', 'alone'),
    true,
  ],
  ['a plug before its supply', job('plug'), job('supply on'), true],
  ['not before another one’s', job('plug', 'alone'), job('supply on'), false],
  ['late looks wait for each other at one place', job('mains between'), job('late mute'), true],
  ['not at two', job('mains between'), job('late mute', 'one', 'elsewhere'), false],
  ['late looks before every plug, wherever', job('late mute'), job('plug', 'one', 'elsewhere'), true],
  ['a setting before its plug, at one place', job('hand'), job('plug'), true],
  ['not before another one’s plug', job('hand', 'alone'), job('plug'), false],
  ['nothing before what comes before it', job('plug'), job('unplug'), false],
])('%s', (_, first, second, expected) => expect(precedes(RIG, first, second)).toBe(expected));
