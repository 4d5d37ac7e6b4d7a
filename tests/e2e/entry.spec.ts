import { Workbook } from 'exceljs';
import { TWELVE_LINES } from '../lists/twelveLines';
import { expect, pageWith, test, type Page } from './test';
import { copyOf, fewOf, openEmpty, openRig, row, saved, verdict } from './rig';

const linesOf = async (
  page: Page,
  rig: string,
): Promise<
  {
    name: string;
    note?: string;
    location?: string;
    links: { name?: string }[];
    inlet: { device: string; inlet: string };
  }[]
> => (await (await page.request.get(`/api/rigs/${rig}`)).json()).document.lines;

test('from nothing to a run sheet: three devices, twelve lines, the first step; clicks and keys are counted', async ({
  page,
}) => {
  let [clicks, keys] = [0, 0];
  const click = async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
    clicks += 1;
    await page.getByRole(role, { name }).first().click();
  };
  const type = async (text: string) => {
    keys += text.length;
    await page.keyboard.type(text);
  };
  await openEmpty(page);
  await click(/^Desk 16/);
  await click(/^Bag recorder/);
  await click(/^Camera/);
  const press = async (key: string) => {
    keys += 1;
    await page.keyboard.press(key);
  };
  await press('/');
  for (const line of TWELVE_LINES) {
    await type(line);
    await press('Escape');
    await press('Enter');
    await expect(page.getByLabel('Type a line')).toHaveValue('');
  }
  expect(keys).toBeLessThan(400);
  await expect(row(page, 'Piano R')).toContainText(/Stop|Silent|Watch|Clear/);
  await saved(page);
  await click('Switch', 'link');
  await click('Start from here: Unknown: treat everything as live');
  await click('Begin');
  await expect(page.getByRole('region', { name: 'The next step' })).toBeVisible();
  console.log(`from nothing to a run sheet: ${clicks} clicks, ${keys} keys`);
  expect(clicks).toBeLessThanOrEqual(250);
  expect(keys).toBeLessThanOrEqual(700);
});

test('a rig to begin from, and taken back', async ({ page }) => {
  const rig = await openEmpty(page);
  await page.getByRole('button', { name: /^String quartet/ }).click();
  await expect(row(page, 'Spot 4')).toContainText('Clear');
  await saved(page);
  expect(await linesOf(page, rig)).toHaveLength(6);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'An empty rig' })).toBeVisible();
});

test('an input list is pasted: what each row becomes, what it asks for, a word where one is missing', async ({
  page,
}) => {
  const rig = await fewOf(page, 'List trial');
  await openRig(page, rig);
  await page.keyboard.press('i');
  await page
    .getByLabel(/Or paste a list/)
    .fill(
      'Saturday matinee,,,,\nCh,Name,Mic,48V,Stand\n15,Cello,SDC,no,tall boom\n16,Host,dynamic,,round base\n,Visitor,whatsit,,\n,spare,,,',
    );
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('2 lines, 1 spare, 1 row needs your answer.');
  await expect(dialog.getByRole('row', { name: /Cello/ })).toContainText('The list says no 48 V');
  await expect(dialog).toContainText('Kept in the rig’s note: Saturday matinee · spare');
  // A column can be said to be something else.
  await dialog.getByRole('combobox', { name: 'Stand' }).click();
  await page.getByRole('option', { name: 'Position' }).click();
  await dialog.getByRole('button', { name: 'Add 2 lines, keep the rest here' }).click();
  // The row that nobody understood is still there, and is told by hand.
  await expect(dialog.getByRole('row', { name: /Visitor/ })).toContainText('“whatsit” is not in the kit');
  await dialog.getByLabel('What is Visitor?').fill('ribbon');
  await dialog.getByLabel('What is Visitor?').press('Enter');
  await dialog.getByRole('button', { name: 'Add 1 line' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(row(page, 'Visitor')).toBeVisible();
  await saved(page);
  const made = (await linesOf(page, rig)).slice(-3);
  expect(made.map(({ name, note }) => [name, note])).toEqual([
    ['Cello', undefined],
    ['Host', undefined],
    ['Visitor', 'Mic: whatsit'],
  ]);
  expect(made[0].location).toBe('tall-boom');
});

test('a workbook is dropped on the sheet; one of its sheets is chosen', async ({ page }) => {
  const rig = await fewOf(page, 'Workbook trial');
  await openRig(page, rig);
  const book = new Workbook();
  book.addWorksheet('Notes').addRow(['call at nine']);
  const sheet = book.addWorksheet('Inputs');
  sheet.addRow(['Ch', 'Name', 'Mic']);
  sheet.addRow([15, 'Bow', 'dynamic']);
  const bytes = [...new Uint8Array(await book.xlsx.writeBuffer())];
  await page.getByRole('main').evaluate((main, content) => {
    const dropped = new DataTransfer();
    dropped.items.add(new File([new Uint8Array(content)], 'inputs.xlsx'));
    for (const type of ['dragover', 'drop'])
      main.dispatchEvent(new DragEvent(type, { dataTransfer: dropped, bubbles: true, cancelable: true }));
  }, bytes);
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: 'Sheet' }).click();
  await page.getByRole('option', { name: 'Inputs' }).click();
  await dialog.getByRole('button', { name: 'Add 1 line' }).click();
  await expect(row(page, 'Bow')).toContainText('inlet 15');
  // Another kind of workbook says what to do.
  await page.keyboard.press('i');
  await dialog.getByLabel(/^An input list/).setInputFiles({
    name: 'old.xls',
    mimeType: 'application/vnd.ms-excel',
    buffer: Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 1]),
  });
  await expect(dialog.getByRole('alert')).toContainText('old.xls can’t be imported. Nothing was changed.');
  await expect(dialog.getByRole('alert')).toContainText('save it as XLSX');
});

