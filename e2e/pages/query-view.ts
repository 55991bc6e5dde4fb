import { expect, type Locator, type Page } from '@playwright/test';

/** The Query view as a person finds it. */
export class QueryView {
  constructor(readonly page: Page) {}

  readonly editor = this.find(() => this.page.getByRole('textbox', { name: 'The query as text' }));
  readonly rows = this.find(() => this.page.getByRole('treegrid', { name: 'Rows of the query' }));

  private find(make: () => Locator): () => Locator {
    return make;
  }

  /** A row by what a screen reader says of it. */
  row(name: string): Locator {
    return this.rows().getByRole('row', { name, exact: true });
  }

  /** The draft as text, on one line. */
  async readText(): Promise<string> {
    const lines = await this.editor().locator('.cm-line').allTextContents();
    return lines.join(' ').replace(/\s+/g, ' ').replace(/\( /g, '(').replace(/ \)/g, ')').trim();
  }

  async expectText(text: string): Promise<void> {
    await expect.poll(() => this.readText()).toBe(text);
  }

  async type(text: string): Promise<void> {
    await this.editor().click();
    await this.page.keyboard.press('Control+a');
    if (text === '') await this.page.keyboard.press('Delete');
    else await this.page.keyboard.insertText(text);
  }

  /** Types into the line that is open in the outline. */
  async enter(text: string): Promise<void> {
    const line = this.page.getByLabel('A new row');
    await expect(line).toBeFocused();
    await line.pressSequentially(text);
    await line.press('Enter');
    await expect(line).toBeHidden();
  }

  /** The row that the focus is on. */
  focused(): Locator {
    return this.rows().locator('tr:focus');
  }

  /** Presses keys as hands do: they go to whatever has the focus, which is in the rows. */
  async press(...keys: readonly string[]): Promise<void> {
    for (const key of keys) {
      await expect(this.focused()).toHaveCount(1);
      await this.page.keyboard.press(key);
    }
  }

  finding(says: RegExp): Locator {
    return this.page.getByRole('listitem').filter({ has: this.page.getByRole('button', { name: says }) });
  }

  /** The number of a row in a database. */
  cell(row: string, database: string): Locator {
    return this.row(row).getByRole('button', { name: new RegExp(`^${escape(row)} in ${database}: `) });
  }
}

function escape(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
