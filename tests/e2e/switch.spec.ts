import { readFileSync } from 'node:fs';
import { expect, pageWith, test } from './test';
import { copyOf, fewOf, openRig } from './rig';
import { bySomebodyElse, done, follow, now, open, setUp, step, title } from './runSheet';

const FEW = ['Trio, pair A left', 'Trio, pair A right'];

/** One grey pixel, as PNG. */
const PICTURE = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNoAAAAggCBd81ytgAAAABJRU5ErkJggg==',
  'base64',
);

test('the mended rig is set up: fewest walks, feeds after every plug, monitors last', async ({ page }) => {
  test.setTimeout(300_000);
  const rig = await copyOf(page, 'Set up whole', 'lock-nine-mended');
  await open(page, rig);
  await page.getByRole('button', { name: 'Start from here: Everything is packed and off' }).click();
  await expect(page.getByRole('status').filter({ hasText: /^99 steps, 6 walks, \d:\d\d min waiting$/ })).toBeVisible();
  await expect(page.getByText(/^Fewest walks possible/)).toBeVisible();
  // The other order waits less and walks more.
  await expect(
    page.getByRole('radio', { name: /^Fewest walks: 6 walks, \d:\d\d min waiting, about \d+ min alone$/ }),
  ).toBeChecked();
  await page.getByRole('radio', { name: /^Shortest waits: 9 walks/ }).check();
  await expect(page.getByRole('status').filter({ hasText: /^\d+ steps, 9 walks/ })).toBeVisible();
  await page.getByRole('button', { name: 'Begin' }).click();
  await follow(page, /^Plug /);
  // Most of the plugs go in while somebody else has the sheet; this page goes along.
  await bySomebodyElse(page, rig, (_, doing) => doing === 'feed');
  await expect(title(page)).toHaveText(/^Turn (48 V|12 V|plug-in power) on/);
  await follow(page, /^Unmute /);
  await bySomebodyElse(page, rig, (title) => title === 'Bring monitors up slowly');
  await expect(title(page)).toHaveText('Bring monitors up slowly');
  await follow(page);
  await expect(page.getByRole('heading', { name: 'The set-up is done' })).toBeVisible();
  await page.getByRole('button', { name: /^Done so far: \d+$/ }).click();
  const list = await page.getByRole('region', { name: 'Steps done' }).getByRole('listitem').allInnerTexts();
  const titles = list.toReversed();
  const last = (what: RegExp) => titles.findLastIndex((text) => what.test(text));
  expect(titles.at(-1)).toContain('Bring monitors up slowly');
  const first = (what: RegExp) => titles.findIndex((text) => what.test(text));
  // Power, mutes and what came back with the power are looked at before the first plug.
  expect(first(/Turn monitors down/)).toBe(0);
  expect(last(/Turn .* on$/m)).toBeLessThan(first(/Plug /));
  expect(last(/Mute \d+ inlets/)).toBeLessThan(first(/Plug /));
  expect(titles.filter((text) => /Unmute /.test(text)).length).toBeGreaterThan(15);
  expect(last(/Plug /)).toBeLessThan(titles.findIndex((text) => /Turn (48 V|12 V|plug-in power) on/.test(text)));
  await expect(now(page).getByRole('button', { name: 'Hold desk, bank A: 48 V' })).toBeVisible();
});

test('by key; two browsers stay in step; a clock survives reloading; what comes too early says so', async ({
  page,
  browser,
}) => {
  const rig = await copyOf(page, 'Two of us', 'lock-nine-mended');
  await setUp(page, rig, FEW);
  const other = await pageWith(browser, {});
  await open(other, rig);
  await expect(title(other)).toHaveText('Plug “Trio, pair A left” into Hold desk, inlet 1');
  await page.keyboard.press('Space');
  // Within a second, without touching the other one.
  await expect(title(other)).toHaveText('Plug “Trio, pair A right” into Hold desk, inlet 2', { timeout: 1000 });
  await follow(other, /^Turn 48 V on: Hold desk, bank A/);
  await done(other).click();
  await expect(title(page)).toHaveText('Wait', { timeout: 1500 });
  const table = step(page).getByRole('table', { name: 'What the wait is for' });
  await expect(table).toContainText(
    /Hold desk, bank A has settled\s*4(\.\d)? s, using\s*3 s|Hold desk, bank A has settled\s*3(\.\d)? s, using\s*3 s/,
  );
  await page.reload();
  await expect(title(page)).toHaveText('Wait');
  await expect(step(page).getByRole('timer')).toHaveText(/0:0\d|Over/);
  await expect(done(page)).toBeEnabled({ timeout: 10_000 });
  await done(page).click();
  await expect(title(other)).toHaveText('Unmute Hold desk, inlet 1', { timeout: 1500 });
  await other.context().close();
});

