import fc from 'fast-check';
import type { Components } from '../components';
import { huntView, type Hunt, type Suspect, type Way } from '.';

/** Follows the proposals until there are none. */
function hunted(hunt: Hunt, hear: (on: readonly string[]) => Components, most = 60): Hunt {
  for (let n = 0; n < most; n++) {
    const { next } = huntView(hunt);
    if (!next) return hunt;
    hunt = { ...hunt, steps: [...hunt.steps, { on: next.on, components: hear(next.on), at: '' }] };
  }
  throw new Error('the hunt does not end');
}

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
