import { expect, test, type Page } from './test';
import { choose, copyOf, fewOf, openRig, saved } from './rig';

/** Opens the Plan place of a rig. */
async function openPlan(page: Page, rig: string, tab?: string) {
  await page.goto(`/plan?rig=${rig}`);
  await expect(page.getByRole('tab', { name: 'Patch' })).toBeVisible();
  await saved(page);
  if (tab) await page.getByRole('tab', { name: tab }).click();
}

const LONGEST = '60 seconds';

/** Plans and waits for the proposal. */
async function plan(page: Page, onlyKit = false) {
  if (onlyKit) await page.getByRole('checkbox', { name: 'Use only my kit' }).check();
  // A busy machine needs longer; what is tested is the plan, not how quickly it comes.
  await choose(page, 'Search for at most', LONGEST);
  await page.getByRole('button', { name: /^Plan (the patch|again)$/ }).click();
  await expect(page.getByRole('progressbar', { name: 'Progress of the plan' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Plan again' })).toBeVisible({ timeout: 140_000 });
}

const main = (page: Page) => page.getByRole('main');
const list = (page: Page, name: string) => main(page).getByRole('region', { name, exact: true });
const row = (page: Page, name: string) => main(page).getByRole('listitem', { name, exact: true });

test.describe('the patch', () => {
  test.setTimeout(300_000);

  test('the demo is planned, accepted in part and whole, and undone', async ({ page }) => {
    const rig = await copyOf(page, 'Planned whole');
    await openPlan(page, rig);
    await expect(page.getByRole('heading', { name: 'No plan yet' })).toBeVisible();
    await plan(page);
    await expect(page.getByRole('heading', { name: 'Every line works. 2 items to buy or borrow' })).toBeVisible();
    await expect(main(page)).toContainText('This is the best patch possible');
    await expect(list(page, 'To get')).toContainText('1 × T12 supply box');
    await expect(row(page, 'Hold desk, bank B')).toContainText(/48 V.*off/);
    await expect(row(page, 'Announcer')).toContainText('At present Silent (dead cable: cable 20 m, old).');
    await expect(row(page, 'Announcer')).toContainText(/\+ .*cable/);

    // One change less, and what would be left of it.
    await page.getByRole('checkbox', { name: 'Accept: Announcer' }).uncheck();
    const accept = page.getByRole('button', { name: /^Accept/ });
    await expect(accept).toHaveText(/Accept \d+ of \d+ changes/);
    await expect(main(page).getByText('1 Silent')).toBeVisible();
    await page.getByRole('button', { name: 'Tick all' }).click();
    await expect(accept).toHaveText(/Accept all \d+ changes/);
    await accept.click();
    await expect(page.getByText(/^Accepted: \d+ changes, as a new revision/)).toBeVisible();
    await saved(page);

    await page.getByRole('link', { name: 'Rig' }).click();
    await expect(page.getByRole('button', { name: /^24 Clear/ })).toBeVisible();
    await expect(page.getByRole('button', { name: /^0 Stop/ })).toBeVisible();
    await expect(page.getByRole('button', { name: /^0 Silent/ })).toBeVisible();
  });

  test('undo takes an accepted plan back', async ({ page }) => {
    const rig = await copyOf(page, 'Planned and undone');
    await openPlan(page, rig);
    await plan(page, true);
    await expect(page.getByRole('heading', { name: '2 lines have no place' })).toBeVisible();
    await expect(list(page, 'Left out')).toContainText('Nothing in the kit makes it work: no power at the microphone.');
    await page.getByRole('button', { name: /^Accept all/ }).click();
    await saved(page);
    await expect(main(page)).toContainText('The rig has changed since this was planned.');
    await page.getByRole('button', { name: 'Undo' }).click();
    await saved(page);
    // The proposal is still there after a look at another place, and fits the rig again.
    await page.getByRole('link', { name: 'Kit' }).click();
    await page.getByRole('link', { name: 'Plan' }).click();
    await expect(page.getByRole('button', { name: /^Accept all/ })).toBeVisible();
    await openRig(page, rig);
    await expect(page.getByRole('button', { name: /^5 Stop/ })).toBeVisible();
    await expect(page.getByRole('button', { name: /^4 Silent/ })).toBeVisible();
  });

  test('a line is pinned, planned again and compared; three proposals are kept', async ({ page }) => {
    const rig = await copyOf(page, 'Planned again', 'lock-nine-mended');
    await openPlan(page, rig);
    const panel = page.getByRole('complementary', { name: 'Rules for the plan' });
    await panel.getByRole('button', { name: 'Pin a line' }).click();
    await choose(page, 'Line', 'Valve microphone');
    await choose(page, 'Inlet', 'Hold desk, inlet 15');
    await panel.getByRole('button', { name: 'Pin a line' }).click();
    await expect(panel).toContainText('Valve microphone: Hold desk, inlet 15');
    await plan(page, true);
    await expect(row(page, 'Valve microphone')).toContainText('You pinned it to this inlet.');
    await expect(row(page, 'Inherited shotgun')).toContainText('Makes room for Valve microphone.');
    // Another one is pinned where it was proposed; the proposal can still be accepted.
    await page.getByRole('button', { name: 'Pin Inherited shotgun' }).click();
    await expect(page.getByRole('button', { name: 'Pin Inherited shotgun' })).toHaveAttribute('aria-pressed', 'true');
    await expect(page.getByRole('button', { name: /^Accept all/ })).toBeEnabled();
    await panel.getByRole('button', { name: /^Remove: Valve microphone/ }).click();
    // What is pinned where it was proposed anyway leads to the same plan: it is not kept twice.
    await plan(page);
    await expect(page.getByText('Same plan as before. It is kept once.')).toBeVisible();
    await expect(page.getByRole('button', { name: /^Proposal \d$/ })).toHaveCount(1);
    await panel.getByRole('button', { name: /^Remove: Inherited shotgun/ }).click();
    await plan(page);
    await panel.getByRole('button', { name: 'Block an inlet' }).click();
    await choose(page, 'Inlet', 'Hold desk, inlet 1');
    await panel.getByRole('button', { name: 'Block an inlet' }).click();
    await plan(page);
    await expect(page.getByRole('button', { name: /^Proposal \d$/ })).toHaveCount(3);
    await page.getByRole('button', { name: 'Compare' }).click();
    const table = page.getByRole('region', { name: 'Comparison of proposals' });
    await expect(table.getByRole('row', { name: /^Proven best yes yes yes/ })).toBeVisible();
    await expect(table).toContainText('Bag recorder, one set of batteries');
    await page.getByRole('button', { name: 'Drop proposal 2' }).click();
    await expect(page.getByRole('button', { name: /^Proposal \d$/ })).toHaveCount(2);
  });

  test('the search is seen running and can be stopped', async ({ page }) => {
    const rig = await copyOf(page, 'Stopped');
    await openPlan(page, rig);
    await page.getByRole('button', { name: 'Plan the patch' }).click();
    await expect(page.getByText(/^Judging every chain of the kit: line \d+ of 23/)).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: 'Plan the patch' })).toBeVisible();
    await page.keyboard.press('p');
    await expect(page.getByRole('region', { name: 'Reached so far' })).toContainText('without a place', {
      timeout: 60_000,
    });
    await page.getByRole('button', { name: 'Stop and keep the best so far' }).click();
    await expect(main(page)).toContainText(/Stopped after \d/);
    await expect(main(page)).toContainText('may not be the best');
  });

  test('inlets are forbidden, lines kept together, places and runs put in', async ({ page }) => {
    const rig = await fewOf(page, 'With wishes', 'lock-nine-mended');
    await openPlan(page, rig);
    const panel = page.getByRole('complementary', { name: 'Rules for the plan' });
    await panel.getByRole('button', { name: 'Block an inlet' }).click();
    await choose(page, 'Inlet', 'Hold desk, inlet 1');
    await panel.getByRole('button', { name: 'Block an inlet' }).click();
    await panel.getByRole('button', { name: 'Keep two lines together' }).click();
    await choose(page, 'One line', 'Trio, ribbon left');
    await choose(page, 'Other line', 'Announcer');
    await panel.getByRole('button', { name: 'Keep two lines together' }).click();
    await panel.getByRole('button', { name: 'Positions and cable runs …' }).click();
    const dialog = page.getByRole('dialog', { name: 'Positions and cable runs' });
    await dialog.getByLabel('New place').fill('Towpath');
    await dialog.getByRole('button', { name: 'Add' }).click();
    const run = dialog.getByLabel('Hold, desk end – Towpath');
    await run.fill('far');
    await expect(dialog).toContainText('A length from 0 to 500 m, or empty');
    await run.fill('33,5');
    await run.blur();
    await dialog.getByRole('button', { name: 'Done' }).click();
    await saved(page);
    const { document } = await (await page.request.get(`/api/rigs/${rig}`)).json();
    expect(document.runs.at(-1)).toMatchObject({ between: ['desk', 'towpath'], length: { value: 33.5 } });
    await plan(page, true);
    await expect(row(page, 'Trio, pair A left')).toContainText('You keep it off the inlet that it is on.');
    await expect(main(page)).toContainText(/Belongs beside (Announcer|Trio, ribbon left)\./);
  });
});

