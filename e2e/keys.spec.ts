import { expect, test } from '@playwright/test';
import { Workbench } from './pages/workbench';

test('all keys are shown on demand, and what they say is so', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  // A question mark in a text is a question mark.
  await workbench.addField('bats').fill('noctule');
  await workbench.addField('bats').press('?');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await workbench.addField('bats').fill('');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('?');
  const keys = page.getByRole('dialog', { name: 'Keys and words' });
  await expect(keys.getByRole('region', { name: 'Topic: terms' })).toContainText('Alt+Delete');
  await expect(keys.getByRole('region', { name: 'Query: rows' })).toContainText('Exclude (NOT) or include');
  await expect(keys.getByRole('region', { name: 'Words', exact: true })).toContainText('must-find');
  await page.keyboard.press('Escape');
  await expect(keys).toHaveCount(0);
  // The keys of a term leave those of the browser alone: a word is deleted, not the term.
  await workbench.line('bats', 'myotis').press('Control+Backspace');
  await workbench.line('bats', 'myotis').press('Escape');
  await expect(workbench.line('bats', 'myotis')).toBeVisible();
  await workbench.line('bats', 'myotis').press('Alt+Delete');
  await expect(workbench.line('bats', 'myotis')).toHaveCount(0);
  await page.getByRole('navigation').getByRole('button', { name: 'Keys and words' }).click();
  await expect(keys).toBeVisible();
});
