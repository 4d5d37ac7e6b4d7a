import { expect, test, type Page } from './test';
import { fewOf, openNoise, reading } from './rig';
import { setUp, step } from './runSheet';

const opened = async (page: Page, name: string, tab: string) => {
  const rig = await fewOf(page, name);
  await page.goto(`/test?rig=${rig}`);
  await page.getByRole('tab', { name: tab }).click();
  return rig;
};
const rows = (page: Page) => page.getByRole('list', { name: 'Register of cables' }).getByRole('listitem');

test('a cable gets a label, is tested, retired and used again; what is due stands first; the kit knows', async ({
  page,
}) => {
  await opened(page, 'Register trial', 'Register');
  await expect(rows(page).first()).toContainText('Due since');
  await expect(rows(page).last()).toContainText('Retired 11 Apr 2026');
  const form = page.getByRole('form', { name: 'Label a cable' });
  await form.getByRole('combobox', { name: 'One of' }).click();
  await page.getByRole('option', { name: /^cable 10 m/ }).click();
  await form.getByLabel('On its label').fill('cable A 3');
  await page.keyboard.press('Enter');
  await expect(form).toContainText('“cable A 3” is taken');
  await form.getByLabel('On its label').fill('B 7');
  await page.keyboard.press('Enter');
  const own = rows(page).filter({ hasText: 'B 7' });
  await expect(own).toContainText('Never tested');
  const kit = await (await page.request.get('/api/kit')).json();
  const named = (name: string) => kit.items.find((item: { name: string }) => item.name === name);
  expect([named('cable 10 m').count, named('B 7').count]).toEqual([3, 1]);
  // By keyboard: chosen, tested by the box, and back in the register.
  await own.getByRole('button').focus();
  await page.keyboard.press('Enter');
  const panel = page.getByRole('complementary', { name: 'This cable' });
  await expect(panel.getByRole('heading', { name: 'B 7' })).toBeVisible();
  await panel.getByRole('combobox', { name: 'Test it' }).click();
  await page.getByRole('option', { name: 'every year' }).click();
  await expect(own).toContainText('Due since');
  await panel.getByRole('button', { name: 'Test it' }).click();
  await expect(page.getByLabel('Label, or cable of the kit')).toHaveValue('B 7');
  await page.getByRole('combobox', { name: 'Test it by' }).click();
  await page.getByRole('option', { name: 'Cable box' }).click();
  await page
    .getByRole('group', { name: 'Answers' })
    .getByRole('button', { name: /^As it should be/ })
    .click();
  await page.getByRole('button', { name: 'Keep it, next cable' }).click();
  await page.getByRole('tab', { name: 'Register' }).click();
  await expect(own).not.toContainText('Due since');
  await expect(panel).toContainText('next test');
  await panel.getByRole('button', { name: 'Retire it' }).click();
  await expect(own).toContainText('Retired');
  await expect
    .poll(async () => (await (await page.request.get(`/api/kit/${named('B 7').id}`)).json()).register)
    .toMatchObject({
      testEvery: 365,
      retired: expect.stringMatching(/^\d{4}-\d\d-\d\d$/),
    });
  await panel.getByRole('button', { name: 'Back in use' }).click();
  await expect(own).not.toContainText('Retired');
});

