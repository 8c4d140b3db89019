import { expect, test } from './desk.ts';
import { pick } from './pick.ts';

const WORD = 'seaweed on the slipway';

test('a manager lets a helper in, who lends and may do no more; everybody signs in; the last words typed stay', async ({
  page,
  demo,
  browser,
}) => {
  await page.goto(`${demo.url}/place`);
  const people = page.getByRole('region', { name: 'People' });
  await people.getByRole('textbox', { name: 'Name of the manager' }).fill('Keeper');
  await people.getByLabel('Password').fill(WORD);
  await people.getByRole('button', { name: 'Set up' }).click();
  await expect(people.getByText('Signed in as Keeper')).toBeVisible();
  await people.getByRole('textbox', { name: 'Name', exact: true }).fill('Helper');
  await people.getByLabel('First password').fill(WORD);
  await people.getByRole('button', { name: 'Add them' }).click();
  await expect(people.getByRole('list', { name: 'People' })).toContainText('Helper');
  // The message of it lies over the page; a press where it lies reaches what is below it.
  const words = page.getByText('Helper can sign in now.');
  const below = await words.evaluate((node) => {
    const { left, top, width, height } = node.getBoundingClientRect();
    return document.elementFromPoint(left + width / 2, top + height / 2)?.closest('.toast') ?? 'the page';
  });
  expect(below).toBe('the page');
  await people.getByText('Everybody signs in').click();

  // Another screen: nothing is seen before signing in, a wrong password is told, the right one opens what was asked for.
  const other = await browser.newContext({ viewport: { width: 390, height: 800 } });
  const phone = await other.newPage();
  await phone.goto(`${demo.url}/lend?kit=FB-001a`);
  await expect(phone.getByRole('heading', { level: 1, name: 'Sign in' })).toBeVisible();
  await expect(phone.getByText('Teal Skiff')).toHaveCount(0);
  await phone.getByRole('textbox', { name: 'Name' }).fill('Helper');
  await phone.getByLabel('Password').fill('a guess');
  await phone.getByRole('button', { name: 'Sign in' }).click();
  await expect(phone.getByText('The name or the password is wrong.')).toBeVisible();
  await phone.getByLabel('Password').fill(WORD);
  await phone.getByLabel('Password').press('Enter');
  // All of the page is there before the list is opened.
  await expect(phone.getByRole('button', { name: 'Lend to' })).toBeVisible();
  await phone.waitForLoadState('networkidle');
  await pick(phone, phone.getByRole('button', { name: 'Lend to' }), /Amber Dory/);
  await phone.getByRole('button', { name: 'Lend it' }).click();
  await expect(phone.getByRole('heading', { name: /^Amber Dory has FB-/ })).toBeVisible();
  // Who is signed in stands in the head, and what they may not change is locked, with the reason.
  await expect(phone.getByRole('link', { name: /signed in as Helper$/ })).toBeVisible();
  await phone.goto(`${demo.url}/shape/1`);
  await expect(phone.getByText(/^Signed in as Helper, who may lend and look on/)).toBeVisible();
  await phone.goto(`${demo.url}/place`);
  // A helper sees no backups and nobody else's rights.
  await phone.goto(`${demo.url}/place`);
  await expect(phone.getByText('Signed in as Helper')).toBeVisible();
  await expect(phone.getByRole('region', { name: 'Backups' })).toHaveCount(0);
  await expect(phone.getByText('Add a person')).toHaveCount(0);

  // It is on record, and turning somebody off ends it at once, in the middle of typing.
  await page.reload();
  await expect(page.getByRole('list', { name: 'Who did what' })).toContainText('Helper lent a kit');
  await phone.goto(`${demo.url}/watch`);
  const helper = people.getByRole('listitem').filter({ hasText: 'Helper' });
  await helper.getByRole('button', { name: 'Turn off' }).click();
  await expect(helper.getByRole('button', { name: 'Turn on' })).toBeVisible();
  await phone.reload();
  await expect(phone.getByRole('heading', { level: 1, name: 'Sign in' })).toBeVisible();
  await other.close();
});

test('a backup is looked at and put back, and undone by the one that was made before', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/place`);
  const backups = page.getByRole('region', { name: 'Backups' });
  await backups.getByRole('button', { name: 'Back up now' }).click();
  await expect(backups.getByText(/is whole and sound/)).toBeVisible();
  const notes = async () =>
    ((await (await fetch(`${demo.url}/api/notes/summary`)).json()) as { notes: number }).notes;
  const before = await notes();
  const [{ id }] = (await (await fetch(`${demo.url}/api/notes?limit=1`)).json()) as [{ id: number }];
  await fetch(`${demo.url}/api/notes/${id}`, { method: 'DELETE' });
  expect(await notes()).toBe(before - 1);
  await backups
    .getByRole('button', { name: /^Look at the backup/ })
    .first()
    .click();
  await expect(backups.getByText(`${before} notes`)).toBeVisible();
  await backups.getByRole('button', { name: 'Put it back' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Put it back' }).click();
  await expect.poll(notes).toBe(before);
  await expect(page.getByRole('list', { name: 'Backups' }).getByRole('listitem')).toHaveCount(2);
});
