import { cable, line, on, testedCable } from '../../../tests/lines/lines';
import { asDrawn, choose, questions, withPart, type Line } from '.';

const earthed = (of: Line): Line => ({ ...of, ground: 'earthed' });
const ribbon = (tap?: string) =>
  earthed(line({ kind: 'passive-ribbon', ...(tap && { choices: { tap } }) }, [testedCable], on('P48')));

test('a question is open until it has an answer', () => {
  expect(questions(ribbon()).map(({ part, choice }) => [part, choice])).toEqual([['source', 'tap']]);
  expect(questions(ribbon('unknown'))).toHaveLength(1);
  expect(questions(ribbon('none'))).toEqual([]);
  expect(questions(earthed(line('moving-coil', [cable()], on('off'))))).toEqual([]);
});

test('how the ground of its device stands is a question like any other', () => {
  const dynamic = line('moving-coil', [cable()], on('off'));
  for (const open of [dynamic, { ...dynamic, ground: 'unknown' as const }])
    expect(questions(open)).toMatchObject([
      { part: 'inlet', choice: 'ground', spec: { question: { ask: 'Is the inlet’s device on mains earth?' } } },
    ]);
  expect(questions({ ...dynamic, ground: 'floating' })).toEqual([]);
  expect(choose(dynamic, 'inlet', 'ground', 'earthed')).toEqual({ ...dynamic, ground: 'earthed' });
  expect(asDrawn(dynamic)).toEqual({ ...dynamic, ground: 'floating' });
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
