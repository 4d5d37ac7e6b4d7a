import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { chromiumLaunch } from '../tests/chromium';
import { bigRig } from './rigs';

const PORT = 3219;
const PRESSES = 24;

/**
 * From the press of a switch to the repainted sheet, in milliseconds, on the production build in headless Chromium: every
 * press, in order. Undefined where there is no build or no browser.
 */
export async function switchPresses(lines: number): Promise<number[] | undefined> {
  if (!existsSync('.next/BUILD_ID') || !existsSync(chromiumLaunch.executablePath)) return undefined;
  const server = spawn('node_modules/.bin/next', ['start', '--hostname', '127.0.0.1', '--port', String(PORT)], {
    env: { ...process.env, INLET_CHECK_DATABASE: join(mkdtempSync(join(tmpdir(), 'inlet-check-')), 'bench.sqlite') },
    stdio: 'ignore',
  });
  const browser = await chromium.launch(chromiumLaunch);
  try {
    const at = `http://127.0.0.1:${PORT}`;
    for (let n = 0; n < 100 && !(await fetch(`${at}/api/health`).catch(() => undefined))?.ok; n++)
      await new Promise((wait) => setTimeout(wait, 200));
    const made = await fetch(`${at}/api/rigs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(bigRig(lines)),
    });
    const { id } = (await made.json()) as { id: string };
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${at}/rig?rig=${id}`);
    await page.getByText('Every line accepts 48 V').last().waitFor();
    const presses: number[] = [];
    for (let n = 0; n < PRESSES; n++) {
      presses.push(await page.evaluate(pressed));
      await page.waitForTimeout(700);
    }
    return presses;
  } finally {
    await browser.close();
    server.kill();
  }
}

/** Runs in the page: turns the first switch and waits until a verdict of its lines is another one, and painted. */
function pressed(): Promise<number> {
  return new Promise((done) => {
    const verdicts = () =>
      [...document.querySelectorAll('[data-line]')]
        .map((row) => /Stop|Silent|Watch|Clear/.exec(row.textContent ?? '')?.[0])
        .join();
    const before = verdicts();
    const start = performance.now();
    const observer = new MutationObserver(() => {
      if (verdicts() === before) return;
      observer.disconnect();
      requestAnimationFrame(() => setTimeout(() => done(performance.now() - start)));
    });
    observer.observe(document.body, { subtree: true, childList: true, characterData: true });
    document.querySelector<HTMLElement>('[aria-label^="Feed of"] [aria-pressed="false"]')!.click();
  });
}
