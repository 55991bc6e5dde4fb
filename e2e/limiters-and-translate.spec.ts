import { expect, test } from '@playwright/test';
import { Workbench } from './pages/workbench';

test('limiters work end to end: in the string, as a ticked box, or said to be missing', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await page.getByRole('button', { name: '+ limiter' }).click();
  const panel = page.getByRole('dialog', { name: 'Limiters' });
  await panel.getByRole('textbox', { name: 'from', exact: true }).fill('2010');
  await panel.getByRole('textbox', { name: 'from', exact: true }).press('Tab');
  await panel.getByRole('checkbox', { name: 'article' }).check();
  await panel.getByRole('checkbox', { name: 'English' }).check();
  await panel.getByRole('checkbox', { name: 'peer-reviewed' }).check();
  await panel.getByRole('checkbox', { name: 'full text' }).check();
  await page.keyboard.press('Escape');
  await workbench.goTo('Translate');
  const heronsmere = page.getByRole('region', { name: 'Heronsmere Life Index' });
  await expect(heronsmere.getByTestId('string')).toContainText('AND year:2010..2026 AND kind:article');
  await expect(heronsmere).toContainText('Tick on its page: peer-reviewed');
  await expect(page.getByRole('region', { name: 'Gantry Engineering Abstracts' })).toContainText(
    'Not available there: full text',
  );
  const string = await heronsmere.getByTestId('string').innerText();
  const sentLimiters = { languages: ['en'], peerReviewed: true, fullText: true };
  const expected = await workbench.countByHand('heronsmere', string, sentLimiters);
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(expected);
  await page.getByRole('button', { name: 'Remove the limiter 2010–2026' }).click();
  await expect(heronsmere.getByTestId('string')).not.toContainText('year:');
});

test('journals are offered from what the draft finds', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await page.getByRole('button', { name: '+ limiter' }).click();
  const field = page.getByRole('dialog', { name: 'Limiters' }).getByRole('combobox', { name: 'Journals' });
  await field.pressSequentially('night eco');
  await page.getByRole('option', { name: /^Annals of Night Ecology \d+$/ }).click();
  await expect(field).toHaveValue('Annals of Night Ecology');
  const before = await workbench.readGauge('Heronsmere Life Index');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(
    page.getByRole('banner').locator('.chip', { hasText: 'in Annals of Night Ecology' }),
  ).toBeVisible();
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBeLessThanOrEqual(before);
});

test('open access is a limiter where a database knows it, and said to be missing elsewhere', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const before = await workbench.readGauge('Heronsmere Life Index');
  await page.getByRole('button', { name: '+ limiter' }).click();
  await page.getByRole('dialog', { name: 'Limiters' }).getByRole('checkbox', { name: 'open access' }).check();
  await page.keyboard.press('Escape');
  const chip = page.getByRole('banner').locator('.chip', { hasText: 'open access' });
  await expect(chip).toContainText('not in Gantry');
  await workbench.goTo('Translate');
  const heronsmere = page.getByRole('region', { name: 'Heronsmere Life Index' });
  await expect(heronsmere).toContainText('Tick on its page: open access');
  const string = await heronsmere.getByTestId('string').innerText();
  const expected = await workbench.countByHand('heronsmere', string, { openAccess: true });
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(expected);
  expect(expected).toBeGreaterThan(0);
  expect(expected).toBeLessThan(before);
  // It is kept with the project.
  await workbench.waitUntilSaved();
  await page.reload();
  await expect(chip).toBeVisible();
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(expected);
});

test('a string is copied as it is shown', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Translate');
  await page.getByRole('button', { name: 'Copy the string for Gantry Engineering Abstracts' }).click();
  const read = () => page.evaluate(() => navigator.clipboard.readText());
  expect(await read()).toBe(
    await page
      .getByRole('region', { name: 'Gantry Engineering Abstracts' })
      .getByTestId('string')
      .innerText(),
  );
  const parts = page
    .getByRole('region', { name: 'Marlstone Full Text' })
    .getByTestId('string')
    .locator('.string');
  await page.getByRole('button', { name: 'Copy part 2 for Marlstone Full Text' }).click();
  expect(await read()).toBe(await parts.nth(1).innerText());
  await page.getByRole('button', { name: 'Copy the string for Marlstone Full Text' }).click();
  expect((await read()).split('\n')).toEqual(await parts.allInnerTexts());
});

test('a database is taken out and its gauge goes', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Databases');
  await page.getByRole('checkbox', { name: 'Gantry Engineering Abstracts' }).uncheck();
  await expect(workbench.gauge('Gantry Engineering Abstracts')).toHaveCount(0);
  await expect(workbench.gauge('Marlstone Full Text')).toBeVisible();
});

test('date of entry, source and subject area are written, ticked, or said to be missing', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await page.getByRole('button', { name: '+ limiter' }).click();
  const panel = page.getByRole('dialog', { name: 'Limiters' });
  await panel.getByLabel('since').fill('2020-01');
  await panel.getByRole('combobox', { name: 'Journals' }).fill('Journal of Applied Hedgerow Science; ');
  await panel.getByRole('combobox', { name: 'Journals' }).press('Tab');
  await page.keyboard.press('Escape');
  await expect(page.getByText('entered from 2020-01').first()).toBeVisible();
  await workbench.goTo('Translate');
  const heronsmere = page.getByRole('region', { name: 'Heronsmere Life Index' });
  await expect(heronsmere.getByTestId('string')).toContainText(
    'entered:2020-01..9999-12 AND journal:"Journal of Applied Hedgerow Science"',
  );
  await expect(page.getByRole('region', { name: 'Gantry Engineering Abstracts' })).toContainText(
    'Not available there: entered from 2020-01',
  );
  await expect(page.getByRole('region', { name: 'Marlstone Full Text' })).toContainText(
    'Tick on its page: entered from 2020-01',
  );
  const string = await heronsmere.getByTestId('string').innerText();
  const expected = await workbench.countByHand('heronsmere', string);
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(expected);
  await workbench.waitUntilSaved();
  await page.reload();
  await expect(page.getByText('entered from 2020-01').first()).toBeVisible();
});

test('how phrases are written that a database cannot cut is a person’s choice, each way with its count', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Translate');
  const gantry = page.getByRole('region', { name: 'Gantry Engineering Abstracts' });
  await expect(gantry.getByTestId('string')).toContainText('within:0');
  await gantry.getByRole('button', { name: /^Phrases with \*/ }).click();
  const ways = gantry.getByRole('table', { name: /^Ways to write cut phrases/ });
  const anywhere = ways.getByRole('row', { name: /each word anywhere/ });
  const found = Number(((await anywhere.getByRole('button').textContent()) ?? '').replace(/[^\d]/g, ''));
  await anywhere.getByRole('radio').check();
  await expect(gantry.getByTestId('string')).not.toContainText('within:0');
  await expect.poll(() => workbench.readGauge('Gantry Engineering Abstracts')).toBe(found);
  const string = await gantry.getByTestId('string').innerText();
  expect(await workbench.countByHand('gantry', string)).toBe(found);
  await page.getByRole('button', { name: /^Undo: Choose how cut phrases/ }).click();
  await expect(gantry.getByTestId('string')).toContainText('within:0');
});