test('several lines at once, by mouse and by keyboard: cable, position, names, moved, removed, taken back', async ({
  page,
}) => {
  const rig = await openEmpty(page);
  await page.getByRole('button', { name: /^Band/ }).click();
  await page.getByRole('checkbox', { name: 'Mark Vocal 1' }).click();
  await page.getByRole('checkbox', { name: 'Mark Vocal 3' }).click({ modifiers: ['Shift'] });
  const panel = page.getByRole('complementary', { name: 'Why' });
  await expect(panel.getByRole('heading', { name: '3 lines marked' })).toBeVisible();
  const set = async (label: string, text: string) => {
    await panel.getByLabel(label).fill(text);
    await panel.getByLabel(label).press('Enter');
  };
  // Whoever is quicker than the script that reads a changed rig loses none of it.
  let come = () => {};
  const held = new Promise<void>((resolve) => (come = resolve));
  await page.route('**/_next/static/**/*.js', (route) => held.then(() => route.continue()));
  await set('Cable of each', '25 m');
  await set('Position of each source', 'Foredeck');
  await set('Names in a series', 'Singer #');
  await expect(row(page, 'Vocal 3')).toBeVisible();
  come();
  await expect(row(page, 'Singer 3')).toBeVisible();
  await panel.getByRole('button', { name: 'Move lines' }).click();
  await saved(page);
  const three = (await linesOf(page, rig)).slice(0, 3);
  expect(three.map(({ name, location, links }) => [name, location, links[0].name])).toEqual(
    [1, 2, 3].map((n) => [`Singer ${n}`, 'foredeck', 'cable 25 m']),
  );
  await set('Cable of each', 'a rope');
  await expect(panel.getByRole('alert')).toContainText(
    '“a rope” is not a length or a cable of the kit. Nothing was changed.',
  );
  // From the keyboard: the one that is left and the next are marked, Delete takes them, Undo brings them back.
  await panel.getByRole('button', { name: 'Clear marks' }).click();
  await row(page, 'Kick').getByRole('button', { name: /^Kick/ }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Shift+J');
  await expect(panel.getByRole('heading', { name: '2 lines marked' })).toBeVisible();
  await expect(row(page, 'Snare').getByRole('button', { name: /^Snare/ })).toBeFocused();
  await page.keyboard.press('Delete');
  await expect(row(page, 'Kick')).toHaveCount(0);
  await expect(row(page, 'Snare')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(row(page, 'Kick')).toBeVisible();
});

test('lines are copied into another rig, whole; as text they are what somebody would type', async ({ browser }) => {
  const page = await pageWith(browser, { permissions: ['clipboard-read', 'clipboard-write'] });
  const from = await fewOf(page, 'Copied from');
  const to = await openEmpty(page);
  await page.getByRole('button', { name: /^Desk 16/ }).click();
  await saved(page);
  await openRig(page, from);
  await page.getByRole('checkbox', { name: 'Mark Announcer', exact: true }).click();
  await page.keyboard.press('Control+c');
  await expect(
    page.getByText('1 line copied. Paste with Ctrl V, or from the menu of this rig or another.'),
  ).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(
    /^dynamic, announcer "Announcer" > cable 20 m, old > Hold desk 8$/,
  );
  await page.goto(`/rig?rig=${to}`);
  await expect(page.getByRole('combobox', { name: 'Type a line' })).toBeVisible();
  await page.keyboard.press('Control+v');
  await expect(row(page, 'Announcer')).toBeVisible();
  await expect(page.getByText('1 line added. 1 line is on another inlet')).toBeVisible();
  await saved(page);
  const [line] = await linesOf(page, to);
  // The broken cable came along as it is.
  expect(JSON.stringify(line.links)).toContain('faults');
  // A list that is pasted anywhere is read as one.
  await page.evaluate(() => navigator.clipboard.writeText('1. Host - dynamic\n2. Violin - SDC'));
  await page.keyboard.press('Control+v');
  await expect(page.getByRole('dialog')).toContainText('2 lines');
  await page.context().close();
});

test('on a phone lines are copied in the panel and pasted from the menu of another rig', async ({ browser }) => {
  const page = await pageWith(browser, { viewport: { width: 390, height: 844 } });
  const from = await fewOf(page, 'Copied by thumb');
  const to = await openEmpty(page);
  await page.getByRole('button', { name: /^Desk 16/ }).click();
  await expect
    .poll(async () => (await (await page.request.get(`/api/rigs/${to}`)).json()).document.devices.length)
    .toBe(1);
  await openRig(page, from);
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitem', { name: 'Mark several lines' }).click();
  await page.getByRole('checkbox', { name: 'Mark Announcer', exact: true }).click();
  await page.getByRole('button', { name: 'Change it' }).click();
  await page.getByRole('button', { name: 'Copy 1 line' }).click();
  await expect(page.getByText('1 line copied.')).toBeVisible();
  await page.goto(`/rig?rig=${to}`);
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitem', { name: 'Paste 1 line' }).click();
  await expect(page.getByText('1 line added.')).toBeVisible();
  await expect(row(page, 'Announcer')).toBeVisible();
  await page.context().close();
});

test('by API: an input list is looked at, then put in; what is wrong is told', async ({ page, request }) => {
  const rig = await copyOf(page, 'List by API');
  const post = (data: string, query = '') =>
    request.post(`/api/rigs/${rig}/input-list${query}`, { headers: { 'content-type': 'text/csv' }, data });
  const looked = await (await post('Ch,Name,Mic\n15,Bow,dynamic')).json();
  expect(looked).toMatchObject({ applied: false, columns: ['number', 'name', 'source'], rows: [{ becomes: 'lines' }] });
  expect(await (await post('Ch,Name,Mic\n15,Bow,dynamic', '?apply=1')).json()).toMatchObject({
    applied: true,
    revision: 2,
  });
  expect((await post('Ch,Name,Mic\n15,Bow,dynamic', '?apply=1')).status()).toBe(409);
  expect((await post('Ch,Name,Mic\n1,"Bow', '?apply=2')).status()).toBe(400);
  // It goes out in the columns it came in, and in more where those have no place for something.
  const list = async (query = '') => (await request.get(`/api/rigs/${rig}/input-list${query}`)).text();
  expect(await list()).toMatch(/^Ch,Name,Mic,Via,Device,Inlet,Position(,Notes)?\r\n1,/);
  expect(await list('?columns=usual')).toMatch(/^Ch,Name,Mic\/DI,Via,Device,Inlet,48V,Position,Notes\r\n1,/);
});

test('keys and glossary: by ? and by a press; words of a finding say what they mean', async ({ page }) => {
  await page.goto('/rig?rig=lock-nine&line=ribbon-left');
  await expect(verdict(page)).toHaveText('Stop');
  await page.keyboard.press('Shift+?');
  const help = page.getByRole('dialog', { name: 'Keys and glossary' });
  await expect(help.getByRole('region', { name: 'Keys: Rig' })).toContainText('Type lines');
  await help.getByLabel('Find a word').fill('centre tap');
  await expect(help).toContainText('On pin 1 it lets phantom flow through the transformer.');
  await page.keyboard.press('Escape');
  await page.getByRole('complementary', { name: 'Why' }).getByRole('link', { name: 'centre tap' }).first().click();
  await expect(page.getByRole('dialog', { name: 'centre tap' })).toContainText('The middle of an output winding.');
  await page.goto('/glossary');
  await expect(page.getByText('Equal DC on both signal conductors')).toBeVisible();
});
