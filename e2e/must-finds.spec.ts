import { expect, test, type Page } from '@playwright/test';
import { expectNothingByAxe } from './pages/axe';
import { Workbench } from './pages/workbench';

const HERON = 'Heronsmere Life Index';

/** The titles of the first records that a string finds in Heronsmere. */
async function listTitles(page: Page, string: string, rows: number): Promise<string[]> {
  const answer = await page.request.post('/api/standins/heronsmere/search', { data: { string, rows } });
  const { records } = (await answer.json()) as { records: { title: string }[] };
  expect(records).toHaveLength(rows);
  return records.map(({ title }) => title);
}

/** A new user at the must-finds of the demo project. */
async function start(page: Page): Promise<Workbench> {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Read');
  await page
    .getByRole('navigation', { name: 'Faces of Read' })
    .getByRole('link', { name: 'Must-finds' })
    .click();
  return workbench;
}

async function paste(page: Page, titles: readonly string[]): Promise<void> {
  await page.getByRole('textbox', { name: 'Must-finds' }).fill(titles.join('\n'));
  await page.getByRole('button', { name: 'Add', exact: true }).click();
}

test('must-finds are found, missed, or not in a database, and counted for each variant', async ({ page }) => {
  const workbench = await start(page);
  const [title = ''] = await listTitles(
    page,
    '(bats AND "street light*" AND activity) AND year:2000..2026',
    1,
  );
  await paste(page, [title, 'A made-up title that nobody wrote']);
  await expect(page.getByRole('row', { name: title.slice(0, 30) })).toContainText('found');
  await expect(page.getByRole('row', { name: /^A made-up title/ })).toContainText('not in it');
  await expect(page.getByTestId('recall')).toContainText('1 of 1');
  await expect(page.getByTestId('recall')).toContainText('1 is in none of them');
  await workbench.goTo('Compare');
  await expect(page.getByRole('row', { name: /^draft/ })).toContainText('1 of 1');
});

test('a missed must-find is explained, caught by the change that is used, and missed again when that is undone', async ({
  page,
}) => {
  const workbench = await start(page);
  // With bats and behaviour, but without the words for light that the draft has.
  const found = await listTitles(
    page,
    '(bats AND behaviour AND lamp*) NOT ("street light*" OR "night light*" OR "artificial light*" OR luminair*) AND year:2000..2026',
    3,
  );
  await paste(page, found);
  const panel = page.getByRole('region', { name: 'Why it is missed, and what would catch it' });
  await expect(panel).toContainText(/Missed because of/);
  await expect(panel).toContainText('not met.');
  const title = (await panel.getByRole('heading', { level: 3 }).textContent()) ?? '';
  const row = page.getByRole('region', { name: 'Must-finds as a table' }).getByRole('row', { name: title });
  await expect(row).toContainText('missed');

  const table = panel.getByRole('region', { name: 'What would catch it, and how many records that costs' });
  const change = table.getByRole('row').nth(1);
  await expect(change.getByRole('button', { name: /records$/ })).toHaveCount(3);
  const number = change.getByRole('button', { name: new RegExp(`${HERON}: [\\d,]+ records$`) });
  const wanted = Number(((await number.textContent()) ?? '').replace(/\D/g, ''));
  const before = await workbench.readGauge(HERON);
  expect(wanted).toBeGreaterThan(before);
  await change.getByRole('button', { name: /^Use: / }).click();
  await expect.poll(() => workbench.readGauge(HERON)).toBe(wanted);
  await expect(row).toContainText('found');

  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(row).toContainText('missed');
  await expect.poll(() => workbench.readGauge(HERON)).toBe(before);
});

test('the smallest set catches all that it says, and is frozen in one step; an old address leads here', async ({
  page,
}) => {
  await start(page);
  const titles = [
    ...(await listTitles(page, 'bats AND lamp* AND flight', 3)),
    ...(await listTitles(page, 'bats AND lamp* AND road*', 3)),
  ];
  await paste(page, titles);
  const set = page.getByRole('region', { name: 'Smallest set of changes' }).first();
  await expect(set.getByRole('heading')).toContainText(/catches/);
  await expect(page.getByTestId('recall')).not.toContainText('…');
  await set.getByRole('button', { name: 'Use and freeze' }).click();
  const recall = page.getByTestId('recall');
  await expect
    .poll(async () => {
      const [, found, there] = /(\d+) of (\d+)/.exec((await recall.textContent()) ?? '') ?? [];
      return Number(there) - Number(found);
    })
    .toBe(0);
  await expect(page.getByRole('region', { name: 'Why it is missed, and what would catch it' })).toHaveCount(
    0,
  );

  const address = page.url().replace('/read/must-finds', '/compare/must-finds');
  await page.goto(address);
  await expect(page).toHaveURL(/\/read\/must-finds/);
  await expect(recall).toBeVisible();
});

test('half of the must-finds is put aside, feeds nothing, and is told for variants alone, each look counted', async ({
  page,
}) => {
  await start(page);
  const titles = await listTitles(page, '(bats AND "street light*") AND year:2000..2026', 6);
  await paste(page, titles);
  const table = page.getByRole('region', { name: 'Must-finds as a table' });
  await expect(table.getByRole('row')).toHaveCount(1 + 6);
  await page.getByRole('button', { name: 'Put half aside' }).click();
  await expect(table.getByRole('row')).toHaveCount(1 + 3);
  const half = page.getByRole('region', { name: 'The half that is put aside' });
  await expect(half).toContainText('3 must-finds are put aside and feed nothing; not looked at yet.');
  await expect(half).toContainText('It is told for frozen variants alone');
  // What is aside is not taken a second time.
  await paste(page, titles);
  await expect(table.getByRole('row')).toHaveCount(1 + 3);

  await page.getByRole('combobox', { name: 'Of' }).click();
  await page.getByRole('option', { name: 'synonyms' }).click();
  await half.getByRole('button', { name: 'Look at it for synonyms' }).click();
  await expect(half.getByTestId('aside')).toHaveText('On this half: 3 of 3 by synonyms.');
  await expect(half).toContainText('looked at once');
  await page.reload();
  await expect(half).toContainText('looked at once');
  await half.getByRole('button', { name: 'Bring them back' }).click();
  await expect(table.getByRole('row')).toHaveCount(1 + 6);
});

