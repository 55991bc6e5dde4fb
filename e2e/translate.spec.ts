import { readFile } from 'node:fs/promises';
import { spawn, type ChildProcess } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import { choose, findChoice } from './pages/fields';
import { QueryView } from './pages/query-view';
import { Workbench } from './pages/workbench';

test.setTimeout(150_000);

const MORE = ['Cardinal Point Citations', 'Northern Union Catalogue', 'Plainfinder'] as const;
const ALL = [
  'Heronsmere Life Index',
  'Gantry Engineering Abstracts',
  'Cardinal Point Citations',
  'Marlstone Full Text',
  'Northern Union Catalogue',
  'Plainfinder',
] as const;

async function openDatabases(page: Page): Promise<Workbench> {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Databases');
  return workbench;
}

const row = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

test('the demo draft stands in six databases, each counted by the string that is shown, and proved', async ({
  page,
}) => {
  const workbench = await openDatabases(page);
  for (const name of MORE) await page.getByRole('checkbox', { name }).check();
  await workbench.goTo('Translate');
  for (const name of ALL) await expect(row(page, name).getByTestId('string')).not.toBeEmpty();
  const cardinal = await row(page, 'Cardinal Point Citations').getByTestId('string').innerText();
  await expect(
    row(page, 'Cardinal Point Citations').getByRole('button', { name: /^The draft in/ }),
  ).toHaveText(String(await workbench.countByHand('cardinal', cardinal)));
  const northern = row(page, 'Northern Union Catalogue');
  const endpoint = { address: 'standin:northern', version: '1.2' };
  const strings = [await northern.getByTestId('string').innerText()];
  const answer = await page.request.post('/api/sru/count', { data: { endpoint, strings } });
  const { counts } = (await answer.json()) as { counts: { total: number }[] };
  await expect(northern.getByRole('button', { name: /^The draft in/ })).toHaveText(String(counts[0]!.total));
  for (const name of ['Heronsmere Life Index', 'Cardinal Point Citations', 'Northern Union Catalogue'])
    await expect(row(page, name)).toContainText(/proved( without the limiters)?: the same \d+ records/);
  const plainfinder = row(page, 'Plainfinder');
  await expect(plainfinder).toContainText(/Too long for one search: \d+ strings/);
  await expect(plainfinder.getByRole('button', { name: /^The draft in/ })).toHaveText(/[\d,]+–[\d,]+/);
});

test('a database that takes only short strings is counted in parts, each record once', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Translate');
  const marlstone = row(page, 'Marlstone Full Text');
  await expect(marlstone).toContainText(/Too long for one search: \d+ strings/);
  const parts = await marlstone.getByTestId('string').locator('.string').allInnerTexts();
  expect(parts.length).toBeGreaterThan(1);
  const numbers = new Set<number>();
  for (const string of parts) {
    expect(string.length).toBeLessThanOrEqual(480);
    const sentLimiters = { years: { from: 2000, to: 2026 } };
    const answer = await page.request.post('/api/standins/marlstone/ids', { data: { string, sentLimiters } });
    for (const number of ((await answer.json()) as { numbers: number[] }).numbers) numbers.add(number);
  }
  await expect(marlstone.getByRole('button', { name: /^The draft in/ })).toHaveText(String(numbers.size));
});

test('a loss is pinned to its piece, and its records can be read', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  const editor = page.getByRole('textbox', { name: 'The query as text' });
  await editor.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText('bats AND (street WITHIN 4 light)');
  await workbench.goTo('Translate');
  const heronsmere = row(page, 'Heronsmere Life Index');
  const more = heronsmere.getByRole('button', { name: /^\d+ more records by street WITHIN 4 light/ });
  await expect(more).toBeVisible();
  const total = Number((await more.innerText()).replace('+', ''));
  await more.click();
  const drawer = page.getByRole('dialog', { name: /Records: Found by street WITHIN 4 light/ });
  await expect(drawer.getByRole('listitem')).toHaveCount(Math.min(25, total));
  await page.keyboard.press('Escape');
  await expect(page.getByRole('row', { name: /street WITHIN 4 light/ })).toContainText('Heronsmere');
});

