import { bigRig } from './rigs';
import { addRig, type Running } from './opening';

const PRESSES = 24;

/**
 * From the press of a switch to the repainted sheet, in milliseconds, on the production build in headless Chromium: every
 * press, in order.
 */
export async function switchPresses({ at, browser }: Running, lines: number): Promise<number[]> {
  const id = await addRig(at, bigRig(lines));
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${at}/rig?rig=${id}`);
  await page
    .getByText(/^OK for every line|^No setting suits/)
    .last()
    .waitFor({ timeout: 120_000 });
  const presses: number[] = [];
  for (let n = 0; n < PRESSES; n++) {
    presses.push(await page.evaluate(pressed));
    await page.waitForTimeout(700);
  }
  await page.close();
  return presses;
}

/** Runs in the page: turns the first switch and waits until a verdict of its lines is another one, and painted. */
function pressed(): Promise<number> {
  return new Promise((done) => {
    const verdicts = () =>
      [...document.querySelectorAll('[data-line]')]
        .map((row) => /Stop|Silent|Watch|Clear/.exec(row.textContent ?? '')?.[0])
        .join();
    const before = verdicts();
    const start = performance.now();
    const observer = new MutationObserver(() => {
      if (verdicts() === before) return;
      observer.disconnect();
      requestAnimationFrame(() => setTimeout(() => done(performance.now() - start)));
    });
    observer.observe(document.body, { subtree: true, childList: true, characterData: true });
    document.querySelector<HTMLElement>('[aria-label^="Feed of"] [aria-pressed="false"]')!.click();
  });
}
