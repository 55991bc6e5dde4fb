import { expect, test, type Page } from '@playwright/test';
import { choose, findChoice } from './pages/fields';
import { Workbench } from './pages/workbench';

const QUESTION = 'Does street lighting change how bats use hedgerows and roads at night?';
const TERMS: Readonly<Record<string, readonly string[]>> = {
  bats: ['chiroptera', 'pipistrelle', 'myotis', 'noctule', 'echolocation', 'roosting bats', 'bat activity'],
  'street lighting': [
    'road lighting',
    'luminaire',
    'LED',
    'artificial light',
    'light pollution',
    'skyglow',
    'floodlight',
  ],
  hedgerows: ['hedges', 'field boundaries', 'tree line', 'woodland edge', 'bocage', 'corridor', 'verges'],
  roads: ['streets', 'highways', 'traffic', 'motorway', 'bridges', 'underpass', 'lanes'],
  night: ['nocturnal', 'dusk', 'dark', 'twilight', 'moonlight', 'evening', 'darkness'],
};

async function startEmpty(page: Page): Promise<Workbench> {
  const workbench = new Workbench(page);
  await workbench.start();
  await page.goto('/projects');
  await page.getByRole('button', { name: 'New project' }).click();
  await expect(page.getByLabel('The question', { exact: true })).toBeVisible();
  return workbench;
}

/** Five concepts with their terms, headings of two databases and two truncations: what both ways must come to. */
async function expectTheWhole(page: Page, workbench: Workbench): Promise<void> {
  await expect(page.locator('app-concept-column')).toHaveCount(5);
  for (const [name, terms] of Object.entries(TERMS)) {
    for (const term of [terms[0]!, terms.at(-1)!]) await expect(workbench.line(name, term)).toBeVisible();
  }
  await expect(page.locator('.row[role="listitem"]')).toHaveCount(5 + 35 + 2);
  await expect(workbench.line('bats', 'branch(heronsmere): "Chiroptera"')).toBeVisible();
  await expect(workbench.line('street lighting', 'heading(gantry): "Street lighting"')).toBeVisible();
  await expect(workbench.line('bats', 'pipistrel*')).toBeVisible();
  await expect(workbench.line('street lighting', 'luminaire*')).toBeVisible();
  await workbench.goTo('Query');
  await expect(page.locator('.cm-content')).toContainText(
    '@bats AND @street-lighting AND @hedgerows AND @roads AND @night',
  );
}

async function undoAll(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Topic', exact: true }).click();
  await expect(page.locator('app-concept-column')).toHaveCount(5);
  const undo = page.getByRole('button', { name: /^Undo/ });
  await expect(async () => {
    for (let step = 0; step < 20 && (await undo.isEnabled()); step++)
      // The last step may be undone while the button is looked at: it is then not waited for.
      await undo.click({ timeout: 2_000 });
    expect(await undo.isEnabled()).toBe(false);
  }).toPass();
  await expect(page.locator('app-concept-column')).toHaveCount(0);
  await expect(page.getByLabel('The question', { exact: true })).toHaveValue('');
}

/** Types the question and makes concepts of its words by keyboard: the places of words, and how many go together. */
async function pickConcepts(page: Page, picks: readonly (readonly [number, number])[]): Promise<void> {
  const { keyboard } = page;
  await page.getByLabel('The question', { exact: true }).focus();
  await keyboard.type(`${QUESTION}\n`);
  await expect(page.locator('[data-word="0"]')).toBeFocused();
  // Words that records use side by side are found to be a phrase, and picked together.
  await expect(page.locator('[data-word="1"].paired')).toBeVisible();
  for (const [at, count] of picks) {
    await page.locator('.word[tabindex="0"]').focus();
    await keyboard.press('Home');
    for (let step = 0; step < at; step++) await keyboard.press('ArrowRight');
    await keyboard.press('Space');
    const picked = page.locator('.word[aria-pressed="true"]');
    await expect(picked).toHaveCount(count);
    await keyboard.press('Enter');
    await expect(page.locator('input[data-add]:focus')).toBeVisible();
  }
}

test('a whole topic by keyboard alone', async ({ page }) => {
  const workbench = await startEmpty(page);
  const { keyboard } = page;
  await pickConcepts(page, [
    [5, 1],
    [1, 2],
    [7, 1],
    [9, 1],
    [11, 1],
  ]);
  await page.getByLabel('Add a term to bats').focus();
  const columns = Object.entries(TERMS);
  for (const [place, [name, terms]] of columns.entries()) {
    await expect(workbench.addField(name)).toBeFocused();
    for (const term of terms) await keyboard.type(`${term}\n`);
    await expect(workbench.line(name, terms.at(-1)!)).toBeVisible();
    if (place < columns.length - 1) await keyboard.press('Tab');
  }
  await expect(page.locator('app-concept-column')).toHaveCount(5);
  await expect(page.locator('.row[role="listitem"]')).toHaveCount(5 + 35);
  await undoAll(page);
});

