import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { choose, findChoice } from './pages/fields';
import { QueryView } from './pages/query-view';
import { Workbench } from './pages/workbench';

test.setTimeout(120_000);

async function open(page: Page): Promise<{ workbench: Workbench; query: QueryView }> {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  return { workbench, query: new QueryView(page) };
}

test('a wrongly grouped OR is mended from its problem, with both counts seen before', async ({ page }) => {
  const { workbench, query } = await open(page);
  await query.type('@bats AND @light OR "road lighting"');
  await expect(page.locator('.cm-lintRange-error')).not.toHaveCount(0);
  const finding = query.finding(/OR stands beside AND/);
  await expect(finding).toContainText('Gantry Engineering Abstracts would read it from left to right.');
  await finding.getByRole('button', { name: 'Put brackets round what OR joins' }).click();
  const preview = page.getByRole('group', { name: 'Preview: Put brackets round what OR joins' });
  await expect(preview.locator('ins')).toHaveText('(@light OR "road lighting")');
  const now = preview.getByRole('button', { name: /^Now in Heronsmere Life Index: / });
  const then = preview.getByRole('button', { name: /^Then in Heronsmere Life Index: / });
  const before = await now.textContent();
  await expect(then).toBeVisible();
  const after = await then.textContent();
  expect(after).not.toBe(before);
  await preview.getByRole('button', { name: 'Apply' }).click();
  await query.expectText('@bats AND (@light OR "road lighting")');
  await expect(workbench.gauge('Heronsmere Life Index')).toHaveText((after ?? '').trim());
  await expect(query.finding(/OR stands beside AND/)).toHaveCount(0);
});

test('nothing that is typed is lost, however broken it is, and the outline keeps its last sure state', async ({
  page,
}) => {
  const { workbench, query } = await open(page);
  await query.type('@bats AND lamp*');
  await expect(query.row('lamp*')).toBeVisible();
  await query.type('((bats AND "street @lampz OR');
  await expect(
    page.getByText('The text has a mistake, so the rows show the last version that could be read.'),
  ).toBeVisible();
  await expect(query.row('lamp*')).toBeVisible();
  await query.row('lamp*').press('Delete');
  await expect(page.getByRole('alert')).toContainText('The text has a mistake, so the rows show');
  await workbench.waitUntilSaved();
  await page.reload();
  await expect(query.editor()).toHaveText('((bats AND "street @lampz OR');
  await expect(query.finding(/^This bracket is never closed/)).toHaveCount(2);
  await query.type('@bats AND lamp*');
  await query.type('@bats AND (lamp*');
  await page.getByRole('button', { name: 'Go back to that' }).click();
  await query.expectText('@bats AND lamp*');
});

const BUILT =
  'title,abstract: (bat* OR pipistrel*) AND (flight WITHIN 3 (road* OR hedge*)) AND title: (lamp* OR "street light*")';

test('a three-level query is built from nothing by keyboard, in the outline and as text, and both are one', async ({
  page,
}) => {
  const { workbench, query } = await open(page);
  await query.editor().click();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await page.getByRole('button', { name: 'Add a row' }).last().press('Enter');
  await query.enter('bat*');
  await query.press('2');
  await query.enter('pipistrel*');
  await query.press('Home', 'f');
  await chooseFields(page, ['title', 'abstract']);
  await query.press('s');
  await query.enter('flight');
  await query.press('3');
  await query.enter('road*');
  await query.press('2');
  await query.enter('hedge*');
  await query.press('ArrowLeft', 'ArrowLeft', 's');
  await query.enter('lamp*');
  await query.press('2');
  await query.enter('street light*');
  await query.press('ArrowLeft', 'f');
  await chooseFields(page, ['title']);
  await query.expectText(BUILT);
  await query.press('Home');
  await expect(page.getByText(/within 3 words of/).first()).toBeVisible();
  await workbench.waitForCounts();
  const built = await workbench.readGauges();

  await query.type('');
  await expect(page.getByText('There is no query yet.')).toBeVisible();
  await query.type(BUILT);
  await expect(query.row('within 3')).toBeVisible();
  await expect.poll(() => workbench.readGauges()).toEqual(built);
  const direct = await workbench.countByHand(
    'heronsmere',
    '(title:(bat* OR pipistrel*) OR summary:(bat* OR pipistrel*)) AND (title:(lamp* OR "street light*"))',
    {},
  );
  expect(direct).toBeGreaterThanOrEqual(built[0] ?? Infinity);
});

