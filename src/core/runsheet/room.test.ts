import { group, line, rigWith } from '../../../tests/sheets';
import { aimFor } from './aims';
import { breach, after } from './actions';
import { happenings, fedBy } from './happenings';
import { differences, takenOver, unseen } from './room';
import { preview, newSession, reported } from './session';
import { bare, type SheetState } from './state';
import { stepWords } from './wording';

/** A ribbon in bank A, a condenser beside it; on paper the ribbon moves to bank B, where nothing is. */
const ROOM = rigWith(
  [
    line('ribbon', ['a'], {
      stops: { a: ['P48'] },
      way: 'ribbon, cable, 1',
      inlet: 'desk 1',
      parts: ['ribbon', 'cable', 'desk 1'],
    }),
    line('mic', ['a'], { inlet: 'desk 2' }),
  ],
  [group('a', { name: 'bank A' }), group('b', { name: 'bank B' })],
);
const PAPER = rigWith(
  [
    line('ribbon', ['b'], {
      stops: { b: ['P48'] },
      way: 'ribbon, isolator, 9',
      inlet: 'desk 9',
      parts: ['ribbon', 'isolator', 'desk 9'],
    }),
    line('mic', ['a'], { inlet: 'desk 2' }),
  ],
  ROOM.groups,
);
const plugged = (...ids: string[]): SheetState => ({
  ...bare(ROOM),
  ends: Object.fromEntries(ROOM.lines.map(({ id }) => [id, { stage: ids.includes(id), desk: ids.includes(id) }])),
  now: 1000,
});
const WAS = 'ribbon as it was 1';

describe('what differs', () => {
  test('a line that is plugged otherwise than on paper, with both ways in words', () => {
    expect(differences(PAPER, ROOM, plugged('ribbon', 'mic'))).toEqual([
      { line: 'ribbon', name: 'ribbon', room: ['ribbon', 'cable', 'desk 1'], paper: ['ribbon', 'isolator', 'desk 9'] },
    ]);
  });

  test('what is out differs in nothing; what may be in counts as in', () => {
    expect(differences(PAPER, ROOM, plugged('mic'))).toEqual([]);
    const maybe: SheetState = { ...plugged(), ends: { ...plugged().ends, ribbon: { stage: false, desk: 'unknown' } } };
    expect(differences(PAPER, ROOM, maybe)).toHaveLength(1);
  });

  test('a line that has left the document is still in the room', () => {
    const gone = rigWith([PAPER.lines[1]], PAPER.groups);
    expect(differences(gone, ROOM, plugged('ribbon'))).toEqual([
      { line: 'ribbon', name: 'ribbon', room: ['ribbon', 'cable', 'desk 1'] },
    ]);
  });

  test('what somebody has been asked about is not asked again, but differs until it is pulled', () => {
    const { rig, state } = takenOver(PAPER, ROOM, plugged('ribbon', 'mic'));
    expect(unseen(PAPER, rig, state)).toEqual([]);
    expect(differences(PAPER, rig, state).map(({ name }) => name)).toEqual(['ribbon (as it was)']);
    const out = { ...state, ends: { ...state.ends, [WAS]: { stage: false, desk: false } } };
    expect(differences(PAPER, rig, out)).toEqual([]);
  });
});

