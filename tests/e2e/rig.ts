import { expect, type Page } from '@playwright/test';

/** Opens one of the saved lines of the demo rig. */
export async function openLine(page: Page, name: string) {
  await page.goto('/rig');
  await expect(verdict(page)).toBeVisible();
  await page.getByRole('navigation', { name: 'Lines' }).getByRole('link', { name }).click();
  await expect(page.getByLabel('Line', { exact: true })).toHaveValue(name);
}

export const why = (page: Page) => page.getByRole('complementary', { name: 'Why' });
export const verdict = (page: Page) => why(page).getByTestId('verdict');
export const finding = (page: Page, what: string | RegExp) => why(page).getByRole('article', { name: what });
export const feed = (page: Page, label: string) =>
  page.getByRole('group', { name: 'Feed' }).getByRole('button', { name: label, exact: true });

/** Chooses an option of a select field by its label. */
export async function choose(page: Page, label: string, option: string | RegExp) {
  await page.getByRole('combobox', { name: label }).click();
  await page.getByRole('option', { name: option }).click();
}

export const saved = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: /saved \d\d:\d\d · revision/ })).toBeVisible();
