import { expect, test } from '@playwright/test';
import { ReadView } from './pages/read-view';

test('a set comes in the orders that its database has, and keeps its filters in each', async ({ page }) => {
  const view = new ReadView(page);
  await view.workbench.start();
  await view.workbench.goTo('Databases');
  await page.getByRole('checkbox', { name: 'Cardinal Point Citations' }).check();
  await page.getByRole('checkbox', { name: 'Plainfinder' }).check();
  await view.workbench.goTo('Read');
  await expect(view.record).toBeVisible();
  const panel = await view.openFilters('length of abstract');
  await panel.getByRole('checkbox').first().check();
  await expect(page.getByTestId('left')).toBeVisible();
  const left = await page.getByTestId('left').textContent();
  await view.sortBy('title');
  const titles = await view.readTitles();
  const fold = (title: string): string => title.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, ' ');
  expect(titles.map(fold)).toEqual([...titles.map(fold)].sort());
  await expect(page.getByTestId('left')).toHaveText(left ?? '');
  // Only a database that counts citations can sort by them.
  await page.getByRole('button', { name: /^Sorted by/ }).click();
  await expect(page.getByRole('menuitemradio', { name: 'most cited' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByRole('radio', { name: 'Cardinal Point Citations' }).click();
  await view.sortBy('most cited');
  await expect.poll(async () => (await view.readTimesCited()).length).toBeGreaterThan(3);
  const times = await view.readTimesCited();
  expect(times).toEqual([...times].sort((a, b) => b - a));
  await expect(view.record).toContainText(/place 1 among [\d,]+ records of \d{4}/);
  await page.getByRole('radio', { name: 'Plainfinder' }).click();
  await expect(page.getByText('Sorted by best match: the database has no other order')).toBeVisible();
});

test('records are filtered by what they were judged to be, and a sample is drawn from those that are left', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.start();
  const all = await view.readTotal();
  await view.judge('y', 'n', 'u', 'n');
  const off = await view.row(1).locator('.title').textContent();
  const panel = await view.openFilters('judged');
  const line = (name: string) => panel.getByRole('listitem').filter({ hasText: name });
  await expect(line('off topic').locator('.number')).toHaveText('2');
  await expect(line('not judged').locator('.number')).toHaveText(String(all - 4));
  await line('off topic').getByRole('checkbox').check();
  await expect(page.getByTestId('left')).toHaveText('2 left');
  await expect(view.row(0).locator('.title')).toHaveText(off ?? '');
  await page.reload();
  await expect(page.getByTestId('left')).toHaveText('2 left');
  await page.getByRole('button', { name: 'Remove the filter off topic' }).click();
  await expect.poll(() => view.readTotal()).toBe(all);

  const types = await view.openFilters('document types');
  await types.getByRole('checkbox').first().check();
  await expect(page.getByTestId('left')).toBeVisible();
  const left = Number((await page.getByTestId('left').textContent())?.replace(/\D/g, ''));
  await page.getByRole('button', { name: 'Draw a sample' }).click();
  await expect(page.getByTestId('sampled-from')).toContainText(`Drawn from ${left} records, that pass`);
  await expect(page.getByTestId('sample')).toContainText('of 30 judged');
});

test('how far to read: the curve of what was found, and what a sample of the others says is left', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.start();
  const all = await view.readTotal();
  await view.judge('y', 'y', 'n', 'y', 'u');
  // What is judged further down was not read in this order.
  await view.open(7);
  await view.judge('y');
  await page.getByRole('button', { name: 'How far to read' }).click();
  const dialog = page.getByRole('dialog', { name: 'How far to read' });
  await expect(dialog.getByTestId('read')).toContainText('You read the first 5: 3 on topic, 1 not sure');
  await expect(dialog.getByRole('rowheader', { name: '5' })).toBeAttached();
  await dialog.getByRole('button', { name: 'Draw a sample of the others' }).click();
  await expect(page.getByTestId('sampled-from')).toHaveText(
    `Drawn from ${all - 5} records, behind the first 5 of the list`,
  );
  await expect(view.row(0)).toHaveAttribute('aria-selected', 'true');
  await view.judge('n', 'y', 'n');
  await page.getByRole('button', { name: 'How far to read' }).click();
  await expect(dialog.getByTestId('left')).toContainText(`Of the ${all - 5} records behind them`);
  await expect(dialog.getByTestId('left')).toContainText(/about \d+ more are on topic \(\d+ to \d+, 95 %\)/);
  await dialog.getByRole('button', { name: 'Close' }).click();
  await view.workbench.waitUntilSaved();
  await page.reload();
  await page.getByRole('button', { name: 'How far to read' }).click();
  await expect(dialog.getByTestId('read')).toContainText('You read the first 5: 3 on topic, 1 not sure');
});

test('a name is kept as a lead, found again, and searched; a source becomes a variant', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  const line = view.record.locator('p').first();
  const author = ((await line.locator('button.take').first().textContent()) ?? '').trim();
  await line.locator('button.take').first().click();
  await page.getByRole('menuitem', { name: 'Keep as a lead' }).click();
  await view.workbench.waitUntilSaved();
  await page.reload();
  await page.getByRole('button', { name: 'Leads (1)' }).click();
  const dialog = page.getByRole('dialog', { name: 'Leads' });
  await expect(dialog).toContainText(author);
  await dialog.getByLabel('Note').fill('works on lamps');
  await dialog.getByLabel('Note').press('Tab');
  await dialog.getByRole('button', { name: 'Search' }).click();
  await expect(page).toHaveURL(/of=string/);
  await expect(view.record).toContainText(author);
  await page.getByRole('button', { name: 'Leads (1)' }).click();
  await expect(dialog.getByLabel('Note')).toHaveValue('works on lamps');
  await dialog.getByRole('button', { name: `Remove ${author}` }).click();
  await expect(dialog).toContainText('No leads yet');
  await dialog.getByRole('button', { name: 'Close' }).click();

  await page.goBack();
  await expect(page.getByTestId('total')).toBeVisible();
  const all = await view.readTotal();
  const source = ((await line.locator('button.take').last().textContent()) ?? '').trim();
  await line.locator('button.take').last().click();
  await page.getByRole('menuitem', { name: 'A variant within this source' }).click();
  await expect(page.getByRole('button', { name: `in ${source}` })).toBeVisible();
  await expect.poll(() => view.readTotal()).toBeLessThan(all);
  await expect(view.record).toContainText(source);
});

test('a record without full text: other versions are looked for, and a library is asked for it', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.start();
  await view.record.getByRole('button', { name: 'Look for other versions' }).click();
  await expect(
    view.record.getByText(/the same work|No other database of this project/).first(),
  ).toBeVisible();
  const title = (await view.title())?.trim() ?? '';
  await view.record.getByRole('button', { name: 'Ask a library for it …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Ask a library for it' });
  await expect(dialog.getByLabel('Request')).toHaveValue(new RegExp(`Title: ${title.slice(0, 20)}`));
  const saved = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'Save as a file' }).click();
  expect((await saved).suggestedFilename()).toMatch(/\.txt$/);
  await dialog.getByRole('button', { name: 'Note that I asked for it' }).click();
  await expect(view.record).toContainText(/Asked for on \d{4}-\d{2}-\d{2}/);
  await view.workbench.waitUntilSaved();
  await page.reload();
  await expect(view.record).toContainText(/Asked for on \d{4}-\d{2}-\d{2}/);
});
