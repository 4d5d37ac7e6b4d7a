import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
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

test('scripts come compressed as they lie there; one that a new build takes away takes no server with it', async ({
  request,
}, { parallelIndex }) => {
  const port = portOf(parallelIndex) + 1;
  const base = `http://127.0.0.1:${port}`;
  const gone = `.next/static/gone-${parallelIndex}.js`;
  writeFileSync(gone, '// Taken away below.');
  const server = await serve(port, join(mkdtempSync(join(tmpdir(), 'inlet-check-')), 'scripts.sqlite'));
  try {
    const page = await (await request.get(`${base}/kit`)).text();
    const [script] = /\/_next\/static\/chunks\/[^"]+\.js/.exec(page)!;
    const answer = await request.get(base + script);
    expect(answer.headers()).toMatchObject({
      'content-encoding': 'gzip',
      'content-type': expect.stringContaining('javascript'),
      'cache-control': expect.stringContaining('immutable'),
      'x-content-type-options': 'nosniff',
    });
    expect(await answer.text()).toBe(readFileSync(script.replace('/_next', '.next'), 'utf8'));
    const plain = await fetch(base + script, { headers: { 'accept-encoding': 'identity' } });
    expect(plain.headers.get('content-encoding')).toBeNull();
    for (const path of ['nothing.js', '..%2f..%2fpackage.json', '%2e%2e/%2e%2e/package.json'])
      expect((await fetch(`${base}/_next/static/${path}`)).status).toBe(404);
    rmSync(gone);
    await expect(fetch(base + gone.replace('.next', '/_next'))).rejects.toThrow();
    expect((await request.get(`${base}/api/health`)).status()).toBe(200);
  } finally {
    kill(server);
    rmSync(gone, { force: true });
  }
});
