import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { Workbench } from './pages/workbench';

const typeTerm = async (workbench: Workbench, text: string): Promise<void> => {
  await workbench.addField('bats').fill(text);
  await workbench.page.keyboard.press('Enter');
};
const addTerm = async (workbench: Workbench, text: string): Promise<void> => {
  await typeTerm(workbench, text);
  await expect(workbench.line('bats', text)).toBeVisible();
};
const lookAt = (page: Page): Promise<void> =>
  page.evaluate(() => void window.dispatchEvent(new Event('focus')));
/** The strings of the counts that are kept, as they are on the disk. */
const listKept = (page: Page): Promise<string[]> =>
  page.evaluate(
    () =>
      new Promise<string[]>((resolve, reject) => {
        const opening = indexedDB.open('ewer');
        opening.onerror = () => reject(new Error('not opened'));
        opening.onsuccess = () => {
          const reading = opening.result.transaction('projects').objectStore('projects').getAll();
          reading.onerror = () => reject(new Error('not read'));
          reading.onsuccess = () => {
            opening.result.close();
            const rows = reading.result as { stored: { project: { tallies: { string: string }[] } } }[];
            resolve(rows.flatMap(({ stored }) => stored.project.tallies.map(({ string }) => string)));
          };
        };
      }),
  );
/** The windows of a browser do not hear of each other, and are never looked at. */
const keepApart = async (context: BrowserContext): Promise<void> => {
  await context.addInitScript(() => {
    BroadcastChannel.prototype.postMessage = () => undefined;
    for (const name of ['focus', 'visibilitychange'])
      window.addEventListener(name, (event) => event.stopImmediatePropagation(), true);
  });
};
/** A new user's first window, which will not hear of others. */
const startApart = async (page: Page): Promise<Workbench> => {
  await keepApart(page.context());
  const workbench = new Workbench(page);
  await workbench.start();
  return workbench;
};
/** One more window of the same browser. */
const startOther = async (page: Page): Promise<Workbench> => {
  const other = new Workbench(await page.context().newPage());
  await other.start();
  return other;
};
/** Every write to the browser's own database fails, or never ends. */
const breakStorage = (page: Page, how: 'full' | 'hanging'): Promise<void> =>
  page.evaluate((way) => {
    const real = Object.getOwnPropertyDescriptor(IDBObjectStore.prototype, 'put')?.value as (
      this: IDBObjectStore,
      ...sent: [unknown, IDBValidKey?]
    ) => IDBRequest<IDBValidKey>;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...sent: [unknown, IDBValidKey?]) {
      if (this.name !== 'projects') return real.apply(this, sent);
      if (way === 'full') throw new DOMException('full', 'QuotaExceededError');
      // A request that never answers: no event reaches who waits for it.
      const request = real.apply(this, sent);
      request.addEventListener = () => undefined;
      return request;
    };
  }, how);
const fillLocalStorage = (page: Page): Promise<void> =>
  page.evaluate(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });

test('undo and redo go on after a reload', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  for (const term of ['moth*', 'shrew*', 'vole*']) await addTerm(workbench, term);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(workbench.line('bats', 'vole*')).toHaveCount(0);
  await workbench.waitUntilSaved();
  await page.reload();
  await expect(workbench.line('bats', 'shrew*')).toBeVisible();
  await page.getByRole('button', { name: /^Redo/ }).click();
  await expect(workbench.line('bats', 'vole*')).toBeVisible();
  for (let back = 0; back < 3; back++) await page.getByRole('button', { name: /^Undo/ }).click();
  for (const term of ['moth*', 'shrew*', 'vole*']) await expect(workbench.line('bats', term)).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
});

