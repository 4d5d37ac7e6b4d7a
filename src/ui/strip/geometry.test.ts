import { judged, line, on } from '../../../tests/lines/lines';
import { CONNECTORS, type ConnectorId } from '@/core/gear';
import { columns, HEIGHT, JOINT, leastWidth, rowOf, socketVolts } from './geometry';

const all = Object.keys(CONNECTORS) as ConnectorId[];

test.each(all)('%s: every contact has a row of its own inside the drawing, the hot one on top', (id) => {
  const { contacts, pairs, reference } = CONNECTORS[id];
  const rows = contacts.map((contact) => rowOf(id, contact));
  expect(new Set(rows).size).toBe(contacts.length);
  for (const row of rows) {
    expect(row).toBeGreaterThan(5);
    expect(row).toBeLessThan(HEIGHT - 5);
  }
  if (id !== 'trrs35') {
    expect(rowOf(id, pairs[0][0])).toBe(Math.min(...rows));
    expect(rowOf(id, reference)).toBe(Math.max(...rows));
  }
});

test.each([0, 1, 2, 3, 6])('with %d links the columns lie side by side and fill the width', (links) => {
  const width = Math.max(700, leastWidth(links));
  const grid = columns(width, links);
  for (let n = 0; n < links; n++) {
    const { x, width: own } = grid.link(n);
    expect(x).toBeCloseTo(grid.junction(n) + JOINT, 9);
    expect(x + own).toBeCloseTo(grid.junction(n + 1), 9);
    expect(own).toBeGreaterThan(50);
  }
  if (links) expect(grid.junction(links) + JOINT + grid.end).toBeCloseTo(width, 9);
  else expect(grid.junction(0) + JOINT / 2).toBeCloseTo(width / 2, 9);
});

test('a socket shows the voltage of whatever plug contact touches each of its contacts', () => {
  const { junctions } = judged(line('plug-in-electret', [], { kind: 'mini-jack' })).readings;
  const volts = socketVolts(junctions[0]);
  // A TS plug: its sleeve reaches the ring's contact too.
  expect(volts.get('T')).toBeCloseTo(2.34, 2);
  expect(volts.get('R')).toBeCloseTo(0, 6);
  expect(volts.get('S')).toBeCloseTo(0, 6);
});

test('where plug and socket do not go together the socket has no voltages to show', () => {
  const { junctions } = judged(line('piezo-pickup', [], on('P48'))).readings;
  expect([...socketVolts(junctions[0]).values()]).toEqual([null, null, null]);
});
