import type { Page } from '@playwright/test';
import { openRig } from './rig';
import { expect, test } from './test';

/** What stands on the page, seen or read aloud, with "ground" for the zero of signals. What is printed on gear keeps its words. */
const grounds = (page: Page) =>
  page.evaluate(() => {
    const read = [...document.querySelectorAll('[aria-label], [placeholder], [title]')].flatMap((element) =>
      ['aria-label', 'placeholder', 'title'].map((name) => element.getAttribute(name) ?? ''),
    );
    return [...document.body.innerText.split('\n'), ...read].filter((text) =>
      /\bground(?! lift|, earth)(ed|s|ing)?\b/i.test(text),
    );
  });

test('whoever says earth reads earth in every place', async ({ page }) => {
  await openRig(page);
  await page.getByRole('button', { name: 'Settings' }).click();
  await page.getByLabel('Word for ground').click();
  await page.getByRole('option', { name: 'earth' }).click();
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  try {
    await page.getByRole('button', { name: 'Schools' }).click();
    await expect(page.getByText('A TRS plug earths one leg on its way in.')).toBeVisible();
    expect(await grounds(page)).toEqual([]);
    await page.goto('/casebook?rig=lock-nine');
    await expect(page.getByText('Two earths, two loads, two switches.')).toBeVisible();
    expect(await grounds(page)).toEqual([]);
    await page.goto('/plan?rig=lock-nine');
    await page.getByRole('tab', { name: 'Supplies' }).click();
    await expect(page.getByText(/has its signal earth at the negative pole/).first()).toBeVisible();
    expect(await grounds(page)).toEqual([]);
    await page.goto('/noise?rig=lock-nine');
    await page.getByRole('tab', { name: 'Mains' }).click();
    await expect(page.getByRole('heading', { name: 'Earth tree and earth loops' })).toBeVisible();
    await page.getByText('More about units and outlets, where it is known').click();
    await expect(page.getByLabel('Audio earth of Laptop')).toBeVisible();
    expect(await grounds(page)).toEqual([]);
    await page.goto('/rig?rig=lock-nine&line=piano-left');
    await page.getByRole('tab', { name: 'Parts' }).click();
    await expect(page.getByText('Is its earth on mains earth?').first()).toBeVisible();
    expect(await grounds(page)).toEqual([]);
  } finally {
    await page.request.put('/api/settings', { data: { ground: 'ground' } });
  }
});
