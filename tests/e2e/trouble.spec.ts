import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import {
  choose,
  feed,
  fewOf,
  openEmpty,
  openLine,
  openNoise,
  openRig,
  reading,
  row,
  saved,
  select,
  tab,
  why,
} from './rig';
import { expect, FRESH, kill, portOf, serve, test, type Page, type Request } from './test';

/** Whatever solves in this page can be made to die. */
const WORKERS = () => {
  const Real = window.Worker;
  const made: Worker[] = [];
  Object.assign(window, { made, broken: false });
  window.Worker = class extends Real {
    constructor(...given: ConstructorParameters<typeof Worker>) {
      super(...given);
      made.push(this);
      if ((window as unknown as { broken: boolean }).broken)
        queueMicrotask(() => this.dispatchEvent(new Event('error')));
    }
  };
};

test('a database of another program: every page and every answer says so, and health too', async ({ page }, {
  parallelIndex,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'inlet-check-e2e-'));
  const path = join(folder, 'recipes.sqlite');
  const other = new Database(path);
  other.exec('CREATE TABLE recipes (name TEXT)');
  other.close();
  const port = portOf(parallelIndex) + 2;
  const base = `http://127.0.0.1:${port}`;
  const server = await serve(port, path);
  try {
    for (const place of ['rig', 'kit', 'plan', 'switch', 'noise', 'log', 'casebook']) {
      await page.goto(`${base}/${place}`);
      await expect(page.getByRole('heading', { name: 'This file is the database of another program.' })).toBeVisible();
      await expect(page.getByRole('main')).toContainText('Nothing was written to it.');
      await expect(page.getByRole('main')).toContainText(path);
      await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
    }
    const health = await page.request.get(`${base}/api/health`);
    expect(health.status()).toBe(503);
    expect((await health.json()).error).toMatchObject({ code: 'database-foreign' });
    expect((await page.request.get(`${base}/api/rigs`)).status()).toBe(503);

    // Put right while the server runs, it goes on by itself.
    rmSync(path);
    await page.goto(`${base}/rig`);
    await page.getByRole('button', { name: 'Rig: My rig' }).waitFor();
    expect((await page.request.get(`${base}/api/health`)).status()).toBe(200);
  } finally {
    kill(server);
    rmSync(folder, { recursive: true, force: true });
  }
});

test('an address that is none says so, and the places are still there', FRESH, async ({ page }) => {
  const answer = await page.goto('/nowhere');
  expect(answer!.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Kit' }).click();
  await expect(page.getByRole('status')).toContainText('kit saved');
});

test('a rig that never was: its address says so on every place, and opens no other rig', async ({ page }) => {
  for (const place of ['rig', 'plan', 'switch', 'noise', 'log']) {
    await page.goto(`/${place}?rig=nobody`);
    await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  }
});

test('a rig that was removed: its old address says so, and brings it back', async ({ page }) => {
  const rig = await fewOf(page, 'Address trial');
  await page.request.delete(`/api/rigs/${rig}`);
  await page.goto(`/rig?rig=${rig}`);
  await expect(page.getByText('The rig was removed.')).toBeVisible();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('button', { name: 'Rig: Address trial' })).toBeVisible();
});

test('a browser that remembers nothing any more: the name is typed all the same, and goes into the log', async ({
  page,
}) => {
  await page.addInitScript(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  const rig = await fewOf(page, 'Storage trial');
  await page.goto(`/log?rig=${rig}`);
  const name = page.getByLabel('Your name');
  // What is typed before the page has woken up is typed again.
  await expect(async () => {
    await name.fill('');
    await name.pressSequentially('Ida');
    await expect(name).toHaveValue('Ida', { timeout: 2000 });
  }).toPass();
  await page.getByRole('textbox', { name: 'Note' }).fill('The lamp by the lock hums');
  await page.getByRole('button', { name: 'Add note' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'The lamp by the lock hums' })).toContainText('Ida');
});

