import { spawnSync } from 'node:child_process';
import { WHOLE } from '../explore';
import { drawn, expect, test, type Page } from './test';
import { fewOf, openRig, select, why } from './rig';
import { look, onBoth, PHONE, violations } from './seen';

/** What stands open over a page; the page itself is looked at by the tests of its place. */
const OPEN = '[role="dialog"], [role="menu"]';

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first().click();
/** The sheet of a rig, as it was opened once: what stood open over it is closed. */
async function sheet(page: Page, rig: string): Promise<void> {
  if (!page.url().includes(`/rig?rig=${rig}`)) return openRig(page, rig);
  const open = page.getByRole('dialog').or(page.getByRole('menu'));
  if ((await open.count()) === 0) return;
  // What lies behind a dialog is there again once that is closed.
  await expect(async () => {
    await page.keyboard.press('Escape');
    await expect(open).toHaveCount(0, { timeout: 500 });
  }).toPass();
}
const ofLine = async (page: Page, rig: string) => {
  await sheet(page, rig);
  await select(page, 'Trio, ribbon left');
};
const ofRig = (item: string) => async (page: Page, rig: string) => {
  await sheet(page, rig);
  await press(page, /^Rig: /);
  await page.getByRole('menuitem', { name: new RegExp(`^${item}( [A-Z])?$`) }).click();
};
const at = (place: string, ...buttons: (string | RegExp)[]) =>
  async function open(page: Page, rig: string) {
    await page.goto(`${place}?rig=${rig}`);
    await expect(page.getByRole('main')).toBeVisible();
    for (const name of buttons) await press(page, name);
  };
const tabAt = (place: string, tab: string, ...buttons: (string | RegExp)[]) =>
  async function open(page: Page, rig: string) {
    await page.goto(`${place}?rig=${rig}`);
    await page.getByRole('tab', { name: tab }).click();
    for (const name of buttons) await press(page, name);
  };

const ofAnnouncer = (...buttons: string[]) =>
  async function open(page: Page, rig: string) {
    await page.goto(`/test?rig=${rig}&line=announcer`);
    for (const name of buttons) await press(page, name);
  };

/** Every dialog and menu, and how somebody gets there. */
const DIALOGS: Record<string, (page: Page, rig: string) => Promise<void>> = {
  Settings: async (page, rig) => {
    await sheet(page, rig);
    await page.getByRole('button', { name: 'Settings', exact: true }).click();
  },
  'Keys and glossary': async (page, rig) => {
    await sheet(page, rig);
    await page.getByRole('button', { name: 'Keys and glossary', exact: true }).click();
  },
  Schools: async (page, rig) => {
    await sheet(page, rig);
    await page.getByRole('button', { name: 'Schools', exact: true }).click();
  },
  'New line': ofRig('New line'),
  'New device': ofRig('New device'),
  'Monitors and headphones': ofRig('Monitors and headphones'),
  'Name and note': ofRig('Name and note'),
  Import: ofRig('Import an input list or a rig'),
  History: ofRig('History'),
  'Removed rigs': ofRig('Removed rigs'),
  'Record the answer': async (page, rig) => {
    await ofLine(page, rig);
    await why(page)
      .getByRole('button', { name: /^Record /u })
      .first()
      .click();
  },
  'A word of the glossary': async (page, rig) => {
    await ofLine(page, rig);
    await why(page).getByRole('link', { name: 'centre tap' }).first().click();
  },
  'Where a line may move': async (page, rig) => {
    await ofLine(page, rig);
    await why(page).getByRole('button', { name: /^Move/ }).first().click();
  },
  'Add to the kit': at('/kit', /^Add to the kit|^Add$|^Item$/),
  'Import into the kit': at('/kit', 'Import'),
  'Positions and cable runs': at('/plan', /^Positions and cable runs/),
  'A supply': tabAt('/plan', 'Supplies', 'Supply'),
  'A box or pedal': tabAt('/plan', 'Supplies', 'Box or pedal'),
  'A table of the mains side': tabAt('/noise', 'Mains', 'Import a table'),
  'Room noise': at('/noise', /^Room: /),
  'How likely each fault is': ofAnnouncer('How likely each fault is'),
  'Another question': ofAnnouncer('Nothing at all', 'Look at something else'),
};

/** Every second one, which half by the last digit of the commit; all of them in `npm run explore`, or where there is none. */
function turnOf<T>(all: T[]): T[] {
  const { stdout } = spawnSync('git', ['rev-parse', 'HEAD'], { encoding: 'utf8' });
  const digit = parseInt(stdout?.trim().slice(-1) ?? '', 16);
  return WHOLE || Number.isNaN(digit) ? all : all.filter((_, n) => n % 2 === digit % 2);
}

test('every dialog is accessible, and on a phone a thumb reaches all of it', async ({ page }) => {
  test.setTimeout(600_000);
  const fits = (where: string) =>
    onBoth(page, async () => {
      await drawn(page);
      const { small, tiny } = await look(page);
      const { width } = page.viewportSize()!;
      const found = { found: await violations(page, OPEN), tiny, small: width < PHONE ? small : [] };
      expect.soft({ where, width, ...found }).toEqual({ where, width, found: [], tiny: [], small: [] });
    });
  const harmed = await fewOf(page, 'Dialogs of what is wrong');
  for (const [name, open] of turnOf(Object.entries(DIALOGS))) {
    await test.step(name, async () => {
      await open(page, harmed);
      await expect(page.getByRole('dialog').or(page.getByRole('menu')).last()).toBeVisible();
      await fits(name);
    });
  }
  const rig = await fewOf(page, 'Dialogs', 'lock-nine-mended');
  await page.goto(`/switch?rig=${rig}`);
  await press(page, 'Start from here: Everything is packed and off');
  await press(page, 'Begin');
  await press(page, /^Done/);
  for (const name of ['It was different', 'Can’t do this']) {
    await press(page, name);
    await fits(name);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  await press(page, /^Done so far/);
  await press(page, 'Back to it');
  await fits('Back');
});
