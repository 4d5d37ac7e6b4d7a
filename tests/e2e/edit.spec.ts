import { drawn, expect, test, type Page } from './test';
import { choose, copyOf, feed, fewOf, finding, openLine, openRig, row, saved, select, tab, verdict, why } from './rig';

const pick = async (page: Page, label: string, option: string) => {
  await page.getByRole('combobox', { name: label }).fill(option);
  await page.getByRole('option', { name: option, exact: true }).first().click();
};

test('a new line from the kit, by keys; then a link, a fault, a figure', async ({ page }) => {
  const rig = await fewOf(page, 'Building trial');
  await openRig(page, rig);
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'Add the line' }).click();
  await expect(page.getByText('Choose what makes the sound')).toBeVisible();
  await pick(page, 'Source', 'large condenser');
  await pick(page, 'Inlet', 'Hold desk, inlet 15');
  await page.getByLabel('Name of the line').fill('Bow');
  await page.getByRole('button', { name: 'Add the line' }).click();
  await expect(verdict(page)).toHaveText('Clear');
  await expect(row(page, 'Bow')).toContainText('inlet 15');

  await row(page, 'Bow').getByRole('button', { name: 'Add a link before the inlet' }).click();
  await page.getByRole('menuitem', { name: /^Polarity-reverse adapter/ }).click();
  await tab(page, 'Why').click();
  await expect(finding(page, /Polarity reversed/)).toBeVisible();
  await tab(page, 'Parts').click();
  await why(page).getByRole('button', { name: 'Remove this link' }).click();
  await why(page).getByRole('button', { name: 'Cable', exact: true }).click();
  await why(page).getByRole('button', { name: 'Add a fault' }).click();
  await expect(verdict(page)).toHaveText('Watch');
  await expect(page.getByRole('img', { name: /source: pin 2 .*27\.6 V/ })).toBeVisible();
  await why(page).getByRole('button', { name: 'Remove fault 1' }).click();
  await why(page).getByRole('button', { name: 'large condenser', exact: true }).click();
  await why(page).getByLabel('Supply current', { exact: true }).fill('900');
  await why(page).getByLabel('Supply current', { exact: true }).press('Enter');
  await expect(why(page).getByText('From 0.05 to 22 mA')).toBeVisible();
  await why(page).getByLabel('Supply current', { exact: true }).fill('5,2');
  await why(page).getByLabel('Supply current', { exact: true }).press('Enter');
  await expect(row(page, 'Bow')).toContainText('gets 30.3 V');
  await saved(page);
  await page.reload();
  await expect(row(page, 'Bow')).toContainText('gets 30.3 V');
});

test('lines are duplicated, moved, reordered and removed, and everything is undone', async ({ page }) => {
  const rig = await copyOf(page, 'Moving trial');
  await openLine(page, 'Trio, pair A left', rig);
  await page.getByRole('button', { name: 'Duplicate this line' }).click();
  await expect(row(page, 'Trio, pair A left 2')).toContainText('inlet 15');
  await page.getByRole('button', { name: 'Move to another inlet' }).click();
  await page.getByRole('menuitem', { name: /^Bag recorder, inlet 6/ }).click();
  await expect(row(page, 'Trio, pair A left 2')).toContainText('Silent');
  await page.getByRole('button', { name: 'Remove this line' }).click();
  await expect(page.getByText('Undo brings it back.')).toBeVisible();
  await expect(row(page, 'Trio, pair A left 2')).toHaveCount(0);
  for (let n = 0; n < 3; n++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row(page, 'Trio, pair A left 2')).toHaveCount(0);

  const names = () =>
    page
      .getByRole('region', { name: 'Hold desk, bank A' })
      .getByRole('listitem')
      .evaluateAll((rows) => rows.map((each) => each.getAttribute('data-line')));
  await select(page, 'Trio, pair A left');
  await page.keyboard.press('Alt+ArrowDown');
  await expect.poll(names).toEqual(expect.arrayContaining(['pair-a-right', 'pair-a-left']));
  expect((await names()).slice(0, 2)).toEqual(['pair-a-right', 'pair-a-left']);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await names())[0]).toBe('pair-a-left');
});

