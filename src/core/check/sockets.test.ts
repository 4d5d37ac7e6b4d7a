import { caseOf, freeInlet as free } from '../../../tests/lines/cases';
import type { Line } from '../gear';
import type { FreeInlet } from '../gear/edits';
import type { Spare } from './case';
import {
  adapter,
  camera,
  comboIn,
  dynamic,
  guitar,
  lavalier,
  lineJack,
  lineXlr,
  mini,
  open,
  output,
  partyLine,
  rcaIn,
  stereoBox,
  trs,
  ts,
  xlr,
  xlrIn,
} from './casebook/parts';
import { line } from './casebook/situation';
import { sockets } from './sockets';

/** Where a line may go instead, and how it gets there (common practice: what somebody at the desk would try). */
const offered = (asked: Line, by: 'right socket' | 'move', ...inlets: FreeInlet[]) =>
  sockets(caseOf(asked, { free: inlets }), by).map(
    ({ label, note }) => `${label.replace('Move to inlet ', '')}: ${note}`,
  );
const right = (asked: Line, ...inlets: FreeInlet[]) => offered(asked, 'right socket', ...inlets);
const moves = (asked: Line, ...inlets: FreeInlet[]) => offered(asked, 'move', ...inlets);

/** One of everything. */
const EACH = [
  free('mic', xlrIn()),
  free('line', lineXlr),
  free('jack', lineJack),
  free('instrument', comboIn('instrument')),
  free('camera', camera()),
  free('rca', rcaIn),
];
const plain = 'free, has no feed';
const metres = (value: number) => ({ value, unit: 'm', basis: 'measured' });

test('each source has the sockets that are meant for it, and those alone are the right ones', () => {
  expect(right(line(output('ts635'), ts(3), comboIn('instrument')), ...EACH)).toEqual([`jack: ${plain}`]);
  expect(right(line(guitar, ts(3), lineJack), ...EACH)).toEqual([`instrument: ${plain}`]);
  expect(right(line(lavalier(), adapter('mini-to-xlr-grounded'), xlr(2), xlrIn()), ...EACH)).toEqual([
    `camera: on its own lead, ${plain}`,
  ]);
  expect(right(line(dynamic, xlr(5), adapter('xlr-to-trs'), lineJack), ...EACH)).toEqual([
    `mic: without Plain adapter, ${plain}`,
  ]);
});

test('what is in the right socket has none that is more so, and may move to another of the sort', () => {
  const fine = line(dynamic, xlr(10), xlrIn());
  expect(right(fine, ...EACH)).toEqual([]);
  expect(moves(fine, ...EACH)).toEqual([`mic: ${plain}`, `instrument: ${plain}`]);
});

test('a microphone is not sent to a line inlet, an intercom or a pair of phono sockets', () => {
  const asked = line(dynamic, xlr(10), xlrIn('P48'));
  const others = [free('line', lineXlr), free('jack', lineJack), free('rca', rcaIn), free('party', partyLine)];
  expect([...right(asked, ...others), ...moves(asked, ...others)]).toEqual([]);
});

describe('how it gets there', () => {
  const steps = (asked: Line, inlet: FreeInlet) =>
    ['right socket' as const, 'move' as const].flatMap((by) => sockets(caseOf(asked, { free: [inlet] }), by));
  test('as it is, where its plug goes in', () => {
    const to = free('2', xlrIn());
    expect(steps(line(dynamic, xlr(10), xlrIn('P48')), to)[0].edits).toEqual([{ do: 'move', ...to }]);
  });
  test('without what changed its plug at the end, but never without its only cable', () => {
    const to = free('2', xlrIn());
    expect(steps(line(dynamic, xlr(5), adapter('xlr-to-trs'), lineJack), to)[0].edits).toEqual([
      { do: 'remove', at: 1 },
      { do: 'move', ...to },
    ]);
    const lead = { kind: 'cable', choices: { connector: 'trs635' } };
    expect(steps(line(dynamic, adapter('xlr-to-trs'), lead, lineJack), to)[0]?.edits).not.toContainEqual({
      do: 'remove',
      at: 1,
    });
  });
  test('on XLR cable all the way, without the adapters between, where nothing else is on it', () => {
    const to = free('2', xlrIn());
    const over = line(dynamic, adapter('xlr-to-trs'), trs(5), lineJack);
    expect(steps(over, to)[0]).toMatchObject({
      note: `on XLR cable, ${plain}`,
      edits: [
        {
          do: 'replace',
          part: 1,
          with: { kind: 'cable', choices: { connector: 'xlr3' }, figures: { length: metres(5) } },
        },
        { do: 'remove', at: 0 },
        { do: 'move', ...to },
      ],
    });
    // A bad cable is replaced first; a jack source has no XLR plug to go on.
    expect(steps(line(dynamic, adapter('xlr-to-trs'), trs(5, open('T')), lineJack), to)).toEqual([]);
    expect(steps(line(output('trs635'), trs(5), lineJack), to)).toEqual([]);
  });
  test('over an adapter, from the kit where it has one', () => {
    const asked = line(output('xlr3'), xlr(5), xlrIn());
    const over = (kit?: Spare[]) => sockets(caseOf(asked, { free: [free('3', lineJack)], kit }), 'right socket')[0];
    expect(over().note).toBe(`over an XLR-to-TRS adapter, ${plain}`);
    expect(over().edits[0]).toEqual({ do: 'insert', at: 1, part: adapter('xlr-to-trs') });
    expect(over()).not.toHaveProperty('owned');
    expect(over([])).toMatchObject({ note: `over an XLR-to-TRS adapter (not in your kit), ${plain}`, owned: false });
    const own: Spare = { part: adapter('xlr-to-trs'), name: 'XLR to jack', count: 1 };
    expect(over([own])).toMatchObject({ note: `over an XLR-to-TRS adapter (from your kit), ${plain}`, owned: true });
  });
  test('not where it cannot go at all', () => {
    expect(steps(line(output('trs35'), mini(2), camera()), free('mic', xlrIn()))).toEqual([]);
    expect(steps(line(guitar, ts(3), lineJack), free('rca', rcaIn))).toEqual([]);
  });
});

