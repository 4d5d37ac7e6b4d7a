import { TERMS } from './terms';
import { termsIn } from './TermText';

test('a hundred words, each once, each in one to three short sentences', () => {
  expect(TERMS.length).toBeGreaterThanOrEqual(100);
  expect(new Set(TERMS.map(({ id }) => id)).size).toBe(TERMS.length);
  const words = TERMS.flatMap((term) => term.words.map((word) => word.toLowerCase()));
  expect(new Set(words).size).toBe(words.length);
  for (const { term, text } of TERMS) {
    expect([term, text.split(/[.?](?=\s|$)/).filter((part) => part.trim()).length <= 4]).toEqual([term, true]);
    expect([term, text.length <= 220]).toEqual([term, true]);
  }
});

test('a text is cut where the glossary has a word, the longest first and each once; nothing is lost', () => {
  const text = 'Phantom on a ground loop: a direct box, then phantom again. Under no DI a di.';
  const pieces = termsIn(text);
  expect(pieces.map((piece) => (typeof piece === 'string' ? piece : piece.word)).join('')).toBe(text);
  expect(pieces.flatMap((piece) => (typeof piece === 'string' ? [] : [piece.term.id]))).toEqual([
    'phantom',
    'ground-loop',
    'direct-box',
  ]);
  expect(termsIn('strikes a padlock')).toEqual(['strikes a padlock']);
});
