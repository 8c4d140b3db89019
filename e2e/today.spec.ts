import { expect, test } from './desk.ts';
import { pick } from './pick.ts';

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

test('a family is found at the desk with all it has, and one that nobody knows is added there', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/lend`);
  const seek = page.getByRole('textbox', { name: 'Kit or family' });
  await seek.fill('Ochre Raft');
  await page.getByRole('button', { name: 'Find it' }).click();
  await page.getByRole('button', { name: 'Add a family called Ochre Raft' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a family' });
  await dialog.getByRole('textbox', { name: 'Group' }).fill('Gulls');
  await dialog.getByRole('button', { name: 'Save what is known' }).click();
  const own = page.getByRole('region', { name: 'Ochre Raft' });
  await expect(own.getByRole('heading', { name: 'Ochre Raft has nothing just now' })).toBeVisible();
  // Two kits at once, and both are there when the family is looked for.
  for (const label of ['FB-001a', 'FB-001c']) {
    await page.goto(`${demo.url}/lend?kit=${label}`);
    await pick(page, page.getByRole('button', { name: 'Lend to' }), /Ochre Raft/);
    if (label === 'FB-001c') await expect(page.getByText(/^They have .*FB-001a.* now\.$/)).toBeVisible();
    await page.getByRole('button', { name: 'Lend it', exact: true }).click();
    await expect(page.getByRole('heading', { name: `Ochre Raft has ${label} until` })).toBeVisible();
  }
  await seek.fill('ochre');
  await page.getByRole('button', { name: 'Find it' }).click();
  await expect(own.getByRole('heading', { name: 'Ochre Raft has 2 kits' })).toBeVisible();
  await expect(own.getByRole('button', { name: 'FB-001a' })).toBeVisible();
  await own.getByRole('link', { name: 'Page of Ochre Raft' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ochre Raft');
  await expect(page.getByRole('region', { name: 'Has now' }).getByRole('listitem')).toHaveCount(2);
  await page.getByRole('link', { name: 'All families' }).click();
  await expect(
    page.getByRole('region', { name: 'Gulls' }).getByRole('listitem').filter({ hasText: 'Ochre Raft' }),
  ).toContainText('has 2 kits');
});
