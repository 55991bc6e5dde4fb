import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, test, type BrowserContext, type Page } from '@playwright/test';
import { Workbench } from './pages/workbench';

/** So often the browser is killed; the whole trial: `EWER_KILLS=30 npx playwright test e2e/killed.spec.ts`. */
const KILLS = Number(process.env['EWER_KILLS'] ?? 3);
/** Milliseconds between two letters, and the most that may be gone. */
const BETWEEN = 150;
const MAX_GONE = 1_000;

/** Numbers between 0 and 1 that are the same in every run. */
function createRandom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

const openEditor = async (context: BrowserContext, address: string): Promise<Page> => {
  const page = context.pages()[0] ?? (await context.newPage());
  await page.goto(`${address}/`);
  await new Workbench(page).goTo('Query');
  await expect(page.getByRole('textbox', { name: 'The query as text' })).toBeVisible();
  return page;
};

const readText = (page: Page): Promise<string> =>
  page
    .getByRole('textbox', { name: 'The query as text' })
    .textContent()
    .then((text) => text ?? '');

const pause = (milliseconds: number): Promise<void> =>
  new Promise((resolve) => setTimeout(resolve, milliseconds));

const random = createRandom(7);
const LETTERS = Array.from({ length: KILLS }, () => 4 + Math.floor(random() * 26));

for (const [kill, letters] of LETTERS.entries()) {
  test(`a browser that is killed while somebody types loses no more than a second of it, ${kill + 1}`, async ({
    baseURL,
    launchOptions,
  }) => {
    const folder = mkdtempSync(join(tmpdir(), 'ewer-killed-'));
    const address = baseURL ?? '';
    const open = (): Promise<BrowserContext> => chromium.launchPersistentContext(folder, launchOptions);
    try {
      let context = await open();
      let page = await openEditor(context, address);
      const editor = page.getByRole('textbox', { name: 'The query as text' });
      await editor.focus();
      await page.keyboard.press('Control+a');
      await page.keyboard.insertText('bats ');
      await expect(page.getByTestId('keeping')).toHaveText('saved');
      for (let letter = 0; letter < letters; letter++) {
        await page.keyboard.press('x');
        await pause(BETWEEN);
      }
      spawnSync('pkill', ['-9', '-f', folder]);
      await context.close().catch(() => undefined);
      context = await open();
      page = await openEditor(context, address);
      const kept = (await readText(page)).replace('bats ', '').length;
      // So much typing is gone, at the pace that was kept.
      const gone = (letters - kept) * BETWEEN;
      expect(gone, `${kept} of ${letters} letters kept`).toBeLessThanOrEqual(MAX_GONE);
      await context.close();
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
}