/** A history as a colleague would send it: thirty lines, some with counts, two with mistakes. */
function createHistory(): string {
  const words = [
    'bat',
    'bats',
    'chiroptera',
    'pipistrel*',
    'myotis',
    'noctule*',
    'horseshoe',
    'lamp',
    'lamps',
    'luminaire*',
    '"street light*"',
    '"road lighting"',
    'sky glow',
    'dimm*',
    'colour',
    'commuting',
    'foraging',
    'avoidance',
    '"flight path*"',
    'activity',
    'roost*',
    'hedgerow*',
    '(woodland',
    'river*',
  ];
  const lines = words.map((word, at) => `${at + 1}. ${word}${at % 3 === 0 ? `\t${(at + 1) * 37}` : ''}`);
  return [
    ...lines,
    '25. 1 OR 2 OR 3 OR 4 OR 5 OR 6 OR 7',
    '26. 8 OR 9 OR 10 OR 11 OR 12 OR 13 OR 14',
    '27. 16 OR 17 OR 18 OR 19 OR 20',
    '28. #21 OR #22 OR #23 OR #24',
    '29. 25 AND 26 AND (27 OR 28)',
    '30. set:29 AND year:2010..2024  1,204',
  ].join('\n');
}

/** A new user who is about to paste a string of another database. */
async function openReading(page: Page) {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Translate');
  await page.getByRole('button', { name: 'Paste a search…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Paste a search' });
  const field = dialog.getByRole('textbox', { name: 'The string or the numbered lines' });
  return { workbench, dialog, field };
}

test('a history of thirty lines is taken in, mended and stands in the other databases', async ({ page }) => {
  const { workbench, dialog, field } = await openReading(page);
  await field.fill(createHistory());
  await choose(findChoice(dialog, 'Its syntax'), 'Heronsmere Life Index');
  const lines = dialog.getByRole('table', { name: 'Lines of the history' });
  await expect(lines.getByRole('row')).toHaveCount(31);
  await expect(lines.getByRole('row', { name: /^30/ })).toContainText('@line-29');
  await expect(lines.getByRole('row', { name: /^23/ })).toContainText('This bracket is never closed');
  // The button waits for the line that is not understood, and for whose counts these are.
  const taking = dialog.getByRole('button', { name: 'Take the lines in' });
  await expect(taking).toBeDisabled();
  await expect(dialog.getByRole('status')).toContainText('take it as read');
  await dialog.getByRole('checkbox', { name: 'Take line 23 as read' }).check();
  await expect(dialog.getByRole('status')).toHaveText('Say which database the counts are of.');
  await field.fill(createHistory().replace('(woodland', 'woodland'));
  await expect(lines.getByRole('row', { name: /^23/ })).not.toContainText('This bracket is never closed');
  await expect(taking).toBeDisabled();
  await choose(findChoice(dialog, 'The counts are of'), 'Heronsmere Life Index');
  await taking.click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('2010–2024', { exact: true })).toBeVisible();
  const gantry = row(page, 'Gantry Engineering Abstracts').getByTestId('string');
  await expect(gantry).toContainText('published{2010-2024}');
  await expect(gantry).toContainText('luminaire%');
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBeGreaterThan(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(gantry).not.toContainText('luminaire%');
});

test('a string whose syntax nobody named is read by the one that fits', async ({ page }) => {
  const { dialog, field } = await openReading(page);
  await field.fill('in(title, keywords: bats AND NEAR(3: lamp*, road)) AND years(2015-2024)');
  await expect(
    dialog.getByRole('list', { name: 'Which syntax reads it best' }).getByRole('listitem').first(),
  ).toContainText('Cardinal Point Citations reads all of it');
  await expect(dialog.getByTestId('meaning')).toHaveText('title,keywords: (bats AND (lamp* WITHIN 3 road))');
  await dialog.getByRole('button', { name: 'Make it the draft' }).click();
  await expect(row(page, 'Heronsmere Life Index').getByTestId('string')).toContainText('year:2015..2024');
});