test('a check worker that dies is replaced; one that dies again and again is told, and nothing old passes for new', async ({
  page,
}) => {
  await page.addInitScript(WORKERS);
  const rig = await fewOf(page, 'Worker trial');
  await openRig(page, rig);
  const made = () => page.evaluate(() => (window as unknown as { made: Worker[] }).made.length);
  // Whoever reaches for the page has one a moment later.
  await page.mouse.move(300, 300);
  await expect.poll(made).toBe(1);
  const before = await made();
  // It dies without a word, as where memory runs out.
  await page.evaluate(() => (window as unknown as { made: Worker[] }).made.forEach((worker) => worker.terminate()));
  await feed(page, 'Hold desk, bank A', 'off').click();
  await expect(row(page, 'Trio, ribbon left')).not.toContainText('Stop', { timeout: 60_000 });
  expect(await made()).toBeGreaterThan(before);

  await page.evaluate(() => {
    const here = window as unknown as { made: Worker[]; broken: boolean };
    here.broken = true;
    here.made.at(-1)!.dispatchEvent(new Event('error'));
  });
  await feed(page, 'Hold desk, bank A', '48 V').click();
  const notice = page.getByRole('alert').filter({ hasText: 'out of date' });
  await expect(notice).toContainText('Do not rely on them.');
  await page.evaluate(() => Object.assign(window, { broken: false }));
  await notice.getByRole('button', { name: 'Check again' }).click();
  await expect(row(page, 'Trio, ribbon left')).toContainText('Stop');
  await expect(notice).toHaveCount(0);
});

test('lines that nobody has judged are not called Clear', async ({ page }) => {
  await page.addInitScript(WORKERS);
  await openEmpty(page);
  await page.evaluate(() => {
    const here = window as unknown as { made: Worker[]; broken: boolean };
    here.broken = true;
    here.made.forEach((worker) => worker.dispatchEvent(new Event('error')));
  });
  await page.getByRole('button', { name: /^Band/ }).click();
  const panel = page.getByRole('complementary', { name: 'Why' });
  await expect(panel).toContainText(/Lines without a verdict\s*\d+ lines have no verdict yet\./);
  await expect(panel).not.toContainText(/No problems|Clear/);
  await expect(page.getByRole('group', { name: 'Show lines by verdict' })).toContainText('… Stop');
  await page.evaluate(() => Object.assign(window, { broken: false }));
  await page.getByRole('button', { name: 'Check again' }).click();
  await expect(panel).toContainText('lines are Clear with the switches as drawn.');
});

test('seven tabs on one run sheet share one stream, and the next takes over when its tab is closed', async ({
  context,
  page: first,
}) => {
  const rig = await fewOf(first, 'Shared stream', 'lock-nine-mended');
  let streams = 0;
  context.on('request', (request) => {
    if (request.url().endsWith('/api/events')) streams++;
  });
  const tell = async (report: object) => {
    const { version } = await (await first.request.get(`/api/rigs/${rig}/switching`)).json();
    const answer = await first.request.post(`/api/rigs/${rig}/switching`, { data: { version, who: 'Ida', report } });
    expect(answer.ok()).toBe(true);
  };
  const tabs = [first, ...(await Promise.all(Array.from({ length: 6 }, () => context.newPage())))];
  for (const tab of tabs) await tab.goto(`/switch?rig=${rig}`);
  await tell({ report: 'start', from: 'packed' });
  for (const tab of tabs) await expect(tab.getByRole('button', { name: 'Begin' })).toBeVisible();
  expect(streams).toBe(1);
  await tabs[1].reload();
  await first.goto('about:blank');
  await tabs[2].getByRole('button', { name: 'Begin' }).click();
  await expect(tabs.at(-1)!.getByRole('region', { name: 'The next step' })).toBeVisible();
  expect(streams).toBe(2);
});

test('while what helps against a finding is still being tried, the panel says so', async ({ page }) => {
  await page.addInitScript(() => {
    const Real = window.Worker;
    window.Worker = class extends Real {
      postMessage(...message: unknown[]) {
        const slow = JSON.stringify(message).includes('"ask":"line"');
        setTimeout(() => super.postMessage(...(message as [unknown])), slow ? 3000 : 0);
      }
    };
  });
  await openLine(page, 'Trio, ribbon left');
  const trying = page.getByRole('status').filter({ hasText: 'Trying what helps' });
  await expect(trying).toBeVisible();
  await expect(page.getByRole('button', { name: /^Try Hold desk, bank A off/ })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Try Hold desk, bank A off/ })).toBeVisible();
  await expect(trying).toHaveCount(0);
});