describe('taking the paper over', () => {
  const { rig, state } = takenOver(PAPER, ROOM, plugged('ribbon', 'mic'));

  test('the ribbon is where it was, and not where it is on paper', () => {
    expect(state.ends).toEqual({
      ribbon: { stage: false, desk: false },
      mic: { stage: true, desk: true },
      [WAS]: { stage: true, desk: true },
    });
    expect(rig.lines.find(({ id }) => id === WAS)).toMatchObject({ was: 'ribbon', groups: ['a'], inlet: 'desk 1' });
  });

  test('48 V does not come on while it hangs there: the example that harmed a ribbon', () => {
    expect(breach(rig, state, { do: 'feed', group: 'a', to: 'P48' })).toMatchObject({ invariant: 3 });
    const aim = aimFor('set-up', rig, state, { a: 'P48', b: 'off' }, ['ribbon', 'mic']);
    const { steps } = preview(rig, state, aim);
    const at = (what: string, id?: string) =>
      steps.findIndex(
        ({ action }) => action.do === what && (id === undefined || ('line' in action && action.line === id)),
      );
    expect(at('unplug', WAS)).toBeGreaterThanOrEqual(0);
    expect(at('unplug', WAS)).toBeLessThan(at('feed'));
    // The source is pulled where it was before it is plugged anew.
    expect(steps.findLastIndex(({ action }) => action.do === 'unplug' && action.line === WAS)).toBeLessThan(
      at('plug', 'ribbon'),
    );
    let now = state;
    for (const { action } of steps) {
      expect(breach(rig, now, action)).toBeUndefined();
      now = after(rig, now, action);
    }
    expect(now.ends.ribbon).toEqual({ stage: true, desk: true });
    expect(now.ends[WAS]).toEqual({ stage: false, desk: false });
    expect(now.feeds.a.feed).toBe('P48');
  });

  test('it is not plugged anew while it is in', () =>
    expect(breach(rig, state, { do: 'plug', line: 'ribbon', end: 'stage' })).toMatchObject({ invariant: 7 }));

  test('the steps call it as it was, and the log as the document does', () => {
    const pull = { action: { do: 'unplug', line: WAS, end: 'desk' } as const, place: 'desk end' };
    expect(stepWords(rig, state, pull).title).toBe('Unplug “ribbon (as it was)” from desk 1');
    const session = { ...newSession(state), steps: [pull] };
    expect(happenings(rig, session, { report: 'done' })[0].lines).toEqual(['ribbon']);
  });

  test('a feed that reaches it is credited to its source', () => {
    const on: SheetState = { ...state, feeds: { ...state.feeds, a: { feed: 'P48', since: 0 } } };
    expect(fedBy(rig, on)).toEqual({ mic: 'P48', ribbon: 'P48' });
  });

  test('what somebody has seen to be as on paper is taken so', () => {
    const settled = takenOver(PAPER, ROOM, plugged('ribbon', 'mic'), new Set(['ribbon']));
    expect(settled.rig.lines.map(({ id }) => id)).toEqual(['ribbon', 'mic']);
    expect(settled.state.ends.ribbon).toEqual({ stage: true, desk: true });
  });

  test('what is known better now counts for it as it was, too', () => {
    const tapped = rigWith(
      [{ ...PAPER.lines[0], groups: ['a'], key: 'a', stops: { a: ['P48', 'P12'] } }, PAPER.lines[1]],
      PAPER.groups,
    );
    const { rig: known } = takenOver(tapped, ROOM, plugged('ribbon'));
    expect(known.lines.find(({ was }) => was === 'ribbon')!.stops.a).toEqual(['P48', 'P12']);
  });

  test('back on paper as it was, it is itself again', () => {
    const again = takenOver(ROOM, rig, state);
    expect(again.rig.lines.map(({ id }) => id)).toEqual(['ribbon', 'mic']);
    expect(again.state.ends.ribbon).toEqual({ stage: true, desk: true });
  });

  test('changed twice: one line in the room, whatever the paper said in between', () => {
    const other = rigWith([{ ...PAPER.lines[0], way: 'a third way' }, PAPER.lines[1]], PAPER.groups);
    const twice = takenOver(other, rig, state);
    expect(twice.rig.lines.filter(({ was }) => was).map(({ id }) => id)).toEqual([WAS]);
    expect(twice.state.ends[WAS]).toEqual({ stage: true, desk: true });
  });

  test('two lines change places on paper: each is where it was', () => {
    const swapped = rigWith(
      ROOM.lines.map((each, n) => ({ ...each, way: `${each.id} elsewhere`, inlet: ROOM.lines[1 - n].inlet })),
      ROOM.groups,
    );
    const { rig: both, state: now } = takenOver(swapped, ROOM, plugged('ribbon', 'mic'));
    expect(both.lines.filter(({ was }) => was).map(({ inlet }) => inlet)).toEqual(['desk 1', 'desk 2']);
    const aim = aimFor('set-up', both, now, { a: 'off' }, ['ribbon', 'mic']);
    let reached = now;
    for (const { action } of preview(both, now, aim).steps) {
      expect(breach(both, reached, action)).toBeUndefined();
      reached = after(both, reached, action);
    }
    expect(reached.ends.ribbon).toEqual({ stage: true, desk: true });
  });

  test('a switch that has left the document stays while something hangs on it', () => {
    const bankGone = rigWith(
      [{ ...PAPER.lines[0] }, { ...PAPER.lines[1], groups: [], way: 'mic elsewhere' }],
      [group('b')],
    );
    const on: SheetState = {
      ...plugged('ribbon', 'mic'),
      feeds: { ...plugged().feeds, a: { feed: 'P48', since: 500 } },
    };
    const kept = takenOver(bankGone, ROOM, on);
    expect(kept.rig.groups.map(({ key }) => key)).toEqual(['b', 'a']);
    expect(kept.state.feeds.a).toEqual({ feed: 'P48', since: 500 });
  });

  test('what an inlet was, its next line hears of: open stays open', () => {
    const open: SheetState = { ...plugged('mic'), muted: { ribbon: true, mic: false } };
    const moved = rigWith(
      [
        { ...ROOM.lines[0], way: 'ribbon on 2', inlet: 'desk 2' },
        { ...ROOM.lines[1], way: 'mic on 1', inlet: 'desk 1' },
      ],
      ROOM.groups,
    );
    const { state: heard } = takenOver(moved, ROOM, open);
    expect(heard.muted.ribbon).toBe(false);
  });
});

