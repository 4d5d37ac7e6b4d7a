import { existsSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';

/** What a run of all tests has to say at its end: the slowest tests, and what failed with the command that runs just that. */
const [folder] = process.argv.slice(2);
const read = (name) => {
  const path = join(folder, name);
  return existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : undefined;
};
const quoted = (text) => `'${text.replaceAll(/[.*+?^${}()|[\]\\]/g, '.').replaceAll("'", '.')}'`;

const unit = (read('unit.json')?.testResults ?? []).flatMap(({ name, message, assertionResults }) => {
  // What was bundled is told by its source.
  const file = relative(process.cwd(), name).replace(/^node_modules\/\.cache\/unit-tests\/(.+)\.mjs$/, '$1.ts');
  if (assertionResults.length === 0)
    return [{ file, title: '', seconds: 0, failed: true, command: `npx jest ${file}`, why: message }];
  return assertionResults.map(({ fullName, duration, status, failureMessages }) => ({
    file,
    title: fullName,
    seconds: (duration ?? 0) / 1000,
    failed: status === 'failed',
    command: `npx jest ${file} -t ${quoted(fullName)}`,
    why: failureMessages[0],
  }));
});

const specs = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)];
const browser = (read('browser.json')?.suites ?? []).flatMap(specs).map(({ file, line, title, ok, tests }) => {
  const results = tests.flatMap((test) => test.results);
  return {
    file: `tests/e2e/${file}`,
    title,
    seconds: results.reduce((sum, { duration }) => sum + duration, 0) / 1000,
    failed: !ok,
    command: `npx playwright test tests/e2e/${file}:${line}`,
    why: results.findLast(({ error }) => error)?.error.message,
  };
});

const all = [...unit, ...browser];
console.log('== the ten slowest tests');
for (const { seconds, file, title } of all.toSorted((a, b) => b.seconds - a.seconds).slice(0, 10))
  console.log(`${seconds.toFixed(1).padStart(7)} s  ${file}: ${title}`);

const bad = all.filter(({ failed }) => failed);
const steps = existsSync(join(folder, 'steps')) ? readFileSync(join(folder, 'steps'), 'utf8').trim().split('\n') : [];
if (bad.length + steps.length) console.log('== failed');
for (const command of steps)
  console.log(`a step\n    again: ${command.replace(/^typecheck$/, 'npm run -s typecheck')}`);
for (const { file, title, why = '', command } of bad) {
  const lines = why
    .replaceAll(/\u001b\[[\d;]*m/g, '')
    .split('\n')
    .filter((line) => line.trim())
    .slice(0, 4);
  console.log([`${file}: ${title}`, ...lines.map((line) => `    ${line}`), `    again: ${command}`].join('\n'));
}
