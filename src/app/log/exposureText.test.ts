import { exposureText } from './exposureText';

const record = (feeds: Parameters<typeof exposureText>[0]['feeds']) =>
  exposureText({ line: 'one', feeds, incidents: [] });

test('what a source had, in a few words', () => {
  expect(record([])).toBe('no feed');
  expect(record([{ feed: 'P48', seconds: 42.4, times: 1 }])).toBe('48 V for 42 s');
  expect(record([{ feed: 'P48', seconds: 11_100, times: 3 }])).toBe('48 V for 3 h 05 min, 3 times');
  expect(
    record([
      { feed: 'plug-in', seconds: 600, times: 1 },
      { feed: 'unknown', seconds: 5, times: 1 },
    ]),
  ).toBe('plug-in power for 10 min; unknown feed for 5 s');
});
