import fc from 'fast-check';
import { pieceKey, pieceLabel, type Piece } from '../pieces';
import { joins, lengthsOf } from './joins';

const cable = (metres: number, count: number, more: Partial<Piece> = {}): Piece => {
  const part = {
    kind: 'cable',
    figures: { length: { value: metres, unit: 'm' as const, basis: 'measured' as const } },
  };
  return { key: `${pieceKey(part)}${more.toGet ? ' to get' : ''}`, part, label: pieceLabel(part), count, ...more };
};
const lengths = (found: Piece[][]) =>
  found.map((pieces) => pieces.map(({ part }) => part.figures!.length.value).toSorted((a, b) => b - a));

test.each<[string, Piece[], number, number, number[][]]>([
  ['one that reaches', [cable(20, 1)], 18, 4, [[20]]],
  ['ten and ten', [cable(10, 2)], 18, 4, [[10, 10]]],
  ['fifteen and five', [cable(15, 1), cable(5, 1)], 20, 4, [[15, 5]]],
  ['three tens', [cable(10, 3)], 30, 4, [[10, 10, 10]]],
  ['one that is there before two that are joined', [cable(10, 2), cable(20, 1)], 18, 4, [[20], [10, 10]]],
  ['no more than there are', [cable(10, 1)], 18, 4, []],
  ['no more than may be joined', [cable(10, 3)], 30, 2, []],
  [
    'none that could be left away',
    [cable(10, 2), cable(5, 2)],
    15,
    4,
    [
      [10, 5],
      [10, 10],
    ],
  ],
  [
    'what is to be got comes in one piece',
    [cable(10, 9, { toGet: true }), cable(20, 9, { toGet: true })],
    18,
    4,
    [[20]],
  ],
  ['nothing for no length but one cable', [cable(3, 1), cable(5, 1)], 0, 4, [[3], [5]]],
])('%s', (_, pieces, least, most, wanted) => expect(lengths(joins(pieces, least, most))).toEqual(wanted));

test('as trying everything: each reaches, none could be left away, and none is missing', () => {
  const boxes = fc.uniqueArray(fc.tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 3 })), {
    selector: ([metres]) => metres,
    minLength: 1,
    maxLength: 4,
  });
  fc.assert(
    fc.property(boxes, fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 4 }), (box, least, most) => {
      const pieces = box.map(([metres, count]) => cable(metres, count));
      const sets = pieces.reduce<Piece[][]>(
        (all, piece) =>
          all.flatMap((set) =>
            Array.from({ length: piece.count + 1 }, (_, n) => [...set, ...new Array<Piece>(n).fill(piece)]),
          ),
        [[]],
      );
      const good = sets.filter(
        (set) =>
          set.length > 0 &&
          set.length <= most &&
          lengthsOf(set) >= least &&
          set.every((piece) => lengthsOf(set) - lengthsOf([piece]) < least),
      );
      const shown = (found: Piece[][]) =>
        lengths(found)
          .map((set) => set.join('+'))
          .toSorted();
      expect(shown(joins(pieces, least, most))).toEqual(shown(good));
    }),
    { numRuns: 400 },
  );
});
