import { readFileSync } from 'node:fs';
import { expect, test } from './desk.ts';
import { pick } from './pick.ts';

const LIST = `Cupboard list, Skerry room;;;;;
Thing;Number;Ø in cm;h;Colour;Date received
Bottle caps;24;3,8;14;red;05/11/2026
Yoghurt tub;4,0;;;white;
Wide lid;3;4 in;3/8 in;;12 Nov 2026
Gizmo;a few;;;;soon
Total;31;;;;
`;

test('somebody’s own list goes in at the first try, and what is not understood comes back', async ({
  page,
  empty,
}) => {
  await page.request.get(`${empty.url}/api/place`);
  await page.goto(`${empty.url}/gather/files`);
  const own = page.getByRole('region', { name: 'A list of what you have' });
  const file = { name: 'cupboard.csv', mimeType: 'text/csv', buffer: Buffer.from(LIST) };
  await own.getByLabel('List of what you have').setInputFiles(file);
  await expect(
    own.getByText(/3 rows are understood, 1 is not; a row of totals is left out\. 3 new kinds/),
  ).toBeVisible();
  // What was understood is shown, not the raw text.
  await expect(own.getByRole('row', { name: 'Bottle caps disc 38 × 14 mm 24 plastic 5 Nov' })).toBeVisible();
  await expect(
    own.getByRole('row', { name: /Yoghurt tub container .* usual size of Yogurt tub, 500 g 4/ }),
  ).toBeVisible();
  await expect(own.getByRole('row', { name: /^6 Gizmo · a few · soon kind: is not known/ })).toBeVisible();
  // A column that means something else is told so.
  await pick(page, own.getByRole('button', { name: /Colour/ }), 'Leave it out');
  await expect(own.getByText(/3 rows are understood/)).toBeVisible();
  const download = page.waitForEvent('download');
  await own.getByRole('button', { name: 'Get the other 1 as a file' }).click();
  const rest = readFileSync(await (await download).path(), 'utf8');
  expect(rest).toContain('Thing,Number,Ø in cm,h,Colour,Date received,Why not');
  expect(rest).toMatch(/Gizmo,a few,,,,soon,".*kind: is not known/);
  await own.getByRole('button', { name: 'Put 3 rows on the shelf' }).click();
  await expect(own.getByText(/3 new kinds are on the shelf/)).toBeVisible();
  await own.getByRole('link', { name: 'See the shelf' }).click();
  await expect(page.getByRole('button', { name: /Bottle caps/ })).toContainText('24 kept');

  // The same again is known, and so is what its columns meant.
  await page.goto(`${empty.url}/gather/files`);
  await own.getByLabel('List of what you have').setInputFiles({ ...file, name: 'copy.csv' });
  await expect(own.getByText(/The same list came in on 24 Nov as cupboard\.csv/)).toBeVisible();
  await expect(own.getByRole('button', { name: /Colour/ })).toContainText('Leave it out');
  // What is no list says so.
  await own
    .getByLabel('List of what you have')
    .setInputFiles({ name: 'shelf.xlsx', mimeType: 'application/zip', buffer: Buffer.from('PK') });
  await expect(
    own.getByText('shelf.xlsx: open it in your spreadsheet and save it as CSV first'),
  ).toBeVisible();
});
