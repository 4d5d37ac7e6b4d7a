import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { WHOLE } from '../explore';
import { drawn, expect, type Page } from './test';

const axe = readFileSync(createRequire(__filename).resolve('axe-core/axe.min.js'), 'utf8');

interface Axe {
  run(
    where: Document | { include: string[] },
    options: object,
  ): Promise<{ violations: { id: string; nodes: { target: string[]; failureSummary: string }[] }[] }>;
}

/** Runs axe-core on a page; what it finds, in short. @param only by tags or by rules @param within what it looks at alone */
const axed = (page: Page, only: object, within?: string): Promise<string[]> =>
  page.evaluate(
    async ([runOnly, include]) => {
      const where = include ? { include: [include] } : document;
      const { violations: found } = await (window as unknown as { axe: Axe }).axe.run(where, {
        runOnly,
        resultTypes: ['violations'],
        // No style sheet is fetched once more for rules that are not asked for.
        preload: false,
      });
      return found.flatMap(({ id, nodes }) =>
        nodes.map(({ target, failureSummary }) => `${id}: ${target.join(' ')}: ${failureSummary}`),
      );
    },
    [only, within] as const,
  );

/** How often a page has been looked at on each width. */
const looks = new WeakMap<Page, { wide: number; phone: number }>();

/**
 * Whether this look at a page is the turn of what `npm run explore` does at every look: the other theme, and a phone. In the
 * sample each of them has every second one; a phone begins where the other theme does not.
 */
function isItsTurn(page: Page, width: 'wide' | 'phone'): boolean {
  const counted = looks.get(page) ?? { wide: 0, phone: 0 };
  looks.set(page, { ...counted, [width]: counted[width] + 1 });
  return WHOLE || counted[width] % 2 === (width === 'wide' ? 0 : 1);
}

/**
 * WCAG 2 A and AA by axe-core in the theme that is there; on a wide page the contrasts of the other theme as well, which
 * the page is left in (a phone has the same colours). In the sample by turns. What is found, in short.
 * @param within what is looked at alone, where the rest of the page has been seen
 */
export async function violations(page: Page, within?: string): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe);
  const all = { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'] };
  if (page.viewportSize()!.width < PHONE) return isItsTurn(page, 'phone') ? axed(page, all, within) : [];
  const found = await axed(page, all, within);
  if (!isItsTurn(page, 'wide')) return found;
  const html = page.locator('html');
  const other = (await html.getAttribute('data-scheme')) === 'dark' ? 'light' : 'dark';
  await page.emulateMedia({ colorScheme: other });
  await expect(html).toHaveAttribute('data-scheme', other);
  await drawn(page);
  const contrasts = await axed(page, { type: 'rule', values: ['color-contrast'] }, within);
  return [...found, ...contrasts.map((each) => `${other}: ${each}`)];
}

/** What is narrower is a phone, in pixels. */
export const PHONE = 720;

const WIDE = { width: 1280, height: 800 };
export const NARROW = { width: 390, height: 844 };

/** What is on a wide page, and then on a phone that shows the same; afterwards it is as wide as before. */
export async function onBoth(page: Page, seen: () => Promise<void>): Promise<void> {
  await seen();
  await page.setViewportSize(NARROW);
  await drawn(page);
  await seen();
  await page.setViewportSize(WIDE);
  await drawn(page);
}

/** Accessible, legible, and without sideways scrolling. */
export async function fitsAndIsAccessible(page: Page) {
  // Between two places there is no title for a moment.
  await expect(page).toHaveTitle(/./);
  await drawn(page);
  expect(await violations(page)).toEqual([]);
  expect((await look(page)).tiny).toEqual([]);
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
  ).toBeLessThanOrEqual(0);
}

/** Least width and height of what is pressed on a phone (WCAG 2.5.5), and least size of a text, in pixels. */
const THUMB = 44;
const TEXT = 12;

interface Seen {
  header: number;
  small: string[];
  tiny: string[];
}

/** What is too small for a thumb or an eye, of what is to be seen. Links within a text are as large as the text. */
export const look = (page: Page): Promise<Seen> =>
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
          element.closest('[aria-hidden="true"], [inert]') === null &&
          element.checkVisibility({ opacityProperty: true })
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
        // The label of a field that has something in it is drawn smaller.
        for (let up: Element | null = matrix ? null : own; up; up = up.parentElement) {
          const { transform } = getComputedStyle(up);
          if (transform === 'none') continue;
          const { a, b } = new DOMMatrix(transform);
          size *= Math.hypot(a, b);
        }
        if (size < text - 0.05) tiny.push(`${node.textContent.trim().slice(0, 30)}: ${size.toFixed(1)}`);
      }
      return { header: document.querySelector('header')?.getBoundingClientRect().height ?? 0, small, tiny };
    },
    { thumb: THUMB, text: TEXT },
  );
