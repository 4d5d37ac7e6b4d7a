import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import seedrandom from 'seedrandom';
import { kill, loadDemoData, serve } from '../server';
import { hunt, inletSheet, ladder, measurement, wav } from './writers';

/**
 * Bad requests at every route that the files have: mutated valid bodies, odd addresses, odd methods, raw bytes on the
 * socket, slow and oversize bodies. No answer may be 5xx, take over two seconds, or show insides; what is refused may
 * change nothing, by comparing the database; and the server must live on. Ends with 1 if anything of this happens.
 */
const { values } = parseArgs({
  options: {
    requests: { type: 'string', default: '500' },
    seed: { type: 'string', default: '1' },
    port: { type: 'string', default: process.env.INLET_CHECK_TEST_PORT ?? '3217' },
  },
});
const [requests, port] = [values.requests, values.port].map(Number);
const random = seedrandom(values.seed);
const HANGS = 2000;

const one = <T,>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
const chance = (share: number): boolean => random() < share;

/** Every route with its methods, found from the files: a new one joins by itself. */
const files = readdirSync('src/app/api', { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('route.ts'))
  .map((name) => `src/app/api/${name}`);
const routes = files.flatMap((file) => {
  const path = file.replace(/^src\/app|\/route\.ts$/g, '');
  const methods = [
    ...readFileSync(file, 'utf8').matchAll(/^export (?:const|async function|function) [^=(]*/gm),
  ].flatMap(([line]) => line.match(/\b(GET|POST|PUT|DELETE|PATCH)\b/g) ?? []);
  return methods.map((method) => ({ method, path }));
});

const folder = mkdtempSync(join(tmpdir(), 'inlet-check-fuzz-'));
const database = join(folder, 'fuzz.sqlite');
loadDemoData(database);
const server = await serve(port, database);
const base = `http://127.0.0.1:${port}`;

const rig = JSON.parse(readFileSync('demo/lock-nine-mended.json', 'utf8')) as object;
const kit = JSON.parse(readFileSync('demo/kit.json', 'utf8')) as { items: object[] };
/** Bodies that are as they should be, for whichever route they fit. */
/** What was seen of a cable. */
const OBSERVED = [
  { instrument: 'lamps', at: 'junction 0', seen: '2 lit, 3 dark' },
  { instrument: 'test load', at: 'junction 0', seen: { 2: 24, 3: 0 } },
  { instrument: 'ohmmeter', at: 'link 0', seen: { '1-1': 0.4, '2-2': null } },
];

const BODIES: (() => unknown)[] = [
  () => rig,
  () => ({ basedOn: 1, document: rig }),
  () => kit,
  () => kit.items[3],
  () => ({ answer: { fact: { who: 'Ida', when: '2026-05-02' }, choice: 'tap', value: 'none' } }),
  () => ({ who: 'Ida', text: 'a note', lines: ['guide'] }),
  () => measurement(),
  () => hunt('x'),
  () => ladder(),
  () => ({ version: 1, step: { on: ['one'], components: { hum: 0, buzz: 0, tones: 0, hiss: 1e-9 } } }),
  () => ({ version: 0, who: 'Ida', report: { report: 'start', from: 'packed' } }),
  () => ({ version: 1, who: 'Ida', report: { report: 'found', what: { feed: 'desk bank-a', is: 'P48' } } }),
  () => ({ version: 1, who: '', report: { report: 'done' } }),
  () => ({ basedOn: 1, way: 'undo' }),
  () => ({ days: 30 }),
  () => ({ cable: 'xlr3', observations: OBSERVED }),
  () => ({ label: 'stage box 7', who: 'Ida', connector: 'xlr3', observations: OBSERVED }),
  () => ({
    line: 'announcer',
    who: 'Ida',
    act: 'Swap the cable',
    what: 'pin 3 open',
    helped: true,
    counts: { class: 'cable', type: 'open', item: 'cable', looks: [{ instrument: 'lamps', fits: true }] },
  }),
  () => ({ end: 'inlet' }),
  () => ({ cable: { open: 6 }, desk: { muted: 3 } }),
  () => inletSheet('desk'),
];

const ODD: unknown[] = [
  null,
  true,
  0,
  -1,
  1e308,
  99999999999999999999,
  NaN,
  '',
  'x'.repeat(5000),
  '‮\u0000',
  "'; DROP TABLE rig; --",
  '=1+1',
  '../../etc/passwd',
  [],
  {},
  [[[[]]]],
  { toString: 1 },
  { __proto__: { a: 1 } },
  { constructor: null },
  '1e999',
  '2026-13-45',
  -0.1,
  'lock-nine',
];

/** A value with something in it made odd, taken out, put in or doubled. */
function mutated(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || chance(0.08)) return one(ODD);
  if (Array.isArray(value)) {
    if (value.length === 0) return [one(ODD)];
    const at = Math.floor(random() * value.length);
    const how = random();
    if (how < 0.2) return value.toSpliced(at, 1);
    if (how < 0.3) return [...value, ...value];
    return value.with(at, mutated(value[at]));
  }
  const names = Object.keys(value);
  if (names.length === 0 || chance(0.12))
    return { ...value, [one(['surprise', '__proto__', 'constructor', 'toString', ''])]: one(ODD) };
  const name = one(names);
  if (chance(0.15)) return Object.fromEntries(Object.entries(value).filter(([key]) => key !== name));
  return { ...value, [name]: mutated((value as Record<string, unknown>)[name]) };
}

const nested = (depth: number): string => '['.repeat(depth) + ']'.repeat(depth);
const IDS: Record<string, string[]> = {
  id: ['lock-nine', 'lock-nine-mended', 'nobody'],
  item: ['pad', 'ribbon-left', 'nobody'],
  revision: ['1', '2', '999999999', '-1', '1.5'],
  measurement: ['1', '2', '999', 'x'],
  hunt: ['1', '2', '999', 'x'],
  refused: ['1', '999'],
  test: ['1', '2', '999', 'x'],
  photo: ['nobody', '00000000-0000-4000-8000-000000000000'],
};
const ODD_SEGMENTS = [
  '%00',
  '%E0%A4%A',
  '%',
  '..%2f..',
  '%2e%2e',
  'x'.repeat(3000),
  '𝄞',
  '%F0%9D%84%9E',
  ' ',
  '1;drop',
  'null',
  '[object]',
];
const QUERIES = [
  'apply=99999999999999999999',
  'apply=0',
  'apply=1',
  'format=csv',
  'format=xml',
  'as=json',
  'as=csv',
  'kinds=step,ghost',
  'limit=0',
  'limit=1e9',
  'before=2026-01-01T00:00:00Z,5',
  'before=;;',
  'from=yesterday',
  'line=guide&seconds=0.2',
  'line=guide&seconds=1e9',
  'line=guide&faults=ghost',
  'version=abc',
  'removed=2',
  'device=desk&inlet=1&feed=P48',
  'x'.repeat(6000),
  '%',
  '%E0%A4%A',
  'a[b]=c&a[b]=d',
  'seen=1',
];

function addressOf(path: string): string {
  const filled = path.replaceAll(/\[(\w+)\]/g, (_, name: string) =>
    chance(0.15) ? one(ODD_SEGMENTS) : one(IDS[name] ?? ['1', 'nobody']),
  );
  return chance(0.3) ? `${filled}?${one(QUERIES)}` : filled;
}

interface Sent {
  method: string;
  path: string;
  headers: Record<string, string>;
  body?: string | Uint8Array;
}

function request(): Sent {
  const { method, path } = one(routes);
  const headers: Record<string, string> = {};
  if (chance(0.1)) headers[one(['if-match', 'if-none-match'])] = one(['"1"', '*', 'W/"1"', '"x"', '']);
  if (chance(0.05)) headers.origin = one(['http://elsewhere.example', 'null']);
  if (chance(0.05)) headers['content-encoding'] = one(['gzip', 'br']);
  const sent: Sent = { method, path: addressOf(path), headers };
  if (method === 'GET') return sent;
  const kind = random();
  headers['content-type'] = 'application/json';
  if (kind < 0.7) {
    let body = one(BODIES)();
    for (let n = Math.floor(random() * 3); n >= 0; n--) body = mutated(body);
    return { ...sent, body: JSON.stringify(body) ?? '' };
  }
  if (kind < 0.76) return { ...sent, body: nested(one([100, 20_000])) };
  if (kind < 0.82) return { ...sent, body: JSON.stringify(one(BODIES)()).slice(0, Math.floor(random() * 200)) };
  if (kind < 0.88) {
    headers['content-type'] = one([
      'text/csv',
      'text/plain',
      'audio/wav',
      'image/jpeg',
      'multipart/form-data',
      'nonsense',
    ]);
    return { ...sent, body: one(['role,kind,name\n=1,2,3', '\uFEFF"', 'a;b;c\n1;2', '\u0000\u0001']) };
  }
  if (kind < 0.94) {
    headers['content-type'] = one(['audio/wav', 'image/png']);
    const sound = wav(1);
    return {
      ...sent,
      body: new Uint8Array(one([sound, sound.subarray(0, 1000), sound.subarray(10), Buffer.alloc(0)])),
    };
  }
  return { ...sent, body: 'x'.repeat(one([1, 5 * 1024 * 1024])) };
}

const file = new Database(database, { readonly: true });
/** What a refused request may write: the clock of the sheets, and the save that was refused itself. */
const MAY_CHANGE = new Set(['clock', 'rig_refused']);
const tables = (file.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").pluck().all() as string[]).filter(
  (name) => !MAY_CHANGE.has(name) && !name.startsWith('sqlite_'),
);
let seen: unknown;
let content = '';
/** All that lies in the database, looked at anew only where somebody has written to it. */
function contentNow(): string {
  const version = file.pragma('data_version', { simple: true });
  if (version === seen && content) return content;
  seen = version;
  const hash = createHash('sha256');
  for (const name of tables)
    for (const row of file.prepare(`SELECT * FROM "${name}"`).raw().iterate()) hash.update(JSON.stringify(row));
  content = hash.digest('hex');
  return content;
}

const faults: string[] = [];
const counts = new Map<number, number>();
const fault = (what: string, { method, path, body }: Sent) =>
  faults.push(`${what}: ${method} ${path.slice(0, 200)} ${typeof body === 'string' ? body.slice(0, 300) : ''}`);

/** What an answer must not show: where in the code something went wrong. */
const INSIDES = /\n\s+at .+:\d+|node_modules|\/src\/|SQLITE_|better-sqlite3/;

/** Whether something that only reads takes as long again. */
async function isSlow({ path, headers }: Sent): Promise<boolean> {
  const began = performance.now();
  await (await fetch(`${base}${path}`, { headers, redirect: 'manual' })).text();
  return performance.now() - began > HANGS;
}

async function tried(sent: Sent): Promise<void> {
  const before = contentNow();
  const began = performance.now();
  const stop = new AbortController();
  // Streams go on until somebody leaves.
  const endless = /\/events|\/interface/.test(sent.path);
  const timer = setTimeout(() => stop.abort(), endless ? 300 : 4 * HANGS);
  try {
    const answer = await fetch(`${base}${sent.path}`, {
      method: sent.method,
      headers: sent.headers,
      body: sent.body as BodyInit | undefined,
      signal: stop.signal,
      redirect: 'manual',
    });
    const { status } = answer;
    counts.set(status, (counts.get(status) ?? 0) + 1);
    const text = endless && status === 200 ? '' : await answer.text();
    const took = performance.now() - began;
    if (status >= 500) fault(`answers ${status}`, sent);
    // What only reads is asked once more: a machine that was busy for a moment is no hang.
    if (took > HANGS && !endless && (sent.method !== 'GET' || (await isSlow(sent))))
      fault(`takes ${(took / 1000).toFixed(1)} s`, sent);
    if (INSIDES.test(text)) fault('shows insides', sent);
    if (status >= 400 && !text.includes('"error"')) fault(`says nothing with its ${status}`, sent);
    if (status >= 400 && contentNow() !== before) fault(`refused with ${status} and changed something`, sent);
    if (endless) await answer.body?.cancel().catch(() => {});
  } catch (problem) {
    if (!(endless && stop.signal.aborted)) fault(`no answer (${(problem as Error).message})`, sent);
  } finally {
    clearTimeout(timer);
  }
}

/** Raw bytes on the socket. @returns what came back, at most so long after */
const raw = (bytes: string | Buffer, wait = 500): Promise<string> =>
  new Promise((resolve) => {
    let text = '';
    const socket = connect(port, '127.0.0.1', () => socket.write(bytes));
    socket.on('data', (chunk) => (text += chunk.toString('latin1')));
    const end = () => {
      socket.destroy();
      resolve(text);
    };
    socket.on('close', end).on('error', end);
    setTimeout(end, wait);
  });

const host = `Host: 127.0.0.1:${port}\r\n`;
const RAW: string[] = [
  'GET / HTTP/1.1\r\n\r\n',
  `FOO /api/rigs HTTP/1.1\r\n${host}\r\n`,
  `TRACE /api/rigs HTTP/1.1\r\n${host}\r\n`,
  `PROPFIND /api/rigs HTTP/1.1\r\n${host}\r\n`,
  `PATCH /api/rigs/lock-nine HTTP/1.1\r\n${host}Content-Length: 0\r\n\r\n`,
  `OPTIONS * HTTP/1.1\r\n${host}\r\n`,
  `HEAD /api/rigs HTTP/1.1\r\n${host}\r\n`,
  `GET /api/rigs/%E0%A4%A HTTP/1.1\r\n${host}\r\n`,
  `GET /api/rigs/%ff HTTP/1.1\r\n${host}\r\n`,
  `GET //api//rigs HTTP/1.1\r\n${host}\r\n`,
  `GET http://elsewhere.example/api/rigs HTTP/1.1\r\nHost: elsewhere.example\r\n\r\n`,
  `GET /api/rigs HTTP/1.1\r\nHost: elsewhere.example\r\n\r\n`,
  `PUT /api/rigs/lock-nine HTTP/1.1\r\n${host}Content-Type: application/json\r\nContent-Length: -5\r\n\r\n{}`,
  `PUT /api/rigs/lock-nine HTTP/1.1\r\n${host}Content-Type: application/json\r\nContent-Length: 99999999999\r\n\r\n{`,
  `PUT /api/rigs/lock-nine HTTP/1.1\r\n${host}Content-Type: application/json\r\nTransfer-Encoding: chunked\r\n\r\nzz\r\n`,
  `GET /api/health HTTP/1.1\r\n${host}X: ${'y'.repeat(20_000)}\r\n\r\n`,
  '\u0000\u0001\u0002\u0003\r\n\r\n',
  `POST /api/rigs HTTP/1.1\r\n${host}Content-Type: application/json\r\nContent-Length: 1000\r\n\r\n{"name":`,
];

for (let n = 0; n < requests; n++) await tried(request());
for (const bytes of RAW) {
  const before = contentNow();
  const answer = await raw(bytes);
  const status = Number(/^HTTP\/1\.1 (\d{3})/.exec(answer)?.[1] ?? 0);
  counts.set(status, (counts.get(status) ?? 0) + 1);
  const sent = { method: 'raw', path: JSON.stringify(bytes.slice(0, 80)), headers: {} };
  if (status >= 500) fault(`answers ${status}`, sent);
  if (INSIDES.test(answer)) fault('shows insides', sent);
  if (contentNow() !== before) fault('changed something', sent);
}
// Many bodies that never come to their end: others are answered meanwhile.
const slow = Array.from({ length: 30 }, () => raw(RAW.at(-1)!, 3000));
const health = { method: 'GET', path: '/api/health', headers: {} };
for (let n = 0; n < 5; n++) await tried(health);
await Promise.all(slow);
await tried(health);
const alive = await fetch(`${base}/api/health`).then(
  ({ ok }) => ok,
  () => false,
);
if (!alive) faults.push('the server is gone');
kill(server);
file.close();
rmSync(folder, { recursive: true, force: true });

console.log(
  `${requests + RAW.length + 36} requests at ${routes.length} routes: ${[...counts]
    .toSorted(([a], [b]) => a - b)
    .map(([status, count]) => `${count} × ${status || 'closed'}`)
    .join(', ')}; ${faults.length} faults`,
);
for (const what of faults.slice(0, 40)) console.log(what);
process.exit(faults.length ? 1 : 0);
