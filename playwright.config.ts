import { defineConfig } from '@playwright/test';
import { chromiumLaunch } from './tests/chromium';

const PORT = Number(process.env.INLET_CHECK_TEST_PORT ?? 3217);

/** Drives the production build in Debian's headless Chromium; each run has a fresh database with the demo data. */
export default defineConfig({
  testDir: 'tests/e2e',
  // Two shared cores may be slow: what is waited for is told by the page, not by the clock.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  fullyParallel: false,
  workers: 1,
  // A busy machine may lose one race; what fails twice is broken.
  retries: process.env.CI ? 1 : 0,
  forbidOnly: true,
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: chromiumLaunch,
  },
  webServer: {
    command: `rm -rf test-results/database && npm run -s demo-data && node_modules/.bin/next start --hostname 127.0.0.1 --port ${PORT}`,
    url: `http://127.0.0.1:${PORT}/api/health`,
    env: { INLET_CHECK_DATABASE: 'test-results/database/test.sqlite', NEXT_TELEMETRY_DISABLED: '1' },
    reuseExistingServer: false,
    timeout: 60_000,
  },
});
