import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './test';
import { copyOf, fewOf, openRig, row, saved } from './rig';

const demo = JSON.parse(readFileSync('demo/lock-nine.json', 'utf8'));
const json = (value: unknown) => ({
  name: 'rig.json',
  mimeType: 'application/json',
  buffer: Buffer.from(typeof value === 'string' ? value : JSON.stringify(value)),
});

async function openImport(page: Page) {
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('menuitem', { name: 'Import an input list or a rig' }).click();
  return page.getByLabel('An input list (CSV, TSV, XLSX, text), a rig (JSON) or a patch list (CSV)');
}

test('files that are no rig are refused with path and reason, and nothing changes', async ({ page }) => {
  const rig = await fewOf(page, 'Import trial');
  await openRig(page, rig);
  const input = await openImport(page);
  const changed = (change: (copy: typeof demo) => void) => {
    const copy = structuredClone(demo);
    change(copy);
    return copy;
  };
  for (const [file, reason] of [
    [
      changed((copy) => (copy.lines[0].source.figures.current.unit = 'V')),
      'lines[0].source.figures.current.unit: must be "mA", not "V"',
    ],
    [changed((copy) => (copy.lines[0].colour = 'red')), 'lines[0].colour: unknown field'],
    [changed((copy) => (copy.lines[0].inlet.inlet = '99')), 'lines[0].inlet.inlet: Hold desk has no inlet 99'],
    [
      changed((copy) => (copy.lines = Array(10_000).fill(copy.lines[0]))),
      'lines: has 10000 lines; one rig takes 512 at most',
    ],
    ['{ "format": ', 'this is not JSON'],
  ] as const) {
    await input.setInputFiles(json(file));
    const alert = page.getByRole('dialog').getByRole('alert');
    await expect(alert).toContainText('can’t be imported. Nothing was changed.');
    await expect(alert).toContainText(reason);
  }
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'revision 1' })).toBeVisible();
});

test('a rig is taken in place of the open one, and undone; then as a rig of its own', async ({ page }) => {
  const rig = await copyOf(page, 'Replace trial');
  await openRig(page, rig);
  await (await openImport(page)).setInputFiles('demo/lock-nine-mended.json');
  await expect(page.getByRole('dialog')).toContainText('Lock Nine, mended: 5 devices, 24 lines.');
  await page.getByRole('button', { name: 'Replace this rig' }).click();
  await expect(page.getByRole('button', { name: '0 Stop' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: '5 Stop' })).toBeVisible();
  await saved(page);
  await (await openImport(page)).setInputFiles('demo/lock-nine-mended.json');
  await page.getByRole('button', { name: 'Add it as a new rig' }).click();
  await expect(page.getByRole('button', { name: 'Rig: Lock Nine, mended' })).toBeVisible();
});

test('a patch list: what each row would do, then done, and undone', async ({ page }) => {
  const rig = await copyOf(page, 'Patch trial');
  await openRig(page, rig);
  const list = [
    'line,source,device,inlet,feed',
    'Announcer,,Bag recorder,6,',
    'Bow,large condenser,Hold desk,15,',
    'Camera,,Hold desk,1,',
  ].join('\n');
  await (await openImport(page)).setInputFiles({ name: 'patch.csv', mimeType: 'text/csv', buffer: Buffer.from(list) });
  await expect(page.getByRole('row', { name: /Announcer changes/ })).toContainText('moves to Bag recorder 6');
  await expect(page.getByRole('row', { name: /Camera refused/ })).toContainText('is taken by “Trio, pair A left”');
  await expect(page.getByText('Nothing is changed yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Import these rows' }).click();
  await expect(row(page, 'Bow')).toContainText('inlet 15');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row(page, 'Bow')).toHaveCount(0);
});

test('the rig and its patch list are handed out as files', async ({ page }) => {
  await openRig(page);
  for (const [item, file] of [
    ['Export this rig (JSON)', 'lock-nine.json'],
    ['Export the patch list (CSV)', 'lock-nine-patch-list.csv'],
  ]) {
    await page.getByRole('button', { name: /^Rig: / }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: item }).click();
    expect((await download).suggestedFilename()).toBe(file);
  }
});

test('by API: patch list and kit, previewed and applied', async ({ page, request }) => {
  const rig = await copyOf(page, 'Door trial');
  const csv = { headers: { 'content-type': 'text/csv' }, data: 'line,device,inlet\nAnnouncer,Bag recorder,6' };
  const preview = await (await request.post(`/api/rigs/${rig}/patch-list`, csv)).json();
  expect(preview).toMatchObject({ applied: false, rows: [{ did: 'changes' }] });
  expect((await (await request.get(`/api/rigs/${rig}`)).json()).revision).toBe(1);
  const applied = await (await request.post(`/api/rigs/${rig}/patch-list?apply=1`, csv)).json();
  expect(applied).toMatchObject({ applied: true, revision: 2 });
  expect((await request.post(`/api/rigs/${rig}/patch-list?apply=1`, csv)).status()).toBe(409);
  expect(await (await request.get(`/api/rigs/${rig}/patch-list`)).text()).toContain('Announcer,"dynamic, announcer"');
  const bad = await request.post(`/api/rigs/${rig}/patch-list`, {
    headers: { 'content-type': 'text/csv' },
    data: 'who\nx',
  });
  expect((await bad.json()).error).toMatchObject({ code: 'bad-table', path: 'line 1' });

  expect((await (await request.get('/api/kit')).json()).format).toBe('inlet-check-kit');
  expect(await (await request.get('/api/kit?format=csv')).text()).toContain('id,role,kind,name');
  const kit = { headers: { 'content-type': 'text/csv' }, data: 'role,kind,name,count\nlink,pad,door pad,3' };
  expect(await (await request.post('/api/kit', kit)).json()).toMatchObject({ applied: false, rows: [{ did: 'adds' }] });
  expect((await request.get('/api/kit/door-pad')).status()).toBe(404);
  await request.post('/api/kit?apply=1', kit);
  expect(await (await request.get('/api/kit/door-pad')).json()).toMatchObject({ count: 3 });
  const answer = {
    answer: {
      fact: { who: 'maker', when: '2026-05-01' },
      figure: 'attenuation',
      value: { value: 21, unit: 'dB', basis: 'maker' },
    },
  };
  expect(await (await request.post('/api/kit/door-pad/answers', { data: answer })).json()).toMatchObject({ places: 0 });
  expect((await request.post('/api/kit/door-pad/answers', { data: { answer: { fact: {} } } })).status()).toBe(400);
  expect((await request.post('/api/kit/nobody/answers', { data: answer })).status()).toBe(404);
  expect((await request.delete('/api/kit/door-pad')).status()).toBe(200);
  expect((await request.delete('/api/kit/door-pad')).status()).toBe(404);
});
