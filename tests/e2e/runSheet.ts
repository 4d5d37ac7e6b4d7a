import { expect, type Locator, type Page } from './test';

/** What tests of run sheets do: start, begin, follow. */

export const step = (page: Page) => page.getByRole('region', { name: 'The next step' });
export const title = (page: Page) => step(page).getByRole('heading', { level: 2 });
export const done = (page: Page) => step(page).getByRole('button', { name: /^(Done|Continue)/ });
export const now = (page: Page) => page.getByRole('complementary', { name: 'Beside the sheet' });

export async function open(page: Page, rig: string) {
  await page.goto(`/switch?rig=${rig}`);
  await expect(page.getByText('connected', { exact: true })).toBeVisible();
}

/** Starts from a packed rig and begins a set-up of some lines. @param looked what needs a look before the first plug has been looked at */
export async function setUp(page: Page, rig: string, lines?: string[], looked = true) {
  await open(page, rig);
  await page.getByRole('button', { name: 'Start from here: Everything is packed and off' }).click();
  await expect(page.getByRole('button', { name: 'Set-up' })).toBeVisible();
  if (lines) {
    await page.getByRole('button', { name: 'None' }).click();
    for (const name of lines) await page.getByRole('checkbox', { name, exact: true }).check();
  }
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(step(page)).toBeVisible();
  if (looked) await look(page);
}

/** Monitors, power, mutes, and what came back with the power: found as they should be, so that nothing has to wait. */
async function look(page: Page) {
  for (let n = 0; n < 20; n++) {
    const text = await title(page).innerText();
    if (!/^(Check |Turn (?!\d|plug-in power).* on$)/.test(text)) return;
    const off = step(page).getByRole('button', { name: 'It came up off: no wait' });
    if (await off.isVisible()) await off.click();
    else await done(page).click();
    await expect(title(page).filter({ hasText: text })).toBeHidden();
  }
}

/** What something says; nothing where it has just gone. */
const read = (locator: Locator) => locator.innerText({ timeout: 1000 }).catch(() => undefined);

/** Does one step after the other until the title of the next one is as wanted; none is left at the end. */
export async function follow(page: Page, until?: RegExp) {
  for (let n = 0; n < 120; n++) {
    const finished = page.getByRole('region', { name: 'The sheet is done' });
    await expect(step(page).or(finished)).toBeVisible();
    if (await finished.isVisible()) return;
    const text = await title(page).innerText();
    if (until?.test(text)) return;
    const number = await step(page).getByRole('status').innerText();
    const several = step(page).getByRole('button', { name: /^Mark all \d+/ });
    const cameUp = step(page).getByRole('button', { name: 'It came up off: no wait' });
    if (await cameUp.isVisible()) await cameUp.click();
    else if (!until && (await several.isVisible())) await several.click();
    else await done(page).click({ timeout: 75_000 });
    // A step that is found done already is not counted: the title changes.
    await expect
      .poll(
        async () =>
          (await finished.isVisible()) ||
          (await read(title(page))) !== text ||
          (await read(step(page).getByRole('status'))) !== number,
      )
      .toBe(true);
  }
}

/** Somebody else does one step after the other, by the door, until the next one is of some sort. */
export async function bySomebodyElse(page: Page, rig: string, until: string) {
  const path = `/api/rigs/${rig}/switching`;
  for (let n = 0; n < 120; n++) {
    const { version, session } = await (await page.request.get(path)).json();
    if (session.steps[0].action.do === until) return;
    const report = () => page.request.post(path, { data: { version, who: 'Ida', report: { report: 'done' } } });
    // A wait is waited for.
    await expect.poll(async () => (await report()).ok(), { timeout: 75_000 }).toBe(true);
  }
}
