import { expect, test, type Page } from '@playwright/test';
import { choose, findChoice } from './pages/fields';
import { Workbench } from './pages/workbench';

async function startEmpty(page: Page, ...concepts: string[]): Promise<Workbench> {
  const workbench = new Workbench(page);
  await workbench.start();
  await page.goto('/projects');
  await page.getByRole('button', { name: 'New project' }).click();
  for (const concept of concepts) {
    await page.getByLabel('Name of a new concept').fill(concept);
    await page.keyboard.press('Enter');
    await expect(workbench.addField(concept)).toBeFocused();
  }
  return workbench;
}

async function paste(page: Page, text: string): Promise<void> {
  await page.evaluate((content) => navigator.clipboard.writeText(content), text);
  await page.keyboard.press('Control+v');
}

async function addTerms(workbench: Workbench, concept: string, ...terms: string[]): Promise<void> {
  await workbench.addField(concept).focus();
  for (const term of terms) await workbench.page.keyboard.type(`${term}\n`);
}

const remark = (workbench: Workbench, concept: string, term: string) =>
  workbench
    .column(concept)
    .getByRole('button', { name: new RegExp(`^Remark on ${term.replace(/[*?()"]/g, '\\$&')}:`) });

test('every mark has its reason, and a fix that mends it', async ({ page }) => {
  test.setTimeout(300_000);
  const workbench = await startEmpty(page, 'bats', 'lamps');
  await addTerms(
    workbench,
    'bats',
    'bat*',
    'bats',
    'batzzz',
    'myotis',
    'x',
    '"open quote',
    'how do bats fly at night along roads?',
  );
  await addTerms(workbench, 'lamps', 'bats', 'of');
  const cases: readonly (readonly [string, string, RegExp, string])[] = [
    ['lamps', 'bats', /stands in the concept bats too/, 'Remove it here'],
    ['bats', 'bats', /finds, bat\* finds too/, 'Remove it'],
    ['bats', 'batzzz', /finds nothing in/, 'Switch it off'],
    [
      'bats',
      'myotis',
      /finds nothing in Gantry/,
      'Search it only in Heronsmere Life Index, Marlstone Full Text',
    ],
    ['bats', 'x', /single letter/, 'Remove it'],
    ['bats', 'bat*', /% of all records/, 'Switch it off'],
  ];
  for (const [concept, term, reason] of cases.toReversed()) {
    await remark(workbench, concept, term).click();
    await expect(page.getByText(reason).first()).toBeVisible();
    await page.keyboard.press('Escape');
  }
  for (const [concept, term, reason, fix] of cases) {
    await remark(workbench, concept, term).click();
    await expect(page.getByText(reason).first()).toBeVisible();
    await page.getByRole('menuitem', { name: fix, exact: true }).first().click();
    await expect(page.getByText(reason)).toHaveCount(0);
  }
  await expect(workbench.line('bats', 'myotis')).toHaveAccessibleName(/only for heronsmere, marlstone/);
  const sentence = workbench.column('bats').locator('input[title*="how do bats fly"]');
  await expect(sentence).toHaveAccessibleDescription(/whole sentence/);
  await expect(workbench.line('bats', '"open quote')).toHaveAccessibleDescription(/never closed/);
  await workbench
    .column('bats')
    .getByRole('button', { name: /^Remark on "open quote/ })
    .click();
  await page.getByRole('menuitem', { disabled: false }).first().click();
  await expect(workbench.line('bats', '"open quote')).toHaveCount(0);
  const undo = page.getByRole('button', { name: /^Undo/ });
  for (let step = 0; step < 7; step++) await undo.click();
  await expect(workbench.line('bats', 'bats')).toBeVisible();
  await expect(workbench.line('lamps', 'bats')).toBeVisible();
});

test('the numbers of each term, in one database and side by side, agree with counts made by hand', async ({
  page,
}) => {
  const workbench = await startEmpty(page, 'bats', 'lamps');
  await addTerms(workbench, 'bats', 'bat', 'bats', 'myotis');
  await addTerms(workbench, 'lamps', 'lamp', 'lamps', 'LED');
  const count = (string: string) => workbench.countByHand('heronsmere', string);
  const draft = await count('(bat OR bats OR myotis) AND (lamp OR lamps OR LED)');
  const without = await count('(bats OR myotis) AND (lamp OR lamps OR LED)');
  const line = workbench
    .column('bats')
    .getByRole('listitem')
    .filter({ has: page.locator('input[title="bat"]') });
  await page.getByRole('radio', { name: 'unique in the query' }).click();
  await expect(line.locator('.only')).toContainText(`+${(draft - without).toLocaleString('en')}`);
  await page.getByRole('radio', { name: 'side by side' }).click();
  await expect(line.locator('.number')).toHaveCount(3);
  await expect(line.locator('.only').first()).toContainText(`+${(draft - without).toLocaleString('en')}`);
  await page.getByRole('radio', { name: 'finds', exact: true }).click();
  const gantry = await workbench.countByHand('gantry', 'bat{title} or bat{summary} or bat{index}');
  await expect(line.locator('.finds').nth(1)).toContainText(gantry.toLocaleString('en'));

  await page.getByRole('radio', { name: 'Heronsmere Life Index' }).click();
  const order = () =>
    workbench
      .column('lamps')
      .locator('input.line')
      .evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value));
  expect(await order()).toEqual(['lamp', 'lamps', 'LED']);
  await page.getByRole('button', { name: /^Sorted/ }).click();
  await page.getByRole('menuitemradio', { name: 'by what they find' }).click();
  const found = await Promise.all(
    ['lamp', 'lamps', 'LED'].map(async (term) => [term, await count(term)] as const),
  );
  await expect.poll(order).toEqual(found.sort((a, b) => b[1] - a[1]).map(([term]) => term));
  await page.getByRole('button', { name: /^Sorted/ }).click();
  await page.getByRole('menuitemradio', { name: 'by hand' }).click();
  expect(await order()).toEqual(['lamp', 'lamps', 'LED']);
});

