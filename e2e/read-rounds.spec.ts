import { expect, test, type Locator, type Page } from '@playwright/test';
import { ReadView } from './pages/read-view';

/** How a person would add what stands in a row of what can be learnt: by the pointer or by keys. */
type Press = (button: Locator, page: Page) => Promise<void>;

const WAYS: Readonly<Record<string, { readonly judge: Press; readonly add: Press }>> = {
  'by keys': {
    judge: async (button, page) => {
      const key = ((await button.locator('b').textContent()) ?? '').trim().toLowerCase();
      await page.keyboard.press(key);
    },
    add: async (button, page) => {
      await button.focus();
      await page.keyboard.press('Enter');
    },
  },
  'by pointer': { judge: (button) => button.click(), add: (button) => button.click() },
};

/** Whether a record answers the question, as far as its words tell. */
const ANSWERS = [
  /\b(bats?|chiroptera\w*|myotis|pipistrell\w*)\b/i,
  /\b(light\w*|lamps?|lit|luminaires?|LED)\b/,
];

for (const [name, way] of Object.entries(WAYS)) {
  test(`three rounds of reading and taking what the records teach, ${name}`, async ({ page }) => {
    const view = new ReadView(page);
    await view.workbench.start();
    await page.goto('/projects');
    await page.getByRole('button', { name: 'New project' }).click();
    const question = page.getByRole('textbox', { name: 'The question' });
    await question.fill('Do bats avoid streetlights?');
    await question.press('Enter');
    for (const word of ['bats', 'streetlights']) {
      await page.getByRole('button', { name: word, exact: true }).click();
      await page.getByRole('button', { name: 'Make a concept', exact: true }).click();
      await expect(page.getByRole('list', { name: `Terms of ${word}` })).toBeVisible();
    }
    await view.workbench.waitForCounts();
    await view.workbench.goTo('Read');
    await expect(view.record).toBeVisible();
    const counts = [await view.readTotal()];
    for (let round = 0; round < 3; round++) {
      for (let record = 0; record < 5; record++) {
        await expect(view.row(record)).toHaveAttribute('aria-selected', 'true');
        const mark = view.row(record).getByRole('img', { name: /topic$/ });
        if (!(await mark.isVisible())) {
          const abstract = await view.record.locator('.abstract').first().textContent();
          const text = `${(await view.title()) ?? ''} ${abstract ?? ''}`;
          const verdict = ANSWERS.every((sign) => sign.test(text)) ? 'on topic' : 'off topic';
          await way.judge(view.record.getByRole('button', { name: verdict, exact: true }), page);
          await expect(mark).toBeVisible();
        }
        await view.open(record + 1);
      }
      await expect(view.learn.getByRole('radio', { name: /^\d+ on topic/ })).toBeChecked();
      const concept = view.learn.getByRole('radio', { name: 'streetlights' });
      // What stands above may still grow by a line while it is clicked.
      await expect(async () => {
        await concept.click();
        await expect(concept).toBeChecked({ timeout: 1_000 });
      }).toPass();
      const row = view.learn
        .locator('tbody tr')
        .filter({ has: page.getByRole('button', { name: /^Add / }) })
        .filter({ hasText: /\+[1-9]/ });
      const taken = ((await row.first().getByRole('rowheader').textContent()) ?? '').trim();
      await way.add(view.learn.getByRole('button', { name: `Add ${taken} to streetlights` }), page);
      const before = counts.at(-1)!;
      await expect.poll(() => view.readTotal()).toBeGreaterThan(before);
      counts.push(await view.readTotal());
      if (round === 1) {
        // In the middle of it all the page is loaded again: nothing is lost.
        await view.workbench.waitUntilSaved();
        await page.reload();
        await expect.poll(() => view.readTotal()).toBe(counts.at(-1)!);
      }
      await view.open(0);
    }
    expect(counts).toEqual([...counts].sort((a, b) => a - b));
    await page.getByRole('button', { name: /^Undo: / }).click();
    await expect.poll(() => view.readTotal()).toBe(counts.at(-2)!);
  });
}
