import { expect, test } from '@playwright/test';
import { DATABASES, Workbench } from './pages/workbench';

test('from nothing to three counts by keyboard only', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await page.goto('/projects');
  await page.getByRole('button', { name: 'New project' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('The question', { exact: true })).toBeVisible();
  await expect(page.getByText('nothing to count yet', { exact: true })).toHaveCount(3);
  await page.getByLabel('The question', { exact: true }).focus();
  await page.keyboard.type('Do lamps change how bats fly?');
  for (const [concept, terms] of [
    ['bats', ['bat', 'bats', 'chiroptera*']],
    ['lamps', ['street light*', '"artificial light"']],
  ] as const) {
    await page.getByLabel('Name of a new concept').focus();
    await page.keyboard.type(`${concept}\n`);
    await expect(workbench.addField(concept)).toBeFocused();
    for (const term of terms) await page.keyboard.type(`${term}\n`);
  }
  await expect(workbench.term('"street light*"')).toBeVisible();
  await workbench.waitForCounts();
  const expected = await workbench.countByHand(
    'heronsmere',
    '(bat OR bats OR chiroptera*) AND ("street light*" OR "artificial light")',
  );
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(expected);
  for (const database of DATABASES) expect(await workbench.readGauge(database)).toBeGreaterThan(0);
});

test('editing, switching and removing a term moves the counts, and undo brings them back', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const before = await workbench.readGauges();

  await workbench.term('forag*').fill('feed*');
  await page.keyboard.press('Enter');
  await expect.poll(() => workbench.readGauges()).not.toEqual(before);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(() => workbench.readGauges()).toEqual(before);
  await expect(workbench.term('forag*')).toHaveValue('forag*');

  await workbench.term('avoidance').focus();
  await page.keyboard.press('Control+.');
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBeLessThan(before[0]!);
  await page.getByLabel('More for avoidance').click();
  await page.getByRole('menuitem', { name: 'Remove' }).click();
  await expect(workbench.term('avoidance')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(() => workbench.readGauges()).toEqual(before);
});

test('what only a term finds is the concept with it less the concept without it', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const limits = ' AND year:2000..2026';
  const others = 'bats OR chiroptera* OR pipistrel* OR myotis OR under:"Chiroptera"';
  const whole = await workbench.countByHand('heronsmere', `(bat OR ${others})${limits}`);
  const rest = await workbench.countByHand('heronsmere', `(${others})${limits}`);
  const row = page.getByRole('listitem').filter({ has: workbench.term('bat') });
  await expect(row.locator('.only')).toContainText(`+${(whole - rest).toLocaleString('en')}`);
  await expect(row.locator('.finds')).toContainText(
    (await workbench.countByHand('heronsmere', `bat${limits}`)).toLocaleString('en'),
  );
});

test('a pasted list becomes terms', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const field = workbench.addField('behaviour');
  await field.focus();
  await page.evaluate(() => navigator.clipboard.writeText('roost emergence\nfeeding buzz*; hunt*\nactivity'));
  await page.keyboard.press('Control+v');
  await expect(workbench.term('"roost emergence"')).toBeVisible();
  await expect(workbench.term('"feeding buzz*"')).toBeVisible();
  await expect(workbench.term('hunt*')).toBeVisible();
  await expect(workbench.term('activity')).toHaveCount(1);
});

test('a term moves to another concept by keyboard and by drag', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const column = (name: string) => page.getByRole('list', { name: `Terms of ${name}` });
  await workbench.term('luminaires').focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(column('behaviour').locator('input[title="luminaires"]')).toBeFocused();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(column('behaviour').locator('input').nth(5)).toHaveValue('luminaires');

  const grip = page
    .getByRole('listitem')
    .filter({ has: workbench.term('luminaires') })
    .locator('.grip');
  const target = column('bats').getByRole('listitem').nth(2);
  const from = (await grip.boundingBox())!;
  const to = (await target.boundingBox())!;
  await page.mouse.move(from.x + 6, from.y + 6);
  await page.mouse.down();
  await page.mouse.move(from.x - 20, from.y + 10, { steps: 4 });
  await page.mouse.move(to.x + 60, to.y + 8, { steps: 12 });
  await page.mouse.up();
  await expect(column('bats').locator('input[title="luminaires"]')).toBeVisible();
  await expect(column('behaviour').locator('input[title="luminaires"]')).toHaveCount(0);
});

test('a term with a mistake keeps its text and says what is wrong', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.addField('bats').fill('ba*');
  await page.keyboard.press('Enter');
  await expect(workbench.term('ba*')).toHaveAccessibleDescription(/cut so short/);
  await workbench.addField('bats').fill('"open quote');
  await page.keyboard.press('Enter');
  await expect(workbench.term('"open quote')).toHaveAccessibleDescription(/never closed/);
});
