import { expect, test, type Page } from '@playwright/test';
import { SIXTY_TERMS } from '../bench/sixty-terms';
import { Workbench } from './pages/workbench';

// These run alone, after all other browser tests. Absolute times differ from machine to machine and
// from moment to moment, so each is set against a fixed piece of work timed beside it.

// A trace records every frame, and would be measured with the rest.
test.use({ trace: 'off' });

/**
 * A figure fails at so many times what is wanted, which is printed beside it: what other work on the machine does to
 * a figure in one run says nothing of the application; twice as slow does.
 */
const GATE = 2;
/** What the fixed piece of work takes on an idle machine of the kind that the figures were set for, in ms. */
const IDLE_WORK = 45;

/** How many times slower than idle the machine is just now; at least 1. */
async function measureSlowness(page: Page): Promise<number> {
  const time = await page.evaluate(() => {
    const start = performance.now();
    const words = new Map<string, number>();
    for (let round = 0; round < 120_000; round++) {
      const word = `word${round % 5000}`;
      words.set(word, (words.get(word) ?? 0) + Math.sqrt(round));
    }
    return words.size > 0 ? performance.now() - start : 0;
  });
  return Math.max(1, time / IDLE_WORK);
}

function findMedian(numbers: readonly number[]): number {
  return [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? Infinity;
}

test('first load under 2 s, with less than 400 kB of JavaScript as sent', async ({ browser }) => {
  const loads: { raw: number; fair: number }[] = [];
  for (let round = 0; round < 5; round++) {
    const context = await browser.newContext();
    const page = await context.newPage();
    const slowness = await measureSlowness(page);
    let sent = 0;
    const scripts = new Set<string>();
    const client = await context.newCDPSession(page);
    await client.send('Network.enable');
    client.on('Network.responseReceived', ({ requestId, response }) => {
      if (response.mimeType.includes('javascript')) scripts.add(requestId);
    });
    client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
      if (scripts.has(requestId)) sent += encodedDataLength;
    });
    const started = Date.now();
    await page.goto('/');
    await page.getByLabel('Words of the question').waitFor();
    const raw = Date.now() - started;
    loads.push({ raw, fair: raw / slowness });
    expect(sent).toBeGreaterThan(50_000);
    expect(sent).toBeLessThan(400_000);
    if (round === 0) console.log(`JavaScript of the first view: ${Math.round(sent / 1000)} kB as sent`);
    await context.close();
  }
  const best = Math.min(...loads.map((load) => load.fair));
  console.log(
    `first load: ${loads.map((load) => load.raw).join(', ')} ms; best against an idle machine ${Math.round(best)} ms`,
  );
  expect(best).toBeLessThan(GATE * 2_000);
});

