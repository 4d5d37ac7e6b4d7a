import { readFileSync } from 'node:fs';
import { carriedOut, SMALL, wish } from '../../../tests/sheets';
import { parseDocument } from '../rig';
import { aimFor } from './aims';
import { sheetRig } from './fromRig';
import { sheetKey } from './rig';
import { preview } from './session';
import { sequence, trips } from './sequence';
import { bare, packed } from './state';
import { crewTakes, takesAlone } from './timing';

test('one person: every step, every walk, every wait', () => {
  const steps = [
    { action: { do: 'plug', line: 'mic', end: 'stage' }, place: 'stage end' },
    { action: { do: 'wait', seconds: 20 } },
    { action: { do: 'open', lines: ['mic', 'ribbon'] }, place: 'desk end' },
  ] as const;
  expect(takesAlone(steps, 1)).toBe(15 + 20 + 2 * 6 + 45);
});

test('nobody is refused; with two, each has a place, nobody walks, and what must wait waits', () => {
  const from = bare(SMALL);
  const { steps } = sequence(SMALL, from, wish(['mic'], { a: 'P48' }, ['mic']));
  expect(() => crewTakes(SMALL, { state: from, steps }, 0)).toThrow(RangeError);
  const two = crewTakes(SMALL, { state: from, steps }, 2);
  expect(two.walks).toEqual([0, 0]);
  // Both plug at once; then feed, settling, opening, monitors.
  expect(two.seconds).toBeCloseTo(15 + 6 + 5 + 6 + 6, 0);
});

describe('the mended demo rig', () => {
  const document = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
  const rig = sheetRig(document);
  const feeds = Object.fromEntries(
    document.devices.flatMap((device) => device.groups.map((each) => [sheetKey(device.id, each.id), each.feed])),
  );
  const all = rig.lines.map(({ id }) => id);
  const made = (kind: 'set-up' | 'strike', state = packed(rig), order: 'time' | 'walks' = 'time') => ({
    state,
    steps: preview(rig, state, { ...aimFor(kind, rig, state, feeds, all), order }).steps,
  });
  const set = carriedOut(rig, packed(rig), made('set-up').steps);

  test('a strike takes five walks where it took nine, and each order says what it costs', () => {
    const [time, walks] = [made('strike', set, 'time'), made('strike', set, 'walks')];
    expect([trips(time.steps), trips(walks.steps)]).toEqual([9, 5]);
    expect(takesAlone(walks.steps, 5)).toBeLessThan(takesAlone(time.steps, 9));
  });

  test.each([
    ['set-up', made('set-up')],
    ['strike', made('strike', set)],
  ] as const)('two people take a %s in hardly more than half the time of one', (_, following) => {
    const alone = takesAlone(following.steps, trips(following.steps));
    const two = crewTakes(rig, following, 2);
    expect(two.seconds).toBeLessThan(0.6 * alone);
    expect(two.seconds).toBeGreaterThan(0.3 * alone);
  });
});
