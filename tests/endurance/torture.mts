import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import seedrandom from 'seedrandom';
import { kill, loadDemoData, serve } from '../server';
import { writers, type Acknowledged, type Client } from './writers';

/**
 * Writers of every kind against the built server, which is killed at random moments; after each kill everything that was
 * acknowledged is looked for, the database is checked, and every rig is opened. Ends with 1 if anything was lost.
 */
const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '10' },
    /** Seconds of writing between two kills, at most. */
    seconds: { type: 'string', default: '2' },
    /** Kills while the demo is loaded for the first time. */
    loads: { type: 'string', default: '6' },
    seed: { type: 'string', default: '1' },
    port: { type: 'string', default: process.env.INLET_CHECK_TEST_PORT ?? '3217' },
  },
});
const [kills, seconds, loads, port] = [values.kills, values.seconds, values.loads, values.port].map(Number);
const random = seedrandom(values.seed);
const folder = mkdtempSync(join(tmpdir(), 'inlet-check-torture-'));
const database = join(folder, 'torture.sqlite');
const base = `http://127.0.0.1:${port}`;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

const client: Client = {
  send: async (method, path, body, headers = {}) => {
    const raw = body instanceof Buffer;
    const response = await fetch(`${base}${path}`, {
      method,
      headers: { ...(body !== undefined && !raw && { 'content-type': 'application/json' }), ...headers },
      ...(body !== undefined && { body: raw ? new Uint8Array(body) : JSON.stringify(body) }),
    });
    return { status: response.status, body: (await response.json()) as never };
  },
};
const get = async (path: string): Promise<unknown> => {
  const response = await fetch(`${base}${path}`);
  if (!response.ok) throw new Error(`${path} answers ${response.status}`);
  const json = response.headers.get('content-type')?.includes('json');
  return json ? response.json() : Buffer.from(await response.arrayBuffer());
};

const acknowledged = new Map<string, number>();
const lost: string[] = [];
let corrupt = 0;
let unusable = 0;
let unexpected = 0;

/** Writes with every writer at once until the server is gone. */
async function round(all: ReturnType<typeof writers>, from: number): Promise<Acknowledged[]> {
  const found: Acknowledged[] = [];
  let running = true;
  const each = Object.entries(all).map(async ([, write], k) => {
    for (let n = from + k; running; n += 100) {
      try {
        const done = await write(client, n);
        if (done) found.push(done);
      } catch (problem) {
        // The server is gone in the middle of it: nothing was acknowledged.
        if (!(problem instanceof TypeError || problem instanceof SyntaxError)) unexpected++;
        return;
      }
    }
  });
  // In the first round each sort of write has the time to be acknowledged once, however slow the machine.
  const writing = () => Object.keys(all).every((kind) => found.some((done) => done.kind === kind));
  for (let waited = 0; from === 0 && !writing() && waited < 60_000; waited += 50) await pause(50);
  await pause(200 + random() * seconds * 1000);
  running = false;
  kill(server);
  await Promise.all(each);
  return found;
}

async function lookFor(found: readonly Acknowledged[]): Promise<void> {
  for (const { kind, what, check } of found) {
    acknowledged.set(kind, (acknowledged.get(kind) ?? 0) + 1);
    const there = await check(get).catch((problem: Error) => {
      console.error(`${kind}: ${problem.message}`);
      return false;
    });
    if (!there) lost.push(`${kind}: ${what}`);
  }
}

function isSound(path: string): boolean {
  const file = new Database(path, { readonly: true });
  const said = file.pragma('integrity_check', { simple: true });
  file.close();
  return said === 'ok';
}

/** Kills the first load of the demo at some moment; it is there whole, or not at all, and a second load brings it. */
async function firstLoad(n: number): Promise<void> {
  const path = join(folder, `first-${n}.sqlite`);
  const loading = spawn(process.execPath, ['--import', 'tsx', 'src/store/demoData.ts'], {
    env: { ...process.env, INLET_CHECK_DATABASE: path },
    stdio: 'ignore',
  });
  const ended = new Promise((resolve) => loading.on('exit', resolve));
  await pause(300 + random() * 1500);
  loading.kill('SIGKILL');
  await ended;
  loadDemoData(path);
  const file = new Database(path, { readonly: true });
  const count = (table: string) => file.prepare(`SELECT count(*) FROM ${table}`).pluck().get() as number;
  if (count('rig') !== 2 || count('kit_item') === 0) lost.push(`first load ${n}: ${count('rig')} rigs`);
  file.close();
  if (!isSound(path)) corrupt++;
}

/** Rigs that are opened after each kill, the newest; all of them after the last one. */
const AT_ONCE = 3;

async function open(most: number): Promise<void> {
  const { rigs } = (await get('/api/rigs')) as { rigs: { id: string }[] };
  for (const { id } of rigs.slice(-most)) if ((await fetch(`${base}/rig?rig=${id}`)).status !== 200) unusable++;
}

loadDemoData(database);
let server = await serve(port, database);
const began = Date.now();
const all = writers();
const everything: Acknowledged[] = [];
for (let n = 0; n < kills; n++) {
  const found = await round(all, n);
  everything.push(...found);
  if (!isSound(database)) corrupt++;
  try {
    server = await serve(port, database);
  } catch {
    unusable++;
    break;
  }
  await lookFor(found);
  await open(n + 1 < kills ? AT_ONCE : Infinity);
}
// What survived one kill survived them all.
const early = everything.filter(() => random() < 200 / Math.max(200, everything.length));
for (const { kind, what, check } of early)
  if (!(await check(get).catch(() => false))) lost.push(`${kind}, later: ${what}`);
kill(server);
for (let n = 0; n < loads; n++) await firstLoad(n);
rmSync(folder, { recursive: true, force: true });

const total = [...acknowledged.values()].reduce((sum, count) => sum + count, 0);
const silent = Object.keys(all).filter((kind) => !acknowledged.has(kind));
console.log(
  `${kills} kills and ${loads} broken first loads in ${((Date.now() - began) / 1000).toFixed(0)} s: ${total} writes acknowledged, ${lost.length} lost, ${corrupt} times corrupt, ${unusable} unusable`,
);
console.log([...acknowledged].map(([kind, count]) => `${kind} ${count}`).join(', '));
if (silent.length) console.log(`never acknowledged: ${silent.join(', ')}`);
if (unexpected) console.log(`${unexpected} writers stopped for another reason`);
for (const what of lost.slice(0, 20)) console.log(`lost: ${what}`);
process.exit(lost.length || corrupt || unusable || unexpected || silent.length ? 1 : 0);