/** Presses keys in the editor and times each until all three gauges have their new numbers, in ms. */
async function measureKeys(page: Page, letters: string): Promise<{ raw: number; fair: number }> {
  const raw: number[] = [];
  const fair: number[] = [];
  for (const letter of letters) {
    await expect(page.locator('app-gauge.waiting')).toHaveCount(0);
    const slowness = await measureSlowness(page);
    await page.evaluate(() => {
      const found = new Promise<number>((resolve) => {
        let start = 0;
        let waited = false;
        const look = (): void => {
          const waiting = document.querySelectorAll('app-gauge.waiting').length;
          if (waiting > 0) waited = true;
          if (start === 0 || !waited || waiting > 0) return;
          observer.disconnect();
          requestAnimationFrame(() => {
            resolve(performance.now() - start);
          });
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
    const time = await page.evaluate(() => (window as unknown as { measured: Promise<number> }).measured);
    raw.push(time);
    fair.push(time / slowness);
  }
  return { raw: findMedian(raw), fair: findMedian(fair) };
}

test('from a key press to new numbers in all three gauges: under 300 ms at the median', async ({ page }) => {
  test.setTimeout(240_000);
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  await page.getByLabel('The query as text').getByRole('textbox').click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' NOT zebra');
  // Several series, since other work on the machine can hold up a whole one; the best tells what Ewer needs.
  let best = Infinity;
  for (const letters of ['abcdefghijklmno', 'pqrstuvwxyzabcd', 'efghijklmnopqrs', 'tuvwxyzabcdefgh']) {
    const { raw, fair } = await measureKeys(page, letters);
    console.log(
      `key press to three new numbers: median ${Math.round(raw)} ms; against an idle machine ${Math.round(fair)} ms`,
    );
    best = Math.min(best, fair);
    if (best < 300) break;
  }
  expect(best).toBeLessThan(GATE * 300);
});

/** Waits until nothing is counted, checked or written any more in the background. */
async function waitUntilQuiet(page: Page): Promise<void> {
  let last = '';
  await expect
    .poll(
      async () => {
        const now = await page.evaluate(() =>
          [
            performance.getEntriesByName('checks').length,
            performance.getEntriesByType('resource').length,
            document.querySelectorAll('.waiting').length,
          ].join(),
        );
        const isQuiet = now === last;
        last = now;
        return isQuiet;
      },
      { intervals: [1_500], timeout: 60_000 },
    )
    .toBe(true);
}

test('typing in a query of 20,000 characters: under 16 ms a key at the median; checks under 50 ms', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  const words = ['bat', 'light', 'street', 'lamp', 'road', 'hedge', 'night', 'flight'];
  const groups = Array.from(
    { length: 470 },
    (_, at) => `(${words[at % 8]}${at} OR title: "${words[(at + 3) % 8]} use${at}*")`,
  );
  const cut = groups.join(' AND ').slice(0, 20_000);
  await page.evaluate((text) => navigator.clipboard.writeText(text), cut.slice(0, cut.lastIndexOf(')') + 1));
  await page.getByLabel('The query as text').getByRole('textbox').click();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+v');
  // What is pasted on one long line is laid out.
  await expect.poll(() => page.locator('.cm-line').count()).toBeGreaterThan(10);
  await page.keyboard.press('Control+End');
  await page.keyboard.insertText(' AND zebra');
  await expect(page.getByRole('button', { name: /^Show more rows/ })).toBeVisible();
  let best = Infinity;
  for (let turn = 0; turn < 8 && best > 16; turn++) {
    await waitUntilQuiet(page);
    const slowness = await measureSlowness(page);
    const times = await page.evaluate(async () => {
      const nextTask = (): Promise<void> =>
        new Promise((resolve) => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => {
            resolve();
          };
          port2.postMessage(undefined);
        });
      const taken: number[] = [];
      for (const letter of 'abcdefghijklmnopqrstuvwxyz') {
        await new Promise((resolve) => requestAnimationFrame(resolve));
        const start = performance.now();
        document.execCommand('insertText', false, letter);
        // What is left to do for the key comes before the next message.
        await nextTask();
        taken.push(performance.now() - start);
      }
      return taken;
    });
    const median = findMedian(times);
    console.log(`a key in 20,000 characters: ${median.toFixed(1)} ms; slowness ${slowness.toFixed(1)}`);
    best = Math.min(best, median / slowness);
  }
  expect(best).toBeLessThan(GATE * 16);

  const members = Array.from({ length: 290 }, (_, at) => `${words[at % 8]}${at}${at % 3 === 0 ? '*' : ''}`);
  const editor = page.getByLabel('The query as text').getByRole('textbox');
  const readChecks = (): Promise<number[]> =>
    page.evaluate(() => performance.getEntriesByName('checks').map((entry) => entry.duration));
  let fastest = Infinity;
  for (let turn = 0; turn < 8 && fastest > 50; turn++) {
    const slowness = await measureSlowness(page);
    const before = (await readChecks()).length;
    await editor.click();
    await page.keyboard.press('Control+a');
    await page.keyboard.insertText(`@bats AND zebra${turn} AND (${members.join(' OR ')})`);
    await expect.poll(async () => (await readChecks()).length).toBeGreaterThan(before);
    fastest = Math.min(fastest, Math.min(...(await readChecks()).slice(before)) / slowness);
    console.log(`checks of a draft of 300 nodes: ${fastest.toFixed(0)} ms`);
  }
  expect(fastest).toBeLessThan(GATE * 50);
});

/** Concepts with terms that make strings so long that one database needs some 22 for each query. */
const LONG_TERMS = ['bat', 'light', 'road', 'lamp', 'hedge'].map((stem) =>
  [
    '',
    's',
    '*',
    ...['use', 'kit', 'area', 'map', 'night', 'loss', 'data', 'test', 'set'].map((word) => ` ${word}`),
  ].map((ending) => stem + ending),
);

for (const { name, concepts, next, databases, wanted } of [
  { name: 'in one string each', concepts: SIXTY_TERMS, next: 'tag', databases: 4, wanted: 400 },
  // One database more: over a thousand strings more for each change.
  { name: 'in 22 strings each somewhere', concepts: LONG_TERMS, next: 'hedge t', databases: 5, wanted: 600 },
])
  test(`after a change, what each of 60 terms brings is counted in six databases, ${name}`, async ({
    page,
  }) => {
    test.setTimeout(300_000);
    const workbench = new Workbench(page);
    await workbench.start();
    await page.goto('/projects');
    await page.getByRole('button', { name: 'New project' }).click();
    const table = [
      concepts.map((_, at) => `c${at}`),
      ...concepts[0]!.map((_, row) => concepts.map((terms) => terms[row]!)),
    ];
    await page.getByLabel('Name of a new concept').fill('c0');
    await page.keyboard.press('Enter');
    await page.evaluate(
      (text) => navigator.clipboard.writeText(text),
      table.map((row) => row.join('\t')).join('\n'),
    );
    await workbench.addField('c0').focus();
    await page.keyboard.press('Control+v');
    await page.getByRole('button', { name: 'Add as terms' }).click();
    await expect(page.locator('app-concept-column')).toHaveCount(5);
    await workbench.goTo('Databases');
    for (const database of ['Cardinal Point Citations', 'Northern Union Catalogue', 'Plainfinder'])
      await page.getByRole('checkbox', { name: database }).check();
    await workbench.goTo('Topic');
    await page.getByRole('button', { name: 'Hide suggestions' }).click();
    await expect(page.locator('app-term-line')).toHaveCount(5 * 12);
    await watchCounting(page);
    // A round at a time, until other work on the machine left one alone.
    let median = Infinity;
    let longest = Infinity;
    let text = concepts.at(-1)!.at(-1)!;
    for (let round = 0; round < 4 && (median > wanted || longest > 50); round++) {
      const times: number[] = [];
      for (let turn = 0; turn < 7; turn++) {
        await waitUntilQuiet(page);
        const slowness = await measureSlowness(page);
        await workbench.line('c4', text).fill((text = `${next}${round}${turn}`));
        const counted = await measureCounting(page, () => page.keyboard.press('Enter'));
        console.log(
          `60 terms ${name}, ${counted.strings} counts: ${Math.round(counted.time)} ms, longest task ${Math.round(counted.task)} ms; slowness ${slowness.toFixed(1)}`,
        );
        // All but the changed term are left out of another draft than before, where that can be written.
        expect(counted.strings).toBeGreaterThan(databases * 59);
        times.push(counted.time / slowness);
        longest = Math.min(longest, counted.task / slowness);
      }
      median = Math.min(median, findMedian(times));
      console.log(`60 terms ${name}: ${Math.round(findMedian(times))} ms at the median (wanted ${wanted})`);
    }
    expect(median).toBeLessThan(GATE * wanted);
    expect(longest).toBeLessThan(GATE * 50);
  });

/** What has been counted since a moment: the time of the last answer, the longest task of the page, the number of counts. */
interface Counting {
  start: number;
  time: number;
  task: number;
  strings: number;
}

/** From now on the page notes what is counted. */
async function watchCounting(page: Page): Promise<void> {
  await page.evaluate(() => {
    const counting: Counting = { start: Infinity, time: 0, task: 0, strings: 0 };
    Object.assign(window, { counting });
    performance.setResourceTimingBufferSize(100_000);
    new PerformanceObserver((list) => {
      for (const { startTime, duration } of list.getEntries())
        if (startTime >= counting.start) counting.task = Math.max(counting.task, duration);
    }).observe({ type: 'longtask' });
    const send = window.fetch.bind(window);
    window.fetch = async (input, init) => {
      const answer = await send(input, init);
      if (/\/(count|unions)$/.test(answer.url)) {
        const body: unknown = await answer.clone().json();
        counting.strings += (body as { counts: unknown[] }).counts.length;
        counting.time = performance.now() - counting.start;
      }
      return answer;
    };
  });
}

/** What is counted after a change. */
async function measureCounting(page: Page, change: () => Promise<void>): Promise<Counting> {
  const read = () => page.evaluate(() => (window as unknown as { counting: Counting }).counting);
  await page.evaluate(() => {
    const { counting } = window as unknown as { counting: Counting };
    Object.assign(counting, { start: performance.now(), time: 0, task: 0, strings: 0 });
  });
  await change();
  await expect.poll(async () => (await read()).strings).toBeGreaterThan(0);
  await waitUntilQuiet(page);
  return read();
}

test('a thesaurus of 50,000 headings is read in under 5 s', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.addField('bats').focus();
  await page.getByRole('button', { name: 'Thesaurus', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: /^Thesaurus/ });
  const concepts = Array.from(
    { length: 50_000 },
    (_, at) =>
      `t:c${at} a skos:Concept ; skos:prefLabel "Heading ${at}"@en ; skos:altLabel "Entry ${at}"@en ; skos:broader t:c${Math.floor(at / 8)} ; skos:scopeNote "For works on ${at} as a whole."@en .`,
  );
  const prefixes = '@prefix skos: <http://www.w3.org/2004/02/skos/core#> .\n@prefix t: <urn:t:> .\n';
  const buffer = Buffer.from(prefixes + concepts.join('\n'));
  let best = Infinity;
  for (let turn = 0; turn < 3 && best > 5_000; turn++) {
    const slowness = await measureSlowness(page);
    const name = `large${turn}`;
    const start = Date.now();
    await dialog
      .getByLabel('A thesaurus file in SKOS')
      .setInputFiles({ name: `${name}.ttl`, mimeType: 'text/turtle', buffer });
    await expect(dialog.getByRole('radio', { name })).toHaveAttribute('aria-checked', 'true');
    const time = Date.now() - start;
    console.log(`50,000 headings: ${time} ms with handing over the file; slowness ${slowness.toFixed(1)}`);
    best = Math.min(best, time / slowness);
  }
  expect(best).toBeLessThan(GATE * 5_000);
});

test('20,000 records of one’s own are taken in within 15 s, while the page answers', async ({ page }) => {
  test.setTimeout(180_000);
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Databases');
  await page.getByRole('button', { name: 'Add your own records…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add your own records' });
  const abstract = 'Some words of an abstract on bats, lamps and roads that goes on for a while. '.repeat(15);
  const entries = Array.from(
    { length: 20_000 },
    (_, at) =>
      `@article{a${at}, title={Bats and {LED} lamps ${at}}, author={Muster, Anna and Beispiel, Jos{\\'e}}, year=2019, abstract={${abstract}}, keywords={bats, lamps}}`,
  );
  await dialog.getByLabel('Files of records').setInputFiles({
    name: 'many.bib',
    mimeType: 'text/plain',
    buffer: Buffer.from(entries.join('\n')),
  });
  const slowness = await measureSlowness(page);
  const started = Date.now();
  await dialog.getByRole('button', { name: 'Take them in' }).click();
  await expect(dialog).toContainText('20000 records were taken in', { timeout: 120_000 });
  const raw = Date.now() - started;
  console.log(
    `import of 20,000 records (${Math.round(entries.join('').length / 1e6)} MB of BibTeX): ${raw} ms, slowness ${slowness.toFixed(1)}`,
  );
  expect(raw / slowness).toBeLessThan(GATE * 15_000);
});

test('What to try is tried in six databases within 2 s, and the page answers all the while', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Databases');
  for (const name of ['Cardinal Point Citations', 'Northern Union Catalogue', 'Plainfinder'])
    await page.getByRole('checkbox', { name }).check();
  // A round at a time, until other work on the machine left one alone. The first visit is in the first round.
  let median = Infinity;
  let longest = Infinity;
  for (let round = 0; round < 3 && (median > 2_000 || longest > 50); round++) {
    const times: number[] = [];
    const tasks: number[] = [];
    for (let turn = 0; turn < 5; turn++) {
      // A changed draft: nothing of it is counted yet.
      await workbench.goTo('Topic');
      await workbench.addField('night light').fill(`lantern${round}${turn}*`);
      await page.keyboard.press('Enter');
      await workbench.goTo('Compare');
      await waitUntilQuiet(page);
      const slowness = await measureSlowness(page);
      await watchTrying(page);
      const questions = page.getByRole('navigation', { name: 'Questions' });
      await questions.getByRole('link', { name: 'What to try' }).click();
      await expect(page.getByText(/\b(\d{2,}) of \1 changes tried/)).toBeVisible();
      await waitUntilQuiet(page);
      const { time, task, said } = await page.evaluate(
        () => (window as unknown as { trying: Trying }).trying,
      );
      console.log(
        `${said} ${Math.round(time)} ms, longest task ${Math.round(task)} ms; slowness ${slowness.toFixed(1)}`,
      );
      expect(said).toMatch(/\b(\d{3}) of \1 changes tried/);
      times.push(time / slowness);
      tasks.push(task / slowness);
      await questions.getByRole('link', { name: 'Staircase' }).click();
    }
    median = Math.min(median, findMedian(times));
    longest = Math.min(longest, findMedian(tasks));
    console.log(
      `What to try: ${Math.round(findMedian(times))} ms at the median (wanted 2000), longest task ${Math.round(findMedian(tasks))} ms`,
    );
  }
  expect(median).toBeLessThan(GATE * 2_000);
  expect(longest).toBeLessThan(GATE * 50);
});

/** What is tried since a click: when the page said it last, and the longest task until then, in ms. */
interface Trying {
  time: number;
  task: number;
  said: string;
}

/** From the next click on, the page notes when it says that more changes were tried. */
async function watchTrying(page: Page): Promise<void> {
  await page.evaluate(() => {
    const trying: Trying = { time: 0, task: 0, said: '' };
    Object.assign(window, { trying });
    let start = Infinity;
    addEventListener('click', ({ timeStamp }) => (start = timeStamp), { once: true, capture: true });
    new PerformanceObserver((list) => {
      for (const { startTime, duration } of list.getEntries())
        if (startTime >= start) trying.task = Math.max(trying.task, duration);
    }).observe({ type: 'longtask' });
    new MutationObserver(() => {
      const lines = document.querySelectorAll('app-what-to-try p');
      const said = [...lines]
        .map(({ textContent }) => textContent.trim())
        .find((text) => text.includes(' tried'));
      if (said === undefined || said === trying.said) return;
      Object.assign(trying, { said, time: performance.now() - start });
    }).observe(document.body, { subtree: true, childList: true, characterData: true });
  });
}
