import { drawn, expect, pageWith, test } from './test';
import { copyOf, openLine, openRig, verdict } from './rig';
import { fitsAndIsAccessible, PHONE, SEEN, violations } from './seen';

for (const { colorScheme, width, height } of [...SEEN, { colorScheme: 'light', width: 820, height: 1100 } as const])
  test(`accessible and without sideways scrolling, ${colorScheme}, ${width} px`, async ({ browser }) => {
    const page = await pageWith(browser, { viewport: { width, height }, colorScheme });
    await openLine(page, 'Trio, long ribbon');
    await expect(verdict(page)).toHaveText('Stop');
    expect(await violations(page)).toEqual([]);
    expect(
      await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
    ).toBeLessThanOrEqual(0);
    if (width < 1120) await page.getByRole('button', { name: 'Back to the sheet' }).click();
    if (width < PHONE) await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('button', { name: 'Schools' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await drawn(page);
    expect(await violations(page)).toEqual([]);
    await page.context().close();
  });

// In one theme: contrasts are looked at in both of them each time.
test('every tab, a switch, the kit and the dialogs are accessible', async ({ page }) => {
  await openLine(page, 'Trio, long ribbon');
  for (const name of ['Parts', 'Readings', 'Transients']) {
    await page.getByRole('tab', { name }).click();
    await drawn(page);
    expect(await violations(page)).toEqual([]);
  }
  await page.getByRole('button', { name: 'Hold desk, bank B', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Settings of this switch' })).toContainText('48 V');
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('n');
  await drawn(page);
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.goto('/kit');
  await page.getByRole('gridcell', { name: 'ribbon, left', exact: true }).click();
  await drawn(page);
  expect(await violations(page)).toEqual([]);
});

for (const { colorScheme, width, height } of SEEN)
  test(`the plan is accessible and without sideways scrolling, ${colorScheme}, ${width} px`, async ({ browser }) => {
    test.setTimeout(120_000);
    const page = await pageWith(browser, { viewport: { width, height }, colorScheme });
    await page.goto('/plan?rig=lock-nine');
    await page.getByRole('checkbox', { name: 'Use only my kit' }).check();
    await page.getByRole('button', { name: 'Plan the patch' }).click();
    await page.getByRole('button', { name: /^Accept all/ }).waitFor({ timeout: 60_000 });
    for (const tab of ['Patch', 'Chains', 'Supplies', 'Batteries']) {
      await page.getByRole('tab', { name: tab }).click();
      await drawn(page);
      expect(await violations(page)).toEqual([]);
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
      ).toBeLessThanOrEqual(0);
    }
    await page.context().close();
  });

for (const { colorScheme, width, height } of SEEN)
  test(`the run sheet and the log are accessible and without sideways scrolling, ${colorScheme}, ${width} px`, async ({
    browser,
  }) => {
    const page = await pageWith(browser, { viewport: { width, height }, colorScheme });
    const fits = () => fitsAndIsAccessible(page);
    const rig = await copyOf(page, `Seen at ${width}, ${colorScheme}`);
    await page.goto(`/switch?rig=${rig}`);
    await expect(page.getByText('connected', { exact: true })).toBeVisible();
    await fits();
    await page.getByRole('button', { name: 'Start from here: Unknown: treat everything as live' }).click();
    await expect(page.getByRole('button', { name: 'Begin' })).toBeVisible();
    await fits();
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect(page.getByRole('region', { name: 'The next step' })).toBeVisible();
    await fits();
    if (width < 1120) await page.getByRole('button', { name: 'The rig now' }).click();
    await page.getByRole('tab', { name: 'What happens now' }).click();
    await expect(page.getByRole('img', { name: /^Step at the inlet/ })).toBeVisible();
    await fits();
    await page.goto(`/log?rig=${rig}`);
    await expect(page.getByText('Set-up begun').or(page.getByText('Started: state unknown')).first()).toBeVisible();
    await fits();
    for (const paper of ['log/hand-over', 'switch/print']) {
      await page.goto(`/${paper}?rig=${rig}`);
      await expect(page.getByRole('button', { name: 'Print, or save as PDF' })).toBeVisible();
      await fits();
    }
    await page.context().close();
  });

for (const { colorScheme, width, height } of SEEN)
  test(`the Noise place is accessible and without sideways scrolling, ${colorScheme}, ${width} px`, async ({
    browser,
  }) => {
    const page = await pageWith(browser, { viewport: { width, height }, colorScheme });
    const fits = () => fitsAndIsAccessible(page);
    const rig = await copyOf(page, `Heard at ${width}, ${colorScheme}`, 'lock-nine-mended');
    await page.goto(`/noise?rig=${rig}`);
    await expect(page.getByRole('heading', { name: /^Whose noise it is/ })).toBeVisible();
    await fits();
    await page.getByRole('tab', { name: 'Measure' }).click();
    await page.getByRole('button', { name: 'Simulated interface' }).click();
    await expect(page.getByRole('button', { name: 'Keep the figures' })).toBeVisible();
    await fits();
    await page.getByRole('tab', { name: 'Ladder' }).click();
    await expect(page.getByRole('list', { name: 'Rungs' })).toBeVisible();
    await fits();
    await page.getByRole('tab', { name: 'Hunt' }).click();
    await fits();
    await page.getByRole('button', { name: 'Begin the hunt' }).click();
    await expect(page.getByRole('region', { name: 'Next measurement' })).toBeVisible();
    await fits();
    await page.getByRole('button', { name: 'Simulated interface' }).click();
    await expect(page.getByRole('heading', { name: 'Measurement 2', exact: true })).toBeVisible();
    await fits();
    await page.getByRole('tab', { name: 'Mains' }).click();
    await expect(page.getByRole('img', { name: /units on/ })).toBeVisible();
    await page.getByText('More about units and outlets, where it is known').click();
    await fits();
    if (width > 1000) await page.getByRole('link', { name: 'Brief for an electrician' }).click();
    else await page.goto(`/noise/brief?rig=${rig}`);
    await expect(page.getByRole('button', { name: 'Print, or save as PDF' })).toBeVisible();
    await fits();
    const begun = await page.request.post('/api/shop', { data: { rig, unit: 'Hold desk' } });
    await page.goto(`/kit/shop?record=${(await begun.json()).id}`);
    await expect(page.getByLabel('Serial number')).toBeVisible();
    await fits();
    await page.goto(`/noise?rig=${rig}&tab=mains`);
    await expect(page.getByRole('img', { name: /units on/ })).toBeVisible();
    await page.getByRole('tab', { name: 'Hunt' }).click();
    await page.getByRole('link', { name: 'As a page to share' }).click();
    await expect(page.getByRole('button', { name: 'Print, or save as PDF' })).toBeVisible();
    await fits();
    await page.context().close();
  });

test('the theme is chosen by hand and kept', async ({ page }) => {
  await openRig(page);
  await page.getByRole('button', { name: 'Switch to the dark theme' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'dark');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'dark');
});

for (const { colorScheme, width, height } of SEEN)
  test(`the Test place is accessible and without sideways scrolling, ${colorScheme}, ${width} px`, async ({
    browser,
  }) => {
    const page = await pageWith(browser, { viewport: { width, height }, colorScheme });
    const fits = () => fitsAndIsAccessible(page);
    const rig = await copyOf(page, `Tested at ${width}, ${colorScheme}`);
    await page.goto(`/test?rig=${rig}&line=announcer`);
    await expect(page.getByRole('button', { name: 'Nothing at all' })).toBeVisible();
    await fits();
    await page.getByRole('button', { name: 'Nothing at all' }).click();
    await expect(page.getByRole('list', { name: 'Answered' })).toBeVisible();
    await page.getByText(/^I only have/).click();
    await fits();
    await page.getByRole('tab', { name: 'Test a cable' }).click();
    await expect(page.getByRole('region', { name: 'Question' })).toBeVisible();
    await fits();
    for (const tab of ['Register', 'Inlets', 'From the meter', 'Make the tools']) {
      await page.getByRole('tab', { name: tab }).click();
      await fits();
    }
    // By key: the row of tabs still scrolls to the last one, and carries this one away from under the mouse.
    await page.getByRole('tab', { name: 'No sound' }).press('Enter');
    await page.getByRole('button', { name: 'How likely each fault is' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await fits();
    for (const path of ['labels?items=cable-20-m', 'inlets?rig=lock-nine&sheet=1']) {
      await page.goto(`/test/${path}`);
      await fits();
    }
    await page.context().close();
  });
