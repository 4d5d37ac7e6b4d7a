import { expect, test } from './test';
import { choose, copyOf, feed, finding, openLine, openRig, row, saved, select, tab, verdict, why } from './rig';

test('Lock Nine opens with every mistake, worst first; each is explained', async ({ page }) => {
  await openRig(page);
  await expect(page.getByRole('button', { name: '5 Stop' })).toBeVisible();
  await expect(page.getByRole('button', { name: '4 Silent' })).toBeVisible();
  await expect(why(page).getByRole('heading', { name: 'Problems, worst first' })).toBeVisible();
  const told = await why(page).getByRole('listitem').allTextContents();
  const rank = (text: string) => ['Stop', 'Silent', 'Watch'].findIndex((verdict) => text.startsWith(verdict));
  expect(told.map(rank)).toEqual(told.map(rank).toSorted());
  expect(told).toHaveLength(14);
  for (const [line, what] of [
    ['Trio, ribbon left', /48 V on a passive ribbon/],
    ['Trio, long ribbon', /48 V on a TRS patch point/],
    ['Guide, lavalier', /Too much voltage on the capsule/],
    ['Announcer', /Dead cable: cable 20 m, old/],
    ['Double bass', /Bass rolls off below/],
    ['Electric piano, left', /Thru socket used as a second input/],
    ['Inherited shotgun', /No power at the microphone/],
    ['Wheelhouse, large condenser', /Only 11 V at the microphone/],
    ['Camera', /TRRS plug in a 3.5 mm TRS socket/],
  ] as const) {
    await select(page, line);
    await expect(finding(page, what)).toBeVisible();
  }
});

test('Lock Nine, mended has no Stop and no Silent', async ({ page }) => {
  await openRig(page, 'lock-nine-mended');
  await expect(page.getByRole('button', { name: '0 Stop' })).toBeVisible();
  await expect(page.getByRole('button', { name: '0 Silent' })).toBeVisible();
  await expect(page.getByRole('button', { name: '24 Clear' })).toBeVisible();
});

