import { expect, test, type Page } from './test';
import { fewOf, openRig } from './rig';

const item = (page: Page) => page.getByRole('complementary', { name: 'Item' });

test('something is copied from the catalogue, gets its figures, says what is open, and is used on a line', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Kit trial');
  await page.goto(`/kit?rig=${rig}`);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('button', { name: 'Add item' }).click();
  await expect(page.getByText('Choose what it is')).toBeVisible();
  await page.getByRole('combobox', { name: 'From the catalogue' }).fill('passive ribbon');
  await page.getByRole('option', { name: 'Passive ribbon' }).click();
  await page.getByLabel('Name').fill('borrowed ribbon');
  await page.getByRole('button', { name: 'Add item' }).click();
  await expect(item(page).getByRole('region', { name: 'Still to find out' })).toContainText('centre tap');
  // Only what a ribbon needs is asked.
  await expect(item(page).getByLabel('Supply current')).toHaveCount(0);
  await item(page).getByLabel('Maximum DC through it', { exact: true }).fill('0.2');
  await item(page).getByLabel('Maximum DC through it', { exact: true }).press('Enter');
  await item(page).getByLabel('Data sheet').fill('leaflet, page 2');
  await item(page).getByLabel('Data sheet').blur();
  await expect(page.getByRole('status')).toHaveText(/kit saved/);
  await page.reload();
  await page.getByLabel('Find in the kit').fill('borrowed');
  await page.getByRole('gridcell', { name: 'borrowed ribbon', exact: true }).click();
  await expect(item(page).getByLabel('Data sheet')).toHaveValue('leaflet, page 2');
  await item(page).getByRole('button', { name: 'Answer: no centre tap, or not connected' }).click();
  await page.getByLabel('Who answered').fill('owner');
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(page.getByText('No rig uses this item yet.')).toBeVisible();
  await expect(item(page).getByRole('region', { name: 'Recorded answers' })).toContainText('owner');
  await page.getByRole('button', { name: 'Remove from the kit' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('gridcell', { name: 'borrowed ribbon', exact: true })).toBeVisible();
});

