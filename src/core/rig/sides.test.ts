import { sideOf } from './sides';

test.each([
  ['Trio, pair A left', 'Trio, pair A', 'left', 'right'],
  ['Overhead R', 'Overhead', 'r', 'l'],
  ['Keys 1', 'Keys', '1', '2'],
  [' Piano, Right ', 'Piano', 'right', 'left'],
])('%s is one side of %s', (name, of, side, other) => expect(sideOf(name)).toEqual({ name: of, side, other }));

test.each(['Double bass', 'Bright', 'Vocal 12', 'Left hand', ''])('%s is no side of anything', (name) =>
  expect(sideOf(name)).toBeUndefined(),
);
