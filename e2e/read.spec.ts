import { expect, test } from '@playwright/test';
import { ReadView } from './pages/read-view';

test('the draft is read: the list has what the gauge says, each record tells why it is here', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.start();
  expect(await view.readTotal()).toBe(await view.workbench.readGauge('Heronsmere Life Index'));
  const why = view.record.getByRole('region', { name: 'Why it is here' });
  await expect(why).toContainText('bats:');
  await expect(why).toContainText(/title|abstract|headings/);
  await expect(view.row(0)).toHaveAttribute('aria-selected', 'true');
  // Another record is opened by the pointer, the next by a key.
  await view.open(2);
  const third = await view.title();
  await page.keyboard.press('ArrowDown');
  await expect(view.record.getByRole('heading', { level: 2 })).not.toHaveText(third ?? '');
  await expect(view.row(3)).toHaveAttribute('aria-selected', 'true');
  // The address has the record: it is there after a reload.
  const fourth = await view.title();
  await page.reload();
  await expect(view.record.getByRole('heading', { level: 2 })).toHaveText(fourth ?? '');
});

test('a long list comes as it is scrolled, in the order that is chosen', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  await page.getByRole('button', { name: /^Sorted by/ }).click();
  await page.getByRole('menuitemradio', { name: 'oldest first' }).click();
  await expect(page).toHaveURL(/sort=oldest/);
  const total = await view.readTotal();
  const year = async (place: number): Promise<number> => {
    const text = (await view.row(place).locator('.line').textContent()) ?? '';
    return Number(/\b(19|20)\d\d\b/.exec(text)?.[0]);
  };
  await expect(view.row(0).locator('.line')).toBeVisible();
  const first = await year(0);
  await view.list.evaluate((list) => list.scrollTo(0, list.scrollHeight));
  await expect(view.row(total - 1).locator('.line')).toBeVisible();
  expect(await year(total - 1)).toBeGreaterThanOrEqual(first);
});

test('filters count the whole set, hold in the address, and become limiters with the same count', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.start();
  const all = await view.readTotal();
  const panel = await view.openFilters('document types');
  const review = panel.getByRole('listitem').filter({ hasText: 'review' });
  const counted = Number((await review.locator('.number').textContent())?.replace(/[^\d]/g, ''));
  expect(counted).toBeGreaterThan(0);
  await review.getByRole('button', { name: 'Leave out review' }).click();
  await expect(page.getByTestId('left')).toHaveText(`${all - counted} left`);
  await expect(page.getByRole('button', { name: 'Remove the filter not review' })).toBeVisible();
  // In place of being left out, it is wanted.
  await review.getByRole('checkbox').check();
  await expect(page.getByTestId('left')).toHaveText(`${counted} left`);
  await page.goBack();
  await expect(page.getByTestId('left')).toHaveText(`${all - counted} left`);
  await page.goForward();
  await expect(page.getByTestId('left')).toHaveText(`${counted} left`);
  await page.reload();
  await expect(page.getByTestId('left')).toHaveText(`${counted} left`);
  // A filter stays a filter until it is made a limiter: then the draft itself finds so many.
  expect(await view.workbench.readGauge('Heronsmere Life Index')).toBe(all);
  await page.getByRole('button', { name: 'Make these limiters' }).click();
  await expect(view.workbench.gauge('Heronsmere Life Index')).toHaveText(String(counted));
  await expect.poll(() => view.readTotal()).toBe(counted);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(view.workbench.gauge('Heronsmere Life Index')).toHaveText(String(all));
});

test('a heading that filters becomes part of the query', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  const panel = await view.openFilters('headings');
  const row = panel.getByRole('listitem').nth(3);
  const name =
    (await row.getByRole('checkbox').evaluate((box) => box.closest('mat-checkbox')?.textContent)) ?? '';
  await row.getByRole('checkbox').check();
  await expect(page.getByTestId('left')).toBeVisible();
  const left = Number((await page.getByTestId('left').textContent())?.replace(/[^\d]/g, ''));
  await page.getByRole('button', { name: 'Put these into the query' }).click();
  await expect(view.workbench.gauge('Heronsmere Life Index')).toHaveText(String(left));
  await view.workbench.goTo('Query');
  await expect(page.locator('.cm-content')).toContainText(`heading(heronsmere): "${name.trim()}"`);
});

