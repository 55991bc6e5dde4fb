import { expect, test } from '@playwright/test';
import { Workbench } from './pages/workbench';

test('the draft is typed as text, problems are underlined and mended, and the outline follows', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  const editor = page.getByLabel('The query as text').getByRole('textbox');
  await editor.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('@bats AND @light OR "road lighting"');
  await expect(page.getByRole('button', { name: /OR stands beside AND/ })).toBeVisible();
  await expect(page.locator('.cm-lintRange-error')).not.toHaveCount(0);
  await page.getByRole('button', { name: 'Put brackets round what OR joins' }).click();
  await expect(editor).toHaveText('@bats AND (@light OR "road lighting")');
  await expect(page.getByText('Nothing hinders the counting.')).toBeVisible();
  await expect(page.getByRole('row', { name: /road lighting/ })).not.toHaveCount(0);
  const expected = await workbench.countByHand('marlstone', '"road lighting"', {
    years: { from: 2000, to: 2026 },
  });
  expect(expected).toBeGreaterThan(0);
});

test('nothing that is typed is lost, however broken it is', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  await page.getByLabel('The query as text').getByRole('textbox').click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('((bats AND "street @lampz OR');
  await workbench.waitUntilSaved();
  await page.reload();
  await expect(page.getByLabel('The query as text').getByRole('textbox')).toHaveText(
    '((bats AND "street @lampz OR',
  );
  await expect(page.getByRole('button', { name: 'This bracket is never closed.' })).toHaveCount(2);
});

test('from a key press to new numbers in all three gauges takes less than 300 ms at the median', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  const editor = page.getByLabel('The query as text').getByRole('textbox');
  await editor.click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' NOT zebra');
  const times: number[] = [];
  for (let round = 0; round < 15; round++) {
    const letter = 'abcdefghijklmno'[round] ?? 'x';
    await expect(page.locator('app-gauge.waiting')).toHaveCount(0);
    await page.evaluate(() => {
      const found = new Promise<number>((resolve) => {
        let start = 0;
        let waited = false;
        const look = (): void => {
          const waiting = document.querySelectorAll('app-gauge.waiting').length;
          if (waiting > 0) waited = true;
          if (start === 0 || !waited || waiting > 0) return;
          observer.disconnect();
          requestAnimationFrame(() => resolve(performance.now() - start));
        };
        const observer = new MutationObserver(look);
        observer.observe(document.body, {
          subtree: true,
          attributes: true,
          childList: true,
          characterData: true,
        });
        document.addEventListener('keydown', () => (start = performance.now()), {
          once: true,
          capture: true,
        });
      });
      Object.assign(window, { measured: found });
    });
    await page.keyboard.press(letter);
    times.push(await page.evaluate(() => (window as unknown as { measured: Promise<number> }).measured));
  }
  times.sort((a, b) => a - b);
  const median = times[Math.floor(times.length / 2)] ?? Infinity;
  console.log(
    `key press to three new numbers: median ${Math.round(median)} ms, slowest ${Math.round(times.at(-1) ?? 0)} ms`,
  );
  expect(median).toBeLessThan(300);
});
