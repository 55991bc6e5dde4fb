import { expect, type Locator, type Page } from '@playwright/test';
import { Workbench } from './workbench';

/** The view Read as a person finds it. */
export class ReadView {
  readonly workbench: Workbench;
  readonly list: Locator;
  readonly record: Locator;
  readonly learn: Locator;

  constructor(readonly page: Page) {
    this.workbench = new Workbench(page);
    this.list = page.getByRole('listbox', { name: 'Records' });
    this.record = page.getByRole('region', { name: 'The record' });
    this.learn = page.getByRole('complementary', { name: 'What the records teach' });
  }

  /** Opens the draft of the demo project. */
  async start(): Promise<void> {
    await this.workbench.start();
    await this.workbench.goTo('Read');
    await expect(this.record).toBeVisible();
  }

  /** How many records the list says that it has. */
  async readTotal(): Promise<number> {
    const text = (await this.page.getByTestId('total').textContent()) ?? '';
    return Number(text.replace(/[^\d]/g, ''));
  }

  row(place: number): Locator {
    return this.page.locator(`#record-${place}`);
  }

  title(): Promise<string | null> {
    return this.record.getByRole('heading', { level: 2 }).textContent();
  }

  /** Opens a record of the list. */
  async open(place: number): Promise<void> {
    await this.row(place).click();
    await expect(this.row(place)).toHaveAttribute('aria-selected', 'true');
  }

  /** Judges the records from the one that is open on, by a key each; every one is seen to be judged. */
  async judge(...keys: readonly ('y' | 'n' | 'u')[]): Promise<void> {
    const open = this.list.locator('.row.current');
    for (const key of keys) {
      await expect(open.locator('.line')).toBeVisible();
      const place = (await open.getAttribute('id')) ?? '';
      await this.page.keyboard.press(key);
      await expect(
        this.page
          .locator(`#${place}`)
          .getByRole('img', { name: { y: 'on topic', n: 'off topic', u: 'not sure' }[key] }),
      ).toBeVisible();
    }
  }

  async sortBy(name: string): Promise<void> {
    await this.page.getByRole('button', { name: /^Sorted by/ }).click();
    await this.page.getByRole('menuitemradio', { name, exact: true }).click();
    await expect(this.page.getByRole('button', { name: `Sorted by ${name}` })).toBeVisible();
    await expect(this.row(0).locator('.line')).toBeVisible();
  }

  /** The titles of the rows that are drawn, from the top of the list. */
  async readTitles(): Promise<string[]> {
    return (await this.list.locator('.row .title').allTextContents()).map((title) => title.trim());
  }

  /** How often the records of these rows are cited. */
  async readTimesCited(): Promise<number[]> {
    const lines = await this.list.locator('.row .line').allTextContents();
    return lines.flatMap((line) => {
      const times = /cited ([\d,]+) ×/.exec(line)?.[1];
      return times === undefined ? [] : [Number(times.replace(',', ''))];
    });
  }

  async openFilters(facet: string): Promise<Locator> {
    const open = this.page.getByRole('button', { name: '+ filter' });
    if (await open.isVisible()) await open.click();
    const panel = this.page.getByRole('group', { name: 'Filters' });
    await panel.getByRole('radio', { name: facet, exact: true }).click();
    return panel;
  }
}
