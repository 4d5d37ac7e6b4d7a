import { spawn, spawnSync, type ChildProcess } from 'node:child_process';

/** Whether a server answers; that its database is in trouble is an answer too. */
const answers = (url: string): Promise<boolean> =>
  fetch(`${url}/api/health`).then(
    () => true,
    () => false,
  );

/** Starts the built application on a database of its own, and waits until it answers. */
export async function serve(port: number, database: string): Promise<ChildProcess> {
  if (await answers(`http://127.0.0.1:${port}`))
    throw new Error(`another server answers on port ${port} already; stop it`);
  const server = spawn(process.execPath, ['scripts/serve.mjs', '--port', String(port)], {
    env: { ...process.env, INLET_CHECK_DATABASE: database, NEXT_TELEMETRY_DISABLED: '1' },
    stdio: ['ignore', 'ignore', 'inherit'],
    detached: true,
  });
  // Where a run is broken off its servers go with it.
  const end = () => kill(server);
  process.on('exit', end);
  server.on('exit', () => process.off('exit', end));
  for (let n = 0; n < 600; n++) {
    if (await answers(`http://127.0.0.1:${port}`)) return server;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`no server answers on port ${port}`);
}

/** Kills a server as a power cut would. */
export function kill(server: ChildProcess): void {
  if (server.exitCode === null && server.signalCode === null) process.kill(-server.pid!, 'SIGKILL');
}

/** Puts the demo data into a database. */
export function loadDemoData(database: string): void {
  const { status } = spawnSync('npm', ['run', '-s', 'demo-data'], {
    env: { ...process.env, INLET_CHECK_DATABASE: database },
    stdio: 'inherit',
  });
  if (status !== 0) throw new Error('the demo data could not be loaded');
}
