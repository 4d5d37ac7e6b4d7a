import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { kill, serve } from '../tests/server';
import { timesOver } from './rigs';

/**
 * How long a health probe waits while the server does something heavy: the aim is a 95th percentile under 50 ms, and
 * under 200 ms with 200 followers of a sheet. `npm run bench:blocking`, after a build.
 */
const port = Number(process.env.INLET_CHECK_TEST_PORT ?? 3217);
const base = `http://127.0.0.1:${port}`;
const folder = mkdtempSync(join(tmpdir(), 'inlet-check-bench-'));
const server = await serve(port, join(folder, 'bench.sqlite'));
const post = async (path: string, body: object) => {
  const answer = await fetch(`${base}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  const text = await answer.text();
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${text.slice(0, 300)}`);
  return JSON.parse(text) as { id: string };
};

/** Asks for health again and again until it is told to stop; in a thread of its own, so that what is busy here is not counted. */
const PROBE = `
  const { parentPort, workerData } = require('node:worker_threads');
  const waits = [];
  let busy = true;
  parentPort.once('message', () => (busy = false));
  (async () => {
    while (busy) {
      const asked = performance.now();
      await fetch(workerData + '/api/health').then((answer) => answer.text());
      waits.push(performance.now() - asked);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    parentPort.postMessage(waits);
  })();
`;

async function probed(what: string, act: () => Promise<unknown>, aim: number): Promise<void> {
  const began = performance.now();
  const probe = new Worker(PROBE, { eval: true, workerData: base });
  const answered = once(probe, 'message');
  await act();
  probe.postMessage('stop');
  const [answer] = await answered;
  const waits = (answer as number[]).sort((a, b) => a - b);
  const p95 = waits[Math.min(waits.length - 1, Math.floor(waits.length * 0.95))];
  console.log(
    `${what.padEnd(44)} ${((performance.now() - began) / 1000).toFixed(1).padStart(5)} s, ${String(waits.length).padStart(4)} probes, p95 ${p95.toFixed(0).padStart(4)} ms, most ${waits.at(-1)!.toFixed(0)} ms (aim ${aim})`,
  );
}

const large = timesOver(JSON.parse(readFileSync('demo/lock-nine.json', 'utf8')), 10);
const { id } = await post('/api/rigs', large);
await fetch(`${base}/api/health`);
await probed('full check of 240 lines', () => post('/api/check', large), 50);
await probed(
  'first run sheet of 240 lines',
  () => fetch(`${base}/api/rigs/${id}/switching`).then((answer) => answer.text()),
  50,
);
const readers = (path: string, times: number) => () =>
  Promise.all(
    Array.from({ length: 8 }, async () => {
      for (let n = 0; n < times; n++) await fetch(`${base}${path}`).then((answer) => answer.text());
    }),
  );
await probed('8 readers of 240 lines, 40 times each', readers(`/api/rigs/${id}`, 40), 50);
await probed('8 readers of their page, 5 times each', readers(`/rig?rig=${id}`, 5), 50);
await probed(
  'simulated interface, 60 s of sound',
  () => fetch(`${base}/api/rigs/${id}/interface?line=guide-0&seconds=60`).then((answer) => answer.arrayBuffer()),
  50,
);
const leave = new AbortController();
await Promise.all(Array.from({ length: 200 }, () => fetch(`${base}/api/events`, { signal: leave.signal })));
await probed(
  '200 followers, 20 reports',
  async () => {
    for (let n = 0; n < 20; n++) {
      const { version } = (await (await fetch(`${base}/api/rigs/${id}/switching`)).json()) as { version: number };
      await post(`/api/rigs/${id}/switching`, {
        version,
        who: '',
        report: n
          ? { report: 'found', what: { feed: 'desk-0 bank-a', is: n % 2 ? 'P48' : 'off' } }
          : { report: 'start', from: 'packed' },
      });
    }
  },
  200,
);
leave.abort();
kill(server);
rmSync(folder, { recursive: true, force: true });
process.exit(0);