test('two people at once: each has their own next step, and waits for the other only where it must', async ({
  page,
  browser,
}) => {
  const rig = await fewOf(page, 'Stage and desk', 'lock-nine-mended');
  await setUp(page, rig, FEW);
  const other = await pageWith(browser, {});
  await open(other, rig);
  const at = (who: typeof page, place: string) =>
    who.getByRole('group', { name: 'Where you are' }).getByRole('button', { name: new RegExp(`^${place}`) });
  await at(other, 'Hold, stage end').focus();
  await other.keyboard.press('Space');
  await expect(title(other)).toHaveText('Plug “Trio, pair A left” at the source');
  await at(page, 'Hold, desk end').click();
  await expect(title(page)).toHaveText('Plug “Trio, pair A left” into Hold desk, inlet 1');
  // Both tick off what they saw, one right after the other.
  await Promise.all([done(page).click(), done(other).click()]);
  await expect(title(page)).toHaveText('Plug “Trio, pair A right” into Hold desk, inlet 2');
  await expect(title(other)).toHaveText('Plug “Trio, pair A right” at the source');
  await done(page).click();
  // The feed waits for the stage.
  await expect(title(page)).toHaveText('Turn 48 V on: Hold desk, bank A');
  await expect(step(page)).toContainText('First, at Hold, stage end: Plug “Trio, pair A right” at the source');
  await expect(step(page).getByRole('button', { name: /^Waiting/ })).toBeDisabled();
  await expect(at(page, 'Hold, stage end')).toContainText('Plug “Trio, pair A right” at the source');
  await done(other).click();
  await expect(other.getByRole('heading', { name: 'Nothing left at Hold, stage end' })).toBeVisible();
  await expect(done(page)).toBeEnabled();
  // A key that is meant for a control with the focus does not tick a step off.
  await page.getByRole('button', { name: 'It was different' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'What did you find?' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(title(page)).toHaveText('Turn 48 V on: Hold desk, bank A');
  await done(page).click();
  // Nobody there: the wait has its clock here, and opens by itself.
  await expect(step(page).getByRole('timer')).toBeVisible();
  await expect(title(page)).toHaveText('Unmute Hold desk, inlet 1');
  await expect(done(page)).toBeEnabled({ timeout: 10_000 });
  await other.context().close();
});

test('steps are moved only within the rules, and the refusal says which one', async ({ page }) => {
  const rig = await fewOf(page, 'Reordered', 'lock-nine-mended');
  await setUp(page, rig, FEW);
  await page.getByRole('button', { name: 'Earlier: Plug “Trio, pair A right” into Hold desk, inlet 2' }).click();
  await expect(title(page)).toHaveText('Plug “Trio, pair A right” into Hold desk, inlet 2');
  await page.getByRole('button', { name: 'Earlier: Turn 48 V on: Hold desk, bank A' }).click();
  await page.getByRole('button', { name: 'Earlier: Turn 48 V on: Hold desk, bank A' }).click();
  await expect(
    page
      .getByRole('alert')
      .filter({ hasText: /ends in a loose plug|Nothing is plugged or unplugged while its feed is on/ }),
  ).toBeVisible();
});

test('found otherwise, not possible, and back: the rest is computed anew, and the log has it', async ({ page }) => {
  const rig = await fewOf(page, 'Otherwise', 'lock-nine-mended');
  await setUp(page, rig, FEW, /^Plug “Trio, pair A right” at the source/);
  const name = page.getByRole('textbox', { name: 'Your name, for the log' });
  await name.fill('Ida');
  await name.blur();
  await page.keyboard.press('f');
  await page.getByRole('button', { name: 'Hold desk, bank A is already at 48 V' }).click();
  await expect(title(page)).toHaveText('Turn the feed off: Hold desk, bank A');
  await done(page).click();
  await expect(step(page).getByRole('timer')).toHaveText(/^(1:0\d|0:5\d)$/);
  await expect(step(page).getByRole('table')).toContainText(/Hold desk, bank A is discharged.*6\d s, using/);
  await expect(now(page)).toContainText(/off \d+ s, \d+(\.\d+)? V left, wait/);

  await page.getByRole('button', { name: 'Done so far: 7' }).click();
  await page.getByRole('button', { name: 'Back to it' }).nth(1).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Trio, pair A left: plugged or not is unknown again.');
  await expect(dialog).toContainText('Treated as live');
  await dialog.getByRole('button', { name: 'Go back' }).click();
  await expect(title(page)).toHaveText('Check Hold desk, bank A is off. If it is on, turn it off.');
  await page.getByRole('button', { name: 'Can’t do this' }).click();
  const why = page.getByRole('dialog', { name: 'Why can’t you do this?' });
  await expect(why).toContainText(/Without it \d+ steps? (is|are) left of \d+/);
  // What is no picture is told so, and the reason alone is enough.
  const photo = why.getByLabel('Photo', { exact: true });
  await photo.setInputFiles({ name: 'note.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') });
  await expect(why.getByRole('alert')).toContainText('This file is no photo that the browser can read.');
  await photo.setInputFiles({ name: 'taped.png', mimeType: 'image/png', buffer: PICTURE });
  await expect(why.getByRole('link', { name: 'Photo: goes with the reason' })).toBeVisible();
  await expect(why.getByRole('alert')).toHaveCount(0);
  await why.getByRole('textbox', { name: 'Another reason' }).fill('the button is taped over');
  await page.keyboard.press('Enter');
  const left = page.getByRole('region', { name: 'Left out' });
  await expect(left).toContainText('the button is taped over');
  await expect(left.getByRole('link', { name: /^Photo: Turn the feed off: Hold desk, bank A/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Plug/ })).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'The set-up is done, but not all of it' })).toBeVisible();
  await expect(page.getByRole('main')).toContainText(
    'Could not be switched, and still on if they were: Hold desk, bank A.',
  );
  await expect(page.getByRole('main')).toContainText('Left as they are: Trio, pair A left');

  await page.getByRole('link', { name: 'Log' }).click();
  const main = page.getByRole('main');
  await expect(main).toContainText('Trio, pair A left was plugged or pulled with Hold desk, bank A at 48 V');
  await expect(main).toContainText(
    'Not done: Check Hold desk, bank A is off. If it is on, turn it off. (the button is taped over)',
  );
  const seen = await page.request.get(
    (await main.getByRole('link', { name: /^Photo: Not done: Check Hold desk/ }).getAttribute('href'))!,
  );
  expect([seen.status(), seen.headers()['content-type']]).toEqual([200, 'image/jpeg']);
  await page.getByRole('combobox', { name: 'Kind' }).click();
  await page.getByRole('option', { name: 'Incident' }).click();
  await expect(page.getByRole('status')).toHaveText(/^2 of \d+$/);
  await expect(main.getByRole('listitem').first()).toContainText('Ida');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'As CSV' }).click();
  const rows = readFileSync((await (await download).path())!, 'utf8')
    .trim()
    .split('\r\n');
  expect(rows).toHaveLength(3);
  expect(rows[1]).toMatch(/,Incident,.*Trio, pair A left was plugged/);
  await page.getByRole('textbox', { name: 'Note' }).fill('The lamp of bank A is broken');
  await page.getByRole('button', { name: 'Add note' }).click();
  await page.getByRole('link', { name: 'Hand-over page' }).click();
  await expect(page.getByRole('heading', { name: 'Hand-over: Otherwise' })).toBeVisible();
  await expect(page.getByText('The lamp of bank A is broken')).toBeVisible();
  await expect(page.getByRole('row', { name: /^Trio, pair A left .*48 V for .*plugged or pulled/ })).toBeVisible();
});

