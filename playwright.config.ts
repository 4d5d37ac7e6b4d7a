import { defineConfig } from '@playwright/test';
import { testLaunch } from './tests/chromium';

const LONG = /(access|dialogs|noise|switch|trouble|plan)\.spec/;

/** Drives the production build in Debian's headless Chromium; every worker has a server and a fresh database of its own. */
export default defineConfig({
  testDir: 'tests/e2e',
  // Two shared cores may be slow: what is waited for is told by the page, not by the clock.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  // Tests of one file follow each other; a third file fills the time in which a page or its server is waited for.
  fullyParallel: false,
  workers: 3,
  // Those that take longest begin: at the end nobody works alone.
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'others', testIgnore: LONG },
  ],
  // A busy machine may lose one race; what fails twice is broken.
  retries: process.env.CI ? 1 : 0,
  forbidOnly: true,
  // What cannot be pressed says so soon, instead of using up the time of its test.
  use: {
    actionTimeout: 30_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: testLaunch,
  },
});
