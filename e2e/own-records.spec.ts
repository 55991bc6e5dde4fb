import { expect, test, type Page } from '@playwright/test';
import { QueryView } from './pages/query-view';
import { Workbench } from './pages/workbench';

const RIS = [
  ['Bats under warm street lamps', 2019],
  ['Hedgerow bats and dimmed lamps', 2021],
  ['Batteries for lamps', 2021],
  ['', 2022],
]
  .map(([title, year]) => `TY  - JOUR\nTI  - ${title}\nAU  - Muster, Anna\nPY  - ${year}\nER  - \n`)
  .join('');

const file = (name: string, text: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
const row = (page: Page) => page.getByRole('region', { name: 'Night shelf', exact: true });

async function openDialog(page: Page) {
  await page.getByRole('button', { name: 'Add your own records…' }).click();
  return page.getByRole('dialog', { name: 'Add your own records' });
}

/** Opens the dialog in a new profile. */
async function startDialog(page: Page) {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Databases');
  return { workbench, dialog: await openDialog(page) };
}

test('files of one’s own become a database that is counted, proved, read and there again after a reload', async ({
  page,
}) => {
  const { workbench, dialog } = await startDialog(page);
  await dialog
    .getByLabel('Files of records')
    .setInputFiles([file('shelf.ris', RIS), file('more.csv', 'Title,Year\nStreet light and bats,2020\n')]);
  await dialog.getByLabel('Name').fill('Night shelf');
  await dialog.getByRole('button', { name: 'Take them in' }).click();
  await expect(dialog).toContainText('4 records were taken in');
  await expect(dialog.getByRole('table', { name: 'Records that were left out' })).toContainText(
    'This record has no title.',
  );
  await dialog.getByRole('button', { name: 'Search it in this project' }).click();
  await expect(page.getByRole('checkbox', { name: 'Night shelf' })).toBeChecked();

  await workbench.goTo('Query');
  await new QueryView(page).type('bat* AND title: lamp*');
  await workbench.goTo('Translate');
  await expect(row(page).getByTestId('string')).toHaveText('bat* AND title: lamp*');
  const total = row(page).getByRole('button', { name: /^The draft in/ });
  await expect(total).toHaveText('3');
  await expect(row(page)).toContainText('proved without the limiters: the same 3 records');
  await total.click();
  const drawer = page.getByRole('dialog', { name: /^Records:/ });
  await expect(drawer).toContainText('Hedgerow bats and dimmed lamps');
  await page.keyboard.press('Escape');

  await workbench.waitUntilSaved();
  await page.reload();
  await expect(total).toHaveText('3');

  await workbench.goTo('Databases');
  await page.getByRole('button', { name: 'Add files to Night shelf' }).click();
  const more = page.getByRole('dialog', { name: 'Add files to Night shelf' });
  await more
    .getByLabel('Files of records')
    .setInputFiles(file('new.bib', '@article{a, title={Bats near a lamp}, year={2020}}'));
  await more.getByRole('button', { name: 'Take them in' }).click();
  await expect(more).toContainText('the collection has 5 now');
  await more.getByRole('button', { name: 'Good' }).click();
  await workbench.goTo('Translate');
  await expect(total).toHaveText('4');
});

/** Drops files on a part of the page, as a person does who drags them there. */
async function drop(page: Page, on: ReturnType<Page['locator']>, files: { name: string; text: string }[]) {
  const data = await page.evaluateHandle((some) => {
    const transfer = new DataTransfer();
    for (const { name, text } of some) transfer.items.add(new File([text], name));
    return transfer;
  }, files);
  await on.dispatchEvent('dragover', { dataTransfer: data });
  await expect(on).toHaveClass(/dropping/);
  await on.dispatchEvent('drop', { dataTransfer: data });
}

test('a file of each kind is dropped and taken in; what is broken in one is listed', async ({ page }) => {
  const { dialog } = await startDialog(page);
  const marc = (title: string) =>
    `<record><datafield tag="245"><subfield code="a">${title}</subfield></datafield></record>`;
  await drop(page, dialog.locator('mat-dialog-content'), [
    { name: 'one.ris', text: 'TY  - JOUR\nTI  - Bats of one\nPY  - 2020\nER  - \n' },
    { name: 'two.bib', text: '@article{a, title={Bats of two}, year={2020}}' },
    { name: 'three.json', text: '[{"title": "Bats of three", "type": "article"}]' },
    { name: 'four.csv', text: 'title,year\nBats of four,2020\n' },
    { name: 'five.xml', text: `<collection>${marc('Bats of five')}<record></collection>` },
    { name: 'six.xml', text: '<dc xmlns="http://purl.org/dc/elements/1.1/"><title>Bats of six</title></dc>' },
  ]);
  await expect(dialog).toContainText('six.xml');
  await dialog.getByLabel('Name').fill('Night shelf');
  await dialog.getByRole('button', { name: 'Take them in' }).click();
  await expect(dialog).toContainText('6 records were taken in');
  await expect(
    dialog.getByRole('table', { name: 'Records that were left out' }).getByRole('row'),
  ).toHaveCount(2);
  await expect(dialog).toContainText('five.xml');
});

test('a file without records says so, and an import that is stopped keeps nothing', async ({ page }) => {
  const { dialog } = await startDialog(page);
  const files = dialog.getByLabel('Files of records');
  await files.setInputFiles(file('letter.txt', 'Dear all'));
  await dialog.getByRole('button', { name: 'Take them in' }).click();
  await expect(dialog.getByRole('alert')).toContainText('No records are recognised in this file.');
  // More than 20 MB.
  const entry = '@article{a, title={Bats and {LED} lamps}, abstract={Some words of an abstract. }}\n';
  await files.setInputFiles(file('long.bib', entry.repeat(250_000)));
  await dialog.getByRole('button', { name: 'Take them in' }).click();
  await expect(dialog.getByRole('status')).toContainText(/Reading long\.bib/);
  await dialog.getByRole('button', { name: 'Stop' }).click();
  await expect(dialog.getByRole('status')).toHaveCount(0);
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  const again = await openDialog(page);
  await expect(again).not.toContainText('On this machine already');
});

test('each database says how many headings of its thesaurus the concepts have', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  // Loaded anew, so that no other view has fetched a thesaurus before.
  await page.goto(page.url().replace(/topic.*$/, 'databases'));
  const heronsmere = page.getByRole('row').filter({ hasText: 'Heronsmere Life Index' });
  await expect(heronsmere.getByText('bats: 1', { exact: true })).toBeVisible();
  await expect(heronsmere.getByText('behaviour: none', { exact: true })).toBeVisible();
  await expect(page.getByText(/: …$/)).toHaveCount(0);
});

