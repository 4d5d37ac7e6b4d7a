import { demoRig } from '../../../tests/planning';
import { carriedOut } from '../../../tests/sheets';
import { sheetRig } from './fromRig';
import type { SheetRig } from './rig';
import { firstBreach, sequence, trips } from './sequence';
import type { Wanted } from './wanted';
import { bare } from './state';
import { stepWords } from './wording';

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
  const { steps, refused, fewest } = sequence(rig, bare(rig), wanted);
  const kinds = steps.map(({ action }) => action.do);

  test('set-up: feeds come on after everything is plugged, the last steps open monitors, nothing is refused', () => {
    expect(refused).toEqual([]);
    expect(firstBreach(rig, bare(rig), steps)).toBeUndefined();
    expect(kinds.lastIndexOf('plug')).toBeLessThan(kinds.indexOf('feed'));
    expect(kinds.indexOf('wait')).toBeGreaterThan(kinds.indexOf('feed'));
    expect(steps.at(-1)!.action).toEqual({ do: 'monitors', group: 'monitors', to: 'open' });
    // Feeds settle at the desk where they came on: one wait at each of the three that have any.
    expect(kinds.filter((kind) => kind === 'wait')).toHaveLength(3);
  });

  test('the fewest trips: every order of the five places was tried', () => {
    // Four walks see every place once; two of the three desks with feeds are seen again when everything is plugged.
    expect([trips(steps), fewest]).toEqual([6, true]);
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
    expect(strike.steps[0].action).toEqual({ do: 'monitors', group: 'monitors', to: 'down' });
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

  test('what is Silent with the feed off and Stop with it on is harmed by it; what is Stop anyway is not the feed’s doing', () => {
    const stops = (id: string) => rig.lines.find((line) => line.id === id)!.stops;
    expect(stops('guide-body-worn')).toEqual({ 'desk bank-a': ['P48'] });
    expect(stops('ribbon-left')).toEqual({ 'desk bank-a': ['P48'] });
    expect(stops('pair-a-left')).toEqual({});
  });

  test('the documented feeds of bank A are refused while the ribbons are wanted on it', () => {
    const { refused, steps } = sequence(rig, bare(rig), asDocumented(rig, 'lock-nine'));
    expect(refused.map((each) => 'group' in each && each.group)).toContain('desk bank-a');
    expect(firstBreach(rig, bare(rig), steps)).toBeUndefined();
  });

  test('waits are computed from the circuits, the school’s figure beside them', () => {
    const bank = rig.groups.find(({ key }) => key === 'desk bank-a')!;
    expect(bank.decay).toMatchObject({ school: 60 });
    expect(bank.decay.computed).toBeGreaterThan(1);
    expect(bank.settle.computed).toBeGreaterThan(0);
    expect(bank.latched).toBe(true);
    // What is left falls from moment to moment, to less than a volt when the computed time is over.
    const volts = bank.charge.map((each) => each.volts);
    expect(volts).toEqual(volts.toSorted((a, b) => b - a));
    expect(bank.charge[0].volts).toBeGreaterThan(30);
    expect(bank.charge.at(-1)).toMatchObject({ at: bank.decay.computed, volts: expect.any(Number) });
    expect(volts.at(-1)).toBeLessThan(1.01);
  });

  test('the voltage that may be left and the schools decide how long a bank is waited for', () => {
    const bankA = (schools: object) => {
      const { devices, lines, ...rest } = demoRig();
      const few = { ...rest, devices, lines: lines.filter(({ id }) => id === 'pair-a-left'), schools };
      return sheetRig(few).groups.find(({ key }) => key === 'desk bank-a')!.decay;
    };
    const careful = bankA({ afterFeedOff: 'computed' });
    const stricter = bankA({ afterFeedOff: 'computed', chargeLeft: '0.1' });
    expect(careful).toMatchObject({ counts: 'computed', seconds: careful.computed });
    expect(stricter.seconds).toBeGreaterThan(careful.seconds);
    expect(bankA({ afterFeedOff: '120' })).toMatchObject({ seconds: 120, counts: 'school' });
  });

  test('a splitter’s leg reaches both switches, boxes with a supply are known', () => {
    const line = (id: string) => rig.lines.find((each) => each.id === id)!;
    expect(line('singer').groups).toEqual(['desk bank-b', 'stream both']);
    expect(line('valve').supply).toBe(true);
    expect(line('pair-a-left')).toMatchObject({ stage: 'Hold, stage end', desk: 'Hold, desk end', supply: false });
  });
});

test('a step says what a line goes through and how it is set by hand', () => {
  const document = demoRig('lock-nine-mended');
  const rig = sheetRig({ ...document, lines: document.lines.filter(({ id }) => id === 'double-bass'), units: [] });
  const [bass] = rig.lines;
  const step = { action: { do: 'plug', line: bass.id, end: 'stage' } } as const;
  const { detail } = stepWords(rig, undefined, step);
  expect(detail).toContain(`Through ${bass.parts.slice(1, -1).join(', ')}`);
  expect(detail).toMatch(/Set .*battery/);
});

test('what is off is said as off, and only of what is usually there or was stated', () => {
  const said = (id: string, choices?: Record<string, string>) => {
    const rig = demoRig('lock-nine-mended');
    const line = rig.lines.find((each) => each.id === id)!;
    if (choices && 'kind' in line.source)
      line.source = { ...line.source, choices: { ...line.source.choices, ...choices } };
    const { set = [], ready = [] } = sheetRig(rig).lines.find((each) => each.id === id)!;
    return [...set, ...ready].join('; ');
  };
  expect(said('pair-a-left')).toMatch(/: pad off, low cut off$/);
  expect(said('pair-a-left', { pad: 'on', lowCut: 'on' })).toMatch(/: pad in, low cut on$/);
  expect(said('guide')).not.toContain('low cut');
  expect(said('guide', { lowCut: 'off' })).toMatch(/: low cut off$/);
});

describe('what hangs on which strip', () => {
  const rig = sheetRig(demoRig('lock-nine-mended'));
  const words = (device: string, on: boolean) =>
    stepWords(rig, undefined, { action: { do: 'mains', device, on } } as never);

  test('a device is switched at itself where others hang on its strip, which are named', () => {
    expect(words('desk', true).detail).toBe(
      'At its own switch, not at audio strip: Stream interface, Line mixer, Supply of the valve microphone and 1 more hang on that, too.',
    );
  });
  test('what runs on cells has no strip', () => {
    expect(words('bag', false).detail ?? '').not.toContain('strip');
  });
});
