// Runs the unit tests, twice as fast as file by file: they are bundled once, and each of Jest's processes keeps the core
// that it has loaded and warmed up. `npx jest FILE` runs one of them by itself, from its source.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { build } from 'esbuild';

const OUT = 'node_modules/.cache/unit-tests';
/** Who replaces modules, turns clocks or asks where it lies needs Jest's own runner. */
const OWN_RUNNER = /\bjest\.|__dirname|__filename|import\.meta/;
/** Packages whose names Node cannot see from outside. */
const INSIDE = /^(wavefile|exceljs)$/;

const files = ['src', 'tests']
  .flatMap((root) => readdirSync(root, { recursive: true }).map((file) => join(root, file)))
  .filter((file) => file.endsWith('.test.ts'));
const own = files.filter((file) => OWN_RUNNER.test(readFileSync(file, 'utf8')));

rmSync(OUT, { recursive: true, force: true });
await build({
  entryPoints: [...files.filter((file) => !own.includes(file)), 'tests/properties.ts'],
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  packages: 'external',
  sourcemap: 'linked',
  outdir: OUT,
  outbase: '.',
  outExtension: { '.js': '.mjs' },
  alias: { '@': './src' },
  banner: {
    js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
  },
  logLevel: 'warning',
  plugins: [
    {
      name: 'inside',
      setup({ onResolve }) {
        onResolve({ filter: INSIDE }, ({ path }) => ({ path: createRequire(import.meta.url).resolve(path) }));
      },
    },
  ],
});

const { default: config } = await import('../jest.config.mjs');
const { maxWorkers, testTimeout, ...ordinary } = config;
const rootDir = process.cwd();
const projects = [
  { ...ordinary, rootDir, displayName: 'own runner', testMatch: own.map((file) => `<rootDir>/${file}`) },
  {
    displayName: 'bundled',
    rootDir: join(rootDir, OUT),
    runner: ['jest-light-runner', { runtime: 'child_process' }],
    testMatch: ['**/*.test.mjs'],
    setupFiles: ['<rootDir>/tests/properties.mjs'],
    moduleFileExtensions: ['mjs', 'js', 'json'],
    haste: { retainAllFiles: true },
    testPathIgnorePatterns: [],
    transform: {},
  },
];
const configFile = join(OUT, 'jest.config.json');
writeFileSync(configFile, JSON.stringify({ rootDir, maxWorkers, testTimeout, projects }));
const { status } = spawnSync('node_modules/.bin/jest', ['--config', configFile, ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ''} --enable-source-maps` },
});
process.exit(status ?? 1);
