import { cable, line, on } from '../../../tests/lines/lines';
import { applyEdits, type Edit } from './edits';

const start = line('moving-coil', [cable({ type: 'open', contact: '3' }), { kind: 'pad' }], on('off'));
const after = (...edits: Edit[]) => applyEdits(start, edits);
const kinds = ({ links }: typeof start) => links.map(({ kind }) => kind);

test('insert, remove and replace change the links where they say', () => {
  expect(kinds(after({ do: 'insert', at: 0, part: { kind: 'inline-booster' } }))).toEqual([
    'inline-booster',
    'cable',
    'pad',
  ]);
  expect(kinds(after({ do: 'insert', at: 2, part: { kind: 'supply-box' } }))).toEqual(['cable', 'pad', 'supply-box']);
  expect(kinds(after({ do: 'remove', at: 0 }))).toEqual(['pad']);
  expect(kinds(after({ do: 'replace', part: 1, with: { kind: 'polarity-reverser' } }))).toEqual([
    'cable',
    'polarity-reverser',
  ]);
});

test('positions count from what the edit before left behind', () => {
  expect(kinds(after({ do: 'insert', at: 1, part: { kind: 'supply-box' } }, { do: 'remove', at: 2 }))).toEqual([
    'cable',
    'supply-box',
  ]);
});

test('source and inlet are replaced, chosen and set like links', () => {
  expect(after({ do: 'replace', part: 'source', with: { kind: 'condenser-48' } }).source).toEqual({
    kind: 'condenser-48',
  });
  expect(after({ do: 'choose', part: 'inlet', choice: 'feed', value: 'P24' }).inlet.choices).toEqual({ feed: 'P24' });
  expect(after({ do: 'choose', part: 0, choice: 'tested', value: 'yes' }).links[0].choices).toEqual({ tested: 'yes' });
});

test('a figure is set and taken back', () => {
  const to = { value: 600, unit: 'Ω' as const, basis: 'measured' as const };
  const set = after({ do: 'set figure', part: 'source', figure: 'coil', to });
  expect(set.source.figures).toEqual({ coil: to });
  expect(applyEdits(set, [{ do: 'set figure', part: 'source', figure: 'coil', to: undefined }]).source.figures).toEqual(
    {},
  );
});

test('mending takes every fault away and leaves the rest of the cable', () => {
  expect(after({ do: 'mend', at: 0 }).links[0]).toEqual({ kind: 'cable' });
});

test('a line is renamed; without edits it is the same line', () => {
  expect(after({ do: 'rename', name: 'Wheelhouse' }).name).toBe('Wheelhouse');
  expect(after()).toBe(start);
});