test('a pasted table goes into concepts old and new, and comes out again as it went in', async ({ page }) => {
  const workbench = await startEmpty(page, 'bats');
  await workbench.addField('bats').focus();
  await paste(page, 'bats\tlamps\troads\nbat\tlamp*\troad\nnoctule\tstreet light\thighway\n\tluminaire\t\n');
  const dialog = page.getByRole('dialog', { name: 'A table of terms' });
  await expect(dialog.getByLabel('The first line holds the names')).toBeChecked();
  await dialog.getByRole('button', { name: 'Add as terms' }).click();
  await expect(page.locator('app-concept-column')).toHaveCount(3);
  await expect(workbench.line('lamps', 'street light')).toBeVisible();
  await page.getByRole('button', { name: 'Copy the table' }).click();
  await expect
    .poll(() => page.evaluate(() => navigator.clipboard.readText()))
    .toBe('bats\tlamps\troads\nbat\tlamp*\troad\nnoctule\t"""street light"""\thighway\n\tluminaire\t');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.locator('app-concept-column')).toHaveCount(1);
});

test('ten thousand pasted lines are offered as a list to pick from', async ({ page }) => {
  const workbench = await startEmpty(page, 'words');
  await workbench.addField('words').focus();
  await paste(page, Array.from({ length: 10_000 }, (_, at) => `word${at}`).join('\n'));
  const dialog = page.getByRole('dialog', { name: 'A long list of terms' });
  await expect(
    dialog.getByText('10,000 of 10,000 picked').or(dialog.getByText('10000 of 10000 picked')),
  ).toBeVisible();
  await expect(dialog.getByText('has room for 200 more')).toBeVisible();
  await dialog.getByRole('button', { name: 'Leave these out' }).click();
  await dialog.getByLabel('Find in the list').fill('word77');
  await dialog.getByRole('button', { name: 'Pick these' }).click();
  await expect(dialog.getByText('111 of 10000 picked')).toBeVisible();
  await dialog.getByRole('button', { name: 'Add as terms' }).click();
  await expect(workbench.line('words', 'word77')).toBeVisible();
});

