import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  test as base,
  type Browser,
  type BrowserContext,
  type BrowserContextOptions,
  type Page,
} from '@playwright/test';
import { kill, loadDemoData, serve } from '../server';

export { kill, serve } from '../server';
export { expect, type Locator, type Page, type Request } from '@playwright/test';

/** Where the servers of the browser tests listen; each worker has the ten numbers from its own on. */
const FIRST_PORT = Number(process.env.INLET_CHECK_TEST_PORT ?? 3217);
export const portOf = (worker: number): number => FIRST_PORT + 10 * worker;

/** A test of the built application; those of one file share a server, and a database with the demo data. */
export const test = base.extend<object, { server: string }>({
  server: [
    async ({}, give, { parallelIndex }) => {
      const port = portOf(parallelIndex);
      const folder = mkdtempSync(join(tmpdir(), 'inlet-check-e2e-'));
      const database = join(folder, 'test.sqlite');
      loadDemoData(database);
      const server = await serve(port, database);
      await give(`http://127.0.0.1:${port}`);
      kill(server);
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: ({ server }, give) => give(server),
  // Nothing moves for its looks: two shared cores draw every frame of it.
  context: async ({ context }, give) => {
    await still(context);
    await give(context);
  },
});

/** Nothing moves for its looks in what is opened from now on. */
const still = (context: BrowserContext) =>
  context.addInitScript(() => {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync('*, *::before, *::after { transition: none !important; animation: none !important; }');
    document.adoptedStyleSheets = [sheet];
  });

/** A page of its own, as large and in the theme that is wanted. */
export async function pageWith(browser: Browser, options: BrowserContextOptions): Promise<Page> {
  const context = await browser.newContext(options);
  await still(context);
  return context.newPage();
}

/** Whatever was pressed has been drawn. */
export const drawn = (page: Page) =>
  page.evaluate(async () => {
    await document.fonts.ready;
    await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
  });
