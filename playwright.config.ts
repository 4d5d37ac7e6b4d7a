import { defineConfig } from '@playwright/test';
import { chromiumLaunch } from './tests/chromium';

/** Drives the production build in Debian's headless Chromium; every worker has a server and a fresh database of its own. */
export default defineConfig({
  testDir: 'tests/e2e',
  // Two shared cores may be slow: what is waited for is told by the page, not by the clock.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  // Tests of one file follow each other; two files at a time.
  fullyParallel: false,
  workers: 2,
  // A busy machine may lose one race; what fails twice is broken.
  retries: process.env.CI ? 1 : 0,
  forbidOnly: true,
  // What cannot be pressed says so soon, instead of using up the time of its test.
  use: { actionTimeout: 30_000, viewport: { width: 1280, height: 800 }, launchOptions: chromiumLaunch },
});
