import { expect, type Locator, type Page } from '@playwright/test';
import { choose, findChoice } from './fields';

/** The databases by the names on their gauges. */
export const DATABASES = [
  'Heronsmere Life Index',
  'Gantry Engineering Abstracts',
  'Marlstone Full Text',
] as const;
export type DatabaseName = (typeof DATABASES)[number];

/** The workbench as a person finds it: by roles and labels. */
export class Workbench {
  constructor(readonly page: Page) {}

  /** Opens the application as a new user with an empty browser. */
  async start(): Promise<void> {
    await this.page.goto('/');
    await expect(this.page).toHaveURL(/\/p\/.*\/topic/);
    await this.waitForCounts();
  }

  async goTo(
    view: 'Topic' | 'Query' | 'Translate' | 'Compare' | 'Read' | 'Logbook' | 'Databases' | 'Projects',
  ): Promise<void> {
    const link = this.page.getByRole('navigation').getByRole('link', { name: view, exact: true });
    await link.click();
    await expect(link).toHaveAttribute('aria-current', 'page');
  }

  /** Adds a database that is searched by hand, with the code `paperbark`, and searches it. */
  async addPaperbark(): Promise<void> {
    await this.goTo('Databases');
    await this.page.getByRole('button', { name: 'Add one that you search by hand…' }).click();
    const form = this.page.getByRole('dialog');
    await choose(findChoice(form, 'Begin with'), 'Field before the group');
    await form.getByLabel('Code', { exact: true }).fill('paperbark');
    await form.getByLabel('Name', { exact: true }).fill('Paperbark Index');
    await form.getByRole('button', { name: 'Add and search it' }).click();
    await expect(form).toHaveCount(0);
  }

  /** The number on a database's gauge. */
  gauge(database: DatabaseName): Locator {
    return this.page
      .getByRole('region', { name: 'Counts of the draft' })
      .getByRole('button', { name: new RegExp(`^${database}: [\\d,≈]+ records`) });
  }

  async readGauge(database: DatabaseName): Promise<number> {
    const text = await this.gauge(database).textContent();
    return Number((text ?? '').replace(/[^\d]/g, ''));
  }

  async readGauges(): Promise<number[]> {
    const numbers: number[] = [];
    for (const database of DATABASES) numbers.push(await this.readGauge(database));
    return numbers;
  }

  async waitForCounts(): Promise<void> {
    for (const database of DATABASES) await expect(this.gauge(database)).toBeVisible();
  }

  async waitUntilSaved(): Promise<void> {
    await expect(this.page.getByTestId('keeping')).toHaveText('saved');
  }

  /** The line of a term, by its text. */
  term(text: string): Locator {
    return this.page.locator(`input.line[title=${JSON.stringify(text)}]`);
  }

  /** The list of a concept's terms. */
  column(concept: string): Locator {
    return this.page.getByRole('list', { name: `Terms of ${concept}`, exact: true });
  }

  /** The line of a term in one concept; several bare words stand there in quotes. */
  line(concept: string, text: string): Locator {
    const quoted = text.includes(' ') && !/["():]/.test(text) ? `"${text}"` : text;
    return this.column(concept).locator(`input.line[title=${JSON.stringify(quoted)}]`);
  }

  addField(concept: string): Locator {
    return this.page.getByLabel(`Add a term to ${concept}`, { exact: true });
  }

  async freeze(name: string, note = ''): Promise<void> {
    await this.page.getByRole('button', { name: 'Freeze as variant' }).click();
    const dialog = this.page.getByRole('dialog', { name: 'Freeze as variant' });
    await dialog.getByLabel('Name').fill(name);
    await dialog.getByLabel('What changed, and why').fill(note);
    await dialog.getByRole('button', { name: 'Freeze', exact: true }).click();
    await expect(dialog).toBeHidden();
  }

  /** The count that a database's own reader gives a string, asked for apart from the application. */
  async countByHand(id: string, string: string, sentLimiters: object = {}): Promise<number> {
    const response = await this.page.request.post(`/api/standins/${id}/count`, {
      data: { strings: [string], sentLimiters },
    });
    const body = (await response.json()) as { counts: { total?: number }[] };
    return body.counts[0]?.total ?? -1;
  }
}
