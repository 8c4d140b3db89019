import type { Locator, Page } from '@playwright/test';
import { expect } from './desk.ts';

/**
 * Opens a list and takes a line of it, and sees that it was taken. A press that falls while a dialog is still leaving, or
 * while what came in late moves the list, is made again, as a person would.
 */
export async function pick(page: Page, field: Locator, line: string | RegExp): Promise<void> {
  const option =
    typeof line === 'string' && line === ''
      ? page.getByRole('option').first()
      : page.getByRole('option', { name: line });
  await expect(async () => {
    if (!(await option.isVisible())) await field.click({ timeout: 20_000 });
    const words = await option.evaluate((el) => el.firstChild?.textContent ?? '', null, { timeout: 20_000 });
    const opened = await page.locator('button[aria-expanded="true"]').getAttribute('id', { timeout: 20_000 });
    await option.click({ timeout: 20_000 });
    const taken = page.locator(`[id="${opened}"]`);
    // Where what was taken mends the page, its list is gone with what was wrong.
    await expect(async () => {
      if ((await taken.count()) > 0) await expect(taken).toContainText(words, { timeout: 100 });
    }).toPass({ timeout: 20_000 });
  }).toPass();
  await expect(page.getByRole('listbox')).toBeHidden();
}
