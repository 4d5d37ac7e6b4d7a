import * as gear from '../../../tests/lines/gear';
import { checked, find } from '../../../tests/lines/lines';
import type { Part } from '../gear';
import type { KitItem } from '../kit/item';
import { emptyRig } from '../rig';
import type { Spare } from './case';
import { fromKit, joins } from './kitParts';
import { sparesOf } from './spares';

const { adapter, line, xlr, xlrIn, dynamic, lavalier, swap } = gear;
const spare = (part: Part, name: string, count = 1): Spare => ({ part: { ...part, name }, name, count });
const asked = adapter('mini-to-xlr-grounded');

describe('what lies in the kit', () => {
  test('is taken by its name where it is the same thing', () => {
    const kit = [spare(adapter('mini-to-xlr-open'), 'grey adapter'), spare(asked, 'black adapter')];
    expect(fromKit({ kit }, asked)).toMatchObject({ name: 'black adapter', owned: true, note: 'from your kit' });
  });

  test('not what is used up, broken, or wired another way', () => {
    for (const other of [
      spare(asked, 'black adapter', 0),
      spare({ ...asked, faults: [{ type: 'open', contact: '1' }] }, 'black adapter'),
      spare(adapter('mini-to-xlr-open'), 'grey adapter'),
    ])
      expect(fromKit({ kit: [other] }, asked)).toMatchObject({ owned: false, note: 'not in your kit' });
  });

  test('what is set by hand does not tell it apart, and comes out set as it is wanted', () => {
    const kit = [spare({ kind: 'active-direct-box', choices: { battery: 'off' } }, 'box A')];
    const found = fromKit({ kit }, { kind: 'active-direct-box', choices: { battery: 'on' } });
    expect(found).toMatchObject({ name: 'box A', owned: true });
    expect(found.part.choices).toEqual({ battery: 'on' });
  });

  test('where nobody has a kit nothing is said of who owns what', () => {
    expect(fromKit({ kit: undefined }, asked)).toEqual({ part: asked, name: 'a 3.5 mm to XLR adapter' });
    expect(fromKit({ kit: [] }, asked).owned).toBe(false);
  });

  test.each([
    [{ kind: 'isolating-transformer' }, 'an isolating transformer'],
    [{ kind: 'splitter' }, 'a splitter'],
    [adapter('xlr-to-trs'), 'an XLR to 6.35 mm TRS adapter'],
    [adapter('rca-to-ts'), 'an RCA to 6.35 mm TS adapter'],
  ] as [Part, string][])('%o is called %s', (part, name) => expect(fromKit({ kit: undefined }, part).name).toBe(name));
});

describe('which of several wirings', () => {
  test('is told where one connector leads to another in more ways than one', () => {
    expect(joins(adapter('mini-to-xlr-grounded'))).toBe('tip to 2, sleeve to 1 and 3');
    expect(joins(adapter('xlr-to-mini-both'))).toBe('2 to tip and ring, 1 and 3 to sleeve');
    expect(joins(adapter('rca-to-ts'))).toBeUndefined();
    expect(joins({ kind: 'splitter' })).toBeUndefined();
  });

  test('stands in the note of the remedy', () => {
    const wired = line(gear.output('trs35', 'direct', -2), adapter('mini-to-xlr-balanced'), xlr(5), xlrIn());
    const notes = find(checked(wired), 'mono-cancelled').remedies.map(({ note }) => note ?? '');
    expect(notes.filter((note) => note.startsWith('tip to 2, '))).toHaveLength(2);
    expect(new Set(notes).size).toBeGreaterThan(2);
  });
});

describe('with a kit', () => {
  const item = (id: string, part: Part, count = 1): KitItem => ({ id, name: id, role: 'link', count, part }) as KitItem;

  test('an adapter that lies there comes before one that does not', () => {
    const kit = sparesOf([item('pip adapter', { kind: 'plug-in-converter' })], emptyRig('any'));
    const plain = line(lavalier(), asked, xlr(5), xlrIn('P48'));
    const [use] = find(checked(plain, {}, { kit }), 'capsule-overvoltage').remedies;
    expect(use).toMatchObject({ label: 'Use pip adapter', owned: true, gives: 'Clear' });
    expect(use.note).toBe('in place of Plain adapter, from your kit');
  });

  test('only a cable that is long enough and of the same sort takes a bad one’s place', () => {
    const bad = line(dynamic, xlr(10, swap('2', '3')), xlrIn());
    const label = (...kit: Spare[]) => find(checked(bad, {}, { kit }), 'reversed').remedies[0].label;
    expect(label(spare(xlr(9.9), 'short one'))).toBe('Replace Cable with a good one');
    expect(label(spare(xlr(10), 'ten metres'))).toBe('Replace Cable with ten metres');
    expect(label(spare(gear.trs(15), 'TRS lead'))).toBe('Replace Cable with a good one');
    expect(label(spare(xlr(15, swap('1', '2')), 'another bad one'))).toBe('Replace Cable with a good one');
    expect(label(spare(xlr(15), 'all out', 0))).toBe('Replace Cable with a good one');
  });
});

describe('what parts are called', () => {
  test('several of one name are counted from the source', () => {
    const two = line(dynamic, xlr(5), xlr(5, swap('2', '3')), xlrIn());
    const [mend] = find(checked(two), 'reversed').remedies;
    expect(mend.label).toBe('Replace Cable (second) with a good one');
    const boosters = line(dynamic, gear.booster, gear.booster, xlr(5), xlrIn('P48'));
    expect(find(checked(boosters), 'unpowered').remedies.map(({ label }) => label)).toEqual(
      expect.arrayContaining(['Remove Inline booster (second)']),
    );
  });

  test('a name that somebody gave stands for itself', () => {
    const named = line(
      dynamic,
      { ...xlr(5), name: 'red cable' },
      { ...xlr(5, swap('2', '3')), name: 'blue cable' },
      xlrIn(),
    );
    expect(find(checked(named), 'reversed').remedies[0].label).toBe('Replace blue cable with a good one');
  });
});