test('truncations and headings by keyboard alone', async ({ page }) => {
  const workbench = await startEmpty(page);
  const { keyboard } = page;
  await pickConcepts(page, [
    [5, 1],
    [1, 2],
  ]);
  for (const [concept, term] of [
    ['bats', 'pipistrelle'],
    ['street lighting', 'luminaire'],
  ] as const) {
    await workbench.addField(concept).focus();
    await keyboard.type(`${term}\n`);
  }

  // Two truncations from the bench. A dialog takes the focus when it has opened, so the key is pressed until it tells.
  const takeCut = (concept: string, cut: string) =>
    expect(async () => {
      if (await bench.isVisible())
        await bench.getByRole('button', { name: `Take ${cut}` }).press('Enter', { timeout: 5_000 });
      await expect(workbench.line(concept, cut)).toBeVisible({ timeout: 5_000 });
    }).toPass();
  await workbench.line('bats', 'pipistrelle').focus();
  await keyboard.press('Alt+Shift+E');
  const bench = page.getByRole('dialog', { name: 'Endings: where to cut a word' });
  await expect(bench.getByRole('rowheader', { name: /^pipistrel\*/ })).toBeVisible();
  await takeCut('bats', 'pipistrel*');
  await expect(bench).toHaveCount(0);
  await workbench.line('street lighting', 'luminaire').press('Alt+Shift+E');
  await expect(bench.getByRole('rowheader', { name: /^luminaire\*/ })).toBeVisible();
  await takeCut('street lighting', 'luminaire*');
  await expect(bench).toHaveCount(0);

  // Headings: one from the suggestions, one from the thesaurus.
  const panel = page.getByRole('complementary', { name: 'Suggestions' });
  await workbench.addField('bats').focus();
  await panel.getByRole('button', { name: 'Take branch(heronsmere): "Chiroptera"' }).focus();
  await keyboard.press('Enter');
  await workbench.addField('street lighting').focus();
  await panel.getByRole('button', { name: 'Thesaurus', exact: true }).focus();
  await keyboard.press('Enter');
  const thesaurus = page.getByRole('dialog', { name: /^Thesaurus/ });
  // A dialog takes the focus when it has opened.
  await expect(thesaurus.getByLabel('Look up a word')).toBeFocused();
  await thesaurus.getByRole('radio', { name: 'Gantry Engineering Abstracts' }).press('Enter');
  await thesaurus.getByLabel('Look up a word').focus();
  await keyboard.press('Control+a');
  await keyboard.type('street lighting');
  await expect(thesaurus.getByRole('region', { name: 'Heading Street lighting' })).toBeVisible();
  await thesaurus.getByRole('button', { name: 'Add this heading' }).press('Enter');
  await keyboard.press('Escape');
  await expect(workbench.line('bats', 'branch(heronsmere): "Chiroptera"')).toBeVisible();
  await expect(workbench.line('street lighting', 'heading(gantry): "Street lighting"')).toBeVisible();
});

