import { group, line, rigWith, carriedOut } from '../../../tests/sheets';
import { aimFor } from './aims';
import { dangers } from './dangers';
import { harming } from './invariants';
import { breach } from './actions';
import type { SheetRig } from './rig';
import { newSession, preview, reported, type Session } from './session';
import { bare, type SheetState } from './state';

const RIG = rigWith(
  [line('ribbon', ['a'], { stops: { a: ['P48'] } }), line('mic', ['a'])],
  [group('a', { name: 'bank A' })],
);
/** Somebody has turned bank A on, with the ribbon on it and everything open. */
const HARM: SheetState = {
  ...bare(RIG),
  now: 1000,
  ends: { ribbon: { stage: true, desk: true }, mic: { stage: true, desk: true } },
  feeds: { a: { feed: 'P48', since: 900 } },
  muted: { ribbon: false, mic: false },
  monitors: { monitors: 'open' },
};
const strike = (rig: SheetRig, state: SheetState) =>
  aimFor(
    'strike',
    rig,
    state,
    {},
    rig.lines.map(({ id }) => id),
  );
const begun = (rig = RIG, state = HARM): Session =>
  reported(rig, newSession(state), { report: 'begin', aim: strike(rig, state) }, 1000);
const next = ({ steps }: Session) => steps[0]?.action;
const notPossible = (session: Session, rig = RIG) => reported(rig, session, { report: 'not possible' }, 1000);

describe('harm that is running', () => {
  test('is a feed that is known to be on, on a line that it harms and whose source is in', () => {
    expect(harming(RIG, HARM, 'a').map(({ id }) => id)).toEqual(['ribbon']);
    const off = (state: Partial<SheetState>) => harming(RIG, { ...HARM, ...state }, 'a');
    expect(off({ feeds: { a: { feed: 'off', since: 0 } } })).toEqual([]);
    expect(off({ feeds: { a: { feed: 'unknown', since: 'unknown' } } })).toEqual([]);
    expect(off({ mains: { desk: false } })).toEqual([]);
    expect(off({ ends: { ...HARM.ends, ribbon: { stage: false, desk: true } } })).toEqual([]);
    expect(off({ ends: { ...HARM.ends, ribbon: { stage: true, desk: false } } })).toEqual([]);
  });

  test('ends before anything else, pop or not', () => {
    expect(next(begun())).toEqual({ do: 'feed', group: 'a', to: 'off' });
    expect(breach(RIG, HARM, { do: 'feed', group: 'a', to: 'off' })).toBeUndefined();
    const harmless: SheetState = { ...HARM, ends: { ...HARM.ends, ribbon: { stage: false, desk: false } } };
    expect(breach(RIG, harmless, { do: 'feed', group: 'a', to: 'off' })).toMatchObject({ invariant: 2 });
  });

  test('and the rest of the sheet is as it would be', () => {
    const { steps } = preview(RIG, HARM, strike(RIG, HARM));
    const end = carriedOut(RIG, HARM, steps);
    expect(end.ends.ribbon).toEqual({ stage: false, desk: false });
    expect(steps.filter(({ action }) => action.do === 'feed')).toHaveLength(1);
  });

  test('turned up or to another harmful feed it is still refused', () =>
    expect(breach(RIG, HARM, { do: 'feed', group: 'a', to: 'P12' })).toMatchObject({ invariant: 2 }));

  test('is the first thing of a set-up as well', () => {
    const aim = aimFor('set-up', RIG, HARM, { a: 'P48' }, ['ribbon', 'mic']);
    const session = reported(RIG, newSession(HARM), { report: 'begin', aim }, 1000);
    expect(next(session)).toEqual({ do: 'feed', group: 'a', to: 'off' });
    expect(session.refused).toMatchObject([{ group: 'a' }]);
  });
});

describe('where the switch cannot be turned', () => {
  const noSwitch = notPossible(begun());
  const noPower = notPossible(noSwitch);
  const noPull = notPossible(noPower);

  test('the power of its device goes, pop or not', () => {
    expect(next(noSwitch)).toEqual({ do: 'mains', device: 'desk', on: false });
    expect(breach(RIG, HARM, { do: 'mains', device: 'desk', on: false })).toBeUndefined();
  });

  test('then its source is pulled live, as the lesser harm', () => {
    expect(next(noPower)).toEqual({ do: 'unplug', line: 'ribbon', end: 'stage' });
    expect(breach(RIG, HARM, { do: 'unplug', line: 'ribbon', end: 'stage' })).toBeUndefined();
    // Nobody else's is, and no other end of it.
    expect(breach(RIG, HARM, { do: 'unplug', line: 'mic', end: 'stage' })).toMatchObject({ invariant: 1 });
    expect(breach(RIG, HARM, { do: 'unplug', line: 'ribbon', end: 'desk' })).toMatchObject({ invariant: 1 });
  });

  test('the sheet never ends as if all were well: it says what is still dangerous, and whom to call', () => {
    expect(noPull.steps.some(({ action }) => action.do === 'unplug' && action.line === 'ribbon')).toBe(false);
    const [danger] = dangers(RIG, noPull.state);
    expect(danger).toMatch(/^bank A still feeds 48 V into ribbon and can damage it\. Call whoever runs desk/);
  });

  test('once the power is off, nothing is dangerous any more', () => {
    const off = reported(RIG, noSwitch, { report: 'done' }, 1001);
    expect(dangers(RIG, off.state)).toEqual([]);
    expect(off.state.feeds.a.feed).toBe('off');
  });

  test('pulled, the ribbon is safe; the loose plug on the live switch is told', () => {
    const pulled = reported(RIG, noPower, { report: 'done' }, 1001);
    const [danger] = dangers(RIG, pulled.state);
    expect(danger).toMatch(/^ribbon: the plug at the source end hangs loose, and bank A is on/);
  });
});

