import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { INLETS, isMending, LINKS, mending, SOURCES, type Mends } from '@/core/gear';

const KINDS = new Set<string>([...SOURCES, ...LINKS, ...INLETS].map(({ kind }) => kind));
/** A kind held against a name, in words of TypeScript. */
const ASKED = /\b[kK]ind\b(?:\s*\})?\s*[!=]==\s*'([^']+)'/g;
const CHOSEN = /switch \([^)]*\b(?:source|inlet|part|link)\.kind\)/g;

const sources = readdirSync('src', { recursive: true, encoding: 'utf8' })
  .filter((path) => /\.tsx?$/.test(path) && !/\.test\.tsx?$/.test(path) && !path.startsWith('core/gear/'))
  .map((path) => ({ path, text: readFileSync(join('src', path), 'utf8') }));

test('nobody but a kind itself is asked by its name: what others have to know of it stands in it', () => {
  const asked = sources.flatMap(({ path, text }) => [
    ...[...text.matchAll(ASKED)].filter(([, name]) => KINDS.has(name)).map(([found]) => `${path}: ${found}`),
    ...[...text.matchAll(CHOSEN)].map(([found]) => `${path}: ${found}`),
  ]);
  expect(sources.length).toBeGreaterThan(300);
  expect(asked).toEqual([]);
});

test('what a line is mended with is one kind for each use', () => {
  const uses = LINKS.flatMap(({ mends }) => mends ?? []);
  expect(new Set(uses).size).toBe(uses.length);
  for (const use of uses) expect(isMending(mending(use), use)).toBe(true);
  expect(mending('pad', { figures: { attenuation: { value: 20, unit: 'dB', basis: 'assumed' } } })).toMatchObject({
    figures: { attenuation: { value: 20 } },
  });
  expect(() => mending('magic' as Mends)).toThrow('no link mends magic');
});
