import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** Axe finds nothing on a page, or in a part of it. A dialog that opens is waited for: its colours are others until then. */
export async function expectNothingByAxe(page: Page, part?: string): Promise<void> {
  await expect(page.locator('mat-dialog-container:not(.mdc-dialog--open)')).toHaveCount(0);
  await expect(page.locator('.mdc-dialog--opening')).toHaveCount(0);
  const builder = new AxeBuilder({ page });
  const { violations } = await (part === undefined ? builder : builder.include(part)).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html).join(' | ')}`)).toEqual(
    [],
  );
}
