import { expect, test } from './desk.ts';

test('a day is put together on one page, and a line is gone when it is done', async ({ page, demo }) => {
  await page.goto(demo.url);
  await expect(page).toHaveURL(/\/today$/);
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toHaveText(/^\d+ things to do today$/);
  const before = Number(/\d+/.exec((await title.textContent())!)![0]);
  const late = page.getByRole('region', { name: 'Overdue' });
  const label = /FB-\d+\w/.exec((await late.getByRole('listitem').first().textContent())!)![0];
  await late.getByRole('link', { name: `Take back ${label}` }).click();
  await page.getByRole('button', { name: 'All there: take it back' }).click();
  await expect(page.getByRole('heading', { name: `${label} is back from` })).toBeVisible();
  // It is to be cleaned now, and that is done from the list.
  await page.getByRole('link', { name: 'Fox Button: what to do today' }).click();
  await expect(late.getByText(label)).toHaveCount(0);
  await page.getByRole('button', { name: `${label} is clean` }).click();
  await expect(page.getByRole('button', { name: `${label} is clean` })).toHaveCount(0);
  await expect(title).toHaveText(/^\d+ things to do today$/);
  expect(Number(/\d+/.exec((await title.textContent())!)![0])).toBeLessThanOrEqual(before);
  // What was done is undone with why and who, and is to be done again.
  await page.getByText(/^Done today \(\d+\)$/).click();
  const done = page.getByRole('list', { name: 'Done today' });
  await done.getByRole('button', { name: `Undo: changed the state of a kit: ${label}` }).click();
  const asks = page.getByRole('dialog', { name: 'Undo this?' });
  await asks.getByRole('textbox', { name: 'Why is it undone?' }).fill('the other one was meant');
  await asks.getByRole('textbox', { name: /^Who undoes it/ }).fill('A. K.');
  await asks.getByRole('button', { name: 'Undo it' }).click();
  await expect(page.getByRole('button', { name: `${label} is clean` })).toBeVisible();
  await expect(done).toContainText('by A. K.: the other one was meant');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Print for the wall' }).click();
  expect((await download).suggestedFilename()).toBe('today-2026-11-24.pdf');
});