test('bank A off and on: ribbons and condensers change together, the header says who objects', async ({ page }) => {
  const rig = await copyOf(page, 'Bank trial');
  await openRig(page, rig);
  const bank = page.getByRole('region', { name: 'Hold desk, bank A' });
  await expect(bank.getByText(/^48 V is wrong for: Trio, ribbon left/)).toBeVisible();
  await expect(row(page, 'Trio, ribbon left')).toContainText('Stop');
  await expect(row(page, 'Trio, pair A left')).toContainText('Clear');
  await feed(page, 'Hold desk, bank A', 'off').click();
  await expect(row(page, 'Trio, ribbon left')).toContainText('Clear');
  await expect(row(page, 'Trio, pair A left')).toContainText('Silent');
  await expect(bank.getByText(/^Off is wrong for: Trio, pair A left/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(row(page, 'Trio, ribbon left')).toContainText('Stop');
  await page.keyboard.press('Control+Shift+z');
  await expect(row(page, 'Trio, ribbon left')).toContainText('Clear');
  await saved(page);
});

test('a switch tells what each setting would do, and turns', async ({ page }) => {
  const rig = await copyOf(page, 'Pair trial');
  await openRig(page, rig);
  await page.getByRole('button', { name: 'Bag recorder, pair 3–4', exact: true }).click();
  const settings = why(page).getByRole('region', { name: 'Settings of this switch' });
  await expect(settings).toContainText('12 V · 1 line silent');
  await expect(settings).toContainText('24 V · OK for every line');
  await expect(why(page)).toContainText('Where: menu, inputs, feed of the pair');
  await settings.getByRole('button', { name: 'Try 24 V' }).click();
  await expect(row(page, 'Wheelhouse, large condenser')).toContainText('Watch');
  await expect(verdict(page)).toHaveText('Watch');
});

test('a remedy: 46 V on the capsule, one press on the converter, undo brings it back', async ({ page }) => {
  const rig = await copyOf(page, 'Remedy trial');
  await openLine(page, 'Guide, lavalier', rig);
  await expect(finding(page, 'Too much voltage on the capsule')).toContainText(/46 V on a capsule rated for 10 V/);
  await finding(page, 'Too much voltage on the capsule')
    .getByRole('button', { name: /plug-in/ })
    .click();
  await expect(verdict(page)).toHaveText('Clear');
  await tab(page, 'Readings').click();
  await expect(why(page).getByRole('region', { name: 'Readings' })).toContainText(/Voltage of the capsule\s*2\.\d+ V/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(verdict(page)).toHaveText('Stop');
  await saved(page);
});

test('the ribbon: turning the bank off costs three lines, a transformer costs none; the switch’s others are told', async ({
  page,
}) => {
  const rig = await copyOf(page, 'Ribbon trial');
  await openLine(page, 'Trio, ribbon left', rig);
  const fed = finding(page, /passive ribbon/);
  await expect(fed.getByRole('button', { name: /Try Hold desk, bank A off/ })).toContainText(
    '3 lines lose power or signal',
  );
  // Its cable of 6 m does not reach the wheelhouse: no move there is offered.
  await expect(fed.getByRole('button', { name: /Move to Bag recorder/ })).toHaveCount(0);
  await fed.getByRole('button', { name: /Add isolating transformer.*from your kit/ }).click();
  await expect(verdict(page)).toHaveText('Clear');
  await expect(row(page, 'Trio, ribbon left')).toContainText('isolating transformer');
});

test('the electric piano: the current between the outputs, and a stereo direct box as the remedy', async ({ page }) => {
  const rig = await copyOf(page, 'Piano trial');
  await openLine(page, 'Electric piano, right', rig);
  const fight = finding(page, 'Thru socket used as a second input');
  await expect(fight).toContainText(/each output loads the other \(up to 2\.\d+ mA\)/i);
  await expect(row(page, 'Electric piano, right')).toContainText('via inlet 10');
  await fight.getByRole('button', { name: /stereo direct box/ }).click();
  await expect(verdict(page)).toHaveText('Clear');
  await expect(row(page, 'Electric piano, left')).toContainText('Clear');
});

test('the long ribbon: peaks while it is patched live, and the step at a chosen gain', async ({ page }) => {
  await openLine(page, 'Trio, long ribbon');
  await expect(finding(page, /TRS patch point/)).toContainText(/Peak current if patched hot .*\d mA/);
  await tab(page, 'Transients').click();
  const patch = why(page).getByRole('region', { name: 'If you patch with the feed on' });
  await expect(patch).toContainText(/Peak current through the source\s*\d+(\.\d)? mA/);
  await expect(why(page).getByLabel('Step at this gain')).toHaveText(/−?\d+(\.\d)? dBFS/);
  const before = await why(page).getByLabel('Step at this gain').textContent();
  await choose(page, 'at a gain of', '0 dB');
  await expect(why(page).getByLabel('Step at this gain')).not.toHaveText(before!);
});

test('two inlets of one splitter: which one feeds, and what happens when the other goes off', async ({ page }) => {
  const rig = await copyOf(page, 'Splitter trial');
  await openLine(page, 'Guest singer', rig);
  const both = finding(page, /Both inlets have their feed on/);
  await expect(both).toContainText('That of Stream interface, inlet 1 is blocked on the way');
  await expect(both).toContainText(/Turn off Hold desk, inlet 11 and the source loses its feed/);
  await feed(page, 'Stream interface, both inlets', 'off').click();
  await expect(verdict(page)).toHaveText('Clear');
  await feed(page, 'Hold desk, bank B', 'off').click();
  await expect(verdict(page)).toHaveText('Silent');
  await expect(row(page, 'Guest singer, to the stream')).toContainText('Silent');
});

test('filters and search leave what is asked for', async ({ page }) => {
  await openRig(page);
  await page.getByRole('button', { name: '4 Silent' }).click();
  await expect(row(page, 'Announcer')).toBeVisible();
  await expect(row(page, 'Trio, ribbon left')).toHaveCount(0);
  await page.getByRole('button', { name: '4 Silent' }).click();
  await page.keyboard.press('f');
  await page.keyboard.type('piano');
  await expect(row(page, 'Electric piano, left')).toBeVisible();
  await expect(row(page, 'Announcer')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(row(page, 'Announcer')).toBeVisible();
  await page.getByLabel('Find a line').fill('nothing like it');
  await expect(page.getByText('No line matches this filter.')).toBeVisible();
});

test('the probe goes on any two contacts, by pressing them or by name', async ({ page }) => {
  await openLine(page, 'Trio, pair A left');
  await expect(page.getByLabel('Meter reads')).toHaveText(/^35\.7\d V$/);
  await choose(page, 'black tip', '3, at the source');
  await expect(page.getByLabel('Meter reads')).toHaveText('0.00 V');
  await row(page, 'Trio, pair A left').locator('title', { hasText: 'Probe contact 1' }).first().locator('..').click();
  await expect(page.getByLabel('Meter reads')).toHaveText(/^−35\.7\d V$/);
});

test('what is looked at beside the meter does not set it back to nothing', async ({ page }) => {
  await openLine(page, 'Trio, pair A left');
  const meter = page.getByLabel('Meter reads');
  await expect(meter).toHaveText(/^35\.7\d V$/);
  await expect(page.getByText('Trying what helps …')).toHaveCount(0);
  const shown = await meter.evaluateHandle((output) => {
    const texts: (string | null)[] = [];
    new MutationObserver(() => texts.push(output.textContent)).observe(output, {
      subtree: true,
      characterData: true,
      childList: true,
    });
    return texts;
  });
  for (const name of ['Readings', 'Transients', 'Why']) await tab(page, name).click();
  await page.getByLabel('Find a line').fill('pair');
  await expect(row(page, 'Announcer')).toHaveCount(0);
  expect(await shown.jsonValue()).toEqual([]);
  await expect(meter).toHaveText(/^35\.7\d V$/);
});

test('schools change verdicts, and the finding names the one that decided', async ({ page }) => {
  const rig = await copyOf(page, 'School trial');
  await openLine(page, "Guide's stand", rig);
  await expect(verdict(page)).toHaveText('Clear');
  await page.getByRole('button', { name: 'Schools' }).click();
  await choose(page, 'Phantom on a dynamic', 'off unless needed');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(verdict(page)).toHaveText('Watch');
  await expect(finding(page, /not needed here/)).toContainText('“off unless needed”');
});

test('what can hurt people is said where it is decided', async ({ page }) => {
  await openLine(page, 'Valve microphone');
  await expect(why(page).getByRole('note').filter({ hasText: 'High voltage inside the supply' })).toBeVisible();
  await expect(why(page)).toContainText('can hurt ears');
});
