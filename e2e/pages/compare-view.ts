import { expect, type Locator, type Page } from '@playwright/test';
import { Workbench } from './workbench';

export const TOOL_NAMES = [
  'Staircase',
  'Each term',
  'Combinations',
  'Swap',
  'Overlap',
  'Gained and lost',
  'Years',
  'What to try',
  'Tallies',
] as const;
export type ToolName = (typeof TOOL_NAMES)[number];

/** The Compare view as a person finds it. */
export class CompareView {
  readonly workbench: Workbench;

  constructor(readonly page: Page) {
    this.workbench = new Workbench(page);
  }

  /** A new user with a query of their own, without limiters. */
  async startWith(query: string): Promise<void> {
    await this.workbench.start();
    await this.page.getByRole('button', { name: 'Remove the limiter 2000–2026' }).click();
    await this.write(query);
  }

  /** Writes the query as text. */
  async write(query: string): Promise<void> {
    await this.workbench.goTo('Query');
    await this.page.getByRole('textbox', { name: 'The query as text' }).focus();
    await this.page.keyboard.press('Control+a');
    await this.page.keyboard.insertText(query);
    await this.workbench.waitForCounts();
  }

  async open(tool: ToolName): Promise<void> {
    await this.workbench.goTo('Compare');
    const link = this.page.getByRole('navigation', { name: 'Questions' }).getByRole('link', { name: tool });
    await link.click();
    await expect(link).toHaveAttribute('aria-current', 'true');
  }

  /** The number with a label, such as “After bats in Heronsmere Life Index”. */
  number(label: string): Locator {
    const name = label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
    return this.page.getByRole('button', { name: new RegExp(`^${name}: [\\d,≈]+ records$`) });
  }

  async read(label: string): Promise<number> {
    const text = await this.number(label).first().textContent();
    return Number((text ?? '').replace(/[^\d]/g, ''));
  }
}
