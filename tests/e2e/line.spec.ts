import { expect, test } from '@playwright/test';
import { choose, feed, finding, openLine, saved, verdict, why } from './rig';

test('a new line: a condenser that needs 48 V, from Silent to Clear with the feed, and found again later', async ({
  page,
}) => {
  await page.goto('/rig');
  await page.getByRole('button', { name: 'New line' }).click();
  await page.getByLabel('Line', { exact: true }).fill('Spare condenser');
  await page.getByLabel('Line', { exact: true }).press('Enter');
  await choose(page, 'Source: kind', 'Condenser, 48 V only');
  await expect(verdict(page)).toHaveText('Silent');
  await feed(page, '48 V').click();
  await expect(verdict(page)).toHaveText('Clear');
  await expect(page.getByLabel('Probe reads')).toHaveText(/^37\.7[89] V$/);
  await expect(page.getByRole('img', { name: /^source: .*2 37\.8 V.*3 37\.8 V/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Readings' })).toContainText('3.00 mA');

  await feed(page, '12 V').click();
  await expect(verdict(page)).toHaveText('Silent');
  await expect(finding(page, 'Too little voltage for the microphone')).toContainText('11.0 V');
  await feed(page, 'off').click();
  await expect(finding(page, 'No power reaches the microphone')).toContainText('0 V');

  await saved(page);
  await page.reload();
  await page.getByRole('navigation', { name: 'Lines' }).getByRole('link', { name: 'Spare condenser' }).click();
  await expect(verdict(page)).toHaveText('Silent');
});

test('the electret behind a plain adapter: Stop at 46 V, one press on the converter makes it Clear, undo brings it back', async ({
  page,
}) => {
  await openLine(page, 'Guide, body-worn');
  await expect(verdict(page)).toHaveText('Stop');
  await expect(finding(page, 'Too much voltage on the capsule')).toContainText(
    /46\.0 V stand on the capsule; it stands 10\.0 V/,
  );
  await finding(page, 'Too much voltage on the capsule')
    .getByRole('button', { name: /converter/ })
    .click();
  await expect(verdict(page)).toHaveText('Clear');
  await expect(page.getByRole('region', { name: 'Readings' })).toContainText(/On the capsule\s*2\.\d\d V/);
  await page.keyboard.press('Control+z');
  await expect(verdict(page)).toHaveText('Stop');
  await page.keyboard.press('Control+Shift+z');
  await expect(verdict(page)).toHaveText('Clear');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(verdict(page)).toHaveText('Stop');
  await saved(page);
});

test('a moving coil on 48 V takes nothing; with pin 3 shorted to 1 it is Stop with about 7 mA', async ({ page }) => {
  await openLine(page, "Guide's stand");
  await expect(verdict(page)).toHaveText('Clear');
  await page.getByRole('button', { name: 'cable 15 m', exact: true }).click();
  await page.getByRole('button', { name: 'Add a fault' }).click();
  await choose(page, 'Fault 1', 'two conductors shorted');
  await expect(verdict(page)).toHaveText('Stop');
  await expect(finding(page, 'Direct current flows through the coil')).toContainText(/6\.8\d mA pass through the coil/);
  await finding(page, 'Direct current flows through the coil')
    .getByRole('button', { name: /sound cable/ })
    .click();
  await expect(verdict(page)).toHaveText('Clear');
});

test('the ribbon: each school judges, and the maker’s answer changes it', async ({ page }) => {
  await openLine(page, 'Trio, ribbon left');
  await expect(verdict(page)).toHaveText('Stop');
  const fed = finding(page, /A live feed of 48\.0 V reaches a passive ribbon/);
  await expect(fed).toContainText('School: phantom on a passive ribbon, “avoid”');
  await expect(fed).toContainText('6.96 mA');
  await expect(fed.getByRole('button', { name: /no tap on pin 1/ })).toContainText('Watch');
  await fed.getByRole('button', { name: /no tap on pin 1/ }).click();
  await expect(verdict(page)).toHaveText('Watch');

  await page.getByRole('button', { name: 'Schools' }).click();
  await choose(page, 'Phantom on a passive ribbon', 'never');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(verdict(page)).toHaveText('Stop');
  await expect(finding(page, /passive ribbon/)).toContainText('“never”');
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(verdict(page)).toHaveText('Stop');
  await saved(page);
});

test('a broken pin 3 under a fed condenser: voltages fall as computed, and the signal is spoken of', async ({
  page,
}) => {
  await openLine(page, 'Trio, large condenser');
  await feed(page, '48 V').click();
  await expect(verdict(page)).toHaveText('Clear');
  await page.getByRole('button', { name: 'cable 6 m', exact: true }).click();
  await page.getByRole('button', { name: 'Add a fault' }).click();
  await expect(verdict(page)).toHaveText('Watch');
  await expect(page.getByRole('img', { name: /source: 1 0 V, 2 27\.6 V/ })).toBeVisible();
  await expect(finding(page, /arrives on one leg only: contact 3/)).toContainText('dB against a sound line');
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
});

test('the piezo: loaded by a passive direct box with the low cut in hertz, Clear with an active one', async ({
  page,
}) => {
  await openLine(page, 'Double bass');
  await expect(finding(page, /Low tones are lost below \d+ Hz/)).toContainText('kΩ');
  await finding(page, /Low tones are lost/)
    .getByRole('button', { name: /Use an active direct box feed on/ })
    .click();
  await expect(verdict(page)).toHaveText('Clear');
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
});

test('links are inserted and taken out, the probe goes on any two contacts', async ({ page }) => {
  await openLine(page, 'Trio, active ribbon');
  await page.getByRole('button', { name: 'Insert a link before the inlet' }).click();
  await page.getByRole('menuitem', { name: /^Polarity reverser/ }).click();
  await expect(finding(page, /polarity reversed/)).toBeVisible();
  await choose(page, 'black tip', '3, at the source');
  await expect(page.getByLabel('Probe reads')).toHaveText('0.00 V');
  await choose(page, 'black tip', '1, at the inlet');
  await expect(page.getByLabel('Probe reads')).toHaveText(/^3\d\.\d\d V$/);
  await page.getByRole('button', { name: 'Take this link out' }).click();
  await expect(verdict(page)).toHaveText('Clear');
});

test('figures: a wrong one is refused with its range and nothing is lost, a right one counts at once', async ({
  page,
}) => {
  await openLine(page, 'Trio, pair A left');
  const current = page.getByLabel('Supply current', { exact: true });
  await current.fill('900');
  await current.press('Enter');
  await expect(page.getByText('From 0.05 to 22 mA')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Readings' })).toContainText('3.60 mA');
  await current.fill('5,2');
  await current.press('Enter');
  await expect(page.getByRole('region', { name: 'Readings' })).toContainText('5.20 mA');
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
});

test('keys alone: a new line, the next and the one before, a remedy', async ({ page }) => {
  await page.goto('/rig');
  await expect(verdict(page)).toHaveText('Clear');
  await page.keyboard.press('j');
  await expect(page.getByLabel('Line', { exact: true })).toHaveValue('Trio, large condenser');
  await why(page)
    .getByRole('button', { name: /Set the feed to 48 V/ })
    .focus();
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toHaveText('Clear');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('k');
  await expect(page.getByLabel('Line', { exact: true })).toHaveValue('Trio, pair A left');
  await page.keyboard.press('n');
  await expect(page.getByLabel('Line', { exact: true })).toHaveValue('New line');
  await page.getByRole('button', { name: 'Remove this line' }).click();
  await expect(
    page
      .getByRole('navigation', { name: 'Lines' })
      .getByRole('link', { name: 'New line' })
      .filter({ hasText: /Three-pin/ }),
  ).toHaveCount(0);
});
