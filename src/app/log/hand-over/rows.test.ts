import { readFileSync } from 'node:fs';
import { checkRig } from '@/core/rigcheck';
import { withAnswer } from '@/core/kit';
import type { KeptMeasurement } from '@/core/noise/kept';
import { parseDocument, type RigDocument } from '@/core/rig';
import { handOverRows } from './rows';

const rig = (name: string) => parseDocument(readFileSync(`demo/${name}.json`, 'utf8'));
const rowsOf = (document: RigDocument, measured: KeptMeasurement[] = []) =>
  handOverRows(document, checkRig(document), measured);

test.each(['lock-nine', 'lock-nine-mended'])('%s: every line with its source, way, inlet, gain and verdict', (name) => {
  const document = rig(name);
  const rows = rowsOf(document);
  expect(rows.map(({ id }) => id)).toEqual(document.lines.map(({ id }) => id));
  for (const row of rows) {
    expect([row.name, row.source, row.inlet, row.verdict].every((text) => text.trim() !== '')).toBe(true);
    if (row.verdict === 'Clear') expect(row.gain).toMatch(/\d/);
    if (row.verdict === 'Stop' || row.verdict === 'Silent') expect(row.findings).not.toHaveLength(0);
  }
});

test('feed, links, what nobody knows and what somebody answered are on it', () => {
  const document = rig('lock-nine');
  const before = rowsOf(document).find(({ id }) => id === 'ribbon-left')!;
  expect(before.feed).toBe('48 V');
  expect(before.links).toContain('cable');
  expect(before.open.join(' ')).toContain('centre tap');
  const fact = { who: 'repair shop at the quay', when: '2026-05-02' };
  const answered: RigDocument = {
    ...document,
    lines: document.lines.map((line) =>
      line.id === 'ribbon-left' && 'kind' in line.source
        ? {
            ...line,
            note: 'left of the stove',
            source: withAnswer(line.source, { fact, choice: 'tap', value: 'none' }),
          }
        : line,
    ),
  };
  const after = rowsOf(answered).find(({ id }) => id === 'ribbon-left')!;
  expect(after.answers.join(' ')).toMatch(/centre tap.*repair shop at the quay, 2026-05-02/);
  expect(after.open.join(' ')).not.toContain('centre tap');
  expect(after.note).toBe('left of the stove');
});

test('the floor is the last usable one of the line', () => {
  const kept = (line: string, dbfs: number, usable: boolean) =>
    ({ line, name: 'evening', gain: 41.5, measurement: { reading: { usable, floorDbfs: dbfs } } }) as KeptMeasurement;
  const rows = rowsOf(rig('lock-nine'), [
    kept('guide', -70, true),
    kept('guide', -80, true),
    kept('guide', -10, false),
    kept('singer', -60, true),
  ]);
  expect(rows.find(({ id }) => id === 'guide')!.measured).toBe('−80 dBFS RMS at 41.5 dB, “evening”');
  expect(rows.find(({ id }) => id === 'double-bass')!.measured).toBe('');
});
