import { aimFor, feedsOf, stepWords, type Session, type SheetRig } from '@/core/runsheet';
import { expect, type Locator, type Page } from './test';

/** What tests of run sheets do: start, begin, follow. */

export const step = (page: Page) => page.getByRole('region', { name: 'The next step' });
export const title = (page: Page) => step(page).getByRole('heading', { level: 2 });
export const done = (page: Page) => step(page).getByRole('button', { name: /^(Done|Continue)/ });
export const now = (page: Page) => page.getByRole('complementary', { name: 'Beside the sheet' });

export async function open(page: Page, rig: string) {
  await page.goto(`/switch?rig=${rig}`);
  await expect(page.getByText('connected', { exact: true })).toBeVisible();
}

/** Looking whether monitors, power, mutes and feeds are as they should be, before the first plug. */
const LOOK = /^(Check |Turn (?!\d|plug-in power).* on$)/;

/**
 * A set-up of some lines, begun from a packed rig and opened. How somebody begins one is what the test of the whole set-up
 * does; here it has been done by the door.
 * @param until the title of the step that is next; nothing of the sheet is left where it is `done`
 */
export async function setUp(
  page: Page,
  rig: string,
  lines?: string[],
  until: RegExp | 'begun' | 'looked' | 'done' = 'looked',
) {
  const sheet = await theSheet(page, rig);
  await sheet.tell({ report: 'start', from: 'packed' });
  const { document } = await (await page.request.get(`/api/rigs/${rig}`)).json();
  const started = sheet.now();
  const ids = started.rig.lines.filter(({ name }) => lines?.includes(name) ?? true).map(({ id }) => id);
  const aim = aimFor('set-up', started.rig, started.session.state, feedsOf(document), ids);
  await sheet.tell({ report: 'begin', aim });
  if (until === 'looked') await sheet.follow((title) => !LOOK.test(title));
  else if (until !== 'begun') await sheet.follow((title) => until !== 'done' && until.test(title));
  await open(page, rig);
  await expect(step(page).or(page.getByRole('region', { name: 'The sheet is done' }))).toBeVisible();
}

interface Live {
  version: number;
  rig: SheetRig;
  session: Session;
}

/** A run sheet by the door: what is told is told about what it is now. */
async function theSheet(page: Page, rig: string) {
  const path = `/api/rigs/${rig}/switching`;
  let live: Live = await (await page.request.get(path)).json();
  const told = async (report: object): Promise<boolean> => {
    const answer = await page.request.post(path, { data: { version: live.version, who: '', report } });
    if (answer.ok()) live = await answer.json();
    return answer.ok();
  };
  const tell = async (report: object) => expect(await told(report), JSON.stringify(report)).toBe(true);
  /** One step after the other; a wait is waited for. What came up off with the power had nothing on it before: it is found so. */
  const follow = async (until: (title: string, doing: string) => boolean) => {
    for (let n = 0; n < 120; n++) {
      const { rig: on, session } = live;
      const next = session.steps[0];
      if (!next || until(stepWords(on, session.state, next).title, next.action.do)) return;
      const { action } = next;
      const cameUp =
        action.do === 'feed' && action.to === 'off' && session.state.feeds[action.group].darkSince !== undefined;
      const report = cameUp ? { report: 'found', what: { feed: action.group, is: 'off' } } : { report: 'done' };
      await expect.poll(() => told(report), { timeout: 75_000, intervals: [100, 250, 500] }).toBe(true);
    }
  };
  return { now: () => live, tell, follow };
}

/** What something says; nothing where it has just gone. */
const read = (locator: Locator) => locator.innerText({ timeout: 1000 }).catch(() => undefined);

/** Does one step after the other until the title of the next one is as wanted; none is left at the end. */
export async function follow(page: Page, until?: RegExp) {
  for (let n = 0; n < 120; n++) {
    const finished = page.getByRole('region', { name: 'The sheet is done' });
    await expect(step(page).or(finished)).toBeVisible();
    if (await finished.isVisible()) return;
    const text = await title(page).innerText();
    if (until?.test(text)) return;
    const number = await step(page).getByRole('status').innerText();
    const several = step(page).getByRole('button', { name: /^Mark all \d+/ });
    const cameUp = step(page).getByRole('button', { name: 'It came up off: no wait' });
    if (await cameUp.isVisible()) await cameUp.click();
    else if (!until && (await several.isVisible())) await several.click();
    else await done(page).click({ timeout: 75_000 });
    // A step that is found done already is not counted: the title changes.
    await expect
      .poll(
        async () =>
          (await finished.isVisible()) ||
          (await read(title(page))) !== text ||
          (await read(step(page).getByRole('status'))) !== number,
      )
      .toBe(true);
  }
}

/** Somebody else does one step after the other, by the door, until the next one is as wanted. */
export const bySomebodyElse = async (page: Page, rig: string, until: (title: string, doing: string) => boolean) =>
  (await theSheet(page, rig)).follow(until);
