import { fewOf } from './rig';
import { done, open, setUp, step, title } from './runSheet';
import { drawn, expect, test, type Request, type Page } from './test';

const FEW = ['Trio, pair A left', 'Trio, pair A right'];

interface Control {
  name: string;
  role: string;
  /** Whether it is in the sheet itself. */
  inMain: boolean;
  disabled: boolean;
}

/** What has the focus, by the name that is read out. */
const focused = (page: Page): Promise<Control> =>
  page.evaluate(() => {
    const element = document.activeElement as HTMLElement;
    const label = element.getAttribute('aria-label') ?? element.getAttribute('title') ?? element.innerText;
    const field = (element as HTMLInputElement).labels?.[0]?.innerText;
    return {
      name: (field ?? label ?? '').trim().replaceAll(/\s+/g, ' '),
      role: element.getAttribute('role') ?? element.tagName.toLowerCase(),
      inMain: element.closest('main') !== null,
      disabled: element.matches(':disabled,[aria-disabled=true]'),
    };
  });

const sheetOf = async (
  page: Page,
  rig: string,
): Promise<{ version: number; session: { done: unknown[]; steps: unknown[]; leftOut?: unknown[] } }> =>
  (await page.request.get(`/api/rigs/${rig}/switching`)).json();

/** What does a step, by its own name. */
const DOES = /^(Done|Continue|Mark all)|no wait$/;
/** What takes a step back or ends the sheet: it is tried in the tests that are about that. */
const LEAVES = /^(Take back|Undo|Stop this sheet|End|Give up|Start over|Print|On paper)/;

for (const key of ['Enter', 'Space']) {
  test(`every control of the sheet does its own by ${key}, and never a step behind it`, async ({ page }) => {
    test.setTimeout(240_000);
    const rig = await fewOf(page, `Keys ${key}`, 'lock-nine-mended');
    await setUp(page, rig, FEW);
    const pressed = new Set<string>();
    const told: Request[] = [];
    page.on('request', (request) => {
      if (request.method() === 'POST' && request.url().includes('/switching')) told.push(request);
    });
    for (let n = 0; n < 120; n++) {
      await page.keyboard.press('Tab');
      const control = await focused(page);
      const id = `${control.role} ${control.name}`;
      if (!control.inMain || control.disabled || control.role === 'a' || pressed.has(id)) continue;
      pressed.add(id);
      if (DOES.test(control.name) || LEAVES.test(control.name) || control.role === 'input') continue;
      const before = await sheetOf(page, rig);
      await page.keyboard.press(key);
      // Whatever it opens or changes is there now; a step that it did behind that is on the server.
      await drawn(page);
      for (const request of told.splice(0)) await request.response();
      const after = await sheetOf(page, rig);
      expect([control.name, after.session.done.length, after.session.leftOut?.length ?? 0]).toEqual([
        control.name,
        before.session.done.length,
        before.session.leftOut?.length ?? 0,
      ]);
      const over = page.getByRole('dialog').or(page.getByRole('listbox')).or(page.getByRole('menu'));
      if (await over.first().isVisible()) {
        await page.keyboard.press('Escape');
        await expect(over).toHaveCount(0);
      }
      // Another sheet, or a line check: the step is what is looked at.
      if (!(await step(page).isVisible())) await open(page, rig);
    }
    // Those that were once taken for Done are among them.
    expect([...pressed].join('\n')).toMatch(/It was different/);
    expect([...pressed].join('\n')).toMatch(/Can.t do this/);
    expect(pressed.size).toBeGreaterThan(5);
  });
}

test('inside a dialog of the sheet no key does a step or opens another one; its own button is pressed by Enter', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const rig = await fewOf(page, 'Keys in dialogs', 'lock-nine-mended');
  await setUp(page, rig, FEW);
  for (const name of [/It was different/, /Can.t do this/]) {
    const before = await sheetOf(page, rig);
    const opener = step(page).getByRole('button', { name });
    await opener.focus();
    await page.keyboard.press('Enter');
    const dialog = page.getByRole('dialog');
    await expect(dialog).toHaveCount(1);
    const seen = new Set<string>();
    for (let n = 0; n < 20; n++) {
      await page.keyboard.press('Tab');
      const { name: control, role } = await focused(page);
      if (seen.has(`${role} ${control}`)) break;
      seen.add(`${role} ${control}`);
      // Letters that are shortcuts of the sheet, where they are no text.
      if (role !== 'textarea' && role !== 'input')
        for (const key of ['n', 'f', 'd', 'j', 'k']) await page.keyboard.press(key);
      if (role === 'input') await page.keyboard.press('Space');
      await expect(dialog).toHaveCount(1);
    }
    expect(seen.size).toBeGreaterThan(2);
    const after = await sheetOf(page, rig);
    expect(after.version).toBe(before.version);
    await page.keyboard.press('Escape');
    await expect(dialog).toHaveCount(0);
    await expect(opener).toBeFocused();
  }
});

test('Space beside every control does the step that is shown, once', async ({ page }) => {
  const rig = await fewOf(page, 'Keys beside', 'lock-nine-mended');
  await setUp(page, rig, FEW);
  const before = await sheetOf(page, rig);
  const shown = await title(page).innerText();
  await page.locator('body').click({ position: { x: 3, y: 3 } });
  await page.keyboard.press('Space');
  await expect(title(page)).not.toHaveText(shown);
  expect((await sheetOf(page, rig)).session.done.length).toBe(before.session.done.length + 1);
  await open(page, rig);
  await expect(done(page)).toBeVisible();
});

test('a field that is pressed for long opens its list, and what lies under the pointer is not chosen', async ({
  page,
}) => {
  await page.goto('/plan?rig=lock-nine');
  await page.getByRole('tab', { name: 'Supplies' }).click();
  const field = page.getByRole('combobox', { name: 'For the line' });
  const before = await field.innerText();
  await field.hover();
  await page.mouse.down();
  const list = page.getByRole('listbox');
  await expect(list).toBeVisible();
  // Longer than any list waits before it takes a mouse button that is let go for a choice.
  await page.waitForTimeout(700);
  await page.mouse.up();
  await expect(list).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(field).toHaveText(before);
  await field.click();
  await page.getByRole('option', { name: 'Inherited shotgun' }).click();
  await expect(field).toHaveText('Inherited shotgun');
});
