import { bigRig } from '../../bench/rigs';
import { drawn, expect, test, type Page } from './test';
import { why } from './rig';

const LINES = 160;

/** A rig of many lines; whoever opens it waits until all are solved. */
async function openLarge(page: Page) {
  const made = await page.request.post('/api/rigs', { data: bigRig(LINES) });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/rig?rig=${id}`);
  await expect(page.getByRole('button', { name: `${LINES - LINES / 8} Clear` })).toBeVisible();
}

const rows = (page: Page) => page.locator('[data-line]');
const whole = (page: Page) => rows(page).filter({ has: page.getByRole('checkbox', { includeHidden: true }) });
const rowOf = (page: Page, n: number) => page.locator(`[data-line="line-${n}"]`);
/** What the keyboard is on. */
const focused = (page: Page) => page.locator(':focus');

test('of a large rig only what is near is drawn whole; each line is there with name and verdict', async ({ page }) => {
  await openLarge(page);
  await expect(rows(page)).toHaveCount(LINES);
  await expect(rowOf(page, 1)).toContainText('Clear');
  expect(await whole(page).count()).toBeLessThan(40);
  // As the browser's own search and whoever reads aloud find them.
  await expect(rowOf(page, 150)).toHaveText(/^Line 150Clear · inlet 6$/);
  await rowOf(page, 150).scrollIntoViewIfNeeded();
  await expect(rowOf(page, 150).getByRole('checkbox', { name: 'Mark Line 150' })).toBeVisible();
  await expect(rowOf(page, 1).getByRole('checkbox')).toHaveCount(0);
  expect(await whole(page).count()).toBeLessThan(40);
});

test('the keyboard goes through all of them and stays with the line', async ({ page }) => {
  await openLarge(page);
  await page.keyboard.press('j');
  await expect(rowOf(page, 1).locator('[data-name]')).toBeFocused();
  for (let n = 2; n <= 40; n++) {
    await page.keyboard.press('j');
    await expect(rowOf(page, n).locator('[data-name]')).toBeFocused();
  }
  await expect(why(page).getByRole('heading', { name: 'Line 40', exact: true })).toBeVisible();
  await expect(rowOf(page, 40)).toBeInViewport();
  // Scrolled away, the line that is selected is still there, and so is the keyboard.
  await rowOf(page, 140).scrollIntoViewIfNeeded();
  await expect(rowOf(page, 140).getByRole('checkbox')).toBeVisible();
  await expect(rowOf(page, 40).locator('[data-name]')).toBeFocused();
  // A line that is far off is pressed by keyboard, and the keyboard stays on it while it is drawn.
  await rowOf(page, 90).locator('[data-name]').focus();
  await expect(rowOf(page, 90).getByRole('checkbox')).toBeVisible();
  await expect(rowOf(page, 90).locator('[data-name]')).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(why(page).getByRole('heading', { name: 'Line 90', exact: true })).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(focused(page)).toBeVisible();
  await expect(rowOf(page, 90).locator(':focus')).toHaveCount(1);
});

test('a problem far down is pressed in the overview and shown in the sheet', async ({ page }) => {
  await openLarge(page);
  await why(page)
    .getByRole('button', { name: /Line 159/ })
    .click();
  await expect(rowOf(page, 159)).toBeInViewport();
  await expect(rowOf(page, 159).locator('[data-name]')).toHaveAttribute('aria-pressed', 'true');
  await expect(why(page).getByRole('heading', { name: 'Line 159', exact: true })).toBeVisible();
});

test('lines are marked over a stretch that is not drawn, and carried by keyboard at its end', async ({ page }) => {
  await openLarge(page);
  await rowOf(page, 1).getByRole('checkbox').click();
  await rowOf(page, 150).scrollIntoViewIfNeeded();
  await rowOf(page, 150)
    .getByRole('checkbox')
    .click({ modifiers: ['Shift'] });
  const marked = page.getByRole('heading', { name: '150 lines marked' });
  await expect(marked).toBeVisible();
  await expect(rowOf(page, 80)).toContainText('marked');
  expect(await whole(page).count()).toBeLessThan(40);
  await page.keyboard.press('Escape');
  await expect(marked).toBeHidden();
  await expect(rowOf(page, 80)).not.toContainText('marked');
  const grip = rowOf(page, 153).getByRole('button', { name: /^Move Line 153/ });
  await grip.focus();
  // As far as it was scrolled, rows are drawn.
  await expect(rowOf(page, 155).getByRole('checkbox')).toBeVisible();
  await drawn(page);
  await page.keyboard.press('Space');
  // What is carried is measured first; an arrow before that is lost, on any rig.
  await expect(async () => {
    await page.keyboard.press('ArrowDown');
    await expect(page.getByText('Over Line 154.')).toBeAttached({ timeout: 1000 });
  }).toPass();
  await page.keyboard.press('Space');
  const order = () => rows(page).evaluateAll((all) => all.map((each) => each.getAttribute('data-line')));
  await expect
    .poll(async () => (await order()).slice(151, 155))
    .toEqual(['line-152', 'line-154', 'line-153', 'line-155']);
});

test('a switch far down is there in words, is reached by keyboard and turned', async ({ page }) => {
  await openLarge(page);
  const section = page.getByRole('region', { name: 'Stage box 19, inlets 1–8' });
  const name = section.getByRole('button', { name: 'Stage box 19, inlets 1–8' });
  const feeds = section.getByRole('group', { name: 'Feed of Stage box 19, inlets 1–8' });
  // As the browser's own search and whoever reads aloud find it.
  await expect(section).toContainText('one switch feeds inlets 1–8 · 48 V');
  await expect(feeds).toHaveCount(0);
  await name.focus();
  await expect(feeds).toBeVisible();
  await expect(name).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(feeds.getByRole('button', { name: 'off', pressed: false })).toBeFocused();
  await page.keyboard.press('Space');
  await expect(feeds.getByRole('button', { name: 'off', pressed: true })).toBeFocused();
  // Scrolled away it says what it is now; what has the keyboard stays whole until that goes on.
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('/');
  await rowOf(page, 1).scrollIntoViewIfNeeded();
  await expect(section).toContainText('one switch feeds inlets 1–8 · off');
  await expect(feeds).toHaveCount(0);
});

test('what is printed has every row', async ({ page }) => {
  await openLarge(page);
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await expect(whole(page)).toHaveCount(LINES);
  await expect(page.getByRole('group', { name: /^Feed of / })).toHaveCount(LINES / 8);
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await expect.poll(() => whole(page).count()).toBeLessThan(40);
});