test('chains: the best first, the tempting one refused with its reason, one of them used', async ({ page }) => {
  const rig = await copyOf(page, 'Chains');
  await openPlan(page, rig, 'Chains');
  await choose(page, 'From', 'Guide, lavalier');
  const best = page.getByRole('region', { name: 'Best first' }).getByRole('listitem').first();
  await expect(best).toContainText('phantom to plug-in converter');
  await expect(best).toContainText('Clear');
  await expect(page.getByRole('region', { name: 'Tempting, but wrong' })).toContainText(
    'Too much voltage on the capsule. 46 V on a capsule rated for 10 V.',
  );
  await page.getByRole('group', { name: 'Feed of the inlet' }).getByRole('button', { name: 'off' }).click();
  // Without the desk's feed the adapter lives on a supply box of the kit.
  await expect(best).toContainText(/phantom to plug-in converter → cable .* → supply box/);
  await page.getByRole('group', { name: 'Feed of the inlet' }).getByRole('button', { name: '48 V' }).click();
  await best.getByRole('button', { name: 'Use it' }).click();
  await expect(best).toContainText('as it is now');
  await saved(page);
});

test('supplies: what would do for a line, and boxes arranged on direct-current outlets', async ({ page }) => {
  const rig = await copyOf(page, 'Supplies');
  await openPlan(page, rig, 'Supplies');
  await choose(page, 'For the line', 'Inherited shotgun');
  await expect(page.getByRole('region', { name: 'Would do' }).getByRole('listitem')).toHaveText(
    /T12 supply box, pin 2 positive/,
  );
  const chorus = row(page, 'Chorus box of the electric piano, old');
  await expect(chorus).toContainText('shorts the supply');
  await page.getByRole('button', { name: 'Arrange' }).click();
  await expect(page.getByText('Every box is on a suitable outlet.')).toBeVisible();
  await expect(chorus).toContainText('Clear');
  await expect(chorus.getByRole('combobox')).toHaveText(/Isolated supply/);

  await page.getByRole('button', { name: 'Box or pedal' }).click();
  const dialog = page.getByRole('dialog', { name: 'New box or pedal' });
  await dialog.getByLabel('Least voltage it runs on (V)').fill('20');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toContainText('Give it a name');
  await expect(dialog).toContainText('Not below the least voltage');
  await dialog.getByLabel('Name').fill('Battery-type direct box');
  await dialog.getByLabel('Maximum voltage (V)').fill('24');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(row(page, 'Battery-type direct box')).toContainText('hangs on no supply');
  await saved(page);
});

