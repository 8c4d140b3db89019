import { readFileSync } from 'node:fs';
import { expect, test } from './desk.ts';
import { pick } from './pick.ts';

test('the papers of a design come down as files', async ({ page, demo }) => {
  await page.goto(`${demo.url}/make/1`);
  const fetchFile = async (name: string): Promise<Buffer> => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name, exact: true }).click(),
    ]);
    expect(download.suggestedFilename()).toMatch(/^tide-line-drop-tub-1-.*\.(pdf|svg)$/);
    return readFileSync(await download.path());
  };
  for (const name of ['Build sheet', 'Template'])
    expect((await fetchFile(name)).subarray(0, 5).toString()).toBe('%PDF-');
  // Labels go on the printer's own sheets.
  await page.getByRole('button', { name: 'Labels' }).click();
  await page.getByRole('button', { name: 'Columns: one less' }).click();
  await expect(page.getByRole('link', { name: 'Print them' })).toHaveAttribute('href', /columns=2&rows=8/);
  expect((await fetchFile('Print them')).subarray(0, 5).toString()).toBe('%PDF-');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByRole('radio', { name: 'Letter' }).click({ force: true });
  expect((await fetchFile('Template as SVG')).toString()).toContain('width="215.9mm" height="279.4mm"');
});

test('a dial turned a moment ago is on the paper', async ({ page, demo }) => {
  await page.goto(`${demo.url}/shape/1`);
  await expect(page.getByText('Drops free').first()).toBeVisible();
  await page.getByRole('textbox', { name: 'Slot length, typed' }).fill('55');
  await page.getByRole('textbox', { name: 'Slot length, typed' }).press('Enter');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Print template' }).click(),
  ]);
  await download.path();
  const svg = await (await fetch(`${demo.url}/api/designs/1/template.svg`)).text();
  expect(svg).toContain('Slot length 55 mm');
});

test('kits that the shelf cannot fill are not made', async ({ page, demo }) => {
  await page.goto(`${demo.url}/make/1`);
  await expect(
    page.getByText('5 × Milk-bottle cap, 1 × Drawstring bag short: make 3 kits now.'),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'These 4 kits are made' })).toBeDisabled();
  await page.getByRole('button', { name: 'Kits to make: one less' }).click();
  await page.getByRole('button', { name: 'These 3 kits are made' }).click();
  await expect(page.getByText('FB-001e, FB-001f, FB-001g')).toBeVisible();
  await page.goto(`${demo.url}/gather`);
  await expect(page.getByRole('button', { name: /Milk-bottle cap/ })).toContainText('3 kept');
});