async function chooseFields(page: Page, fields: readonly string[]): Promise<void> {
  const dialog = page.getByRole('dialog', { name: 'Fields' });
  // A dialog takes the focus when it has opened.
  await expect(dialog.getByRole('checkbox', { name: 'title', exact: true })).toBeFocused();
  for (const field of fields) await dialog.getByRole('checkbox', { name: field, exact: true }).press('Space');
  await dialog.getByRole('button', { name: 'Search there' }).press('Enter');
  await expect(dialog).toHaveCount(0);
}

test('rows are switched, excluded, moved, copied, cut and pasted; the number of each follows', async ({
  page,
}) => {
  const { workbench, query } = await open(page);
  await query.type('bats AND (lamp* OR light*) AND road*');
  const whole = query.cell('all of', 'Heronsmere Life Index');
  await expect(whole).toBeVisible();
  const all = await whole.textContent();
  await query.row('road*').focus();
  await query.press(' ');
  await query.expectText('bats AND (lamp* OR light*) AND OFF(road*)');
  await expect(whole).not.toHaveText(all ?? '');
  await query.press(' ', 'n');
  await query.expectText('bats AND (lamp* OR light*) NOT road*');
  await expect(query.row('without road*')).toContainText(/removes [\d,]+/);
  const removed = await query
    .row('without road*')
    .getByText(/^removes/)
    .first()
    .textContent();
  const year = 'year:2000..2026';
  const before = await workbench.countByHand('heronsmere', `(bats AND (lamp* OR light*)) AND ${year}`);
  const after = await workbench.countByHand(
    'heronsmere',
    `((bats AND (lamp* OR light*)) NOT road*) AND ${year}`,
  );
  expect(removed).toBe(`removes ${(before - after).toLocaleString('en')}`);
  await query.press('n', 'Alt+ArrowUp');
  await query.expectText('bats AND road* AND (lamp* OR light*)');
  await query.press('d');
  await query.expectText('bats AND road* AND road* AND (lamp* OR light*)');
  await query.press('Control+x');
  await query.expectText('bats AND road* AND (lamp* OR light*)');
  await query.row('light*').focus();
  await query.press('Control+v');
  await query.expectText('bats AND road* AND (lamp* OR light* OR road*)');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await query.expectText('bats AND road* AND (lamp* OR light*)');
  await query.row('lamp*').focus();
  await query.press('Shift+ArrowDown', '1');
  await query.expectText('bats AND road* AND (lamp* AND light*)');
});

test('the caret stays in its word while rows are edited, and nearness is set by keys', async ({ page }) => {
  const { query } = await open(page);
  await query.type('bats AND (flight WITHIN 3 road*) AND lamp*');
  await query.editor().press('End');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await query.row('within 3').focus();
  await query.press('+', 'o');
  await query.expectText('bats AND (flight BEFORE 4 road*) AND lamp*');
  await query.row('bats').focus();
  await query.press('-');
  await expect(page.getByRole('alert')).toContainText('This row is not a proximity search.');
  await query.editor().focus();
  await page.keyboard.type('e');
  await query.expectText('bats AND (flight BEFORE 4 road*) AND lamep*');
});

test('a row becomes a block, is renamed everywhere, and opened in place', async ({ page }) => {
  const { query } = await open(page);
  await query.type('@bats AND (lamp* OR light*)');
  await query.row('any of').focus();
  await query.press('b');
  const dialog = page.getByRole('dialog', { name: 'Make a block of it' });
  await dialog.getByLabel('Name').fill('Night light');
  await dialog.getByRole('button', { name: 'Make the block' }).click();
  await query.expectText('@bats AND @night-light');
  await expect(query.row('@night-light').getByRole('button', { name: 'Close @night-light' })).toBeVisible();
  await expect(query.row('light*')).toBeVisible();
  await query.row('light*').focus();
  await query.press('Delete');
  await expect(query.row('light*')).toHaveCount(0);
  await query.row('@night-light').hover();
  await query
    .row('@night-light')
    .getByRole('button', { name: /^More for/ })
    .click();
  await page.getByRole('menuitem', { name: 'Rename @night-light…' }).click();
  await page.getByLabel('New name').fill('lamps');
  await page.getByRole('button', { name: 'Rename', exact: true }).click();
  await query.expectText('@bats AND @lamps');
});

