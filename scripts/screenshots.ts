import { chromium, type Page } from '@playwright/test';
import { chromiumLaunch } from '../tests/chromium';

/** Takes the pictures of docs/screenshots from a running `scripts/demo` with untouched demo data: URL as argument, then names where not all are wanted. */
const base = process.argv[2] ?? 'http://127.0.0.1:3000';

interface Picture {
  name: string;
  path: string;
  width?: number;
  height?: number;
  scheme?: 'light' | 'dark';
  /** What is pressed before the picture is taken. */
  then?: (page: Page) => Promise<unknown>;
}

const tab = (name: string) => (page: Page) => page.getByRole('tab', { name }).click();

const pictures: Picture[] = [
  { name: 'rig', path: '/rig' },
  { name: 'rig-ribbon', path: '/rig?line=ribbon-left' },
  { name: 'rig-moments-dark', path: '/rig?line=long-ribbon', scheme: 'dark', then: tab('Transients') },
  {
    name: 'rig-switch',
    path: '/rig',
    then: (page) => page.getByRole('button', { name: 'Hold desk, bank A', exact: true }).click(),
  },
  {
    name: 'casebook',
    path: '/casebook',
    then: async (page) => {
      await page.getByLabel('Search the casebook').fill('ribbon');
      await page.getByRole('button', { name: /Ribbon without a tap, tested cable, 48 V/ }).click();
    },
  },
  { name: 'rig-phone', path: '/rig', width: 390, height: 844 },
  {
    name: 'kit',
    path: '/kit',
    then: (page) => page.getByRole('gridcell', { name: 'ribbon, left', exact: true }).click(),
  },
];

/** The first looks answered, and the lamps asked for. */
const asked = async (page: Page) => {
  await page.getByRole('button', { name: 'They are pulled' }).click();
  await page.getByRole('button', { name: /^Open, gain up/ }).click();
  await page.getByRole('button', { name: 'Look at something else' }).click();
  await page.getByRole('menuitem', { name: /^Which lamps light at the source end/ }).click();
  await page.getByRole('button', { name: /^Only lamp 2/ }).waitFor();
};

const planned = async (page: Page) => {
  await page.getByRole('button', { name: 'Plan the patch' }).click();
  await page.getByRole('button', { name: /^Accept all/ }).waitFor({ timeout: 90_000 });
};

pictures.push(
  { name: 'plan', path: '/plan', then: planned },
  { name: 'plan-batteries', path: '/plan', then: tab('Batteries') },
);

/** Reports something about the run sheet of a rig. */
async function tell(rig: string, report: object) {
  const path = `${base}/api/rigs/${rig}/switching`;
  const { version } = await (await fetch(path)).json();
  const response = await fetch(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ version, who: 'Ida', report }),
  });
  if (!response.ok) throw new Error(await response.text());
  return (await response.json()) as { session: { steps: { action: { do: string; to?: string } }[]; until?: number } };
}

/** Does step after step until a wanted one is next; waits are waited for. */
async function follow(rig: string, until: (action: { do: string; to?: string; group?: string }) => boolean) {
  for (;;) {
    const { session, now } = await (await fetch(`${base}/api/rigs/${rig}/switching`)).json();
    const [step] = session.steps;
    if (!step || until(step.action)) return;
    const { do: what, to, group } = step.action;
    // What came up off with the power needs no wait.
    const cameUp = what === 'feed' && to === 'off' && session.state.feeds[group].darkSince !== undefined;
    if (session.until) await new Promise((resolve) => setTimeout(resolve, (session.until - now) * 1000 + 100));
    await tell(rig, cameUp ? { report: 'found', what: { feed: group, is: 'off' } } : { report: 'done' });
  }
}

const MENDED = 'lock-nine-mended';
const begin = async (page: Page) => {
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByRole('region', { name: 'The next step' }).waitFor();
};