test('a list of references is read; a title with a slip is probably this one, and what names no work stays', async ({
  page,
}) => {
  await start(page);
  const [title = '', other = ''] = await listTitles(
    page,
    '(bats AND "street light*") AND year:2000..2026',
    2,
  );
  const slipped = `${title.slice(0, 8)}${title.slice(9)}`;
  await page
    .getByRole('textbox', { name: 'Must-finds' })
    .fill(
      `References\n1. Muster, A. B., & Probe, C. (2019). ${other}. Made-up Letters, 3(1), 1–9.\n2. ${slipped}`,
    );
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('1 line was not understood and stays above.');
  await expect(page.getByRole('textbox', { name: 'Must-finds' })).toHaveValue('References');
  const table = page.getByRole('region', { name: 'Must-finds as a table' });
  await expect(table.getByRole('row', { name: other })).toContainText(/found|missed/);
  await page.getByRole('button', { name: `It is ${title}` }).click();
  await expect(table.getByRole('row', { name: title })).toContainText(/found|missed/);
  await expect(page.getByRole('button', { name: `It is ${title}` })).toHaveCount(0);
});

test('a must-find that this query found is marked', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Read');
  await page.getByRole('region', { name: 'The record' }).waitFor();
  await page.keyboard.press('m');
  await page
    .getByRole('navigation', { name: 'Faces of Read' })
    .getByRole('link', { name: 'Must-finds' })
    .click();
  await expect(page.getByRole('img', { name: 'first found by this query' })).toBeVisible();
  await expect(page.getByText('that it is found again proves nothing')).toBeVisible();
});

for (const colours of ['light', 'dark'] as const)
  test.describe(`in ${colours} colours`, () => {
    test.use({ colorScheme: colours });

    test('axe finds nothing on the must-finds, without any and with one that is explained', async ({
      page,
    }) => {
      await start(page);
      const check = (): Promise<void> => expectNothingByAxe(page);
      await check();
      await paste(page, await listTitles(page, 'bats AND lamp* AND flight', 3));
      await page.getByRole('region', { name: 'Smallest set of changes' }).first().waitFor();
      await page.waitForLoadState('networkidle');
      await check();
    });
  });

test('in a database that is searched by hand they are counted together, and told apart where some are missed', async ({
  page,
}) => {
  const workbench = await start(page);
  const titles = await listTitles(page, 'bats AND year:2000..2026', 8);
  await workbench.addPaperbark();
  await workbench.goTo('Read');
  await page
    .getByRole('navigation', { name: 'Faces of Read' })
    .getByRole('link', { name: 'Must-finds' })
    .click();
  await paste(page, titles);
  await page.getByRole('button', { name: /^Count them now: Must-finds/ }).click();
  const queue = page.getByRole('dialog', { name: /^Count by hand/ });
  const table = page.getByRole('region', { name: 'Must-finds as a table' });
  /** The person’s database has all of them and finds all but the second. */
  const count = (string: string): number =>
    titles.filter((title, at) => {
      const words = title.toLowerCase().split(/\W+/).filter(Boolean).slice(0, 3).join(' ');
      const isWhole = !/activit|behavio/.test(string);
      return string.toLowerCase().includes(words) && (isWhole || at !== 1);
    }).length;
  let strings = 0;
  while (await queue.getByTestId('hand-string').isVisible()) {
    const string = (await queue.getByTestId('hand-string').textContent()) ?? '';
    strings++;
    const field = queue.getByRole('textbox');
    await field.fill(String(count(string)));
    await field.press('Enter');
    await expect.poll(() => queue.getByTestId('hand-string').allTextContents()).not.toEqual([string]);
  }
  expect(strings).toBeLessThan(2 * titles.length);
  await page.keyboard.press('Escape');
  await expect(
    table
      .getByRole('row', { name: titles[1]!.slice(0, 30) })
      .locator('td')
      .nth(3),
  ).toContainText('missed');
  await expect(table.getByText('found, or not in it')).not.toHaveCount(0);
  // Its reason is told by the record of another database, and that is said.
  await table.getByRole('button', { name: titles[1]!, exact: true }).click();
  await page.getByRole('radio', { name: 'Paperbark Index' }).click();
  await expect(page.getByText(/^\s*Paperbark Index gives no records/)).toBeVisible();
});

test('must-finds are taken from a file of records, and what cannot be read is said', async ({ page }) => {
  await start(page);
  const [title = ''] = await listTitles(page, 'bats AND lamp*', 1);
  const ris = `TY  - JOUR\nTI  - ${title}\nER  - \n\nTY  - JOUR\nER  - \n`;
  await page.locator('app-must-find-entry input[type="file"]').setInputFiles([
    { name: 'wanted.ris', mimeType: 'text/plain', buffer: Buffer.from(ris) },
    { name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no records at all') },
  ]);
  await expect(page.getByText('1 must-find was added.')).toBeVisible();
  await expect(page.getByText(/^wanted\.ris, 5: /)).toBeVisible();
  await expect(page.getByText(/^notes\.txt: /)).toBeVisible();
  await expect(page.getByRole('row', { name: title.slice(0, 30) })).toBeVisible();
});