test('odd terms get a clear word and nothing typed is lost', async ({ page }) => {
  const workbench = await startEmpty(page, 'odd');
  for (const [typed, said] of [
    ['*', /wildcards/],
    ['a', /single letter/],
    ['🦇', /no letters/],
    ['"open', /never closed/],
    ['(open', /never closed/],
  ] as const) {
    await workbench.addField('odd').fill(typed);
    await page.keyboard.press('Enter');
    await expect(
      workbench.column('odd').locator(`input[title=${JSON.stringify(typed)}]`),
    ).toHaveAccessibleDescription(said);
  }
  await workbench.addField('odd').fill('עטלף לילה');
  await page.keyboard.press('Enter');
  await expect(workbench.line('odd', 'עטלף לילה')).toHaveAccessibleName('other language');
  await workbench.addField('odd').fill('   ');
  await page.keyboard.press('Enter');
  await expect(workbench.column('odd').getByRole('listitem')).toHaveCount(6);
  await workbench.waitUntilSaved();
  await page.reload();
  await expect(workbench.column('odd').getByRole('listitem')).toHaveCount(6);
});

test('kinds are corrected, terms are meant for some databases only, and both are seen', async ({ page }) => {
  const workbench = await startEmpty(page, 'people');
  await addTerms(workbench, 'people', 'Marlstone Town', 'Fledermaus');
  await page.getByLabel('More for "Marlstone Town"').click();
  await page.getByRole('menuitem', { name: 'Kind, databases and note…' }).click();
  await choose(findChoice(page, 'Kind of the term'), 'organisation');
  await page.getByLabel('Note on the term').fill('ask them');
  await page.getByRole('checkbox', { name: 'Gantry Engineering Abstracts' }).uncheck();
  // A term is meant for at least one database: the last box that is ticked stays.
  await page.getByRole('checkbox', { name: 'Heronsmere Life Index' }).uncheck();
  await expect(page.getByRole('checkbox', { name: 'Marlstone Full Text' })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: 'Marlstone Full Text' })).toBeDisabled();
  await page.getByRole('checkbox', { name: 'Heronsmere Life Index' }).check();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  const organisation = workbench.line('people', 'affiliation: "Marlstone Town"');
  await expect(organisation).toHaveAccessibleName('organisation, only for heronsmere, marlstone');
  await workbench.line('people', 'Fledermaus').focus();
  await page.keyboard.press('Alt+Enter');
  await choose(findChoice(page, 'Kind of the term'), 'other language');
  await page.getByLabel('Language', { exact: true }).fill('de');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(workbench.line('people', 'Fledermaus')).toHaveAccessibleName('other language');
  await page.getByRole('button', { name: 'Copy the table' }).click();
  await expect
    .poll(() => page.evaluate(() => navigator.clipboard.readText()))
    .toContain('IN(heronsmere, marlstone: affiliation: ""Marlstone Town"")');
});

