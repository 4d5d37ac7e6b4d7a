import { readFileSync } from 'node:fs';
import { get } from 'node:http';
import { expect, FRESH, test } from './test';
import { copyOf, feed, fewOf, openLine, openRig, saved, verdict } from './rig';

const demo = JSON.parse(readFileSync('demo/lock-nine.json', 'utf8'));

test('health answers', async ({ request }) => {
  expect(await (await request.get('/api/health')).json()).toMatchObject({ status: 'ok' });
});

test('check answers every line of a document', async ({ request }) => {
  const response = await request.post('/api/check', { data: demo });
  expect(response.status()).toBe(200);
  const { lines } = await response.json();
  expect(lines).toHaveLength(demo.lines.length);
  expect(lines.find(({ id }: { id: string }) => id === 'guide-body-worn').verdict).toBe('Stop');
  const brief = await (await request.post('/api/check?brief', { data: demo })).json();
  const verdicts = (all: { id: string; verdict: string }[]) => all.map(({ id, verdict }) => [id, verdict]);
  expect(verdicts(brief.lines)).toEqual(verdicts(lines));
});

test('wrong documents, bodies and origins are refused and say what to change', async ({ request }) => {
  const refused = async (options: Parameters<typeof request.post>[1], status: number, code: string) => {
    const response = await request.post('/api/check', options);
    expect(response.status()).toBe(status);
    const { error } = await response.json();
    expect(error.code).toBe(code);
    expect(error.message.length).toBeGreaterThan(10);
    expect(JSON.stringify(error)).not.toContain('node_modules');
    return error;
  };
  const json = { 'content-type': 'application/json' };
  expect(await refused({ data: { ...demo, colour: 'red' } }, 400, 'bad-document')).toMatchObject({ path: 'colour' });
  await refused({ data: Buffer.from('{ "format":'), headers: json }, 400, 'not-json');
  await refused({ data: 'text', headers: { 'content-type': 'text/plain' } }, 415, 'not-json');
  await refused({ data: Buffer.alloc(4 * 1024 * 1024 + 1, ' '), headers: json }, 413, 'too-large');
  await refused({ data: demo, headers: { origin: 'http://elsewhere.example' } }, 403, 'other-origin');
});

test('what nobody means is refused with what to change, and nothing is done', async ({ request }) => {
  const csv = { 'content-type': 'text/csv' };
  const rows = 'line,note\nAnnouncer,loud\n';
  const before = await (await request.get('/api/rigs/lock-nine')).text();
  for (const apply of ['99999999999999999999', '0', '-1', '1.5', ''])
    expect([
      apply,
      (await request.post(`/api/rigs/lock-nine/patch-list?apply=${apply}`, { data: rows, headers: csv })).status(),
    ]).toEqual([apply, 400]);
  const kit = await (await request.get('/api/kit')).text();
  for (const apply of ['0', 'no', ''])
    expect((await request.post(`/api/kit?apply=${apply}`, { data: 'name,count\nx,1\n', headers: csv })).status()).toBe(
      400,
    );
  const deep = `{"format":"inlet-check","choices":${'['.repeat(20_000)}${']'.repeat(20_000)}}`;
  const json = { 'content-type': 'application/json' };
  const refused = await request.post('/api/check', { data: Buffer.from(deep), headers: json });
  expect([refused.status(), (await refused.json()).error.code]).toEqual([400, 'too-deep']);
  const line = { id: { toString: 1 }, name: 'x', source: { kind: 'moving-coil' }, links: [], inlet: { kind: 'combo' } };
  const old = await request.post('/api/check', {
    data: { format: 'inlet-check', version: 1, name: 'x', lines: [line] },
  });
  expect([old.status(), (await old.json()).error.code]).toEqual([400, 'bad-document']);
  expect((await request.get('/api/rigs/nobody/switching/events')).status()).toBe(404);
  expect(await (await request.get('/api/rigs/lock-nine')).text()).toBe(before);
  expect(await (await request.get('/api/kit')).text()).toBe(kit);
});

test('a name that somebody else let point here is not answered, reads and sound included', async ({ baseURL }) => {
  const asked = (host: string, path: string): Promise<number | undefined> =>
    new Promise((done, fail) => {
      get(new URL(path, baseURL), { headers: { host } }, (response) => {
        response.resume();
        done(response.statusCode);
      }).on('error', fail);
    });
  for (const path of ['/', '/api/rigs', '/api/rigs/lock-nine', '/rig', '/api/rigs/lock-nine/measurements/1/audio'])
    expect([path, await asked('evil.example:3000', path)]).toEqual([path, 421]);
  expect(await asked('localhost:1', '/api/rigs')).toBe(200);
  expect(await asked('127.0.0.1', '/api/rigs/lock-nine/measurements/1/audio')).toBe(404);
});

