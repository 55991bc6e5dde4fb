import { expect, test, type Locator, type Page } from '@playwright/test';
import { expectNothingByAxe } from './pages/axe';
import { ReadView } from './pages/read-view';

interface Served {
  readonly id: string;
  readonly title: string;
}

const rows = (page: Page): Locator =>
  page.getByRole('table', { name: 'Works that citations lead to' }).locator('tbody tr');

/** The numbers of records with a title in Cardinal Point, by its own interface. */
async function findNumber(page: Page, title: string): Promise<number> {
  const words = title.split(/\W+/).filter(Boolean).slice(0, 8).join(' ');
  const string = `in(title: "${words}")`;
  const answer = await page.request.post('/api/standins/cardinal/ids', { data: { string } });
  const { numbers } = (await answer.json()) as { numbers: number[] };
  return numbers[0] ?? -1;
}

async function listCitations(page: Page, number: number, direction: string): Promise<string[]> {
  const answer = await page.request.get(
    `/api/standins/cardinal/${direction}?record=${number}&start=0&rows=100`,
  );
  return ((await answer.json()) as { records: Served[] }).records.map(({ title }) => title);
}

/** Opens the trail from the record that is open, and waits until all is followed. */
async function follow(page: Page): Promise<void> {
  await page.keyboard.press('f');
  await expect(page).toHaveURL(/\/read\/trail#/);
  await expect(rows(page).first()).toBeVisible();
  await expect(page.getByText(/^\s*Citations are followed/)).toHaveCount(0);
  await expect(page.getByTestId('sum')).toContainText('the draft');
}

test('a trail goes both ways from a record, tells what the draft misses, and goes a step further', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.start();
  await view.open(2);
  const title = (await view.title()) ?? '';
  await follow(page);
  const number = await findNumber(page, title);
  const expected = new Set([
    ...(await listCitations(page, number, 'references')),
    ...(await listCitations(page, number, 'citedby')),
  ]);
  expect(expected.size).toBeGreaterThan(2);
  await expect(page.getByTestId('sum')).toContainText(`${expected.size} works`);
  const shown = await rows(page).locator('.title').allTextContents();
  expect(new Set(shown.map((one) => one.trim()))).toEqual(expected);

  // One way alone.
  await page.getByRole('radio', { name: 'what they cite' }).click();
  await expect(rows(page)).toHaveCount((await listCitations(page, number, 'references')).length);
  await page.getByRole('radio', { name: 'both ways' }).click();

  // What the draft misses is explained at once.
  await page.getByRole('radio', { name: 'only what the draft misses' }).click();
  const missed = rows(page).filter({ hasText: 'misses it' });
  await expect(rows(page)).toHaveCount(await missed.count());
  await page.getByRole('radio', { name: 'all of them' }).click();

  // A step further, its size shown before; back to where it was.
  await rows(page).nth(0).getByRole('checkbox').check();
  const next = page.getByRole('button', { name: /^Go on from 1: at most \d+ citations$/ });
  const most = Number(/at most (\d+)/.exec((await next.textContent()) ?? '')?.[1]);
  await next.click();
  await expect(page.getByRole('region', { name: 'From 1 work' })).toContainText(shown[0]!.trim());
  await expect(page.getByText(/^\s*Citations are followed/)).toHaveCount(0);
  await expect(rows(page).first()).toBeVisible();
  // Some of what works cite is in no database.
  expect(await rows(page).count()).toBeLessThanOrEqual(most);
  await page.goBack();
  await expect(page.getByTestId('sum')).toContainText(`${expected.size} works`);
});

test('what a trail leads to is kept, and becomes a must-find whose miss is explained', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  await follow(page);
  await rows(page)
    .nth(0)
    .getByRole('button', { name: /^Keep on the shelf/ })
    .click();
  await expect(rows(page).nth(0)).toContainText('on the shelf');
  const missed = rows(page).filter({ hasText: 'misses it' }).first();
  const title = ((await missed.locator('.title').textContent()) ?? '').trim();
  await missed.getByRole('button', { name: /^Why is it missed/ }).click();
  await expect(page).toHaveURL(/\/read\/must-finds/);
  await expect(page.getByRole('region', { name: 'Must-finds as a table' })).toContainText(title);
  await page.getByRole('navigation', { name: 'Faces of Read' }).getByRole('link', { name: 'Trail' }).click();
  await page.getByRole('button', { name: 'Start from the work on the shelf' }).click();
  await expect(page.getByRole('region', { name: 'From 1 work' })).toBeVisible();
});

