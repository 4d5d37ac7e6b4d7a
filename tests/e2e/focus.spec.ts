import { WHOLE } from '../explore';
import { expect, test, type Page } from './test';

/** What has the focus: what it is called, and how strongly what shows it stands out of what is around it. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const active = document.activeElement as HTMLElement | null;
    if (!active || active === document.body) return undefined;
    const known = ((window as { colours?: Map<string, number[]> }).colours ??= new Map<string, number[]>());
    const rgb = (text: string): number[] => {
      const before = known.get(text);
      if (before) return before;
      const context = document.createElement('canvas').getContext('2d', { willReadFrequently: true })!;
      context.fillStyle = text;
      context.fillRect(0, 0, 1, 1);
      const colour = [...context.getImageData(0, 0, 1, 1).data];
      known.set(text, colour);
      return colour;
    };
    // Relative luminance and contrast (WCAG 2.2).
    const luminance = (text: string): number => {
      const [r, g, b] = rgb(text).map((part) => {
        const share = part / 255;
        return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
      });
      return 0.2126 * r + 0.7152 * g + 0.0722 * b;
    };
    const contrast = (a: string, b: string): number => {
      const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x);
      return (high + 0.05) / (low + 0.05);
    };
    const around = (element: Element): string => {
      for (let at: Element | null = element; at; at = at.parentElement) {
        const { backgroundColor } = getComputedStyle(at);
        if (rgb(backgroundColor)[3] > 200) return backgroundColor;
      }
      return '#fff';
    };
    // A ring of its own or of the control that it is in; a field shows it by its border.
    const rings = [active, active.closest('.Mui-focusVisible')]
      .filter((element) => element !== null)
      .map((element) => ({ element, style: getComputedStyle(element) }))
      .filter(({ style }) => style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) >= 2)
      .map(({ element, style }) => contrast(style.outlineColor, around(element.parentElement ?? element)));
    const border = active.closest('.MuiInputBase-root')?.querySelector('fieldset');
    const borders =
      border && parseFloat(getComputedStyle(border).borderWidth) >= 2
        ? [contrast(getComputedStyle(border).borderTopColor, around(border.parentElement!))]
        : [];
    const name = active.getAttribute('aria-label') ?? active.textContent?.slice(0, 40) ?? '';
    return { what: `${active.tagName} ${name}`, contrast: Math.max(0, ...rings, ...borders) };
  });

test('the keyboard’s focus is seen on every control, in both themes', async ({ page }) => {
  const unseen: string[] = [];
  const reached = new Set<string>();
  const ways = [
    ['light', 'Tab'],
    ['dark', 'Shift+Tab'],
  ] as const;
  for (const [n, place] of ['rig', 'kit', 'plan', 'switch', 'test', 'noise', 'log', 'casebook'].entries()) {
    await page.emulateMedia({ colorScheme: 'light' });
    await page.goto(`/${place}`);
    // There in one theme, and the same way back in the other; after the first place the sample takes them by turns.
    for (const [colorScheme, key] of WHOLE || n === 0 ? ways : [ways[n % 2]]) {
      await page.emulateMedia({ colorScheme });
      await expect(page.locator('html')).toHaveAttribute('data-scheme', colorScheme);
      for (let n = 0; n < 40; n++) {
        await page.keyboard.press(key);
        const found = await focused(page);
        if (!found) continue;
        reached.add(`${colorScheme} ${place} ${found.what}`);
        if (found.contrast < 3)
          unseen.push(`${colorScheme} ${place}: ${found.what} (${found.contrast.toFixed(1)} to 1)`);
      }
    }
  }
  expect(unseen).toEqual([]);
  for (const theme of ['light', 'dark'])
    expect([...reached].filter((what) => what.startsWith(theme)).length).toBeGreaterThan(WHOLE ? 100 : 80);
});
