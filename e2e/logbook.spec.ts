import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { expectNothingByAxe } from './pages/axe';
import { choose, findChoice } from './pages/fields';
import { LogbookView } from './pages/logbook-view';
import { DATABASES } from './pages/workbench';

async function save(page: Page, kind: RegExp): Promise<{ name: string; bytes: Buffer }> {
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as…' }).click();
  await page.getByRole('menuitem', { name: kind }).click();
  const file = await downloading;
  return { name: file.suggestedFilename(), bytes: await readFile(await file.path()) };
}

/** What stands in a word processor's file, without its marks. */
function readWords(docx: Buffer): string {
  const xml = strFromU8(unzipSync(new Uint8Array(docx))['word/document.xml']!);
  const signs: Record<string, string> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };
  return xml
    .replaceAll('</w:p>', '\n')
    .replaceAll(/<[^>]+>/g, '')
    .replaceAll(/&(\w+);/g, (whole, name: string) => signs[name] ?? whole);
}

test('a draft is run in all databases; the document has the strings that count what it says', async ({
  page,
}) => {
  const view = new LogbookView(page);
  await view.start();
  await expect(page.getByText('Nothing was run yet')).toBeVisible();
  await expect(view.line('Frozen as synonyms')).toBeVisible();
  const gauges = await view.workbench.readGauges();
  await view.run('first run', 'warm lamps');
  await expect(view.line('Run first run of warm lamps')).toContainText(gauges.join(', '));
  await expect(view.line('Frozen as warm lamps')).toBeVisible();
  for (const [at, name] of DATABASES.entries())
    await expect(view.document).toContainText(`${name}: ${gauges[at]} records, counted`);

  // The string in the document, asked for apart from the application, finds the number beside it.
  const strings = await view.document.getByTestId('sent').allTextContents();
  expect(await view.workbench.countByHand('heronsmere', strings[0]!)).toBe(gauges[0]);
  expect(await view.workbench.countByHand('gantry', strings[1]!)).toBe(gauges[1]);

  const docx = await save(page, /DOCX/);
  expect(docx.name).toBe('bats-and-street-lighting-documented-search.docx');
  const words = readWords(docx.bytes);
  const markdown = (await save(page, /Markdown/)).bytes.toString();
  const json = JSON.parse((await save(page, /JSON/)).bytes.toString()) as {
    run: { databases: { string: string; count: { total: number } }[] };
  };
  for (const string of strings) {
    expect(words).toContain(`\n${string}\n`);
    expect(markdown).toContain(`\n${string}\n`);
  }
  expect(json.run.databases.map(({ count }) => count.total)).toEqual(gauges);
  expect(json.run.databases.map(({ string }) => string.split('\n')).flat()).toEqual(strings.slice(0, -1));

  // Works without duplicates are those of Compare.
  const works = /([\d,]+) works were left/.exec((await view.document.textContent()) ?? '')?.[1];
  await page.goto('/p/demo/compare/overlap');
  await expect(page.getByTestId('overlap')).toContainText(works!);
  await view.workbench.goTo('Logbook');
  await view.workbench.waitUntilSaved();
  await page.reload();
  await expect(view.document).toContainText('variant warm lamps');
});

test('a page that stands alone shows the same and draws nothing from elsewhere', async ({
  page,
  context,
}) => {
  const view = new LogbookView(page);
  await view.start();
  await view.run('first run', 'warm lamps');
  await view.show('One page');
  const strings = await view.document.getByTestId('sent').allTextContents();
  const { bytes } = await save(page, /HTML/);
  const alone = await context.newPage();
  const asked: string[] = [];
  alone.on('request', (request) => asked.push(request.url()));
  await alone.setContent(bytes.toString());
  await expect(alone.getByRole('heading', { level: 1 })).toHaveText(
    'How it was searched: Bats and street lighting',
  );
  expect(await alone.locator('pre').allTextContents()).toEqual(strings);
  await expect(alone.getByRole('img')).toHaveAttribute('aria-label', /Heronsmere Life Index \d+/);
  expect(asked).toEqual([]);
  await expectNothingByAxe(alone);
  const table = (await save(page, /^The flow as a table/)).bytes.toString();
  expect(table).toMatch(/duplicates,\d+\r\ndifferent works,\d+/);
});