test('nobody knows: the first steps make it known', async ({ page }) => {
  const rig = await copyOf(page, 'Left by others', 'lock-nine-mended');
  await open(page, rig);
  await page.getByRole('button', { name: 'Start from here: Unknown: treat everything as live' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(title(page)).toHaveText('Check monitors are down. If not, turn them down.');
  // Who is disturbed leaves room for the step; the others are a key away, and it does no step.
  const more = page.getByRole('button', { name: /^and \d+ more$/ });
  await more.press('Enter');
  await expect(page.getByText(/^Muted or unpowered during this sheet: .*, Camera/)).toBeVisible();
  const fewer = page.getByRole('button', { name: 'fewer' });
  await expect(fewer).toBeFocused();
  await fewer.press('Space');
  await expect(more).toBeFocused();
  await expect(title(page)).toHaveText('Check monitors are down. If not, turn them down.');
  await done(page).click();
  await expect(title(page)).toHaveText(/^Check .* is on\. If not, turn it on\.$/);
  await follow(page, /^Check .* is off\. If it is on, turn it off\.$/);
  await follow(page, /^Wait/);
  await expect(step(page).getByRole('timer')).toHaveText(/^(1:0\d|0:5\d)$/);
});

test('mains that come back with a latched switch on: the bank is live and charged', async ({ page }) => {
  const rig = await fewOf(page, 'Power cut', 'lock-nine-mended');
  await setUp(page, rig, FEW, 'done');
  const power = now(page).getByRole('button', { name: /^Power of Hold desk/ });
  await power.click();
  await page.getByRole('menuitem', { name: 'off', exact: true }).click();
  await expect(title(page)).toHaveText('Turn monitors down');
  await power.click();
  await page.getByRole('menuitem', { name: 'on', exact: true }).click();
  await expect(now(page)).toContainText(/Hold desk, bank A\s*on \d s/);
  await page
    .getByRole('button', { name: /New sheet|New run sheet/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Strike', exact: true }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await follow(page, /^Wait/);
  await expect(step(page).getByRole('timer')).toHaveText(/^(1:0\d|0:5\d)$/);
  await page.getByRole('link', { name: 'Log' }).click();
  await expect(page.getByRole('main')).toContainText(
    'Hold desk, bank A came on with the mains, with inlets unmuted and monitors up',
  );
});

test('a change-over names who shares the switch, and the way that disturbs nobody is begun', async ({ page }) => {
  const rig = await copyOf(page, 'Announcer changes', 'lock-nine');
  await setUp(page, rig, [...FEW, 'Trio, active ribbon', 'Announcer'], 'done');
  await page.getByRole('button', { name: 'New run sheet' }).click();
  await page.getByRole('checkbox', { name: /^Announcer/ }).check();
  await expect(page.getByRole('region', { name: 'A new sheet' }).getByRole('alert')).toContainText(
    'muted or unpowered until the end: Trio, pair A left, Trio, pair A right, Trio, active ribbon',
  );
  const ways = page.getByRole('region', { name: 'Ways to change it over' });
  await expect(ways.getByRole('listitem').first()).toContainText('Affects nobody else.');
  await ways.getByRole('button', { name: 'Start this change-over' }).first().click();
  // Nobody was on the inlet it goes to: whether that is muted is looked at first.
  await expect(title(page)).toHaveText(/^Check Hold desk, inlet \d+ is muted/);
  await done(page).click();
  await expect(title(page)).toHaveText(/Announcer/);
  await expect(page.getByText('Muted or unpowered during this sheet')).toBeHidden();
  await openRig(page, rig);
  await expect(page.getByRole('button', { name: /^Announcer 2 / })).toBeVisible();
});

test('the picture of the moment shows the line right and wrong', async ({ page }) => {
  const rig = await copyOf(page, 'Pictured', 'lock-nine-mended');
  await setUp(page, rig, FEW);
  await page.getByRole('tab', { name: 'What happens now' }).click();
  await expect(
    page.getByRole('img', { name: /^Voltage across the source: in order up to .* V; hot-plugged/ }),
  ).toBeVisible();
  await page.getByRole('combobox', { name: 'Line' }).click();
  await page.getByRole('option', { name: 'Trio, long ribbon' }).click();
  await expect(page.getByText(/At .* dB of gain that is .* dB over full scale/)).toBeVisible();
});

test('on a phone: swiped away, and nothing to scroll sideways', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  const rig = await fewOf(page, 'One thumb', 'lock-nine-mended');
  await setUp(page, rig, FEW);
  const before = await title(page).innerText();
  const client = await context.newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x?: number) =>
    client.send('Input.dispatchTouchEvent', { type, touchPoints: x === undefined ? [] : [{ x, y: 260 }] });
  await touch('touchStart', 330);
  for (const x of [280, 220, 160, 100]) await touch('touchMove', x);
  await touch('touchEnd');
  await expect(title(page)).not.toHaveText(before);
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
  ).toBeLessThanOrEqual(0);
  await page.getByRole('button', { name: 'The rig now' }).click();
  await expect(now(page).getByRole('button', { name: 'Speakers and headphones: down' })).toBeVisible();
  await context.close();
});

test('the sheet on paper has every step that is left, with both figures of a wait', async ({ page }) => {
  const rig = await fewOf(page, 'Papered', 'lock-nine-mended');
  await setUp(page, rig, FEW);
  await page.getByRole('link', { name: 'The sheet on paper' }).click();
  await expect(page.getByRole('heading', { name: 'Set-up: Papered' })).toBeVisible();
  await expect(page.getByRole('row')).toHaveCount(9);
  await expect(page.getByText(/has settled: calculated .* s, rule 3 s; using the /)).toBeVisible();
});

test('line check: by keyboard line after line; what is not right leads on, and is in the log', async ({
  page,
  browser,
}) => {
  const rig = await fewOf(page, 'Listened to', 'lock-nine-mended');
  await setUp(page, rig, FEW, 'done');
  await expect(page.getByText(/^Don’t judge sound before \d\d:\d\d:\d\d/)).toBeVisible();
  await page.getByRole('region', { name: 'The sheet is done' }).getByRole('button', { name: 'Line check' }).click();
  const check = page.getByRole('region', { name: 'Line check' });
  await expect(check.getByRole('heading', { level: 3, name: 'Trio, pair A left' })).toBeVisible();
  await expect(check.getByRole('status')).toHaveText('0 of 2 lines checked');
  await expect(check).toContainText(/Gain about \d+ dB/);
  const next = check.getByRole('button', { name: 'All good, next line' });
  await next.focus();
  await page.keyboard.press('Enter');
  await expect(check.getByRole('heading', { level: 3, name: 'Trio, pair A right' })).toBeVisible();
  await expect(next).toBeFocused();
  // Somebody else is quicker: the line under the hand stays, and says so.
  const other = await pageWith(browser, {});
  await open(other, rig);
  await other.getByRole('button', { name: 'Line check' }).first().click();
  await other.getByRole('button', { name: 'All good, next line' }).click();
  await expect(other.getByText('Every line has been checked.')).toBeVisible();
  await other.context().close();
  await expect(check.getByRole('note')).toHaveText('Checked already: good. Checking it again replaces that.');
  await expect(check.getByRole('heading', { level: 3, name: 'Trio, pair A right' })).toBeVisible();
  await check.getByRole('checkbox', { name: /^Polarity reversed/ }).focus();
  await page.keyboard.press('Space');
  await check.getByRole('checkbox', { name: /^Hum, crackle or noise/ }).check();
  await check.getByRole('textbox', { name: 'Note' }).fill('buzzes with the lamp');
  // Somebody looks something up, or the page is loaded anew: what was ticked is there, and says that nobody else knows it.
  for (const away of [
    async () => {
      await page.getByRole('link', { name: 'Log', exact: true }).click();
      await expect(page.getByRole('heading', { name: 'Power each source has seen' })).toBeVisible();
      await page.getByRole('link', { name: 'Switch', exact: true }).click();
    },
    () => page.reload(),
  ]) {
    await away();
    await expect(check.getByRole('heading', { level: 3, name: 'Trio, pair A right' })).toBeVisible();
    await expect(check.getByRole('checkbox', { name: /^Polarity reversed/ })).toBeChecked();
    await expect(check.getByRole('checkbox', { name: /^Hum, crackle or noise/ })).toBeChecked();
    await expect(check.getByRole('textbox', { name: 'Note' })).toHaveValue('buzzes with the lamp');
    await expect(check.getByRole('note').filter({ hasText: /^Changed at .*, not written down yet\.$/ })).toBeVisible();
  }
  await expect(check.getByRole('list', { name: 'Lines' })).toContainText(
    'polarity reversed, hum, crackle or noise, buzzes with the lamp, not written down yet',
  );
  await expect(check.getByRole('link', { name: 'What it should do, and why' })).toBeVisible();
  await expect(check.getByRole('link', { name: 'Measure it, find the noise' })).toBeVisible();
  await expect(check.getByRole('link', { name: 'Find the fault' })).toHaveAttribute('href', /^\/test\?rig=.*line=/);
  const write = check.getByRole('button', { name: 'Write it down, next line' });
  await page.route('**/switching', (route) => route.abort());
  await write.click();
  await expect(page.getByText('What you ticked stays here')).toBeVisible();
  await expect(check.getByRole('checkbox', { name: /^Hum, crackle or noise/ })).toBeChecked();
  await page.unroute('**/switching');
  await write.click();
  await expect(check.getByRole('status')).toHaveText('2 of 2 lines checked, 1 not right');
  await page.reload();
  await expect(check.getByRole('list', { name: 'Lines' })).toContainText('hum, crackle or noise');
  await expect(check).not.toContainText('not written down yet');
  await check.getByRole('button', { name: 'Back to the sheet' }).click();
  await page.reload();
  await expect(page.getByRole('region', { name: 'The sheet is done' })).toBeVisible();
  await page.getByRole('link', { name: 'Log' }).click();
  await expect(page.getByRole('main')).toContainText(
    'Line check: Trio, pair A right on Hold desk, inlet 2: polarity reversed, hum, crackle or noise (buzzes with the lamp)',
  );
});

test('what is chosen for a sheet that is not begun survives a change of place; the next sheet begins with all', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Chosen', 'lock-nine-mended');
  await open(page, rig);
  await page.getByRole('button', { name: 'Start from here: Everything is packed and off' }).click();
  const sheet = page.getByRole('region', { name: 'A new sheet' });
  const line = (name: string) => sheet.getByRole('checkbox', { name: new RegExp(`^${name}`) });
  await line('Laptop').uncheck();
  await expect(sheet.getByRole('status')).not.toHaveText(/nothing/i);
  const of = await sheet.getByRole('status').innerText();
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Power each source has seen' })).toBeVisible();
  await page.getByRole('link', { name: 'Switch', exact: true }).click();
  await expect(line('Laptop')).not.toBeChecked();
  await expect(sheet.getByRole('status')).toHaveText(of);
  await page.reload();
  await expect(line('Laptop')).not.toBeChecked();
  await sheet.getByRole('button', { name: 'None', exact: true }).click();
  await expect(sheet.getByRole('checkbox', { checked: true })).toHaveCount(0);
  await sheet.getByRole('button', { name: 'All', exact: true }).click();
  await expect(sheet.getByRole('checkbox', { checked: false })).toHaveCount(0);
  await line('Laptop').uncheck();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(step(page)).toBeVisible();
  await page.getByRole('button', { name: 'New sheet' }).click();
  await sheet.getByRole('button', { name: 'Set-up', exact: true }).click();
  await expect(sheet.getByRole('checkbox', { checked: false })).toHaveCount(0);
});

