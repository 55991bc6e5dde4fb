import { expect, test, type Page } from '@playwright/test';
import { createDemoProject } from '../demo/demo-project';
import { DIALECTS } from '#core/dialect/index';
import { PSEUDO_MARK, writePseudoMessage } from './pseudo-language';

/** All views, in walks that one test takes. */
const WALKS = [
  ['topic', 'query', 'translate', 'read', 'databases'],
  ['compare/staircase', 'compare/terms', 'compare/combinations', 'compare/swap'],
  ['compare/overlap', 'compare/differences', 'compare/years'],
  ['compare/try', 'read/must-finds', 'read/trail', 'read/shelf', 'compare/tallies'],
];

/** All texts in a value, in small letters. */
function listTexts(value: unknown): string[] {
  if (typeof value === 'string') return [value.toLowerCase()];
  return value !== null && typeof value === 'object' ? Object.values(value).flatMap(listTexts) : [];
}

/** The words that a person or a database brings: they are the same in every language. */
const DATA = new Set(
  listTexts([createDemoProject(), [...DIALECTS.values()]]).flatMap((text) => text.split(/[^\p{L}]+/u)),
);

/** A date is written by the language of the formats, which stays English. */
const DAY = /^\d{1,2} \p{L}{3} \d{4}, \d\d:\d\d$/u;

/** Serves the page its words in the pseudo-language. */
async function speakPseudo(page: Page): Promise<void> {
  await page.route('**/words.en.json', async (route) => {
    const english = (await (await route.fetch()).json()) as Record<string, string>;
    const other = Object.entries(english).map(([key, message]) => [key, writePseudoMessage(message)]);
    await route.fulfill({ json: Object.fromEntries(other) as Record<string, string> });
  });
}

/**
 * Records and what people wrote, and what the core tells: its sentences on queries and strings are not in the
 * catalogue, but in `core/problem/wordings` and beside what they describe.
 */
const NOT_OF_THE_SCREENS = [
  '.code, code, kbd, .word, .stop, .since, .take',
  'app-record-list, app-open-record, app-learn-panel table, app-overlap td, app-overlap th[scope="row"]',
  '.mark, .says, .reason, app-findings-panel [aria-expanded], app-swap th, app-what-to-try th, app-what-to-try td',
].join(', ');

/** What buttons, headings, labels and fields say. */
async function listSaid(page: Page): Promise<string[]> {
  return page.evaluate((others) => {
    const controls = 'button, a, label, th, caption, h1, h2, h3, [role="tab"], [role="menuitem"], legend';
    const said: string[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (walker.nextNode()) {
      const parent = walker.currentNode.parentElement;
      if (parent?.checkVisibility() && parent.closest(controls) && !parent.closest(others))
        said.push(walker.currentNode.textContent ?? '');
    }
    for (const one of document.querySelectorAll('[aria-label], [placeholder]'))
      if (!one.closest(others))
        said.push(one.getAttribute('aria-label') ?? one.getAttribute('placeholder') ?? '');
    return said.map((text) => text.trim());
  }, NOT_OF_THE_SCREENS);
}

test('a page that cannot have its words says so', async ({ page }) => {
  await page.route('**/words.en.json', (route) => route.abort());
  await page.goto('/');
  await expect(page.locator('body')).toContainText('Ewer could not be loaded.');
});

/** The words of a text that are neither in the pseudo-language nor a person's or a database's own. */
function isEnglish(text: string): boolean {
  const words = text
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length > 1);
  return !PSEUDO_MARK.test(text) && !DAY.test(text) && words.some((word) => !DATA.has(word));
}

/** The texts of what people press or read first that are cut where they stand. */
async function listCut(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, a, h1, h2, h3, [role="tab"], .mat-mdc-button-base')]
      .filter((one) => one.checkVisibility() && !one.closest('.unseen'))
      .filter((one) => {
        const { overflowX, textOverflow } = getComputedStyle(one);
        return (
          one.scrollWidth > one.clientWidth + 2 && overflowX !== 'visible' && textOverflow !== 'ellipsis'
        );
      })
      .map((one) => one.innerText),
  );
}

for (const [at, views] of WALKS.entries())
  test(`no word stands outside the catalogue, and longer ones fit: walk ${at + 1}`, async ({ page }) => {
    await speakPseudo(page);
    await page.goto('/');
    await page.locator('app-gauge .number').first().waitFor();
    for (const view of views) {
      await page.goto(`/p/demo/${view}`);
      await expect(page).toHaveURL(new RegExp(`/p/demo/${view}`));
      await page.locator('app-gauge .number').first().waitFor();
      await page.waitForLoadState('networkidle');
      const said = await listSaid(page);
      expect(said.filter((text) => PSEUDO_MARK.test(text)).length, view).toBeGreaterThan(5);
      expect(said.filter(isEnglish), view).toEqual([]);
      expect(await listCut(page), view).toEqual([]);
      const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      expect(over, view).toBeLessThanOrEqual(0);
    }
  });
