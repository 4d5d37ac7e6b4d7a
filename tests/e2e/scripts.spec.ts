import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, kill, portOf, serve, test } from './test';

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
