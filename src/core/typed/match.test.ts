import fc from 'fast-check';
import { demoKit, demoRig } from '../../../tests/planning';
import { candidatesOf, matches, runsOf, tokensOf } from './match';

const WORDS = [
  ...['dynamic', 'ribbons', 'left', 'pick', 'up', 'di', 'box', 'plug', 'in', 'small', 'condenser', 's', 'x', 'l', 'r'],
  ...['patch', 'point', '12', '48', 'v', 't', 'hatch', 'tall', 'stand', 'keeper', 'under', 'the'],
];

test.each(['source', 'link'] as const)('no run of words that means a %s is passed over', (role) => {
  const candidates = candidatesOf(role, demoKit(), demoRig());
  let meaning = 0;
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...WORDS), { minLength: 1, maxLength: 7 }), (words) => {
      const may = runsOf(words, candidates);
      for (let size = 1; size <= words.length; size++)
        for (let at = 0; at + size <= words.length; at++) {
          const means = matches(words.slice(at, at + size).join(' '), candidates, 1).length > 0;
          meaning += Number(means);
          if (means) expect([words, at, size, may(at, size)]).toEqual([words, at, size, true]);
        }
    }),
  );
  expect(meaning).toBeGreaterThan(100);
});

test('of a long note next to nothing is looked at closer', () => {
  const words = tokensOf('needs a tall windshield, ask the keeper for the key of the hatch before four. '.repeat(12));
  const may = runsOf(words, candidatesOf('source', demoKit(), demoRig()));
  let [looked, runs] = [0, 0];
  for (let size = 1; size <= words.length; size++)
    for (let at = 0; at + size <= words.length; at++, runs++) looked += Number(may(at, size));
  expect(runs).toBeGreaterThan(10_000);
  expect(looked / runs).toBeLessThan(0.02);
});
