import { expectation, explain, type Heard } from './explain';

const power = (level: number) => 10 ** (level / 10);
const heard = (...list: [on: number, level: number][]): Heard[] =>
  list.map(([on, level]) => ({ on, power: power(level) }));
const [A, B, C, D] = [1, 2, 4, 8];
const ALL = A | B | C | D;
const certainty = (list: Heard[], culprit: number, count = 4, fixed = 0): number =>
  explain(list, count, fixed).marginals.get(culprit) ?? 0;

test('everything on, nothing else measured: anybody may be it, one suspect likelier than a pair, a pair than three', () => {
  const all = heard([ALL, -60]);
  expect(certainty(all, A)).toBeCloseTo(certainty(all, D), 9);
  expect(certainty(all, A)).toBeGreaterThan(certainty(all, A | B));
  expect(certainty(all, A | B)).toBeGreaterThan(certainty(all, A | B | C));
  const { explanations } = explain(all, 4);
  expect(explanations.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6);
});

test('whoever was off while it sounded is out of it; what needs two is a loop', () => {
  const list = heard([ALL, -60], [A | B, -60], [A, -95], [B, -95], [0, -95]);
  expect(certainty(list, A | B)).toBeGreaterThan(0.85);
  for (const single of [A, B, C, D]) expect(certainty(list, single)).toBeLessThan(0.05);
  const three = heard([ALL, -60], [A | B | C, -60], [A | B, -95], [A | C, -95], [B | C, -95], [ALL & ~A, -95]);
  expect(certainty(three, A | B | C)).toBeGreaterThan(0.8);
});

test('a level that stays is nobody’s; one that falls with a suspect is that suspect’s', () => {
  const [still] = explain(heard([ALL, -60], [0, -60.4], [A | C, -59.8]), 4).explanations;
  expect(still).toMatchObject({ cause: 'suspects', culprits: [] });
  const falls = heard([ALL, -60], [ALL & ~A, -90], [A, -60.5], [0, -90]);
  expect(certainty(falls, A)).toBeGreaterThan(0.8);
  const [best] = explain(falls, 4).explanations;
  expect(best.culprits).toEqual([A]);
  expect(best.adds[0]).toBeCloseTo(-60.25, 1);
  expect(best.base).toBeCloseTo(-90, 1);
});

test('two at once add as powers: −60 and −60 are −57; louder together than both is a loop beside them', () => {
  const sum = heard([ALL, -57], [A, -60], [B, -60], [0, -90]);
  expect(Math.min(certainty(sum, A, 2), certainty(sum, B, 2))).toBeGreaterThan(0.8);
  expect(explain(sum, 2).explanations[0].culprits).toEqual([A, B]);
  const loop = heard([A | B, -50], [A, -90], [B, -90], [0, -90]);
  expect(certainty(loop, A | B, 2)).toBeGreaterThan(0.9);
});

test('what is never off is told from the line itself by nothing, and never accused', () => {
  const list = heard([ALL, -60], [A | B, -60], [A, -60]);
  expect(certainty(list, A, 4, A)).toBe(0);
  expect(explain(list, 4, A).explanations[0].culprits).toEqual([]);
});

test('one that hums only now and then is found, or said to come and go; what nothing fits is said so', () => {
  const wavers = heard(
    [ALL, -60],
    [0, -90],
    [A, -60],
    [A, -90],
    [A | B, -90],
    [B | C | D, -90],
    [ALL, -90],
    [A | C, -60],
    [C, -90],
    [D, -90],
  );
  const { explanations } = explain(wavers, 4);
  expect(explanations[0]).toMatchObject({ cause: 'comes and goes', culprits: [A] });
  const random = heard(
    [ALL, -60],
    [0, -71],
    [A, -83],
    [A, -64],
    [0, -90],
    [B, -75],
    [B, -61],
    [ALL, -86],
    [0, -66],
    [C, -79],
  );
  expect(explain(random, 4).explanations[0].cause).toBe('does not fit');
});

test('scatter is learned from what was repeated, and readings that miss are pointed at', () => {
  const steady = heard([ALL, -60], [0, -90], [A, -60.1], [ALL, -60.1], [0, -90.1]);
  const rough = heard([ALL, -60], [0, -90], [A, -57.5], [ALL, -62], [0, -92.5], [0, -88]);
  expect(explain(rough, 4).scatter).toBeGreaterThan(2 * explain(steady, 4).scatter);
  const { misses } = explain(heard([ALL, -60], [0, -90], [A, -60], [B, -84], [A | C, -60], [B, -90], [D, -90]), 4);
  expect(misses.indexOf(Math.max(...misses))).toBe(3);
});

test('what an explanation expects of a state: the sum of what is on; nothing where nobody has heard it', () => {
  const expects = expectation({ cause: 'suspects', culprits: [A, B], adds: [-60, -60], base: -90, share: 1 });
  expect(expects(A)).toBeCloseTo(-60, 1);
  expect(expects(A | B)).toBeCloseTo(-57, 1);
  expect(expects(C)).toBeCloseTo(-90, 6);
  const unheard = expectation({ cause: 'suspects', culprits: [A, B], adds: [-60, undefined], base: -90, share: 1 });
  expect(unheard(B)).toBeNaN();
  expect(unheard(A | B)).toBeCloseTo(-60, 1);
});
