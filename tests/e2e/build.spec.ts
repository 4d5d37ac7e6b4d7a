import { expect, test, type Page } from '@playwright/test';
import { choose, feed, finding, openLine, saved, verdict, why } from './rig';

/** A new line with a name of its own. */
async function newLine(page: Page, name: string) {
  await page.goto('/rig');
  await page.getByRole('button', { name: 'New line' }).click();
  await page.getByLabel('Line', { exact: true }).fill(name);
  await page.getByLabel('Line', { exact: true }).press('Enter');
}

test('hydrophone, active direct box, feed: built from nothing', async ({ page }) => {
  await newLine(page, 'Sluice two');
  await choose(page, 'Source: kind', 'Piezo pickup');
  await expect(finding(page, 'Two connectors do not go together')).toBeVisible();
  await page.getByRole('button', { name: 'Insert a link behind the source' }).click();
  await page.getByRole('menuitem', { name: /^Active direct box/ }).click();
  await expect(finding(page, 'No power reaches the direct box')).toBeVisible();
  await feed(page, '48 V').click();
  await expect(verdict(page)).toHaveText('Clear');
  await choose(page, 'Battery', 'in and switched on');
  await expect(finding(page, 'Battery and phantom are both on')).toBeVisible();
  await feed(page, 'off').click();
  await expect(verdict(page)).toHaveText('Clear');
  await page.getByRole('button', { name: 'Remove this line' }).click();
  await saved(page);
});

test('a camera: the phone plug is found, the adapter mends it', async ({ page }) => {
  await openLine(page, 'Camera');
  await expect(verdict(page)).toHaveText('Silent');
  await finding(page, /TRRS plug sits in a mini-jack TRS socket/)
    .getByRole('button', { name: /phone-plug adapter/ })
    .click();
  await expect(verdict(page)).not.toHaveText('Silent');
  await expect(page.getByRole('region', { name: 'Readings' })).toContainText(/On the capsule\s*[12]\.\d+ V/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(verdict(page)).toHaveText('Silent');
  await saved(page);
});

test('the inlet: another kind, its feed, its name', async ({ page }) => {
  await newLine(page, 'Line mixer trial');
  await page.getByRole('button', { name: 'Three-pin microphone inlet', exact: true }).click();
  await choose(page, 'Inlet: kind', 'Balanced jack inlet');
  await expect(page.getByText('This inlet has no feed')).toBeVisible();
  await finding(page, 'Two connectors do not go together')
    .getByRole('button', { name: /plain adapter.*2 to tip, 3 to ring/ })
    .click();
  await expect(verdict(page)).not.toHaveText('Silent');
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('line mixer 3');
  await page.getByRole('textbox', { name: 'Name', exact: true }).press('Enter');
  await expect(
    page.getByRole('navigation', { name: 'Lines' }).getByRole('link', { name: /Line mixer trial/ }),
  ).toContainText('line mixer 3');
  await page.getByRole('button', { name: 'Remove this line' }).click();
  await saved(page);
});

test('faults of every kind are entered, drawn and taken away', async ({ page }) => {
  await openLine(page, "Guide's stand");
  await page.getByRole('button', { name: 'cable 15 m', exact: true }).click();
  await page.getByRole('button', { name: 'Add a fault' }).click();
  await choose(page, 'Fault 1', 'two conductors swapped');
  await expect(finding(page, /polarity reversed/)).toBeVisible();
  await choose(page, 'Fault 1', 'broken conductor');
  await choose(page, 'Contact', '1');
  await expect(finding(page, 'The shield is interrupted')).toBeVisible();
  await choose(page, 'Fault 1', 'leak between conductors');
  await choose(page, 'Leak', '100 Ω');
  await expect(verdict(page)).toHaveText('Stop');
  await choose(page, 'Fault 1', 'shield tied to the cold conductor');
  await expect(finding(page, 'Direct current flows through the coil')).toBeVisible();
  await page.getByRole('button', { name: 'Take fault 1 away' }).click();
  await expect(verdict(page)).toHaveText('Clear');
  await saved(page);
});

test('duplicate, rename, remove, and everything undone', async ({ page }) => {
  await openLine(page, 'Wireless receiver');
  await page.getByRole('button', { name: 'Duplicate this line' }).click();
  await expect(page.getByLabel('Line', { exact: true })).toHaveValue('Wireless receiver 2');
  await page.getByRole('button', { name: 'Remove this line' }).click();
  await expect(page.getByRole('link', { name: /Wireless receiver 2/ })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('link', { name: /Wireless receiver 2/ })).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('link', { name: /Wireless receiver 2/ })).toHaveCount(0);
  await saved(page);
});

test('recording where a figure comes from takes the doubt away', async ({ page }) => {
  await newLine(page, 'Mixed voices');
  await page.getByRole('button', { name: 'Three-pin microphone inlet', exact: true }).click();
  await choose(page, 'Inlet: kind', 'Stereo mini-jack inlet');
  await finding(page, 'Two connectors do not go together')
    .getByRole('button', { name: /2 to tip and ring/ })
    .click();
  await finding(page, /is only assumed, and it decides/)
    .getByRole('button', { name: /Confirmed/ })
    .click();
  await expect(finding(page, /is only assumed, and it decides/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Remove this line' }).click();
  await saved(page);
});

test('when the server does not answer the change is kept, said, and saved later', async ({ page }) => {
  await openLine(page, 'Trio, pair A left');
  await page.route('**/api/rigs/*', (route) => route.abort());
  await feed(page, '24 V').click();
  await expect(page.getByRole('status').filter({ hasText: 'not saved' })).toContainText('kept here and sent again');
  await expect(verdict(page)).toHaveText('Clear');
  await page.unroute('**/api/rigs/*');
  await saved(page);
  await page.reload();
  await expect(feed(page, '24 V')).toHaveAttribute('aria-pressed', 'true');
  await feed(page, '48 V').click();
  await saved(page);
});

test('a phone: choose a line, turn its feed, apply a remedy', async ({ browser }) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await openLine(page, 'Wheelhouse, short shotgun');
  await expect(verdict(page)).toHaveText('Watch');
  await why(page)
    .getByRole('button', { name: /Switch the battery off/ })
    .click();
  await expect(verdict(page)).toHaveText('Clear');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(verdict(page)).toHaveText('Watch');
  await saved(page);
  await page.close();
});
