import { expect, FRESH, test, type Page } from './test';
import { copyOf, feed, row, saved } from './rig';

/** A page that gets none of its script files: what is seen came from the server. */
async function unscripted(page: Page): Promise<Page> {
  await page.route('**/_next/static/**/*.js', (route) => route.abort());
  return page;
}

test(
  'the verdicts are in the page as the server sends it: they stand before any script file is there',
  FRESH,
  async ({ page }) => {
    // Nothing can be pressed on it, ever: it is a page that is not waited for.
    const bare = await unscripted(await page.context().newPage());
    // A server that has just begun does not let anybody wait for its first computation: the next page has it.
    await expect(async () => {
      await bare.goto('/rig');
      await expect(row(bare, 'Trio, ribbon left')).toContainText('Stop', { timeout: 2000 });
    }).toPass();
    await expect(row(bare, 'Trio, pair A left')).toContainText('Clear');
  },
);

test('the bare address leads to the rig before anything is drawn', FRESH, async ({ page }) => {
  const answer = await page.request.get('/?line=announcer', { maxRedirects: 0 });
  expect([answer.status(), answer.headers().location]).toEqual([307, '/rig?line=announcer']);
  await page.goto('/');
  await expect(page).toHaveURL(/\/rig$/);
  await expect(row(page, 'Trio, pair A left')).toContainText('Clear');
});

test(
  'what came with the page is what the browser computes, and a change goes on from there',
  FRESH,
  async ({ page }) => {
    const problems: string[] = [];
    page.on('console', (said) => said.type() === 'error' && problems.push(said.text()));
    const rig = await copyOf(page, 'First sight');
    await page.goto(`/rig?rig=${rig}`);
    const told = () => page.locator('[data-line]').allInnerTexts();
    await expect(row(page, 'Trio, pair A left')).toContainText('Clear');
    // Those that were out of sight are drawn whole once the page can be used.
    const whole = page.getByRole('checkbox', { name: /^Mark /, includeHidden: true });
    await expect(whole).toHaveCount(await page.locator('[data-line]').count());
    const first = await told();
    // The settings of the switches come from the worker: then it has computed the lines too.
    await expect(page.getByText(/^OK for every line|^No setting suits/).first()).toBeVisible();
    expect(await told()).toEqual(first);
    await feed(page, 'Hold desk, bank A', 'off').click();
    await expect(row(page, 'Trio, pair A left')).toContainText('Silent');
    await saved(page);
    // Another revision, other verdicts: those of the one before are not sent again.
    const later = await unscripted(await page.context().newPage());
    await later.goto(page.url());
    await expect(row(later, 'Trio, pair A left')).toContainText('Silent');
    expect(problems).toEqual([]);
  },
);
