import { removeLine, type RigDocument } from '@/core/rig';
import { expect, type Locator, type Page } from './test';

/** Opens the demo rig, or another one, and waits until it is solved. */
export async function openRig(page: Page, rig = 'lock-nine') {
  await page.goto(`/rig?rig=${rig}`);
  await expect(page.getByRole('group', { name: 'Show lines by verdict' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^[1-9]\d* Clear/ })).toBeVisible();
}

const EMPTY = { format: 'inlet-check', version: 2, name: 'From nothing', devices: [], lines: [] };

/** A rig with nothing in it, opened, as somebody new to it sees it. */
export async function openEmpty(page: Page): Promise<string> {
  const made = await page.request.post('/api/rigs', { data: EMPTY });
  const { id } = await made.json();
  await page.goto(`/rig?rig=${id}`);
  await expect(page.getByRole('heading', { name: 'An empty rig' })).toBeVisible();
  return id;
}

/** The row of a line on the sheet. */
export const row = (page: Page, name: string): Locator =>
  page
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: new RegExp(`^${escape(name)}(?!,| \\d)`) }) });

const escape = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Opens the demo rig and selects one of its lines. */
export async function openLine(page: Page, name: string, rig?: string) {
  await openRig(page, rig);
  await select(page, name);
}

export async function select(page: Page, name: string) {
  await page
    .getByRole('button', { name: new RegExp(`^${escape(name)} `) })
    .first()
    .click();
  await expect(why(page).getByRole('heading', { name, exact: true })).toBeVisible();
  await expect(why(page).getByTestId('verdict')).toBeVisible();
}

export const why = (page: Page) => page.getByRole('complementary', { name: 'Why' });
export const verdict = (page: Page) => why(page).getByTestId('verdict');
export const finding = (page: Page, what: string | RegExp) => why(page).getByRole('article', { name: what });
export const feed = (page: Page, group: string, label: string) =>
  page.getByRole('group', { name: `Feed of ${group}` }).getByRole('button', { name: label, exact: true });
export const tab = (page: Page, name: string) => why(page).getByRole('tab', { name });

/** Chooses an option of a select field by its label. */
export async function choose(page: Page, label: string, option: string | RegExp) {
  await page.getByRole('combobox', { name: label }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
}

export const saved = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: /saved \d\d:\d\d · revision/ })).toBeVisible();

/** A rig of its own for tests that change it, as a copy of the demo's. */
export async function copyOf(
  page: Page,
  name: string,
  from = 'lock-nine',
  change: (text: string) => string = (text) => text,
): Promise<string> {
  const { document } = await (await page.request.get(`/api/rigs/${from}`)).json();
  const made = await page.request.post('/api/rigs', {
    data: JSON.parse(change(JSON.stringify({ ...document, name }))),
  });
  return (await made.json()).id;
}

const FEW = ['pair-a-left', 'pair-a-right', 'ribbon-left', 'announcer', 'guide', 'large-condenser', 'laptop'];

/** As `copyOf`, with a few of its lines: what is done to one line is drawn sooner where there are not two dozen. */
export const fewOf = (page: Page, name: string, from?: string): Promise<string> =>
  copyOf(page, name, from, (text) => {
    const document: RigDocument = JSON.parse(text);
    const others = document.lines.filter(({ id }) => !FEW.includes(id));
    return JSON.stringify(others.reduce((rest, { id }) => removeLine(rest, id), document));
  });

/** Opens the Noise place on one line. */
export async function openNoise(page: Page, rig: string, line: string, tab?: string) {
  await page.goto(`/noise?rig=${rig}`);
  const lines = page.getByRole('navigation', { name: 'Lines' });
  // Predictions of every line are there.
  await expect(lines.getByText('…')).toHaveCount(0);
  await lines.getByRole('button', { name: new RegExp(`^${escape(line)}`) }).click();
  if (tab) await page.getByRole('tab', { name: tab }).click();
}

/** What a recording says, in the Noise place. */
export const reading = (page: Page) => page.getByRole('region', { name: 'Reading' });
