import { expect, test } from './desk.ts';
import { pick } from './pick.ts';

test('finds on a sheet are measured by a photo, gathered by kind, and go on to the shelf one kind after another', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/gather`);
  await page.getByRole('link', { name: 'Measure with a photo' }).first().click();
  await page.getByRole('button', { name: 'example 2' }).click();
  // As the ray tracer was told: nine things, of them three eggs of 60 × 42, one of another colour.
  await expect(page.getByRole('heading', { level: 1, name: /^9 things/ })).toBeVisible();
  const kinds = page.getByRole('list', { name: 'Kinds in the photo' });
  const eggs = kinds.getByRole('listitem').filter({ hasText: '2 × egg' });
  await expect(eggs).toContainText(/(59|60|61)(\.\d)? mm × 4[123](\.\d)? mm/);
  const before = await kinds.getByRole('listitem').count();
  const first = kinds
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: /What is it/ }) })
    .first();
  const what = first.getByRole('button', { name: /What is it/ });
  const name = (await what.textContent())!;
  await first.getByRole('button', { name: 'Check it for the shelf' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the photo' }).click();
  // The photo is there as it was, and so is what was chosen.
  await expect(kinds.getByRole('listitem')).toHaveCount(before);
  await expect(what).toHaveText(name);
  // From two sides the heights follow: two caps of 38 that seemed to be of different kinds are of one.
  await page.getByRole('button', { name: 'Another photo' }).click();
  await page.getByRole('button', { name: 'example 1' }).click();
  await page.getByRole('button', { name: 'Second photo' }).click();
  await page.getByRole('button', { name: 'example 1 from the other side' }).click();
  await expect(page.getByText(/heights of 14 things now known from two photos/)).toBeVisible();
  const caps = kinds.getByRole('listitem').filter({ hasText: '2 × round, 38' });
  await expect(caps).toContainText(/14(\.\d)? mm high, by two photos/);
});

test('a thing on the sheet becomes the outline of a lacing card at its true size, with its hole, and is taken back', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/shape/7`);
  const size = page.getByRole('slider', { name: 'Longest side' });
  const before = await size.inputValue();
  await page.getByRole('button', { name: 'From a photo' }).click();
  const dialog = page.getByRole('dialog', { name: 'An outline from a photo' });
  await dialog.getByRole('textbox', { name: 'How thick it is' }).fill('2');
  await dialog.getByRole('textbox', { name: 'How thick it is' }).press('Tab');
  await dialog.getByRole('button', { name: 'the example' }).click();
  await pick(page, dialog.getByRole('button', { name: /Which thing/ }), /^1: /);
  await dialog.getByRole('textbox', { name: 'Called' }).fill('Red herring');
  // A fish of 92 from nose to tail, as it lay aslant.
  await expect(dialog.getByText(/^9[345](\.\d)? mm along its longer side: its true size/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Use this outline' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('Red herring', { exact: true }).first()).toBeVisible();
  await expect(size).toHaveValue(/^9[345]/);
  await expect(page.getByRole('img', { name: /A lacing card, Red herring, with/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(size).toHaveValue(before);
});

test('a child’s hand is measured by a photo for a design that is fitted to it', async ({ page, demo }) => {
  await page.goto(`${demo.url}/shape/7`);
  await page.getByRole('button', { name: 'Fit it to a child' }).click();
  const dialog = page.getByRole('dialog', { name: 'Fit it to a child' });
  await dialog.getByRole('textbox', { name: 'Code name' }).fill('P-40');
  await dialog.getByRole('button', { name: 'Measure with a photo' }).click();
  await dialog.getByRole('button', { name: 'the example' }).click();
  await expect(dialog.getByText(/^Hand span (8[5-9]|9[0-4]) mm, across the knuckles 5\d mm/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Take these measures over' }).click();
  await expect(dialog.getByRole('textbox', { name: 'Hand span' })).toHaveValue(/^(8[5-9]|9[0-4])$/);
  await expect(dialog.getByRole('textbox', { name: 'Across the knuckles' })).toHaveValue(/^5\d$/);
  await expect(dialog.getByRole('textbox', { name: 'Middle finger' })).toHaveValue(/^[45]\d$/);
  await dialog.getByRole('button', { name: 'Start a design for P-40' }).click();
  await expect(page.getByRole('heading', { name: 'Fitted to P-40' })).toBeVisible();
  const { hand } = (await (await page.request.get(`${demo.url}/api/children`)).json()).find(
    (c: { code: string }) => c.code === 'P-40',
  ) as { hand: { breadth: number; fingers: { middle: number } } };
  expect(hand.fingers.middle).toBeGreaterThan(hand.breadth - 20);
});

test('the pieces of a kit are counted by a photo at its return, and a person confirms', async ({
  page,
  demo,
}) => {
  const kits = (await (await page.request.get(`${demo.url}/api/kits`)).json()) as {
    label: string;
    openLoan: object | null;
    parts: { name: string; due: number }[];
  }[];
  const kit = kits.find((k) => k.openLoan && k.parts.some((p) => /cap/i.test(p.name)))!;
  await page.goto(`${demo.url}/lend?kit=${kit.label}`);
  await page.getByRole('button', { name: 'Count with a photo' }).click();
  const dialog = page.getByRole('dialog', { name: `Count ${kit.label} with a photo` });
  await dialog.getByRole('button', { name: 'example 1' }).click();
  await expect(dialog.getByRole('list', { name: 'Counted by the photo' })).toBeVisible();
  await expect(dialog.getByText('Nothing is taken back yet', { exact: false })).toBeVisible();
  await dialog.getByRole('button', { name: /Fill/ }).click();
  await expect(page.getByText('Filled in from the photo', { exact: false })).toBeVisible();
  const still = (await (await page.request.get(`${demo.url}/api/kits`)).json()) as typeof kits;
  expect(still.find((k) => k.label === kit.label)!.openLoan).not.toBeNull();
});
