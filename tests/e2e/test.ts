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
  page: async ({ page }, give) => give(live(page)),
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

/** Whatever is opened is waited for until its keys and buttons do something: a machine under load draws it long before. */
function live(page: Page): Page {
  const [goto, reload] = [page.goto.bind(page), page.reload.bind(page)];
  const once = async <T>(response: Promise<T>): Promise<T> => {
    const answer = await response;
    await page.waitForFunction(() => !document.querySelector('[data-place="drawn"]'));
    return answer;
  };
  page.goto = (...where) => once(goto(...where));
  page.reload = (...how) => once(reload(...how));
  return page;
}

/** A page of its own, as large and in the theme that is wanted. */
export async function pageWith(browser: Browser, options: BrowserContextOptions): Promise<Page> {
  const context = await browser.newContext(options);
  await still(context);
  return live(await context.newPage());
}

/** Whatever was pressed has been drawn. */
export const drawn = (page: Page) =>
  page.evaluate(async () => {
    await document.fonts.ready;
    await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
  });
