import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import type { RigDocument } from '@/core/rig';
import { chromiumLaunch } from '../tests/chromium';

const PORT = 3229;
const TIMES = 5;
/** How long a page is watched after it was loaded, in milliseconds. */
const WATCHED = 2500;

/** The built application with the demo in a database of its own, and a browser. */
export interface Running {
  at: string;
  browser: Browser;
}

/** @returns undefined where there is no build or no browser */
export async function running<T>(run: (app: Running) => Promise<T>): Promise<T | undefined> {
  if (!existsSync('.next/BUILD_ID') || !existsSync(chromiumLaunch.executablePath)) return undefined;
  const database = join(mkdtempSync(join(tmpdir(), 'inlet-check-')), 'bench.sqlite');
  const env = { ...process.env, INLET_CHECK_DATABASE: database };
  const demo = spawn('node_modules/.bin/tsx', ['src/store/demoData.ts'], { env, stdio: 'ignore' });
  await new Promise((done) => demo.on('exit', done));
  const server = spawn('node_modules/.bin/next', ['start', '--hostname', '127.0.0.1', '--port', String(PORT)], {
    env,
    stdio: 'ignore',
  });
  const browser = await chromium.launch(chromiumLaunch);
  try {
    const at = `http://127.0.0.1:${PORT}`;
    for (let n = 0; n < 100 && !(await fetch(`${at}/api/health`).catch(() => undefined))?.ok; n++)
      await new Promise((wait) => setTimeout(wait, 200));
    return await run({ at, browser });
  } finally {
    await browser.close();
    server.kill();
  }
}

export async function addRig(at: string, document: RigDocument): Promise<string> {
  const made = await fetch(`${at}/api/rigs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(document),
  });
  return ((await made.json()) as { id: string }).id;
}

/** What opening a page costs, each the middle of several times in a fresh browser. Milliseconds, kilobytes gzipped. */
export interface Opening {
  first: number;
  blocking: number;
  scripts: number;
  nodes: number;
  /** Megabytes in use by the page's script. */
  heap: number;
}

/** Notes when something fits, and how long tasks beyond 50 ms held everything up; a text, so that no tool rewrites it. */
const watching = (ready: string) => `
  window.blocked = 0;
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) window.blocked += Math.max(0, entry.duration - 50);
  }).observe({ type: 'longtask', buffered: true });
  (function look() {
    if (${ready}) window.ready = performance.now();
    else requestAnimationFrame(look);
  })();`;

/** A verdict can be read. */
export const VERDICTS = `/Stop|Silent|Watch|Clear/.test([...document.querySelectorAll('[data-line]')].map((row) => row.textContent).join(' '))`;
/** A place says more than what it is called. */
export const CONTENT = `(document.querySelector('main')?.textContent?.length ?? 0) > 200`;

export async function opened({ at, browser }: Running, path: string, ready: string, times = TIMES): Promise<Opening> {
  const all: Opening[] = [];
  for (let n = 0; n < times; n++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    const session = await context.newCDPSession(page);
    await session.send('Network.enable');
    const scripts = new Set<string>();
    let bytes = 0;
    session.on('Network.responseReceived', ({ requestId, type }) => type === 'Script' && scripts.add(requestId));
    session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
      if (scripts.has(requestId)) bytes += encodedDataLength;
    });
    await page.addInitScript(watching(ready));
    await page.goto(at + path, { waitUntil: 'load' });
    for (let n = 0; n < 600 && !(await page.evaluate('window.ready')); n++) await page.waitForTimeout(50);
    await page.waitForTimeout(WATCHED);
    const seen = await page.evaluate<Omit<Opening, 'scripts'>>(
      '({ first: window.ready, blocking: window.blocked, nodes: document.querySelectorAll("*").length, heap: performance.memory.usedJSHeapSize / 1e6 })',
    );
    all.push({ ...seen, scripts: bytes / 1024 });
    await context.close();
  }
  const middle = (of: keyof Opening) => all.map((each) => each[of]).toSorted((a, b) => a - b)[times >> 1];
  return {
    first: middle('first'),
    blocking: middle('blocking'),
    scripts: middle('scripts'),
    nodes: middle('nodes'),
    heap: middle('heap'),
  };
}
