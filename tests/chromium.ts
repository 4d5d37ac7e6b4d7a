import { existsSync } from 'node:fs';

/** The small one is built for nothing but this, and takes a tenth less. */
const BUILDS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** Debian's headless Chromium, as the browser tests and the screenshots start it. */
export const chromiumLaunch = {
  executablePath: BUILDS.find((path) => existsSync(path)) ?? BUILDS[0],
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
