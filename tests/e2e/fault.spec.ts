import { expect, test, type Page } from './test';
import { copyOf, fewOf } from './rig';

const question = (page: Page) => page.getByRole('region', { name: 'Question' });
const heading = (page: Page) => question(page).getByRole('heading');
const answer = (page: Page, text: string | RegExp) =>
  question(page).getByRole('group', { name: 'Answers' }).getByRole('button', { name: text });
const answered = (page: Page) => page.getByRole('list', { name: 'Answered' }).getByRole('listitem');
const left = (page: Page) => page.getByRole('list', { name: 'What it can still be' }).getByRole('listitem');

/** Asks for a look other than the one that is proposed. */
async function look(page: Page, text: RegExp) {
  await page.getByRole('button', { name: 'Look at something else' }).click();
  await page.getByRole('menuitem', { name: text }).click();
}

test('no sound on the announcer: three answers to another cable; it helped, the log says so, the rig is mended', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Fault trial');
  await page.goto(`/test?rig=${rig}&line=announcer`);
  await expect(heading(page)).toHaveText('What is heard at the desk while the source plays?');
  await answer(page, 'Nothing at all').click();
  await expect(answered(page)).toHaveCount(1);
  // 48 V on this bank harms others: until they are pulled, nothing is asked that needs it.
  await expect(page.getByRole('alert').filter({ hasText: 'harms Trio, ribbon left' })).toBeVisible();
  await page.getByRole('button', { name: 'Look at something else' }).click();
  await expect(page.getByRole('menuitem', { name: /^Does moving/ })).toBeVisible();
  await expect(page.getByRole('menuitem', { name: /^Which lamps/ })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'They are pulled' }).click();
  await look(page, /^Which lamps light at the source end/);
  await expect(heading(page)).toHaveText(/^Which lamps light at the source end/);
  await answer(page, /^Only lamp 2 lit/).click();
  await expect(left(page).first()).toContainText('Cable 20 m, old: pin 3 open');
  await look(page, /^Which lamps light at the inlet/);
  await answer(page, /^Both lit/).click();
  const act = page.getByRole('region', { name: 'Do this' });
  await expect(act.getByRole('heading')).toHaveText('Swap cable 20 m, old for a good one');
  // A reload finds it as it was.
  await page.reload();
  await expect(act.getByRole('heading')).toHaveText('Swap cable 20 m, old for a good one');
  await act.getByRole('button', { name: 'It helped' }).click();
  const solved = page.getByRole('region', { name: 'Solved' });
  await expect(solved).toContainText('Most likely: Cable 20 m, old: pin 3 open');
  await solved.getByRole('button', { name: 'Put a good one on the rig' }).click();
  await expect(solved.getByRole('button', { name: 'Put a good one on the rig' })).toHaveCount(0);
  await expect(page.getByRole('status').first()).toHaveText(/^saved/);
  const saved = await (await page.request.get(`/api/rigs/${rig}`)).json();
  const line = saved.document.lines.find(({ id }: { id: string }) => id === 'announcer');
  expect(line.links[0].faults).toBeUndefined();
  // Pressed by mistake: it is taken back, with every answer still there.
  await solved.getByRole('button', { name: 'It didn’t help after all' }).click();
  await expect(act.getByRole('heading')).toHaveText('Swap cable 20 m, old for a good one');
  await expect(answered(page)).toHaveCount(3);
  await page.goto(`/log?rig=${rig}`);
  await expect(page.getByText(/^Taken back: Swap cable 20 m, old/)).toBeVisible();
  await expect(page.getByText(/^Announcer: Swap cable 20 m, old for a good one\. It helped/)).toBeVisible();
});

test('what did not help is not proposed again; an answer can be taken back; what cannot be done is not asked', async ({
  page,
}) => {
  const rig = await fewOf(page, 'In vain');
  await page.goto(`/test?rig=${rig}&line=announcer&heard=nothing`);
  await expect(answered(page)).toHaveCount(1);
  const first = await heading(page).textContent();
  await page.getByRole('button', { name: 'I can’t do this' }).click();
  await expect(heading(page)).not.toHaveText(first!);
  await page.getByRole('button', { name: /^Ask again what I couldn’t do/ }).click();
  await expect(heading(page)).toHaveText(first!);
  await page.getByRole('button', { name: 'Do this: Swap cable 20 m, old for a good one' }).click();
  await page.getByRole('button', { name: 'It didn’t help' }).click();
  await expect(answered(page)).toHaveCount(2);
  await expect(answered(page).last()).toContainText('No, still the same');
  await expect(page.getByRole('button', { name: 'Do this: Swap cable 20 m, old for a good one' })).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo: Is it good with another one/ }).click();
  await expect(answered(page)).toHaveCount(1);
  await expect(page.getByRole('button', { name: 'Do this: Swap cable 20 m, old for a good one' })).toBeVisible();
});

