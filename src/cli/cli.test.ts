import { execFile, spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { scripts as declared } from '../../package.json';

const scripts: Record<string, string> = declared;

/** What a script of package.json runs, without waiting for npm each time. */
const fileOf = (script: string): string => /^tsx (\S+)$/.exec(scripts[script])![1];
const runAsScript = (script: string, ...args: string[]) =>
  spawnSync(process.execPath, ['--import', 'tsx', fileOf(script), ...args], { encoding: 'utf8' });

/** The same in one file, which starts in a fifth of the time. */
function bundled(script: string): string {
  const outfile = `node_modules/.cache/cli-tests/${script}.mjs`;
  if (!made.has(script))
    buildSync({
      entryPoints: [fileOf(script)],
      bundle: true,
      platform: 'node',
      format: 'esm',
      packages: 'external',
      alias: { '@': './src' },
      outfile,
    });
  made.add(script);
  return outfile;
}
const made = new Set<string>();
const run = (script: string, ...args: string[]) =>
  spawnSync(process.execPath, [bundled(script), ...args], { encoding: 'utf8' });
const file = (text: string) => {
  const path = join(mkdtempSync(join(tmpdir(), 'inlet-check-')), 'rig.json');
  writeFileSync(path, text);
  return path;
};
const one = (feed: string) =>
  JSON.stringify({
    format: 'inlet-check',
    version: 1,
    name: 'one',
    lines: [
      {
        id: 'one',
        name: 'one',
        source: { kind: 'condenser-48' },
        links: [{ kind: 'cable' }],
        inlet: { kind: 'three-pin', choices: { feed } },
      },
    ],
  });

/** Every command of the terminal; the others of its kind only make files of the repository. */
const COMMANDS = Object.keys(scripts).filter((script) => /^tsx src\/cli\/\S+$/.test(scripts[script]));

test('every command runs as npm runs it, and says what it is to be given', async () => {
  expect(COMMANDS.length).toBeGreaterThanOrEqual(9);
  const said = COMMANDS.map(
    (script) =>
      new Promise<string>((done) => {
        execFile(process.execPath, ['--import', 'tsx', fileOf(script)], (_, out, problem) => done(`${out}${problem}`));
      }),
  );
  for (const [n, text] of (await Promise.all(said)).entries())
    expect([COMMANDS[n], JSON.parse(text).error?.code]).toEqual([
      COMMANDS[n],
      expect.stringMatching(/^(usage|no-connector)$/),
    ]);
});

test('check prints the result as JSON: 37.8 V at pins 2 and 3, Clear', () => {
  const { stdout, status } = runAsScript('check', file(one('P48')));
  expect(status).toBe(0);
  const [line] = JSON.parse(stdout).lines;
  expect(line.verdict).toBe('Clear');
  expect(line.readings.junctions[0].contacts.map(({ volts }: { volts: number }) => volts.toFixed(1))).toEqual([
    '0.0',
    '37.8',
    '37.8',
  ]);
});

test.each([
  ['a file that is not there', 'nowhere.json', 'unreadable'],
  ['a file that is not JSON', file('{'), 'bad-document'],
  ['a wrong field', file(one('P49')), 'bad-document'],
  ['a file over 4 MiB', file(' '.repeat(4 * 1024 * 1024 + 1)), 'too-large'],
])('check refuses %s', (_name, path, code) => {
  const { stderr, stdout, status } = run('check', path);
  expect(status).toBe(2);
  expect(stdout).toBe('');
  expect(JSON.parse(stderr).error.code).toBe(code);
});

test('spice prints a netlist; an unknown line lists the known ones', () => {
  const good = run('spice', file(one('P48')), 'one');
  expect(good.stdout).toMatch(/^one: one\n[\s\S]*\.op\n/);
  const bad = run('spice', file(one('P48')), 'two');
  expect(bad.status).toBe(2);
  expect(JSON.parse(bad.stderr).error).toMatchObject({ code: 'no-line', message: expect.stringContaining('one') });
  expect(JSON.parse(run('spice', file(one('P48'))).stderr).error.code).toBe('usage');
});

test('faults prints what a meter reads with every fault of the cable', () => {
  const { stdout, status } = run('faults', file(one('P48')));
  expect(status).toBe(0);
  const { readings } = JSON.parse(stdout);
  expect(readings).toHaveLength(20);
  // One leg open: 48 V - 3 mA · 6.8 kΩ.
  const open = readings.find(({ fault }: { fault?: { contact: string } }) => fault?.contact === '3');
  expect(open.source['2']).toBeCloseTo(27.6, 1);
});

test('plan prints a proposal with its reasons; what it is not given right it refuses', () => {
  const { stdout, status } = run('plan', file(one('off')), '--only-kit');
  expect(status).toBe(0);
  const { proposal } = JSON.parse(stdout);
  expect(proposal.switches).toMatchObject([
    { from: 'off', to: 'P48', reason: expect.stringMatching(/no power at the microphone/) },
  ]);
  expect(proposal).toMatchObject({ optimal: true, counts: { Clear: 1, Silent: 0 } });
  for (const wrong of [['--seconds', '0'], ['--fast'], []]) {
    const bad = run('plan', ...(wrong.length ? [file(one('off')), ...wrong] : []));
    expect(bad.status).toBe(2);
    expect(JSON.parse(bad.stderr).error.code).toBe('usage');
  }
  expect(JSON.parse(run('plan', file(one('off')), file('{}')).stderr).error.code).toBe('bad-document');
});

test('mains prints what leaks, who closes a ring and what each line hears', () => {
  const { stdout, status } = run('mains', 'demo/lock-nine.json');
  expect(status).toBe(0);
  const answer = JSON.parse(stdout);
  expect(answer).toMatchObject({ format: 'inlet-check-mains', version: 1 });
  expect(answer.loops.map(({ ties }: { ties: string[] }) => ties[0])).toContain('laptop');
  expect(answer.lines[0].shares[0]).toMatchObject({ unit: expect.any(String), way: 'induction' });
  expect(answer.findings[0]).toMatchObject({ code: 'earth-path', severity: 'harm' });
  const bad = run('mains');
  expect(bad.status).toBe(2);
  expect(JSON.parse(bad.stderr).error.code).toBe('usage');
});
