import { cable, demoRig, deviceOf, rigOf } from '../../../tests/planning';
import type { RigDocument } from '../rig';
import { hasLead, runTo, tasksOf } from './tasks';

const task = (rig: RigDocument, id: string) => tasksOf(rig).find(({ line }) => line.id === id)!;

describe('what has to be placed', () => {
  test('a line with a splitter takes the lines on its legs along', () => {
    const { followers, now } = task(demoRig(), 'singer');
    expect(followers.map(({ id }) => id)).toEqual(['singer-stream']);
    expect(now).toEqual({ device: 'desk', inlet: '11' });
    expect(tasksOf(demoRig()).some(({ line }) => line.id === 'singer-stream')).toBe(false);
  });

  test('a line in somebody else’s link-through is placed by itself, and has no inlet now', () => {
    expect(task(demoRig(), 'piano-right')).toMatchObject({ followers: [], source: { item: 'electric-piano' } });
    expect(task(demoRig(), 'piano-right').now).toBeUndefined();
    expect(task(demoRig(), 'piano-left').followers).toEqual([]);
  });

  test('two lines joined by a Y-lead stay together', () => {
    const desk = deviceOf('desk', [{ inlets: 2, offers: [], feed: 'off' }]);
    const y = { kind: 'y-lead', id: 'y', choices: { use: 'sum' } };
    const rig = rigOf(
      [desk],
      [
        { id: 'a', name: 'a', source: { kind: 'moving-coil' }, links: [y], inlet: { device: 'desk', inlet: '1' } },
        {
          id: 'b',
          name: 'b',
          source: { kind: 'moving-coil' },
          links: [],
          inlet: { into: { line: 'a', link: 'y', port: 'b' } },
        },
      ],
    );
    expect(tasksOf(rig).map(({ line, followers }) => [line.id, followers.map(({ id }) => id)])).toEqual([['a', ['b']]]);
  });
});

describe('the cable that a line needs', () => {
  test('is the run that is stated', () => {
    expect(runTo(demoRig(), task(demoRig(), 'announcer'), 'desk')).toBe(18);
    expect(runTo(demoRig(), task(demoRig(), 'announcer'), 'bag')).toBe(12);
  });

  test('less the lead that a mini-jack microphone hangs on', () => {
    expect(hasLead({ kind: 'plug-in-electret', choices: { connector: 'ts35' } })).toBe(true);
    expect(hasLead({ kind: 'moving-coil' })).toBe(false);
    // 28 m from the desk end of the hold to the wheelhouse.
    expect(runTo(demoRig(), task(demoRig(), 'guide-body-worn'), 'bag')).toBe(26);
  });

  test('where nothing is stated, as much three-pin cable as there is now, or any cable if there is none of that', () => {
    const { locations: _locations, runs: _runs, ...rest } = demoRig();
    const rig: RigDocument = { ...rest, devices: rest.devices.map(({ location: _at, ...device }) => device) };
    expect(runTo(rig, task(rig, 'announcer'), 'desk')).toBe(20);
    expect(runTo(rig, task(rig, 'double-bass'), 'desk')).toBe(8);
    expect(runTo(rig, task(rig, 'wireless'), 'mixer')).toBe(2);
    expect(runTo(rig, task(rig, 'camera'), 'camera')).toBe(0);
  });

  test('of several cables in a row, all of them', () => {
    const desk = deviceOf('desk', [{ inlets: 1, offers: [], feed: 'off' }]);
    const line = {
      id: 'a',
      name: 'a',
      source: { kind: 'moving-coil' },
      links: [cable(6), cable(4)],
      inlet: { device: 'desk', inlet: '1' },
    };
    const rig = rigOf([desk], [line]);
    expect(runTo(rig, task(rig, 'a'), 'desk')).toBe(10);
  });
});
