import { expect, test } from '@playwright/test';
import { DATABASES, Workbench } from './pages/workbench';

test('a new user finds the demo project with counts in three databases', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  for (const database of DATABASES) expect(await workbench.readGauge(database)).toBeGreaterThan(0);
  await expect(page.getByLabel('Words of the question')).toContainText('bats use roads and hedgerows');
});

test('what a page asks for is there at inner addresses, too: none of it is looked for beside them', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const missed: string[] = [];
  page.on('response', (response) => {
    const isPage = response.request().resourceType() === 'document';
    const type = response.headers()['content-type'] ?? '';
    if (response.status() >= 400 || (!isPage && type.includes('text/html'))) missed.push(response.url());
  });
  await page.reload();
  await workbench.waitForCounts();
  const pictures = page.locator('img');
  await expect(pictures).not.toHaveCount(0);
  for (const picture of await pictures.all())
    expect(await picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0);
  for (const view of ['Query', 'Translate', 'Compare', 'Databases'] as const) {
    await workbench.goTo(view);
    await page.reload();
    await workbench.waitForCounts();
  }
  expect(missed).toEqual([]);
});

test('the number on a gauge is the count of the string that Translate shows', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Translate');
  const string = await page
    .getByRole('region', { name: 'Heronsmere Life Index' })
    .getByTestId('string')
    .innerText();
  expect(await workbench.countByHand('heronsmere', string)).toBe(
    await workbench.readGauge('Heronsmere Life Index'),
  );
  const gantry = await page
    .getByRole('region', { name: 'Gantry Engineering Abstracts' })
    .getByTestId('string')
    .innerText();
  expect(await workbench.countByHand('gantry', gantry)).toBe(
    await workbench.readGauge('Gantry Engineering Abstracts'),
  );
});

test('a number opens its first ten records with the words marked, and Esc goes back to it', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.gauge('Heronsmere Life Index').click();
  const drawer = page.getByRole('dialog', { name: /Records: The draft in Heronsmere/ });
  await expect(drawer.getByRole('listitem')).toHaveCount(10);
  const marked = await drawer.locator('mark').allInnerTexts();
  expect(marked.some((word) => /bat|pipistrel|myotis|chiroptera/i.test(word))).toBe(true);
  expect(marked.some((word) => /light|lamp|luminaire/i.test(word))).toBe(true);
  await page.keyboard.press('Escape');
  await expect(drawer).toBeHidden();
  await expect(workbench.gauge('Heronsmere Life Index')).toBeFocused();
});