test('the desk works on a phone', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${demo.url}/lend`);
  await expect(page.getByRole('link', { name: /^Lend/ })).toBeInViewport();
  await page.getByRole('textbox', { name: 'Kit or family' }).fill('FB-001c');
  await page.getByRole('button', { name: 'Find it' }).click();
  await pick(page, page.getByRole('button', { name: /Lend to/ }), /Amber Dory/);
  await page.getByRole('button', { name: 'Lend it' }).click();
  await expect(page.getByRole('heading', { name: /^Amber Dory has FB-001c until/ })).toBeVisible();
  await page.getByRole('button', { name: 'Go on with FB-001c' }).click();
  await page.getByRole('button', { name: 'All there: take it back' }).click();
  await page.getByRole('button', { name: 'Go on with FB-001c' }).click();
  await page.getByRole('button', { name: 'FB-001c is cleaned' }).click();
  await expect(page.getByRole('button', { name: /FB-001c.*in · counted 8\/8/ })).toBeVisible();
});

test('a find is measured and added to, and its record is not deleted with it', async ({ page, demo }) => {
  await page.goto(`${demo.url}/gather`);
  await page.getByRole('link', { name: 'Add what came in' }).click();
  await page.getByRole('searchbox', { name: 'What is it?' }).fill('Cheese-box lid');
  await page.getByRole('link', { name: 'Add “Cheese-box lid” with its sizes' }).click();
  await page.getByRole('textbox', { name: 'Across' }).fill('4 1/4"');
  await page.getByRole('textbox', { name: 'Height' }).fill('1.8 cm');
  await page.getByRole('button', { name: 'Add to the shelf' }).click();
  await expect(page.getByRole('button', { name: /Cheese-box lid/ })).toContainText('108 × 18 mm');
  await page.getByRole('textbox', { name: 'How many' }).fill('6');
  await page.getByRole('button', { name: 'Add stock' }).click();
  await expect(page.getByRole('button', { name: /Cheese-box lid/ })).toContainText('7 kept');
  // What came in is on record, so the material stays; nothing is lost without a word.
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByText(/Cheese-box lid has 2 lots on record/)).toBeVisible();
  await expect(page.getByRole('button', { name: /Cheese-box lid/ })).toBeVisible();
});

test('a design whose container is gone from reason can be mended in place', async ({ page, demo }) => {
  const materials = (await (await fetch(`${demo.url}/api/materials`)).json()) as {
    id: number;
    name: string;
    version: number;
  }[];
  const cap = materials.find((m) => m.name === 'Milk-bottle cap')!;
  const { id, ...body } = cap;
  await fetch(`${demo.url}/api/materials/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...body, form: 'cord', sizes: { diameter: 3 } }),
  });
  await page.goto(`${demo.url}/shape/1`);
  await expect(page.getByRole('alert')).toContainText('Milk-bottle cap is a cord; expected a piece or disc');
  await pick(page, page.getByRole('button', { name: 'Choose Piece' }), /Juice-bottle cap/);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'Cut the slot to fit the juice-bottle cap',
  );
});

test('an empty place says where to begin', async ({ page, empty }) => {
  await page.goto(`${empty.url}/shape`);
  await expect(page.getByText(/the shelf is still empty/)).toBeVisible();
  await page.getByRole('link', { name: 'Fill the shelf' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Welcome to Fox Button');
  await page.goto(`${empty.url}/lend`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('No kits yet');
  await page.goto(`${empty.url}/nowhere`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('There is nothing at this address');
});

test('a design is started from one of the bench, and without tools that are not at hand', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/shape/1`);
  await page.getByRole('button', { name: 'New design' }).first().click();
  const dialog = page.getByRole('dialog', { name: 'New design' });
  await dialog.getByText('Two hands together').click();
  await dialog.getByText('Porpoises').click();
  await expect(dialog.getByRole('button', { name: 'Start lace' })).toBeVisible();
  await dialog.getByText('Hole punch', { exact: true }).click();
  await expect(dialog.getByText(/Lace \(it needs a hole punch\)/)).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Start lace' })).toHaveCount(0);
  // What the bench has for the skill comes first.
  const others = dialog.getByRole('list', { name: 'Designs to start from' });
  await expect(others.getByRole('button').first()).toContainText('Net-mender’s lacing sail');
  await others.getByRole('button', { name: /Net-mender/ }).click();
  await expect(page.getByLabel('Design Net-mender’s lacing sail, copy')).toContainText('Porpoises');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Lace round the boat');
});

test('rings are made: the cut plan is drawn, and the off-cut goes back on the shelf', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/make/8`);
  const plan = page.getByRole('region', { name: 'Cut plan of Kitchen-roll tube' });
  await expect(plan).toContainText('goes back on the shelf: 1 × 113 mm');
  await expect(plan.getByRole('img')).toBeVisible();
  await page.getByRole('button', { name: 'These 2 kits are made' }).click();
  await expect(page.getByText(/Put back on the shelf/)).toContainText(
    '1 × Kitchen-roll tube, off-cut 113 mm',
  );
  await page.goto(`${demo.url}/gather`);
  await page
    .getByRole('searchbox')
    .or(page.getByRole('textbox', { name: 'Find' }))
    .first()
    .fill('off-cut');
  await expect(page.getByText('Kitchen-roll tube, off-cut 113 mm')).toBeVisible();
});