test('labels carry a code that opens the cable; the kit’s table carries the register both ways', async ({ page }) => {
  const rig = await opened(page, 'Label trial', 'Register');
  await page.getByRole('link', { name: 'Print labels' }).click();
  const labels = page.getByRole('list', { name: 'Labels' }).getByRole('listitem');
  await expect(
    labels.filter({ hasText: 'cable 20 m, tested' }).getByRole('img', { name: /^Opens cable 20 m/ }),
  ).toBeVisible();
  await expect(labels.filter({ hasText: 'cable A 3' })).toHaveCount(0);
  // What the code says is an address of this place.
  await page.goto(`/test?rig=${rig}&cable=cable-20-m`);
  await expect(page.getByRole('complementary', { name: 'This cable' })).toContainText('cable 20 m, tested');
  const csv = await (await page.request.get('/api/kit?format=csv')).text();
  expect(csv.split('\n')[0]).toContain('bought');
  expect(csv).toContain('2026-04-11');
  const post = (body: string) =>
    page.request.post('/api/kit?format=csv', { data: body, headers: { 'content-type': 'text/csv' } });
  const read = await (await post('name,bought,test every (days)\n"cable 20 m, tested",2024-05-06,90\n')).json();
  expect(read.rows[0]).toMatchObject({ did: 'changes', what: 'register' });
  const wrong = await (await post('name,bought\n"cable 20 m, tested",6 May\n')).json();
  expect(wrong.rows[0]).toMatchObject({ did: 'refused', what: expect.stringContaining('must be a date') });
});

test('inlets in a row: lamps by keyboard, meter and load by Enter, a weak one told, kept, printed, used on the rig', async ({
  page,
}) => {
  const rig = await opened(page, 'Inlet trial', 'Inlets');
  const list = page.getByRole('list', { name: 'Inlets of Hold desk' });
  await list.getByRole('group', { name: 'Lamps at inlet 2' }).getByRole('button', { name: 'Only 3' }).focus();
  await page.keyboard.press('Space');
  await expect(list.getByRole('listitem').nth(1)).toContainText('No feed on pin 2');
  await page.getByRole('button', { name: 'Meter and load' }).click();
  await list.getByLabel('inlet 1, Open 2-1, V').fill('48');
  for (const read of ['48', '24', '21.9']) {
    await page.keyboard.press('Enter');
    await page.keyboard.type(read);
  }
  await expect(list.getByRole('listitem').first()).toContainText('Pin 3 weak: 8.1 kΩ');
  await expect(page.getByText('1 of 16 read')).toBeVisible();
  // A change of place, and it is all still there.
  await page.reload();
  await page.getByRole('tab', { name: 'Inlets' }).click();
  await expect(list.getByLabel('inlet 1, Load 3-1, V')).toHaveValue('21.9');
  await page.getByRole('button', { name: 'Use them on the rig, as measured' }).click();
  await expect(page.getByRole('status').first()).toHaveText(/^saved/);
  const saved = await (await page.request.get(`/api/rigs/${rig}`)).json();
  const desk = saved.document.devices.find(({ id }: { id: string }) => id === 'desk');
  expect(desk.inlets[0].figures).toMatchObject({ feedVolts: { value: 48, basis: 'measured' } });
  await page.route('**/inlet-sheets', (route) => route.abort());
  await page.getByRole('button', { name: 'Keep this sheet' }).click();
  await expect(page.getByText('Not kept: No connection')).toBeVisible();
  await page.unroute('**/inlet-sheets');
  await page.getByRole('button', { name: 'Keep this sheet' }).click();
  const sheets = page.getByRole('list', { name: 'Inlet sheets' }).getByRole('listitem');
  await expect(sheets).toHaveCount(1);
  await sheets.getByRole('link', { name: /^Print/ }).click();
  await expect(page.getByRole('heading', { name: 'Inlets of Hold desk' })).toBeVisible();
  await expect(page.getByRole('row').nth(1)).toContainText('Pin 3 weak: 8.1 kΩ, outside 6.12 kΩ to 7.48 kΩ');
  await page.goto(`/log?rig=${rig}`);
  await expect(page.getByText('Hold desk: 1 inlet read', { exact: false })).toBeVisible();
});