test('a supply that is off stays known to be off, whatever else has changed', () => {
  const boxed = rigWith([line('shotgun', ['a'], { supply: true }), line('mic', ['a'])], [group('a')]);
  const known = { ...bare(boxed), now: 1000 };
  expect(takenOver(boxed, boxed, known).state).toEqual(known);
  const rewired = rigWith([{ ...boxed.lines[0], way: 'over another box' }, boxed.lines[1]], boxed.groups);
  expect(takenOver(rewired, boxed, known).state.supplies.shotgun.on).toBe('unknown');
});

test('nothing changed: nothing changes, plugged or not', () => {
  for (const state of [plugged(), plugged('mic'), plugged('ribbon', 'mic')]) {
    const same = takenOver(ROOM, ROOM, state);
    expect(same.state).toEqual(state);
    expect(same.rig).toEqual(ROOM);
  }
});

describe('while others play', () => {
  test('it stays where it is until its own line is changed over', () => {
    const { rig, state } = takenOver(PAPER, ROOM, plugged('ribbon', 'mic'));
    const other = aimFor('change-over', rig, state, { a: 'P48', b: 'off' }, ['mic']);
    expect(other.plugged).toContain(WAS);
    expect(preview(rig, state, { ...other, feeds: { ...other.feeds, a: 'P48' } }).refused).toMatchObject([
      { group: 'a' },
    ]);
    const own = aimFor('change-over', rig, state, { a: 'off', b: 'off' }, ['ribbon']);
    expect(own.plugged).not.toContain(WAS);
  });

  test('reports about it are taken', () => {
    const { rig, state } = takenOver(PAPER, ROOM, plugged('ribbon', 'mic'));
    const found = reported(
      rig,
      newSession(state),
      { report: 'found', what: { line: WAS, end: 'stage', is: false } },
      2000,
    );
    expect(found.state.ends[WAS]).toEqual({ stage: false, desk: true });
  });
});

describe('what is in the room and on paper no more', () => {
  const box = { id: 'box', name: 'box', place: 'desk end', power: 'mains' } as const;
  const spare = { ...box, id: 'spare', name: 'spare' };
  const c = group('c', { name: 'bank C', device: 'box' });
  const other = {
    ...rigWith(
      [line('ribbon', ['c'], { device: 'box', way: 'ribbon, cable, box', inlet: 'box 1' }), ROOM.lines[1]],
      [...ROOM.groups, c],
    ),
    devices: [...ROOM.devices, box, spare],
  };
  const state: SheetState = { ...plugged('ribbon'), feeds: { ...bare(other).feeds }, mains: bare(other).mains };

  test('its device and its switch stay in the sheet with it, and nothing that nobody is on', () => {
    const { rig } = takenOver(PAPER, other, state);
    expect(rig.devices.map(({ id }) => id)).toEqual(['desk', 'box']);
    expect(rig.groups.map(({ key }) => key)).toEqual(['a', 'b', 'c']);
    expect(takenOver(PAPER, other, { ...state, ends: bare(other).ends }).rig.devices).toEqual(PAPER.devices);
  });

  test('a second time it gets another id than the first time', () => {
    const twice = rigWith(
      [ROOM.lines[0], { ...ROOM.lines[0], id: WAS, was: 'ribbon', way: 'ribbon, cable, 3' }],
      ROOM.groups,
    );
    const through = { stage: true, desk: true };
    const { rig } = takenOver(PAPER, twice, { ...bare(twice), ends: { ribbon: through, [WAS]: through } });
    expect(rig.lines.flatMap(({ id, was }) => (was ? [id] : []))).toEqual(['ribbon as it was 2', WAS]);
  });
});