test('a row is dragged into another group', async ({ page }) => {
  const { query } = await open(page);
  await query.type('bats AND (lamp* OR light*) AND road*');
  const row = query.row('road*');
  await row.hover();
  const from = await row.locator('.grip').boundingBox();
  const to = await query.row('lamp*').boundingBox();
  if (!from || !to) throw new Error('The rows are not there.');
  await page.mouse.move(from.x + 5, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 5, from.y - 6, { steps: 3 });
  await page.mouse.move(from.x + 5, to.y + to.height - 2, { steps: 12 });
  await page.mouse.up();
  await expect
    .poll(() => query.readText())
    .toMatch(/^bats AND \((lamp\* OR road\* OR light\*|road\* OR lamp\* OR light\*)\)$/);
});

test('what a NOT throws away is found, counted and read', async ({ page }) => {
  const { workbench, query } = await open(page);
  await query.type('@bats AND @light NOT road*');
  const finding = query.finding(/^NOT road\* removes/);
  await expect(finding).toBeVisible();
  const number = Number(/removes ([\d,]+)/.exec((await finding.textContent()) ?? '')?.[1]?.replace(',', ''));
  expect(number).toBeGreaterThan(0);
  await finding.getByRole('button', { name: 'Read them' }).click();
  const drawer = page.getByRole('dialog', { name: /^Records: Removed by NOT/ });
  await expect(drawer.getByRole('listitem').first()).toBeVisible();
  await expect(drawer).toContainText(`of ${number.toLocaleString('en')},`);
  const string = (await drawer.locator('.string').textContent()) ?? '';
  expect(await workbench.countByHand('heronsmere', string)).toBe(number);
  await expect(drawer.getByRole('heading', { level: 3 }).first()).not.toBeEmpty();
});

test('a draft is frozen, changed, frozen again, and each is a state to return to', async ({ page }) => {
  const { workbench, query } = await open(page);
  await query.type('@bats AND @light');
  await workbench.freeze('wide');
  await query.type('@bats AND "street light*"');
  await workbench.freeze('narrow');
  await workbench.goTo('Compare');
  await page.getByRole('button', { name: 'Open wide' }).click();
  await workbench.goTo('Query');
  await query.expectText('@bats AND @light');
  await query.type('@bats AND @light AND road*');
  await workbench.freeze('branch');
  await workbench.goTo('Compare');
  await expect(page.getByRole('row', { name: /^branch/ })).toContainText('from wide');
  await expect(page.getByRole('row', { name: /^narrow/ })).toContainText('from wide');
  await workbench.goTo('Query');
  const points = page.getByRole('button', {
    name: /^(Edit the query|Open a variant|As it was opened|Return).*records$/,
  });
  await expect(points.first()).toBeVisible();
  await points.first().click();
  await query.expectText('@bats AND @light AND @behaviour');
});

