import { expect, openDesk, test } from './desk.ts';
import { pick } from './pick.ts';
import type { Design } from '../contract/designs.ts';

test('a second tab with an old version is told, and chooses', async ({ browser, demo }) => {
  const [one, two] = [await browser.newPage(), await browser.newPage()];
  for (const page of [one, two]) {
    await page.goto(`${demo.url}/shape/1`);
    await expect(page.getByText('Drops free').first()).toBeVisible();
  }
  const turn = async (page: typeof one, width: string): Promise<void> => {
    await page.getByRole('textbox', { name: 'Slot width, typed' }).fill(width);
    await page.getByRole('textbox', { name: 'Slot width, typed' }).press('Enter');
  };
  // The second tab sleeps through the news: its list stays as it was.
  const old = await (await fetch(`${demo.url}/api/designs`)).text();
  await two.route('**/api/designs', (route) => route.fulfill({ contentType: 'application/json', body: old }));
  await turn(one, '19');
  await expect
    .poll(async () => ((await (await fetch(`${demo.url}/api/designs/1`)).json()) as Design).dials.width)
    .toBe(19);
  await turn(two, '23');
  const dialog = two.getByRole('alertdialog');
  await expect(dialog).toContainText('was changed on another screen');
  await expect(dialog.getByRole('row', { name: /width/ })).toContainText('2319');
  await dialog.getByRole('button', { name: 'Take what is there' }).click();
  await expect(two.getByRole('textbox', { name: 'Slot width, typed' })).toHaveValue('19 mm');
});

test('two desks lend one kit: one wins, the other is told who has it', async ({ browser, demo }) => {
  const [one, two] = [await browser.newPage(), await browser.newPage()];
  for (const [page, family] of [
    [one, 'Amber Dory'],
    [two, 'Slate Lugger'],
  ] as const) {
    await page.goto(`${demo.url}/lend?kit=FB-001c`);
    await pick(page, page.getByRole('button', { name: /Lend to/ }), new RegExp(family));
  }
  await Promise.all([one, two].map((p) => p.getByRole('button', { name: 'Lend it' }).click()));
  const told = /FB-001c is with (Amber Dory|Slate Lugger) until/;
  await expect(async () => {
    const seen = await Promise.all(
      [one, two].map((p) =>
        p
          .getByText(told)
          .or(p.getByRole('heading', { name: /^(Amber Dory|Slate Lugger) has FB-001c/ }))
          .or(p.getByText(/With (Amber Dory|Slate Lugger) for 0 days/))
          .count(),
      ),
    );
    expect(seen.every((n) => n > 0)).toBe(true);
  }).toPass();
  const copies = (await (await fetch(`${demo.url}/api/kits`)).json()) as {
    label: string;
    openLoan: { borrower: string } | null;
  }[];
  expect(copies.find((c) => c.label === 'FB-001c')!.openLoan!.borrower).toMatch(/Amber Dory|Slate Lugger/);
});

test('killed while saving, the place has everything that was acknowledged', async () => {
  const desk = await openDesk(true);
  try {
    for (let round = 0; round < 4; round++) {
      const start = (await (await fetch(`${desk.url}/api/designs/1`)).json()) as Design;
      const before = (await (await fetch(`${desk.url}/api/notes`)).json()) as unknown[];
      let acknowledged = start;
      let notes = before.length;
      let going = true;
      const design = (async () => {
        while (going) {
          const { id, ...body } = acknowledged;
          const r = await fetch(`${desk.url}/api/designs/${id}`, {
            method: 'PUT',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ ...body, copies: (body.copies % 200) + 1 }),
          }).catch(() => null);
          if (r?.ok) acknowledged = (await r.json()) as Design;
        }
      })();
      const noting = (async () => {
        while (going) {
          const r = await fetch(`${desk.url}/api/notes`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({
              designId: 1,
              child: 'G-01',
              level: 'Close slot',
              bits: 11,
              seconds: 10,
              count: 1,
              of: 'pieces',
              help: 'none',
              words: '',
              satOn: '2026-11-24',
            }),
          }).catch(() => null);
          if (r?.status === 201) notes++;
        }
      })();
      // Killed in mid-work, however slow the machine: not before both have been acknowledged once.
      while (acknowledged.version === start.version || notes === before.length)
        await new Promise((r) => setTimeout(r, 20));
      await new Promise((r) => setTimeout(r, 100 + 130 * round));
      await desk.kill();
      going = false;
      await Promise.all([design, noting]);
      await desk.start();
      const after = (await (await fetch(`${desk.url}/api/designs/1`)).json()) as Design;
      const kept = (await (await fetch(`${desk.url}/api/notes`)).json()) as unknown[];
      // What was on its way at the kill may be there too, but never less than was acknowledged, and never half.
      expect(acknowledged.version).toBeGreaterThan(start.version);
      expect(after.version).toBeGreaterThanOrEqual(acknowledged.version);
      expect(after.version).toBeLessThanOrEqual(acknowledged.version + 1);
      expect(after.copies).toBe(((start.copies - 1 + (after.version - start.version)) % 200) + 1);
      expect(kept.length).toBeGreaterThanOrEqual(notes);
      expect(kept.length).toBeLessThanOrEqual(notes + 1);
    }
  } finally {
    await desk.close();
  }
});
