import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { choose, findChoice } from './pages/fields';
import { ReadView } from './pages/read-view';
import { CompareView } from './pages/compare-view';
import { DATABASES } from './pages/workbench';

const HERON = 'Heronsmere Life Index';

test('a staircase counts after each AND, NOT, field and limiter, goes in another order, and opens what a step threw away', async ({
  page,
}) => {
  const view = new CompareView(page);
  await view.startWith('bats AND title: lamp* NOT road*');
  await view.open('Staircase');
  const hand = (string: string): Promise<number> => view.workbench.countByHand('heronsmere', string);
  const steps = [
    [`After bats in ${HERON}`, 'bats'],
    [`After lamp* in ${HERON}`, 'bats AND lamp*'],
    [`After lamp* in title in ${HERON}`, 'bats AND title:lamp*'],
    [`After road* in ${HERON}`, '(bats AND title:lamp*) NOT road*'],
  ] as const;
  for (const [label, string] of steps) await expect.poll(() => view.read(label)).toBe(await hand(string));
  expect(await view.read('Without bats')).toBe(await hand('title:lamp* NOT road*'));
  expect(await view.read('Thrown away by road*')).toBe(await hand('bats AND title:lamp* AND road*'));
  await expect(page.getByText('costs most: without it alone')).toBeVisible();

  await page.getByRole('button', { name: 'Later: bats' }).click();
  await expect.poll(() => view.read(`After lamp* in ${HERON}`)).toBe(await hand('lamp*'));
  // The order is kept, and so is which columns are shown.
  await page.getByRole('button', { name: 'Rows and columns' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Marlstone Full Text' }).click();
  await page.keyboard.press('Escape');
  const header = page.getByRole('region', { name: 'Variants and draft' }).getByRole('columnheader');
  await expect(header.filter({ hasText: 'Marlstone' })).toHaveCount(0);
  await page.reload();
  await expect.poll(() => view.read(`After lamp* in ${HERON}`)).toBe(await hand('lamp*'));
  await expect(header.filter({ hasText: 'Gantry' })).toHaveCount(1);
  await expect(header.filter({ hasText: 'Marlstone' })).toHaveCount(0);
  await view.number('Thrown away by road*').click();
  await expect(page.getByRole('dialog', { name: /Thrown away by road/ })).toBeVisible();
});

test('each term: what it finds, what only it finds, which can go, and the smallest set', async ({ page }) => {
  const view = new CompareView(page);
  await view.workbench.start();
  await view.open('Each term');
  const hand = (string: string): Promise<number> =>
    view.workbench.countByHand('heronsmere', `(${string}) AND year:2000..2026`);
  const all = ['bat', 'bats', 'chiroptera*', 'pipistrel*', 'myotis', 'under:"Chiroptera"'];
  await expect.poll(() => view.read(`bat in ${HERON}`)).toBe(await hand('bat'));
  const only = (await hand(all.join(' OR '))) - (await hand(all.slice(1).join(' OR ')));
  await expect(
    page.getByRole('region', { name: 'The terms as a table' }).getByRole('row', { name: /^bat / }),
  ).toContainText(`unique: ${only} in the concept`);

  const cover = page.getByTestId('cover');
  await expect(cover).toContainText(
    `find all of ${HERON}’s ${(await hand(all.join(' OR '))).toLocaleString('en')}`,
  );
  await expect(cover).toContainText('myotis');
  const before = await view.workbench.readGauge(HERON);
  await cover.getByRole('button', { name: 'Switch these off' }).click();
  await expect(page.getByText('terms switched off')).toBeVisible();
  await expect.poll(() => view.workbench.readGauge(HERON)).toBe(before);
  await expect(cover).toContainText(`In ${HERON} every term brings something that no other one finds.`);
});

test('combinations: alone, in pairs, all together, with what holds just these, and the nearest one', async ({
  page,
}) => {
  const view = new CompareView(page);
  await view.startWith('noctule* AND chemistry AND bats');
  await view.open('Combinations');
  // Concepts that the query does not ask for are offered, and not combined until they are ticked.
  for (const name of ['night light', 'behaviour'])
    await expect(
      page.getByRole('checkbox', { name: `${name} (not asked for by the query)` }),
    ).not.toBeChecked();
  const hand = (string: string): Promise<number> => view.workbench.countByHand('heronsmere', string);
  await expect.poll(() => view.read(`noctule* + bats in ${HERON}`)).toBe(await hand('noctule* AND bats'));
  expect(await view.read(`noctule* in ${HERON}`)).toBe(await hand('noctule*'));
  const together = await hand('noctule* AND chemistry AND bats');
  await expect(page.getByTestId('nearest')).toContainText(
    together === 0 ? 'together find nothing' : `together find ${together}`,
  );
});

test('swap: other fields and wordings are tried with all else held, and one is taken', async ({ page }) => {
  const view = new CompareView(page);
  await view.workbench.start();
  await view.open('Swap');
  await choose(findChoice(page, 'Replace'), 'night light: "street light*"');
  await page.getByLabel('Other wordings, a line each').fill('"road lamp*"\n"street lighting"');
  await page.getByLabel('Other wordings, a line each').blur();
  await expect(view.number(`"road lamp*" in ${HERON}`)).toBeVisible();
  await expect(view.number('within 3 in Gantry Engineering Abstracts')).toBeVisible();
  const anywhere = await view.read('both anywhere in Gantry Engineering Abstracts');
  const phrase = await view.read('As it is in Gantry Engineering Abstracts');
  expect(anywhere).toBeGreaterThanOrEqual(phrase);
  const found = await view.read(`"road lamp*" in ${HERON}`);
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a table' }).last().click();
  const saved = await readFile(await (await downloading).path(), 'utf8');
  expect(saved).toContain(`"""road lamp*""",${found},`);
  await page.getByRole('button', { name: 'Use "road lamp*"' }).press('Enter');
  await expect.poll(() => view.workbench.readGauge(HERON)).toBe(found);
  await page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => view.workbench.readGauge(HERON)).not.toBe(found);

  await choose(findChoice(page, 'and also, as a grid'), 'behaviour: fields');
  await expect(page.getByRole('region', { name: 'Two places at once' })).toContainText('in the title');
  await expect(view.number('within 3, in the title')).toBeVisible();
});

interface HandRecord {
  readonly title: string;
  readonly year?: number;
  readonly doi?: string;
  readonly authors: readonly { readonly family: string }[];
}

test('overlap: works told apart by identifier, then by title, first author, year and source', async ({
  page,
}) => {
  const view = new CompareView(page);
  await view.startWith('noctule* AND lamp*');
  await page.getByRole('link', { name: 'Databases' }).click();
  await page.getByRole('checkbox', { name: 'Cardinal Point Citations' }).check();
  for (const name of ['Gantry Engineering Abstracts', 'Marlstone Full Text'])
    await page.getByRole('checkbox', { name }).uncheck();
  await page.getByRole('link', { name: 'Compare' }).click();
  await page.getByRole('navigation', { name: 'Questions' }).getByRole('link', { name: 'Overlap' }).click();
  const works = new Map<string, number>();
  let records = 0;
  for (const [id, string] of [
    ['heronsmere', 'noctule* AND lamp*'],
    ['cardinal', 'noctule* AND lamp*'],
  ] as const) {
    const answer = await page.request.post(`/api/standins/${id}/search`, { data: { string, rows: 100 } });
    const found = (await answer.json()) as { total: number; records: HandRecord[] };
    expect(found.total).toBeLessThanOrEqual(100);
    for (const { title, year, doi, authors } of found.records) {
      records++;
      const alike = `${title
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, ' ')
        .trim()} ${year} ${authors[0]?.family}`;
      const known =
        (doi === undefined ? undefined : works.get(doi)) ?? works.get(alike) ?? works.size * 1_000 + records;
      if (doi !== undefined) works.set(doi, known);
      if (year !== undefined) works.set(alike, known);
    }
  }
  const different = new Set(works.values()).size;
  await expect(page.getByTestId('overlap')).toContainText(
    `${different} different works in Heronsmere, Cardinal`,
  );
  await expect(page.getByTestId('overlap')).toContainText(`${records - different} duplicates`);

  // Each work that stands again is shown, with the rule that told its records.
  const more = page.getByRole('button', { name: /^Show more of the other/ });
  const rules = page.getByTestId('repeated').getByText(/^same /);
  await expect(async () => {
    if (await more.isVisible()) await more.click({ timeout: 5_000 });
    await expect(rules).toHaveCount(records - different, { timeout: 1_000 });
  }).toPass();
  const said = (await page.getByTestId('overlap').textContent()) ?? '';
  const [, byIdentifier = '', byWork = ''] = /(\d+) by their identifier,\s+(\d+) by title/.exec(said) ?? [];
  await expect(rules.filter({ hasText: 'same identifier' })).toHaveCount(Number(byIdentifier));
  await expect(rules.filter({ hasText: /^same title, / })).toHaveCount(Number(byWork));
});

test('gained and lost: the records by which two states differ, judged, with an interval', async ({
  page,
}) => {
  const view = new CompareView(page);
  await view.workbench.start();
  await view.workbench.freeze('before');
  await view.workbench.addField('night light').fill('lighting');
  await page.keyboard.press('Enter');
  await view.workbench.waitForCounts();
  await view.open('Gained and lost');
  const gained = await view.read(`gained in ${HERON}`);
  expect(gained).toBeGreaterThan(0);
  await expect(page.getByRole('radio', { name: `gained ${gained}` })).toBeVisible();
  // What is gained and what is common is the draft, in each database, also where no string says it.
  const table = page.getByRole('table', { name: 'Records gained and lost in each database' });
  for (const name of DATABASES) {
    const cells = table.getByRole('row', { name: new RegExp(`^${name}`) }).getByRole('cell');
    const total = await view.workbench.readGauge(name);
    await expect
      .poll(async () => {
        const [more, , both] = (await cells.allTextContents()).map((text) =>
          Number(text.replace(/[^\d]/g, '')),
        );
        return (more ?? NaN) + (both ?? NaN);
      })
      .toBe(total);
  }
  await expect(page.getByText('let in by: added lighting to night light').first()).toBeVisible();
  await expect(page.getByRole('row', { name: /^gained/ })).toContainText('not sampled yet');
  const first = page.locator('ol.records > li[tabindex]').first();
  await first.focus();
  await page.keyboard.press('y');
  await expect(first.getByRole('button', { name: 'on topic' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('row', { name: /^gained/ })).toContainText(`1 of ${gained} judged`);
  // The whole has no precision while a part of it is unread.
  await expect(page.getByRole('row', { name: /^the draft/ })).toContainText('not sampled yet');
  await page.getByRole('radio', { name: /^in both/ }).click();
  await page.locator('ol.records > li[tabindex]').first().focus();
  await page.keyboard.press('n');
  await expect(page.getByRole('row', { name: /^the draft/ })).toContainText('% on topic');
  await view.workbench.waitUntilSaved();
  await page.reload();
  // What was judged counts again, of the part that is not shown, too.
  await expect(page.getByRole('row', { name: /^gained/ })).toContainText(`1 of ${gained} judged`);
  await expect(page.getByRole('row', { name: /^the draft/ })).toContainText('% on topic');
});

test('what to try: changes tried for real, ranked, taken', async ({ page }) => {
  const view = new CompareView(page);
  await view.workbench.start();
  await view.open('What to try');
  const best = page.getByRole('region', { name: 'Changes that help' }).getByRole('row').nth(1);
  await expect(best).toContainText(/into the band|nearer to their bands/);
  await expect(page.getByText(/(\d+) of \1 changes tried/)).toBeVisible();
  const take = best.getByRole('button', { name: /^Use: / });
  const words = ((await take.getAttribute('aria-label')) ?? '').replace(/^Use: /, '');
  const wanted = await view.read(`${words} in ${HERON}`);
  await best.getByRole('button', { name: 'Use and freeze' }).click();
  await expect.poll(() => view.workbench.readGauge(HERON)).toBe(wanted);
  await expect(page.getByRole('row', { name: words })).toBeVisible();
});

test('what to try leaves locked concepts as they are, and shows what of the good works a change finds', async ({
  page,
}) => {
  const read = new ReadView(page);
  await read.start();
  await read.open(1);
  await page.keyboard.press('y');
  await page.goto(page.url().replace(/read.*$/, 'compare/try'));
  const table = page.getByRole('region', { name: 'Changes that help' });
  await expect(page.getByText(/(\d+) of \1 changes tried/)).toBeVisible();
  await expect(page.getByTestId('good-works')).toContainText(/^\s*1 good work .* Heronsmere 1 of 1/);
  await expect(table.getByRole('row').nth(1)).toContainText('1 of 1 good works');
  const ofBats = table.getByRole('rowheader').filter({ hasText: /\bbats\b/i });
  await expect(ofBats).not.toHaveCount(0);
  const lock = page.getByRole('listbox', { name: 'Leave as they are' }).getByRole('option', { name: 'bats' });
  await lock.click();
  await expect(lock).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByText(/(\d+) of \1 changes tried/)).toBeVisible();
  await expect(ofBats).toHaveCount(0);
  // It stays locked for whoever comes back.
  await page.reload();
  await expect(lock).toHaveAttribute('aria-selected', 'true');
  await lock.click();
  await expect(ofBats).not.toHaveCount(0);
});

test('years: when the records were published, year by year', async ({ page }) => {
  const view = new CompareView(page);
  await view.startWith('noctule* AND lamp*');
  await view.open('Years');
  const hand = (string: string): Promise<number> => view.workbench.countByHand('heronsmere', string);
  let most = 0;
  for (const year of [2009, 2016, 2021])
    await expect
      .poll(() => view.read(`${year} in ${HERON}`))
      .toBe(await hand(`noctule* AND lamp* AND year:${year}..${year}`));
  const years = [...Array.from({ length: 29 }, (_, at) => `${1997 + at}`), 'since 2026'];
  for (const year of years) most = Math.max(most, await view.read(`${year} in ${HERON}`));
  await expect
    .poll(() => view.read(`before 1997 in ${HERON}`))
    .toBe(await hand('noctule* AND lamp* AND year:1000..1996'));
  await expect(page.getByTestId('years')).toContainText(
    new RegExp(`The busiest (is|years are) .*, with ${most} records( each)?\\.`),
  );
  await expect(page.locator('app-chart figcaption')).toContainText('records by year of publication');
});

test('tallies are kept, searched, counted again, and their query gone back to', async ({ page }) => {
  const view = new CompareView(page);
  await view.workbench.start();
  await view.workbench.freeze('as it was');
  const before = await view.workbench.readGauge(HERON);
  await view.write('bats');
  await view.open('Tallies');
  await page.getByLabel('Search the tallies').fill('as it was heronsmere');
  const row = page
    .getByRole('region', { name: 'The tallies as a table' })
    .getByRole('row', { name: /Heronsmere/ });
  await expect(row).toContainText(before.toLocaleString('en'));
  await row.getByRole('button', { name: /^Count again/ }).click();
  await expect(row).toContainText('0 since');
  await row.getByRole('button', { name: /^Go back to the query/ }).click();
  await expect.poll(() => view.workbench.readGauge(HERON)).toBe(before);
});
