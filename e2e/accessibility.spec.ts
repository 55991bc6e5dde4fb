import { expect, test, type Page } from '@playwright/test';
import { expectNothingByAxe } from './pages/axe';
import { CompareView, TOOL_NAMES } from './pages/compare-view';
import { Workbench } from './pages/workbench';

type Part = 'body' | 'section' | 'mat-dialog-container' | '[role=menu]';

/** Looks at one part, and closes it. What stands behind a dialog is checked with its own view. */
async function checkPart(page: Page, part: Part): Promise<void> {
  await expectNothingByAxe(page, part);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog').or(page.getByRole('menu'))).toHaveCount(0);
}

for (const colours of ['light', 'dark'] as const) {
  test.describe(`in ${colours} colours`, () => {
    test.use({ colorScheme: colours });

    for (const view of ['Topic', 'Query', 'Translate', 'Compare', 'Read', 'Databases', 'Projects'] as const) {
      test(`axe finds nothing on ${view}`, async ({ page }) => {
        const workbench = new Workbench(page);
        await workbench.start();
        await workbench.goTo(view);
        await page.waitForLoadState('networkidle');
        await expectNothingByAxe(page);
      });
    }

    for (const [half, tools] of [TOOL_NAMES.slice(0, 5), TOOL_NAMES.slice(5)].entries()) {
      test(`axe finds nothing in the questions of Compare, part ${half + 1}`, async ({ page }) => {
        const view = new CompareView(page);
        await view.workbench.start();
        for (const tool of tools) {
          await view.open(tool);
          await page.waitForLoadState('networkidle');
          await expectNothingByAxe(page, 'app-compare-page');
        }
      });
    }

    test('axe finds nothing in the drawer, the limiters and a dialog', async ({ page }) => {
      const workbench = new Workbench(page);
      await workbench.start();
      const check = (): Promise<void> => expectNothingByAxe(page);
      await workbench.gauge('Heronsmere Life Index').click();
      await expect(page.getByRole('dialog').getByRole('listitem')).toHaveCount(10);
      await check();
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: '+ limiter' }).click();
      await expect(page.getByRole('dialog', { name: 'Limiters' })).toBeVisible();
      await check();
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: 'Freeze as variant' }).click();
      await expect(page.getByRole('dialog', { name: 'Freeze as variant' })).toBeVisible();
      await check();
    });

    test('axe finds nothing in the dialogs and menus of Topic', async ({ page }) => {
      const workbench = new Workbench(page);
      await workbench.start();
      const check = (part: Part): Promise<void> => checkPart(page, part);
      await page.getByRole('radio', { name: 'side by side' }).click();
      await page.getByRole('button', { name: 'warmer', exact: true }).click();
      await check('body');
      await workbench.line('bats', 'bat').focus();
      for (const opener of ['Question and rules…', 'Endings', 'Thesaurus', 'Words or headings']) {
        await page.getByRole('button', { name: opener, exact: true }).click();
        await expect(page.getByRole('dialog')).toBeVisible();
        await check('mat-dialog-container');
      }
    });

    test('axe finds nothing in the dialogs and menus of terms and concepts', async ({ page }) => {
      const workbench = new Workbench(page);
      await workbench.start();
      const check = (part: Part): Promise<void> => checkPart(page, part);
      await workbench.line('bats', 'bat').focus();
      await page.keyboard.press('Alt+Enter');
      await expect(page.getByRole('dialog')).toBeVisible();
      await check('mat-dialog-container');
      for (const item of ['Note, place and fields…', 'Split…']) {
        await page.getByLabel('More for the concept bats').click();
        await page.getByRole('menuitem', { name: item }).click();
        await expect(page.getByRole('dialog')).toBeVisible();
        await check('mat-dialog-container');
      }
      await page.getByRole('button', { name: /^Remark on myotis/ }).click();
      await expect(page.getByRole('menu')).toBeVisible();
      await check('[role=menu]');
      await page.evaluate(() => navigator.clipboard.writeText('one\ttwo\nbat\tlamp'));
      await workbench.addField('bats').focus();
      await page.keyboard.press('Control+v');
      await expect(page.getByRole('dialog', { name: 'A table of terms' })).toBeVisible();
      await check('mat-dialog-container');
    });

    test('axe finds nothing in the lines, dialogs and menus of Query', async ({ page }) => {
      const workbench = new Workbench(page);
      await workbench.start();
      await workbench.goTo('Query');
      await page.waitForLoadState('networkidle');
      const check = (part: Part): Promise<void> => checkPart(page, part);
      for (const opener of ['Build a row…', 'Rewrite and compare…', 'Report…']) {
        await page.getByRole('button', { name: opener, exact: true }).click();
        await expect(page.getByRole('dialog')).toBeVisible();
        await check('mat-dialog-container');
      }
    });

    test('axe finds nothing in the dialogs and the menu of a row', async ({ page }) => {
      const workbench = new Workbench(page);
      await workbench.start();
      await workbench.goTo('Query');
      const check = (part: Part): Promise<void> => checkPart(page, part);
      const row = page.getByRole('treegrid').getByRole('row', { name: 'any of @bats' });
      for (const key of ['f', 'm', 'c', 'b']) {
        await row.press(key);
        await expect(page.getByRole('dialog')).toBeVisible();
        await check('mat-dialog-container');
      }
      await row.hover();
      await row.getByRole('button', { name: /^More for/ }).click();
      await expect(page.getByRole('menu')).toBeVisible();
      await check('[role=menu]');
      await page.getByRole('radio', { name: 'Line by line' }).click();
      await check('section');
    });
  });
}
