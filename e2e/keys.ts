import type { Locator, Page } from '@playwright/test';
import { expect } from './desk.ts';

/** Walks with Tab until the wanted thing has the focus; the mouse is never used. */
export async function tabTo(page: Page, wanted: Locator, most = 160): Promise<void> {
  await expect(wanted).toBeVisible();
  for (let i = 0; i < most; i++) {
    if (await wanted.evaluate((el) => el === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`Tab never reached ${String(wanted)}`);
}
export const press = async (page: Page, wanted: Locator, key = 'Enter'): Promise<void> => {
  await tabTo(page, wanted);
  await page.keyboard.press(key);
};
export const fill = async (page: Page, label: string, text: string): Promise<void> => {
  await tabTo(page, page.getByRole('textbox', { name: label, exact: true }));
  await page.keyboard.press('Control+A');
  await page.keyboard.type(text);
};
/** Opens a list, types the first letters of the wanted line, takes it. */
export const choose = async (page: Page, label: string, line: string): Promise<void> => {
  await press(page, page.getByRole('button', { name: new RegExp(`${label}`) }).first(), 'Enter');
  await expect(page.getByRole('listbox')).toBeVisible();
  await page.keyboard.type(line);
  await expect(page.getByRole('option', { name: line }).first()).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listbox')).toBeHidden();
};
/** Starts from the top of the page again, as a new look at it does. */
export const fromTop = (page: Page): Promise<void> =>
  page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