describe('an outboard supply', () => {
  const boxed = rigWith([line('ribbon', ['a'], { supply: true, supplyHarms: true })], [group('a')]);
  const on: SheetState = {
    ...bare(boxed),
    now: 1000,
    ends: { ribbon: { stage: true, desk: true } },
    supplies: { ribbon: { on: true, since: 900 } },
    muted: { ribbon: false },
    monitors: { monitors: 'open' },
  };

  test('that harms its source is refused like any other feed', () => {
    const ready: SheetState = {
      ...on,
      supplies: { ribbon: { on: false, since: 0 } },
      muted: { ribbon: true },
      monitors: { monitors: 'down' },
    };
    expect(breach(boxed, ready, { do: 'supply', line: 'ribbon', on: true })).toMatchObject({ invariant: 6 });
    const aim = aimFor('set-up', boxed, ready, {}, ['ribbon']);
    const { steps, refused } = preview(boxed, ready, aim);
    expect(steps.some(({ action }) => action.do === 'supply')).toBe(false);
    expect(refused).toEqual([{ invariant: 6, why: 'The supply of ribbon would harm it.', line: 'ribbon' }]);
  });

  test('that is on already goes off first, and where it cannot, the source is pulled', () => {
    const session = begun(boxed, on);
    expect(next(session)).toEqual({ do: 'supply', line: 'ribbon', on: false });
    expect(dangers(boxed, on)).toEqual([
      'The supply of ribbon is still on, and harms it. Get to it, or pull the source.',
    ]);
    const stuck = notPossible(session, boxed);
    expect(next(stuck)).toEqual({ do: 'unplug', line: 'ribbon', end: 'stage' });
  });
});

describe('a plug that could not be put in', () => {
  const aim = aimFor('set-up', RIG, bare(RIG), { a: 'off' }, ['mic']);
  const set = reported(RIG, newSession(bare(RIG)), { report: 'begin', aim: { ...aim, feeds: { a: 'P48' } } }, 1000);
  const until = (session: Session, what: string, end?: string): Session => {
    let [now, at] = [session, 1000];
    for (let n = 0; n < 20; n++) {
      const action = next(now);
      if (action?.do === what && (end === undefined || ('end' in action && action.end === end))) return now;
      if (now.until !== undefined) at = now.until;
      now = reported(RIG, now, { report: 'done' }, ++at);
    }
    throw new Error(`no ${what}`);
  };

  test('leaves no live loose plug: the other end comes out again', () => {
    // At the desk first, then nobody can reach the stage.
    const half: SheetState = { ...bare(RIG), ends: { ...bare(RIG).ends, mic: { stage: false, desk: true } } };
    const session = reported(RIG, newSession(half), { report: 'begin', aim: { ...aim, feeds: { a: 'P48' } } }, 1000);
    const stage = until(session, 'plug', 'stage');
    const left = reported(RIG, stage, { report: 'not possible' }, 1100);
    const steps = left.steps.map(({ action }) => action);
    expect(steps).toContainEqual({ do: 'unplug', line: 'mic', end: 'desk' });
    const feed = steps.findIndex((action) => action.do === 'feed' && action.to !== 'off');
    if (feed >= 0)
      expect(steps.findIndex((action) => action.do === 'unplug' && action.end === 'desk')).toBeLessThan(feed);
  });

  test('or its bank stays off where that cannot be done either', () => {
    const half: SheetState = { ...bare(RIG), ends: { ...bare(RIG).ends, mic: { stage: false, desk: true } } };
    const session = reported(RIG, newSession(half), { report: 'begin', aim: { ...aim, feeds: { a: 'P48' } } }, 1000);
    const stage = reported(RIG, until(session, 'plug', 'stage'), { report: 'not possible' }, 1100);
    const desk = reported(RIG, until(stage, 'unplug', 'desk'), { report: 'not possible' }, 1200);
    expect(desk.steps.some(({ action }) => action.do === 'feed' && action.to !== 'off')).toBe(false);
    expect(desk.refused).toMatchObject([{ group: 'a', why: 'bank A: mic is in at its inlet and not at its source.' }]);
    expect(breach(RIG, half, { do: 'feed', group: 'a', to: 'P48' })).toMatchObject({ invariant: 3 });
  });

  test('a set-up without trouble does turn its bank on', () => {
    expect(until(set, 'feed')).toBeDefined();
  });
});