test('the same topic by pointer', async ({ page }) => {
  const workbench = await startEmpty(page);
  await page.getByLabel('The question', { exact: true }).fill(QUESTION);
  await page.getByText('Numbers in').click();
  const actions = page.getByRole('toolbar', { name: 'With the picked words' });
  for (const words of [['bats'], ['street', 'lighting'], ['hedgerows'], ['roads'], ['night']]) {
    for (const word of words) {
      const button = page.getByRole('button', { name: word, exact: true }).first();
      // A likely phrase comes as a whole: its second word is picked with the first.
      if ((await button.getAttribute('aria-pressed')) === 'false') await button.click();
      await expect(button).toHaveAttribute('aria-pressed', 'true');
    }
    await actions.getByRole('button', { name: 'Make a concept' }).click();
    await expect(workbench.addField(words.join(' '))).toBeVisible();
  }
  for (const [name, terms] of Object.entries(TERMS)) {
    await page.evaluate((list) => navigator.clipboard.writeText(list), terms.join('\n'));
    await workbench.addField(name).click();
    await page.keyboard.press('Control+v');
    await expect(workbench.line(name, terms.at(-1)!)).toBeVisible();
  }
  const bench = page.getByRole('dialog', { name: 'Endings: where to cut a word' });
  for (const [concept, word, cut] of [
    ['bats', 'pipistrelle', 'pipistrel*'],
    ['street lighting', 'luminaire', 'luminaire*'],
  ] as const) {
    await page.getByLabel(`More for ${word}`, { exact: true }).click();
    await page.getByRole('menuitem', { name: 'Endings…' }).click();
    await bench.getByRole('button', { name: `Take ${cut}` }).click();
    await expect(workbench.line(concept, cut)).toBeVisible();
  }
  const panel = page.getByRole('complementary', { name: 'Suggestions' });
  await workbench.addField('bats').click();
  await panel.getByRole('button', { name: 'Take branch(heronsmere): "Chiroptera"' }).click();
  await expect(workbench.line('bats', 'branch(heronsmere): "Chiroptera"')).toBeVisible();
  await workbench.addField('street lighting').click();
  await panel.getByRole('button', { name: 'Thesaurus', exact: true }).click();
  const thesaurus = page.getByRole('dialog', { name: /^Thesaurus/ });
  await thesaurus.getByRole('radio', { name: 'Gantry Engineering Abstracts' }).click();
  await thesaurus.getByRole('button', { name: 'Street lighting', exact: true }).click();
  await thesaurus.getByRole('button', { name: 'Add this heading' }).click();
  await thesaurus.getByRole('button', { name: 'Done', exact: true }).click();
  await expectTheWhole(page, workbench);
  await undoAll(page);
});

test('frame, purpose and rules: a frame proposes concepts, rules set limiters and bands in one action', async ({
  page,
}) => {
  const workbench = await startEmpty(page);
  await page.getByRole('button', { name: 'Question and rules…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Question and rules' });
  await choose(findChoice(dialog, 'Frame of the question'), 'Population, exposure, outcome');
  await dialog.getByLabel('Population', { exact: true }).fill('bats');
  await dialog.getByLabel('Exposure', { exact: true }).fill('street light');
  await dialog.getByLabel('Outcome', { exact: true }).click();
  await dialog.getByRole('button', { name: 'Make a concept of Population' }).click();
  await dialog.getByRole('button', { name: 'Make a concept of Exposure' }).click();
  await dialog.getByRole('radio', { name: 'quick answer' }).click();
  await dialog.getByRole('button', { name: 'Use the usual range' }).click();
  await expect(dialog.getByLabel('At most')).toHaveValue('50');
  await dialog.getByRole('button', { name: '+ limiter' }).click();
  await page.getByLabel('peer-reviewed').click();
  await page.keyboard.press('Escape');
  await dialog.getByLabel('Scope notes and rules').fill('Only peer-reviewed work.');
  await dialog.getByRole('button', { name: 'Apply these limiters and targets' }).click();
  await dialog.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByRole('banner').getByText('peer-reviewed')).toBeVisible();
  await expect(workbench.line('street light', '"street light"')).toBeVisible();
  await expect(
    page.getByRole('button', { name: /^Target band of Heronsmere Life Index: (above|below|in)/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('banner').getByText('peer-reviewed')).toHaveCount(0);
  // The purpose decides what is called good: nothing may be missed, so a large number is work and no fault.
  await page.getByRole('button', { name: 'Question and rules…' }).click();
  await dialog.getByRole('radio', { name: 'exhaustive search' }).click();
  await dialog.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(
    page.getByRole('button', { name: 'Target band of Heronsmere Life Index: to screen' }),
  ).toBeVisible();
});

test('context words say why they are dimmed, and can be brought back', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const word = page.getByRole('button', { name: 'use', exact: true });
  await expect(word).toHaveAccessibleDescription(/nearly every record could/);
  await word.click();
  await page.getByRole('button', { name: 'It is more than context' }).click();
  await expect(word).not.toHaveAccessibleDescription(/nearly every/);
  await page.getByRole('button', { name: 'warmer', exact: true }).click();
  await page.getByRole('button', { name: 'Add to behaviour' }).click();
  await expect(workbench.line('behaviour', 'warmer')).toBeVisible();
});

test('the steps tick themselves and can be put away', async ({ page }) => {
  await startEmpty(page);
  const steps = page.getByRole('button', { name: /^Steps: / });
  await expect(steps).toHaveAccessibleName('Steps: 0 of 8 done');
  await page.getByLabel('The question', { exact: true }).fill('What do bats do at lamps?');
  await expect(steps).toHaveAccessibleName('Steps: 1 of 8 done');
  await steps.click();
  await page.getByRole('menuitem', { name: 'Hide the steps' }).click();
  await expect(steps).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Steps', exact: true })).toBeVisible();
});
