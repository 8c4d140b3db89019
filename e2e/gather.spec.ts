import { readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from './desk.ts';
import { pick } from './pick.ts';

/** One find by keyboard: its name, what is wrong by number keys, and in it goes. */
async function takeIn(page: Page, name: string, keys = ''): Promise<void> {
  const what = page.getByRole('searchbox', { name: 'What is it?' });
  await what.fill(name);
  await what.press('Enter');
  // No wait: answers typed at once belong to the find that was just picked.
  for (const key of keys) await page.keyboard.press(key);
  await expect(page.getByRole('status', { name: 'Outcome' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status', { name: 'Outcome' })).toBeHidden();
  await expect(what).toBeFocused();
}

test('from a bag of twenty finds to what could be made', async ({ page, empty }) => {
  await page.goto(`${empty.url}/gather/look-over`);
  await page.getByRole('textbox', { name: 'From (code name)' }).fill('Teal Skiff');
  // Three tubs, one of them sticky; a tube that rests; a carton that is greasy; a lid with a sharp edge.
  await takeIn(page, 'yogurt tub, 500');
  await page.getByRole('button', { name: 'Same again', exact: true }).click();
  await expect(page.getByText('today 2 kept')).toBeVisible();
  await takeIn(page, 'yogurt tub, 500', '11');
  await expect(page.getByText('1 to clean')).toBeVisible();
  await takeIn(page, 'toilet-roll');
  await expect(page.getByText('1 in quarantine')).toBeVisible();
  await takeIn(page, 'cereal box', '111');
  await expect(page.getByText('1 refused')).toBeVisible();
  await takeIn(page, 'jam-jar lid, metal', '6');
  // Caps, one looked over and the rest alike.
  await takeIn(page, 'milk-bottle cap');
  await page.getByRole('button', { name: 'Same again, 5 more' }).click();
  await expect(page.getByText('today 8 kept')).toBeVisible();
  await page.getByRole('button', { name: 'Same again, 5 more' }).click();
  await expect(page.getByText('today 13 kept')).toBeVisible();
  await page
    .getByRole('button', { name: 'Same again, 1' })
    .or(page.getByRole('button', { name: 'Same again', exact: true }))
    .click();
  await expect(page.getByText('today 14 kept')).toBeVisible();
  await takeIn(page, 'milk-bottle cap');
  await takeIn(page, 'wooden peg'.split(' ').reverse().join(' '));
  await expect(page.getByText('today 16 kept, 2 to clean, 1 in quarantine, 1 refused')).toBeVisible();

  // The shelf knows what is ready and what waits.
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await expect(page.getByRole('button', { name: /Milk-bottle cap/ })).toContainText('13 kept');
  await page.getByRole('button', { name: /Yogurt tub/ }).click();
  await expect(page.getByRole('button', { name: /Yogurt tub/ })).toContainText('2 kept + 1 waiting');
  await page.getByRole('radio', { name: 'Lots' }).click({ force: true });
  await page.getByRole('button', { name: 'It is clean' }).click();
  await expect(page.getByRole('button', { name: /Yogurt tub/ })).toContainText('3 kept');

  // What could I make? Tubs and caps go together; the caps run out first.
  await page.getByRole('link', { name: 'What could I make?' }).click();
  await page.getByText('18–30 months', { exact: true }).click();
  const idea = page
    .getByRole('list', { name: 'What you can make' })
    .getByRole('listitem')
    .filter({ hasText: 'Yogurt tub, 500 g + Milk-bottle cap' })
    .filter({ hasText: 'Drop-through' })
    .first();
  await expect(idea).toContainText('2 kits from free stock, then no more milk-bottle cap');
  await idea.getByRole('button', { name: /^Start/ }).click();
  await expect(page).toHaveURL(/shape\/1$/);
  await page.goto(`${empty.url}/gather/today`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('1 of 1 designs can be made today');
  const row = page.getByRole('row', { name: /Milk-bottle cap through/ }).first();
  await expect(row).toContainText('Milk-bottle cap, 13 free');
  await expect(page.getByText('no choice is better')).toBeVisible();
});

test('the shelf is found through, sorted and kept in order by keyboard', async ({ page, demo }) => {
  await page.goto(`${demo.url}/gather`);
  const find = page.getByRole('searchbox', { name: 'Find' });
  await find.fill('tubes longer than 100 mm');
  await expect(page.getByText('longer than 100 mm', { exact: false }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /Kitchen-roll tube/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /Toilet-roll tube/ })).toHaveCount(0);
  await find.fill('fits through 20 mm');
  await expect(page.getByRole('button', { name: /Milk-bottle cap/ })).toHaveCount(0);
  await find.fill('');
  await expect(page.getByRole('button', { name: /Milk-bottle cap/ })).toContainText('32 reserved, 5 short');
  await page.getByRole('button', { name: 'As a table' }).click();
  const table = page.getByRole('grid', { name: 'Materials on the shelf' });
  await table.getByRole('columnheader', { name: 'Kept' }).click();
  await table.getByRole('columnheader', { name: 'Kept' }).click();
  await expect(table.getByRole('row').nth(1)).toContainText('45 m');
  await table.getByRole('row').nth(1).click();
  await page.keyboard.press('ArrowDown');
  await expect(page).toHaveURL(/material=\d+/);
  await page.getByRole('radio', { name: /lots/ }).click({ force: true });
  await expect(page.getByRole('grid', { name: 'Lots on the shelf' }).getByRole('row').nth(1)).toBeVisible();
});

test('saving up says when, and prints what families can bring', async ({ page, demo }) => {
  await page.goto(`${demo.url}/gather/saving`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('5 × milk-bottle cap');
  await expect(page.getByRole('row', { name: /Milk-bottle cap/ })).toContainText(/\d+ Dec to \d+ (Dec|Jan)/);
  await expect(page.locator('.js-plotly-plot .legend')).toContainText('wanted: 32');
  await page.getByRole('button', { name: 'Kits: one more' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('13 × milk-bottle cap');
  const coming = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Print the wanted list' }).click();
  const file = await coming;
  expect(file.suggestedFilename()).toMatch(/^wanted-tide-line-drop-tub/);
  expect(
    readFileSync(await file.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('a kit is packed, and a gap that lets a piece out is a stop', async ({ page, demo }) => {
  await page.goto(`${demo.url}/gather/container?design=2`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('It fits in the yogurt bucket, 130 mm');
  await expect(page.getByRole('img', { name: 'A packing of 5 boxes' })).toBeVisible();
  await pick(page, page.getByRole('button', { name: /Design/ }), 'Crab-claw tongs');
  await pick(page, page.getByRole('button', { name: /Container/ }), /Wipes box/);
  await expect(page.getByText(/Bottle cork would go through its gap of 28 mm: tape it over/)).toBeVisible();
});

test('the shop’s lists are read, compared and followed', async ({ page, demo }) => {
  await page.goto(`${demo.url}/gather/prices`);
  await page.getByRole('button', { name: 'Read the shop’s lists' }).click();
  await expect(page.getByText(/lists read for 7 packs/)).toBeVisible();
  await page.getByRole('button', { name: 'Follow Wooden beads 25 mm, 30' }).click();
  await expect(page).toHaveURL(/offer=\d+/);
  await expect(page.getByRole('row', { name: /Wooden beads 25 mm, 30/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Wooden bead, large: what one has cost' })).toBeVisible();
});

test('files go out, and come in whole or not at all', async ({ page, demo }) => {
  await page.goto(`${demo.url}/gather/files`);
  const coming = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Materials as CSV' }).click();
  const text = readFileSync(await (await coming).path(), 'utf8');
  const good = join(tmpdir(), `fox-materials-${process.pid}.csv`);
  const bad = join(tmpdir(), `fox-faulty-${process.pid}.csv`);
  const tag: Record<string, string> = {
    name: 'Bread tag',
    form: 'disc',
    diameter: '22',
    height: '1',
    class: 'plastic',
  };
  const columns = text.replace('\ufeff', '').split('\r\n')[0]!.split(',');
  writeFileSync(good, `${text}${columns.map((c) => tag[c] ?? '').join(',')}\r\n`);
  writeFileSync(bad, 'Name;Form;Diameter;Height\nLid;disc;wide;9\nRing;disc;30;4');
  await page.getByLabel('CSV file').setInputFiles(bad);
  await expect(page.getByText(/1 faulty: correct the file/)).toBeVisible();
  await expect(page.getByRole('row', { name: /diameter wide/ })).toContainText('is not a length');
  await expect(page.getByRole('button', { name: /Write all/ })).toHaveCount(0);
  await page.getByLabel('CSV file').setInputFiles(good);
  await expect(page.getByText(/1 new, \d+ change what is there/)).toBeVisible();
  await page.getByRole('button', { name: /Write all/ }).click();
  await expect(page.getByText(/1 materials? added/)).toBeVisible();
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await expect(page.getByRole('button', { name: /Bread tag/ })).toBeVisible();
});
