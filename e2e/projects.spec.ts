import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { Workbench } from './pages/workbench';

test('a change made in the moment in which the page is left is not lost', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  for (const term of ['moth*', 'shrew*', 'vole*']) {
    await workbench.addField('bats').fill(term);
    await page.keyboard.press('Enter');
    await page.reload();
    await expect(workbench.line('bats', term)).toBeVisible();
  }
});

test('everything is still there after a reload', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.addField('bats').fill('noctule*');
  await page.keyboard.press('Enter');
  await expect(workbench.term('noctule*')).toBeVisible();
  await workbench.waitUntilSaved();
  const numbers = await workbench.readGauges();
  await page.reload();
  await expect(workbench.term('noctule*')).toBeVisible();
  await workbench.waitForCounts();
  expect(await workbench.readGauges()).toEqual(numbers);
});

test('a project is exported, deleted, brought back by undo, deleted again and imported', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.freeze('kept');
  await workbench.waitUntilSaved();
  await workbench.goTo('Projects');
  await page.getByLabel('More for Bats and street lighting').click();
  const downloading = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Export to a file' }).click();
  const file = await (await downloading).path();
  const list = page.getByRole('list', { name: 'Projects' });
  const remove = async (): Promise<void> => {
    await page.getByLabel('More for Bats and street lighting').click();
    await page.getByRole('menuitem', { name: 'Delete' }).click();
    await expect(list.getByRole('link', { name: 'Bats and street lighting' })).toHaveCount(0);
  };
  await remove();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(list.getByRole('link', { name: 'Bats and street lighting' })).toBeVisible();
  await remove();
  await page
    .getByLabel('Project file to import')
    .setInputFiles({ name: 'p.json', mimeType: 'application/json', buffer: await readFile(file) });
  await list.getByRole('link', { name: 'Bats and street lighting' }).click();
  await workbench.goTo('Compare');
  await expect(page.getByRole('row', { name: /kept/ })).toBeVisible();
});

test('files that are not good are refused in words and change nothing', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Projects');
  const give = (content: string) =>
    page
      .getByLabel('Project file to import')
      .setInputFiles({ name: 'p.json', mimeType: 'application/json', buffer: Buffer.from(content) });
  await give('no json');
  await expect(page.getByRole('alert')).toContainText('not JSON');
  await give('{"format":"ewer-project","version":99,"project":{}}');
  await expect(page.getByRole('alert')).toContainText('newer Ewer');
  await give('{"format":"ewer-project","version":1,"project":{"id":"x"}}');
  await expect(page.getByRole('alert')).toContainText('has a fault');
  await expect(page.getByRole('list', { name: 'Projects' }).getByRole('listitem')).toHaveCount(1);
});

test('projects are renamed and duplicated', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Projects');
  await page.getByLabel('More for Bats and street lighting').click();
  await page.getByRole('menuitem', { name: 'Rename' }).click();
  await page.getByLabel('Name of the project').fill('Bats at night');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Bats at night', exact: true })).toBeVisible();
  await page.getByLabel('More for Bats at night').click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(page.getByRole('link', { name: 'Bats at night (copy)' })).toBeVisible();
});

test('a new project is called by its question until somebody names it', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Projects');
  await page.getByRole('button', { name: 'New project' }).click();
  const question = page.getByLabel('The question', { exact: true });
  await question.fill('Do lamps disturb sleep?');
  await question.press('Enter');
  await workbench.waitUntilSaved();
  await workbench.goTo('Projects');
  const list = page.getByRole('list', { name: 'Projects' });
  await expect(list.getByRole('link', { name: 'Do lamps disturb sleep?' })).toBeVisible();
  await page.getByLabel('More for Do lamps disturb sleep?').click();
  await page.getByRole('menuitem', { name: 'Rename' }).click();
  await page.getByLabel('Name of the project').fill('Sleep');
  await page.keyboard.press('Enter');
  await expect(list.getByRole('link', { name: 'Sleep', exact: true })).toBeVisible();
});

test('one target band is set for all databases at once', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const band = (name: string) => page.getByRole('button', { name: new RegExp(`^Target band of ${name}`) });
  await band('Heronsmere').click();
  const dialog = page.getByRole('dialog', { name: 'Target band' });
  await dialog.getByLabel('at least').fill('');
  await dialog.getByLabel('at most').fill('5');
  await dialog.getByRole('checkbox', { name: /^the same for all 3/ }).check();
  await dialog.getByRole('button', { name: 'Set' }).click();
  for (const name of ['Heronsmere', 'Gantry', 'Marlstone']) await expect(band(name)).toContainText('above');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(band('Heronsmere')).toContainText('in the band');
});