test('a table is previewed row by row before anything changes', async ({ page }) => {
  await page.goto('/kit');
  await page.getByRole('button', { name: 'Import' }).click();
  const table = [
    'role,kind,name,count,figures',
    'link,cable,spare cable,6,length=12 m (measured)',
    'source,harp,harp,1,',
  ].join('\n');
  await page
    .getByLabel('A kit (JSON or CSV)')
    .setInputFiles({ name: 'kit.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  await expect(page.getByRole('dialog')).toContainText('1 added, 0 changed, 0 unchanged, 1 refused');
  await expect(page.getByRole('row', { name: /harp refused/ })).toContainText('there is no source of the kind “harp”');
  await page.getByRole('button', { name: 'Import these rows' }).click();
  await page.getByLabel('Find in the kit').fill('spare');
  await expect(page.getByRole('gridcell', { name: 'spare cable', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Import' }).click();
  await page
    .getByLabel('A kit (JSON or CSV)')
    .setInputFiles({ name: 'kit.json', mimeType: 'application/json', buffer: Buffer.from('{"format":') });
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText(
    'kit.json can’t be imported. Nothing was changed.',
  );
});

test('the kit is handed out as CSV and JSON', async ({ page }) => {
  await page.goto('/kit');
  const csv = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export CSV' }).click();
  expect((await csv).suggestedFilename()).toBe('kit.csv');
  const json = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export JSON' }).click();
  expect((await json).suggestedFilename()).toBe('kit.json');
});

test('a device’s switches are edited, and the places keep the same rig open', async ({ page }) => {
  const rig = await fewOf(page, 'Places trial');
  await openRig(page, rig);
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Kit' }).click();
  await expect(page.getByRole('heading', { name: 'Places trial' })).toBeVisible();
  await page.getByRole('button', { name: 'Devices' }).click();
  await page.getByRole('gridcell', { name: 'Stream interface', exact: true }).first().click();
  await item(page).getByRole('button', { name: 'Inlets, switches and figures' }).click();
  await page.getByLabel('Where it is').fill('front, left of the knob');
  await page.getByRole('button', { name: 'Save the device' }).click();
  await expect(page.getByRole('status')).toHaveText(/kit saved/);
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Rig' }).click();
  await expect(page.getByRole('button', { name: 'Rig: Places trial' })).toBeVisible();
  await expect(page).toHaveURL(new RegExp(rig));
  await expect(page.getByRole('heading', { name: 'Problems, worst first' })).toBeVisible();
});

test('when the server does not answer, the kit keeps the change, says so, and sends it again', async ({ page }) => {
  await page.goto('/kit');
  await page.getByLabel('Find in the kit').fill('pad');
  await page.getByRole('gridcell', { name: 'pad of 20 dB', exact: true }).click();
  await page.route('**/api/kit/*', (route) => route.abort());
  await item(page).getByLabel('Count').fill('7');
  await item(page).getByLabel('Count').blur();
  await expect(page.getByRole('status')).toHaveText(/not saved/);
  await page.unroute('**/api/kit/*');
  await expect(page.getByRole('status')).toHaveText(/kit saved/);
  expect(await (await page.request.get('/api/kit/pad')).json()).toMatchObject({ count: 7 });
});

test('two tabs change one item: what goes together is kept, what does not is asked', async ({ page, context }) => {
  const rig = await fewOf(page, 'Kit of two');
  const other = await context.newPage();
  const add = async (name: string) => {
    await page.goto(`/kit?rig=${rig}`);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByRole('combobox', { name: 'From the catalogue' }).fill('passive ribbon');
    await page.getByRole('option', { name: 'Passive ribbon' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill(name);
    await page.getByRole('button', { name: 'Add item' }).click();
    await expect(page.getByRole('status')).toHaveText(/kit saved/);
  };
  const choose = async (at: Page, name: string) => {
    await at.goto(`/kit?rig=${rig}`);
    await at.getByLabel('Find in the kit').fill(name);
    await at.getByRole('gridcell', { name, exact: true }).click();
  };
  const put = async (at: Page, label: string, value: string) => {
    await item(at).getByLabel(label, { exact: true }).fill(value);
    await item(at).getByLabel(label, { exact: true }).press('Tab');
  };
  await add('shared ribbon');
  await choose(page, 'shared ribbon');
  await choose(other, 'shared ribbon');
  await put(other, 'Data sheet', 'leaflet, page 2');
  await expect(other.getByRole('status')).toHaveText(/kit saved/);
  await put(page, 'Maximum DC through it', '0.2');
  await expect(page.getByText('both changes are kept')).toBeVisible();
  await expect(item(page).getByLabel('Data sheet')).toHaveValue('leaflet, page 2');
  await expect(page.getByRole('status')).toHaveText(/kit saved/);

  // The other tab knows nothing of that yet; now both change the same.
  await put(page, 'Data sheet', 'leaflet, page 3');
  await expect(page.getByRole('status')).toHaveText(/kit saved/);
  await put(other, 'Data sheet', 'leaflet, page 4');
  const notice = other.getByRole('alert').filter({ hasText: 'shared ribbon' });
  await expect(notice).toContainText('shared ribbon was changed in another tab too, at the same point.');
  await expect(other.getByRole('status')).toHaveText('not all saved: choose below');
  await notice.getByRole('button', { name: 'Keep mine' }).click();
  await expect(other.getByRole('status')).toHaveText(/kit saved/);
  await choose(page, 'shared ribbon');
  await expect(item(page).getByLabel('Data sheet')).toHaveValue('leaflet, page 4');

  // Removed there, changed here.
  await item(page).getByRole('button', { name: 'Remove from the kit' }).click();
  await expect(page.getByRole('status')).toHaveText(/kit saved/);
  await put(other, 'Data sheet', 'leaflet, page 5');
  await expect(notice).toContainText('was removed in another tab');
  await notice.getByRole('button', { name: 'Remove it here too' }).click();
  await expect(other.getByRole('status')).toHaveText(/kit saved/);
  await expect(other.getByRole('gridcell', { name: 'shared ribbon', exact: true })).toHaveCount(0);
});

test('several items at once, with labels of their own; another one like one that is there', async ({ page }) => {
  await page.goto('/kit?rig=lock-nine');
  const dialog = page.getByRole('dialog', { name: 'Add to the kit' });
  await page.getByRole('button', { name: 'Add', exact: false }).first().click();
  await dialog.getByRole('combobox', { name: 'From the catalogue' }).fill('XLR cable');
  await page.getByRole('option', { name: 'Cable', exact: true }).click();
  await dialog.getByLabel('Name').fill('cable Z #');
  await dialog.getByLabel('How many').fill('3');
  await dialog.getByRole('button', { name: 'Add 3 items' }).click();
  await page.getByLabel('Find in the kit').fill('cable Z');
  await expect(page.getByRole('gridcell', { name: /^cable Z [123]$/ })).toHaveCount(3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('gridcell', { name: /^cable Z/ })).toHaveCount(0);
});
