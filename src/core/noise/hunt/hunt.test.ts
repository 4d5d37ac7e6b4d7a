import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { parseDocument, rigPath } from '../../rig';
import { roomOf } from '../../rig/places';
import { recordingMeter } from '../../signal';
import { componentsOf, type Components } from '../components';
import { interfaceScene, renderer, troublesOf } from '../simulated';
import { huntView, suspectsOf, WAYS, type Hunt, type Suspect, type Way } from '.';

const RATE = 48_000;
const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const LINE = 'pair-a-left';

const heardBefore = new Map<string, Components>();

/** What the simulated desk records with these units on; the same faults are rendered once. */
function listen(on: readonly string[]): Components {
  const faults = troublesOf(rig)
    .filter(({ needs, hears }) => hears.includes('desk') && needs.every((unit) => on.includes(unit)))
    .map(({ fault }) => fault);
  const before = heardBefore.get(faults.join());
  if (before) return before;
  const found = interfaceScene(rigPath(rig, LINE)!.line, { target: -12, room: roomOf(rig, LINE), faults });
  if ('reason' in found) throw new Error(found.reason);
  const meter = recordingMeter(RATE, 1, 4 * RATE);
  const source = renderer(found.scene, RATE, faults.join());
  for (let n = 0; n < 4; n++) meter.push([source.next(RATE)]);
  const heard = componentsOf(meter.reading().channels[0]);
  heardBefore.set(faults.join(), heard);
  return heard;
}

/** Follows the proposals until there are none. */
function hunted(hunt: Hunt, hear: (on: readonly string[]) => Components, most = 60): Hunt {
  for (let n = 0; n < most; n++) {
    const { next } = huntView(hunt);
    if (!next) return hunt;
    hunt = { ...hunt, steps: [...hunt.steps, { on: next.on, components: hear(next.on), at: '' }] };
  }
  throw new Error('the hunt does not end');
}

test.each(Object.keys(WAYS) as Way[])(
  'Lock Nine, %s: the loop of desk and laptop and the charger, in fewer measurements than one for each unit',
  (way) => {
    // Everything may go: on a mooring with another pump and another refrigerator.
    const suspects = suspectsOf(rig, LINE).map(({ fixed: _fixed, ...each }) => each);
    expect(suspects[0].id).toBe('hold-desk');
    const hunt = hunted({ way, line: LINE, suspects, steps: [] }, listen);
    expect(hunt.steps.length).toBeLessThan(suspects.length);
    const { accounts } = huntView(hunt);
    expect(accounts).toContainEqual(expect.objectContaining({ component: 'buzz', culprits: ['hold-desk', 'laptop'] }));
    expect(accounts).toContainEqual(expect.objectContaining({ component: 'tones', culprits: ['phone-charger'] }));
    for (const { culprits, certainty } of accounts) if (culprits.length) expect(certainty).toBeGreaterThan(0.9);
    // Whatever is offered, nobody is told to take the protective earth away.
    expect(accounts.flatMap(({ mendings }) => mendings).join(' ')).toMatch(/isolating transformer/);
    expect(accounts.flatMap(({ mendings }) => mendings).join(' ')).not.toMatch(
      /lift the (protective )?earth|ground lift plug/i,
    );
  },
);

test.each(Object.keys(WAYS) as Way[])(
  'Lock Nine, %s, pumps and refrigeration running: the same culprits, less certain, since what stays on may be part of it',
  (way) => {
    const suspects = suspectsOf(rig, LINE);
    const hunt = hunted({ way, line: LINE, suspects, steps: [] }, listen);
    const stays = suspects.filter(({ fixed }) => fixed).map(({ id }) => id);
    expect(stays.length).toBeGreaterThan(1);
    for (const { on } of hunt.steps) expect(on).toEqual(expect.arrayContaining(stays));
    const { accounts } = huntView(hunt);
    // The desk is recorded with and stays on: the laptop alone, or in a loop with it.
    expect(accounts).toContainEqual(expect.objectContaining({ component: 'buzz', culprits: ['laptop'] }));
    expect(accounts.find(({ component }) => component === 'buzz')!.mendings.join(' ')).toMatch(/isolating transformer/);
    expect(accounts).toContainEqual(expect.objectContaining({ component: 'tones', culprits: ['phone-charger'] }));
    for (const { culprits, certainty } of accounts) if (culprits.length) expect(certainty).toBeGreaterThan(0.6);
  },
);

