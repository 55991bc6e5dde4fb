import { expect, test } from '@playwright/test';
import { choose, findChoice } from './pages/fields';
import { CompareView } from './pages/compare-view';
import { Workbench } from './pages/workbench';

test('two variants are frozen, compared, opened again, and undone', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.freeze('with behaviour', 'all three concepts');
  const withBehaviour = await workbench.readGauge('Heronsmere Life Index');
  await page.getByLabel('More for the concept behaviour').click();
  await page.getByRole('menuitem', { name: 'Switch off' }).click();
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBeGreaterThan(withBehaviour);
  const without = await workbench.readGauge('Heronsmere Life Index');
  await workbench.freeze('two concepts');

  await workbench.goTo('Compare');
  const row = page.getByRole('row', { name: /^with behaviour/ });
  await expect(row).toContainText('all three concepts');
  await expect(row).toContainText(`−${(without - withBehaviour).toLocaleString('en')}`);
  await page.getByRole('button', { name: 'Compare with with behaviour' }).click();
  await expect(page.getByRole('row', { name: /^draft/ })).toContainText(
    `+${(without - withBehaviour).toLocaleString('en')}`,
  );
  await new CompareView(page).open('Gained and lost');
  await expect(page.getByRole('region', { name: 'What changed' })).toContainText('behaviour switched off');

  await page.getByRole('button', { name: 'Open with behaviour' }).click();
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(withBehaviour);
  await page.getByRole('button', { name: /^Undo: Open a variant/ }).click();
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(without);
});

test('what changed between any two variants is counted change by change', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await new CompareView(page).open('Gained and lost');
  const changes = page.getByRole('region', { name: 'What changed' });
  await choose(findChoice(page, 'From'), 'first words');
  await choose(findChoice(page, 'To'), 'synonyms');
  const bat = changes.getByRole('row', { name: /^added bat to bats/ });
  const limit = 'year:2000..2026';
  const before = await workbench.countByHand('heronsmere', `(bats AND "street light*") AND ${limit}`);
  const after = await workbench.countByHand('heronsmere', `((bats OR bat) AND "street light*") AND ${limit}`);
  await expect(bat).toContainText(`Heronsmere Life Index: +${(after - before).toLocaleString('en')}`);
  await choose(findChoice(page, 'To'), 'the draft');
  await choose(findChoice(page, 'From'), 'the draft');
  await expect(page.getByText('Freeze a variant first')).toBeVisible();
});

test('counts made under other limiters are not set side by side without a word, and made good', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await page.getByRole('button', { name: '+ limiter' }).click();
  await page.getByRole('checkbox', { name: 'peer-reviewed' }).check();
  await page.keyboard.press('Escape');
  await workbench.goTo('Compare');
  await expect(page.getByRole('row', { name: /^draft/ })).toContainText('other limiters');
  const first = page.getByRole('row', { name: /^first words/ });
  await expect(first).toContainText('limited to 2000–2026');
  // The draft becomes a variant under its own limiters: the two are told apart, then counted alike.
  await workbench.freeze('reviewed');
  await expect(first).toContainText('other limiters');
  await first.getByRole('button', { name: 'Count it with the limiters of reviewed' }).click();
  await expect(first).not.toContainText('other limiters');
  const alike = await workbench.countByHand('heronsmere', '(bats AND "street light*") AND year:2000..2026', {
    peerReviewed: true,
  });
  await expect(
    first.getByRole('button', { name: `first words in Heronsmere Life Index: ${alike} records` }),
  ).toBeVisible();
});

test('a removed variant comes back', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Compare');
  await page.getByLabel('More for synonyms').click();
  await page.getByRole('menuitem', { name: 'Remove' }).click();
  await expect(page.getByRole('row', { name: /^synonyms/ })).toHaveCount(0);
  await page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('row', { name: /^synonyms/ })).toHaveCount(1);
});

test('a variant gets another name and a note', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Compare');
  await page.getByLabel('More for synonyms').click();
  await page.getByRole('menuitem', { name: 'Name and note…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Name and note' });
  await dialog.getByLabel('Name', { exact: true }).fill('all synonyms');
  await dialog.getByLabel('What changed, and why').fill('from the thesaurus');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /^all synonyms/ })).toContainText('from the thesaurus');
});

test('what goes without a piece is set beside no other count, and said', async ({ page }) => {
  const view = new CompareView(page);
  await view.workbench.start();
  // Heronsmere has no keywords to search in.
  await view.write('keywords: (flight OR feeding) AND @bats AND @light');
  await view.open('Staircase');
  await expect(page.locator('app-gauge').first()).toContainText('a part left out');
  const draft = page.getByRole('row', { name: /^draft/ });
  await expect(draft.getByRole('cell').first()).toContainText('a part left out');
  await expect(draft.getByRole('cell').first()).not.toContainText('×');
  const steps = page.getByRole('region', { name: 'The steps as a table' });
  await expect(
    steps
      .getByRole('row', { name: /@light/ })
      .getByText('a part left out')
      .first(),
  ).toBeVisible();
  await view.open('Overlap');
  await expect(page.getByTestId('wider')).toContainText('Heronsmere Life Index');
  await view.write('@bats AND @light');
  await view.open('Overlap');
  await expect(page.getByTestId('overlap')).toBeVisible();
  await expect(page.getByTestId('wider')).toHaveCount(0);
  await expect(page.locator('app-gauge').first()).not.toContainText('a part left out');
});

test('a tool has an address of its own; one of an older Ewer leads to it, with all that it says', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Compare');
  await expect(page).toHaveURL(/\/compare\/staircase$/);
  await page.goto(page.url().replace(/compare\/.*$/, 'compare?tool=years&db=gantry'));
  await expect(page).toHaveURL(/\/compare\/years\?db=gantry$/);
  await expect(page.getByRole('link', { name: 'Years', exact: true })).toHaveAttribute(
    'aria-current',
    'true',
  );
  await page.getByRole('link', { name: 'Swap', exact: true }).click();
  await expect(page).toHaveURL(/\/compare\/swap\?db=gantry$/);
  await page.goBack();
  await expect(page).toHaveURL(/\/compare\/years\?db=gantry$/);
  await page.goto(page.url().replace(/years.*$/, 'nothing-here'));
  await expect(page).toHaveURL(/\/compare\/staircase$/);
});
