import { expect, test, type Page } from './test';
import * as gear from '../../src/core/check/casebook/parts';
import { emptyRig, type RigDocument } from '../../src/core/rig/document';
import { copyOf, feed, finding, openLine, openRig, row, saved, verdict, why } from './rig';

const desk = (feed: 'off' | 'P48', inlets: number): RigDocument['devices'][number] => ({
  id: 'desk',
  name: 'Hold desk',
  inlets: Array.from({ length: inlets }, (_, n) => ({ id: String(n + 1), kind: 'three-pin' })),
  groups: [
    {
      id: 'bank',
      name: 'bank',
      inlets: Array.from({ length: inlets }, (_, n) => String(n + 1)),
      offers: ['P48'],
      feed,
    },
  ],
});
/** A rig with these lines, and one beside them that is Clear. */
const post = async (page: Page, { devices = [], lines = [] }: Partial<RigDocument>): Promise<string> => {
  const own = { id: 'wheelhouse', name: 'Wheelhouse recorder', inlets: [{ id: '1', kind: 'three-pin' }], groups: [] };
  const clear = {
    id: 'announcer',
    name: 'Announcer',
    source: gear.dynamic,
    links: [gear.xlr(5)],
    inlet: { device: 'wheelhouse', inlet: '1' },
  };
  const made = await page.request.post('/api/rigs', {
    data: { ...emptyRig('Verdicts'), devices: [...devices, own], lines: [...lines, clear] },
  });
  expect(made.status()).toBe(201);
  return ((await made.json()) as { id: string }).id;
};

/** An earthed output behind an open shield: harm or not turns on how the desk is grounded. */
const lifted = (): Partial<RigDocument> => ({
  devices: [desk('P48', 2)],
  lines: [
    {
      id: 'laptop',
      name: 'Laptop',
      source: gear.output('xlr3', 'direct', -20, 'earthed'),
      links: [gear.xlr(5, gear.open('1'))],
      inlet: { device: 'desk', inlet: '1' },
    },
  ],
});

test('how the desk is grounded is asked at the finding, and answered there by one key', async ({ page }) => {
  const id = await post(page, lifted());
  await openLine(page, 'Laptop', id);
  await expect(verdict(page)).toHaveText('Watch');
  const shield = finding(page, 'Shield open');
  await expect(shield).toContainText('Still to find out: Is the inlet’s device on mains earth?');
  const earthed = shield.getByRole('button', { name: /Inlet’s device: on mains earth/ });
  await expect(earthed).toContainText('Stop');
  await earthed.focus();
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toHaveText('Stop');
  // No dialog asks who said so: one looks at the plug.
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(row(page, 'Laptop')).toContainText('Stop');
  const { document } = await (await page.request.get(`/api/rigs/${id}`)).json();
  expect(document.devices[0].ground).toBe('earthed');
});

test('a bad cable under a live feed: the feed goes off first, in one press for both steps', async ({ page }) => {
  const id = await post(page, lifted());
  await openLine(page, 'Laptop', id);
  const both = finding(page, 'Shield open').getByRole('button', { name: /, then replace Cable with/ });
  await expect(both).toContainText('Clear');
  await both.focus();
  await page.keyboard.press('Space');
  await expect(verdict(page)).toHaveText('Clear');
  await page.keyboard.press('Control+z');
  await expect(verdict(page)).toHaveText('Watch');
});

test('two microphones on a Y-lead: one of them moves to a free inlet, and both lines are Clear', async ({ page }) => {
  const id = await post(page, {
    devices: [desk('off', 3)],
    lines: [
      {
        id: 'guide',
        name: 'Guide',
        source: gear.dynamic,
        links: [{ ...gear.yLead('sum'), id: 'y' }, gear.xlr(5)],
        inlet: { device: 'desk', inlet: '1' },
      },
      {
        id: 'keeper',
        name: 'Lock keeper',
        source: gear.dynamic,
        links: [gear.xlr(2)],
        inlet: { into: { line: 'guide', link: 'y', port: 'b' } },
      },
    ],
  });
  await openLine(page, 'Guide', id);
  const two = finding(page, 'Two sources on the same wires: “Lock keeper”');
  await two.getByRole('button', { name: /Move “Lock keeper” to Hold desk, inlet 2/ }).click();
  await expect(verdict(page)).toHaveText('Clear');
  await expect(row(page, 'Lock keeper')).toContainText('Clear');
  await saved(page);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(row(page, 'Guide')).toContainText('Watch');
});

test('a wrong figure in the door is refused with its path, and nothing of it is kept', async ({ page }) => {
  const rig = { ...emptyRig('Wrong'), devices: [{ ...desk('off', 1), ground: 'wet' }], lines: [] };
  const refused = await page.request.post('/api/rigs', { data: rig });
  expect(refused.status()).toBe(400);
  const { error } = await refused.json();
  expect(error.path).toBe('devices[0].ground');
  expect(error.message).toMatch(/earthed.*floating.*unknown/);
  const { rigs } = await (await page.request.get('/api/rigs')).json();
  expect(rigs.map(({ name }: { name: string }) => name)).not.toContain('Wrong');
});

test('the reasons are read aloud in order: verdict, title, figures, then what to press', async ({ page }) => {
  const id = await post(page, lifted());
  await openLine(page, 'Laptop', id);
  await expect(finding(page, 'Shield open')).toContainText('Look it up or ask the maker, then record:');
  const text = await finding(page, 'Shield open').innerText();
  const at = (part: string) => text.indexOf(part);
  expect(at('Watch')).toBeLessThan(at('Shield open'));
  expect(at('Shield open')).toBeLessThan(at('Shield to ground, 50 Hz'));
  expect(at('Still to find out')).toBeLessThan(at('Look it up'));
  await expect(why(page).getByText(/NaN|undefined|null/)).toHaveCount(0);
});

test('verdicts and settings come with the page; whoever reaches for it has them solved, and taken back they are as before', async ({
  page,
}) => {
  // Nobody waits here until the page has settled: the worker starts when somebody reaches for it.
  await page.addInitScript(() => {
    const here = window as unknown as { made: number };
    here.made = 0;
    const [Real, wait] = [window.Worker, window.setTimeout];
    window.Worker = class extends Real {
      constructor(...given: ConstructorParameters<typeof Worker>) {
        super(...given);
        here.made++;
      }
    };
    window.setTimeout = ((run: TimerHandler, after?: number) =>
      wait(run, after === 2000 ? 1e8 : after)) as typeof window.setTimeout;
  });
  const workers = () => page.evaluate(() => (window as unknown as { made: number }).made);
  const rows = page.getByRole('main').getByRole('listitem');
  const told = async () => (await rows.allInnerTexts()).map((text) => /Stop|Silent|Watch|Clear/.exec(text)?.[0]);
  const rig = await copyOf(page, 'Come with the page');
  // A busy server may not have them in time for the first time.
  await openRig(page, rig);
  await openRig(page, rig);
  const before = await told();
  await page
    .getByRole('main')
    .getByText(/^OK for every line: /)
    .first()
    .waitFor();
  expect(await workers()).toBe(0);
  await page.mouse.move(400, 300);
  await expect.poll(workers).toBe(1);
  await feed(page, 'Hold desk, bank A', 'off').click();
  await expect.poll(told).not.toEqual(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(told).toEqual(before);
  expect(await workers()).toBe(1);
});