pictures.push(
  {
    name: 'switch',
    path: `/switch?rig=${MENDED}`,
    then: async (page) => {
      // The rehearsal has ended with everything packed and off.
      await page.getByRole('button', { name: 'New run sheet' }).click();
      await begin(page);
      await follow(MENDED, ({ group, to }) => group === 'desk bank-a' && to === 'P48');
      await tab('What happens now')(page);
      await page.getByRole('img', { name: /^Step at the inlet/ }).waitFor();
    },
  },
  {
    name: 'switch-phone',
    path: `/switch?rig=${MENDED}`,
    width: 390,
    height: 844,
    scheme: 'dark',
    then: async (page) => {
      await follow(MENDED, () => false);
      await page.getByRole('button', { name: 'New run sheet' }).click();
      await page.getByRole('button', { name: 'Strike', exact: true }).click();
      await begin(page);
      await follow(MENDED, ({ do: what }) => what === 'wait');
      await page.waitForTimeout(5000);
    },
  },
  {
    name: 'log',
    path: `/log?rig=${MENDED}`,
    then: async (page) => {
      await tell(MENDED, { report: 'found', what: { line: 'active-ribbon', end: 'desk', is: false } });
      await tell(MENDED, { report: 'found', what: { feed: 'desk bank-a', is: 'P48' } });
      await tell(MENDED, { report: 'found', what: { line: 'double-bass', end: 'desk', is: false } });
      await page.reload();
    },
  },
  { name: 'test', path: '/test?line=announcer&heard=nothing', then: asked },
  { name: 'test-register-dark', path: '/test?cable=cable-20-m', scheme: 'dark' },
  { name: 'test-phone', path: '/test?line=announcer&heard=nothing', width: 390, height: 844, then: asked },
);

const line = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Lines' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();
const listen = (page: Page) => page.getByRole('button', { name: 'Simulated interface', exact: true }).click();

pictures.push(
  { name: 'noise', path: `/noise?rig=${MENDED}`, then: (page) => line(page, "Guide's stand") },
  {
    name: 'noise-measure-dark',
    path: `/noise?rig=${MENDED}`,
    scheme: 'dark',
    height: 1000,
    then: async (page) => {
      await line(page, "Guide's stand");
      await tab('Measure')(page);
      await listen(page);
      await page.getByRole('button', { name: 'Keep the figures' }).click();
      await page.getByRole('combobox', { name: 'Add faults' }).click();
      for (const name of ['a ground loop', 'a charger on the audio strip'])
        await page.getByRole('option', { name }).click();
      await page.keyboard.press('Escape');
      await listen(page);
      await page.getByText('is buzz').waitFor();
      await page.getByRole('button', { name: 'Keep the figures' }).click();
      await page.getByText('Kept, with the line').waitFor({ state: 'hidden', timeout: 20_000 });
      await page.evaluate(() => {
        for (const each of document.querySelectorAll('[role=tabpanel] *')) each.scrollTop = 0;
      });
    },
  },
  {
    name: 'noise-hunt',
    path: '/noise?rig=lock-nine',
    height: 1000,
    then: async (page) => {
      await tab('Hunt')(page);
      await page.getByText(/measurements. Result below/).waitFor();
    },
  },
  {
    name: 'noise-mains',
    path: '/noise?rig=lock-nine',
    then: async (page) => {
      await tab('Mains')(page);
      await page.getByRole('img', { name: /units on/ }).waitFor();
    },
  },
);

async function take() {
  const browser = await chromium.launch(chromiumLaunch);
  const only = process.argv.slice(3);
  for (const { name, path, width = 1280, height = 800, scheme = 'light', then } of pictures.filter(
    ({ name: each }) => only.length === 0 || only.includes(each),
  )) {
    const page = await browser.newPage({ viewport: { width, height }, colorScheme: scheme });
    await page.goto(`${base}${path}`);
    // Every line is solved, and so is every switch.
    if (path.startsWith('/rig'))
      await page
        .getByText(/is wrong for|^OK for every line/)
        .first()
        .waitFor();
    await then?.(page);
    // What helps on a line has been tried.
    await page.getByText('Trying what helps').waitFor({ state: 'detached' });
    await page.mouse.move(2, height - 2);
    await page.waitForTimeout(1200);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
    await page.close();
  }
  await browser.close();
}

void take();
