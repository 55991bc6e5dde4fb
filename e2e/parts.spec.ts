import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { extname, join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { expectNothingByAxe } from './pages/axe';

// The page of parts is only in what is built for development, so that is built here, and nothing else serves it.
const TYPES: Readonly<Record<string, string>> = {
  '.css': 'text/css',
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.json': 'application/json',
  '.svg': 'image/svg+xml',
  '.woff2': 'font/woff2',
};
test.describe.configure({ mode: 'default' });
let folder = '';

test.beforeAll(() => {
  test.setTimeout(300_000);
  folder = mkdtempSync(join(tmpdir(), 'ewer-parts-'));
  execFileSync('npx', ['ng', 'build', '--configuration', 'development', '--output-path', folder]);
});
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function openParts(page: Page): Promise<void> {
  const root = existsSync(join(folder, 'browser')) ? join(folder, 'browser') : folder;
  await page.route('http://127.0.0.1:*/**', async (route) => {
    const { pathname } = new URL(route.request().url());
    if (pathname.startsWith('/api/')) return route.continue();
    const file = join(root, pathname);
    const path = extname(pathname) !== '' && existsSync(file) ? file : join(root, 'index.html');
    await route.fulfill({ body: readFileSync(path), contentType: TYPES[extname(path)] ?? 'text/plain' });
  });
  await page.goto('/parts');
  await expect(page.getByRole('heading', { name: 'Parts', exact: true })).toBeVisible();
}

for (const colours of ['light', 'dark'] as const)
  test.describe(`in ${colours} colours`, () => {
    test.use({ colorScheme: colours });

    test('axe finds nothing on the parts, and in a dialog of each size', async ({ page }) => {
      await openParts(page);
      await expectNothingByAxe(page);
      for (const size of ['small', 'middle', 'large']) {
        await page.getByRole('button', { name: size, exact: true }).click();
        await expect(page.getByRole('dialog')).toBeVisible();
        await expectNothingByAxe(page);
        await page.keyboard.press('Escape');
        await expect(page.getByRole('dialog')).toHaveCount(0);
      }
    });

    test('every part has its label in sight, its focus seen, and at least 24 px to hit', async ({ page }) => {
      await openParts(page);
      const labels = page.locator('mat-form-field mat-label');
      await expect(labels).toHaveCount(7);
      for (const label of await labels.all()) await expect(label).toBeVisible();
      const buttons = await page.locator('button').all();
      expect(buttons.length).toBeGreaterThan(8);
      for (const button of buttons) {
        const box = await button.boundingBox();
        expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(24);
      }
      await page.getByRole('button', { name: 'Main' }).focus();
      await page.keyboard.press('Tab');
      const focused = page.locator(':focus-visible');
      await expect(focused).toHaveText('Beside it');
      const { outline, shadow } = await focused.evaluate((one) => {
        const { outlineStyle, outlineWidth, boxShadow } = getComputedStyle(one);
        return { outline: outlineStyle === 'none' ? 0 : parseFloat(outlineWidth), shadow: boxShadow };
      });
      expect(outline > 1 || shadow !== 'none').toBe(true);
    });
  });

test('what is built to be used has no page of parts', async ({ page }) => {
  await page.goto('/parts');
  await expect(page.getByRole('heading', { name: 'Parts', exact: true })).toHaveCount(0);
});
