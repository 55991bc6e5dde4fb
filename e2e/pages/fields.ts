import { expect, type Locator, type Page } from '@playwright/test';

/** Chooses one from a list by what it is called. */
export async function choose(field: Locator, name: string | RegExp): Promise<void> {
  await field.click();
  // The list stands over the page, not within what the field is a part of.
  await field.page().getByRole('option', { name, exact: true }).click();
  await expect(field.page().getByRole('option')).toHaveCount(0);
}

/** A field to choose from, by its label. */
export function findChoice(within: Page | Locator, label: string): Locator {
  return within.getByRole('combobox', { name: label, exact: true });
}
