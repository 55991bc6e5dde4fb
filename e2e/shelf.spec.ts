import { readFile } from 'node:fs/promises';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { expectNothingByAxe } from './pages/axe';
import { ReadView } from './pages/read-view';
import { Workbench } from './pages/workbench';

const kept = (page: Page): Locator => page.getByRole('list', { name: 'Kept works' }).getByRole('listitem');
const work = (page: Page): Locator => page.getByRole('region', { name: 'The kept work' });

/** Keeps the first records of the draft by a key each. Gives their titles, the last kept first. */
async function keep(view: ReadView, count: number): Promise<string[]> {
  const titles: string[] = [];
  for (let place = 0; place < count; place++) {
    await view.open(place);
    titles.unshift((await view.title()) ?? '');
    await view.page.keyboard.press('s');
    await expect(view.row(place).getByRole('img', { name: 'on the shelf' })).toBeVisible();
  }
  return titles;
}

async function openShelf(page: Page): Promise<void> {
  await page.getByRole('navigation', { name: 'Faces of Read' }).getByRole('link', { name: 'Shelf' }).click();
}

async function save(page: Page, press: () => Promise<void>): Promise<{ name: string; text: string }> {
  const downloading = page.waitForEvent('download');
  await press();
  const file = await downloading;
  return { name: file.suggestedFilename(), text: await readFile(await file.path(), 'utf8') };
}

test('works are kept by a key, labelled, noted and quoted, and all of it is there on another machine', async ({
  page,
  browser,
}) => {
  const view = new ReadView(page);
  await view.start();
  await openShelf(page);
  await expect(page.getByText('Nothing is kept yet.')).toBeVisible();
  await page.getByRole('link', { name: 'Read the results' }).click();
  const titles = await keep(view, 3);
  await openShelf(page);
  await expect(kept(page)).toHaveCount(3);
  for (const [place, title] of titles.entries()) await expect(kept(page).nth(place)).toContainText(title);

  await kept(page).nth(1).getByRole('button').click();
  const one = work(page);
  await expect(one.getByRole('heading', { level: 2 })).toHaveText(titles[1]!);
  await expect(one).toContainText('Found first in Heronsmere Life Index');
  await one.getByRole('combobox', { name: 'Labels' }).fill('method');
  await page.keyboard.press('Enter');
  await one.getByLabel('Note', { exact: true }).fill('They counted by ear.');
  await one.getByRole('button', { name: 'Add a quotation' }).click();
  const quotation = one.getByRole('group', { name: 'Quotation 1' });
  await quotation.getByLabel('Word for word').fill('Bats flew on.');
  await quotation.getByLabel('Page').fill('12');
  await one.getByRole('button', { name: 'About any source' }).click();
  await one.getByLabel('For whom was it written, and why?').fill('For road builders.');
  await one.getByLabel('Who says otherwise?').focus();

  // Only works with a label, and with some words.
  await page.getByRole('listbox', { name: 'Only works with these labels' }).getByText('method').click();
  await expect(kept(page)).toHaveCount(1);
  await page.getByLabel('Look for words').fill('nothing of the kind');
  await expect(page.getByText('No kept work has these words and labels.')).toBeVisible();
  await page.getByRole('button', { name: 'Show all works' }).click();
  await expect(kept(page)).toHaveCount(3);

  const workbench = new Workbench(page);
  await workbench.waitUntilSaved();
  await workbench.goTo('Projects');
  await page.getByLabel('More for Bats and street lighting').click();
  const file = await save(page, () => page.getByRole('menuitem', { name: 'Export to a file' }).click());

  const elsewhere = await (await browser.newContext()).newPage();
  const other = new Workbench(elsewhere);
  await other.start();
  await other.goTo('Projects');
  // Another project has the same name there.
  await elsewhere.getByLabel('More for Bats and street lighting').click();
  await elsewhere.getByRole('menuitem', { name: 'Delete' }).click();
  await elsewhere
    .getByLabel('Project file to import')
    .setInputFiles({ name: 'p.json', mimeType: 'application/json', buffer: Buffer.from(file.text) });
  await elsewhere
    .getByRole('list', { name: 'Projects' })
    .getByRole('link', { name: 'Bats and street lighting' })
    .click();
  await other.goTo('Read');
  await openShelf(elsewhere);
  await elsewhere.getByLabel('Look for words').fill('counted by ear');
  await expect(kept(elsewhere)).toHaveCount(1);
  const same = work(elsewhere);
  await expect(same.getByRole('heading', { level: 2 })).toHaveText(titles[1]!);
  await expect(same.getByRole('group', { name: 'Quotation 1' }).getByLabel('Word for word')).toHaveValue(
    'Bats flew on.',
  );
  await expect(same.getByLabel('For whom was it written, and why?')).toHaveValue('For road builders.');
  await elsewhere.context().close();
});

