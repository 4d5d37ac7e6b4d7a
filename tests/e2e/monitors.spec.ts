import { expect, test } from './test';
import { copyOf, openRig, saved } from './rig';
import { bySomebodyElse, follow, now, setUp, step, title } from './runSheet';

test('monitors get names; a sheet of the recorder turns down its headphones, and the hall goes on playing', async ({
  page,
}) => {
  const rig = await copyOf(page, 'Heard apart', 'lock-nine-mended');
  await openRig(page, rig);
  await page.getByRole('button', { name: 'Rig: Heard apart' }).click();
  await page.getByRole('menuitem', { name: 'Monitors and headphones' }).click();
  const dialog = page.getByRole('dialog', { name: 'Monitors and headphones' });
  const save = dialog.getByRole('button', { name: 'Save monitors' });

  await dialog.getByRole('button', { name: 'Add monitors' }).click();
  // What is missing is told where it is missing.
  await expect(dialog).toContainText('Give it a name.');
  await expect(save).toBeDisabled();
  await page.keyboard.type('Hall loudspeakers');
  const hall = dialog.getByRole('group', { name: 'Hall loudspeakers' });
  await expect(hall).toContainText('Tick at least one device.');
  await hall.getByRole('checkbox', { name: 'Hold desk' }).press(' ');
  await expect(save).toBeEnabled();

  await dialog.getByRole('button', { name: 'Add monitors' }).press('Enter');
  await page.keyboard.type('Hall loudspeakers');
  await expect(dialog).toContainText('This name is taken.');
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Wheelhouse headphones');
  const phones = dialog.getByRole('group', { name: 'Wheelhouse headphones' });
  await phones.getByRole('combobox', { name: 'Turned down at' }).click();
  await page.getByRole('option', { name: 'Wheelhouse', exact: true }).click();
  await phones.getByRole('checkbox', { name: 'Bag recorder' }).check();
  await expect(dialog).toContainText(/Not ticked anywhere: .*Stream interface/);
  await save.click();
  await expect(dialog).toBeHidden();
  await saved(page);

  // They are there when the dialog is opened again, and one undo takes them away.
  await page.getByRole('button', { name: 'Rig: Heard apart' }).click();
  await page.getByRole('menuitem', { name: 'Monitors and headphones' }).click();
  await expect(phones.getByRole('textbox', { name: 'Name' })).toHaveValue('Wheelhouse headphones');
  await dialog.getByRole('button', { name: 'Cancel' }).click();

  await setUp(page, rig, ["Guide's stand"], 'begun');
  const main = page.getByRole('main');
  await expect(main).toContainText('Down during this sheet: Wheelhouse headphones. Still playing: Hall loudspeakers.');
  await expect(title(page)).toHaveText('Check Wheelhouse headphones are down. If not, turn them down.');
  await expect(step(page)).toContainText('Wheelhouse');
  for (const name of ['Hall loudspeakers', 'Wheelhouse headphones', 'All other monitors'])
    await expect(now(page)).toContainText(name);
  await bySomebodyElse(page, rig, (title) => /^Bring .* up slowly/.test(title));
  await expect(title(page)).toHaveText('Bring Wheelhouse headphones up slowly');
  await follow(page);
  await expect(page.getByRole('heading', { name: /The set-up is done/ })).toBeVisible();
});
