import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { choose, findChoice } from './pages/fields';
import { CompareView } from './pages/compare-view';
import { QueryView } from './pages/query-view';

const HERON = 'Heronsmere Life Index';

test('where there is nothing to count no number stays, of whatever database', async ({ page }) => {
  const view = new CompareView(page);
  await view.workbench.start();
  const whole = page.locator('app-concept-column').filter({ hasText: '@light' }).locator('app-count.whole');
  await expect(view.number(`Concept night light in ${HERON}`)).toBeVisible();
  // Every term but a heading of Heronsmere goes: Gantry has nothing of what is left.
  const column = view.workbench.column('night light');
  const terms = await column
    .locator('input.line')
    .evaluateAll((lines) => lines.map((line) => line.getAttribute('title') ?? ''));
  for (const text of terms.filter((one) => !one.includes('heronsmere'))) {
    await column.getByRole('button', { name: `More for ${text}`, exact: true }).click();
    await page.getByRole('menuitem', { name: 'Remove', exact: true }).click();
  }
  await page.getByRole('radiogroup', { name: 'Numbers in' }).getByText('Gantry').click();
  await expect(whole).not.toContainText(/\d/);
  await page.getByRole('radiogroup', { name: 'Numbers in' }).getByText('Heronsmere').click();
  await expect(view.number(`Concept night light in ${HERON}`)).toBeVisible();
});

test('rows that are switched off have no number, and a line that names what is off counts it and says so', async ({
  page,
}) => {
  const view = new CompareView(page);
  await view.workbench.start();
  await view.write('@bats AND OFF(@light)');
  const query = new QueryView(page);
  const off = query.rows().getByRole('row', { name: /@light.*switched off/ });
  await expect(off.getByRole('gridcell').first()).toHaveText('–switched off: not counted');
  await expect(
    query
      .rows()
      .getByRole('row', { name: 'any of @bats' })
      .getByRole('button', { name: /records$/ })
      .first(),
  ).toBeVisible();

  await view.workbench.goTo('Topic');
  await page.getByRole('button', { name: 'More for the concept behaviour' }).click();
  await page.getByRole('menuitem', { name: 'Switch off' }).click();
  await view.workbench.goTo('Query');
  await page.getByText('Line by line').click();
  await page.getByLabel('A new line').fill('1 AND 3');
  await page.getByRole('button', { name: 'Search it' }).click();
  const line = page.getByRole('row').filter({ hasText: '@line-4' });
  await expect(line).toContainText('counts @behaviour, which is switched off in the draft');
  const string =
    '(bat OR bats OR chiroptera* OR pipistrel* OR myotis OR under:"Chiroptera") AND (behaviour OR behavior OR activity OR forag* OR commuting OR avoidance OR "flight path*") AND year:2000..2026';
  const truth = await view.workbench.countByHand('heronsmere', string);
  await expect(
    page.getByRole('button', { name: `Line 4 in ${HERON}: ${truth.toLocaleString('en')} records` }),
  ).toBeVisible();
});

test('under other limiters the difference is told and called so, on the gauge, in the table and record by record', async ({
  page,
}) => {
  const view = new CompareView(page);
  await view.workbench.start();
  await view.workbench.freeze('limited');
  const before = await view.workbench.readGauge(HERON);
  await view.open('Gained and lost');
  // What was frozen last is what the draft is compared with.
  await page.getByRole('button', { name: 'Remove the limiter 2000–2026' }).click();
  await expect.poll(() => view.workbench.readGauge(HERON)).toBeGreaterThan(before);
  const more = (await view.workbench.readGauge(HERON)) - before;
  const words = `+${more}, other limiters`;
  await expect(page.locator('app-gauge').first()).toContainText(words);
  await expect(page.getByRole('row', { name: /^draft/ })).toContainText(words);
  await expect(page.getByText('Each is searched under its own limiters')).toBeVisible();
  const table = page.getByRole('table', { name: 'Records gained and lost in each database' });
  await expect(table.getByRole('row', { name: new RegExp(`^${HERON}`) })).toContainText(
    new RegExp(`${more}\\s*0\\s*${before}`),
  );
});

test('a first author is one name, offered from the databases, and marked where only any author can be searched', async ({
  page,
}) => {
  const view = new CompareView(page);
  await view.startWith('@bats');
  await page.getByRole('button', { name: 'Build a row…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Build a row' });
  await choose(findChoice(dialog, 'What is searched'), 'a first author');
  await dialog.getByLabel('Names, one a line').fill('Sherson');
  await dialog.getByRole('button', { name: 'Sherson, Elena' }).click();
  await expect(dialog.getByLabel('As query text')).toHaveText('firstauthor: (Elena WITHIN 1 Sherson)');
  await expect(dialog).toContainText('Records with Elena Sherson as first author.');
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await view.write('firstauthor: (Elena WITHIN 1 Sherson)');
  const truth = await view.workbench.countByHand(
    'heronsmere',
    'writer:"Elena Sherson" OR writer:"Sherson Elena"',
  );
  await expect.poll(() => view.workbench.readGauge(HERON)).toBe(truth);
  await expect(page.locator('app-gauge').first()).toContainText('any author');
  // As records print it, in quotation marks: the order is looked at.
  await view.write('author: "Sherson, Elena"');
  await expect(page.getByText('“Sherson, Elena” is searched in this order only')).toBeVisible();
});

test('what the databases cannot say is no number of two queries, and the saved table says what its numbers are', async ({
  page,
}) => {
  const view = new CompareView(page);
  await view.workbench.start();
  await view.workbench.goTo('Query');
  await page.getByRole('button', { name: 'Rewrite and compare…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Rewrite and compare' });
  await dialog.getByText('Compare two queries').click();
  const marlstone = dialog.getByRole('row', { name: /^Marlstone/ });
  await expect(marlstone).toContainText('cannot tell: too long with its fields');
  await page.keyboard.press('Escape');

  await view.workbench.goTo('Compare');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a table' }).click();
  const text = await readFile(await (await download).path(), 'utf8');
  const [head, ...lines] = text.trim().split('\r\n');
  expect(head).toContain('variant,made by,frozen,database,records,up to,known as');
  expect(head).toContain('limiters,string,counted');
  expect(text).not.toMatch(/[−≈]/);
  const draft = lines.find((line) => line.startsWith('draft,') && line.includes(HERON))!;
  const count = await view.workbench.readGauge(HERON);
  expect(draft).toContain(`${HERON},${count},${count},exact`);
  expect(draft).toContain('2000–2026');
  expect(draft).toContain('year:2000..2026');
});
