import { drawn, expect, test, type Page } from './test';
import { fewOf, openLine, openRig, verdict } from './rig';
import { fitsAndIsAccessible, NARROW, onBoth, violations } from './seen';

/** Wide and on a phone, in both themes. */
const fits = (page: Page) => onBoth(page, () => fitsAndIsAccessible(page));

test('a line on the sheet is accessible and without sideways scrolling', async ({ page }) => {
  await openLine(page, 'Trio, long ribbon');
  await expect(verdict(page)).toHaveText('Stop');
  await fits(page);
  await page.setViewportSize({ width: 820, height: 1100 });
  await fitsAndIsAccessible(page);
  await page.setViewportSize(NARROW);
  await page.getByRole('button', { name: 'Back to the sheet' }).click();
  await fitsAndIsAccessible(page);
});

// On a wide page alone: contrasts are looked at in both themes, in the sample by turns.
test('every tab, a switch and the kit are accessible', async ({ page }) => {
  await openLine(page, 'Trio, long ribbon');
  for (const name of ['Parts', 'Readings', 'Transients']) {
    await page.getByRole('tab', { name }).click();
    await drawn(page);
    expect(await violations(page)).toEqual([]);
  }
  await page.getByRole('button', { name: 'Hold desk, bank B', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Settings of this switch' })).toContainText('48 V');
  expect(await violations(page)).toEqual([]);
  await page.goto('/kit');
  await page.getByRole('gridcell', { name: 'ribbon, left', exact: true }).click();
  await drawn(page);
  expect(await violations(page)).toEqual([]);
});

test('the plan is accessible and without sideways scrolling', async ({ page }) => {
  await page.goto('/plan?rig=lock-nine');
  await page.getByRole('checkbox', { name: 'Use only my kit' }).check();
  await page.getByRole('button', { name: 'Plan the patch' }).click();
  await page.getByRole('button', { name: /^Accept all/ }).waitFor({ timeout: 60_000 });
  for (const tab of ['Patch', 'Chains', 'Supplies', 'Batteries']) {
    await page.getByRole('tab', { name: tab }).click();
    await fits(page);
  }
});

test('the run sheet and the log are accessible and without sideways scrolling', async ({ page }) => {
  const rig = await fewOf(page, 'Seen');
  await page.goto(`/switch?rig=${rig}`);
  await expect(page.getByText('connected', { exact: true })).toBeVisible();
  await fits(page);
  await page.getByRole('button', { name: 'Start from here: Unknown: treat everything as live' }).click();
  await expect(page.getByRole('button', { name: 'Begin' })).toBeVisible();
  await fits(page);
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('region', { name: 'The next step' })).toBeVisible();
  await fits(page);
  const shown = async () => {
    await page.getByRole('tab', { name: 'What happens now' }).click();
    await expect(page.getByRole('img', { name: /^Step at the inlet/ })).toBeVisible();
    await fitsAndIsAccessible(page);
  };
  await shown();
  await page.setViewportSize(NARROW);
  await page.getByRole('button', { name: 'The rig now' }).click();
  await shown();
  await page.goto(`/log?rig=${rig}`);
  await expect(page.getByText('Set-up begun').or(page.getByText('Started: state unknown')).first()).toBeVisible();
  await fits(page);
  for (const paper of ['log/hand-over', 'switch/print']) {
    await page.goto(`/${paper}?rig=${rig}`);
    await expect(page.getByRole('button', { name: 'Print, or save as PDF' })).toBeVisible();
    await fits(page);
  }
});

test('the Noise place is accessible and without sideways scrolling', async ({ page }) => {
  const rig = await fewOf(page, 'Heard', 'lock-nine-mended');
  await page.goto(`/noise?rig=${rig}`);
  await expect(page.getByRole('heading', { name: /^Whose noise it is/ })).toBeVisible();
  await fits(page);
  await page.getByRole('tab', { name: 'Measure' }).click();
  await page.getByRole('button', { name: 'Simulated interface' }).click();
  await expect(page.getByRole('button', { name: 'Keep the figures' })).toBeVisible();
  await fits(page);
  await page.getByRole('tab', { name: 'Ladder' }).click();
  await expect(page.getByRole('list', { name: 'Rungs' })).toBeVisible();
  await fits(page);
  await page.getByRole('tab', { name: 'Hunt' }).click();
  await fits(page);
  await page.getByRole('button', { name: 'Begin the hunt' }).click();
  await expect(page.getByRole('region', { name: 'Next measurement' })).toBeVisible();
  await fits(page);
  await page.getByRole('button', { name: 'Simulated interface' }).click();
  await expect(page.getByRole('heading', { name: 'Measurement 2', exact: true })).toBeVisible();
  await fits(page);
  await page.getByRole('tab', { name: 'Mains' }).click();
  await expect(page.getByRole('img', { name: /units on/ })).toBeVisible();
  await page.getByText('More about units and outlets, where it is known').click();
  await fits(page);
  await page.getByRole('link', { name: 'Brief for an electrician' }).click();
  await expect(page.getByRole('button', { name: 'Print, or save as PDF' })).toBeVisible();
  await fits(page);
  const begun = await page.request.post('/api/shop', { data: { rig, unit: 'Hold desk' } });
  await page.goto(`/kit/shop?record=${(await begun.json()).id}`);
  await expect(page.getByLabel('Serial number')).toBeVisible();
  await fits(page);
  await page.goto(`/noise?rig=${rig}&tab=mains`);
  await expect(page.getByRole('img', { name: /units on/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Hunt' }).click();
  await page.getByRole('link', { name: 'As a page to share' }).click();
  await expect(page.getByRole('button', { name: 'Print, or save as PDF' })).toBeVisible();
  await fits(page);
});

test('the theme is chosen by hand and kept', async ({ page }) => {
  await openRig(page);
  await page.getByRole('button', { name: 'Switch to the dark theme' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'dark');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'dark');
});

test('the Test place is accessible and without sideways scrolling', async ({ page }) => {
  const rig = await fewOf(page, 'Tested');
  await page.goto(`/test?rig=${rig}&line=announcer`);
  await expect(page.getByRole('button', { name: 'Nothing at all' })).toBeVisible();
  await fits(page);
  await page.getByRole('button', { name: 'Nothing at all' }).click();
  await expect(page.getByRole('list', { name: 'Answered' })).toBeVisible();
  await page.getByText(/^I only have/).click();
  await fits(page);
  await page.getByRole('tab', { name: 'Test a cable' }).click();
  await expect(page.getByRole('region', { name: 'Question' })).toBeVisible();
  await fits(page);
  for (const tab of ['Register', 'Inlets', 'From the meter', 'Make the tools']) {
    await page.getByRole('tab', { name: tab }).click();
    await fits(page);
  }
  // By key: the row of tabs still scrolls to the last one, and carries this one away from under the mouse.
  await page.getByRole('tab', { name: 'No sound' }).press('Enter');
  await page.getByRole('button', { name: 'How likely each fault is' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await fits(page);
  for (const path of ['labels?items=cable-20-m', 'inlets?rig=lock-nine&sheet=1']) {
    await page.goto(`/test/${path}`);
    await fits(page);
  }
});