test('other workers that die are told where their answer would stand, and asked again', async ({ page }) => {
  await page.addInitScript(WORKERS);
  await page.addInitScript(() => Object.assign(window, { broken: true }));
  const mend = () => page.evaluate(() => Object.assign(window, { broken: false }));
  await page.goto('/noise?rig=lock-nine-mended');
  const notice = page.getByRole('alert').filter({ hasText: 'could not be calculated' });
  await expect(notice).toContainText('The solver stopped twice');
  await mend();
  await notice.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('navigation', { name: 'Lines' }).getByText(/dBFS/).first()).toBeVisible();

  await page.goto('/plan?rig=lock-nine-mended');
  await page.getByRole('button', { name: 'Plan the patch' }).click();
  await expect(page.getByText('The planner could not be started').first()).toBeVisible();
  await page.getByRole('tab', { name: 'Batteries' }).click();
  await expect(page.getByText('The solver stopped twice').first()).toBeVisible();
  await mend();
  await page.getByRole('tab', { name: 'Patch' }).click();
  await page.getByRole('button', { name: 'Plan the patch' }).click();
  await expect(page.getByRole('button', { name: 'Plan again' })).toBeVisible({ timeout: 60_000 });
});

test('what is begun survives a change of place and a reload: a reading, a rung, a plan, what it was asked', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Drafts', 'lock-nine-mended');
  await openNoise(page, rig, "Guide's stand", 'Measure');
  await page.getByRole('button', { name: 'Simulated interface', exact: true }).click();
  await expect(reading(page)).toBeVisible();
  await page.getByRole('tab', { name: 'Ladder' }).click();
  await page.getByRole('button', { name: 'Simulated interface', exact: true }).click();
  const rungs = page.getByRole('list', { name: 'Rungs' }).getByRole('listitem');
  await expect(rungs.first()).toContainText('dBFS(A)');
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Power each source has seen' })).toBeVisible();
  await openNoise(page, rig, "Guide's stand", 'Ladder');
  await expect(rungs.first()).toContainText('dBFS(A)');
  await page.getByRole('tab', { name: 'Measure' }).click();
  await expect(reading(page)).toBeVisible();
  await page.getByRole('button', { name: 'Keep the figures' }).click();
  await expect(page.getByRole('button', { name: 'Kept', exact: true })).toBeVisible();
  await openNoise(page, rig, "Guide's stand", 'Measure');
  await expect(page.getByRole('button', { name: 'Kept', exact: true })).toBeDisabled();

  await page.goto(`/plan?rig=${rig}`);
  await page.getByRole('checkbox', { name: /only my kit/ }).check();
  await page.getByRole('button', { name: 'Plan the patch' }).click();
  await expect(page.getByRole('button', { name: 'Plan again' })).toBeVisible({ timeout: 60_000 });
  await page.reload();
  await expect(page.getByRole('button', { name: 'Plan again' })).toBeVisible();
  await expect(page.getByRole('checkbox', { name: /only my kit/ })).toBeChecked();
});

