import { expect, test } from '@playwright/test';
import { Workbench } from './pages/workbench';

const MAX_ACTIONS = 40;
const RULES = 'At least 20 to 400 peer-reviewed sources in English from the last ten years.';

test('from a question of one’s own to a count within the band in two databases, by what the screen says', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  page.setDefaultTimeout(10_000);
  const started = Date.now();
  let actions = 0;
  /** A click, or a text that is typed and sent. */
  const act = async (action: Promise<unknown>): Promise<void> => {
    actions++;
    await action;
  };
  const click = (name: string | RegExp): Promise<void> =>
    act(page.getByRole('button', { name, exact: true }).click());

  await act(workbench.goTo('Projects'));
  await click('New project');
  await expect(page.getByText('made-up databases')).toBeVisible();
  const question = page.getByRole('textbox', { name: 'The question' });
  await act(question.fill('Do LED street lights change how moths visit flowers at night?'));
  await act(question.press('Enter'));

  // Two ideas of the question become concepts.
  await click('moths');
  await click('Make a concept');
  await click('street');
  await click('Make a concept');
  await expect(page.locator('app-concept-column')).toHaveCount(2);

  // Synonyms, a line each.
  for (const [label, terms] of [
    [/^Add a term to moths$/, ['moth*', 'lepidoptera*', 'insect*']],
    [/^Add a term to .*light/, ['"street light*"', '"artificial light*"', 'lamp*', 'luminaire*']],
  ] as const) {
    for (const term of terms) {
      const field = page.getByLabel(label);
      await act(field.fill(term));
      await act(field.press('Enter'));
    }
  }

  // The rules of the assignment are pasted, understood and applied.
  await click('Question and rules…');
  const dialog = page.getByRole('dialog', { name: 'Question and rules' });
  await act(dialog.getByLabel('Scope notes and rules').fill(RULES));
  await expect(dialog.getByRole('group', { name: 'Understood in these words' })).toContainText(
    'peer-reviewed',
  );
  await click('Use all');
  await click('Apply these limiters and targets');
  await click('Done');

  const banner = page.getByRole('banner');
  for (const limiter of ['peer-reviewed', 'English']) await expect(banner.getByText(limiter)).toBeVisible();
  const inBand = page.getByRole('button', { name: /^Target band of .*: in the band/ });
  await expect.poll(() => inBand.count()).toBeGreaterThanOrEqual(2);
  console.log(`${actions} actions, ${Math.round((Date.now() - started) / 1_000)} s`);
  expect(actions).toBeLessThanOrEqual(MAX_ACTIONS);
});
