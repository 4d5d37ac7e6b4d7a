import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

const SRC = path.join(__dirname, '../../src');
const foldersOf = (folder: string): string[] => [
  folder,
  ...readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? foldersOf(path.join(folder, entry.name)) : [],
  ),
];
const read = (file: string): string => readFileSync(file, 'utf8');

/** The texts of a file that shows them, by its name and their own. */
function textsIn(file: string): { of: string; keys: string[] }[] {
  const { statements } = ts.createSourceFile(file, read(file), ts.ScriptTarget.Latest, true);
  return statements.filter(ts.isVariableStatement).map(({ declarationList }) => {
    const [{ name, initializer }] = declarationList.declarations;
    const { properties } = initializer as ts.ObjectLiteralExpression;
    return { of: name.getText(), keys: properties.map((property) => property.name!.getText()) };
  });
}

/** What a folder's other files show of one set of texts, whatever they call it. */
function shownIn(folder: string, of: string): Set<string> {
  const files = readdirSync(folder).filter((file) => /\.tsx?$/.test(file) && file !== 'texts.ts');
  return new Set(
    files.flatMap((file) => {
      const source = read(path.join(folder, file));
      const called = new RegExp(`\\b${of} as (\\w+)\\b.* from '\\./texts'`).exec(source)?.[1];
      if (!called) return [];
      return [...source.matchAll(new RegExp(`(?<![.\\w'"])${called}\\.(\\w+)`, 'g'))].map(([, key]) => key);
    }),
  );
}

const FOLDERS = ['app', 'ui']
  .flatMap((layer) => foldersOf(path.join(SRC, layer)))
  .filter((folder) => readdirSync(folder).includes('texts.ts'));

test('there are texts of every place', () => {
  const names = FOLDERS.map((folder) => path.relative(path.join(SRC, 'app'), folder));
  expect(names).toEqual(expect.arrayContaining(['rig', 'kit', 'plan', 'switch', 'test', 'noise', 'log', 'casebook']));
});

test.each(FOLDERS.map((folder) => [path.relative(SRC, folder), folder]))(
  'every text of %s is shown somewhere, and every text that is shown is there',
  (_name, folder) => {
    for (const { of, keys } of textsIn(path.join(folder, 'texts.ts')))
      expect({ of, shown: [...shownIn(folder, of)].toSorted() }).toEqual({ of, shown: keys.toSorted() });
  },
);
