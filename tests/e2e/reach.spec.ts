import { drawn, expect, pageWith, test, type Page } from './test';
import { openRig } from './rig';

/** Least width and height of what is pressed on a phone (WCAG 2.5.5), and least size of a text, in pixels. */
const THUMB = 44;
const TEXT = 12;

interface Seen {
  header: number;
  small: string[];
  tiny: string[];
}

/** What is too small for a thumb or an eye, of what is to be seen. Links within a text are as large as the text. */
const look = (page: Page): Promise<Seen> =>
  page.evaluate(
    ({ thumb, text }) => {
      const seen = (element: Element) => {
        const { width, height } = element.getBoundingClientRect();
        const { visibility, display } = getComputedStyle(element);
        return (
          width > 1 &&
          height > 1 &&
          visibility !== 'hidden' &&
          display !== 'none' &&
          element.closest('[aria-hidden="true"], [inert]') === null
        );
      };
      const small: string[] = [];
      const tiny: string[] = [];
      const controls =
        'button, a[href], input:not([type=hidden]), select, textarea, summary, [role=tab], [role=button], [role=checkbox], [role=combobox], [role=menuitem], [role=option]';
      for (const control of document.querySelectorAll(controls)) {
        const box = control.matches('input, textarea, [role=combobox]')
          ? (control.closest('label, .MuiInputBase-root, .MuiCheckbox-root, .MuiRadio-root, .MuiSwitch-root') ??
            control)
          : control;
        if (!seen(box) || (control.matches('a') && getComputedStyle(control).display === 'inline')) continue;
        const { width, height } = box.getBoundingClientRect();
        if (width < thumb - 0.5 || height < thumb - 0.5)
          small.push(
            `${control.getAttribute('aria-label') ?? control.textContent?.trim().slice(0, 40)}: ${Math.round(width)} x ${Math.round(height)}`,
          );
      }
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const own = node.parentElement!;
        if (!node.textContent?.trim() || !seen(own) || own.closest('style, script, noscript, title')) continue;
        let size = parseFloat(getComputedStyle(own).fontSize);
        const matrix = own instanceof SVGGraphicsElement ? own.getScreenCTM() : null;
        if (matrix) size *= Math.hypot(matrix.a, matrix.b);
        if (size < text - 0.05) tiny.push(`${node.textContent.trim().slice(0, 30)}: ${size.toFixed(1)}`);
      }
      return { header: document.querySelector('header')?.getBoundingClientRect().height ?? 0, small, tiny };
    },
    { thumb: THUMB, text: TEXT },
  );

const PLACES = ['rig', 'kit', 'plan', 'switch', 'test', 'noise', 'log'] as const;

for (const place of PLACES)
  test(`on a phone a thumb reaches everything in ${place}, and it can be read`, async ({ browser }) => {
    const page = await pageWith(browser, { viewport: { width: 390, height: 844 } });
    const fits = async (where: string) => {
      await drawn(page);
      const { header, small, tiny } = await look(page);
      expect({ where, small, tiny }).toEqual({ where, small: [], tiny: [] });
      expect(header).toBeLessThanOrEqual(64);
    };
    await page.goto(`/${place}?rig=lock-nine`);
    await expect(page.getByRole('main')).toBeVisible();
    if (place === 'rig') await expect(page.getByRole('button', { name: /^10 Clear/ })).toBeVisible();
    await fits(place);
    for (const tab of (await page.getByRole('tab').allTextContents()).slice(1)) {
      await page.getByRole('tab', { name: tab, exact: true }).click();
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
    await page.getByRole('menuitem', { name: item }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await fits(title);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  await page.context().close();
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

test('whoever asks for less motion sees the current stand still', async ({ browser }) => {
  const context = await browser.newContext({ reducedMotion: 'reduce' });
  const page = await context.newPage();
  await page.goto('/rig?rig=lock-nine&line=long-ribbon');
  const mark = page.locator('[data-line="long-ribbon"] svg path').last();
  await expect(mark).toBeAttached();
  expect(await mark.evaluate((path) => getComputedStyle(path).animationName)).toBe('none');
  await context.close();
});