test('records are judged by one key each, with a reason that is offered again', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  await view.judge('y');
  await expect(view.row(0).getByRole('img', { name: 'on topic' })).toBeVisible();
  await expect(view.row(1)).toHaveAttribute('aria-selected', 'true');
  await view.judge('n', 'u');
  await expect(view.row(1).getByRole('img', { name: 'off topic' })).toBeVisible();
  await expect(view.row(2).getByRole('img', { name: 'not sure' })).toBeVisible();
  // A reason is typed once, then offered.
  await view.open(1);
  await view.record.getByLabel('Why, in a few words').fill('other animals');
  await view.record.getByLabel('Why, in a few words').press('Enter');
  await view.open(2);
  await view.record.getByRole('button', { name: 'other animals' }).click();
  await expect(view.record.getByLabel('Why, in a few words')).toHaveValue('other animals');
  await view.workbench.waitUntilSaved();
  await page.reload();
  await expect(view.row(1).getByRole('img', { name: 'off topic' })).toBeVisible();
});

test('what is judged is the work: it is judged in another database, too', async ({ page, request }) => {
  const view = new ReadView(page);
  await view.start();
  await page.getByRole('radio', { name: 'Marlstone Full Text' }).click();
  const marlstone = await view.workbench.readGauge('Marlstone Full Text');
  await expect.poll(() => view.readTotal()).toBe(marlstone);
  await expect(view.row(5).locator('.title')).toBeVisible();
  const titles = (await page.locator('.row .title').allTextContents()).map((title) => title.trim());
  const strings = titles.map((title) => `title:"${title.replaceAll(/[^\p{L}\p{N}\s-]/gu, ' ')}"`);
  const answer = await request.post('/api/standins/heronsmere/count', { data: { strings } });
  const { counts } = (await answer.json()) as { counts: { total?: number }[] };
  const at = counts.findIndex(({ total }) => total === 1);
  expect(at).toBeGreaterThanOrEqual(0);
  await view.open(at);
  await view.judge('y');
  await expect(view.row(at).getByRole('img', { name: 'on topic' })).toBeVisible();
  const set = { label: 'one title', database: 'heronsmere', string: strings[at], sent: {} };
  await page.goto(`/p/demo/read?of=string&db=heronsmere#${encodeURIComponent(JSON.stringify(set))}`);
  await expect(view.row(0).getByRole('img', { name: 'on topic' })).toBeVisible();
  await expect(view.record.getByRole('heading', { level: 2 })).toHaveText(titles[at] ?? '');
});

test('a random sample gives precision with its bounds; the top of the list gives none', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  await expect(page.getByText('Precision is estimated from random samples alone')).toBeVisible();
  await page.getByRole('button', { name: 'Draw a sample' }).click();
  await expect(page.getByTestId('total')).toHaveText('30 drawn at random');
  const bar = page.getByTestId('sample');
  await expect(bar).toContainText('0 of 30 judged');
  await view.judge('y', 'y', 'n', 'y');
  await expect(bar).toContainText('4 of 30 judged');
  await expect(bar).toContainText(/precision 75 % \(\d+ to \d+\)/);
  // The sample stays the same when it is enlarged, and after a reload.
  const drawn = await view.row(1).locator('.title').textContent();
  await page.getByRole('button', { name: 'Draw more' }).click();
  await expect(page.getByTestId('total')).toHaveText('60 drawn at random');
  await expect(bar).toContainText('4 of 60 judged');
  await view.workbench.waitUntilSaved();
  await page.reload();
  await expect(bar).toContainText('4 of 60 judged');
  await expect(view.row(1).locator('.title')).toHaveText(drawn ?? '');
  await page.getByRole('button', { name: 'Back to the list' }).click();
  await expect(page.getByTestId('total')).toContainText('records');
});