test('a file that is refused stands by itself: the reading from before comes back with one press', async ({ page }) => {
  const rig = await fewOf(page, 'Refused file', 'lock-nine-mended');
  await openNoise(page, rig, "Guide's stand", 'Measure');
  await page.getByRole('button', { name: 'Simulated interface', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Keep the figures' })).toBeVisible();
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'letter.wav', mimeType: 'audio/wav', buffer: Buffer.from('this is no sound') });
  await expect(page.getByText('Your earlier reading')).toContainText('is still here');
  await expect(page.getByRole('button', { name: 'Keep the figures' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Close' }).first().click();
  await expect(page.getByRole('button', { name: 'Keep the figures' })).toBeVisible();
});

/** What somebody has open when the server goes, what to do so that the page notices, and what it shows of it. */
const PLACES: {
  place: string;
  open?: (page: Page) => Promise<void>;
  act: (page: Page) => Promise<void>;
  told: (page: Page) => Promise<void>;
}[] = [
  {
    place: 'rig',
    act: (page) => feed(page, 'Hold desk, bank A', 'off').click(),
    told: (page) => expect(page.getByText('No connection').first()).toBeVisible(),
  },
  {
    place: 'kit',
    open: async (page) => {
      await page.getByLabel('Find in the kit').fill('isolating');
      await page.getByRole('gridcell', { name: 'isolating transformer', exact: true }).click();
      await expect(page.getByRole('complementary', { name: 'Item' }).getByLabel('Data sheet')).toBeVisible();
    },
    act: async (page) => {
      await page.getByRole('complementary', { name: 'Item' }).getByLabel('Data sheet').fill('leaflet');
      await page.getByRole('complementary', { name: 'Item' }).getByLabel('Data sheet').blur();
    },
    told: (page) => expect(page.getByRole('status').filter({ hasText: 'not saved' })).toBeVisible(),
  },
  {
    place: 'log',
    act: async (page) => {
      await page.getByRole('textbox', { name: 'Note' }).fill('Kept while the server is away');
      await page.getByRole('button', { name: 'Add note' }).click();
    },
    told: (page) => expect(page.getByRole('alert').filter({ hasText: 'No connection' })).toBeVisible(),
  },
  {
    place: 'switch',
    act: async (page) => {
      await page.getByRole('button', { name: /^Start from here: Everything is packed/ }).click();
    },
    told: (page) => expect(page.getByText('no answer from the server').first()).toBeVisible(),
  },
  {
    place: 'plan',
    act: (page) => choose(page, 'The last one in the case', 'keep it where something else will do'),
    told: (page) => expect(page.getByRole('status').filter({ hasText: 'No connection' })).toBeVisible(),
  },
  {
    place: 'noise',
    open: async (page) => {
      await page.getByRole('tab', { name: 'Measure' }).click();
      await expect(page.getByRole('button', { name: 'Simulated interface', exact: true })).toBeVisible();
    },
    act: (page) => page.getByRole('button', { name: 'Simulated interface', exact: true }).click(),
    told: (page) =>
      expect(
        page.getByRole('tabpanel').getByRole('alert').filter({ hasText: 'The worker that measures' }),
      ).toBeVisible(),
  },
];

test('the server goes away under each page and comes back: what was done is kept, told, and done then', async ({
  page,
  context,
}, { parallelIndex }) => {
  test.setTimeout(240_000);
  const folder = mkdtempSync(join(tmpdir(), 'inlet-check-e2e-'));
  const database = join(folder, 'away.sqlite');
  const port = portOf(parallelIndex) + 3;
  const base = `http://127.0.0.1:${port}`;
  let server = await serve(port, database);
  try {
    const kit = await (await page.request.get('/api/kit')).json();
    await page.request.post(`${base}/api/kit`, { data: kit });
    const { document } = await (await page.request.get('/api/rigs/lock-nine')).json();
    const made = async (name: string): Promise<string> =>
      (await (await page.request.post(`${base}/api/rigs`, { data: { ...document, name } })).json()).id;
    // Two places that save a rig have one each: what two do to one is tested elsewhere.
    const [id, planned] = [await made('Away'), await made('Planned while away')];
    const tabs = await Promise.all(
      PLACES.map(async ({ place, open }) => {
        const tab = await context.newPage();
        await tab.goto(`${base}/${place}?rig=${place === 'plan' || place === 'noise' ? planned : id}`);
        // A press on what is only drawn yet is nobody’s.
        await tab.waitForFunction(() => document.querySelector('[data-place="live"]'));
        await tab.waitForLoadState('networkidle').catch(() => {});
        await open?.(tab);
        return tab;
      }),
    );
    kill(server);
    for (const [n, { act, told }] of PLACES.entries()) {
      await act(tabs[n]);
      await told(tabs[n]);
    }
    server = await serve(port, database);
    // A tab that nobody looks at tries again once a minute (how browsers treat their timers); one that is looked at, at once.
    const lookAt = async (tab: Page) => {
      await tab.bringToFront();
      await tab.evaluate(() => window.dispatchEvent(new Event('focus')));
    };
    const savedAs = (tab: Page, text: string) =>
      expect(async () => {
        await lookAt(tab);
        // What the bar says instead is in the message, should it not come.
        await expect
          .poll(async () => (await tab.getByRole('status').allInnerTexts()).join(' | '), { timeout: 3000 })
          .toContain(text);
      }).toPass({ timeout: 60_000 });
    await savedAs(tabs[0], 'revision 2');
    await savedAs(tabs[1], 'kit saved');
    await lookAt(tabs[2]);
    await expect(tabs[2].getByRole('textbox', { name: 'Note' })).toHaveValue('Kept while the server is away');
    await tabs[2].getByRole('button', { name: 'Add note' }).click();
    await expect(tabs[2].getByRole('listitem').filter({ hasText: 'Kept while the server is away' })).toBeVisible();
    await lookAt(tabs[3]);
    await tabs[3].getByRole('button', { name: /^Start from here: Everything is packed/ }).click();
    await expect(tabs[3].getByRole('button', { name: 'Begin' })).toBeVisible();
    await savedAs(tabs[4], 'revision 2');
    await lookAt(tabs[5]);
    await tabs[5].getByRole('button', { name: 'Simulated interface', exact: true }).click();
    await expect(reading(tabs[5])).toBeVisible();
  } finally {
    kill(server);
    rmSync(folder, { recursive: true, force: true });
  }
});

test(
  'a dialog whose script cannot be fetched says so; the page stays as it is, and the dialog comes later',
  FRESH,
  async ({ page }) => {
    await openRig(page, await fewOf(page, 'Script away'));
    const scripts = /_next\/static\/.*\.js/;
    await page.route(scripts, (route) => route.abort());
    const settings = page.getByRole('button', { name: 'Settings', exact: true });
    await settings.press('Enter');
    const dialog = page.getByRole('dialog', { name: 'The server does not answer' });
    await expect(dialog).toContainText('Your changes on this page are kept');
    await dialog.getByRole('button', { name: 'Close' }).press('Enter');
    await expect(dialog).toHaveCount(0);
    await expect(settings).toBeFocused();
    await page.unroute(scripts);
    await settings.press('Enter');
    await expect(page.getByRole('dialog', { name: 'Settings' })).toBeVisible();
  },
);

/** What waits until opening the page is over waits for `settle()`. */
const HELD = () => {
  const real = window.setTimeout.bind(window);
  const held: TimerHandler[] = [];
  Object.assign(window, { settle: () => held.splice(0).forEach((each) => real(each)) });
  window.setTimeout = ((each: TimerHandler, after?: number, ...given: unknown[]) =>
    after === 2000 ? -held.push(each) : real(each, after, ...given)) as typeof window.setTimeout;
};

test(
  'dialogs of the rig: wanted before their script has come they say so; once the page has settled they need no server',
  FRESH,
  async ({ page }) => {
    await page.addInitScript(HELD);
    await openRig(page, await fewOf(page, 'Dialogs away'));
    const scripts = /_next\/static\/.*\.js/;
    const settle = () => page.evaluate(() => (window as unknown as { settle(): void }).settle());
    const newLine = page.getByRole('dialog', { name: 'New line' });
    await page.route(scripts, (route) => route.abort());
    await page.keyboard.press('n');
    const refused = page.getByRole('dialog', { name: 'The server does not answer' });
    await expect(refused).toContainText('Your changes on this page are kept');
    await page.keyboard.press('Escape');
    await expect(refused).toHaveCount(0);
    // What was fetched ahead in vain is told to nobody, and fetched when it is wanted.
    const begun = new Set<Request>();
    let inVain = 0;
    page.on('request', (request) => scripts.test(request.url()) && begun.add(request));
    page.on('requestfailed', (request) => begun.delete(request) && inVain++);
    await settle();
    await expect.poll(() => inVain > 0 && begun.size === 0).toBe(true);
    await page.unroute(scripts);
    await page.keyboard.press('n');
    await expect(newLine).toBeVisible();

    await page.reload();
    await expect(page.getByRole('button', { name: /^[1-9]\d* Clear/ })).toBeVisible();
    const fetched = () =>
      page.evaluate(() => performance.getEntriesByType('resource').filter(({ name }) => name.endsWith('.js')).length);
    const before = await fetched();
    await settle();
    // What is fetched ahead is there, and nothing follows it any more.
    let last = before;
    await expect(async () => {
      const now = await fetched();
      const still = now === last;
      last = now;
      expect(now).toBeGreaterThan(before);
      expect(still).toBe(true);
    }).toPass({ intervals: [500] });
    await page.route(scripts, (route) => route.abort());
    await page.keyboard.press('n');
    await expect(newLine).toBeVisible();
  },
);

test('what is typed while a dialog is on its way does nothing on the page', FRESH, async ({ page }) => {
  await page.addInitScript(HELD);
  await openLine(page, 'Trio, pair A left', await fewOf(page, 'Typed at once'));
  let go = () => {};
  const held = new Promise<void>((done) => (go = done));
  await page.route(/_next\/static\/.*\.js/, async (route) => {
    await held;
    await route.continue();
  });
  await page
    .getByRole('button', { name: /^Trio, pair A left / })
    .first()
    .focus();
  await page.keyboard.press('n');
  await expect(page.getByRole('dialog', { name: 'Loading …' })).toHaveCount(1);
  // Each of them is a key of the page.
  await page.keyboard.type('dx');
  await page.keyboard.press('Delete');
  go();
  await expect(page.getByRole('dialog', { name: 'New line' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await expect(row(page, 'Trio, pair A left')).toHaveCount(1);
});

test(
  'a chart whose script cannot be fetched says so beside its figures, and is drawn when it is opened again',
  FRESH,
  async ({ page }) => {
    await openLine(page, 'Trio, pair A left');
    const scripts = /_next\/static\/.*\.js/;
    await page.route(scripts, (route) => route.abort());
    await tab(page, 'Readings').click();
    await expect(why(page).getByText('This part could not be loaded.')).toBeVisible();
    await expect(why(page)).toContainText('Signal at the inlet');
    await page.unroute(scripts);
    await expect(async () => {
      await tab(page, 'Parts').click();
      await tab(page, 'Readings').click();
      await expect(why(page).getByRole('img', { name: /^Response/ })).toBeVisible({ timeout: 5000 });
    }).toPass();
  },
);

test(
  'a dialog whose script does not come says so after a while, and opens where it comes in the end',
  FRESH,
  async ({ page }) => {
    await openRig(page, await fewOf(page, 'Script held'));
    let go = () => {};
    const held = new Promise<void>((done) => (go = done));
    await page.route(/_next\/static\/.*\.js/, async (route) => {
      await held;
      await route.continue();
    });
    await page.getByRole('button', { name: 'Settings', exact: true }).click();
    await expect(page.getByRole('dialog', { name: 'Loading …' })).toHaveCount(1);
    await expect(page.getByRole('dialog', { name: 'The server does not answer' })).toBeVisible({ timeout: 20_000 });
    go();
    await expect(page.getByRole('dialog', { name: 'Settings' })).toBeVisible();
  },
);

test('what is read while nobody answers says so, and comes by itself once somebody does', async ({ page }) => {
  await openRig(page, await fewOf(page, 'Read while away'));
  const revisions = /\/revisions/;
  await page.route(revisions, (route) => route.abort());
  await page.keyboard.press('h');
  const dialog = page.getByRole('dialog', { name: 'History' });
  await expect(dialog).toContainText('No connection. This loads by itself when the server is back.');
  await expect(dialog).not.toContainText('Choose a revision');
  await page.unroute(revisions);
  await expect(dialog.getByRole('button', { name: /Created/ })).toBeVisible();
  await expect(dialog).not.toContainText('No connection');
});

test(
  'a change that fails again and again before the page can draw it is still sent once it can be',
  FRESH,
  async ({ page }) => {
    await openRig(page, await fewOf(page, 'Sent again'));
    await page.evaluate(() => {
      const real = window.fetch;
      let left = 3;
      // Refused at once, as by a browser that knows that there is no network.
      window.fetch = (...given) =>
        given[1]?.method === 'PUT' && left-- > 0 ? Promise.reject(new TypeError('no network')) : real(...given);
    });
    await select(page, 'Announcer');
    await page.getByRole('button', { name: 'Duplicate this line' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'not saved: No connection.' })).toBeVisible();
    await expect(page.getByRole('status').filter({ hasText: 'revision 2' })).toBeVisible();
  },
);

test('tabs that were frozen catch up when they are looked at again: with the sheet, the rig, the log', async ({
  page,
  context,
}) => {
  const rig = await fewOf(page, 'Frozen trial', 'lock-nine-mended');
  const places = ['switch', 'rig', 'plan', 'noise', 'log'];
  const tabs = await Promise.all(
    places.map(async (place) => {
      const tab = await context.newPage();
      await tab.goto(`/${place}?rig=${rig}`);
      await expect(tab.getByRole('navigation', { name: 'Places' })).toBeVisible();
      return { place, tab, devtools: await context.newCDPSession(tab) };
    }),
  );
  for (const { devtools } of tabs) await devtools.send('Page.setWebLifecycleState', { state: 'frozen' });
  const { version } = await (await page.request.get(`/api/rigs/${rig}/switching`)).json();
  await page.request.post(`/api/rigs/${rig}/switching`, {
    data: { version, who: 'Jon', report: { report: 'start', from: 'packed' } },
  });
  const { document, revision } = await (await page.request.get(`/api/rigs/${rig}`)).json();
  await page.request.put(`/api/rigs/${rig}`, { data: { basedOn: revision, document: { ...document, note: 'new' } } });
  await page.request.post(`/api/rigs/${rig}/log`, { data: { who: 'Jon', text: 'Said while others slept' } });
  for (const { place, tab, devtools } of tabs) {
    await devtools.send('Page.setWebLifecycleState', { state: 'active' });
    await tab.bringToFront();
    if (place === 'switch') await expect(tab.getByRole('button', { name: 'Begin' })).toBeVisible();
    else if (place === 'log')
      await expect(tab.getByRole('listitem').filter({ hasText: 'Said while others slept' })).toBeVisible();
    else await expect(tab.getByRole('alert').filter({ hasText: 'changed in another tab' })).toBeVisible();
  }
});

test('with a storage that is full every place does its work all the same', async ({ page }) => {
  await page.addInitScript(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  const broken: string[] = [];
  page.on('pageerror', ({ message }) => broken.push(message));
  const rig = await fewOf(page, 'Full storage', 'lock-nine-mended');
  await openRig(page, rig);
  await feed(page, 'Bag recorder, pair 3–4', '48 V').click();
  await expect(page.getByRole('status').filter({ hasText: 'revision 2' })).toBeVisible();
  await page.goto(`/plan?rig=${rig}`);
  await page.getByRole('checkbox', { name: /only my kit/ }).check();
  await expect(page.getByRole('checkbox', { name: /only my kit/ })).toBeChecked();
  await openNoise(page, rig, "Guide's stand", 'Measure');
  await page.getByRole('button', { name: 'Simulated interface', exact: true }).click();
  await expect(reading(page)).toBeVisible();
  await page.getByRole('tab', { name: 'Ladder' }).click();
  await page.getByRole('tab', { name: 'Measure' }).click();
  await expect(reading(page)).toBeVisible();
  await page.goto(`/switch?rig=${rig}`);
  await page.getByRole('button', { name: /^Start from here: Everything is packed/ }).click();
  await expect(page.getByRole('button', { name: 'Begin' })).toBeVisible();
  await page.goto(`/kit?rig=${rig}`);
  await expect(page.getByRole('status')).toContainText('kit saved');
  expect(broken).toEqual([]);
});

test('a line is duplicated where it is best off, and what the kit has too few of is told', async ({ page }) => {
  const rig = await fewOf(page, 'Duplicate trial');
  await openLine(page, 'Trio, ribbon left', rig);
  await page.keyboard.press('d');
  await expect(page.getByText(/More than you own now: .*: 2 used, 1 owned/)).toBeVisible();
  await expect(row(page, 'Trio, ribbon left 2')).not.toContainText('Stop');
});

test(
  'what needs a script that cannot be fetched says so, changes nothing, and is done when the server is back',
  FRESH,
  async ({ page }) => {
    const rig = await fewOf(page, 'Reader away');
    await openRig(page, rig);
    const scripts = '**/_next/static/chunks/**';
    await page.route(scripts, (route) => route.abort());
    await page.keyboard.press('j');
    await page.keyboard.press('x');
    await page.keyboard.press('j');
    await page.keyboard.press('x');
    const cable = page.getByLabel('Cable of each');
    await cable.fill('23 m');
    await page.getByRole('button', { name: 'Set cable' }).click();
    await expect(page.getByText('The server does not answer. Nothing was changed.')).toBeVisible();
    await page.unroute(scripts);
    await cable.fill('23 m');
    await page.getByRole('button', { name: 'Set cable' }).click();
    await expect(page.getByText('The server does not answer. Nothing was changed.')).toHaveCount(0);
    await saved(page);
    const { document } = await (await page.request.get(`/api/rigs/${rig}`)).json();
    expect(JSON.stringify(document.lines)).toContain('"value":23');
  },
);
