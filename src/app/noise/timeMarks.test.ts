import { timeMarks } from './timeMarks';

test.each([
  [3, 6, '0.0 s 0.5 s 1.0 s 1.5 s 2.0 s 2.5 s 3.0 s'],
  [10, 6, '0 s 1 s 2 s 3 s 4 s 5 s 6 s 7 s 8 s 9 s 10 s'],
  [90, 4, '0 s 30 s 1:00 1:30'],
  [1800, 4, '0 s 5:00 10:00 15:00 20:00 25:00 30:00'],
  [3600, 6, '0 s 15:00 30:00 45:00 1:00:00'],
])('%d seconds are marked about %d times', (seconds, count, marks) => {
  expect(
    timeMarks(seconds, count)
      .map(({ text }) => text)
      .join(' '),
  ).toBe(marks);
});
