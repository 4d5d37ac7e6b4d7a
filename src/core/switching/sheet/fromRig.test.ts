import { demoRig } from '../../../../tests/planning';
import { carriedOut } from '../../../../tests/sheets';
import { sheetRig } from './fromRig';
import type { SheetRig } from './rig';
import { firstBreach, sequence, trips, type Wanted } from './sequence';
import { bare } from './state';

/** Everything as the document has it. */
function asDocumented(rig: SheetRig, id: string): Wanted {
  const { devices, lines } = demoRig(id);
  return {
    plugged: new Set(lines.map((line) => line.id)),
    feeds: Object.fromEntries(
      devices.flatMap((device) => device.groups.map((group) => [`${device.id} ${group.id}`, group.feed])),
    ),
    open: new Set(rig.lines.map((line) => line.id)),
  };
}
describe('Lock Nine, mended', () => {
  const rig = sheetRig(demoRig('lock-nine-mended'));
  const wanted = asDocumented(rig, 'lock-nine-mended');
  const { steps, refused } = sequence(rig, bare(rig), wanted);
  const kinds = steps.map(({ action }) => action.do);

  test('set-up: feeds come on after everything is plugged, the last steps open monitors, nothing is refused', () => {
    expect(refused).toEqual([]);
    expect(firstBreach(rig, bare(rig), steps)).toBeUndefined();
    expect(kinds.lastIndexOf('plug')).toBeLessThan(kinds.indexOf('feed'));
    expect(kinds.indexOf('wait')).toBeGreaterThan(kinds.lastIndexOf('feed'));
    expect(steps.at(-1)!.action).toEqual({ do: 'monitors', to: 'open' });
    expect(kinds.filter((kind) => kind === 'wait')).toHaveLength(1);
  });

  test('as few trips as the order allows: once round for the sources, once for the inlets, back to open', () => {
    const stages = new Set(rig.lines.map(({ stage }) => stage)).size;
    const desks = new Set(rig.lines.map(({ desk }) => desk)).size;
    const supplies = new Set(rig.lines.filter(({ supply }) => supply).map(({ stage }) => stage)).size;
    // Sources, then inlets with their feeds, then supplies that can only go on when both ends are in, then the openings.
    expect(trips(steps)).toBeLessThanOrEqual(stages - 1 + desks + (desks + supplies) + desks);
  });

  test('a change-over of the announcer disturbs nobody: bank B is off', () => {
    const on = carriedOut(rig, bare(rig), steps);
    const over = sequence(rig, on, { ...wanted, exchanged: new Set(['announcer']) });
    expect(over.disturbed).toEqual([]);
    expect(over.steps.map(({ action }) => action.do)).not.toContain('feed');
  });

  test('strike: monitors down first, one wait for every switch, then the plugs', () => {
    const on = carriedOut(rig, bare(rig), steps);
    const strike = sequence(rig, on, { plugged: new Set(), feeds: {}, open: new Set() });
    expect(firstBreach(rig, on, strike.steps)).toBeUndefined();
    expect(strike.steps[0].action).toEqual({ do: 'monitors', to: 'down' });
    expect(strike.steps.filter(({ action }) => action.do === 'wait')).toHaveLength(1);
  });
});

describe('Lock Nine', () => {
  const rig = sheetRig(demoRig());

  test('a change-over of the announcer on bank A names everybody else on that switch', () => {
    const wanted = { ...asDocumented(rig, 'lock-nine'), feeds: {} };
    const lines = rig.lines.filter(({ groups }) => groups.includes('desk bank-a'));
    const safe = rig.lines.filter(({ stops }) => Object.keys(stops).length === 0).map(({ id }) => id);
    const kept = { plugged: new Set(safe), open: new Set(safe), feeds: { 'desk bank-a': 'P48' as const } };
    const on = carriedOut(rig, bare(rig), sequence(rig, bare(rig), kept).steps);
    const { disturbed } = sequence(rig, on, { ...kept, exchanged: new Set(['announcer']) });
    expect(disturbed.toSorted()).toEqual(
      lines
        .map(({ id }) => id)
        .filter((id) => safe.includes(id) && id !== 'announcer')
        .toSorted(),
    );
    expect(disturbed.length).toBeGreaterThan(1);
    expect(wanted.plugged.size).toBe(24);
  });

  test('the documented feeds of bank A are refused while the ribbons are wanted on it', () => {
    const { refused, steps } = sequence(rig, bare(rig), asDocumented(rig, 'lock-nine'));
    expect(refused.map(({ group }) => group)).toContain('desk bank-a');
    expect(firstBreach(rig, bare(rig), steps)).toBeUndefined();
  });

  test('waits are computed from the circuits, the school’s figure beside them', () => {
    const bank = rig.groups.find(({ key }) => key === 'desk bank-a')!;
    expect(bank.decay).toMatchObject({ school: 60 });
    expect(bank.decay.computed).toBeGreaterThan(1);
    expect(bank.settle.computed).toBeGreaterThan(0);
    expect(bank.latched).toBe(true);
  });

  test('a splitter’s leg reaches both switches, boxes with a supply are known', () => {
    const line = (id: string) => rig.lines.find((each) => each.id === id)!;
    expect(line('singer').groups).toEqual(['desk bank-b', 'stream both']);
    expect(line('valve').supply).toBe(true);
    expect(line('pair-a-left')).toMatchObject({ stage: 'Hold, stage end', desk: 'Hold, desk end', supply: false });
  });
});