test('how likely things are can be said otherwise, and counts; which end it was is asked once and remembered', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Likely trial');
  await page.goto(`/test?rig=${rig}&line=announcer`);
  const left = page.getByRole('list', { name: 'What it can still be' }).getByRole('listitem');
  await expect(left.first()).not.toContainText('Muted');
  await page.getByRole('button', { name: 'How likely each fault is' }).click();
  const dialog = page.getByRole('dialog', { name: 'How likely each fault is' });
  const muted = dialog.getByLabel('Forgotten, or no fault at all: muted, gain or fader down');
  // However long the table: how to end it is in sight.
  await expect(dialog.getByRole('button', { name: 'Keep' })).toBeInViewport({ ratio: 1 });
  await muted.fill('5000');
  await expect(dialog.getByText('0.01 to 1000')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Keep' })).toBeDisabled();
  await muted.press('Enter');
  await expect(dialog).toBeVisible();
  await muted.fill('500');
  await muted.press('Enter');
  await expect(left.first()).toContainText(/^Muted/);
  await page.reload();
  await expect(left.first()).toContainText(/^Muted/);
  await page.getByRole('button', { name: 'How likely each fault is' }).click();
  await dialog.getByRole('button', { name: 'All as in the table' }).click();
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(left.first()).not.toContainText('Muted');
  await page.goto(`/test?rig=${rig}&line=announcer&heard=nothing`);
  await page.getByRole('button', { name: 'Do this: Swap cable 20 m, old for a good one' }).click();
  await page.getByRole('button', { name: 'It helped' }).click();
  const solved = page.getByRole('region', { name: 'Solved' });
  await solved.getByRole('group', { name: 'Which end was it?' }).getByRole('button', { name: 'Desk end' }).click();
  await expect(page.getByText('it’s the end to look at first', { exact: false })).toBeVisible();
  await solved.getByRole('button', { name: 'Something is wrong again' }).click();
  await page.reload();
  await page.getByRole('group', { name: 'Answers' }).getByRole('button', { name: 'Nothing at all' }).click();
  await page.getByRole('button', { name: 'Do this: Swap cable 20 m, old for a good one' }).click();
  await expect(page.getByRole('region', { name: 'Do this' })).toContainText(
    'at the desk end that time. Look there first.',
  );
});

test('from a step of the sheet and from a reading to the fault of that line', async ({ page }) => {
  const rig = await fewOf(page, 'Ways to a fault', 'lock-nine-mended');
  await setUp(page, rig, ['Announcer']);
  await step(page).getByRole('link', { name: 'No sound?' }).click();
  await expect(page.getByText('No sound, or a bad one, on Announcer')).toBeVisible();
  // A buzz that was measured leads there too, with what is heard answered already.
  await openNoise(page, rig, 'Announcer', 'Measure');
  await page.getByRole('combobox', { name: 'Add faults' }).click();
  await page.getByRole('option', { name: 'a ground loop' }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Simulated interface' }).click();
  await reading(page).getByRole('link', { name: 'Find out why on this line' }).click();
  await expect(page.getByText('Fault on Announcer · 1 answer so far')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Answered' })).toContainText('Hum or buzz');
  // Answers from before are not thrown away for what somebody comes with; who came says what to do.
  const answered = page.getByRole('list', { name: 'Answered' });
  await answered.getByRole('button').first().click();
  await page.getByRole('button', { name: 'Nothing at all' }).click();
  await expect(answered).toContainText('Nothing at all');
  await page.goto(`/test?rig=${rig}&line=announcer&heard=hum`);
  const came = page.getByRole('alert').filter({ hasText: 'You came here with “Hum or buzz”' });
  await expect(answered).toContainText('Nothing at all');
  await came.getByRole('button', { name: 'Keep the answers' }).press('Enter');
  await expect(came).toHaveCount(0);
  await page.goto(`/test?rig=${rig}&line=announcer&heard=hum`);
  await came.getByRole('button', { name: 'Begin with that' }).press('Enter');
  await expect(came).toHaveCount(0);
  await expect(answered).toContainText('Hum or buzz');
  await expect(answered.getByRole('listitem')).toHaveCount(1);
  // Taken back it stays so, though the address was once asked for with it.
  await answered.getByRole('button').first().click();
  await expect(answered).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Nothing at all' })).toBeVisible();
  await expect(answered).toHaveCount(0);
});
