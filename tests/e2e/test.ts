import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  expect as asked,
  test as base,
  type Browser,
  type BrowserContext,
  type BrowserContextOptions,
  type Locator,
  type Page,
  type ViewportSize,
} from '@playwright/test';
import { kill, loadDemoData, serve } from '../server';

export { kill, serve } from '../server';
export { type Locator, type Page, type Request } from '@playwright/test';

/** As ever; but waiting for something does not describe the whole page in words at each look that it is not there yet. */
export const expect = asked.extend({
  async toBeVisible(what: Locator, how?: { timeout?: number }) {
    const timeout = how?.timeout ?? this.timeout;
    const state = this.isNot ? 'hidden' : 'visible';
    const failed = await what.waitFor({ state, timeout }).then(
      () => undefined,
      (error: Error) => error.message,
    );
    const pass = (failed === undefined) !== this.isNot;
    return { pass, message: () => `${what} is${this.isNot ? '' : ' not'} visible: ${failed}` };
  },
});

/** Where the servers of the browser tests listen; each worker has the ten numbers from its own on. */
const FIRST_PORT = Number(process.env.INLET_CHECK_TEST_PORT ?? 3217);
export const portOf = (worker: number): number => FIRST_PORT + 10 * worker;

/** A test about opening a page, or one that changes what a page is: it has a tab of its own, and loads each address. */
export const FRESH = { tag: '@fresh' };

/** The tab that the tests of one file use one after the other, as somebody at work does, who does not load the page anew. */
interface Tab {
  context: BrowserContext;
  page: Page;
  file: string;
}

/** A draft of a rig that one test has made for itself. */
const OF_ONE_RIG = /^inlet-check-draft-.* [0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}( |$)/;

/**
 * Leaves a tab as the next test wants it, with nothing in the browser's storage. What an open page has of it in mind is for
 * no other test if it is of one rig; of what else there was, the page learns by being loaded anew.
 * @returns whether it can be used: not if it was told something before it was loaded
 */
const asNew = async ({ context, page }: Tab, viewport: ViewportSize): Promise<boolean> => {
  if (page.isClosed() || told.has(page)) return false;
  for (const other of context.pages()) if (other !== page) await other.close();
  page.removeAllListeners();
  await context.unrouteAll({ behavior: 'ignoreErrors' });
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await page.emulateMedia({ colorScheme: null });
  await page.setViewportSize(viewport);
  if (page.url() === 'about:blank') return true;
  const kept = await page.evaluate(emptied).catch(() => undefined);
  if (kept && !kept.every((key) => OF_ONE_RIG.test(key))) toBeLoaded.add(page);
  return kept !== undefined;
};

/** In the page: forgets what the browser's storage has. @returns what it was kept as */
const emptied = (): string[] =>
  [localStorage, sessionStorage].flatMap((storage) => {
    const keys = Object.keys(storage);
    storage.clear();
    return keys;
  });

/** A test of the built application; those of one file share a server, a database with the demo data, and as a rule a tab. */
export const test = base.extend<{ tab: Tab }, { server: string; kept: { tab?: Tab } }>({
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
  kept: [
    // The browser closes what is open in it.
    async ({}, give) => give({}),
    { scope: 'worker' },
  ],
  tab: async ({ browser, kept, baseURL, viewport }, give, info) => {
    const fresh = info.tags.includes(FRESH.tag);
    const usable = !fresh && info.retry === 0 && kept.tab?.file === info.file;
    if (!usable) {
      await kept.tab?.context.close();
      const context = await browser.newContext({ baseURL, viewport });
      // Nothing moves for its looks: two shared cores draw every frame of it.
      await still(context);
      kept.tab = { context, page: live(await context.newPage(), !fresh), file: info.file };
    }
    const tab = kept.tab!;
    await give(tab);
    if (!fresh && info.status === info.expectedStatus && (await asNew(tab, viewport!))) return;
    kept.tab = undefined;
    await tab.context.close();
  },
  context: ({ tab }, give) => give(tab.context),
  page: ({ tab }, give) => give(tab.page),
});

/** Nothing moves for its looks in what is opened from now on. */
const still = (context: BrowserContext) =>
  context.addInitScript(() => {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync('*, *::before, *::after { transition: none !important; animation: none !important; }');
    document.adoptedStyleSheets = [sheet];
  });

/** Pages that were told something before they were loaded. */
const told = new WeakSet<Page>();

/** Pages that have something in mind that the next test must not find. */
const toBeLoaded = new WeakSet<Page>();

/**
 * Whatever is opened is waited for until its keys and buttons do something: a machine under load draws it long before.
 * @param within whether a page that is open goes to another place as by a link, without being loaded anew
 */
function live(page: Page, within = false): Page {
  const [goto, reload, goBack, addInitScript] = [page.goto, page.reload, page.goBack, page.addInitScript].map((each) =>
    each.bind(page),
  ) as [Page['goto'], Page['reload'], Page['goBack'], Page['addInitScript']];
  // A tab that nobody looks at draws no frames.
  const waiting = { polling: 50 };
  const alive = () =>
    page.waitForFunction(() => !document.querySelector('[data-place="drawn"], [inert]'), undefined, waiting);
  const once = async <T>(response: Promise<T>): Promise<T> => {
    const answer = await response;
    await alive();
    return answer;
  };
  page.goto = async (to, how) => {
    if (
      !within ||
      told.has(page) ||
      how ||
      toBeLoaded.delete(page) ||
      !(await page.evaluate(follow, to).catch(() => false))
    )
      return once(goto(to, how));
    // Between two places there is no title for a moment.
    await page.waitForFunction(
      (to) => document.title !== '' && (!document.querySelector('[data-left]') || location.href.endsWith(to)),
      to,
      waiting,
    );
    await alive();
    return null;
  };
  page.reload = (...how) => once(reload(...how));
  page.goBack = (...how) => once(goBack(...how));
  page.addInitScript = (...script) => {
    told.add(page);
    return addInitScript(...script);
  };
  return page;
}

/** In the page: goes where a link would lead. @returns whether it can: the page is one of the application's, and elsewhere */
function follow(to: string): boolean {
  const { next } = window as unknown as { next?: { router?: { push(to: string): void } } };
  const here = document.querySelector('[data-place]');
  const there = new URL(to, location.href);
  if (!next?.router || !here || there.origin !== location.origin) return false;
  // The same place of the same rig is loaded anew: what had changed elsewhere would not be read.
  const rigOf = ({ search }: URL | Location) => new URLSearchParams(search).get('rig');
  if (there.pathname === location.pathname && rigOf(there) === rigOf(location)) return false;
  here.setAttribute('data-left', '');
  next.router.push(there.pathname + there.search + there.hash);
  return true;
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
