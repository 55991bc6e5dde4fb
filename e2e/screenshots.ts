import { chromium, type Page } from '@playwright/test';

// Makes the pictures of docs/screenshots/ from the demo data of a running Ewer.
const address = process.env['EWER'] ?? 'http://127.0.0.1:4600';
const folder = 'docs/screenshots';
const QUERY =
  '@bats AND @light\n  AND (flight WITHIN 3 (activit* OR behavio[u]r))\n  NOT title: (road* OR "bat and ball")';

async function open(page: Page, path: string): Promise<void> {
  await page.goto(address + path);
  await page.waitForLoadState('networkidle');
  // The view itself, and the numbers of the gauges above it.
  if (path.startsWith('/p/')) await page.locator('app-gauge .number').nth(2).waitFor();
  await page.waitForLoadState('networkidle');
}

/** The thesaurus of the Topic view. */
async function takeTopicParts(page: Page): Promise<void> {
  await open(page, '/p/demo/topic');
  await page.getByRole('button', { name: 'Thesaurus', exact: true }).click();
  await page.getByLabel('Look up a word').fill('night lighting');
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/thesaurus.png` });
  await page.keyboard.press('Escape');
}

/** A history of another database, with a line that is not understood. */
async function takeReading(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Paste a search…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Paste a search' });
  await dialog
    .getByRole('textbox', { name: 'The string or the numbered lines' })
    .fill(
      [
        '1. bats OR chiroptera OR "flying mammals"  318',
        '2. lamps OR "street light*"  1,204',
        '3. limit 1 to 2015-2024  207',
        '4. 3 AND 2  41',
      ].join('\n'),
    );
  await dialog.getByRole('table', { name: 'Lines of the history' }).waitFor();
  await page.screenshot({ path: `${folder}/read-string.png` });
  await page.keyboard.press('Escape');
}

/** A query with something worth a look, its lines, and its report. */
async function takeQueryParts(page: Page): Promise<void> {
  await open(page, '/p/demo/query');
  const settle = async (): Promise<void> => {
    await page.locator('.waiting').first().waitFor({ state: 'detached' });
    await page.waitForLoadState('networkidle');
  };
  for (const text of ['@bats AND @light', '@bats AND @light AND road*', QUERY]) {
    await page.getByRole('textbox', { name: 'The query as text' }).focus();
    await page.keyboard.press('Control+a');
    await page.keyboard.insertText(text);
    // States that follow each other quickly are one in the timeline.
    await page.waitForTimeout(1_500);
    await settle();
  }
  await page.getByRole('button', { name: 'Close @light' }).click();
  await page.getByRole('button', { name: /^NOT title/ }).waitFor();
  await settle();
  await page.screenshot({ path: `${folder}/query.png` });
  await page.getByRole('button', { name: 'Report…' }).click();
  await page.getByRole('dialog', { name: 'Report on the query' }).waitFor();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/report.png` });
  await page.keyboard.press('Escape');
}

/** The databases, and the draft in all six of them, proved. The choice is taken back for the other pictures. */
async function takeDatabases(page: Page): Promise<void> {
  const more = ['Cardinal Point Citations', 'Northern Union Catalogue', 'Plainfinder'];
  await open(page, '/p/demo/databases');
  // The headings in one's concepts come with the thesauri.
  await page
    .getByText(/\bbats: (\d|none)/)
    .first()
    .waitFor();
  await page.waitForFunction(() => !document.querySelector('main')?.textContent?.includes(': …'));
  await page.screenshot({ path: `${folder}/databases.png` });
  for (const name of more) await page.getByRole('checkbox', { name }).check();
  await page.getByRole('link', { name: 'Translate' }).click();
  await page
    .getByText(/proved( without the limiters)?: the same/)
    .nth(3)
    .waitFor();
  await page.screenshot({ path: `${folder}/translate.png` });
  await takeReading(page);
  await page.getByRole('link', { name: 'Databases' }).first().click();
  for (const name of more) await page.getByRole('checkbox', { name }).uncheck();
}

/** The questions of Compare, scrolled to where they are answered. */
async function takeCompare(page: Page): Promise<void> {
  const tools = [
    ['terms', 'each-term'],
    ['combinations', 'combinations'],
    ['try', 'what-to-try'],
    ['differences', 'gained-and-lost'],
  ] as const;
  for (const [tool, name] of tools) {
    await open(page, `/p/demo/compare/${tool}`);
    if (tool === 'try') await page.getByText(/(\d+) of \1 changes tried/).waitFor();
    if (tool === 'differences') {
      await page.getByRole('radio', { name: /^lost/ }).click();
      await page.locator('ol.records > li[tabindex]').first().waitFor();
    }
    await page.getByRole('navigation', { name: 'Questions' }).evaluate((questions) => {
      const main = questions.closest('main');
      if (main) main.scrollTop += questions.getBoundingClientRect().top - 120;
    });
    await page.waitForLoadState('networkidle');
    await page.screenshot({ path: `${folder}/${name}.png` });
  }
}

