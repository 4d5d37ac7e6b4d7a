import { drawn, expect, pageWith, test, type Page } from './test';
import { openLine, openRig, tab, why } from './rig';
import { look } from './seen';

const PLACES = ['rig', 'kit', 'plan', 'switch', 'test', 'noise', 'log'] as const;

/** What a page has drawn as a place from now on, opened anew each time; asked for once it is alive. */
async function drawings(page: Page): Promise<() => Promise<number>> {
  await page.addInitScript(() => {
    const places = new Set<Element>();
    const note = () => document.querySelectorAll('[data-place]').forEach((place) => places.add(place));
    new MutationObserver(note).observe(document, { childList: true, subtree: true });
    Object.assign(window, { places });
  });
  return () => page.evaluate(() => (window as unknown as { places: Set<Element> }).places.size);
}

for (const place of PLACES)
  test(`on a phone a thumb reaches everything in ${place}, and it can be read`, async ({ browser }) => {
    const page = await pageWith(browser, { viewport: { width: 390, height: 844 } });
    const fits = async (where: string) => {
      await drawn(page);
      const { header, small, tiny } = await look(page);
      expect({ where, small, tiny }).toEqual({ where, small: [], tiny: [] });
      expect(header).toBeLessThanOrEqual(64);
    };
    const times = await drawings(page);
    await page.goto(`/${place}?rig=lock-nine`);
    await expect(page.getByRole('main')).toBeVisible();
    // What the server has drawn comes alive as it is: nothing goes away to be drawn again.
    expect(await times()).toBe(1);
    if (place === 'rig') await expect(page.getByRole('button', { name: /^10 Clear/ })).toBeVisible();
    await fits(place);
    for (const tab of (await page.getByRole('tab').allTextContents()).slice(1)) {
      await page.getByRole('tab', { name: tab, exact: true }).click();
      if (tab === 'Mains') await expect(page.getByRole('combobox', { name: 'Plug of Hold desk' })).toBeVisible();
      await fits(`${place}, ${tab}`);
    }
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await expect(page.getByRole('dialog', { name: 'More' })).toBeVisible();
    await fits(`${place}, More`);
    await page.context().close();
  });

test('on a phone a thumb reaches everything about a line, and the dialogs of the rig', async ({ browser }) => {
  test.setTimeout(120_000);
  const page = await pageWith(browser, { viewport: { width: 390, height: 844 }, colorScheme: 'dark' });
  const fits = async (where: string) => {
    await drawn(page);
    const { small, tiny } = await look(page);
    expect({ where, small, tiny }).toEqual({ where, small: [], tiny: [] });
  };
  await openRig(page);
  await page
    .getByRole('button', { name: /^Trio, long ribbon/ })
    .first()
    .click();
  for (const tab of ['Why', 'Parts', 'Readings', 'Transients']) {
    await page.getByRole('tab', { name: tab }).click();
    await fits(`about a line, ${tab}`);
  }
  await page.getByRole('button', { name: 'Back to the sheet' }).click();
  for (const [item, title] of [
    ['New line', 'New line'],
    ['New device', 'New device'],
    ['Monitors and headphones', 'Monitors and headphones'],
    ['Import an input list or a rig', 'Import'],
    ['History', 'History'],
  ]) {
    await page.getByRole('button', { name: /^Rig: / }).click();
    await fits('the menu of the rig');
    await page.getByRole('menuitem', { name: new RegExp(`^${item}( [A-Z])?$`) }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await fits(title);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  // What leads elsewhere does not stay under what led there.
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('dialog', { name: 'More' }).getByRole('button', { name: 'Overview' }).click();
  await expect(page.getByRole('dialog', { name: 'More' })).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'Problems, worst first' })).toBeVisible();
  await fits('the overview');
  await page.context().close();
});

