import { expect, pageWith, test } from './test';
import { copyOf, feed, row, saved } from './rig';

test('the verdicts are in the page as the server sends it: they stand before any script runs', async ({
  browser,
  server,
}) => {
  const page = await pageWith(browser, { javaScriptEnabled: false, baseURL: server });
  await page.goto('/rig');
  await expect(row(page, 'Trio, ribbon left')).toContainText('Stop');
  await expect(row(page, 'Trio, pair A left')).toContainText('Clear');
  await expect(page.getByText('Checking')).toHaveCount(0);
  await page.context().close();
});

test('what came with the page is what the browser computes, and a change goes on from there', async ({ page }) => {
  const problems: string[] = [];
  page.on('console', (said) => said.type() === 'error' && problems.push(said.text()));
  const rig = await copyOf(page, 'First sight');
  await page.goto(`/rig?rig=${rig}`);
  const told = () => page.locator('[data-line]').allInnerTexts();
  const first = await told();
  // The settings of the switches come from the worker: then it has computed the lines too.
  await expect(page.getByText(/accepts 48 V|suits every line/).first()).toBeVisible();
  expect(await told()).toEqual(first);
  await feed(page, 'Hold desk, bank A', 'off').click();
  await expect(row(page, 'Trio, pair A left')).toContainText('Silent');
  await saved(page);
  // Another revision, other verdicts: those of the one before are not sent again.
  const later = await pageWith(page.context().browser()!, { javaScriptEnabled: false });
  await later.goto(page.url());
  await expect(row(later, 'Trio, pair A left')).toContainText('Silent');
  await later.context().close();
  expect(problems).toEqual([]);
});