test('batteries: the time at each voltage, a figure put right, the switches set', async ({ page }) => {
  const rig = await copyOf(page, 'Batteries');
  await openPlan(page, rig, 'Batteries');
  const bag = page.getByRole('region', { name: 'Bag recorder', exact: true });
  const heading = bag.getByRole('heading', { name: /^Bag recorder: 3 h/ });
  await expect(heading).toBeVisible();
  await expect(bag).toContainText('Wheelhouse, large condenser (pair 3–4)');
  await expect(bag.getByRole('img', { name: /new batteries at/ })).toBeVisible();
  const load = bag.getByLabel('What it takes with every feed off (W)');
  await load.fill('a lot');
  await expect(bag).toContainText('From 0.001 to 500 W, or empty');
  await load.fill('1.2');
  await load.press('Enter');
  await expect(bag.getByRole('heading', { name: /^Bag recorder: 7 h/ })).toBeVisible();
  await bag.getByLabel('How long one set has to last (h)').fill('9');
  await bag.getByLabel('How long one set has to last (h)').blur();
  await expect(bag).toContainText('are not enough for 9 h');
  await bag
    .getByRole('button', { name: /^Set .* in the rig$/ })
    .first()
    .click();
  await expect(bag.getByText('set now').first()).toBeVisible();
  await saved(page);
});

test('a rig without lines says what to do first', async ({ page }) => {
  const made = await page.request.post('/api/rigs', {
    data: { format: 'inlet-check', version: 2, name: 'Nothing yet', devices: [], lines: [] },
  });
  await openPlan(page, (await made.json()).id);
  await expect(page.getByRole('heading', { name: 'Nothing to plan yet' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Plan the patch' })).toBeDisabled();
});
