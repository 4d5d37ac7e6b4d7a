import { fewOf, openLine, row, tab, why } from './rig';
import { expect, FRESH, test, type Page } from './test';

// Nothing is lost because somebody is quick: a field is left by the press that opens the next place.

const rail = (page: Page, place: string) =>
  page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: place, exact: true });
const goTo = (page: Page, place: string) => rail(page, place).click();

const openSource = async (page: Page, rig: string) => {
  await openLine(page, 'Wheelhouse, large condenser', rig);
  await tab(page, 'Parts').click();
  await why(page).getByRole('button', { name: 'large condenser', exact: true }).click();
  return why(page).getByLabel('Supply current', { exact: true });
};

/** What the server has of it: its revision, and the current of that microphone in mA. */
const onServer = async (page: Page, rig: string): Promise<{ revision: number; current: number }> => {
  const { revision, document } = await (await page.request.get(`/api/rigs/${rig}`)).json();
  const { source } = document.lines.find(({ name }: { name: string }) => name === 'Wheelhouse, large condenser');
  return { revision, current: source.figures.current.value };
};

for (const place of ['Log', 'Plan'])
  test(`what is typed into a field that is left for ${place} is saved`, async ({ page }) => {
    const rig = await fewOf(page, `Left for ${place}`, 'lock-nine-mended');
    const field = await openSource(page, rig);
    await field.fill('5.3');
    await goTo(page, place);
    await expect(page).toHaveURL(new RegExp(`/${place.toLowerCase()}`));
    await expect.poll(() => onServer(page, rig)).toEqual({ revision: 2, current: 5.3 });
    await goTo(page, 'Rig');
    await expect(page.getByRole('status').filter({ hasText: 'revision 2' })).toBeVisible();
    await expect(await openedSource(page)).toHaveValue('5.3');
    expect(await onServer(page, rig)).toEqual({ revision: 2, current: 5.3 });
  });

test('a place comes while the next is being pressed: the rail does not move, and the press counts', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Pressed meanwhile');
  await page.goto(`/plan?rig=${rig}`);
  let letCome = () => {};
  const held = new Promise<void>((done) => (letCome = done));
  await page.route('**/kit?*', async (route) => {
    await held;
    await route.continue();
  });
  const tops = await page.evaluateHandle(() => {
    const seen = new Set<number>();
    const look = () => {
      const rail = document.querySelector('nav[aria-label="Places"]');
      if (rail) seen.add(rail.getBoundingClientRect().top);
      requestAnimationFrame(look);
    };
    look();
    return seen;
  });
  await goTo(page, 'Kit');
  const { x, y, width, height } = (await rail(page, 'Log').boundingBox())!;
  await page.mouse.move(x + width / 2, y + height / 2);
  await page.mouse.down();
  letCome();
  await expect(page.getByRole('grid', { name: 'Kit' })).toBeVisible();
  await page.mouse.up();
  await expect(page).toHaveURL(/\/log\?rig=/);
  await expect(rail(page, 'Log')).toHaveAttribute('aria-current', 'page');
  expect(await tops.evaluate((seen) => seen.size)).toBe(1);
});

const openedSource = async (page: Page) => {
  await page
    .getByRole('button', { name: /^Wheelhouse, large condenser / })
    .first()
    .click();
  await tab(page, 'Parts').click();
  await why(page).getByRole('button', { name: 'large condenser', exact: true }).click();
  return why(page).getByLabel('Supply current', { exact: true });
};