test('what is meant for one database is written only there, and said to be intended', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Translate');
  await page.getByRole('button', { name: 'Changes for Gantry Engineering Abstracts' }).click();
  const dialog = page.getByRole('dialog', { name: 'Changes for Gantry Engineering Abstracts' });
  await dialog.getByRole('checkbox', { name: 'myotis' }).uncheck();
  const added = dialog.getByLabel('Add to night light in Gantry Engineering Abstracts only');
  await added.fill('title: headlamp*');
  await added.press('Enter');
  await dialog.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(dialog).toHaveCount(0);
  const gantry = row(page, 'Gantry Engineering Abstracts');
  const heronsmere = row(page, 'Heronsmere Life Index');
  await expect(gantry.getByTestId('string')).toContainText('headlamp%{title}');
  await expect(gantry.getByTestId('string')).not.toContainText('myotis');
  await expect(gantry.getByRole('list', { name: 'As intended' })).toContainText(
    'myotisleft out here, as intended',
  );
  await expect(gantry.getByRole('list', { name: 'As intended' })).toContainText('meant for this database');
  await expect(heronsmere.getByTestId('string')).toContainText('myotis');
  await expect(heronsmere.getByTestId('string')).not.toContainText('headlamp');
  await expect(heronsmere).toContainText('finds the same');
  await expect(heronsmere).toContainText(/proved( without the limiters)?: the same \d+ records/);
});

test('a ready filter narrows the draft by the text that each database has of its own', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const before = await workbench.readGauge('Heronsmere Life Index');
  await workbench.goTo('Translate');
  await page.getByRole('button', { name: 'Ready filters…' }).click();
  await page.getByRole('button', { name: 'Narrow the draft by Field studies' }).click();
  await expect(row(page, 'Gantry Engineering Abstracts').getByTestId('string')).toContainText(
    '"Surveying"{index}',
  );
  await expect(row(page, 'Heronsmere Life Index').getByTestId('string')).toContainText('transect*');
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBeLessThan(before);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(before);
});

test('a filter of one’s own stands on the shelf for all projects', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Translate');
  await page.getByRole('button', { name: 'Ready filters…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Ready filters' });
  await dialog.getByRole('button', { name: 'Add your own filter…' }).click();
  await dialog.getByLabel('Name', { exact: true }).fill('Islands');
  const keep = dialog.getByRole('button', { name: 'Add the filter' });
  await dialog.getByLabel('Query text for all databases').fill('island* AND (');
  await expect(dialog).toContainText('This bracket is never closed.');
  await expect(keep).toBeDisabled();
  await dialog.getByLabel('Query text for all databases').fill('island* OR archipelago*');
  await dialog.getByLabel('Heronsmere Life Index').fill('title: island*');
  await keep.click();
  await expect(dialog.getByRole('heading', { name: 'Islands' })).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'Ready filters…' }).click();
  await page.getByRole('button', { name: 'Narrow the draft by Islands' }).click();
  await expect(row(page, 'Heronsmere Life Index').getByTestId('string')).toContainText('title:island*');
  await expect(row(page, 'Marlstone Full Text').getByTestId('string').first()).toContainText('archipelago');
});

