import { chromium, type Page } from '@playwright/test';

// Makes the pictures of docs/screenshots/ from the demo data of a running Ewer.
const address = process.env['EWER'] ?? 'http://127.0.0.1:4600';
const folder = 'docs/screenshots';

async function open(page: Page, path: string): Promise<void> {
  await page.goto(address + path);
  await page.waitForLoadState('networkidle');
}

/** The bench and the thesaurus of the Topic view. */
async function takeTopicParts(page: Page): Promise<void> {
  await open(page, '/p/demo/topic?db=all');
  await page.screenshot({ path: `${folder}/topic-side-by-side.png` });
  await open(page, '/p/demo/topic');
  await page.getByLabel('More for lamp*', { exact: true }).click();
  await page.getByRole('menuitem', { name: 'Endings…' }).click();
  await page.getByRole('checkbox', { name: 'lamplight', exact: true }).check();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/endings.png` });
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Thesaurus', exact: true }).click();
  await page.getByLabel('Look up a word').fill('night lighting');
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${folder}/thesaurus.png` });
  await page.keyboard.press('Escape');
}

async function main(): Promise<void> {
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
    reducedMotion: 'reduce',
  });
  await open(page, '/');
  await page.waitForURL(/topic/);
  for (const view of ['topic', 'query', 'translate', 'compare']) {
    await open(page, `/p/demo/${view}`);
    await page.screenshot({ path: `${folder}/${view}.png` });
  }
  await takeTopicParts(page);
  await open(page, '/p/demo/topic');
  await page.getByRole('button', { name: /^Heronsmere Life Index: [\d,]+ records/ }).click();
  await page.getByRole('dialog').getByRole('listitem').nth(9).waitFor();
  await page.screenshot({ path: `${folder}/records.png` });
  await open(page, '/projects');
  await page.screenshot({ path: `${folder}/projects.png` });
  const dark = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    colorScheme: 'dark',
    reducedMotion: 'reduce',
  });
  await open(dark, '/');
  await dark.waitForURL(/topic/);
  await open(dark, '/p/demo/topic');
  await dark.screenshot({ path: `${folder}/topic-dark.png` });
  await browser.close();
}

void main();
