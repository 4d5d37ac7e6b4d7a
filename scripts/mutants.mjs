// Puts small faults into folders of the core, one at a time, and counts those that a test notices:
//   npm run mutants -- src/core/standards src/core/tables     the nearest and quickest tests, some seconds each
//   npm run mutants -- --one-in=10 src/core/check             a tenth of them, always the same: thousands take hours
//   npm run mutants -- --again src/core/tables                what went unnoticed there, by slow tests of the core too
// What was found lies in reports/mutants, a file for each folder.
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Stryker } from '@stryker-mutator/core';
import { Instrumenter } from '@stryker-mutator/instrumenter';
import { drawn, placeOf } from './drawn.mjs';

const OUT = 'reports/mutants';
const again = process.argv.includes('--again');
const oneIn = process.argv.find((word) => word.startsWith('--one-in='))?.slice(9);
const places = process.argv.slice(2).filter((word) => !word.startsWith('--'));
if (places.length === 0) {
  console.error('Say which folders or files: npm run mutants -- src/core/standards');
  process.exit(2);
}
const fileOf = (place) => join(OUT, `${place.replace(/^src\/core\//, '').replaceAll('/', '-')}.json`);
const foundIn = (place) => (existsSync(fileOf(place)) ? JSON.parse(readFileSync(fileOf(place), 'utf8')) : []);
const unnoticed = ({ status }) => status === 'Survived' || status === 'NoCoverage';
const keyOf = ({ file, from, to, becomes }) => [file, from, to, becomes].join(' ');

const sources = (place) =>
  /\.ts$/.test(place)
    ? [place]
    : readdirSync(place, { recursive: true })
        .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
        .map((file) => join(place, file));
const left = places.flatMap((place) => foundIn(place).filter(unnoticed));
const files = again ? [...new Set(left.map(({ file }) => file))] : places.flatMap(sources);

process.env.MUTANT_FILES = JSON.stringify(files);
process.env.MUTANT_TIMES = resolve('node_modules/.cache/mutant-times.json');
process.env.MUTANT_ONE_IN = again ? '1' : (oneIn ?? '1');
if (again) {
  process.env.MUTANT_SLOWEST ??= '20000';
  process.env.MUTANT_ENOUGH ??= '60000';
}
// Words may be worded otherwise; what is computed may not.
const excludedMutations = ['StringLiteral'];

/** Where the faults that are drawn stand. What is left out does not slow down what is counted in the core's inner loops. */
async function drawnOf(names) {
  const silent = { debug: () => {}, info: () => {}, isDebugEnabled: () => false };
  const contents = names.map((name) => ({ name, mutate: true, content: readFileSync(name, 'utf8') }));
  const { mutants } = await new Instrumenter(silent).instrument(contents, {
    plugins: null,
    excludedMutations,
    ignorers: [],
  });
  return mutants
    .filter(({ fileName, location, replacement }) =>
      drawn(Number(process.env.MUTANT_ONE_IN), placeOf(fileName, location), replacement),
    )
    .map(({ fileName, location: { start, end } }) => ({
      file: fileName,
      from: `${start.line + 1}:${start.column}`,
      to: `${end.line + 1}:${end.column}`,
    }));
}
const results = await new Stryker({
  mutate: [...new Set((again ? left : await drawnOf(files)).map(({ file, from, to }) => `${file}:${from}-${to}`))],
  testRunner: 'warm',
  coverageAnalysis: 'perTest',
  concurrency: Number(process.env.MUTANT_WORKERS ?? 2),
  timeoutMS: again ? 60_000 : 20_000,
  dryRunTimeoutMinutes: 30,
  mutator: { excludedMutations },
  ignoreStatic: true,
  reporters: ['clear-text', 'progress-append-only'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false, reportMutants: again },
  tempDirName: `.mutants/${process.pid}`,
  symlinkNodeModules: true,
  ignorePatterns: ['.next', 'reports', 'test-results', 'docs/screenshots', 'data'],
  allowConsoleColors: false,
  plugins: [fileURLToPath(new URL('./mutantRunner.mjs', import.meta.url))],
}).runMutationTest();

/** As Stryker's runner and its ranges count: lines of a range from one, everything else from nought. */
const zero = ({ line, column }) => ({ line: line - 1, column: column - 1 });
const found = results.flatMap(({ fileName, location, replacement, mutatorName, status }) => {
  const [start, end] = [zero(location.start), zero(location.end)];
  if (status === 'Ignored' || !drawn(Number(process.env.MUTANT_ONE_IN), placeOf(fileName, { start, end }), replacement))
    return [];
  return [
    {
      file: fileName.slice(fileName.indexOf('src/')),
      from: `${start.line + 1}:${start.column}`,
      to: `${end.line + 1}:${end.column}`,
      mutator: mutatorName,
      becomes: replacement,
      status,
    },
  ];
});
const now = new Map(found.map((each) => [keyOf(each), each]));
mkdirSync(OUT, { recursive: true });
for (const place of places) {
  const inside = again
    ? foundIn(place).map((each) => (unnoticed(each) ? (now.get(keyOf(each)) ?? each) : each))
    : found.filter(({ file }) => sources(place).includes(file));
  writeFileSync(fileOf(place), JSON.stringify(inside, undefined, 1));
  const noticed = inside.filter((each) => !unnoticed(each)).length;
  console.log(`${place}: ${noticed} of ${inside.length} noticed, ${((100 * noticed) / inside.length).toFixed(1)} %`);
}
