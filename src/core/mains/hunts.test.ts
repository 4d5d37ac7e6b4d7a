import { readFileSync } from 'node:fs';
import { componentsOf, type Components } from '../noise/components';
import { huntView, suspectsOf, WAYS, type Hunt, type Way } from '../noise/hunt';
import { contactOf, interfaceScene, renderer } from '../noise/simulated';
import { parseDocument, rigPath } from '../rig';
import { roomOf } from '../rig/places';
import { ofPower, recordingMeter } from '../signal';
import { expectedOn, humDifference, humTones, withMainsEdit } from '.';

/** The hunt, the simulated interface and the model of the mains side, held against each other on the demo. */

const RATE = 48_000;
const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const LINE = 'laptop';
const suspected = suspectsOf(rig, LINE);

const heardBefore = new Map<string, Components>();

/** What the simulated desk records with these units on; the same tones are rendered once. @param contact of its jack */
function listen(on: readonly string[], contact = 0): Components {
  const picked = humTones(rig, LINE, { on, known: suspected.map(({ id }) => id), contact });
  const key = JSON.stringify(picked);
  const before = heardBefore.get(key);
  if (before) return before;
  const found = interfaceScene(rigPath(rig, LINE)!.line, { target: -12, room: roomOf(rig, LINE), picked });
  if ('reason' in found) throw new Error(found.reason);
  const meter = recordingMeter(RATE, 1, 4 * RATE);
  const source = renderer(found.scene, RATE, key);
  for (let n = 0; n < 4; n++) meter.push([source.next(RATE)]);
  const heard = componentsOf(meter.reading().channels[0]);
  heardBefore.set(key, heard);
  return heard;
}

/** Follows the proposals until there are none. */
function hunted(hunt: Hunt, contact = 0): Hunt {
  for (let n = 0; n < 40; n++) {
    const { next } = huntView(hunt);
    if (!next) return hunt;
    hunt = { ...hunt, steps: [...hunt.steps, { on: next.on, components: listen(next.on, contact), at: '' }] };
  }
  throw new Error('the hunt does not end');
}

const begun = (way: Way, more: Partial<Hunt> = {}): Hunt => ({
  way,
  line: LINE,
  suspects: suspected,
  steps: [],
  ...more,
});

describe.each(Object.keys(WAYS) as Way[])('a hunt on the laptop, %s', (way) => {
  test('pumps and refrigeration running: the loop of laptop and desk, and the charger that whines over it', () => {
    const hunt = hunted(begun(way, { expected: expectedOn(rig, LINE) }));
    const stays = suspected.filter(({ fixed }) => fixed).map(({ id }) => id);
    expect(stays.length).toBeGreaterThan(1);
    for (const { on } of hunt.steps) expect(on).toEqual(expect.arrayContaining(stays));
    expect(hunt.steps.length).toBeLessThan(suspected.length);
    const { accounts } = huntView(hunt);
    // The desk is recorded with and stays on: the laptop alone, or in a loop with it.
    expect(accounts).toContainEqual(expect.objectContaining({ component: 'hum', culprits: ['laptop'] }));
    expect(accounts.find(({ component }) => component === 'hum')!.mendings.join(' ')).toMatch(/isolating transformer/);
    // The charger is silent alone, and so is the laptop: its whine runs over the loop.
    const whine = accounts.find(({ component, culprits }) => component === 'tones' && culprits.length > 0)!;
    expect([...whine.culprits].sort()).toEqual(['laptop', 'phone-charger']);
    expect(accounts.flatMap(({ mendings }) => mendings).join(' ')).not.toMatch(
      /lift the (protective )?earth|ground lift plug/i,
    );
  });
});

test('what is computed beforehand shortens the hunt, and is no verdict', () => {
  const [plain, informed] = [{}, { expected: expectedOn(rig, LINE) }].map((more) => hunted(begun('take-away', more)));
  expect(informed.steps.length).toBeLessThanOrEqual(plain.steps.length);
  expect(expectedOn(rig, LINE)[0].culprits.toSorted()).toEqual(['hold-desk', 'laptop']);
  // Somebody else’s hum, whatever the model thinks: it is found all the same.
  const wrong = huntView({
    ...begun('take-away', { expected: [{ of: 'mains', culprits: ['laptop'], share: 1 }] }),
    steps: [
      { on: suspected.map(({ id }) => id), components: hums(1e-6), at: '' },
      ...suspected
        .filter(({ fixed }) => !fixed)
        .map(({ id }) => ({
          on: suspected.map((each) => each.id).filter((each) => each !== id),
          components: hums(id === 'score-display' ? 1e-10 : 1e-6),
          at: '',
        })),
    ],
  });
  expect(wrong.accounts.find(({ component }) => component === 'hum')!.culprits).toEqual(['score-display']);
});
const hums = (hum: number): Components => ({ hum, buzz: 1e-12, tones: 1e-12, hiss: 1e-12 });

describe('what a hunt found, against the model', () => {
  const levelOf = ({ hum, buzz }: Components) => ofPower(hum + buzz);
  const everything = suspected.map(({ id }) => id);

  test('clean contacts: they agree, and nothing has to be explained', () => {
    const found = humDifference(rig, LINE, levelOf(listen(everything)))!;
    expect(found.agrees).toBe(true);
    expect(found.explained).toEqual([]);
    expect(Math.abs(found.measured - found.computed)).toBeLessThan(1);
  });

  test('a tarnished jack is louder than the measured shells allow, and its contact resistance comes out', () => {
    const contact = contactOf(['tarnished-jack']);
    const found = humDifference(rig, LINE, levelOf(listen(everything, contact)))!;
    expect(found.agrees).toBe(false);
    expect(found.measured - found.computed).toBeGreaterThan(found.within);
    const jack = found.explained.find(({ edit }) => edit.do === 'measured')!;
    expect(jack.what).toMatch(/jack or plug/);
    expect(jack.figure).toMatchObject({ unit: 'Ω', basis: 'measured' });
    expect(jack.figure.value / contact).toBeGreaterThan(0.8);
    expect(jack.figure.value / contact).toBeLessThan(1.25);
    // Taken over, the model says what was heard.
    const again = humDifference(withMainsEdit(rig, jack.edit), LINE, levelOf(listen(everything, contact)))!;
    expect(again.agrees).toBe(true);
  });

  test('what no figure explains is not explained', () => {
    expect(humDifference(rig, LINE, 0)!.explained).toEqual([]);
    expect(humDifference(rig, 'pair-a-left', -60)).toBeUndefined();
  });
});