test('a window that has nothing to save shows what another one saved', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.waitUntilSaved();
  const other = await startOther(page);
  await addTerm(other, 'moth*');
  await other.waitUntilSaved();
  await lookAt(page);
  await expect(workbench.line('bats', 'moth*')).toBeVisible();
  // It goes on from there, and nothing has to be decided.
  await addTerm(workbench, 'shrew*');
  await workbench.waitUntilSaved();
  await lookAt(other.page);
  await expect(other.line('bats', 'shrew*')).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('two windows that both changed something keep both: the later one as a copy, at once', async ({
  page,
}) => {
  const workbench = await startApart(page);
  // The counts of a draft that rests are kept; after that this window has nothing to save by itself.
  const before = await listKept(page);
  await expect.poll(async () => (await listKept(page)).length).toBeGreaterThan(before.length);
  await workbench.waitUntilSaved();
  const other = await startOther(page);
  await addTerm(other, 'moth*');
  await other.waitUntilSaved();
  await typeTerm(workbench, 'shrew*');
  const notice = page.getByRole('status').filter({ hasText: 'changed in another window' });
  await expect(notice).toBeVisible();
  // The newer state is shown, and it is saved.
  await expect(workbench.line('bats', 'moth*')).toBeVisible();
  await expect(workbench.line('bats', 'shrew*')).toHaveCount(0);
  await workbench.waitUntilSaved();
  // What was here is a project of its own, with its way back.
  await notice.getByRole('link').click();
  await expect(workbench.line('bats', 'shrew*')).toBeVisible();
  await expect(workbench.line('bats', 'moth*')).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(workbench.line('bats', 'shrew*')).toHaveCount(0);
  await workbench.goTo('Projects');
  await expect(page.getByRole('list', { name: 'Projects' }).getByRole('listitem')).toHaveCount(2);
});

test('a window that only counted takes nothing from one in which something was changed', async ({ page }) => {
  const workbench = await startApart(page);
  const before = await listKept(page);
  const other = await startOther(page);
  await addTerm(other, 'moth*');
  // Each window keeps the counts of its own draft by itself, whichever comes first.
  const isKept = async (): Promise<boolean> => {
    const fresh = (await listKept(page)).slice(before.length);
    return (
      fresh.some((string) => string.includes('moth')) && fresh.some((string) => !string.includes('moth'))
    );
  };
  await expect.poll(isKept).toBe(true);
  for (const window of [workbench, other]) {
    await window.waitUntilSaved();
    await expect(window.page.getByRole('status').filter({ hasText: 'another window' })).toHaveCount(0);
  }
  await expect(other.line('bats', 'moth*')).toBeVisible();
  await page.reload();
  await expect(workbench.line('bats', 'moth*')).toBeVisible();
  await workbench.goTo('Projects');
  await expect(page.getByRole('list', { name: 'Projects' }).getByRole('listitem')).toHaveCount(1);
});

for (const how of ['full', 'hanging'] as const)
  test(`a storage that is ${how} is said in words, offers the export and asks before the page is left`, async ({
    page,
  }) => {
    const workbench = new Workbench(page);
    await workbench.start();
    await workbench.waitUntilSaved();
    await breakStorage(page, how);
    await fillLocalStorage(page);
    await addTerm(workbench, 'moth*');
    const alert = page.getByRole('alert').filter({ hasText: 'could not be saved' });
    await expect(alert).toContainText(how === 'full' ? 'the disk is full' : 'the browser does not answer');
    await expect(page.getByTestId('keeping')).toHaveText('not saved');
    const downloading = page.waitForEvent('download');
    await alert.getByRole('button', { name: 'Export to a file' }).click();
    expect((await downloading).suggestedFilename()).toContain('Bats and street lighting');
    const asked = page.waitForEvent('dialog');
    const closing = page.close({ runBeforeUnload: true });
    const dialog = await asked;
    expect(dialog.type()).toBe('beforeunload');
    await dialog.dismiss();
    await closing;
    await expect(workbench.line('bats', 'moth*')).toBeVisible();
  });

test('a page with everything saved, or noted, is left without a question', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  let asked = 0;
  page.on('dialog', (dialog) => {
    asked++;
    void dialog.accept();
  });
  await addTerm(workbench, 'moth*');
  await page.reload();
  await expect(workbench.line('bats', 'moth*')).toBeVisible();
  expect(asked).toBe(0);
});

test('data that is deleted while the page is open is written again', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.waitUntilSaved();
  await page.evaluate(
    () =>
      new Promise((resolve, reject) => {
        const deleting = indexedDB.deleteDatabase('ewer');
        deleting.onsuccess = resolve;
        deleting.onerror = () => reject(new Error('not deleted'));
      }),
  );
  await addTerm(workbench, 'moth*');
  await workbench.waitUntilSaved();
  await page.reload();
  await expect(workbench.line('bats', 'moth*')).toBeVisible();
});