test('notes and sources without a string are written, found, changed, taken away and brought back', async ({
  page,
}) => {
  const view = new LogbookView(page);
  await view.start();
  await page.getByRole('button', { name: 'Add a note…' }).click();
  await page.getByRole('dialog').getByLabel('Note').fill('Amber lamps go as a variant of their own.');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(view.line('Amber lamps')).toBeVisible();

  await page.getByRole('button', { name: 'Add a source without a string…' }).click();
  const dialog = page.getByRole('dialog', { name: 'A source without a string' });
  await choose(findChoice(dialog, 'Kind of source'), 'a person who was asked');
  await dialog.getByLabel('Name', { exact: true }).fill('Ada Fen');
  await dialog.getByLabel('By whom').fill('Ida Marrow');
  await dialog.getByLabel('Looked at').fill('31');
  await dialog.getByLabel('Kept', { exact: true }).fill('3');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(view.line('Person asked: Ada Fen, by Ida Marrow; 31 looked at, 3 kept.')).toBeVisible();
  await view.workbench.waitUntilSaved();
  await page.reload();

  await view.log.getByLabel('Find in the log').fill('AMBER');
  await expect(view.log.getByRole('listitem')).toHaveCount(1);
  await view.log.getByLabel('Find in the log').fill('moths in winter');
  await expect(page.getByText('No line of the log has this.')).toBeVisible();
  await view.log.getByLabel('Find in the log').fill('');

  const note = await view.openLine('Amber lamps');
  await note.getByRole('button', { name: 'Edit…' }).click();
  await page.getByRole('dialog').getByLabel('Note').fill('Amber lamps are out.');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(view.line('Amber lamps are out.')).toBeVisible();
  const source = await view.openLine('Ada Fen');
  await source.getByRole('button', { name: 'Remove' }).click();
  await expect(view.line('Ada Fen')).toHaveCount(0);
  await page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }).click();
  await expect(view.line('Ada Fen')).toBeVisible();
});

test('a point of the log becomes the draft again, and undo goes back', async ({ page }) => {
  const view = new LogbookView(page);
  await view.start();
  const before = await view.workbench.readGauges();
  const line = await view.openLine('Frozen as first words');
  await line.getByRole('button', { name: 'Open as the draft' }).click();
  await expect(view.workbench.gauge('Heronsmere Life Index')).not.toHaveText(String(before[0]));
  await page.getByRole('button', { name: /^Undo: / }).click();
  await expect.poll(() => view.workbench.readGauges()).toEqual(before);
});

test('a changed draft is a thing to mend: it is run again, and the two runs stand beside each other', async ({
  page,
}) => {
  const view = new LogbookView(page);
  await view.start();
  await view.run('in autumn', 'warm lamps');
  const [first] = await view.workbench.readGauges();
  await expect(view.missing).not.toContainText('The draft has changed');
  // The same variant again: nothing changed in the databases.
  await view.run('in winter');
  await view.show('Since the run before');
  const rows = page.getByTestId('compared').getByRole('row');
  await expect(rows).toHaveCount(3);
  await expect(rows.first()).toContainText(new RegExp(`${first}\\s*${first}\\s*0\\s*the same string`));
  await view.workbench.goTo('Topic');
  await view.workbench.addField('bats').fill('noctule*');
  await view.workbench.addField('bats').press('Enter');
  await view.workbench.goTo('Logbook');
  await expect(view.missing).toContainText('The draft has changed since “warm lamps” was run: 1 change.');
  await view.missing
    .getByRole('listitem')
    .filter({ hasText: 'The draft has changed' })
    .getByRole('button')
    .click();
  const dialog = page.getByRole('dialog', { name: 'Run in all databases' });
  await dialog.getByLabel('Name of the variant').fill('noctules');
  await dialog.getByRole('button', { name: 'Run', exact: true }).click();
  await expect(view.line('Run of noctules')).toBeVisible();
  await expect(view.missing).not.toContainText('The draft has changed');
  const frozen = await view.openLine('Frozen as noctules, 1 change');
  await expect(frozen).toContainText('Added: noctule* to bats');
});

