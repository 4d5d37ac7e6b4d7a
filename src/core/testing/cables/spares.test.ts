import { sparesFor } from './spares';

test('two failures in 60 days and a job of 30 ask for 4', () => expect(sparesFor(2, 60, 30)).toBe(4));

test('more failures or a longer job never ask for fewer; no job asks for none; much counted is the mean and its scatter', () => {
  expect(sparesFor(2, 60, 0)).toBe(0);
  for (let failures = 0; failures < 12; failures++)
    expect(sparesFor(failures + 1, 60, 30)).toBeGreaterThanOrEqual(sparesFor(failures, 60, 30));
  for (let job = 1; job < 60; job++) expect(sparesFor(3, 60, job + 1)).toBeGreaterThanOrEqual(sparesFor(3, 60, job));
  // A mean of 10 that is well known: the 95 % point of a Poisson distribution is 15.
  expect(sparesFor(10_000, 1000, 1)).toBe(15);
  expect(() => sparesFor(1, 0, 1)).toThrow(RangeError);
});
