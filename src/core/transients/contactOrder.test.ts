import { line, on, cable } from '../../../tests/lines/lines';
import { CONNECTORS, mate, type ConnectorId } from '../gear';
import { positions } from './contactOrder';
import { lastPlugged, plugging, switchOff, switchOn } from '.';

const touching = (plug: ConnectorId, socket: ConnectorId) =>
  positions(plug, socket).map((position) => position.touching.map((pair) => pair.join('>')).join(' '));

/** Contact order (common practice). */
test('three-pin: 1 first, then 2 and 3 at different moments', () => {
  expect(touching('xlr3', 'xlr3')).toEqual(['1>1', '1>1 2>2', '1>1 2>2 3>3']);
});

test('TRS slides: tip on sleeve, then tip on ring with ring on sleeve, then home', () => {
  expect(touching('trs635', 'trs635')).toEqual(['T>S', 'T>R R>S', 'T>T R>R S>S']);
});

test.each<[plug: ConnectorId, socket: ConnectorId, labels: string[], touching: string[]]>([
  ['xlr3', 'xlr3', ['pin 1 made', 'pins 1 and 2 made', 'home'], ['1>1', '1>1 2>2', '1>1 2>2 3>3']],
  [
    'xlr5',
    'xlr5',
    ['pin 1 made', 'pins 1 and 2 made', 'pins 1, 2 and 3 made', 'pins 1, 2, 3 and 4 made', 'home'],
    ['1>1', '1>1 2>2', '1>1 2>2 3>3', '1>1 2>2 3>3 4>4', '1>1 2>2 3>3 4>4 5>5'],
  ],
  ['trs635', 'trs635', ['tip on sleeve', 'tip on ring, ring on sleeve', 'home'], ['T>S', 'T>R R>S', 'T>T R>R S>S']],
  ['ts635', 'trs635', ['tip on sleeve', 'tip on ring, sleeve on sleeve', 'home'], ['T>S', 'T>R S>S', 'T>T S>S S>R']],
  ['rca', 'rca', ['centre made, shell not', 'home'], ['T>T', 'T>T S>S']],
])('what %s in %s passes, and how it is called', (plug, socket, labels, pairs) => {
  expect(positions(plug, socket).map(({ label }) => label)).toEqual(labels);
  expect(touching(plug, socket).map((each) => each.split(' ').toSorted())).toEqual(
    pairs.map((each) => each.split(' ').toSorted()),
  );
});

test('a short plug in a long socket ends where it mates', () => {
  const home = positions('ts635', 'trs635').at(-1)!;
  expect(home.label).toBe('home');
  expect(Object.fromEntries(home.touching.map(([plug, socket]) => [socket, plug]))).toEqual(mate('ts635', 'trs635'));
});

test.each(
  (Object.keys(CONNECTORS) as ConnectorId[]).flatMap((plug) =>
    (Object.keys(CONNECTORS) as ConnectorId[])
      .filter((socket) => mate(plug, socket))
      .map((socket) => [plug, socket] as const),
  ),
)('%s into %s: a contact touches one other at a time, and the last position is how they mate', (plug, socket) => {
  const order = positions(plug, socket);
  for (const { touching: pairs } of order.slice(0, -1)) {
    expect(new Set(pairs.map(([own]) => own)).size).toBe(pairs.length);
    expect(new Set(pairs.map(([, other]) => other)).size).toBe(pairs.length);
  }
  expect(order.at(-1)!.touching.length).toBe(Object.keys(mate(plug, socket)!).length);
});

test('what is plugged last: the patch point of a line that has one, else the source', () => {
  expect(lastPlugged(line('moving-coil', [cable()], on('P48')))).toEqual({ junction: 0, patch: false });
  expect(lastPlugged(line('moving-coil', [cable(), { kind: 'trs-patch-point' }], on('P48')))).toEqual({
    junction: 1,
    patch: true,
  });
});

test('a lower feed drives less through a coil half way in, in proportion', () => {
  const patched = (feed: string) => plugging(line('moving-coil', [{ kind: 'trs-patch-point' }, cable()], on(feed)));
  const [high, low] = [patched('P48'), patched('P12')];
  expect(high.amps).toBeGreaterThan(2 * low.amps);
  expect(high.at).toBe('TRS patch point');
  expect(high.lasts).toBeGreaterThan(0);
});

test('a line without a feed makes no step and holds no charge', () => {
  expect(switchOn(line('moving-coil', [cable()], on('off')))).toBeUndefined();
  expect(switchOff(line('moving-coil', [cable()], on('off')))).toBeUndefined();
});

test('the lower the threshold, the longer the wait', () => {
  const fed = line('condenser-48', [cable()], on('P48'));
  expect(switchOff(fed, 0.2)!.decay!).toBeGreaterThan(switchOff(fed, 5)!.decay!);
});