describe('only as far as it reaches', () => {
  const asked = line(dynamic, xlr(10), xlrIn('P48'));
  test('with the cable that it has; three metres are bridged without one', () => {
    expect(moves(asked, free('10 m', xlrIn(), { run: 10 }))).toHaveLength(1);
    expect(moves(asked, free('11 m', xlrIn(), { run: 11 }))).toEqual([]);
    expect(moves(line(dynamic, xlrIn('P48')), free('3 m', xlrIn(), { run: 3 }))).toHaveLength(1);
    expect(moves(line(dynamic, xlrIn('P48')), free('4 m', xlrIn(), { run: 4 }))).toEqual([]);
  });
  test('a lead of its own reaches three metres, and as far as the cable now where nobody measured', () => {
    const lavalierOn = (metres: number) => line(lavalier(), adapter('mini-to-xlr-grounded'), xlr(metres), xlrIn());
    const to = (run?: number) => free('camera', camera(), run === undefined ? {} : { run });
    expect(right(lavalierOn(10), to(3))).toHaveLength(1);
    expect(right(lavalierOn(10), to(4))).toEqual([]);
    expect(right(lavalierOn(3), to())).toHaveLength(1);
    expect(right(lavalierOn(4), to())).toEqual([]);
  });
  test('a box that another line is plugged into stays, wherever it would have to be left out', () => {
    const to = free('jack', lineJack);
    const asked = line(output('ts635'), ts(2), stereoBox, xlrIn());
    const branches: Line['branches'] = [
      { at: 1, port: 'through', links: [], line: 'keys right', name: 'keys right', source: output('ts635') },
    ];
    const side = line(output('ts635'), ts(2), { ...stereoBox, entry: 'through' }, xlrIn());
    expect(right(asked, to)).toEqual([`jack: without Stereo direct box, one channel, ${plain}`]);
    for (const tied of [{ ...asked, branches }, side])
      expect(right(tied, to)).toEqual([`jack: over an XLR-to-TRS adapter, ${plain}`]);
  });
});

describe('of inlets that are alike one is tried', () => {
  const asked = line(dynamic, xlr(10), xlrIn('P48'));
  const bank = (name: string, reaches: string[] = []) => ({ switch: { name, offers: ['P48' as const], reaches } });
  test('those of one switch at one setting count as one, others do not', () => {
    const inlets = [
      free('1', xlrIn(), bank('A')),
      free('2', xlrIn(), bank('A')),
      free('3', xlrIn('P48'), bank('A')),
      free('4', xlrIn(), bank('B')),
    ];
    expect(moves(asked, ...inlets).map((each) => each[0])).toEqual(['1', '3', '4']);
  });
  test('six at most', () => {
    const banks = Array.from({ length: 8 }, (_, n) => free(`${n}`, xlrIn(), bank(`bank ${n}`)));
    expect(moves(asked, ...banks)).toHaveLength(6);
  });
  test('what its switch feeds, and whom else, is said', () => {
    expect(moves(asked, free('1', xlrIn(), bank('A')))).toEqual(['1: free, feed off now']);
    expect(moves(asked, free('1', xlrIn('P48'), bank('A', ['ribbon'])))).toEqual([
      '1: free, 48 V on (shares a switch with 1 line)',
    ]);
    expect(moves(asked, free('1', xlrIn(), bank('A', ['ribbon', 'voice'])))).toEqual([
      '1: free, feed off now (shares a switch with 2 lines)',
    ]);
  });
});
