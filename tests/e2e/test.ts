import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base } from '@playwright/test';

export { expect, type Locator, type Page } from '@playwright/test';

/** Where the servers of the browser tests listen; each worker has the ten numbers from its own on. */
export const FIRST_PORT = Number(process.env.INLET_CHECK_TEST_PORT ?? 3217);
export const portOf = (worker: number): number => FIRST_PORT + 10 * worker;

const answers = (url: string): Promise<boolean> =>
  fetch(`${url}/api/health`).then(
    ({ ok }) => ok,
    () => false,
  );

/** Starts the built application on a database of its own, and waits until it answers. */
export async function serve(port: number, database: string): Promise<ChildProcess> {
  const server = spawn('node_modules/.bin/next', ['start', '--hostname', '127.0.0.1', '--port', String(port)], {
    env: { ...process.env, INLET_CHECK_DATABASE: database, NEXT_TELEMETRY_DISABLED: '1' },
    stdio: ['ignore', 'ignore', 'inherit'],
    detached: true,
  });
  for (let n = 0; n < 300; n++) {
    if (await answers(`http://127.0.0.1:${port}`)) return server;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error(`no server answers on port ${port}`);
}

export const kill = (server: ChildProcess): void => void process.kill(-server.pid!, 'SIGKILL');

/** A test of the built application; those of one file share a server, and a database with the demo data. */
export const test = base.extend<object, { server: string }>({
  server: [
    async ({}, give, { parallelIndex }) => {
      const port = portOf(parallelIndex);
      const folder = mkdtempSync(join(tmpdir(), 'inlet-check-e2e-'));
      const database = join(folder, 'test.sqlite');
      spawnSync('npm', ['run', '-s', 'demo-data'], {
        env: { ...process.env, INLET_CHECK_DATABASE: database },
        stdio: 'inherit',
      });
      const server = await serve(port, database);
      await give(`http://127.0.0.1:${port}`);
      kill(server);
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: ({ server }, give) => give(server),
});