/** Records that the draft finds and misses, one of them explained. */
async function takeMustFinds(page: Page): Promise<void> {
  const titles: string[] = [];
  for (const string of [
    'bats AND lamp* AND flight',
    'bats AND lamp* AND road*',
    'bats AND "street light*" AND activity',
  ]) {
    const answer = await page.request.post(`${address}/api/standins/heronsmere/search`, {
      data: { string, rows: 3 },
    });
    titles.push(
      ...((await answer.json()) as { records: { title: string }[] }).records.map(({ title }) => title),
    );
  }
  await open(page, '/p/demo/read/must-finds');
  await page.getByRole('textbox', { name: 'Must-finds' }).fill(titles.join('\n'));
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const panel = page.getByRole('region', { name: 'Why it is missed, and what would catch it' });
  await panel
    .getByRole('row')
    .nth(4)
    .getByText(/[+−]\d/)
    .first()
    .waitFor();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/must-finds.png` });
}

/** The shelf with some works, and the trail from them in dark colours. */
async function takeShelfAndTrail(page: Page): Promise<void> {
  await open(page, '/p/demo/read');
  const list = page.getByRole('listbox', { name: 'Records' });
  for (let place = 0; place < 10; place++) {
    await list.locator(`#record-${place}`).click();
    await page.keyboard.press('s');
    await list.locator(`#record-${place}`).getByRole('img', { name: 'on the shelf' }).waitFor();
  }
  await open(page, '/p/demo/read/shelf');
  const work = page.getByRole('region', { name: 'The kept work' });
  for (const label of ['method', 'read again']) {
    await work.getByRole('combobox', { name: 'Labels' }).fill(label);
    await page.keyboard.press('Enter');
  }
  await work
    .getByLabel('Note', { exact: true })
    .fill('Two transects, one of them lit; counted by detectors.');
  await work.getByTestId('reference').click();
  await page.screenshot({ path: `${folder}/shelf.png` });
  await page.emulateMedia({ colorScheme: 'dark' });
  await open(page, '/p/demo/read/trail');
  await page.getByRole('button', { name: /^Start from/ }).click();
  await page.getByText(/the draft misses \d/).waitFor();
  await page.getByText(/^\s*Citations are followed/).waitFor({ state: 'detached' });
  await page.getByRole('table').getByRole('checkbox').nth(0).check();
  await page.screenshot({ path: `${folder}/trail.png` });
  await page.emulateMedia({ colorScheme: 'light' });
}

/** The Logbook with a run of the draft. */
async function takeLogbook(page: Page): Promise<void> {
  await open(page, '/p/demo/logbook');
  await page.getByRole('button', { name: 'Run it now…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name of the variant').fill('warm lamps');
  await dialog.getByLabel('What changed, and why').fill('What bats do, as a concept of its own.');
  await dialog.getByRole('button', { name: 'Run', exact: true }).click();
  await page.locator('app-document-view').waitFor();
  await page.getByText('Run of warm lamps in 3 databases').waitFor();
  await page.screenshot({ path: `${folder}/logbook.png` });
}

async function main(): Promise<void> {
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
    reducedMotion: 'reduce',
  });
  await open(page, '/');
  await page.waitForURL(/topic/);
  for (const view of ['topic', 'compare']) {
    await open(page, `/p/demo/${view}`);
    await page.screenshot({ path: `${folder}/${view}.png` });
  }
  await takeCompare(page);
  await takeDatabases(page);
  await takeQueryParts(page);
  await takeTopicParts(page);
  await open(page, '/p/demo/topic');
  await page.getByRole('button', { name: /^Heronsmere Life Index: [\d,]+ records/ }).click();
  await page.getByRole('dialog').getByRole('listitem').nth(9).waitFor();
  await page.screenshot({ path: `${folder}/records.png` });
  await page.getByRole('link', { name: 'Read them all' }).click();
  await page.getByRole('region', { name: 'The record' }).waitFor();
  for (const key of ['y', 'y', 'n', 'y', 'u', 'y']) await page.keyboard.press(key);
  await page.getByRole('radio', { name: '4 on topic' }).waitFor();
  await page.waitForLoadState('networkidle');
  // All of it counted: each row says what it brings.
  const learnt = page.getByRole('complementary', { name: 'What the records teach' }).getByRole('row');
  await learnt
    .filter({ hasText: /[+−]\d/ })
    .first()
    .waitFor();
  await learnt.filter({ hasText: '…' }).first().waitFor({ state: 'detached' });
  await page.screenshot({ path: `${folder}/read.png` });
  await takeMustFinds(page);
  await takeShelfAndTrail(page);
  await takeLogbook(page);
  await open(page, '/projects');
  await page.screenshot({ path: `${folder}/projects.png` });
  await browser.close();
}

void main();
