import { readFileSync } from 'node:fs';
import type { Locator } from '@playwright/test';
import { expect, test } from './desk.ts';

/** What somebody new needs for one look and one press or word, seconds: generous, common practice. */
const AN_ACT = 8;

test.use({ locale: 'en-US' });

test('from nothing to a printed template in under five minutes', async ({ page, empty }) => {
  let acts = 0;
  const press = async (what: Locator): Promise<void> => {
    acts++;
    await what.click();
  };
  await page.goto(empty.url);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Welcome to Fox Button');
  // How the browser writes is the first guess: inches, Letter, dollars.
  await expect(page.getByRole('radio', { name: 'Inches and fractions' })).toBeChecked();
  await expect(page.getByRole('radio', { name: 'Letter' })).toBeChecked();
  acts++;
  await page.getByRole('textbox', { name: 'Name of the place' }).fill('Skerry room');
  await press(page.getByRole('button', { name: 'Save' }));
  await expect(page.getByRole('link', { name: /This place: Skerry room/ })).toBeVisible();

  await press(page.getByRole('button', { name: 'Choose from a list' }));
  for (const kind of ['Yogurt tub, 500 g', 'Milk-bottle cap', 'Cereal-box panel', 'Shoe lace', 'Cloth tape'])
    await press(page.getByRole('listitem').filter({ hasText: kind }).getByText(kind));
  acts++;
  await page.getByRole('textbox', { name: 'How many: Milk-bottle cap' }).fill('14');
  await press(page.getByRole('button', { name: 'Put 5 kinds on the shelf' }));
  await expect(page.getByRole('button', { name: /Milk-bottle cap/ })).toContainText('14 kept');

  await press(page.getByRole('link', { name: /^Shape/ }));
  await press(page.getByRole('button', { name: 'New design' }));
  const dialog = page.getByRole('dialog', { name: 'New design' });
  await press(dialog.getByText('30–48 months', { exact: true }));
  await press(dialog.getByRole('button', { name: 'Start drop-through' }));
  const download = page.waitForEvent('download');
  await press(page.getByRole('link', { name: 'Print template' }));
  const file = await (await download).path();
  expect(readFileSync(file).subarray(0, 5).toString()).toBe('%PDF-');
  expect(acts * AN_ACT).toBeLessThan(300);

  // Nothing simulated stands in a place of one's own.
  await page.goto(`${empty.url}/gather/prices`);
  await expect(page.getByRole('heading', { name: 'What do packs cost now?' })).toBeVisible();
  await expect(page.getByText(/simulated/i)).toHaveCount(0);
  await page.goto(`${empty.url}/place`);
  await expect(page.getByRole('radio', { name: 'Hidden', checked: true })).toBeVisible();
});

test('an invented shelf is there in one touch, on an empty shelf only', async ({ page, empty }) => {
  await page.goto(`${empty.url}/gather`);
  await page.getByRole('button', { name: 'Fill the shelf' }).click();
  await expect(page.getByText('51 kinds are on the shelf.')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('What is on the shelf?');
  const again = await page.request.post(`${empty.url}/api/materials/demo`, { data: {} });
  expect(again.status()).toBe(409);
});

test('a file of a design opens in an empty place', async ({ page, empty, demo }) => {
  const file = await (await page.request.get(`${demo.url}/api/designs/1/file`)).body();
  await page.goto(`${empty.url}/shape`);
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'tub.json', mimeType: 'application/json', buffer: file });
  await page.getByRole('dialog').getByRole('button', { name: 'Open it' }).click();
  await expect(page.getByRole('heading', { name: 'Tide-line drop tub' })).toBeVisible();
});

test('what stands in the card counts from the first way on, saved by its button or not', async ({
  page,
  empty,
}) => {
  const place = async () =>
    (await (await page.request.get(`${empty.url}/api/place`)).json()) as { name: string; lengthUnit: string };
  await page.goto(`${empty.url}/gather`);
  await page.getByRole('textbox', { name: 'Name of the place' }).fill('Skerry room');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('link', { name: /This place: Skerry room/ })).toBeVisible();
  expect((await place()).lengthUnit).toBe('in');
  // Changed once more, and once again after another look, without the button.
  await page.getByText('Millimetres', { exact: true }).click();
  await page.getByRole('button', { name: 'Choose a file' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Export and import');
  expect(await place()).toMatchObject({ name: 'Skerry room', lengthUnit: 'mm' });
  await page.goto(`${empty.url}/gather`);
  await page.getByText('Inches and fractions', { exact: true }).click();
  await page.getByRole('button', { name: 'Fill the shelf' }).click();
  await expect(page.getByText('51 kinds are on the shelf.')).toBeVisible();
  expect(await place()).toMatchObject({ name: 'Skerry room', lengthUnit: 'in' });
});