test('a heading is put in for a database that calls it otherwise, a row left out there, a term searched in another field', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  await new QueryView(page).type('bats AND lamp* AND hedge*');
  await workbench.goTo('Translate');
  const gantry = row(page, 'Gantry Engineering Abstracts');
  await page.getByRole('button', { name: 'Changes for Gantry Engineering Abstracts' }).click();
  const dialog = page.getByRole('dialog', { name: 'Changes for Gantry Engineering Abstracts' });
  await dialog
    .getByRole('region', { name: 'Rows of the draft' })
    .getByRole('checkbox', { name: 'hedge*' })
    .uncheck();
  await dialog.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(gantry.getByTestId('string')).not.toContainText('hedge');
  await expect(gantry).toContainText('left out here, as intended');
  await expect(row(page, 'Heronsmere Life Index').getByTestId('string')).toContainText('hedge*');

  await workbench.goTo('Query');
  await new QueryView(page).type('@bats');
  await workbench.goTo('Translate');
  await page.getByRole('button', { name: 'Changes for Gantry Engineering Abstracts' }).click();
  await choose(dialog.getByRole('combobox', { name: /^Where .* is searched in Gantry/ }).first(), 'title');
  await dialog.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(gantry).toContainText('meant for this database');

  await page.getByRole('button', { name: 'Changes for Gantry Engineering Abstracts' }).click();
  const more = dialog.getByLabel('Add to behaviour in Gantry Engineering Abstracts only');
  await more.fill('heading(heronsmere): "Light pollution"');
  await more.press('Enter');
  await dialog.getByRole('button', { name: 'Done', exact: true }).click();
  await gantry
    .getByRole('button', {
      name: 'Put heading(gantry): "Obtrusive light" in for Gantry Engineering Abstracts',
    })
    .click();
  await workbench.goTo('Query');
  await new QueryView(page).type('@behaviour');
  await workbench.goTo('Translate');
  await expect(gantry.getByTestId('string')).toContainText('"Obtrusive light"{index}');
  await expect(gantry).toContainText('for “Light pollution”: the thesauri say that they are the same');
  await expect(row(page, 'Heronsmere Life Index').getByTestId('string')).not.toContainText('Obtrusive');
});

test('the query stands as numbered searches, and each string is read back', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Translate');
  const heronsmere = row(page, 'Heronsmere Life Index');
  await heronsmere.getByRole('button', { name: 'Numbered searches for Heronsmere Life Index' }).click();
  const lines = heronsmere.getByRole('list', { name: 'Numbered searches for Heronsmere Life Index' });
  await expect(lines.getByRole('listitem').last()).toContainText(/set:1 AND set:2/);
  await heronsmere.getByRole('button', { name: /^read back/ }).click();
  await expect(heronsmere.getByTestId('back')).toContainText('AND');
});

test('the strip says at once which database does not apply a limiter', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await page.getByRole('button', { name: '+ limiter' }).click();
  await page
    .getByRole('dialog', { name: 'Limiters' })
    .getByRole('checkbox', { name: /full text/i })
    .check();
  await page.keyboard.press('Escape');
  await expect(page.getByText('not in Gantry')).toBeVisible();
});

test('a database of one’s own is built in the form, searched by hand, and its count typed in', async ({
  page,
}) => {
  const workbench = await openDatabases(page);
  await page.getByRole('button', { name: 'Add one that you search by hand…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a database' });
  const downloading = page.waitForEvent('download');
  await dialog.getByRole('link', { name: 'Its JSON Schema' }).click();
  const schema = JSON.parse(await readFile(await (await downloading).path(), 'utf8')) as object;
  expect(schema).toHaveProperty('properties.limiters');
  await choose(findChoice(dialog, 'Begin with'), 'Field before the group');
  await dialog.getByLabel('Code', { exact: true }).fill('Hill House');
  await expect(dialog).toContainText('Before it can be used');
  await dialog.getByLabel('Code', { exact: true }).fill('hill-house');
  await dialog.getByLabel('Name', { exact: true }).fill('Hill House Library');
  await dialog.getByLabel('Code of title').fill('t');
  await dialog.getByLabel('Or', { exact: true }).fill('ODER');
  await expect(dialog).toContainText('what is written must be read, too');
  await dialog.getByLabel('Or: read as it').fill('ODER, OR');
  await dialog.getByLabel('A query to try').fill('title: (bat OR lamp)');
  await expect(dialog.getByTestId('trial')).toHaveText('t=(bat ODER lamp)');
  await expect(dialog).toContainText('Read back: shown to be the same');
  await dialog.getByRole('button', { name: 'Add and search it' }).click();
  await expect(dialog).toHaveCount(0);
  await workbench.goTo('Translate');
  const own = row(page, 'Hill House Library');
  await expect(own.getByTestId('string')).toContainText('bat ODER bats');
  await own.getByLabel('Count found there').fill('1–25');
  await own.getByLabel('Count found there').press('Enter');
  await expect(own).toContainText('The number of results cannot be told from “1–25”');
  await own.getByLabel('Count found there').fill('1–25 of 1,318 results');
  await own.getByLabel('Count found there').press('Enter');
  const gauge = page
    .getByRole('region', { name: 'Counts of the draft' })
    .getByRole('button', { name: /^Hill House Library: 1,318 records/ });
  await expect(gauge).toBeVisible();
  await workbench.waitUntilSaved();
  await page.reload();
  await expect(gauge).toBeVisible();
});

