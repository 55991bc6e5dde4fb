import { expect, type Locator, type Page } from '@playwright/test';
import { Workbench } from './workbench';

/** The Logbook as a person finds it. */
export class LogbookView {
  readonly workbench: Workbench;
  readonly log: Locator;
  readonly document: Locator;
  readonly missing: Locator;

  constructor(readonly page: Page) {
    this.workbench = new Workbench(page);
    this.log = page.getByRole('region', { name: 'Log', exact: true });
    this.document = page.locator('app-document-view');
    this.missing = page.getByTestId('missing');
  }

  /** Opens the Logbook of the demo project with an empty browser. */
  async start(): Promise<void> {
    await this.workbench.start();
    await this.workbench.goTo('Logbook');
  }

  /** A line of the log, by its words. */
  line(words: string | RegExp): Locator {
    return this.log.getByRole('listitem').filter({ hasText: words });
  }

  /** Opens a line and gives what it then shows. */
  async openLine(words: string | RegExp): Promise<Locator> {
    const line = this.line(words).first();
    const button = line.getByRole('button').first();
    if ((await button.getAttribute('aria-expanded')) !== 'true') await button.click();
    await expect(button).toHaveAttribute('aria-expanded', 'true');
    return line;
  }

  /** Runs the draft, frozen under a name, or what is proposed if there is no name to give. */
  async run(name: string, variant?: string): Promise<void> {
    await this.page
      .getByRole('button', { name: /^Run it (now|again)…$/ })
      .first()
      .click();
    const dialog = this.page.getByRole('dialog', { name: 'Run in all databases' });
    if (variant !== undefined) await dialog.getByLabel('Name of the variant').fill(variant);
    await dialog.getByLabel('Name of the run').fill(name);
    await dialog.getByRole('button', { name: 'Run', exact: true }).click();
    await expect(dialog).toBeHidden();
    await expect(this.log).toContainText(name);
    await expect(this.document.or(this.page.locator('app-document-words'))).toBeVisible();
  }

  async show(face: string): Promise<void> {
    const link = this.page
      .getByRole('navigation', { name: 'What is shown' })
      .getByRole('link', { name: face });
    await link.click();
    await expect(link).toHaveAttribute('aria-current', 'page');
  }
}
