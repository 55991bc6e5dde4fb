import { spawn, type ChildProcess } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { Workbench } from './pages/workbench';

const PORT = 4700 + Number(process.env['TEST_PARALLEL_INDEX'] ?? 0);

/** A server of this test's own, which it may stop, start and make misbehave. */
async function startServer(): Promise<ChildProcess> {
  const child = spawn('node', ['dist/server/main.js'], {
    env: { ...process.env, PORT: String(PORT), EWER_FAULTS: '1' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve) =>
    child.stdout?.on('data', (chunk) => String(chunk).includes('ready') && resolve()),
  );
  return child;
}

async function stopServer(child: ChildProcess): Promise<void> {
  await new Promise((resolve) => {
    child.once('exit', resolve);
    child.kill('SIGTERM');
  });
}

test.describe('with a server of its own', () => {
  test.use({ baseURL: `http://127.0.0.1:${PORT}` });
  let server: ChildProcess;

  test.beforeEach(async () => {
    server = await startServer();
  });
  test.afterEach(async () => {
    await stopServer(server);
  });

  test('the server stopped and started: said, nothing lost, recovered by itself', async ({ page }) => {
    const workbench = new Workbench(page);
    await workbench.start();
    await stopServer(server);
    await workbench.addField('bats').fill('noctule*');
    await page.keyboard.press('Enter');
    await expect(page.getByText('The server cannot be reached.')).toBeVisible();
    await expect(workbench.term('noctule*')).toBeVisible();
    await workbench.waitUntilSaved();
    server = await startServer();
    await expect(page.getByText('The server cannot be reached.')).toBeHidden();
    await workbench.waitForCounts();
  });

  for (const { fault, words } of [
    { fault: { kind: 'fail' }, words: 'answered with a fault (503)' },
    { fault: { kind: 'refuse', seconds: 300 }, words: 'asks to wait 300 seconds' },
    { fault: { kind: 'cut' }, words: 'an answer that is not a count' },
    { fault: { kind: 'nonsense', answer: 'text' }, words: 'an answer that is not a count' },
    { fault: { kind: 'nonsense', answer: 'negative' }, words: 'an answer that is not a count' },
    { fault: { kind: 'nonsense', answer: 'page' }, words: 'an answer that is not a count' },
    { fault: { kind: 'forget' }, words: 'The session of' },
    { fault: { kind: 'slow', milliseconds: 12_000 }, words: 'has not answered within 10 seconds' },
  ]) {
    test(`a database that misbehaves (${Object.values(fault).join(' ')}) cracks its gauge alone and is tried again`, async ({
      page,
      request,
    }) => {
      const workbench = new Workbench(page);
      await workbench.start();
      await request.post('/api/standins/gantry/fault', { data: fault });
      await workbench.addField('bats').fill('noctule*');
      await page.keyboard.press('Enter');
      const again = page.getByRole('button', { name: /Gantry Engineering Abstracts: no count\..*Try again/ });
      await expect(again).toHaveAccessibleName(new RegExp(words.replace(/[()]/g, '\\$&')), {
        timeout: 25_000,
      });
      for (const name of ['Heronsmere Life Index', 'Marlstone Full Text'] as const) {
        // On a machine that is held up, another database may be late; it is never broken by this one.
        const late = page.getByRole('button', {
          name: new RegExp(`${name}: no count.*within 10 seconds.*Try again`),
        });
        await expect(workbench.gauge(name).or(late)).toBeVisible();
        if (await late.isVisible()) await late.click();
        await expect(workbench.gauge(name)).toBeVisible();
      }
      await request.post('/api/standins/gantry/fault', { data: { kind: 'none' } });
      await again.click();
      await expect(workbench.gauge('Gantry Engineering Abstracts')).toBeVisible();
    });
  }
});

test('a disk that is full is said at once, export is offered, and saving goes on by itself', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const { put } = IDBObjectStore.prototype as {
      put: (this: IDBObjectStore, ...values: unknown[]) => IDBRequest<IDBValidKey>;
    };
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...values: [unknown, IDBValidKey?]) {
      if ((window as unknown as { diskIsFull?: boolean }).diskIsFull)
        throw new DOMException('full', 'QuotaExceededError');
      return put.apply(this, values);
    };
  });
  const workbench = new Workbench(page);
  await workbench.start();
  await page.evaluate(() => ((window as unknown as { diskIsFull?: boolean }).diskIsFull = true));
  await workbench.addField('bats').fill('noctule*');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('the disk is full');
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export to a file' }).click();
  expect((await downloading).suggestedFilename()).toBe('Bats and street lighting.ewer.json');
  await page.evaluate(() => ((window as unknown as { diskIsFull?: boolean }).diskIsFull = false));
  await expect(page.getByRole('alert')).toBeHidden();
  await workbench.waitUntilSaved();
});