test('records teach words: what one would bring is counted before it is added', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  const free = view.learn.locator('tbody tr').filter({ has: page.getByRole('button', { name: /^Add / }) });
  await expect(free.first()).toContainText(/[+−]?\d/);
  const word = ((await free.first().getByRole('rowheader').textContent()) ?? '').trim();
  // Rows change places while counts come: the same one is clicked that was read.
  await view.learn.getByRole('rowheader').getByRole('button', { name: word, exact: true }).click();
  const outlook = view.learn.getByRole('region', { name: 'What it would bring' });
  const after = outlook.getByRole('button', { name: new RegExp(`^With ${word} in Heronsmere`) });
  await expect(after).toBeVisible();
  const promised = (await after.textContent())?.trim() ?? '';
  await outlook.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(view.workbench.gauge('Heronsmere Life Index')).toHaveText(promised);
  const before = await view.readTotal();
  await page.getByRole('button', { name: /^Undo: / }).click();
  await expect.poll(() => view.readTotal()).not.toBe(before);
  await expect(view.record).toBeVisible();
  // From those on topic, as soon as there are two.
  await view.judge('y', 'y');
  await expect(view.learn.getByRole('radio', { name: '2 on topic' })).toBeChecked();
  await expect(view.learn.getByRole('columnheader', { name: 'of 2' })).toBeVisible();
});

test('several words are taken together: to a concept, in place of a term or as a new concept, each one step', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.start();
  const gauge = view.workbench.gauge('Heronsmere Life Index');
  const start = (await gauge.textContent())?.trim() ?? '';
  const tickBoxes = view.learn.getByRole('checkbox', { name: /^Choose /, disabled: false });
  const outlook = view.learn.getByRole('region', { name: 'What it would bring' });
  const after = outlook.getByRole('button', { name: /^With 2 terms in Heronsmere/ });
  for (const [way, does] of [
    ['Add to A', 'Add'],
    ['In place of', 'Replace'],
    ['As a new concept', 'Add'],
  ] as const) {
    // After an undo the records of before are learnt from again: their rows may just be coming.
    await expect(async () => {
      await tickBoxes.nth(0).setChecked(true, { timeout: 2_000 });
      await tickBoxes.nth(1).setChecked(true, { timeout: 2_000 });
      await expect(after).toHaveText(/\d/, { timeout: 2_000 });
    }).toPass();
    await outlook.getByRole('combobox', { name: 'How to add it' }).click();
    await page.getByRole('option', { name: way }).first().click();
    await expect(outlook.getByRole('combobox', { name: 'How to add it' })).toContainText(way);
    await expect(after).toHaveText(/\d/);
    const promised = (await after.textContent())?.trim() ?? '';
    expect(promised).not.toBe(start);
    await outlook.getByRole('button', { name: does, exact: true }).click();
    await expect(gauge).toHaveText(promised);
    await page.getByRole('button', { name: /^Undo: / }).click();
    await expect(gauge).toHaveText(start);
  }
});

test('any number leads to its records: the drawer, then all of them, at an address of their own', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.workbench.start();
  const number = page.getByRole('button', { name: /^myotis in Heronsmere Life Index: [\d,]+ records/ });
  const records = Number((await number.textContent())?.replace(/[^\d]/g, ''));
  await number.click();
  await page
    .getByRole('dialog', { name: /^Records: / })
    .getByRole('link', { name: 'Read them all' })
    .click();
  await expect(view.record).toBeVisible();
  await expect.poll(() => view.readTotal()).toBe(records);
  await expect(page.getByRole('button', { name: /^myotis/ }).first()).toBeVisible();
  await page.reload();
  await expect.poll(() => view.readTotal()).toBe(records);
  await page.goBack();
  await expect(page).toHaveURL(/\/topic/);
});