test('photos: a picture is kept with its rig; anything else is refused and says what to send', async ({
  page,
  request,
}) => {
  const rig = await copyOf(page, 'Photographed');
  const send = (data: Buffer, more: object = {}) => request.post(`/api/rigs/${rig}/photos`, { data, ...more });
  const picture = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(100)]);
  const kept = await send(picture);
  expect(kept.status()).toBe(201);
  const { photo } = await kept.json();
  const seen = await request.get(`/api/rigs/${rig}/photos/${photo}`);
  expect([seen.headers()['content-type'], seen.headers()['x-content-type-options']]).toEqual(['image/jpeg', 'nosniff']);
  expect(await seen.body()).toEqual(picture);
  const script = await send(Buffer.from('<svg onload="alert(1)">'), { headers: { 'content-type': 'image/png' } });
  expect([script.status(), (await script.json()).error.message]).toEqual([
    415,
    'Send the body as a JPEG, PNG or WebP picture.',
  ]);
  const large = await send(Buffer.concat([picture, Buffer.alloc(8 * 1024 * 1024)]));
  expect([large.status(), (await large.json()).error.message]).toEqual([
    413,
    'The photo is larger than 8 MiB; make it smaller.',
  ]);
  expect((await send(picture, { headers: { origin: 'http://elsewhere.example' } })).status()).toBe(403);
  expect((await request.post('/api/rigs/nowhere/photos', { data: picture })).status()).toBe(404);
  expect((await request.get(`/api/rigs/lock-nine/photos/${photo}`)).status()).toBe(404);
});

test('rigs: a stale save is refused with both versions kept', async ({ request }) => {
  const document = { ...demo, name: 'Second barge' };
  const { id } = await (await request.post('/api/rigs', { data: document })).json();
  expect(
    (
      await request.put(`/api/rigs/${id}`, { data: { basedOn: 1, document: { ...document, name: 'Theirs' } } })
    ).status(),
  ).toBe(200);
  const stale = await request.put(`/api/rigs/${id}`, { data: { basedOn: 1, document: { ...document, name: 'Mine' } } });
  expect(stale.status()).toBe(409);
  const { error } = await stale.json();
  expect(error.current.document.name).toBe('Theirs');
  expect((await (await request.get(`/api/rigs/${id}/refused/${error.refused}`)).json()).document.name).toBe('Mine');
  expect((await (await request.get(`/api/rigs/${id}/revisions`)).json()).revisions).toHaveLength(2);
  expect((await (await request.get(`/api/rigs/${id}/revisions/1`)).json()).document.name).toBe('Second barge');
  expect((await request.get('/api/rigs/nobody')).status()).toBe(404);
  expect((await request.put(`/api/rigs/${id}`, { data: { document } })).status()).toBe(400);
});

test('two tabs: the second is told, may compare, and keep both changes', async ({ page, context }) => {
  const rig = await fewOf(page, 'Two tabs');
  await openRig(page, rig);
  const other = await context.newPage();
  await openRig(other, rig);
  await feed(page, 'Hold desk, bank A', 'off').click();
  await saved(page);
  await expect(page.getByRole('status').filter({ hasText: 'revision 2' })).toBeVisible();
  await feed(other, 'Bag recorder, pair 3–4', '48 V').click();
  await expect(other.getByText(/changed in another tab/).first()).toBeVisible();
  await other.getByRole('button', { name: 'Compare' }).click();
  await expect(other.getByRole('region', { name: 'In the other tab' })).toContainText('Hold desk changed: switches');
  await expect(other.getByRole('region', { name: 'Here, not saved' })).toContainText('Bag recorder changed: switches');
  await other.getByRole('button', { name: 'Close' }).click();
  await other.getByRole('button', { name: 'Keep both' }).click();
  await saved(other);
  await expect(feed(other, 'Hold desk, bank A', 'off')).toHaveAttribute('aria-pressed', 'true');
  await expect(feed(other, 'Bag recorder, pair 3–4', '48 V')).toHaveAttribute('aria-pressed', 'true');

  // The first tab has nothing unsaved: it is told by itself, and takes what the other saved.
  await expect(page.getByText('You have nothing unsaved.')).toBeVisible({ timeout: 15_000 });
  await page.getByRole('button', { name: 'Use the other tab’s version' }).click();
  await expect(feed(page, 'Bag recorder, pair 3–4', '48 V')).toHaveAttribute('aria-pressed', 'true');
});

