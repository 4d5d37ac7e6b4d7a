import { readFileSync } from 'node:fs';
import { TWELVE_LINES } from '../lists/twelveLines';
import { expect, test, type Page } from './test';
import { copyOf, fewOf, openRig, row, saved, verdict } from './rig';

const field = (page: Page) => page.getByLabel('Type a line');
const typing = (page: Page) => page.getByRole('region', { name: 'Type lines' });
const linesOf = async (page: Page, rig: string): Promise<{ name: string; note?: string }[]> =>
  (await (await page.request.get(`/api/rigs/${rig}`)).json()).document.lines;

/** What another test has left in the kit would be offered first. */
async function onlyTheDemosKit(page: Page): Promise<void> {
  const demo = new Set<string>(
    JSON.parse(readFileSync('demo/kit.json', 'utf8')).items.map(({ id }: { id: string }) => id),
  );
  const { items } = await (await page.request.get('/api/kit')).json();
  for (const { id } of items) if (!demo.has(id)) await page.request.delete(`/api/kit/${id}`);
}

test('by keyboard alone: a word completed, the verdict before it is taken, put in, taken back', async ({ page }) => {
  const rig = await copyOf(page, 'Typing trial');
  await onlyTheDemosKit(page);
  await openRig(page, rig);
  await page.keyboard.press('/');
  await expect(field(page)).toBeFocused();
  await page.keyboard.type('rib');
  // The kit's ribbons are on lines already: the catalogue's comes first.
  await expect(page.getByRole('listbox').getByRole('option').first()).toHaveText(/^Passive ribbon/);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(field(page)).toHaveValue('Passive ribbon');
  await page.keyboard.type(' "Solo" > 10 m > stream 2');
  // A ribbon at 48 V: told before it is in the rig.
  await expect(typing(page)).toContainText(
    'Passive ribbon → cable 10 m → Stream interface, inlet 2: Stop 48 V on a passive ribbon',
  );
  expect((await linesOf(page, rig)).some(({ name }) => name === 'Solo')).toBe(false);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Enter');
  await expect(row(page, 'Solo')).toBeVisible();
  await expect(field(page)).toHaveValue('');
  await expect(verdict(page)).toHaveText('Stop');
  await saved(page);
  expect((await linesOf(page, rig)).at(-1)).toMatchObject({ name: 'Solo', source: { kind: 'passive-ribbon' } });
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row(page, 'Solo')).toHaveCount(0);
});

test('several at once, pasted; what cannot be said stops nothing else from being seen; a reload keeps it', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Pasting trial');
  await openRig(page, rig);
  await field(page).fill('dynamic "Host" > 5 m > desk 1\ndynamic "Guest" > wobble > desk 15');
  await expect(typing(page)).toContainText('Hold desk, inlet 1 is taken by Trio, pair A left');
  await expect(typing(page)).toContainText('Not understood, kept as a note: wobble');
  await expect(typing(page).getByRole('button', { name: /^Add .*line/ })).toBeDisabled();
  await page.reload();
  await expect(page.getByRole('button', { name: /^[1-9]\d* Clear/ })).toBeVisible();
  await expect(field(page)).toHaveValue('dynamic "Host" > 5 m > desk 1\ndynamic "Guest" > wobble > desk 15');
  await field(page).fill('dynamic "Host" > 5 m > desk 16\ndynamic "Guest" > wobble > desk 15');
  await typing(page).getByRole('button', { name: 'Add 2 lines' }).click();
  await expect(row(page, 'Host')).toBeVisible();
  await saved(page);
  const made = (await linesOf(page, rig)).slice(-2);
  expect(made.map(({ name, note }) => [name, note])).toEqual([
    ['Host', undefined],
    ['Guest', 'Not understood: wobble'],
  ]);
});

test('what may mean several things is taken as the likeliest, and another is one press away', async ({ page }) => {
  const rig = await fewOf(page, 'Meaning trial');
  await openRig(page, rig);
  await field(page).fill('condenser > desk 15');
  const instead = typing(page).getByText('“condenser” is taken as').getByRole('button').first();
  const other = (await instead.textContent())!;
  await instead.click();
  await expect(field(page)).toHaveValue(`${other} > desk 15`);
  await expect(typing(page)).toContainText(other);
  // The page of help says every word.
  await typing(page).getByRole('link', { name: 'How to type lines' }).click();
  await expect(page.getByRole('heading', { name: 'How to type lines' })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Passive direct box/ })).toContainText('DI');
});

test('the catalogue is searched by the words of the trade', async ({ page }) => {
  await page.goto('/kit?rig=lock-nine');
  const catalogue = page.getByRole('combobox', { name: 'From the catalogue' });
  // A key that comes before the page listens is lost.
  await expect(async () => {
    await page.keyboard.press('n');
    await expect(catalogue).toBeVisible({ timeout: 1000 });
  }).toPass();
  for (const [word, kind] of [
    ['lavalier', 'Lavalier or electret, plug-in power'],
    ['keyboard', 'Line output'],
    ['mixer', 'Device with inlets'],
    ['SDC', 'Condenser, 9 to 52 V'],
    ['snake', 'Multicore line'],
    ['XLR', 'Cable'],
  ]) {
    await catalogue.fill(word);
    await expect(page.getByRole('option', { name: kind, exact: true })).toBeVisible();
  }
});

test('from an empty rig: three devices in three presses, twelve lines typed, all of them judged', async ({ page }) => {
  const made = await page.request.post('/api/rigs', {
    data: { format: 'inlet-check', version: 2, name: 'From nothing', devices: [], lines: [] },
  });
  const { id } = await made.json();
  await page.goto(`/rig?rig=${id}`);
  const devices = page.getByRole('group', { name: 'Add a device' });
  for (const name of [/^Desk 16/, /^Bag recorder/, /^Camera/]) await devices.getByRole('button', { name }).click();
  await page.keyboard.press('/');
  await page.keyboard.insertText(TWELVE_LINES.join('\n'));
  await page.getByRole('button', { name: 'Add 12 lines' }).click();
  await expect(row(page, 'Voice')).toContainText(/Stop|Silent|Watch|Clear/);
  await expect(row(page, 'Piano R')).toContainText(/Stop|Silent|Watch|Clear/);
  await saved(page);
  expect(await linesOf(page, id)).toHaveLength(12);
});
