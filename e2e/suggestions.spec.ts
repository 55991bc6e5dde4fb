import { expect, test } from '@playwright/test';
import { Workbench } from './pages/workbench';

test('suggestions say where they come from, are counted, taken with one key and dismissed for good', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const panel = page.getByRole('complementary', { name: 'Suggestions' });
  await workbench.addField('behaviour').fill('roosting');
  await page.keyboard.press('Enter');
  await workbench.line('behaviour', 'roosting').focus();
  const roost = panel.getByRole('button', { name: 'Take roost', exact: true });
  await expect(roost).toContainText('form of roosting');
  const expected = await workbench.countByHand('heronsmere', 'roost AND year:2000..2026');
  await expect(panel.getByRole('button', { name: /^roost in Heronsmere/ })).toHaveText(
    expected.toLocaleString('en'),
  );
  await roost.focus();
  await page.keyboard.press('Enter');
  await expect(workbench.line('behaviour', 'roost')).toBeVisible();
  await expect(roost).toHaveCount(0);
  await workbench.line('behaviour', 'roosting').focus();
  // By pointer, the plus takes it, too.
  const first = panel.getByRole('listitem').first();
  const taken = (await first.getByRole('button', { name: /^Take / }).getAttribute('aria-label'))!;
  await first.locator('.plus').click();
  await expect(workbench.line('behaviour', taken.replace('Take ', ''))).toBeVisible();
  await workbench.line('behaviour', 'roosting').focus();
  const next = panel.getByRole('button', { name: /^Take / }).first();
  const name = (await next.getAttribute('aria-label'))!;
  await next.focus();
  await page.keyboard.press('Delete');
  await expect(panel.getByRole('button', { name, exact: true })).toHaveCount(0);
  await workbench.waitUntilSaved();
  await page.reload();
  await workbench.line('behaviour', 'roosting').focus();
  await expect(
    panel
      .getByRole('heading', { name: 'Other languages' })
      .or(panel.getByRole('heading', { name: 'Subject headings' }))
      .first(),
  ).toBeVisible();
  await expect(panel.getByRole('button', { name, exact: true })).toHaveCount(0);
});

test('spelling, misspelling, acronyms and other languages', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const panel = page.getByRole('complementary', { name: 'Suggestions' });
  const add = async (concept: string, term: string) => {
    await workbench.addField(concept).fill(term);
    await page.keyboard.press('Enter');
    await workbench.line(concept, term).focus();
  };
  await add('behaviour', 'colour');
  await expect(panel.getByRole('button', { name: 'Take color', exact: true })).toContainText(
    'British or American',
  );
  await expect(panel.getByRole('button', { name: 'Take colo[u]r', exact: true })).toBeVisible();
  await add('night light', 'luminiare');
  await expect(panel.getByRole('button', { name: 'Take luminaire', exact: true })).toContainText(
    'luminiare is in no index',
  );
  await add('night light', 'ALAN');
  const meaning = panel.getByRole('button', { name: 'Take "artificial light at night"', exact: true });
  await expect(panel.getByRole('heading', { name: 'What the acronym stands for' })).toBeVisible();
  await expect(panel.getByRole('button', { name: /^Take \(ALAN AND / }).first()).toContainText(
    'use instead of ALAN',
  );
  await expect(meaning.or(panel.getByText('100 that explain ALAN')).first()).toBeVisible();
  await workbench.addField('bats').focus();
  await expect(panel.getByRole('heading', { name: 'Other languages' })).toBeVisible();
  await panel.getByRole('button', { name: 'Take "chauves-souris"', exact: true }).click();
  await expect(workbench.line('bats', '"chauves-souris"')).toHaveAccessibleName('other language');
});

test('the bench shows what each cut brings, with strays, rules of the databases, and the best set', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await page.getByLabel('More for lamp*', { exact: true }).click();
  await page.getByRole('menuitem', { name: 'Endings…' }).click();
  const bench = page.getByRole('dialog', { name: 'Endings: where to cut a word' });
  await expect(bench.getByText('too few letters before * here').first()).toBeVisible();
  const row = bench.getByRole('row').filter({ has: page.getByRole('rowheader', { name: /^lamp\*/ }) });
  const strays = row.getByRole('button', { name: /^Only unwanted forms of lamp\* in Heronsmere/ });
  await expect(strays).toBeVisible();
  await bench.getByRole('checkbox', { name: 'lamplight', exact: true }).check();
  await expect(bench.getByText(/lamplight/).first()).toBeVisible();
  const wanted = await bench
    .locator('.form')
    .filter({ has: page.locator('input:checked') })
    .locator('.code')
    .allTextContents();
  expect(wanted).toContain('lamplight');
  const others = wanted.map((form) => form.trim()).join(' OR ');
  const expected = await workbench.countByHand('heronsmere', `(lamp* NOT (${others})) AND year:2000..2026`);
  await expect(strays).toHaveText(expected.toLocaleString('en'));
  await bench.getByRole('button', { name: 'Use this set' }).click();
  await expect(workbench.line('night light', 'lamp')).toBeVisible();
  await expect(workbench.line('night light', 'lamp*')).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(workbench.line('night light', 'lamp*')).toBeVisible();

  await page.getByRole('button', { name: 'Endings', exact: true }).click();
  await bench.getByLabel('The word').fill('headlamp');
  await bench.getByRole('radio', { name: 'its beginning' }).click();
  await expect(bench.getByText('not possible here').first()).toBeVisible();
  await bench.getByLabel('The word').fill('l*ght');
  await expect(bench.getByRole('checkbox', { name: 'light', exact: true })).toBeVisible();
});

test('words or headings over the years add up to the concept', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.addField('night light').focus();
  await page.getByRole('button', { name: 'Words or headings' }).click();
  const dialog = page.getByRole('dialog', { name: 'Words or headings: night light' });
  const sum = async () => {
    const numbers = await dialog.getByRole('cell').allTextContents();
    return numbers.reduce((all, text) => all + Number(text.replace(/\D/g, '') || '0'), 0);
  };
  const column = page.locator('app-concept-column').nth(1).locator('.whole');
  const whole = Number((await column.textContent())!.replace(/\D/g, ''));
  await expect.poll(sum).toBe(whole);
});
