import { goalText } from './goalWords';

test('a goal says what is reached, and how few are needed where that is proven', () => {
  const goal = { name: 'changes', value: 31, bound: 0 };
  expect(goalText(goal)).toBe('31 changes at plugs and links');
  expect(goalText({ ...goal, bound: 13 })).toBe('31 changes at plugs and links (13 at least)');
  expect(goalText({ ...goal, bound: 31 })).toBe('31 changes at plugs and links');
  expect(goalText({ ...goal, value: 1, bound: 1 })).toBe('1 change at plugs and links');
});

test('a number that nobody can use is not shown', () =>
  expect(goalText({ name: 'simplest links', value: 13214, bound: 0 })).toBeUndefined());