test('a kept work is marked in every list and after a reload, and what is taken off comes back by undo', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.start();
  await page.getByRole('radio', { name: 'all, duplicates removed' }).click();
  const [title = ''] = await keep(view, 1);
  await page.reload();
  await expect(view.row(0)).toContainText(title.slice(0, 30));
  await expect(view.row(0).getByRole('img', { name: 'on the shelf' })).toBeVisible();
  await expect(view.row(1).locator('.line')).toBeVisible();
  await expect(view.row(1).getByRole('img', { name: 'on the shelf' })).toHaveCount(0);
  await openShelf(page);
  await work(page).getByRole('button', { name: 'Take it off the shelf' }).click();
  await expect(page.getByText('Nothing is kept yet.')).toBeVisible();
  await page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }).click();
  await expect(kept(page)).toHaveCount(1);
});

test('kept works are cited in a style, copied with their layout, saved and sent', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const view = new ReadView(page);
  await view.start();
  await keep(view, 4);
  await openShelf(page);
  await expect(work(page).getByTestId('reference')).toContainText(/\(\d{4}\)/);
  await work(page).getByLabel('Page').first().fill('7');
  await expect(work(page).getByTestId('citation')).toContainText('p. 7');
  await kept(page).nth(0).getByRole('checkbox').check();
  await kept(page).nth(2).getByRole('checkbox').check();
  await page.getByRole('button', { name: 'Cite 2 works…' }).click();
  const dialog = page.getByRole('dialog', { name: '2 references' });
  const entries = dialog.getByTestId('references').locator('p');
  await expect(entries).toHaveCount(2);
  await dialog.getByRole('combobox', { name: 'Citation style' }).click();
  await page.getByRole('option', { name: 'Vancouver' }).click();
  await expect(entries.first()).toContainText(/^1\. /);
  await dialog.getByRole('button', { name: 'Copy', exact: true }).click();
  const html = await page.evaluate(async () => {
    const [item] = await navigator.clipboard.read();
    return item ? (await item.getType('text/html')).text() : '';
  });
  expect(html.match(/text-indent/g)).toHaveLength(2);
  expect(html).toContain('1. ');
  const text = await save(page, () => dialog.getByRole('button', { name: 'Save as text' }).click());
  expect(text.text.split('\n').map((line) => line.slice(0, 3))).toEqual(['1. ', '2. ']);
  const message = await save(page, () => dialog.getByRole('button', { name: 'Save as a message' }).click());
  expect(message.name).toMatch(/\.eml$/);
  expect(message.text).toContain('multipart/alternative');

  // A style of one's own; one that is none is refused and changes nothing.
  const load = (content: string) =>
    dialog
      .getByLabel('Load a citation style from a file')
      .setInputFiles({ name: 'mine.csl', mimeType: 'text/xml', buffer: Buffer.from(content) });
  await load('<html></html>');
  await expect(dialog.getByRole('alert')).toContainText('it is no style of this language');
  const response = await page.request.get('/citation-styles/ieee.csl');
  await load((await response.text()).replace('<title>IEEE</title>', '<title>Of my faculty</title>'));
  await expect(dialog.getByRole('combobox', { name: 'Citation style' })).toContainText('Of my faculty');
  await expect(entries.first()).toContainText(/^\[1\] /);
});

test('a whole result is saved for other programs, and read back as records of one’s own', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.start();
  const total = await view.readTotal();
  const dialog = page.getByRole('dialog', { name: `Save ${total} records` });
  for (const [kind, sign] of [
    ['RIS', /^ER {2}- /gm],
    ['BibTeX', /^@\w+\{/gm],
    ['CSL-JSON', /"type":/g],
    ['MARCXML', /<record>/g],
  ] as const) {
    await page.getByRole('button', { name: 'Save them…' }).click();
    await dialog.getByRole('radio', { name: kind }).click();
    const file = await save(page, () => dialog.getByRole('button', { name: 'Save as a file' }).click());
    expect(file.text.match(sign)).toHaveLength(total);
    await expect(dialog).toBeHidden();
  }
});

for (const colours of ['light', 'dark'] as const)
  test.describe(`in ${colours} colours`, () => {
    test.use({ colorScheme: colours });

    test('axe finds nothing on the shelf and in its dialogs', async ({ page }) => {
      const check = (): Promise<void> => expectNothingByAxe(page);
      const view = new ReadView(page);
      await view.start();
      await keep(view, 2);
      await openShelf(page);
      await work(page).getByRole('combobox', { name: 'Labels' }).fill('method');
      await page.keyboard.press('Enter');
      await work(page).getByRole('button', { name: 'Add a quotation' }).click();
      await work(page).getByTestId('reference').waitFor();
      await check();
      await page.getByRole('button', { name: 'Cite 2 works…' }).click();
      await page.getByTestId('references').locator('p').first().waitFor();
      await check();
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: 'Save 2 works as a file…' }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
      await check();
    });
  });

test('what is kept teaches words, like what was judged', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  await expect(view.learn.getByRole('radio', { name: /^the shelf/ })).toHaveCount(0);
  await keep(view, 3);
  const choice = view.learn.getByRole('radio', { name: 'the shelf (3)' });
  await choice.click();
  await expect(choice).toBeChecked();
  // Of three records no word can be in more.
  const found = view.learn.locator('tbody td.right:not(.quiet)');
  await expect(found).not.toHaveCount(0);
  for (const text of await found.allTextContents()) expect(Number(text)).toBeLessThanOrEqual(3);
});
