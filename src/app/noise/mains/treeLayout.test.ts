import { readFileSync } from 'node:fs';
import { mainsReport } from '@/core/mains';
import { parseDocument } from '@/core/rig';
import { treeLayout } from './treeLayout';

const rig = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const layout = treeLayout(mainsReport(rig));

test('every unit has a row of its own and every tie a lane of its own', () => {
  const rows = layout.units.map(({ y }) => y);
  expect(new Set(rows).size).toBe(rows.length);
  expect(Math.max(...rows)).toBeLessThan(layout.height);
  const lanes = layout.ties.map(({ x }) => x);
  expect(new Set(lanes).size).toBe(lanes.length);
  expect(Math.max(...lanes)).toBeLessThan(layout.width);
});

test('no outlet lies on another; what no earth conductor reaches has none', () => {
  const places = layout.outlets.map(({ x, y }) => `${x} ${y}`);
  expect(new Set(places).size).toBe(places.length);
  for (const { from, how } of layout.units) expect(Boolean(from)).toBe(how === '');
});

test('24 units on twelve strips that hang on each other still stand apart', () => {
  const units = Array.from({ length: 24 }, (_, n) => ({
    id: `unit-${n}`,
    name: `Unit ${n}`,
    kind: 'audio device' as const,
    outlet: `strip ${n % 12}`,
  }));
  const outlets = Array.from({ length: 12 }, (_, n) => ({
    name: `strip ${n}`,
    ...(n > 5 && { from: `strip ${n - 6}` }),
  }));
  const { units: placed } = treeLayout(mainsReport({ ...rig, lines: [], units, mains: { outlets } }));
  const rows = placed.map(({ y }) => y).sort((a, b) => a - b);
  for (const [n, y] of rows.entries()) if (n) expect(y - rows[n - 1]).toBeGreaterThanOrEqual(26);
});
