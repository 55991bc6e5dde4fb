import { expect, test, type Page } from '@playwright/test';
import { Workbench } from './pages/workbench';

/** What is on the screen in one frame: a text, the number beside it, and whether that is marked as of before. */
interface Frame {
  readonly text: string;
  readonly number: string;
  readonly isMarked: boolean;
}

/** Where to look: the text, the element that bears the mark, and the number in it. */
interface Places {
  readonly text: string;
  readonly marked: string;
  readonly number: string;
}

/** Looks at the screen in every frame, and after every task between them, until it is stopped. */
const watch = (page: Page, places: Places): Promise<void> =>
  page.evaluate(({ text, marked, number }) => {
    const frames: Frame[] = [];
    const channel = new MessageChannel();
    const state = { frames, isOver: false };
    Object.assign(window, { watched: state });
    const look = (): void => {
      const place = document.querySelector(text);
      const bearer = document.querySelector(marked);
      if (!place || !bearer) return;
      const seen = {
        text: place instanceof HTMLInputElement ? place.value : (place.textContent ?? ''),
        number: bearer.querySelector(number)?.textContent.trim() ?? '',
        isMarked: bearer.classList.contains('waiting'),
      };
      const last = frames.at(-1);
      if (JSON.stringify(last) !== JSON.stringify(seen)) frames.push(seen);
    };
    channel.port1.onmessage = () => {
      look();
      if (!state.isOver) channel.port2.postMessage(0);
    };
    channel.port2.postMessage(0);
    const frame = (): void => {
      look();
      if (!state.isOver) requestAnimationFrame(frame);
    };
    requestAnimationFrame(frame);
  }, places);

const stop = (page: Page): Promise<Frame[]> =>
  page.evaluate(() => {
    const { watched } = window as unknown as { watched: { frames: Frame[]; isOver: boolean } };
    watched.isOver = true;
    return watched.frames;
  });

/** Each text has one number that is not marked: its own, which the database itself gives. */
const checkFrames = async (
  frames: readonly Frame[],
  count: (text: string) => Promise<number>,
): Promise<number> => {
  const own = frames.filter(({ isMarked, number }) => !isMarked && /\d/.test(number));
  const numbers = new Map<string, number>();
  for (const { text, number } of own) {
    const expected = numbers.get(text) ?? (await count(text));
    numbers.set(text, expected);
    expect(Number(number.replace(/[^\d]/g, '')), `beside “${text.slice(0, 60)}”`).toBe(expected);
  }
  return own.length;
};

const GAUGE = 'app-gauge';
const YEARS = ' AND year:2000..2026';

test('a number stands only beside the text that it is of, in every frame: the query as text', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  const editor = page.getByRole('textbox', { name: 'The query as text' });
  await editor.focus();
  await watch(page, { text: '.cm-content', marked: GAUGE, number: 'button.number' });
  for (const word of ['lamp', 'bats', 'owls', 'light']) {
    await page.keyboard.press('Control+a');
    for (const letter of word) await page.keyboard.press(letter);
    await workbench.waitForCounts();
  }
  const frames = (await stop(page)).filter(({ text }) => !text.startsWith('@'));
  const seen = await checkFrames(frames, (text) => workbench.countByHand('heronsmere', `(${text})${YEARS}`));
  expect(seen).toBeGreaterThan(4);
});

test('a number stands only beside the text that it is of, in every frame: a long text', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.goTo('Query');
  const editor = page.getByRole('textbox', { name: 'The query as text' });
  await editor.focus();
  await page.keyboard.press('Control+a');
  const long = `bats OR (${Array.from({ length: 400 }, (_, at) => `lamp${at}`).join(' OR ')})`;
  await page.keyboard.insertText(long);
  await expect(page.getByTestId('keeping')).toHaveText('saved');
  await workbench.waitForCounts();
  await watch(page, { text: '.cm-content', marked: GAUGE, number: 'button.number' });
  await page.keyboard.press('Control+Home');
  for (let letter = 0; letter < 4; letter++) await page.keyboard.press('Delete');
  await page.keyboard.insertText('light');
  await expect(page.getByTestId('keeping')).toHaveText('saved');
  await workbench.waitForCounts();
  const frames = await stop(page);
  // The text is long: only its beginning is on the screen, and tells which one it is.
  const own = frames.filter(({ isMarked, number }) => !isMarked && /\d/.test(number));
  const numbers = new Map<string, Set<string>>();
  for (const { text, number } of own)
    numbers.set(text.slice(0, 12), (numbers.get(text.slice(0, 12)) ?? new Set()).add(number));
  for (const [text, found] of numbers) expect([...found], text).toHaveLength(1);
  expect(numbers.size).toBeGreaterThan(1);
});

test('a number stands only beside the text that it is of, in every frame: a term', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  const line = workbench.column('bats').locator('input.line').first();
  await expect(line).toBeVisible();
  const id = (await line.getAttribute('data-term')) ?? '';
  const field = `input[data-term="${id}"]`;
  await expect(page.locator(`app-term-line:has(${field}) app-count button.number`).first()).toBeVisible();
  await watch(page, {
    text: field,
    marked: `app-term-line:has(${field}) app-count`,
    number: 'button.number',
  });
  for (const word of ['noctule', 'serotine', 'moth']) {
    await page.locator(field).focus();
    await page.keyboard.press('Control+a');
    for (const letter of word) await page.keyboard.press(letter);
    await page.keyboard.press('Enter');
    await expect(page.locator(`app-term-line:has(${field}) app-count`).first()).not.toHaveClass(/waiting/);
  }
  const frames = await stop(page);
  const seen = await checkFrames(frames, (text) => workbench.countByHand('heronsmere', `(${text})${YEARS}`));
  expect(seen).toBeGreaterThan(3);
});
