import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { INLETS, LINKS, SOURCES } from '@/core/gear';
import { readDocument } from '@/core/rig';

const read = (path: string) => readFileSync(path, 'utf8');
const format = read('docs/format/README.md');
const readme = read('README.md');
/** Read as text: it is a module alone. */
const layers = read('layers.mjs');
const CORE = [...layers.matchAll(/^ {2}'(\w+)',$/gm)].map(([, folder]) => folder);
const OVER = [...layers.matchAll(/^ {2}(\w+): \[/gm)].map(([, folder]) => folder);

test('the example of the format page is a document', () => {
  const [, json] = format.match(/```json\n([\s\S]+?)```/)!;
  expect(readDocument(JSON.parse(json)).lines).toHaveLength(2);
});

test('the published schema names every kind of gear', () => {
  const schema = read('docs/format/inlet-check-2.schema.json');
  for (const { kind } of [...SOURCES, ...LINKS, ...INLETS]) expect(schema).toContain(`"${kind}"\n`);
});

test('the drawing of the layers has every folder, and none that is gone (npm run architecture)', () => {
  const arcs = [...read('docs/figures/architecture.svg').matchAll(/<title>(\S+) imports (\S+): /g)];
  const drawn = new Set(arcs.flatMap(([, from, to]) => [from, to]));
  const folders = [...CORE.map((folder) => `core/${folder}`), ...OVER];
  expect([...drawn].toSorted()).toEqual(folders.toSorted());
});

test.each([
  ['README.md', '.'],
  ['docs/format/README.md', 'docs/format'],
])('every link of %s leads somewhere', (path, folder) => {
  const links = [...read(path).matchAll(/\]\(([^)#]+)\)|src="([^"]+)"/g)].map(([, link, image]) => link ?? image);
  expect(links.length).toBeGreaterThan(1);
  for (const link of links) if (!link.startsWith('http')) expect(existsSync(join(folder, link))).toBe(true);
});

test('every picture is shown in the README, and there are fewer than twenty', () => {
  const pictures = readdirSync('docs/screenshots');
  expect(pictures.length).toBeLessThan(20);
  for (const picture of pictures) expect(readme).toContain(picture);
});

test('every command of the README exists', () => {
  const { scripts } = JSON.parse(read('package.json'));
  for (const [, name] of readme.matchAll(/npm run (?:-s )?([a-z:-]+)/g)) expect(Object.keys(scripts)).toContain(name);
  for (const [, path] of readme.matchAll(/(?:^|\s)\.\/(scripts\/[a-z]+)/gm)) expect(existsSync(path)).toBe(true);
});

test('the layers of the page are those that lint enforces, from top to ground, and what is named to look in exists', () => {
  const rows = [...read('docs/architecture.md').matchAll(/^\| `(src[^`]+)`/gm)].map(([, folder]) => folder);
  const core = rows.filter((folder) => folder.startsWith('src/core/'));
  expect(core).toEqual(CORE.toReversed().map((folder) => `src/core/${folder}`));
  expect(new Set(rows.filter((folder) => !core.includes(folder)))).toEqual(
    new Set(OVER.map((folder) => `src/${folder}`)),
  );
  for (const text of [readme, read('docs/architecture.md')])
    for (const [, path] of text.matchAll(/`(src\/[\w./]+)`/g)) expect([path, existsSync(path)]).toEqual([path, true]);
});