test('what is missing leads to where it is mended; what is said is in the document', async ({ page }) => {
  const view = new LogbookView(page);
  await view.start();
  await view.run('first run', 'warm lamps');
  const point = (words: string) => view.missing.getByRole('listitem').filter({ hasText: words });
  await point('Nobody is named who searched').getByRole('button', { name: 'Write it' }).click();
  await page.getByLabel('Who searched').fill('Ida Marrow');
  await page.getByLabel('Who searched').press('Tab');
  await expect(point('Nobody is named who searched')).toHaveCount(0);
  await page.getByLabel('When and how it will be run again').fill('Each spring.');
  await page.getByLabel('When and how it will be run again').press('Tab');
  const methods = page.getByLabel('Methods paragraph');
  const proposed = await methods.inputValue();
  await methods.fill(`We did this. ${proposed}`);
  await methods.press('Tab');
  await expect(page.getByRole('button', { name: 'Use this in place of my text' })).toBeVisible();
  await view.show('The documented search');
  await expect(view.document).toContainText('We did this. Three databases');
  await expect(view.document).toContainText('searched by Ida Marrow');
  await expect(view.document).toContainText('Each spring.');
  await point('No reason given for choosing').getByRole('button').click();
  await expect(page).toHaveURL(/\/databases$/);
  await page.goBack();

  // A run with other numbers marks those in the paragraph that are not so any more.
  await view.workbench.goTo('Topic');
  const before = await view.workbench.readGauge('Heronsmere Life Index');
  await view.workbench.addField('bats').fill('birds');
  await view.workbench.addField('bats').press('Enter');
  await expect(view.workbench.gauge('Heronsmere Life Index')).not.toHaveText(String(before));
  await view.workbench.goTo('Logbook');
  await view.run('second run', 'birds, too');
  await view.show('Methods paragraph');
  await expect(page.getByText(/Changed since you wrote it: /)).toBeVisible();
  await page.getByRole('button', { name: 'Use this in place of my text' }).click();
  await expect(page.getByText(/Changed since you wrote it: /)).toHaveCount(0);
  await expect(methods).not.toHaveValue(/We did this/);
});

test('a database that is searched by hand waits for its number, which then is that of the run', async ({
  page,
}) => {
  const view = new LogbookView(page);
  await view.workbench.start();
  await view.workbench.addPaperbark();
  await view.workbench.goTo('Logbook');
  await view.run('with Paperbark', 'warm lamps');
  await expect(view.line('Run with Paperbark')).toContainText('not counted');
  await expect(view.missing).toContainText('Paperbark Index is not counted yet.');
  await expect(view.document).toContainText('Paperbark Index: not counted');
  await expect(view.document.getByRole('img')).toHaveCount(0);
  await page.getByRole('button', { name: 'Count them now: with Paperbark' }).click();
  const queue = page.getByRole('dialog', { name: /^Count by hand/ });
  await queue.getByRole('textbox').fill('17');
  await queue.getByRole('textbox').press('Enter');
  await page.keyboard.press('Escape');
  await expect(view.line('Run with Paperbark')).toContainText(', 17');
  await expect(view.missing).not.toContainText('Paperbark Index is not counted yet.');
  await expect(view.document).toContainText('Paperbark Index: 17 records, typed in');
  // A number of before is not one of a new run.
  await view.run('later');
  await expect(view.line('Run later')).toContainText('not counted');
  await expect(page.getByRole('button', { name: 'Count them now: later' })).toBeVisible();
});

test('axe finds nothing in the Logbook, light and dark', async ({ page }) => {
  const view = new LogbookView(page);
  await view.start();
  await expectNothingByAxe(page);
  await view.run('first run', 'warm lamps');
  await view.openLine('Run first run');
  await expectNothingByAxe(page);
  await view.show('Methods paragraph');
  await page.emulateMedia({ colorScheme: 'dark' });
  await expectNothingByAxe(page);
});