test('where nothing waits the clock stands: a page that is only looked at draws nothing', async ({ page }) => {
  await page.addInitScript(() => {
    const here = window as unknown as { drawn: number; __REACT_DEVTOOLS_GLOBAL_HOOK__: object };
    here.drawn = 0;
    here.__REACT_DEVTOOLS_GLOBAL_HOOK__ = {
      supportsFiber: true,
      inject: () => 1,
      onCommitFiberRoot: () => here.drawn++,
      onCommitFiberUnmount: () => undefined,
      onPostCommitFiberRoot: () => undefined,
    };
  });
  const drawnIn = (ms: number) =>
    page.evaluate(async (ms) => {
      const here = window as unknown as { drawn: number };
      here.drawn = 0;
      await new Promise((done) => setTimeout(done, ms));
      return here.drawn;
    }, ms);
  const rig = await fewOf(page, 'Looked at', 'lock-nine-mended');
  await setUp(page, rig, FEW, /^Turn 48 V on: Hold desk, bank A/);
  await expect.poll(() => drawnIn(2000), { timeout: 20_000 }).toBeLessThan(3);
  await done(page).click();
  await expect(title(page)).toHaveText('Wait');
  // The clock that stood is right at once.
  await expect(step(page).getByRole('timer')).toHaveText(/^0:0[1-4]$/);
  expect(await drawnIn(1500)).toBeGreaterThan(4);
  await expect(done(page)).toBeEnabled({ timeout: 10_000 });
  await done(page).click();
  await expect(title(page)).toHaveText('Unmute Hold desk, inlet 1');
});