test('the way back closes what lies over a page, and leaves the place only then', async ({ browser }) => {
  const page = await pageWith(browser, { viewport: { width: 390, height: 844 } });
  const open = async (line: string) => {
    await page
      .getByRole('button', { name: new RegExp(`^${line} `) })
      .first()
      .click();
    await expect(why(page).getByRole('heading', { name: line, exact: true })).toBeVisible();
  };
  const close = async () => {
    await page.getByRole('button', { name: 'Back to the sheet' }).click();
    await expect(why(page)).toBeHidden();
  };
  await page.goto('/kit');
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await expect(page.getByRole('button', { name: /^[1-9]\d* Clear/ })).toBeVisible();
  await open('Trio, ribbon left');
  await page.goBack();
  await expect(why(page)).toBeHidden();
  await expect(page).toHaveURL(/\/rig/);
  // Closed by hand and opened again: there is one way back out of it, however often.
  await open('Trio, ribbon left');
  await close();
  await open('Double bass');
  await page.goBack();
  await expect(why(page)).toBeHidden();
  await expect(page).toHaveURL(/\/rig/);
  await open('Double bass');
  await close();
  await page.goBack();
  await expect(page).toHaveURL(/\/kit/);
  await expect(page.getByRole('grid')).toBeVisible();
  // A dialog lies over the panel, and goes first; on a wide page over the sheet alone.
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await open('Trio, ribbon left');
  await why(page)
    .getByRole('button', { name: /^Record /u })
    .first()
    .click();
  await expect(page.getByRole('dialog', { name: /answer|Record/ })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('button', { name: 'Cancel' })).toBeHidden();
  await expect(why(page)).toBeVisible();
  await page.goBack();
  await expect(why(page)).toBeHidden();
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.keyboard.press('n');
  await expect(page.getByRole('dialog', { name: 'New line' })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page).toHaveURL(/\/rig/);
  await page.goBack();
  await expect(page).toHaveURL(/\/kit/);
  await page.setViewportSize({ width: 390, height: 844 });
  // On by a link of the panel: one step back leads to the sheet, one more to where somebody came from.
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await open('Trio, ribbon left');
  await why(page)
    .getByRole('link', { name: /Find the fault/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/test/);
  await page.goBack();
  await expect(page).toHaveURL(/\/rig/);
  await expect(page.getByRole('button', { name: /^[1-9]\d* Clear/ })).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(/\/kit/);
  await page.context().close();
});

test('the way back closes a menu, a field’s list and a word of the glossary, and nothing besides', async ({
  browser,
}) => {
  const page = await pageWith(browser, { viewport: { width: 390, height: 844 } });
  await page.goto('/kit');
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await expect(page.getByRole('button', { name: /^[1-9]\d* Clear/ })).toBeVisible();
  const menu = page.getByRole('menu');
  const more = page.getByRole('dialog', { name: 'More' });
  await page.getByRole('button', { name: /^Rig: / }).click();
  await expect(menu).toBeVisible();
  await page.goBack();
  await expect(menu).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Rig: / })).toBeFocused();
  await page.getByRole('button', { name: 'More' }).click();
  await expect(more).toBeVisible();
  await page.goBack();
  await expect(more).toHaveCount(0);
  // A list over a dialog goes first, and the dialog keeps what was typed in it.
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitem', { name: 'Monitors and headphones' }).click();
  const dialog = page.getByRole('dialog', { name: 'Monitors and headphones' });
  await dialog.getByRole('button', { name: 'Add monitors' }).click();
  await dialog.getByRole('textbox', { name: 'Name' }).fill('Spare');
  await dialog.getByRole('combobox', { name: 'Turned down at' }).click();
  await expect(page.getByRole('listbox')).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('listbox')).toHaveCount(0);
  await expect(dialog.getByRole('textbox', { name: 'Name' })).toHaveValue('Spare');
  await page.goBack();
  await expect(dialog).toHaveCount(0);
  // A word lies over the panel that lies over the sheet.
  await page
    .getByRole('button', { name: /^Trio, ribbon left / })
    .first()
    .click();
  await why(page).getByRole('link', { name: 'centre tap' }).first().click();
  const word = page.getByRole('dialog', { name: 'centre tap' });
  await expect(word).toBeVisible();
  await page.goBack();
  await expect(word).toHaveCount(0);
  await expect(why(page)).toBeVisible();
  await page.goBack();
  await expect(why(page)).toBeHidden();
  await expect(page).toHaveURL(/\/rig/);
  await page.goBack();
  await expect(page).toHaveURL(/\/kit/);
  await page.context().close();
});

