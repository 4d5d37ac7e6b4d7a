// Runs the unit tests, twice as fast as file by file: they are bundled once, and each of Jest's threads keeps the core that
// it has loaded and warmed up. `npx jest FILE` runs one of them by itself, from its source.
import { spawnSync } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bundle, testFiles } from './bundled.mjs';

const OUT = 'node_modules/.cache/unit-tests';
/** As in tests/explore.ts: tens of thousands of sheets a test take their time. */
const WHOLE = process.env.EXPLORE === 'whole';

const { own, bundled } = testFiles();
rmSync(OUT, { recursive: true, force: true });
await bundle(bundled, OUT, {
  splitting: true,
  format: 'esm',
  sourcemap: 'linked',
  outExtension: { '.js': '.mjs' },
  banner: {
    js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
  },
});

const { default: config } = await import('../jest.config.mjs');
const { maxWorkers, testTimeout, ...ordinary } = config;
const rootDir = process.cwd();
const projects = [
  { ...ordinary, rootDir, displayName: 'own runner', testMatch: own.map((file) => `<rootDir>/${file}`) },
  {
    displayName: 'bundled',
    rootDir: join(rootDir, OUT),
    // Not processes: two that start at once may take each other's answer from the runner, and the slower waits for ever.
    runner: ['jest-light-runner', { runtime: 'worker_threads' }],
    testMatch: ['**/*.test.mjs'],
    setupFiles: ['<rootDir>/tests/properties.mjs'],
    moduleFileExtensions: ['mjs', 'js', 'json'],
    haste: { retainAllFiles: true },
    testPathIgnorePatterns: [],
    transform: {},
  },
];
const configFile = join(OUT, 'jest.config.json');
const testSequencer = join(rootDir, 'scripts/longFirst.mjs');
writeFileSync(
  configFile,
  JSON.stringify({ rootDir, maxWorkers, testTimeout: WHOLE ? 10 * testTimeout : testTimeout, testSequencer, projects }),
);
const { status } = spawnSync('node_modules/.bin/jest', ['--config', configFile, ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ''} --enable-source-maps` },
});
process.exit(status ?? 1);
