import { expect, test } from '@playwright/test';
import { Workbench } from './pages/workbench';

test('the draft is typed as text, problems are underlined and mended, and the outline follows', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  const editor = page.getByLabel('The query as text').getByRole('textbox');
  await editor.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('@bats AND @light OR "road lighting"');
  await expect(page.getByRole('button', { name: /OR stands beside AND/ })).toBeVisible();
  await expect(page.locator('.cm-lintRange-error')).not.toHaveCount(0);
  await page.getByRole('button', { name: 'Put brackets round what OR joins' }).click();
  await expect(editor).toHaveText('@bats AND (@light OR "road lighting")');
  await expect(page.getByText('Nothing hinders the counting.')).toBeVisible();
  await expect(page.getByRole('row', { name: /road lighting/ })).not.toHaveCount(0);
  const expected = await workbench.countByHand('marlstone', '"road lighting"', {
    years: { from: 2000, to: 2026 },
  });
  expect(expected).toBeGreaterThan(0);
});

test('nothing that is typed is lost, however broken it is', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  await page.getByLabel('The query as text').getByRole('textbox').click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('((bats AND "street @lampz OR');
  await workbench.waitUntilSaved();
  await page.reload();
  await expect(page.getByLabel('The query as text').getByRole('textbox')).toHaveText(
    '((bats AND "street @lampz OR',
  );
  await expect(page.getByRole('button', { name: 'This bracket is never closed.' })).toHaveCount(2);
});