test('a catalogue that cannot sort or filter is read in its own order, and says so', async ({ page }) => {
  const view = new ReadView(page);
  await view.workbench.start();
  await view.workbench.goTo('Databases');
  await page.getByRole('checkbox', { name: 'Northern Union Catalogue' }).check();
  await view.workbench.goTo('Read');
  await page.getByRole('radio', { name: 'Northern Union Catalogue' }).click();
  await expect(page.getByText('Northern Union Catalogue gives its records in its own order')).toBeVisible();
  await expect(view.record).toBeVisible();
  await expect(page.getByRole('button', { name: '+ filter' })).toHaveCount(0);
  await expect(view.learn).toContainText('takes one search at a time');
});

test('several databases are read together, duplicates removed, with where each work is', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  const sum = (await view.workbench.readGauges()).reduce((all, one) => all + one, 0);
  await page.getByRole('radio', { name: 'all, duplicates removed' }).click();
  await expect(page.getByTestId('total')).toContainText('works');
  const works = await view.readTotal();
  expect(works).toBeLessThan(sum);
  expect(works).toBeGreaterThanOrEqual(await view.workbench.readGauge('Heronsmere Life Index'));
  await expect(view.record).toContainText('in Heronsmere Life Index');
  await view.judge('y');
  await expect(view.row(0).getByRole('img', { name: 'on topic' })).toBeVisible();
});

test('words that are marked in a record become a term, and a source can be read alone', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  await view.record
    .locator('.abstract')
    .first()
    .click({ clickCount: 2, position: { x: 90, y: 10 } });
  const offer = view.record.locator('.selected');
  await expect(offer).toBeVisible();
  const word = ((await offer.locator('.code').textContent()) ?? '').trim();
  await offer.getByRole('button', { name: 'Use these words …' }).click();
  await page.getByRole('menuitem', { name: 'Add to B night light' }).click();
  await view.workbench.goTo('Topic');
  await expect(view.workbench.line('night light', word)).toBeVisible();
  await page.getByRole('button', { name: /^Undo: / }).click();
  await view.workbench.goTo('Read');
  const source = view.record.locator('p').first().locator('button.take').last();
  await source.click();
  await page.getByRole('menuitem', { name: 'Only these in the list' }).click();
  await expect(page.getByRole('button', { name: /^Remove the filter in / })).toBeVisible();
  const left = await page.getByTestId('left').textContent();
  await page.getByRole('button', { name: /^Remove the filter in / }).click();
  await expect(page.getByTestId('left')).toHaveCount(0);
  expect(left).toMatch(/^\d+ left$/);
});

test('what a database that is searched by hand exported is read here, and broken records are listed', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.workbench.start();
  await view.workbench.addPaperbark();
  await view.workbench.goTo('Read');
  await page.getByRole('radio', { name: 'Paperbark Index' }).click();
  await page.getByRole('button', { name: 'Read an exported file…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add your own records' });
  const record = (title: string, year: number): string =>
    `TY  - JOUR\nTI  - ${title}\nAU  - Ode, Anna\nPY  - ${year}\nAB  - Bats under street lamps.\nER  - \n\n`;
  const ris =
    record('Bats at lit verges', 2020) + 'TY  - JOUR\nAU  - Nobody, N\nER  - \n\n' + record('Lamps', 2021);
  await dialog.locator('input[type=file]').setInputFiles({
    name: 'export.ris',
    mimeType: 'application/x-research-info-systems',
    buffer: Buffer.from(ris),
  });
  await expect(dialog.getByLabel('Name')).toHaveValue(/^results of the draft in Paperbark Index, \d{4}-/);
  await dialog.getByRole('button', { name: /^Take/ }).click();
  await expect(dialog).toContainText('2 records were taken in');
  await expect(dialog.getByRole('table', { name: 'Records that were left out' })).toContainText('export.ris');
  await dialog.getByRole('button', { name: 'Read them' }).click();
  await expect(view.record).toBeVisible();
  expect(await view.readTotal()).toBe(2);
  await expect(view.record.getByRole('region', { name: 'Why it is here' })).toContainText('bats');
  // It stays, and is filtered like any other set.
  await view.workbench.waitUntilSaved();
  await page.reload();
  await expect.poll(() => view.readTotal()).toBe(2);
  const panel = await view.openFilters('years');
  await expect(panel).toContainText('2020 to 2021');
});
