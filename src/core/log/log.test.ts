import { readFileSync } from 'node:fs';
import { validator } from '../../../tests/schemas';
import { readCsv } from '../tables/csv';
import { exposures, filtered, logSchema, type LogEntry } from '.';
import { logCsv, logJson } from '../tables';

const entry = (id: number, seconds: number, more: Partial<LogEntry>): LogEntry => ({
  id,
  at: new Date(Date.UTC(2026, 10, 25, 12) + seconds * 1000).toISOString(),
  kind: 'step',
  who: 'Ida',
  text: `entry ${id}`,
  lines: [],
  ...more,
});

const LOG = [
  entry(1, 0, { kind: 'sheet', text: 'Set-up begun', fed: {} }),
  entry(2, 10, {
    text: 'Turn bank A to 48 V',
    lines: ['one', 'two'],
    place: 'desk end',
    fed: { one: 'P48', two: 'P48' },
  }),
  entry(3, 40, { kind: 'note', text: 'Two is loud', lines: ['two'] }),
  entry(4, 70, { kind: 'incident', text: 'two was pulled live', lines: ['two'], fed: { one: 'P48' } }),
  entry(5, 100, { text: 'Turn bank A off', who: 'Jon', fed: {} }),
  entry(6, 130, { text: 'Turn bank A to 12 V', fed: { one: 'P12' } }),
  entry(7, 90_000, { kind: 'found', text: '=A1+1', fed: { one: 'unknown' } }),
];
const UNTIL = new Date(Date.UTC(2026, 10, 25, 12) + 90_060_000).toISOString();

describe('what every source had', () => {
  test('times run from entry to entry, whatever order they come in; the last one runs until now', () => {
    expect(exposures(LOG.toReversed(), UNTIL)).toEqual([
      {
        line: 'one',
        feeds: [
          { feed: 'P12', seconds: 89_870, times: 1 },
          { feed: 'P48', seconds: 90, times: 1 },
          { feed: 'unknown', seconds: 60, times: 1 },
        ],
        incidents: [],
      },
      {
        line: 'two',
        feeds: [{ feed: 'P48', seconds: 60, times: 1 }],
        incidents: [{ at: LOG[3].at, text: 'two was pulled live' }],
      },
    ]);
  });

  test('a feed that goes off and comes on again is counted twice', () => {
    const again = [
      entry(1, 0, { fed: { one: 'P48' } }),
      entry(2, 5, { fed: {} }),
      entry(3, 6, { fed: { one: 'P48' } }),
    ];
    expect(exposures(again, again[2].at)[0].feeds).toEqual([{ feed: 'P48', seconds: 5, times: 2 }]);
  });

  test('an empty log has no record', () => expect(exposures([], UNTIL)).toEqual([]));
});

test.each([
  [{}, [1, 2, 3, 4, 5, 6, 7]],
  [{ kinds: ['note', 'incident'] as const }, [3, 4]],
  [{ line: 'two' }, [2, 3, 4]],
  [{ text: ' JON ' }, [5]],
  [{ text: 'DESK' }, [2]],
  [{ from: '2026-11-26' }, [7]],
  [{ to: '2026-11-25', kinds: ['found'] as const }, []],
])('filtered by %j', (filter, ids) => expect(filtered(LOG, filter).map(({ id }) => id)).toEqual(ids));

describe('as files', () => {
  const nameOf = (id: string) => `Line ${id}`;
  test('CSV is read back with the same times, kinds and names; nothing in it is a formula', () => {
    const rows = readCsv(logCsv(LOG, nameOf), ['time', 'kind', 'what', 'lines', 'place', 'who'], ['time', 'what']);
    expect(rows[1].cells).toEqual({
      time: LOG[1].at,
      kind: 'Step done',
      what: 'Turn bank A to 48 V',
      lines: 'Line one / Line two',
      place: 'desk end',
      who: 'Ida',
    });
    expect(logCsv(LOG, nameOf)).not.toMatch(/(^|,)=A1/m);
  });
  test('JSON says what it is, carries the record, and is what the published schema says', () => {
    const read = JSON.parse(logJson('Lock Nine', LOG, exposures(LOG, UNTIL), nameOf));
    const published = JSON.parse(readFileSync('docs/format/inlet-check-log-1.schema.json', 'utf8'));
    expect(published).toEqual(logSchema());
    const valid = validator(published);
    expect(valid(read)).toBe(true);
    expect(valid({ ...read, colour: 'red' })).toBe(false);
    expect(read).toMatchObject({ format: 'inlet-check-log', version: 1, rig: 'Lock Nine' });
    expect(read.entries).toHaveLength(LOG.length);
    expect(read.exposures[1]).toMatchObject({ name: 'Line two', incidents: [{ text: 'two was pulled live' }] });
  });
});
