import { cable, line, on, testedCable } from '../../../tests/lines/lines';
import { asDrawn, choose, questions, withPart } from '.';

const ribbon = (tap?: string) =>
  line({ kind: 'passive-ribbon', ...(tap && { choices: { tap } }) }, [testedCable], on('P48'));

test('a question is open until it has an answer', () => {
  expect(questions(ribbon()).map(({ part, choice }) => [part, choice])).toEqual([['source', 'tap']]);
  expect(questions(ribbon('unknown'))).toHaveLength(1);
  expect(questions(ribbon('none'))).toEqual([]);
  expect(questions(line('moving-coil', [cable()], on('off')))).toEqual([]);
});

test('what is drawn answers every open question and changes nothing else', () => {
  const drawn = asDrawn(ribbon());
  expect(drawn.source.choices).toEqual({ tap: 'none' });
  expect({ ...drawn, source: ribbon().source }).toEqual(ribbon());
  const grounded = ribbon('grounded');
  expect(asDrawn(grounded)).toBe(grounded);
});

test('choosing and replacing leave the line they start from alone', () => {
  const start = ribbon('none');
  const before = structuredClone(start);
  expect(choose(start, 0, 'tested', 'no').links[0].choices).toEqual({ tested: 'no' });
  expect(withPart(start, 'inlet', { kind: 'combo' }).inlet).toEqual({ kind: 'combo' });
  expect(start).toEqual(before);
});