test('what is changed while an earlier change is on its way is saved too, wherever somebody goes', async ({ page }) => {
  for (const place of ['Casebook', 'Kit', 'Noise']) {
    const rig = await fewOf(page, `Slow and left for ${place}`, 'lock-nine-mended');
    const field = await openSource(page, rig);
    let go = () => {};
    const held = new Promise<void>((done) => (go = done));
    await page.route(`**/api/rigs/${rig}`, async (route) => {
      if (route.request().method() === 'PUT') await held;
      await route.continue();
    });
    const sent = page.waitForRequest((request) => request.method() === 'PUT');
    await field.fill('5.3');
    await field.press('Enter');
    await sent;
    await field.fill('5.4');
    if (place === 'Casebook') {
      await field.press('Enter');
      await page.goto('/casebook');
    } else await goTo(page, place);
    await expect(page).toHaveURL(new RegExp(`/${place.toLowerCase()}`));
    go();
    await expect.poll(() => onServer(page, rig)).toEqual({ revision: 3, current: 5.4 });
    await page.unrouteAll();
  }
});

test('what stands in a field that was not left yet is saved by the way back, and asked about where the tab is closed', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Still in the field', 'lock-nine-mended');
  await page.goto(`/log?rig=${rig}`);
  const field = await openSource(page, rig);
  await field.fill('5.3');
  await page.goBack();
  await expect(page).toHaveURL(/\/log/);
  await expect.poll(() => onServer(page, rig)).toEqual({ revision: 2, current: 5.3 });

  const again = await openSource(page, rig);
  await again.fill('5.4');
  const asked = page.waitForEvent('dialog');
  const reloaded = page.reload();
  const dialog = await asked;
  expect(dialog.type()).toBe('beforeunload');
  await dialog.accept();
  await reloaded;
});

test('a change that nobody answered is sent again in a tab that nobody looks at', FRESH, async ({ page }) => {
  const rig = await fewOf(page, 'Not looked at', 'lock-nine-mended');
  const field = await openSource(page, rig);
  await page.route(`**/api/rigs/${rig}`, (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await field.fill('5.3');
  await field.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'not saved' })).toBeVisible();
  await page.evaluate(() => {
    Object.defineProperty(document, 'visibilityState', { get: () => 'hidden' });
    Object.defineProperty(document, 'hidden', { get: () => true });
    document.dispatchEvent(new Event('visibilitychange', { bubbles: true }));
  });
  expect(await onServer(page, rig)).toEqual({ revision: 1, current: 3 });
  await page.unrouteAll();
  await expect.poll(() => onServer(page, rig), { timeout: 15_000 }).toEqual({ revision: 2, current: 5.3 });
});

test('the way back of the browser shows a rig as it is now, not as it was opened', async ({ page }) => {
  const rig = await fewOf(page, 'Back again', 'lock-nine-mended');
  const field = await openSource(page, rig);
  await field.fill('5.3');
  await field.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'revision 2' })).toBeVisible();
  await goTo(page, 'Kit');
  await expect(page.getByRole('gridcell', { name: 'hydrophone', exact: true })).toBeVisible();
  let goOn = () => {};
  const held = new Promise<void>((done) => (goOn = done));
  await page.route('**/api/health', async (route) => {
    await held;
    await route.continue();
  });
  const back = page.goBack();
  const told = page.getByRole('status').filter({ hasText: 'Updating this page …' });
  await expect(told).toBeVisible();
  goOn();
  await back;
  await expect(told).toHaveCount(0);
  await expect(row(page, 'Wheelhouse, large condenser')).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'revision 2' })).toBeVisible();
  const again = await openedSource(page);
  await expect(again).toHaveValue('5.3');
  await again.fill('5.4');
  await again.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'revision 3' })).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'another tab' })).toHaveCount(0);
  // The styles of what is drawn after that are still let in.
  const refused: string[] = [];
  page.on('console', (said) => said.text().includes('Content Security Policy') && refused.push(said.text()));
  await goTo(page, 'Kit');
  await expect(page.getByRole('gridcell', { name: 'hydrophone', exact: true })).toBeVisible();
  expect(refused).toEqual([]);
});

