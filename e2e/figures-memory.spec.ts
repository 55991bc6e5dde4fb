import { expect, test, type CDPSession, type Page } from '@playwright/test';
import { Workbench } from './pages/workbench';

// What a page holds after long work: EWER_EDITS=10000 and EWER_VIEWS=100 for the long form.

test.use({ trace: 'off' });

const EDITS = Number(process.env['EWER_EDITS'] ?? 2_000);
const VIEW_CHANGES = Number(process.env['EWER_VIEWS'] ?? 40);
/** So much of the work is done before the page is measured first: what is kept by design is filled then. */
const FIRST_EDITS = Math.min(1_000, EDITS / 2);
const FIRST_VIEW_CHANGES = Math.min(20, VIEW_CHANGES / 2);

interface Held {
  readonly heap: number;
  readonly nodes: number;
  readonly listeners: number;
}

/** Most rounds of collecting garbage until nothing more goes. */
const MAX_ROUNDS = 8;

async function collectGarbage(page: Page, client: CDPSession): Promise<Held> {
  // Two frames: what is drawn, and what was let go of by drawing it, is not waited for by the collector.
  await page.evaluate(
    () => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))),
  );
  await client.send('HeapProfiler.collectGarbage');
  const { metrics } = await client.send('Performance.getMetrics');
  const find = (name: string): number => metrics.find((metric) => metric.name === name)?.value ?? NaN;
  return { heap: find('JSHeapUsedSize'), nodes: find('Nodes'), listeners: find('JSEventListeners') };
}

/** Counts what the page holds when all that nobody needs is gone. */
async function measureHeld(page: Page, client: CDPSession): Promise<Held> {
  await new Workbench(page).waitForCounts();
  await new Workbench(page).waitUntilSaved();
  let held = await collectGarbage(page, client);
  // What one round lets go of may hold something else until the next.
  for (let round = 1; round < MAX_ROUNDS; round++) {
    const next = await collectGarbage(page, client);
    const isLevel = next.nodes >= held.nodes && next.heap >= held.heap * 0.999;
    held = {
      heap: Math.min(held.heap, next.heap),
      nodes: Math.min(held.nodes, next.nodes),
      listeners: Math.min(held.listeners, next.listeners),
    };
    if (isLevel) break;
  }
  console.log(`heap ${(held.heap / 1e6).toFixed(1)} MB, ${held.nodes} nodes, ${held.listeners} listeners`);
  return held;
}

function expectLevel(before: Held, after: Held): void {
  expect(after.heap).toBeLessThan(before.heap * 1.1 + 2e6);
  expect(after.nodes).toBeLessThan(before.nodes * 1.05 + 50);
  expect(after.listeners).toBeLessThan(before.listeners * 1.05 + 50);
}

async function openMeasured(page: Page): Promise<CDPSession> {
  await new Workbench(page).start();
  const client = await page.context().newCDPSession(page);
  await client.send('Performance.enable');
  await client.send('HeapProfiler.enable');
  return client;
}

/** Each term text is another one, and each edit is taken back, so that the query ends as it began. */
const edit = (page: Page, from: number, to: number): Promise<void> =>
  page.evaluate(
    async ([first, last]) => {
      const wait = (): Promise<number> => new Promise((resolve) => requestAnimationFrame(resolve));
      const undo = document.querySelector<HTMLButtonElement>('button[aria-label^="Undo"]');
      for (let number = first; number < last; number += 2) {
        const line = document.querySelector<HTMLInputElement>('input[data-term]');
        if (!line || !undo) throw new Error('no term to edit');
        line.value = `bat${number}*`;
        line.dispatchEvent(new Event('input', { bubbles: true }));
        line.dispatchEvent(new Event('change', { bubbles: true }));
        await wait();
        undo.click();
        if (number % 100 === 0) await wait();
      }
    },
    [from, to] as const,
  );

test(`after ${EDITS} edits the page holds no more than after the first ${FIRST_EDITS}`, async ({ page }) => {
  test.setTimeout(120_000 + EDITS * 100);
  const client = await openMeasured(page);
  await edit(page, 0, FIRST_EDITS);
  const before = await measureHeld(page, client);
  await edit(page, FIRST_EDITS, EDITS);
  expectLevel(before, await measureHeld(page, client));
});

test(`after ${VIEW_CHANGES} changes of view the page holds no more than after the first ${FIRST_VIEW_CHANGES}`, async ({
  page,
}) => {
  test.setTimeout(120_000 + VIEW_CHANGES * 4_000);
  const client = await openMeasured(page);
  const workbench = new Workbench(page);
  const views = ['Query', 'Translate', 'Compare', 'Databases', 'Topic'] as const;
  const change = async (count: number): Promise<void> => {
    for (let round = 0; round < count; round++) await workbench.goTo(views[round % views.length] ?? 'Topic');
  };
  await change(FIRST_VIEW_CHANGES);
  const before = await measureHeld(page, client);
  await change(VIEW_CHANGES - FIRST_VIEW_CHANGES);
  expectLevel(before, await measureHeld(page, client));
});
