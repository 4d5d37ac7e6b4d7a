import { expect, test } from './test';
import { testLaunch } from '../chromium';
import { openNoise, reading } from './rig';

// An input that plays a test signal: beeps with nothing between them.
test.use({
  launchOptions: {
    ...testLaunch,
    args: [...testLaunch.args, '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
  },
});

test('the browser’s input is recorded and read', async ({ page }) => {
  await openNoise(page, 'lock-nine-mended', "Guide's stand", 'Measure');
  await page.getByRole('button', { name: 'Record this browser’s input' }).click();
  await expect(page.getByText(/Listening to .*: [3-9]\.\d s/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop and analyse' }).click();
  await expect(reading(page).getByRole('alert').first()).toContainText('Not usable as a noise floor');
});
