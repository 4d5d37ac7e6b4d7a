import { expect, test, type Page } from './test';
import type { RigDocument } from '../../src/core/rig/document';
import { fewOf } from './rig';
import { done, follow, now, open, setUp, step, title } from './runSheet';

const FEW = ['Trio, pair A left', 'Trio, ribbon left'];

/** Changes a rig behind the page's back, as another tab, a plan or an import would. */
async function onPaper(page: Page, id: string, change: (document: RigDocument) => RigDocument) {
  const { document, revision } = await (await page.request.get(`/api/rigs/${id}`)).json();
  const saved = await page.request.put(`/api/rigs/${id}`, {
    data: { basedOn: revision, document: change(document) },
  });
  expect(saved.ok()).toBe(true);
}
const lineNamed = (document: RigDocument, name: string) => document.lines.find((line) => line.name === name)!;
const elsewhere = (document: RigDocument): RigDocument => {
  const ribbon = lineNamed(document, 'Trio, ribbon left');
  const taken = new Set(document.lines.map(({ inlet }) => JSON.stringify(inlet)));
  const free = document.devices
    .flatMap(({ id: device, inlets }) => inlets.map(({ id, kind }) => ({ to: { device, inlet: id }, kind })))
    .find(({ to, kind }) => kind === 'three-pin' && !taken.has(JSON.stringify(to)))!;
  return {
    ...document,
    lines: document.lines.map((line) => (line === ribbon ? { ...line, inlet: free.to } : line)),
  } as RigDocument;
};

test('the rig changes on paper while a ribbon is plugged: the page says what differs, and nothing is taken over unseen', async ({
  page,
}) => {
  test.setTimeout(150_000);
  const id = await fewOf(page, 'Room and paper', 'lock-nine-mended');
  await setUp(page, id, FEW, 'done');
  await onPaper(page, id, elsewhere);
  await page.reload();
  const differs = page.getByRole('region', { name: 'Room and paper' });
  await expect(differs.getByRole('heading', { name: 'The rig has changed on paper' })).toBeVisible();
  const ribbon = differs.getByRole('article', { name: 'Trio, ribbon left' });
  await expect(ribbon).toContainText('In the room');
  await expect(ribbon).toContainText('On paper');
  await expect(ribbon.getByRole('button', { name: 'Still plugged as it was' })).toHaveAttribute('aria-pressed', 'true');
  await differs.getByRole('button', { name: 'Go on from here' }).focus();
  await page.keyboard.press('Enter');
  await expect(differs).toBeHidden();
  await expect(now(page).getByText('Trio, ribbon left (as it was)')).toBeVisible();
  await expect(now(page).getByText(/not on paper any more/)).toBeVisible();
  // The next sheet pulls it where it was before anything is turned on.
  await page.getByRole('button', { name: 'New sheet' }).click();
  await page.getByRole('button', { name: 'Set-up' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(step(page)).toBeVisible();
  await follow(page, /^Unplug “Trio, ribbon left \(as it was\)”/);
  await expect(title(page)).toHaveText(/^Unplug “Trio, ribbon left \(as it was\)”/);
});

test('by keyboard it is said to be as on paper, and the sheet goes on with that', async ({ page }) => {
  test.setTimeout(150_000);
  const id = await fewOf(page, 'As on paper', 'lock-nine-mended');
  await setUp(page, id, FEW, 'done');
  await onPaper(page, id, elsewhere);
  await page.reload();
  const paper = page.getByRole('button', { name: 'Plugged as on paper now' });
  await paper.focus();
  await page.keyboard.press('Space');
  await expect(paper).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Go on from here' }).click();
  await expect(now(page).getByText('(as it was)')).toHaveCount(0);
  const { session } = await (await page.request.get(`/api/rigs/${id}/switching`)).json();
  expect(session.state.ends['ribbon-left']).toEqual({ stage: true, desk: true });
});

test('in the middle of a sheet: it waits to be asked, and a line that has left the document is pulled', async ({
  page,
}) => {
  test.setTimeout(150_000);
  const id = await fewOf(page, 'In the middle', 'lock-nine-mended');
  await setUp(page, id, FEW, /^Plug “.*” at the source/);
  await onPaper(page, id, (document) => ({
    ...document,
    lines: document.lines.filter(({ name }) => name !== 'Trio, ribbon left'),
  }));
  await page.reload();
  await expect(page.getByText(/The rig has changed on paper while plugged: Trio, ribbon left/)).toBeVisible();
  // The step that was next is still there.
  await expect(step(page)).toBeVisible();
  await page.getByRole('button', { name: 'See what differs' }).click();
  const article = page.getByRole('article', { name: 'Trio, ribbon left' });
  await expect(article).toContainText('not there any more');
  await expect(article.getByRole('button', { name: 'Pulled, both ends' })).toBeVisible();
  await page.getByRole('button', { name: 'Go on from here' }).click();
  await expect(step(page)).toBeVisible();
  const { session } = await (await page.request.get(`/api/rigs/${id}/switching`)).json();
  const pulls = session.steps.filter(
    ({ action }: { action: { do: string; line?: string } }) =>
      action.do === 'unplug' && /as it was/.test(action.line ?? ''),
  );
  expect(pulls.length).toBeGreaterThan(0);
});

test('a feed that harms is found on: it goes off first; where nothing helps, the page says what is dangerous', async ({
  page,
}) => {
  test.setTimeout(150_000);
  const id = await fewOf(page, 'Harm first', 'lock-nine-mended');
  await setUp(page, id, FEW, 'done');
  const { session, rig, version } = await (await page.request.get(`/api/rigs/${id}/switching`)).json();
  const ribbon = rig.lines.find(({ name }: { name: string }) => name === 'Trio, ribbon left');
  const [key] = Object.keys(ribbon.stops);
  expect(session.state.feeds[key].feed).toBe('off');
  const found = await page.request.post(`/api/rigs/${id}/switching`, {
    data: { version, who: 'Ida', report: { report: 'found', what: { feed: key, is: 'P48' } } },
  });
  expect(found.ok()).toBe(true);
  await expect(page.getByRole('alert').filter({ hasText: /still feeds 48 V into Trio, ribbon left/ })).toBeVisible();
  await expect(title(page)).toHaveText(/^Turn the feed off/);
  await done(page).click();
  await expect(page.getByText(/still feeds 48 V into/)).toHaveCount(0);
});

test('the door: what differs is told, and a sheet is refused before somebody has said how it is', async ({ page }) => {
  const id = await fewOf(page, 'By the door', 'lock-nine-mended');
  await setUp(page, id, FEW, /^Plug “.*” at the source/);
  await onPaper(page, id, elsewhere);
  const { differences } = await (await page.request.get(`/api/rigs/${id}/switching/differences`)).json();
  expect(differences.map(({ name }: { name: string }) => name)).toEqual(['Trio, ribbon left']);
  const { version } = await (await page.request.get(`/api/rigs/${id}/switching`)).json();
  const adopt = (report: object) =>
    page.request.post(`/api/rigs/${id}/switching`, {
      data: { version, who: '', report: { report: 'adopt', ...report } },
    });
  const blind = await adopt({});
  expect(blind.status()).toBe(409);
  expect((await blind.json()).error.message).toMatch(/Say first how they are plugged now/);
  expect((await adopt({ seen: [differences[0].line] })).ok()).toBe(true);
  expect((await page.request.get('/api/rigs/nobody/switching/differences')).status()).toBe(404);
  await open(page, id);
});
