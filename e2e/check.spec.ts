import { readFileSync } from 'node:fs';
import { expect, test } from './desk.ts';

test('a finger trap is told, and the least change that clears it is taken in one touch', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/shape/1`);
  const across = page.getByRole('slider', { name: 'Slot width' });
  await across.fill('10');
  await page.getByRole('link', { name: 'Check it' }).click();
  const findings = page.getByRole('region', { name: 'Findings' });
  const trap = findings.getByRole('listitem').filter({ hasText: 'Fingers in the opening' });
  // A long slot rings no finger: the text that stops speaks of round holes.
  await expect(trap.getByText('Take care', { exact: true })).toBeVisible();
  // The clause and its figures for whoever asks.
  await expect(trap.getByText(/10 mm, limit 13 mm/)).not.toBeVisible();
  await trap.getByText('Which rule?').click();
  await expect(trap.getByText(/10 mm, limit 13 mm/)).toBeVisible();
  await trap.getByRole('button', { name: 'What would clear it?' }).click();
  const ways = trap.getByRole('list', { name: 'What would clear: Fingers in the opening' });
  const least = ways.getByRole('listitem').filter({ hasText: /Slot width: 10 mm → 13 mm/ });
  await expect(least).toContainText('then clear');
  await least.getByRole('button', { name: 'Take' }).click();
  await expect(trap.getByText('Clear', { exact: true })).toBeVisible();
  await page.goto(`${demo.url}/shape/1`);
  await expect(across).toHaveValue('13');
});

test('a test by hand is read from the scale, kept, and one that fails calls back what is lent', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/check/5`);
  await page.getByRole('button', { name: 'Record the pull test' }).click();
  const dialog = page.getByRole('dialog', { name: 'Record: pull test' });
  await dialog.getByRole('button', { name: 'Read the scale' }).click();
  // A hand pulls for a quarter of a minute.
  const taken = dialog.getByRole('button', { name: /^Take 9\d\.\d N$/ });
  await taken.click();
  await expect(dialog.getByRole('textbox', { name: 'Force that was held' })).toHaveValue(/^9\d(\.\d)?$/);
  await dialog.getByRole('button', { name: 'Put on record' }).click();
  await expect(dialog.getByText('Say whether it held.')).toBeVisible();
  await dialog.getByText('It held', { exact: true }).click();
  await dialog.getByRole('textbox', { name: 'Done by' }).fill('Keeper of the cart');
  await dialog.getByRole('button', { name: 'Put on record' }).click();
  await expect(page.getByText(/Held: Wooden egg, 9\d(\.\d)? N/)).toBeVisible();
  await page.getByRole('button', { name: 'Record the drop test' }).click();
  const drop = page.getByRole('dialog', { name: 'Record: drop test' });
  await drop.getByText('It came off, cracked or opened').click();
  await drop.getByRole('textbox', { name: 'Done by' }).fill('Keeper of the cart');
  await drop.getByRole('button', { name: 'Put on record' }).click();
  await expect(page.getByText('Called back.', { exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Findings' }).getByText(/It failed on/)).toBeVisible();
  // A kit of it is out: whom to ask for it stands there.
  await expect(page.getByText(/Out: .*FB-005a with Grey Punt, due 20 Nov/)).toBeVisible();
});

test('a place changes a rule with its reason, adds its own, and every check and paper says so', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/rules`);
  await page.getByRole('button', { name: 'Change Fingers in the opening' }).click();
  const dialog = page.getByRole('dialog', { name: 'Fingers in the opening' });
  await dialog.getByRole('textbox', { name: 'Limit' }).fill('25');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('Decided by: expected a name.')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'Decided by' }).fill('Keeper');
  await dialog.getByRole('textbox', { name: 'Reason' }).fill('Thick gloves in winter');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText(/25 mm for 13 mm/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a rule' }).click();
  const own = page.getByRole('dialog', { name: 'A rule of your own' });
  await own.getByRole('textbox', { name: 'Title' }).fill('Large pieces in the boat');
  await own.getByRole('textbox', { name: 'Limit' }).fill('60');
  await own.getByRole('textbox', { name: 'What to do then' }).fill('Use a larger cap.');
  await own.getByRole('textbox', { name: 'Decided by' }).fill('Keeper');
  await own.getByRole('textbox', { name: 'Reason' }).fill('They roll under the benches');
  await own.getByRole('button', { name: 'Add' }).click();
  await expect(own).toBeHidden();
  await page.goto(`${demo.url}/check/1`);
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(findings.getByText('Large pieces in the boat')).toBeVisible();
  await expect(page.getByText(/Changed here by Keeper \(25 mm for 13 mm\)/).first()).toBeVisible();
  const [sheet] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Check sheet' }).click(),
  ]);
  expect(
    readFileSync(await sheet.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('a cleaner is mixed by the numbers of its label', async ({ page, demo }) => {
  await page.goto(`${demo.url}/check/1`);
  await page.getByRole('button', { name: 'Mix a cleaner' }).click();
  const dialog = page.getByRole('dialog', { name: 'Mix a cleaner' });
  await dialog.getByRole('textbox', { name: 'On the bottle' }).fill('5');
  await dialog.getByRole('textbox', { name: 'Asked for' }).fill('500');
  await expect(dialog.getByText('10 ml of the product and 990 ml of water: 1 part to 99.')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'Asked for' }).fill('60000');
  await expect(dialog.getByText(/is stronger than the product/)).toBeVisible();
});