test('a syntax is learnt from examples and a few answers, and handed to the form', async ({ page }) => {
  await openDatabases(page);
  await page.getByRole('button', { name: 'Add one that you search by hand…' }).click();
  const form = page.getByRole('dialog', { name: 'Add a database' });
  await form.getByRole('button', { name: 'Learn it from examples…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Learn a syntax from examples' });
  const examples = dialog.getByLabel('Examples, one a line');
  await examples.fill('[bat MINUS cricket\nti=(bat OR lamp) AND road$');
  await expect(dialog.getByRole('button', { name: 'Go on in the form' })).toBeDisabled();
  await examples.fill('bat MINUS cricket\nti=(bat OR lamp) AND road$\nlamp NEAR/3 road');
  await choose(
    findChoice(dialog, 'What does MINUS mean between two things?'),
    'the first without the second',
  );
  const table = dialog.getByRole('table', { name: 'How the examples are read' });
  await expect(table).toContainText('bat NOT cricket');
  await expect(table).toContainText('title: (bat OR lamp) AND road*');
  await expect(table).toContainText('lamp WITHIN 4 road');
  await dialog.getByRole('button', { name: 'Go on in the form' }).click();
  await expect(form.getByTestId('trial')).toHaveText(/MINUS/);
  await form.getByLabel('Name', { exact: true }).fill('Hill House Library');
  await form.getByRole('button', { name: 'Add and search it' }).click();
  await expect(page.getByRole('checkbox', { name: 'Hill House Library' })).toBeChecked();
});

test('an SRU server is asked what it is, confirmed and counted', async ({ page }) => {
  // Apart from the ports of the tests that stop and start a server.
  const port = 4710 + (process.pid % 180);
  const other = startServer(port, {});
  try {
    await waitFor(port);
    const workbench = await openDatabases(page);
    await page.getByRole('button', { name: 'Add an SRU server…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Add an SRU server' });
    await dialog.getByLabel('Its address').fill(`http://127.0.0.1:${port}/sru/northern`);
    await dialog.getByRole('button', { name: 'Check the address' }).click();
    await expect(dialog).toContainText('Northern Union Catalogue');
    await dialog.getByRole('button', { name: 'Add this server' }).click();
    const form = page.getByRole('dialog', { name: 'Add a database' });
    await form.getByLabel('Code', { exact: true }).fill('town');
    await form.getByLabel('Name', { exact: true }).fill('Town Library');
    await form.getByRole('button', { name: 'Add and search it' }).click();
    await page.getByRole('checkbox', { name: 'Northern Union Catalogue' }).check();
    await workbench.goTo('Translate');
    const town = row(page, 'Town Library').getByRole('button', { name: /^The draft in/ });
    await expect(town).toBeVisible();
    await expect(
      row(page, 'Northern Union Catalogue').getByRole('button', { name: /^The draft in/ }),
    ).toHaveText((await town.textContent())?.trim() ?? '');
  } finally {
    other.kill();
  }
});

function startServer(port: number, env: Record<string, string>): ChildProcess {
  return spawn('node', ['dist/server/main.js'], {
    env: { ...process.env, PORT: String(port), ...env },
    stdio: 'ignore',
  });
}

async function waitFor(port: number): Promise<void> {
  const isUp = (): Promise<boolean> =>
    fetch(`http://127.0.0.1:${port}/api/ready`).then(
      (response) => response.ok,
      () => false,
    );
  await expect.poll(isUp, { timeout: 60_000 }).toBe(true);
}