test('a line is carried by its grip: with the keyboard within its switch, with the mouse to a free inlet', async ({
  page,
}) => {
  const rig = await copyOf(page, 'Carrying trial');
  await openRig(page, rig);
  const grip = (name: string) =>
    page.getByRole('button', { name: `Move ${name}. Space to pick up, arrows to move, space to drop.` });
  await grip('Trio, pair A left').focus();
  await page.keyboard.press('Space');
  await drawn(page);
  await page.keyboard.press('ArrowDown');
  await drawn(page);
  await page.keyboard.press('Space');
  const first = page.getByRole('region', { name: 'Hold desk, bank A' }).getByRole('listitem').first();
  await expect(first).toContainText('Trio, pair A right');

  await grip('Double bass').scrollIntoViewIfNeeded();
  const slot = page.getByRole('region', { name: 'Hold desk, bank B' }).getByText('16', { exact: true });
  await slot.scrollIntoViewIfNeeded();
  await grip('Laptop, playback').hover();
  await page.mouse.down();
  const to = (await slot.boundingBox())!;
  await page.mouse.move(to.x + 10, to.y - 30, { steps: 8 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(row(page, 'Laptop, playback')).toContainText('inlet 16');
  await saved(page);
});

test('a device is built, its switch offered, and what does not go together is refused', async ({ page }) => {
  const rig = await fewOf(page, 'Device trial');
  await openRig(page, rig);
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitem', { name: 'New device' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name', { exact: true }).fill('Stage box');
  await dialog.getByRole('button', { name: 'Add an inlet' }).click();
  await dialog.getByRole('textbox', { name: 'Number', exact: true }).nth(2).fill('1');
  await dialog.getByRole('button', { name: 'Add the device' }).click();
  const third = dialog.getByRole('textbox', { name: 'Number', exact: true }).nth(2);
  await expect(third).toHaveAccessibleDescription(/same id as/);
  await expect(third).toBeFocused();
  await third.fill('3');
  await dialog.getByRole('button', { name: 'Figures of all 3 inlets: XLR microphone inlet' }).click();
  await dialog.getByLabel('Maximum gain', { exact: true }).fill('72');
  await page.keyboard.press('Enter');
  await dialog.getByLabel('Minimum gain', { exact: true }).fill('12');
  await dialog.getByLabel('Maximum total feed current (mA)').fill('20');
  await dialog.getByLabel('Where it is').fill('back panel, red');
  await dialog.getByRole('button', { name: 'Add the device' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Stage box, inlets 1–2' })).toBeVisible();
  await feed(page, 'Stage box, inlets 1–2', '48 V').click();
  await page.getByRole('button', { name: 'Stage box, inlets 1–2', exact: true }).click();
  await expect(why(page)).toContainText('Where: back panel, red');
  await expect(why(page)).toContainText('20 mA maximum');
  await saved(page);
  const { document } = await (await page.request.get(`/api/rigs/${rig}`)).json();
  const { inlets } = document.devices.find(({ name }: { name: string }) => name === 'Stage box');
  expect(inlets.map(({ figures }: { figures: object }) => figures)).toEqual(
    Array(3).fill({
      gainMax: { value: 72, unit: 'dB', basis: 'maker' },
      gainMin: { value: 12, unit: 'dB', basis: 'maker' },
    }),
  );
  // Another job may want it too: it goes into the kit as it is, with its feed off.
  await why(page).getByRole('button', { name: 'Edit Stage box' }).click();
  await dialog.getByRole('button', { name: 'Save, and add to the kit' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('Stage box is in the kit.')).toBeVisible();
  await saved(page);
  const owned = (await (await page.request.get('/api/kit/stage-box')).json()) as {
    device: { groups: object[]; feedLimit: object };
    count: number;
  };
  expect(owned.count).toBe(1);
  expect(owned.device.groups[0]).toMatchObject({ offers: ['P48'], feed: 'off', control: 'back panel, red' });
  expect(owned.device.feedLimit).toMatchObject({ value: 20 });
  await why(page).getByRole('button', { name: 'Edit Stage box' }).click();
  await expect(dialog.getByRole('button', { name: 'Save the device' })).toBeVisible();
  await expect(dialog.getByRole('button', { name: /add to the kit/ })).toHaveCount(0);
});

test('a maker’s answer, with who and when, is a fact on every line and in the kit', async ({ page }) => {
  // A ribbon of its own, so that the other tests find theirs as it was.
  const ribbon = await (await page.request.get('/api/kit/ribbon-right')).json();
  await page.request.put('/api/kit/lent-ribbon', { data: { ...ribbon, id: 'lent-ribbon', name: 'lent ribbon' } });
  const lent = (text: string) => text.replaceAll('"item":"ribbon-right"', '"item":"lent-ribbon"');
  const rig = await copyOf(page, 'Answer trial', 'lock-nine', lent);
  const other = await copyOf(page, 'Other rig of the same ribbon', 'lock-nine', lent);
  await openLine(page, 'Trio, ribbon right', rig);
  await finding(page, /passive ribbon/)
    .getByRole('button', { name: /no centre tap/ })
    .click();
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(page.getByText('Who says so?')).toBeVisible();
  await page.getByLabel('Who answered').fill('maker');
  await page.getByLabel('Where it is written').fill('letter of May');
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(verdict(page)).toHaveText('Watch');
  await openLine(page, 'Trio, ribbon right', other);
  await expect(verdict(page)).toHaveText('Watch');
  await page.goto(`/kit?rig=${rig}`);
  await page.getByLabel('Find in the kit').fill('lent');
  await page.getByRole('gridcell', { name: 'lent ribbon', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Recorded answers' })).toContainText(
    /maker, \d{4}-\d\d-\d\d, letter of May/,
  );
});

test('the history says what each revision changed, and goes back', async ({ page }) => {
  const rig = await fewOf(page, 'History trial');
  await openRig(page, rig);
  await feed(page, 'Hold desk, bank A', 'off').click();
  await expect(page.getByRole('status').filter({ hasText: 'revision 2' })).toBeVisible();
  await page.keyboard.press('h');
  const revisions = page.getByRole('list', { name: 'Revisions' });
  await expect(revisions.getByRole('button').first()).toContainText('Hold desk, bank A: off');
  await revisions.getByRole('button', { name: /Created/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Hold desk changed: switches');
  await page.getByRole('button', { name: 'Restore revision 1' }).click();
  await expect(row(page, 'Trio, ribbon left')).toContainText('Stop');
  await expect(page.getByRole('status').filter({ hasText: 'revision 3' })).toBeVisible();
});

test('how long revisions are kept is set in the history, and how large the file is stands beside it', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Keeping trial');
  await openRig(page, rig);
  await page.keyboard.press('h');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText(/The database is [\d.]+ MB/);
  await choose(page, 'Keep every revision', 'for ever');
  await expect(dialog).toContainText('All rigs.');
  await openRig(page, rig);
  await page.keyboard.press('h');
  await expect(dialog.getByRole('combobox', { name: 'Keep every revision' })).toHaveText('for ever');
});

test('undo and redo go on across places and reloads', async ({ page }) => {
  const rig = await fewOf(page, 'Undo trial');
  await openRig(page, rig);
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
  await feed(page, 'Hold desk, bank A', 'off').click();
  await expect(page.getByRole('status').filter({ hasText: 'revision 2' })).toBeVisible();
  await feed(page, 'Bag recorder, pair 3–4', '48 V').click();
  await expect(page.getByRole('status').filter({ hasText: 'revision 3' })).toBeVisible();
  await openRig(page, rig);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: 'revision 4' })).toBeVisible();
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await expect(row(page, 'Trio, ribbon left')).toContainText('Stop');
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
  await page.keyboard.press('Control+Shift+z');
  await expect(row(page, 'Trio, ribbon left')).not.toContainText('Stop');
});

test('a removed rig is found and put back, also when it was the only one left', async ({ page }) => {
  const rig = await fewOf(page, 'Removed trial');
  await openRig(page, rig);
  await page.getByRole('button', { name: 'Rig: Removed trial' }).click();
  await page.getByRole('menuitem', { name: 'Remove this rig' }).click();
  await expect(page.getByText('The rig was removed.')).toBeVisible();
  const { rigs } = await (await page.request.get('/api/rigs')).json();
  const ids = rigs.map(({ id }: { id: string }) => id);
  for (const id of ids) await page.request.delete(`/api/rigs/${id}`);
  await page.goto('/rig');
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitem', { name: 'Removed rigs' }).click();
  await page.getByRole('button', { name: 'Put back Removed trial' }).click();
  await expect(page.getByRole('button', { name: 'Rig: Removed trial' })).toBeVisible();
  for (const id of ids) await page.request.post(`/api/rigs/${id}/restore`);
});

test('when the server does not answer the change is kept, said, and saved later', async ({ page }) => {
  const rig = await fewOf(page, 'Offline trial');
  await openRig(page, rig);
  await page.route('**/api/rigs/*', (route) => route.abort());
  await feed(page, 'Hold desk, bank A', 'off').click();
  await expect(page.getByRole('status').filter({ hasText: 'not saved' })).toContainText('kept on this page');
  await expect(row(page, 'Trio, ribbon left')).toContainText('Clear');
  await page.unroute('**/api/rigs/*');
  await saved(page);
});

test('a phone: choose a line, read why, apply a remedy, go back to the sheet', async ({ browser }) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  const rig = await copyOf(page, 'Phone trial');
  await openLine(page, 'Wheelhouse, short shotgun', rig);
  await expect(verdict(page)).toHaveText('Watch');
  await why(page)
    .getByRole('button', { name: /switched off \(record it\)/ })
    .click();
  await expect(verdict(page)).toHaveText('Clear');
  await page.getByRole('button', { name: 'Back to the sheet' }).click();
  await expect(row(page, 'Wheelhouse, short shotgun')).toContainText('Clear');
  await page.close();
});

test('an empty rig says what to do first', async ({ page }) => {
  await openRig(page);
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitem', { name: 'New rig' }).click();
  await expect(page.getByRole('heading', { name: 'An empty rig' })).toBeVisible();
  await page.getByRole('button', { name: 'Set up another device' }).click();
  await page.getByRole('combobox', { name: 'Begin with' }).click();
  await page.getByRole('option', { name: 'Hold desk' }).click();
  await page.getByRole('button', { name: 'Add the device' }).click();
  await expect(page.getByRole('region', { name: 'Hold desk, bank B' })).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitem', { name: 'Remove this rig' }).click();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('region', { name: 'Hold desk, bank B' })).toBeVisible();
});

test('keys alone: next and previous line, a remedy, the switch', async ({ page }) => {
  const rig = await copyOf(page, 'Keys trial');
  await openRig(page, rig);
  const heading = why(page).getByRole('heading', { level: 2 });
  await expect(heading).toHaveText('Problems, worst first');
  await page.keyboard.press('j');
  await expect(heading).toHaveText('Trio, pair A left');
  await page.keyboard.press('j');
  await page.keyboard.press('j');
  await expect(heading).toHaveText('Trio, ribbon left');
  // Back and forth while the switches are still being tried: the page goes on answering.
  for (let n = 0; n < 6; n++) {
    await feed(page, 'Stream interface, both inlets', n % 2 ? '48 V' : 'off').click();
    await select(page, n % 2 ? 'Announcer' : 'Camera');
    await page.keyboard.press('o');
  }
  await page.keyboard.press('o');
  await expect(heading).toHaveText('Problems, worst first');
  await page.keyboard.press('j');
  await page.keyboard.press('j');
  await page.keyboard.press('k');
  await page.keyboard.press('j');
  await expect(heading).toHaveText('Trio, pair A right');
  await page.keyboard.press('d');
  await expect(heading).toHaveText('Trio, pair A right 2');
  // Keys belong to what is open over the page: nothing behind it is removed, duplicated or opened.
  await page.getByRole('button', { name: 'Rig: ' }).click();
  await page.keyboard.press('n');
  await page.keyboard.press('Delete');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('menu')).toHaveCount(0);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('h');
  const history = page.getByRole('dialog', { name: 'History' });
  await expect(history).toBeVisible();
  await history.getByRole('button', { name: 'Close' }).focus();
  for (const key of ['Delete', 'd', 'n', 'm']) await page.keyboard.press(key);
  await expect(page.getByRole('dialog')).toHaveCount(1);
  await page.keyboard.press('Escape');
  await expect(history).toBeHidden();
  await expect(row(page, 'Trio, pair A right 2')).toHaveCount(1);
  const lines = await page.getByRole('listitem').count();
  // Pressed twice, it takes nothing else away.
  await page.keyboard.press('Delete');
  await expect(row(page, 'Trio, pair A right 2')).toHaveCount(0);
  await page.keyboard.press('Delete');
  await page.keyboard.press('Delete');
  await expect(heading).toHaveText('Problems, worst first');
  expect(await page.getByRole('listitem').count()).toBeGreaterThanOrEqual(lines - 1);
  await select(page, 'Trio, ribbon left');
  await finding(page, /passive ribbon/)
    .getByRole('button', { name: /Add .*isolating transformer/ })
    .focus();
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toHaveText('Clear');
  await choose(page, 'Probe, red tip', '2, at the inlet');
  await expect(page.getByLabel('Meter reads')).toHaveText(/^47\.\d\d V$/);
});
