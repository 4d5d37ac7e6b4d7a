import { existsSync } from 'node:fs';

const WHOLE = '/usr/bin/chromium';
/** Built for nothing but this: takes a tenth less. */
const SHELL = '/usr/bin/chromium-headless-shell';
const there = (...paths: string[]) => paths.find((path) => existsSync(path)) ?? paths[0];

const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Debian's headless Chromium, as the benchmarks and the screenshots start it. */
export const chromiumLaunch = { executablePath: there(WHOLE, SHELL), args: ARGS };

/** A test's page does not live long enough for what is compiled a second time, and cleaned up so often: a tenth less. */
const SHORT_LIVED = '--js-flags=--invocation-count-for-maglev=5000,--min-semi-space-size=16';

/** The same as the browser tests start it. */
export const testLaunch = { executablePath: there(SHELL, WHOLE), args: [...ARGS, SHORT_LIVED] };