test('the text is completed with counts, laid out, and its pieces explained', async ({ page }) => {
  const { query } = await open(page);
  await query.editor().click();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await page.keyboard.type('@ba');
  await expect(page.getByRole('option', { name: /@bats/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type(' AND pipistr');
  await expect(page.getByRole('option', { name: /pipistrelle\s*[\d,]+/ }).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await query.type(
    '(bats OR bat OR pipistrel* OR myotis OR noctule*) AND (lamp* OR light* OR luminaire* OR "street light*")',
  );
  await page.getByRole('button', { name: 'Tidy up' }).click();
  await expect(query.editor().locator('.cm-line')).toHaveCount(2);
  await hoverOver(page, 'myotis');
  await expect(page.locator('.ewer-piece')).toContainText(
    /Records with the word “myotis”.*Heronsmere [\d,]+/,
  );
});

/** Rests the pointer on a word of the text. */
async function hoverOver(page: Page, word: string): Promise<void> {
  const box = await page.evaluate((wanted) => {
    const walker = document.createTreeWalker(
      document.querySelector('.cm-content') ?? document.body,
      NodeFilter.SHOW_TEXT,
    );
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const at = node.textContent?.indexOf(wanted) ?? -1;
      if (at === -1) continue;
      const range = document.createRange();
      range.setStart(node, at);
      range.setEnd(node, at + wanted.length);
      const { x, y, width, height } = range.getBoundingClientRect();
      return { x: x + width / 2, y: y + height / 2 };
    }
    return { x: 0, y: 0 };
  }, word);
  await page.mouse.move(box.x - 3, box.y);
  await page.mouse.move(box.x, box.y, { steps: 3 });
}

test('the query is read line by line, lines are combined by number, and keep their references', async ({
  page,
}) => {
  const { workbench, query } = await open(page);
  await page.getByRole('radio', { name: 'Line by line' }).click();
  await page.getByLabel('A new line').fill('1 AND 2');
  await page.getByLabel('A new line').press('Enter');
  const fourth = page.getByRole('button', { name: /^Line 4 in Heronsmere Life Index: / });
  await expect(fourth).toBeVisible();
  await page.getByLabel('A new line').fill('4 NOT 3');
  await page.getByLabel('A new line').press('Enter');
  await expect(page.getByLabel('Line 5', { exact: true })).toHaveValue('4 NOT 3');
  await page.getByRole('button', { name: 'More for line 5' }).click();
  await page.getByRole('menuitem', { name: 'Move up' }).click();
  await expect(page.getByLabel('Line 4', { exact: true })).toHaveValue('5 NOT 3');
  await page.getByRole('button', { name: 'More for line 5' }).click();
  await page.getByRole('menuitem', { name: 'Make it the draft' }).click();
  await query.expectText('@line-4');
  await expect(workbench.gauge('Heronsmere Life Index')).toHaveText(
    (
      (await page.getByRole('button', { name: /^Line 5 in Heronsmere Life Index: / }).textContent()) ?? ''
    ).trim(),
  );
});

test('the report is ticked, commented on and taken along', async ({ page }) => {
  const { query } = await open(page);
  await query.type('@bats AND @light NOT road*');
  await expect(query.finding(/^NOT road\* removes/)).toBeVisible();
  await page.getByRole('button', { name: 'Report…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Report on the query' });
  await dialog.getByRole('checkbox', { name: /^NOT road\* removes/ }).check();
  await dialog.getByLabel(/^Comment on: NOT road\*/).fill('Read ten of them: rightly out.');
  const waiting = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'Save as a file' }).click();
  const text = await readFile(await (await waiting).path(), 'utf8');
  expect(text).toContain('- [x] NOT road* removes');
  expect(text).toContain('Comment: Read ten of them: rightly out.');
  expect(text).toContain('@bats AND @light NOT road*');
  await dialog.getByRole('button', { name: 'Done', exact: true }).click();
});

test('the query is simplified with its counts kept, and two queries are set side by side', async ({
  page,
}) => {
  const { query } = await open(page);
  await query.type('bats AND (light* OR lights OR light*) AND (bats OR lamp*)');
  await page.getByRole('button', { name: 'Rewrite and compare…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Rewrite and compare' });
  const number = async (name: RegExp): Promise<string> =>
    ((await dialog.getByRole('button', { name }).textContent()) ?? '').trim();
  await expect(dialog.getByRole('button', { name: /^Then in Heronsmere/ })).toBeVisible();
  await expect(dialog.getByRole('button', { name: /^Now in Heronsmere/ })).toBeVisible();
  expect(await number(/^Then in Heronsmere/)).toBe(await number(/^Now in Heronsmere/));
  await dialog.getByRole('button', { name: 'Apply' }).click();
  await query.expectText('bats AND light*');
  await page.getByRole('button', { name: 'Rewrite and compare…' }).click();
  await dialog.getByRole('radio', { name: 'Compare two queries' }).click();
  await choose(findChoice(dialog, 'Second'), 'Another text');
  await dialog.getByRole('textbox', { name: 'Another text' }).fill('light* AND bats');
  await expect(dialog.getByRole('status')).toContainText('the same');
  await dialog.getByRole('textbox', { name: 'Another text' }).fill('light* AND (bats OR lamp*)');
  await expect(dialog.getByRole('status')).toContainText('not shown to be the same');
  await expect(dialog.getByRole('button', { name: /^Only the first in Heronsmere/ })).toHaveText('0');
  await expect(dialog.getByRole('button', { name: /^Only the second in Heronsmere/ })).not.toHaveText('0');
});