test('the way back shows the kit, the register and the log as they are now', async ({ page }) => {
  const rig = await fewOf(page, 'Back to the kit', 'lock-nine-mended');
  const { request } = page;
  await page.goto(`/log?rig=${rig}`);
  await page.getByRole('textbox', { name: 'Note' }).fill('Begun and not added');
  await page.goto(`/kit?rig=${rig}`);
  const pad = { ...(await (await request.get('/api/kit/pad')).json()), id: 'way-back', name: 'pad of the way back' };
  expect((await request.put('/api/kit/way-back', { data: pad })).ok()).toBe(true);
  await page.reload();
  await page.getByLabel('Find in the kit').fill('way back');
  await page.getByRole('gridcell', { name: 'pad of the way back', exact: true }).click();
  const count = page.getByRole('complementary', { name: 'Item' }).getByLabel('Count', { exact: true });
  await count.fill('6');
  await count.press('Tab');
  await expect(page.getByRole('status')).toHaveText(/kit saved/);
  await goTo(page, 'Switch');
  await expect(page.getByText('connected', { exact: true })).toBeVisible();
  await request.post(`/api/rigs/${rig}/log`, { data: { who: 'Jon', text: 'Said meanwhile' } });
  await page.goBack();
  await page.getByLabel('Find in the kit').fill('way back');
  await page.getByRole('gridcell', { name: 'pad of the way back', exact: true }).click();
  await expect(count).toHaveValue('6');
  await count.fill('7');
  await count.press('Tab');
  await expect(page.getByRole('status')).toHaveText(/kit saved/);
  expect(await (await request.get('/api/kit/way-back')).json()).toMatchObject({ count: 7 });
  await page.goBack();
  await expect(page.getByRole('listitem').filter({ hasText: 'Said meanwhile' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('Begun and not added');
});

test('a change of the kit that could not be saved waits for the kit to be opened again', async ({ page }) => {
  const rig = await fewOf(page, 'Kit not saved', 'lock-nine-mended');
  const { request } = page;
  const pad = { ...(await (await request.get('/api/kit/pad')).json()), id: 'not-saved', name: 'pad that waits' };
  expect((await request.put('/api/kit/not-saved', { data: pad })).ok()).toBe(true);
  await page.goto(`/log?rig=${rig}`);
  await goTo(page, 'Kit');
  await page.getByLabel('Find in the kit').fill('pad that waits');
  await page.getByRole('gridcell', { name: 'pad that waits', exact: true }).click();
  const count = page.getByRole('complementary', { name: 'Item' }).getByLabel('Count', { exact: true });
  await page.route('**/api/kit/*', (route) => route.abort());
  await count.fill('9');
  await count.press('Tab');
  await expect(page.getByRole('status').filter({ hasText: 'not saved' })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('textbox', { name: 'Note' })).toBeVisible();
  await page.unroute('**/api/kit/*');
  expect(await (await request.get('/api/kit/not-saved')).json()).not.toMatchObject({ count: 9 });
  await goTo(page, 'Kit');
  await expect(page.getByRole('status')).toHaveText(/kit saved/);
  await expect.poll(async () => (await (await request.get('/api/kit/not-saved')).json()).count).toBe(9);
});

test('a server that was given an older copy is not taken for one that has what was saved', async ({ page }) => {
  const rig = await fewOf(page, 'Older copy', 'lock-nine-mended');
  const older = await (await page.request.get(`/api/rigs/${rig}`)).json();
  const field = await openSource(page, rig);
  await field.fill('5.3');
  await field.press('Enter');
  const bar = page.getByRole('status').filter({ hasText: 'revision 2' });
  await expect(bar).toBeVisible();
  const { rigs } = await (await page.request.get('/api/rigs')).json();
  await page.route('**/api/rigs', (route) =>
    route.fulfill({
      json: { rigs: rigs.map((each: { id: string }) => (each.id === rig ? { ...each, revision: 1 } : each)) },
    }),
  );
  await page.route(`**/api/rigs/${rig}`, (route) => route.fulfill({ json: older }));
  await expect(page.getByRole('alert').filter({ hasText: 'changed in another tab' })).toBeVisible();
});