test('a concept is placed, given fields and a note, split, merged and copied to another project', async ({
  page,
}) => {
  const workbench = await startEmpty(page, 'bats', 'lamps', 'toys');
  await addTerms(workbench, 'bats', 'bat', 'noctule');
  await addTerms(workbench, 'lamps', 'lamp', 'lantern');
  await addTerms(workbench, 'toys', 'toy');
  const settings = async (concept: string) => {
    await page.getByLabel(`More for the concept ${concept}`).click();
    await page.getByRole('menuitem', { name: 'Note, place and fields…' }).click();
  };
  await settings('toys');
  await page.getByRole('radio', { name: 'excluded' }).click();
  await page.getByRole('checkbox', { name: 'title', exact: true }).check();
  await page.getByLabel('Note on the concept').fill('clubs and puppets');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.locator('app-concept-head').getByText('clubs and puppets')).toBeVisible();
  const expected = await workbench.countByHand(
    'heronsmere',
    '((bat OR noctule) AND (lamp OR lantern)) NOT title:toy',
  );
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(expected);

  await page.getByLabel('More for the concept bats').click();
  await page.getByRole('menuitem', { name: 'Split…' }).click();
  await page.getByRole('checkbox', { name: 'noctule' }).check();
  await page.getByLabel('Name of the new concept').fill('noctules');
  await page.getByRole('radio', { name: 'either of them, as before' }).click();
  await page.getByRole('button', { name: 'Split', exact: true }).click();
  await expect(page.locator('app-concept-column')).toHaveCount(4);
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(expected);
  await expect(page.getByText('or bats')).toBeVisible();

  await settings('noctules');
  await choose(findChoice(page, 'Merge into'), 'bats');
  await page.getByRole('button', { name: 'Put all its terms there' }).click();
  await expect(page.locator('app-concept-column')).toHaveCount(3);
  await expect(workbench.line('bats', 'noctule')).toBeVisible();

  await settings('bats');
  await choose(findChoice(page, 'Copy to the project'), 'Bats and street lighting');
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(page.getByText('Copied to Bats and street lighting.')).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await workbench.goTo('Projects');
  await page
    .getByRole('link', { name: /Bats and street lighting/ })
    .or(page.getByRole('button', { name: /Bats and street lighting/ }))
    .first()
    .click();
  await expect(page.locator('app-concept-column')).toHaveCount(4);
});

test('twelve concepts and two hundred terms stay readable and quick', async ({ page }) => {
  const workbench = await startEmpty(page, 'first');
  const names = ['first', ...Array.from({ length: 11 }, (_, at) => `concept ${at + 2}`)];
  const lines = Array.from({ length: 14 }, (_, line) => names.map((_, at) => `word${at}x${line}`).join('\t'));
  await workbench.addField('first').focus();
  await paste(page, [names.join('\t'), ...lines].join('\n'));
  await page.getByRole('button', { name: 'Add as terms' }).click();
  await expect(page.locator('app-concept-column')).toHaveCount(12);
  await workbench.addField('first').focus();
  await paste(page, Array.from({ length: 186 }, (_, at) => `term${at}`).join('\n'));
  await expect(page.getByRole('button', { name: 'Go to first' })).toContainText('200');
  // Only lines in sight are drawn; the last one is there when it is scrolled to.
  expect(await workbench.column('first').getByRole('listitem').count()).toBeLessThan(60);
  await workbench.column('first').evaluate((list) => list.scrollTo(0, list.scrollHeight));
  await expect(workbench.line('first', 'term185')).toBeVisible();
  await page.getByRole('button', { name: 'Go to concept 12' }).click();
  await expect(workbench.addField('concept 12')).toBeFocused();
  await expect(workbench.addField('concept 12')).toBeInViewport();
  await page.keyboard.type('noctule\n');
  await expect(workbench.line('concept 12', 'noctule')).toBeVisible();
  const width = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(width).toBeLessThanOrEqual(1280);
});

test('a term is counted while it is typed, in one step that undo takes back', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const before = await workbench.readGauge('Heronsmere Life Index');
  const line = workbench.line('bats', 'bats');
  await line.focus();
  await page.keyboard.press('End');
  await page.keyboard.type('zzz', { delay: 60 });
  // Typing rests: the number is that of what stands there, though nothing was taken over by a key.
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBeLessThan(before);
  await expect(
    page.getByRole('button', { name: 'batszzz in Heronsmere Life Index: 0 records' }),
  ).toBeVisible();
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Backspace');
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(before);
  await page.keyboard.type('zz', { delay: 60 });
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBeLessThan(before);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Undo: Edit a term' }).click();
  await expect(workbench.line('bats', 'bats')).toHaveValue('bats');
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(before);
});

test('Escape brings back the term as it was before it was edited', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const before = await workbench.readGauge('Heronsmere Life Index');
  const line = workbench.line('bats', 'bats');
  await line.focus();
  await page.keyboard.type('noctule', { delay: 40 });
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).not.toBe(before);
  await page.keyboard.press('Escape');
  await expect(line).toHaveValue('bats');
  await expect.poll(() => workbench.readGauge('Heronsmere Life Index')).toBe(before);
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
});
