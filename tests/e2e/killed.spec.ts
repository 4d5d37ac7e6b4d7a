import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, kill, portOf, serve, test } from './test';
import { follow, step } from './runSheet';

test('the server is killed during a wait and started again: clock and place are right', async ({ page }, {
  parallelIndex,
}) => {
  test.setTimeout(150_000);
  const port = portOf(parallelIndex) + 1;
  const base = `http://127.0.0.1:${port}`;
  const database = join(mkdtempSync(join(tmpdir(), 'inlet-check-')), 'killed.sqlite');
  let server = await serve(port, database);
  try {
    const demo = JSON.parse(readFileSync('demo/lock-nine-mended.json', 'utf8'));
    const { id } = await (await page.request.post(`${base}/api/rigs`, { data: { ...demo, name: 'Killed' } })).json();
    const tell = async (report: object) => {
      const { version } = await (await page.request.get(`${base}/api/rigs/${id}/switching`)).json();
      const answer = await page.request.post(`${base}/api/rigs/${id}/switching`, {
        data: { version, who: 'Ida', report },
      });
      expect(answer.ok()).toBe(true);
    };
    await tell({ report: 'start', from: 'packed' });
    await tell({ report: 'found', what: { feed: 'desk bank-a', is: 'P48' } });
    await page.goto(`${base}/switch?rig=${id}`);
    await page.getByRole('button', { name: 'Begin' }).click();
    await follow(page, /^Wait/);
    /** What the clock reads, and when that was: both in one moment of the page. */
    const clock = () =>
      step(page)
        .getByRole('timer')
        .evaluate((timer) => ({
          left: timer.textContent.split(':').reduce((sum, part) => 60 * sum + Number(part), 0),
          at: Date.now() / 1000,
        }));
    const before = await clock();
    const number = await step(page).getByRole('status').innerText();
    kill(server);
    await expect(page.getByText('connection lost: steps are not recorded, clocks keep running')).toBeVisible();
    server = await serve(port, database);
    await expect(page.getByText('connected', { exact: true })).toBeVisible();
    await page.reload();
    await expect(step(page).getByRole('status')).toHaveText(number);
    // A page that was slow to open shows too much, never too little, until the server is heard.
    await expect
      .poll(async () => {
        const after = await clock();
        return Math.abs(before.left - (after.at - before.at) - after.left);
      })
      .toBeLessThan(3);
  } finally {
    kill(server);
  }
});
