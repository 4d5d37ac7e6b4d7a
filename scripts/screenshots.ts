import { chromium } from '@playwright/test';
import { chromiumLaunch } from '../tests/chromium';

/** Takes the pictures of docs/screenshots from a running `scripts/demo` with untouched demo data: URL as argument. */
const base = process.argv[2] ?? 'http://127.0.0.1:3000';

const pictures = [
  { name: 'rig-stop', line: 'guide-body-worn', width: 1280, height: 800, scheme: 'light' },
  { name: 'rig-ribbon', line: 'ribbon-left', width: 1280, height: 800, scheme: 'light' },
  { name: 'rig-broken-cable-dark', line: 'announcer', width: 1280, height: 800, scheme: 'dark' },
  { name: 'rig-tablet', line: 'long-ribbon', width: 820, height: 1100, scheme: 'light' },
  { name: 'rig-phone', line: 'double-bass', width: 390, height: 844, scheme: 'light' },
] as const;

async function take() {
  const browser = await chromium.launch(chromiumLaunch);
  for (const { name, line, width, height, scheme } of pictures) {
    const page = await browser.newPage({ viewport: { width, height }, colorScheme: scheme });
    await page.goto(`${base}/rig?line=${line}`);
    await page.getByTestId('verdict').waitFor();
    // Every line has its verdict.
    await page.waitForFunction(() => !document.querySelector('nav')?.textContent?.includes('…'));
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
    await page.close();
  }
  await browser.close();
}

void take();
