/**
 * Whether everything that the check says is what it said at another commit: on the demo, the casebook and random rigs.
 * `npm run same -- REF [RIGS]`; texts must be the same, figures within 1e-6;
 * what was followed over time is as exact as its steps: peaks within 3 % or 1 mV, durations within 30 % or 5 ms.
 */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildSync } from 'esbuild';

const [ref = 'HEAD', rigs = '1000'] = process.argv.slice(2);
const folder = mkdtempSync(join(tmpdir(), 'inlet-check-same-'));
const results = (tree) => {
  const outfile = join(tree, 'node_modules', '.cache', `inlet-check-results-${process.pid}.mjs`);
  buildSync({
    entryPoints: ['bench/results.ts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    alias: { '@': join(tree, 'src') },
    logLevel: 'warning',
    outfile,
  });
  const text = execFileSync('node', [outfile, rigs], {
    encoding: 'utf8',
    maxBuffer: 2 ** 31,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  rmSync(outfile);
  return text.trimEnd().split('\n');
};

const OVER_TIME = /\.moments\./;
const DURATION = /\.(lasts|settles|decay)$/;
/** How far a figure may be off, as a share and in its unit. */
const allowed = (path) => (!OVER_TIME.test(path) ? [1e-6, 1e-9] : DURATION.test(path) ? [0.3, 5e-3] : [0.03, 1e-3]);
/** What a source takes where next to nothing flows: rounding says when that was. */
const isNothing = (value) => value?.positions && value.amps < 1e-6 && value.volts < 0.01;
const differs = (a, b, path, told) => {
  if (isNothing(a) && isNothing(b)) return;
  if (typeof a === 'number' && typeof b === 'number') {
    const [share, least] = allowed(path);
    if (Math.abs(a - b) > share * Math.max(Math.abs(a), Math.abs(b)) + least) told.push(`${path}: ${a} / ${b}`);
  } else if (a && b && typeof a === 'object' && typeof b === 'object') {
    for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) differs(a[key], b[key], `${path}.${key}`, told);
  } else if (a !== b) told.push(`${path}: ${JSON.stringify(a)} / ${JSON.stringify(b)}`);
};

try {
  execFileSync('git', ['worktree', 'add', '--detach', folder, ref], { stdio: 'ignore' });
  symlinkSync(join(process.cwd(), 'node_modules'), join(folder, 'node_modules'));
  const before = results(folder);
  const now = results(process.cwd());
  let other = 0;
  for (const [n, text] of before.entries()) {
    if (text === now[n]) continue;
    const told = [];
    differs(JSON.parse(text), JSON.parse(now[n]), '', told);
    if (!told.length) continue;
    other++;
    console.log(
      `${JSON.parse(text).rig}\n  ${told.slice(0, 6).join('\n  ')}${told.length > 6 ? `\n  and ${told.length - 6} more` : ''}`,
    );
  }
  console.log(`${before.length} rigs, ${other} of them told otherwise than at ${ref}`);
  process.exitCode = other ? 1 : 0;
} finally {
  execFileSync('git', ['worktree', 'remove', '--force', folder]);
}
