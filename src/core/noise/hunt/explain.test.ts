import { activity, explanations, type Heard } from './explain';

const power = (level: number) => 10 ** (level / 10);
const heard = (...list: [on: number, level: number][]): Heard[] =>
  list.map(([on, level]) => ({ on, power: power(level) }));
const [A, B, C, D] = [1, 2, 4, 8];
const ALL = A | B | C | D;

test('nothing measured: anybody may be it, one suspect likelier than a pair, a pair than two of them', () => {
  const list = explanations([], 4);
  const share = (...culprits: number[]) =>
    list.find(({ culprits: own }) => own.length === culprits.length && own.every((each, n) => each === culprits[n]))!
      .share;
  expect(list.reduce((sum, each) => sum + each.share, 0)).toBeCloseTo(1, 6);
  expect(share(A)).toBeCloseTo(share(D), 9);
  expect(share(A)).toBeGreaterThan(share(A | B));
  expect(share(A | B)).toBeGreaterThan(share(A, B));
});

test('whoever was off while it sounded is out of it', () => {
  const list = explanations(heard([ALL, -60], [A | B, -60], [A, -95], [B, -95]), 4);
  expect(list[0].culprits).toEqual([A | B]);
  // In all the others that pair has somebody beside it who was never heard alone.
  const pair = list.filter(({ culprits }) => culprits.includes(A | B));
  expect(pair.reduce((sum, { share }) => sum + share, 0)).toBeGreaterThan(0.99);
  expect(list.some(({ culprits }) => culprits.length === 1 && (culprits[0] === C || culprits[0] === D))).toBe(false);
});

test('a level that stays is nobody’s; one that falls with a suspect is that suspect’s', () => {
  expect(explanations(heard([ALL, -60], [0, -60.4], [A | C, -59.8]), 4)[0].culprits).toEqual([]);
  const [best] = explanations(heard([ALL, -60], [B | C | D, -90], [A, -60.5], [0, -90]), 4);
  expect(best.culprits).toEqual([A]);
  expect(best.levels[0]).toBeCloseTo(-90, 6);
  expect(best.levels[1]).toBeCloseTo(-60.25, 6);
});

test('two at once add as powers: −60 and −60 are −57, not −60', () => {
  const [sum] = explanations(heard([ALL, -57], [A, -60], [B, -60], [0, -90]), 2);
  expect(sum.culprits).toEqual([A, B]);
  // Louder together than the sum of both is a loop, not two of them.
  const [loop] = explanations(heard([A | B, -50], [A, -90], [B, -90], [0, -90]), 2);
  expect(loop.culprits).toEqual([A | B]);
});

test('which of several culprits are on, as bits', () => {
  expect(activity([A, B | C], A)).toBe(1);
  expect(activity([A, B | C], B)).toBe(0);
  expect(activity([A, B | C], ALL)).toBe(3);
  expect(activity([], ALL)).toBe(0);
});
