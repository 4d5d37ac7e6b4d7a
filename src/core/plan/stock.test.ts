import { cable, demoKit, demoRig, link } from '../../../tests/planning';
import type { Part } from '../gear';
import { readDocument } from '../rig';
import { pieceKey } from './pieces';
import { market, stockOf } from './stock';

const rig = (...links: Part[]) => ({
  lines: [{ id: 'a', name: 'a', source: { kind: 'moving-coil' }, links, inlet: { device: 'd', inlet: '1' } }],
});
const count = (stock: ReturnType<typeof stockOf>, part: Part) => stock.get(pieceKey(part))?.count ?? 0;

test('a link like one of the kit is one of the kit', () =>
  expect(count(stockOf([link('five', 3, cable(5))], rig(cable(5))), cable(5))).toBe(3));

test('one that is like it but for its test is that one piece, and the kit has one less of the others', () => {
  const untested: Part = { ...cable(5), choices: { connector: 'xlr3' } };
  const stock = stockOf([link('five', 3, untested)], rig(cable(5)));
  expect([count(stock, untested), count(stock, cable(5))]).toEqual([2, 1]);
});

test('a faulty one too; it may stay where it is, and is used nowhere else', () => {
  const broken: Part = { ...cable(5), faults: [{ type: 'open', contact: '3' }] };
  const stock = stockOf([link('five', 1, cable(5))], rig(broken));
  expect([count(stock, cable(5)), stock.get(pieceKey(broken))]).toMatchObject([0, { count: 1, faulty: true }]);
});

test('what the kit does not list is there once for each time it is used', () =>
  expect(count(stockOf([], rig(cable(5), cable(5), cable(7))), cable(5))).toBe(2));

test('what came from the kit and is no longer in it is not there', () => {
  const converter: Part = { kind: 'plug-in-converter', item: 'converter' };
  expect(count(stockOf([link('converter', 0, { kind: 'plug-in-converter' })], rig(converter)), converter)).toBe(0);
  expect(count(stockOf([link('other', 1, cable(3))], rig(converter)), converter)).toBe(0);
});

test('only what is owned: what a remedy has drawn on the rig is missing, what belongs to the house is there', () => {
  const kit = [link('five', 3, cable(5))];
  const drawn = rig(cable(5), { kind: 'inline-booster' }, { kind: 'multicore' });
  const listed = stockOf(kit, drawn, 'listed');
  expect(listed.get(pieceKey({ kind: 'inline-booster' }))).toMatchObject({ count: 1, missing: true });
  expect(listed.get(pieceKey({ kind: 'multicore' }))).not.toHaveProperty('missing');
  expect(count(listed, cable(5))).toBe(3);
  expect(count(stockOf(kit, drawn), { kind: 'inline-booster' })).toBe(1);
  // Nobody has listed anything: what lies there is what there is.
  expect(stockOf([], drawn, 'listed').get(pieceKey({ kind: 'inline-booster' }))).not.toHaveProperty('missing');
});

test('settings do not make another piece: a supply box is one, whatever it is set to', () => {
  const at = (feed: string): Part => ({ kind: 'supply-box', choices: { feed } });
  expect(pieceKey(at('P48'))).toBe(pieceKey(at('P12')));
  expect(pieceKey({ kind: 'supply-box', choices: { power: 'battery' } })).not.toBe(pieceKey(at('P48')));
});

test('everything of the demo rig is in the demo stock', () => {
  const stock = stockOf(demoKit(), demoRig());
  for (const { links } of demoRig().lines) for (const part of links) expect(count(stock, part)).toBeGreaterThan(0);
});

test('whatever can be got is a part that a document may have', () => {
  const parts = market(1).flatMap(({ part }) => (part.kind === 'combo' ? [] : [part]));
  const { name, format, version, schools, devices } = demoRig();
  const line = { id: 'a', name: 'a', source: { kind: 'moving-coil' }, inlet: { device: 'desk', inlet: '1' } };
  for (let n = 0; n < parts.length; n += 16)
    expect(() =>
      readDocument({
        name,
        format,
        version,
        schools,
        devices: devices.map(({ location: _location, ...device }) => device),
        lines: [{ ...line, links: parts.slice(n, n + 16) }],
      }),
    ).not.toThrow();
});