test('by keyboard alone: an answer, what is at hand, readings typed, a wrong one refused in words', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Keys at a fault');
  await page.goto(`/test?rig=${rig}&line=announcer`);
  await expect(answer(page, 'Nothing at all')).toBeEnabled();
  await answer(page, 'Nothing at all').focus();
  await page.keyboard.press('Enter');
  await expect(answered(page)).toHaveCount(1);
  // What had the focus is gone: the next question has it.
  await expect(heading(page)).toBeFocused();
  await page.getByText(/^I only have/).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('checkbox', { name: 'Two-lamp stick' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(/^I only have/)).toContainText('6 of 7 tools');
  await page.getByRole('button', { name: 'They are pulled' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'They are in again' })).toBeFocused();
  await page.getByRole('button', { name: 'Look at something else' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem', { name: /^Which lamps/ })).toHaveCount(0);
  await page.getByRole('menuitem', { name: /^What does the voltmeter read at the source end/ }).focus();
  await page.keyboard.press('Enter');
  const form = page.getByRole('form', { name: 'Type the readings' });
  await form.getByLabel('Pins 2-1, V').fill('47,9');
  // What the meter reads is still there for somebody who had to look something up.
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Power each source has seen' })).toBeVisible();
  await page.goBack();
  await expect(form.getByLabel('Pins 2-1, V')).toHaveValue('47,9');
  await form.getByLabel('Pins 3-1, V').fill('nought');
  await form.getByLabel('Pins 3-2, V').fill('0');
  await page.keyboard.press('Enter');
  await expect(form).toContainText('A number, such as 47.9');
  await form.getByLabel('Pins 3-1, V').fill('0');
  await page.keyboard.press('Enter');
  await expect(answered(page)).toHaveCount(2);
  await expect(left(page).first()).toContainText('pin 3 open');
});

test('cables one after the other: what is ruled out and what is not seen, kept, the next label, taken out', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Cable day');
  await page.goto(`/test?rig=${rig}`);
  await page.getByRole('tab', { name: 'Test a cable' }).click();
  await page.getByLabel('Label, or cable of the kit').fill('stage box 7');
  await page.getByRole('combobox', { name: 'Test it by' }).click();
  await page.getByRole('option', { name: 'Two-lamp stick' }).click();
  await answer(page, /^Both lit/).click();
  const result = page.getByRole('status').filter({ hasText: 'Ruled out' });
  await expect(result).toContainText('Nothing found wrong so far');
  await expect(result).toContainText(/Not seen by this: .*pins 2 and 3 swapped/);
  await page.getByRole('button', { name: 'Keep it, next cable' }).click();
  const tested = page.getByRole('list', { name: 'Tested cables' }).getByRole('listitem');
  await expect(tested.filter({ hasText: 'stage box 7' })).toContainText('not everything seen');
  await expect(page.getByLabel('Label, or cable of the kit')).toHaveValue('stage box 8');
  await expect(answered(page)).toHaveCount(0);
  await expect(heading(page)).toHaveText(/^Which lamps light/);
  await page.getByRole('button', { name: 'Remove the test of stage box 7' }).click();
  await expect(tested.filter({ hasText: 'stage box 7' })).toHaveCount(0);
});

test('readings of a meter become a figure of a microphone, with what the meter may be off by; too little says so', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Meter trial');
  await page.goto(`/test?rig=${rig}`);
  await page.getByRole('tab', { name: 'From the meter' }).click();
  await page.getByLabel('Running, pin 2 to 1, V').fill('40');
  await page.getByLabel('Running, pin 3 to 1, V').fill('40,0');
  await expect(page.getByText('Anything from 1.18 mA to 3.53 mA')).toBeVisible();
  await page.getByLabel('Open, pin 2 to 1, V').fill('48');
  await expect(page.getByText(/^2\.35 mA ± 0\.047 mA/)).toBeVisible();
  await page.getByRole('combobox', { name: 'It is the microphone of' }).click();
  await page.getByRole('option', { name: 'Trio, pair A left' }).click();
  await page.getByRole('button', { name: 'Use it on the rig, as measured' }).click();
  await expect(page.getByText('its current is 2.35 mA from now on, measured', { exact: false })).toBeVisible();
  await expect(page.getByRole('status').first()).toHaveText(/^saved/);
  const saved = await (await page.request.get(`/api/rigs/${rig}`)).json();
  expect(
    saved.document.lines.find(({ id }: { id: string }) => id === 'pair-a-left').source.figures.current,
  ).toMatchObject({
    value: 2.35,
    unit: 'mA',
    basis: 'measured',
  });
  await page.getByLabel('Pin 2 to 3, mV').fill('60');
  await page.getByLabel('Loads exchanged, mV').fill('60');
  await page.getByLabel('Last digits, V').fill('0.001');
  await expect(page.getByText(/^0\.50 % ± 0\.01 %: more than the standard allows/)).toBeVisible();
});

test('what is wrong as it is wired is said first; a line beside that is harmed; a server that is gone is told', async ({
  page,
}) => {
  const rig = await copyOf(page, 'Wired wrong');
  await page.goto(`/test?rig=${rig}&line=t12-shotgun`);
  const alert = page.getByRole('alert').filter({ hasText: 'as it is wired, with good cables' });
  await expect(alert).toContainText('Silent as it is wired');
  await expect(alert.getByRole('link', { name: 'See why' })).toHaveAttribute('href', /line=t12-shotgun/);
  await page.goto(`/test?rig=${rig}&line=announcer&heard=nothing`);
  await page.route('**/repairs', (route) => route.abort());
  await page.getByRole('button', { name: 'Do this: Swap cable 20 m, old for a good one' }).click();
  await page.getByRole('button', { name: 'It helped' }).click();
  await expect(page.getByText('Not written down: No connection')).toBeVisible();
  await page.unroute('**/repairs');
  await page.getByRole('button', { name: 'It helped' }).click();
  await expect(page.getByRole('region', { name: 'Solved' })).toBeVisible();
});
