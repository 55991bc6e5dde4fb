import { expect, test, type Page } from '@playwright/test';
import { choose, findChoice } from './pages/fields';
import { CompareView } from './pages/compare-view';

test('a large batch is paused, the page reloaded, and the batch gone on with', async ({ page }) => {
  const view = new CompareView(page);
  await view.workbench.start();
  // A server is asked string by string: that is what makes a batch a large one.
  await page.getByRole('link', { name: 'Databases' }).click();
  await page.getByRole('checkbox', { name: 'Northern Union Catalogue' }).check();
  await view.open('Swap');
  await choose(findChoice(page, 'Replace'), 'bats: bat');
  const lines = Array.from({ length: 320 }, (_, at) => `madeup${at}*`).join('\n');
  await page.getByLabel('Other wordings, a line each').fill(lines);
  await page.getByLabel('Other wordings, a line each').blur();
  // What it takes is said before anything is asked.
  await expect(
    page.getByText(/1,\d{3} counts to make, 3\d\d requests: 1 of Heronsmere.*32\d of Northern/),
  ).toBeVisible();
  await page.request.post('/api/standins/marlstone/fault', { data: { kind: 'slow', milliseconds: 400 } });
  await page.getByRole('button', { name: 'Count them' }).click();
  const bar = page.getByRole('group', { name: /^Counting: Swap in bats: bat/ });
  await expect(bar).toContainText(/[1-9]\d* of 1,\d{3} counted/);
  await bar.getByRole('button', { name: 'Pause' }).click();
  await expect(bar).toContainText('paused');
  const done = Number(/(\d+) of/.exec((await bar.textContent()) ?? '')?.[1]);
  await expect.poll(() => countKept(page)).toBeGreaterThanOrEqual(Math.min(done, 20));
  await page.reload();
  await choose(findChoice(page, 'Replace'), 'bats: bat');
  await expect(bar).toContainText('paused');
  await page.request.post('/api/standins/marlstone/fault', { data: { kind: 'none' } });
  await bar.getByRole('button', { name: 'Go on' }).click();
  await expect(bar).toBeHidden();
});

/** The answers of the batch that the browser keeps. */
function countKept(page: Page): Promise<number> {
  return page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const opening = indexedDB.open('ewer');
        opening.onsuccess = () => {
          const asked = opening.result.transaction('batches').objectStore('batches').getAll();
          asked.onsuccess = () => {
            const [batch] = asked.result as { answers: unknown[] }[];
            opening.result.close();
            resolve(batch?.answers.filter((answer) => answer !== null).length ?? 0);
          };
        };
      }),
  );
}

test('a database that fails shows its part as failed, the others are complete, and it is tried again alone', async ({
  page,
}) => {
  const view = new CompareView(page);
  await view.workbench.start();
  await page.request.post('/api/standins/plainfinder/fault', { data: { kind: 'fail' } });
  await page.getByRole('link', { name: 'Databases' }).click();
  await page.getByRole('checkbox', { name: 'Plainfinder' }).check();
  await view.open('Staircase');
  await expect(view.number('After @bats in Heronsmere Life Index')).toBeVisible();
  await expect(
    page.getByText('After @bats in Plainfinder: plainfinder answered with a fault (503).'),
  ).toBeAttached();
  await page.request.post('/api/standins/plainfinder/fault', { data: { kind: 'none' } });
  await page.getByRole('button', { name: /^Plainfinder: no count.*Try again/ }).click();
  await expect(view.number('After @bats in Plainfinder')).toBeVisible();
});

test('what is searched by hand is counted by copy and paste, the whole results line understood', async ({
  page,
}) => {
  const view = new CompareView(page);
  await view.startWith('bats AND lamp*');
  await view.workbench.addPaperbark();
  await view.open('Staircase');
  await page.getByRole('button', { name: 'Count them now: Staircase' }).click();
  const queue = page.getByRole('dialog', { name: /^Count by hand/ });
  const string = await queue.getByTestId('hand-string').textContent();
  await queue.getByRole('button', { name: 'Copy the string' }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(string?.trim());
  const field = queue.getByRole('textbox');
  await field.fill('1–25');
  await expect(queue.getByText('The number of results cannot be told')).toBeVisible();
  await field.fill('1–25 of 1,204 results');
  await expect(queue.getByText('understood as 1,204')).toBeVisible();
  await field.press('Enter');
  await expect(queue.getByTestId('hand-string')).not.toHaveText(string ?? '');
  // It can be left; the number stands in the table and is there after a reload.
  await queue.getByRole('button', { name: /^Close/ }).click();
  await expect(page.getByRole('region', { name: 'The steps as a table' })).toContainText('1,204');
  await view.workbench.waitUntilSaved();
  await page.reload();
  await expect(page.getByRole('region', { name: 'The steps as a table' })).toContainText('1,204');
});
