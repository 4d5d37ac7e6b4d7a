import { expect, test } from './test';

test('the casebook: searched, a school tried, and a situation opened as a rig', async ({ page }) => {
  await page.goto('/rig');
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitem', { name: 'Casebook: situations and verdicts' }).click();
  await expect(page.getByRole('heading', { name: 'Casebook', exact: true })).toBeVisible();
  await page.keyboard.press('/');
  await page.getByLabel('Search the casebook').fill('ribbon without tap tested 48');
  const row = page.getByRole('button', { name: /Ribbon without a tap, tested cable, 48 V/ });
  await row.focus();
  await page.keyboard.press('Enter');
  const panel = page.getByRole('complementary', { name: 'Situation' });
  await expect(panel.getByTestId('verdict')).toHaveText('Watch');
  const never = panel.getByRole('button', { name: /Phantom on a passive ribbon: never/ });
  await never.focus();
  await page.keyboard.press('Space');
  await expect(panel.getByTestId('verdict')).toHaveText('Stop');
  await page.keyboard.press('Space');
  await expect(panel.getByTestId('verdict')).toHaveText('Watch');
  await panel.getByRole('button', { name: 'Open as a rig' }).click();
  await page.waitForURL(/\/rig\?rig=/);
  await expect(page.getByTestId('verdict').first()).toHaveText('Watch');
});

test('nothing found says what to do; a verdict narrows the list', async ({ page }) => {
  await page.goto('/casebook');
  await page.getByLabel('Search the casebook').fill('harpsichord on the moon');
  await expect(page.getByText(/No situation matches/)).toBeVisible();
  await page.getByLabel('Search the casebook').fill('');
  await page.getByRole('button', { name: /\d+ Stop/ }).click();
  await expect(page.getByRole('button', { name: /Condenser, feed off/ })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /Dynamic on T12 / }).first()).toBeVisible();
});

test('by keyboard alone: search, a situation, a school, and the rig it opens', async ({ page }) => {
  await page.goto('/casebook');
  // A key that comes before the page has woken up is lost.
  await expect(async () => {
    await page.keyboard.press('/');
    await expect(page.getByLabel('Search the casebook')).toBeFocused({ timeout: 500 });
  }).toPass();
  await page.keyboard.type('shotgun battery 12');
  await expect(page.getByRole('button', { name: /Shotgun with its battery in on 12 V/ })).toBeVisible();
  const until = async (name: RegExp) => {
    for (let n = 0; n < 40; n++) {
      await page.keyboard.press('Tab');
      const focused = await page.evaluate(() => {
        const { activeElement: at } = document;
        return at instanceof HTMLButtonElement ? (at.textContent ?? '') : '';
      });
      if (name.test(focused)) return;
    }
    throw new Error(`${name} is not reached by Tab`);
  };
  await until(/Shotgun with its battery in on 12 V/);
  await page.keyboard.press('Enter');
  const panel = page.getByRole('complementary', { name: 'Situation' });
  await expect(panel.getByTestId('verdict')).toHaveText('Watch');
  await until(/battery as reserve/);
  await page.keyboard.press('Enter');
  await expect(panel.getByTestId('verdict')).toHaveText('Clear');
  await until(/Open as a rig/);
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/rig\?rig=/);
  await expect(page.getByTestId('verdict').first()).toHaveText('Watch');
});

test('what is right every day has a chapter of its own, and stays quiet', async ({ page }) => {
  await page.goto('/casebook');
  const everyday = page.getByRole('region', { name: 'Everyday set-ups that are right' });
  const situations = everyday.getByRole('button');
  await expect.poll(() => situations.count()).toBeGreaterThan(20);
  await expect(situations.filter({ hasNotText: 'Clear' })).toHaveCount(0);
});
