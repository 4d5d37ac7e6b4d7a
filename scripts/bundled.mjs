// Unit tests bundled with the core that they test, for the runners that keep it loaded.
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { build } from 'esbuild';

/** Who replaces modules, turns clocks or asks where it lies needs Jest's own runner. */
const OWN_RUNNER = /\bjest\.|__dirname|__filename|import\.meta/;
/** Packages whose names Node cannot see from outside. */
const INSIDE = /^(wavefile|exceljs)$/;

/** Every test file: those that can be bundled, and those that need Jest's own runner. */
export function testFiles() {
  const files = ['src', 'tests']
    .flatMap((root) => readdirSync(root, { recursive: true }).map((file) => join(root, file)))
    .filter((file) => file.endsWith('.test.ts'));
  const own = files.filter((file) => OWN_RUNNER.test(readFileSync(file, 'utf8')));
  return { own, bundled: files.filter((file) => !own.includes(file)) };
}

/** Bundles test files, and what sets up property tests, into a folder. */
export const bundle = (files, outdir, options) =>
  build({
    entryPoints: [...files, 'tests/properties.ts'],
    bundle: true,
    absWorkingDir: process.cwd(),
    platform: 'node',
    target: 'node20',
    packages: 'external',
    outdir,
    outbase: '.',
    alias: { '@': './src' },
    logLevel: 'warning',
    plugins: [
      {
        name: 'inside',
        setup({ onResolve }) {
          onResolve({ filter: INSIDE }, ({ path }) => ({ path: createRequire(import.meta.url).resolve(path) }));
        },
      },
    ],
    ...options,
  });