const units = (count: number): Suspect[] =>
  Array.from({ length: count }, (_, n) => ({ id: `u${n}`, name: `unit ${n}`, kind: 'audio device' }));
const QUIET = 1e-9;
/** A world in which sets of units make a component, each at its level. */
const world =
  (makes: readonly { component: keyof Components; units: readonly string[]; power: number }[]) =>
  (on: readonly string[]): Components => {
    const heard: Components = { hum: QUIET, buzz: QUIET, tones: QUIET, hiss: QUIET };
    for (const { component, units: needs, power } of makes)
      if (needs.every((unit) => on.includes(unit))) heard[component] += power;
    return heard;
  };

test('whoever hums alone or in a pair is found, whichever it is, in either way', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 5, max: 12 }),
      fc.nat(),
      fc.nat(),
      fc.boolean(),
      fc.constantFrom<Way>('build-up', 'take-away'),
      (count, a, b, pair, way) => {
        const [first, second] = [`u${a % count}`, `u${b % count}`];
        const needs = pair && first !== second ? [first, second] : [first];
        const hunt = hunted(
          { way, line: 'x', suspects: units(count), steps: [] },
          world([{ component: 'buzz', units: needs, power: 1e-6 }]),
        );
        const found = huntView(hunt).accounts.filter(({ component }) => component === 'buzz');
        expect(found).toHaveLength(1);
        expect([...found[0].culprits].sort()).toEqual([...needs].sort());
        // Everything, the bare chain, and then about one for each unit; among five the loops of two and three want more.
        expect(hunt.steps.length).toBeLessThanOrEqual(Math.max(count + 3, 11));
      },
    ),
    { numRuns: 12 },
  );
});

test('two of them in one component, one 10 dB below the other, are told apart', () => {
  const hunt = hunted(
    { way: 'take-away', line: 'x', suspects: units(10), steps: [] },
    world([
      { component: 'hum', units: ['u3'], power: 1e-5 },
      { component: 'hum', units: ['u7'], power: 1e-6 },
    ]),
  );
  const { accounts } = huntView(hunt);
  expect(accounts.filter(({ component }) => component === 'hum').map(({ culprits }) => culprits[0])).toEqual([
    'u3',
    'u7',
  ]);
  expect(accounts[0].dbfs).toBeCloseTo(-50, 0);
});

test('what no unit changes is said to lie in the line itself; what stays on is never asked to go', () => {
  const suspects = units(6).map((suspect, n): Suspect => (n === 0 ? { ...suspect, fixed: true } : suspect));
  const hunt = hunted({ way: 'take-away', line: 'x', suspects, steps: [] }, () => ({
    hum: 1e-6,
    buzz: QUIET,
    tones: QUIET,
    hiss: QUIET,
  }));
  expect(hunt.steps.every(({ on }) => on.includes('u0'))).toBe(true);
  const [hum] = huntView(hunt).accounts;
  expect(hum).toMatchObject({ component: 'hum', culprits: [] });
  expect(hum.mendings[0]).toMatch(/The line picks it up/);
});

test('with loudspeakers, building up brings them in before the rest', () => {
  const suspects = units(5).map((suspect, n): Suspect => (n === 4 ? { ...suspect, kind: 'loudspeaker' } : suspect));
  const hear = world([{ component: 'hum', units: ['u2'], power: 1e-6 }]);
  const hunt = hunted({ way: 'build-up', line: 'x', suspects, steps: [] }, hear);
  expect(hunt.steps[0].on).toEqual(['u0']);
  expect(hunt.steps[1].on).toEqual(['u0', 'u4']);
});

test('a unit that a step turns alone is told with what it changed', () => {
  const hear = world([{ component: 'hum', units: ['u1'], power: 1e-6 }]);
  const steps = [['u0', 'u1'], ['u0']].map((on) => ({ on, components: hear(on), at: '' }));
  const { changes } = huntView({ way: 'take-away', line: 'x', suspects: units(3), steps });
  const hum = changes.find(({ component }) => component === 'hum')!;
  expect(hum.suspect).toBe('u1');
  expect(hum.from).toBeCloseTo(-60, 0);
  expect(hum.to).toBeLessThan(-85);
});
