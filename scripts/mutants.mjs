// Puts small faults into folders of the core, one at a time, and counts those that a test notices:
//   npm run mutants -- src/core/standards src/core/tables
// Only tests that reach the changed line run. The report of survivors lies in reports/mutants.
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { Stryker } from '@stryker-mutator/core';

const places = process.argv.slice(2);
if (places.length === 0) {
  console.error('Say which folders or files: npm run mutants -- src/core/standards');
  process.exit(2);
}
const tests = process.env.MUTANT_TESTS?.split(' ');
const sources = (place) =>
  /\.ts$/.test(place)
    ? [place]
    : readdirSync(place, { recursive: true })
        .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
        .map((file) => join(place, file));

const results = await new Stryker({
  mutate: places.flatMap(sources),
  testRunner: 'jest',
  jest: {
    projectType: 'custom',
    configFile: 'jest.config.mjs',
    // Unless said otherwise whatever imports the changed file may notice it.
    enableFindRelatedTests: tests === undefined,
    ...(tests && { config: { roots: tests.map((test) => `<rootDir>/${test}`) } }),
  },
  coverageAnalysis: 'perTest',
  concurrency: Number(process.env.MUTANT_WORKERS ?? 2),
  timeoutMS: 20_000,
  // Words may be worded otherwise; what is computed may not.
  mutator: { excludedMutations: ['StringLiteral'] },
  ignoreStatic: true,
  reporters: ['clear-text', 'json'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  jsonReporter: { fileName: 'reports/mutants/last.json' },
  tempDirName: '.mutants',
  symlinkNodeModules: true,
  ignorePatterns: ['.next', 'reports', 'test-results', 'docs/screenshots', 'data'],
  allowConsoleColors: false,
  plugins: ['@stryker-mutator/jest-runner'],
}).runMutationTest();
process.exitCode = results.some(({ status }) => status === 'RuntimeError') ? 1 : 0;