test('two tabs at the same switch: one is saved on top, the other stays in the history', async ({ page, context }) => {
  const rig = await fewOf(page, 'Same switch');
  await openRig(page, rig);
  const other = await context.newPage();
  await openRig(other, rig);
  await feed(page, 'Bag recorder, pair 3–4', '48 V').click();
  await saved(page);
  await expect(page.getByRole('status').filter({ hasText: 'revision 2' })).toBeVisible();
  await feed(other, 'Bag recorder, pair 3–4', 'off').click();
  await expect(other.getByText(/nothing is lost either way/)).toBeVisible();
  await expect(other.getByRole('button', { name: 'Keep both' })).toHaveCount(0);
  await other.getByRole('button', { name: 'Use mine' }).click();
  await expect(other.getByRole('status').filter({ hasText: 'revision 3' })).toBeVisible();
});

test('a rig of more than 64 KiB is saved from its page', async ({ page }) => {
  const note = 'Sounds best a hand above the bridge. '.repeat(13).trim();
  const rig = await copyOf(page, 'Large', 'lock-nine', (text) => {
    const document = JSON.parse(text);
    for (const line of document.lines) {
      line.links = line.links.map((link: object) => ({ ...link, note }));
      if (line.source.kind) line.source.note = note;
    }
    for (const device of document.devices) device.inlets = device.inlets.map((inlet: object) => ({ ...inlet, note }));
    return JSON.stringify(document);
  });
  expect((await (await page.request.get(`/api/rigs/${rig}`)).text()).length).toBeGreaterThan(64 * 1024);
  await openRig(page, rig);
  await feed(page, 'Hold desk, bank A', 'off').click();
  await expect(page.getByRole('status').filter({ hasText: 'revision 2' })).toBeVisible();
  await page.reload();
  await expect(feed(page, 'Hold desk, bank A', 'off')).toHaveAttribute('aria-pressed', 'true');
});

test('a save whose answer gets lost is no change of somebody else, with or without a further change', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Lost answer');
  await openRig(page, rig);
  let lose = true;
  await page.route(`**/api/rigs/${rig}`, async (route) => {
    if (route.request().method() !== 'PUT' || !lose) return route.continue();
    lose = false;
    // It arrives, and the answer does not.
    await route.fetch();
    await route.abort();
  });
  const told = page.getByRole('status').filter({ hasText: /revision|saved|saving/ });
  await feed(page, 'Hold desk, bank A', 'off').click();
  await expect(told).toContainText(
    'No connection. Your change is kept on this page and will be saved when the server is back.',
  );
  await expect(told).toContainText('revision 2');
  await expect(page.getByText(/changed in another tab/)).toHaveCount(0);

  lose = true;
  await feed(page, 'Bag recorder, pair 3–4', '48 V').click();
  await expect(told).toContainText('No connection.');
  await feed(page, 'Hold desk, bank B', 'off').click();
  await expect(told).toContainText('revision 4');
  await expect(page.getByText(/changed in another tab/)).toHaveCount(0);
  const { document } = await (await page.request.get(`/api/rigs/${rig}`)).json();
  const set = document.devices.flatMap(({ groups }: { groups: { feed: string }[] }) => groups.map((each) => each.feed));
  expect(set.slice(0, 4)).toEqual(['off', 'off', 'P48', 'P48']);
});

test('a rig that was removed elsewhere: nothing is called saved, and it can be put back with the change', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Removed elsewhere');
  await openRig(page, rig);
  expect((await page.request.delete(`/api/rigs/${rig}`)).status()).toBe(200);
  await feed(page, 'Hold desk, bank A', 'off').click();
  await expect(page.getByText('Your change is kept here, and saved when you put it back.')).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'removed in another tab' })).toBeVisible();
  const refused = await page.request.put(`/api/rigs/${rig}`, {
    data: { basedOn: 1, document: (await (await page.request.get(`/api/rigs/${rig}`)).json()).document },
  });
  expect([refused.status(), (await refused.json()).error.code]).toEqual([410, 'removed']);
  await page.getByRole('button', { name: 'Put it back' }).press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'revision 2' })).toBeVisible();
  await page.reload();
  await expect(feed(page, 'Hold desk, bank A', 'off')).toHaveAttribute('aria-pressed', 'true');
});

test('the page keeps to its own server and its console clean', FRESH, async ({ page }) => {
  const foreign: string[] = [];
  page.on('request', (request) => {
    if (!request.url().startsWith('http://127.0.0.1:')) foreign.push(request.url());
  });
  const problems: string[] = [];
  page.on('console', (message) => message.type() === 'error' && problems.push(message.text()));
  page.on('pageerror', (error) => problems.push(error.message));
  await openLine(page, 'Wheelhouse, large condenser');
  await expect(verdict(page)).toHaveText('Silent');
  const response = await page.goto('/rig');
  expect(response!.headers()['content-security-policy']).toContain("default-src 'self'");
  await expect(page.getByRole('button', { name: '5 Stop' })).toBeVisible();
  await page.goto('/kit');
  await expect(page.getByRole('gridcell', { name: 'hydrophone', exact: true })).toBeVisible();
  expect(foreign).toEqual([]);
  expect(problems).toEqual([]);
});