test('records that may be of one work are asked about in Overlap, beside a served database, and the answer stays', async ({
  page,
}) => {
  const { workbench, dialog } = await startDialog(page);
  const record = (source: string, year: number) =>
    `TY  - JOUR\nTI  - Noctules and lamps beside quiet valley roads\nAU  - Muster, Anna\nT2  - ${source}\nPY  - ${year}\nER  - \n`;
  await dialog
    .getByLabel('Files of records')
    .setInputFiles([file('shelf.ris', record('Lamplight Letters', 2019) + record('Notes of Owls', 2020))]);
  await dialog.getByLabel('Name').fill('Night shelf');
  await dialog.getByRole('button', { name: 'Take them in' }).click();
  await dialog.getByRole('button', { name: 'Search it in this project' }).click();
  for (const name of ['Gantry Engineering Abstracts', 'Marlstone Full Text'])
    await page.getByRole('checkbox', { name }).uncheck();
  await workbench.goTo('Query');
  await new QueryView(page).type('noctule* AND lamp* AND title: "valley roads"');
  await page.getByRole('link', { name: 'Compare' }).click();
  await page.getByRole('navigation', { name: 'Questions' }).getByRole('link', { name: 'Overlap' }).click();
  const overlap = page.getByTestId('overlap');
  await expect(overlap).toContainText('2 different works in Heronsmere, Night');
  const asked = page.getByTestId('doubtful').getByRole('row');
  await expect(asked).toHaveCount(1);
  await expect(asked).toContainText('same title, same first author, one year apart');
  await expect(asked).toContainText('another source');
  await asked.getByRole('button', { name: 'Same work' }).click();
  await expect(overlap).toContainText('1 different works');
  await expect(overlap).toContainText('1 as you said');
  await expect(asked).toHaveCount(0);
  await workbench.waitUntilSaved();
  await page.reload();
  await expect(overlap).toContainText('1 different works');
  await expect(asked).toHaveCount(0);
});
