import { caseOf } from '../../../tests/lines/cases';
import type { Line, Part } from '../gear';
import { applyEdits } from '../gear/edits';
import {
  activeBox,
  adapter,
  comboIn,
  dynamic,
  lineJack,
  multicore,
  open,
  output,
  passiveBox,
  stereoBox,
  trs,
  ts,
  xlr,
  xlrIn,
} from './casebook/parts';
import { line } from './casebook/situation';
import { rewirings } from './rewirings';

/** What can be laid otherwise, and what the line is then (common practice). */
const laid = (asked: Line, around: Parameters<typeof caseOf>[1] = {}) =>
  rewirings(caseOf(asked, around)).map(({ label, note, edits }) => ({
    label,
    note,
    links: applyEdits(asked, edits).links.map(words),
  }));
const words = ({ kind, choices, figures, faults }: Part): string =>
  [kind, choices?.connector ?? choices?.wiring, figures?.length && `${figures.length.value} m`, faults?.length && 'bad']
    .filter(Boolean)
    .join(' ');

describe('over other plugs and back', () => {
  const label = 'Run one XLR cable straight through';
  const over = (cable: Part) => line(dynamic, adapter('xlr-to-trs'), cable, adapter('trs-to-xlr'), xlrIn());
  test('one cable as long does without both adapters, and has none of the old one’s faults', () => {
    const straight = [
      { label, note: 'without Plain adapter (first) and Plain adapter (second)', links: ['cable xlr3 5 m'] },
    ];
    expect(laid(over(trs(5)))).toEqual(straight);
    expect(laid(over(trs(5, open('T'))))).toEqual(straight);
  });
  test('not where it leads to something else, nor with more between', () => {
    expect(laid(line(dynamic, adapter('xlr-to-trs'), trs(5), comboIn()))).toEqual([]);
    expect(laid(line(output('trs635'), trs(3), adapter('trs-to-xlr'), xlr(5), xlrIn()))).toEqual([]);
    expect(laid(line(dynamic, xlr(5), xlrIn()))).toEqual([]);
  });
  test('other links stay where they are', () => {
    const more = line(dynamic, xlr(2), adapter('xlr-to-trs'), trs(5), adapter('trs-to-xlr'), xlr(3), xlrIn());
    expect(laid(more)[0].links).toEqual(['cable xlr3 2 m', 'cable xlr3 5 m', 'cable xlr3 3 m']);
  });
});

describe('a direct box belongs where the lead begins', () => {
  test('the lead before it becomes microphone cable of its length, without its faults', () => {
    const expected = {
      label: "Put Passive direct box at the player's end",
      note: 'microphone cable from there on',
      links: ['passive-direct-box', 'cable xlr3 10 m', 'cable xlr3 2 m'],
    };
    expect(laid(line(output('ts635'), ts(10), passiveBox(), xlr(2), xlrIn()))).toEqual([expected]);
    expect(laid(line(output('ts635'), ts(10, open('S')), passiveBox(), xlr(2), xlrIn()))).toEqual([expected]);
  });
  test('all leads before it, and nothing after it', () => {
    const [found] = laid(line(output('ts635'), ts(3), ts(6), activeBox('on'), xlr(2), xlrIn()));
    expect(found.links).toEqual(['active-direct-box', 'cable xlr3 3 m', 'cable xlr3 6 m', 'cable xlr3 2 m']);
  });
  test('one that is at the source already, and one that others are plugged into, stay', () => {
    expect(laid(line(output('ts635'), passiveBox(), xlr(10), xlrIn()))).toEqual([]);
    const shared = line(output('ts635'), ts(3), stereoBox, xlr(5), xlrIn());
    expect(laid(shared)).toHaveLength(1);
    const branches: Line['branches'] = [
      { at: 1, port: 'through', links: [], line: 'right', name: 'keys right', source: output('ts635') },
    ];
    expect(laid({ ...shared, branches })).toEqual([]);
    expect(laid(line(output('ts635'), ts(3), { ...stereoBox, entry: 'through' } as Part, xlr(5), xlrIn()))).toEqual([]);
  });
  test('in place of a bare adapter, from the kit where it has one', () => {
    const bare = line(output('ts635'), ts(6), adapter('ts-to-xlr'), xlr(2), xlrIn());
    expect(laid(bare)).toEqual([
      {
        label: 'Put a passive direct box at the source',
        note: 'microphone cable from there on',
        links: ['passive-direct-box', 'cable xlr3 6 m', 'cable xlr3 2 m'],
      },
    ]);
    expect(laid(bare, { kit: [] })[0].note).toBe('microphone cable from there on, not in your kit');
    const own = { part: passiveBox(), name: 'black box', count: 1 };
    expect(laid(bare, { kit: [own] })[0]).toMatchObject({
      label: 'Put black box at the source',
      note: 'microphone cable from there on, from your kit',
    });
    expect(laid(line(output('ts635'), adapter('ts-to-xlr'), xlr(6), xlrIn()))).toEqual([]);
  });
});

describe('a shorter lead', () => {
  const leads = (asked: Line) => laid(asked).filter(({ label }) => label.startsWith('Use a lead'));
  const jack = (metres: number, run?: number): Line => ({ ...line(output('ts635'), ts(metres), lineJack), run });
  test('of three metres, where the rig says that it reaches and the one there is longer', () => {
    expect(leads(jack(8, 3))).toEqual([{ label: 'Use a lead of 3 m', note: undefined, links: ['cable ts635 3 m'] }]);
    for (const not of [jack(8, 3.5), jack(3, 2), jack(8)]) expect(leads(not)).toEqual([]);
  });
  test('each that is longer by itself', () => {
    expect(leads({ ...line(output('ts635'), ts(5), ts(2), ts(4), lineJack), run: 3 })).toHaveLength(2);
    // A multicore is not cut down for one line.
    expect(leads({ ...line(dynamic, multicore(20), xlrIn()), run: 2 })).toEqual([]);
  });
});