test('of a database that gives no lists it is said that it is not known what the draft finds there', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.start();
  await view.workbench.goTo('Databases');
  await page.getByRole('checkbox', { name: 'Plainfinder' }).check();
  await view.workbench.goTo('Read');
  await expect(view.record).toBeVisible();
  await follow(page);
  await expect(page.getByText('What the draft finds in Plainfinder is not known one by one.')).toBeVisible();
  await expect(rows(page).first()).toContainText(/finds it|misses it/);
  await view.workbench.goTo('Databases');
  for (const name of ['Heronsmere Life Index', 'Gantry Engineering Abstracts', 'Marlstone Full Text'])
    await page.getByRole('checkbox', { name }).uncheck();
  await page.goBack();
  await expect(rows(page).first()).toContainText('cannot tell');
  await expect(rows(page).filter({ hasText: /finds it|misses it/ })).toHaveCount(0);
});

for (const colours of ['light', 'dark'] as const)
  test.describe(`in ${colours} colours`, () => {
    test.use({ colorScheme: colours });

    test('axe finds nothing on the trail, empty and full', async ({ page }) => {
      const check = (): Promise<void> => expectNothingByAxe(page);
      const view = new ReadView(page);
      await view.start();
      await follow(page);
      await rows(page).nth(0).locator('.title').click();
      await check();
      await page.goto(page.url().split('#')[0]!);
      await page.reload();
      await expect(page.getByText(/^\s*A trail goes/)).toBeVisible();
      await check();
    });
  });

test('works that are alike are found by what they share, and judged there', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  await view.open(2);
  const title = (await view.title()) ?? '';
  await follow(page);
  await page.getByRole('radio', { name: 'similar works' }).click();
  await expect(page.getByText(/^\s*Looking for similar works/)).toHaveCount(0);
  const similar = page.getByRole('table', { name: 'similar works' }).locator('tbody tr');
  await expect(similar.first()).toBeVisible();
  await expect(similar.filter({ hasText: title })).toHaveCount(0);

  // What is said to be shared is shared: the other work cites what this one cites.
  const sharing = similar.filter({ hasText: /Shares \d+ reference/ }).first();
  const shared = Number(/Shares (\d+) reference/.exec((await sharing.textContent()) ?? '')?.[1]);
  const own = await listCitations(page, await findNumber(page, title), 'references');
  const other = (await sharing.locator('.title').textContent())?.trim() ?? '';
  const theirs = await listCitations(page, await findNumber(page, other), 'references');
  expect(theirs.filter((one) => own.includes(one))).toHaveLength(shared);

  await similar.first().locator('.title').click();
  await page.keyboard.press('y');
  await expect(similar.first().getByRole('img', { name: 'on topic' })).toBeVisible();
  await expect(similar.first().getByRole('button', { name: 'on topic' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expectNothingByAxe(page);
  await page.keyboard.press('y');
  await expect(similar.first().getByRole('img', { name: 'on topic' })).toHaveCount(0);
});

test('a short trail is drawn with its citations', async ({ page }) => {
  const view = new ReadView(page);
  await view.start();
  await view.open(2);
  await follow(page);
  const works = await rows(page).count();
  const drawing = page.getByRole('img', { name: new RegExp(`^${works} works along the years, joined by`) });
  await expect(drawing.locator('path')).not.toHaveCount(0);
  await expect(drawing.locator('circle')).toHaveCount(works);
});

test('a list of citing records that a citation database exported joins the trail, and is there after a reload', async ({
  page,
}) => {
  const view = new ReadView(page);
  await view.start();
  await view.open(2);
  await follow(page);
  const before = await rows(page).count();
  await page.getByRole('button', { name: 'Add an exported list of citing records…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add your own records' });
  await dialog
    .getByRole('textbox', { name: 'Or paste records' })
    .fill(
      'TY  - JOUR\nTI  - A later look at dimmed lanes\nAU  - Pell, Ida\nPY  - 2026\nER  - \n\nTY  - JOUR\nER  - \n',
    );
  await dialog.getByRole('button', { name: 'Take them in' }).click();
  await expect(dialog.getByText('1 could not be read')).toBeVisible();
  await dialog.getByRole('button', { name: 'Add to the trail' }).click();
  const added = rows(page).filter({ hasText: 'A later look at dimmed lanes' });
  await expect(added).toContainText('citing');
  await expect(rows(page)).toHaveCount(before + 1);
  await page.reload();
  await expect(added).toContainText('citing');
});