test('run sheets: what is wrong is refused, and says what to change', async ({ page }) => {
  const { request } = page;
  const id = await copyOf(page, 'Sheet at the door', 'lock-nine-mended');
  const path = `/api/rigs/${id}/switching`;
  const refused = async (data: object, status: number, code: string, message: RegExp, headers = {}) => {
    const response = await request.post(path, { data, headers });
    expect(response.status()).toBe(status);
    const { error } = await response.json();
    expect(error).toMatchObject({ code, message: expect.stringMatching(message) });
    return error;
  };
  const told = (report: object, version = 0) => ({ version, who: 'Ida', report });
  await refused({}, 400, 'bad-request', /"version" is required; send/);
  await refused(told({ report: 'dance' }), 400, 'bad-request', /"report.report" must be one of \[start, begin/);
  await refused(told({ report: 'found', what: { feed: 'desk bank-a', is: 'P99' } }), 400, 'bad-request', /what/);
  await refused(told({ report: 'begin', aim: { kind: 'set-up' } }), 400, 'bad-request', /plugged/);
  await refused(told({ report: 'done' }), 409, 'refused', /No step is next/);
  await refused(
    told({ report: 'found', what: { feed: '__proto__', is: 'off' } }),
    409,
    'refused',
    /no switch __proto__/,
  );
  await refused(told({ report: 'end' }), 403, 'other-origin', /other sites/, { origin: 'http://elsewhere.example' });
  expect((await request.post(path, { data: told({ report: 'start', from: 'packed' }) })).status()).toBe(200);
  const error = await refused(told({ report: 'start', from: 'unknown' }), 409, 'stale-sheet', /moved the sheet on/);
  // Packed and off: the power is known to be off, what nobody can see is not known.
  const state = { monitors: { monitors: 'unknown' }, mains: { desk: false } };
  expect(error.current).toMatchObject({ version: 1, session: { state } });
  await refused(told({ report: 'checked', line: 'pair-a-left', bad: ['loud'] }), 400, 'bad-request', /arrives/);
  await refused(told({ report: 'done', count: 2, at: { place: 'x', actions: [{}] } }), 400, 'bad-request', /count|at/);
  await refused(
    told({ report: 'done', at: { place: 'nowhere', actions: [{ do: 'mute' }] } }),
    409,
    'refused',
    /Something else is next at nowhere/,
  );
  expect((await request.post('/api/rigs/nobody/switching', { data: told({ report: 'end' }) })).status()).toBe(404);
  expect((await request.get('/api/rigs/nobody/switching')).status()).toBe(404);
});

test('the log: filtered, as a file, with notes; what is wrong is refused', async ({ page }) => {
  const { request } = page;
  const id = await copyOf(page, 'Log at the door', 'lock-nine-mended');
  const path = `/api/rigs/${id}/log`;
  for (const text of ['Cable 4 crackles', '=cmd()'])
    expect((await request.post(path, { data: { who: ' Ida ', text, lines: ['announcer'] } })).status()).toBe(201);
  const { entries } = await (await request.get(`${path}?kinds=note&text=crackles`)).json();
  expect(entries).toMatchObject([{ kind: 'note', who: 'Ida', text: 'Cable 4 crackles', lines: ['announcer'] }]);
  const csv = await request.get(`${path}?as=csv&kinds=note`);
  expect(csv.headers()['content-type']).toContain('text/csv');
  expect(await csv.text()).not.toContain(',=cmd()');
  expect(await (await request.get(`${path}?as=json`)).json()).toMatchObject({ format: 'inlet-check-log', version: 1 });
  const refused = async (answer: Promise<{ status(): number; json(): Promise<unknown> }>, message: RegExp) => {
    const response = await answer;
    expect(response.status()).toBe(400);
    expect(await response.json()).toMatchObject({ error: { message: expect.stringMatching(message) } });
  };
  await refused(request.get(`${path}?kinds=dance`), /knows no dance; they are sheet, step/);
  await refused(request.get(`${path}?from=yesterday`), /dates like 2026-11-25/);
  await refused(request.post(path, { data: { text: ' ' } }), /"text" .*send/);
  expect((await request.get('/api/rigs/nobody/log')).status()).toBe(404);
});