test('what a symbol means is told in letters that can be read, where the pointer rests on it', async ({ page }) => {
  await page.goto('/rig?rig=lock-nine');
  await page.getByRole('button', { name: 'Settings' }).hover();
  await expect(page.getByRole('tooltip')).toHaveText('Settings');
  expect((await look(page)).tiny).toEqual([]);
});

test('Tab goes to the skip links first, then past the bar; what has the focus is outlined', async ({ page }) => {
  await openRig(page);
  await page.keyboard.press('Tab');
  const skip = page.getByRole('link', { name: 'Skip to the sheet' });
  await expect(skip).toBeFocused();
  await expect(skip).toBeInViewport();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  expect(await page.evaluate(() => document.activeElement?.closest('main') !== null)).toBe(true);
  for (let n = 0; n < 12; n++) {
    const ring = await page.evaluate(() => {
      const own = document.activeElement!;
      const boxes = [own, own.closest('.MuiButtonBase-root'), own.closest('.MuiInputBase-root')].filter(
        (box) => box !== null,
      );
      return (
        boxes.some((box) => {
          const { outlineStyle, outlineWidth } = getComputedStyle(box);
          return outlineStyle !== 'none' && parseFloat(outlineWidth) >= 2;
        }) || own.closest('.MuiOutlinedInput-root') !== null
      );
    });
    expect([
      await page.evaluate(
        () => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent,
      ),
      ring,
    ]).toEqual([expect.anything(), true]);
    await page.keyboard.press('Tab');
  }
});

test('the current of the line that is chosen moves for a while, and stands still by itself', async ({ browser }) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.addInitScript(() => {
    const moving = { begun: 0, ended: 0 };
    document.addEventListener('animationstart', () => moving.begun++);
    // What is taken off the page is ended too.
    for (const end of ['animationend', 'animationcancel']) document.addEventListener(end, () => moving.ended++);
    Object.assign(window, { moving });
  });
  await openLine(page, 'Trio, pair A left');
  // What goes on for ever has no end.
  await expect
    .poll(() =>
      page.evaluate(() => {
        const { begun, ended } = (window as unknown as { moving: { begun: number; ended: number } }).moving;
        return begun > 10 && ended === begun;
      }),
    )
    .toBe(true);
  await context.close();
});

test('whoever asks for less motion sees the current stand still', async ({ browser }) => {
  const context = await browser.newContext({ reducedMotion: 'reduce' });
  const page = await context.newPage();
  await page.goto('/rig?rig=lock-nine&line=long-ribbon');
  const mark = page.locator('[data-line="long-ribbon"] svg path').last();
  await expect(mark).toBeAttached();
  expect(await mark.evaluate((path) => getComputedStyle(path).animationName)).toBe('none');
  await context.close();
});

test('a tablet is turned: what is half typed in the panel, and in a dialog of it, is still there', async ({ page }) => {
  const [lying, upright] = [
    { width: 1180, height: 820 },
    { width: 820, height: 1180 },
  ];
  await page.setViewportSize(lying);
  await page.goto('/plan?rig=lock-nine');
  await page.getByRole('button', { name: /^Positions and cable runs/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Positions and cable runs' });
  await dialog.getByLabel('New place').fill('Gallery');
  for (const size of [upright, lying]) {
    await page.setViewportSize(size);
    await drawn(page);
    await expect(dialog.getByLabel('New place')).toHaveValue('Gallery');
  }
  await page.keyboard.press('Escape');
  await openLine(page, 'Trio, long ribbon');
  await tab(page, 'Parts').click();
  await page.setViewportSize(upright);
  await expect(tab(page, 'Parts')).toHaveAttribute('aria-selected', 'true');
  // It lies over the sheet now, and goes by its key.
  await tab(page, 'Parts').focus();
  await page.keyboard.press('Escape');
  await expect(why(page)).toBeHidden();
  await page.setViewportSize(lying);
  // The line that it was about is still the one that is looked at.
  await expect(why(page).getByRole('heading', { name: 'Trio, long ribbon' })).toBeVisible();
});