test('strings that others wrote keep their operators and limiters, or say what is lost', async ({ page }) => {
  const { workbench, dialog, field } = await openReading(page);
  const syntaxField = findChoice(dialog, 'Its syntax');
  const strings: readonly (readonly [string, string, string, string])[] = [
    ['Heronsmere Life Index', 'bats AND NOT lamps', 'bats NOT lamps', 'NOT has nothing on one of its sides.'],
    ['Heronsmere Life Index', 'NOT java', '() NOT java', 'so it finds nothing'],
    ['Heronsmere Life Index', 'bats NOT kind:review', 'bats NOT type: review', ''],
    [
      'Heronsmere Life Index',
      '(bats AND year:2000..2005) OR (lamp AND year:2010..2015)',
      '(bats AND year: 2000..2005) OR (lamp AND year: 2010..2015)',
      '',
    ],
    [
      'Heronsmere Life Index',
      'terms:"Animal behaviour / methods"',
      'heading(heronsmere): "Animal behaviour / methods"',
      '',
    ],
    ['Gantry Engineering Abstracts', '"quality of light"', '"quality of light"', 'skips small words'],
    ['Contextual Query Language 1.2', 'dc.title any "fish chips"', 'title: (fish OR chips)', ''],
    ['Contextual Query Language 1.2', 'a or', 'a', 'This is no valid CQL'],
    ['Lucene classic query syntax', '+bats -lamps', 'bats NOT lamps', ''],
    ['Lucene classic query syntax', 'roam~', 'roam', 'cannot be asked for in Ewer'],
  ];
  for (const [syntax, text, meaning, says] of strings) {
    await choose(syntaxField, syntax);
    await expect(syntaxField).toHaveText(syntax);
    await field.fill(text);
    await expect(dialog.getByTestId('meaning'), text).toHaveText(meaning);
    if (says) await expect(dialog, text).toContainText(says);
  }

  // Where it is not sure how operators bind, both readings are counted, and one is chosen.
  await choose(syntaxField, 'Lucene classic query syntax');
  await field.fill('bats AND lighting OR hedgerows');
  const readings = dialog.getByRole('radiogroup');
  await expect(readings.getByRole('radio')).toHaveCount(2);
  await expect(readings).toContainText('AND before OR, as most people mean it');
  const counts = readings.locator('app-count');
  await expect(counts.first()).toHaveText(/\d/);
  await expect(counts.nth(1)).toHaveText(/\d/);
  expect(await counts.first().textContent()).not.toBe(await counts.nth(1).textContent());
  await readings.getByRole('radio').nth(1).check();
  await dialog.getByRole('button', { name: 'Make it the draft' }).click();
  await workbench.goTo('Query');
  await expect(page.getByRole('textbox', { name: 'The query as text' })).toContainText(
    '(bats AND lighting) OR hedgerows',
  );
});

test('lines of ORs become concepts, and what limits a line stays with it', async ({ page }) => {
  const { workbench, dialog, field } = await openReading(page);
  await field.fill(
    [
      'A. bats OR chiroptera OR "flying mammals"',
      'B. hedgerow* OR hedges',
      'C. OR A-B',
      'D. limit C to English language, 2010-2020',
    ].join('\n'),
  );
  const lines = dialog.getByRole('table', { name: 'Lines of the history' });
  await expect(lines.getByRole('row', { name: /^C/ })).toContainText('@line-1 OR @line-2');
  await dialog.getByRole('textbox', { name: 'Name of the concept of line A' }).fill('flying mammals');
  await dialog.getByRole('textbox', { name: 'Name of the concept of line A' }).press('Tab');
  await dialog.getByRole('checkbox', { name: 'Line B becomes a concept' }).uncheck();
  await dialog.getByRole('button', { name: 'Take the lines in' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('2010–2020', { exact: true })).toBeVisible();
  await workbench.goTo('Topic');
  await expect(workbench.line('flying mammals', 'chiroptera')).toBeVisible();
});
