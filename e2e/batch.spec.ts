import { expect, test } from './desk.ts';
import { fill, fromTop, press, tabTo } from './keys.ts';

test('from three designs to a finished batch, by keyboard alone', async ({ page, demo }) => {
  const errors: string[] = [];
  page.on('pageerror', (e) => errors.push(e.message));
  page.on('console', (m) => {
    if (m.type() === 'error') errors.push(m.text());
  });
  await page.goto(`${demo.url}/make/batches`);

  // Three designs at one bench.
  await fill(page, 'Name', 'Nap and evening');
  for (const name of ['Net-mender’s lacing sail', 'Sea-urchin pull box', 'Rain on the deck'])
    await press(page, page.getByRole('checkbox', { name }), 'Space');
  await press(page, page.getByRole('button', { name: 'Plan this making session' }));
  await expect(page.getByRole('heading', { level: 1, name: 'Nap and evening' })).toBeVisible();
  await expect(page.getByText('No time is given yet')).toBeVisible();

  // The children nap from 13:00 to 14:30; I have until four, and a helper while they sleep.
  const away = page.getByRole('region', { name: 'Children away' });
  const times = async (region: string, from: string, to: string): Promise<void> => {
    const of = page.getByRole('region', { name: region });
    for (const [label, text] of [
      ['From', from],
      ['To', to],
    ] as const) {
      await tabTo(page, of.getByRole('textbox', { name: label, exact: true }));
      await page.keyboard.press('Control+A');
      await page.keyboard.type(text);
    }
    await press(page, of.getByRole('button', { name: `Add to ${region}` }));
    await fromTop(page);
  };
  await times('Children away', '13:00', '14:30');
  await expect(away.getByText('24 Nov, 13:00–14:30')).toBeVisible();
  await press(page, page.locator('summary', { hasText: 'Other times for Me' }), 'Enter');
  await fromTop(page);
  await times('Times of Me', '12:30', '16:00');
  await expect(page.getByRole('heading', { name: /All done on 24 Nov at/ })).toBeVisible();
  // A slow machine may not come to the proof in its time; the plan stands all the same, and says which it is.
  const proof = page.getByText(/No plan ends sooner\.|The best plan found; none can end before/);
  await expect(proof).toBeVisible();
  const alone = await page.getByRole('heading', { name: /All done on/ }).textContent();
  const isProved = async (): Promise<boolean> =>
    (await proof.textContent())!.startsWith('No plan ends sooner');
  const isAloneProved = await isProved();
  await fill(page, 'Another maker', 'Helper');
  await page.keyboard.press('Enter');
  // The nap is said once: who comes in shares it.
  await expect(page.getByRole('group', { name: 'Helper, 24 Nov' })).toBeVisible();
  await expect(proof).toBeVisible();
  // What dries decides here: where both plans are proved, a helper does not end it sooner.
  if (isAloneProved && (await isProved()))
    await expect(page.getByRole('heading', { name: /All done on/ })).toHaveText(alone!);

  // A step is moved by the arrow keys and goes back.
  const first = page.getByRole('group', { name: 'Me, 24 Nov' }).getByRole('button').first();
  await tabTo(page, first);
  const before = await first.getAttribute('aria-label');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /moved by hand/ })).toHaveCount(1);
  await tabTo(page, page.getByRole('button', { name: /moved by hand/ }));
  await page.keyboard.press('Delete');
  await expect(page.getByRole('button', { name: /moved by hand/ })).toHaveCount(0);
  expect(before).toContain('12:30');

  // At the bench: the space bar is enough, and a blade asks first.
  await fromTop(page);
  await press(page, page.getByRole('link', { name: 'Go to the bench' }));
  await expect(page.getByRole('heading', { level: 1, name: 'Step 1' })).toBeVisible();
  await fromTop(page);
  const asked = page.getByText('are the children away?');
  let blades = 0;
  for (let pressed = 0; pressed < 80; pressed++) {
    if (await page.getByRole('heading', { level: 1, name: 'Every step is done' }).isVisible()) break;
    if (await asked.isVisible()) blades++;
    const big = page.locator('button', { hasText: 'or press the space bar' });
    const was = `${await page.locator('h1').textContent()} ${await big.textContent()}`;
    await page.keyboard.press('Space');
    await expect(async () => {
      const done = await page.getByRole('heading', { level: 1, name: 'Every step is done' }).isVisible();
      expect(done || `${await page.locator('h1').textContent()} ${await big.textContent()}` !== was).toBe(
        true,
      );
    }).toPass();
  }
  await expect(page.getByRole('heading', { level: 1, name: 'Every step is done' })).toBeVisible();
  expect(blades).toBeGreaterThan(0);
  // What dries goes on after a reload; what the last steps wrote has arrived by then.
  await page.waitForLoadState('networkidle');
  await page.reload();
  await expect(page.getByRole('list', { name: 'What dries' })).toContainText('Net-mender’s lacing sail');

  // Made: labelled, and on the rail.
  await press(page, page.getByRole('link', { name: 'Back to the making session' }));
  await press(page, page.getByRole('button', { name: 'It is made' }));
  await expect(page.getByText('Test the first of each by hand')).toBeVisible();
  await tabTo(page, page.getByRole('dialog').getByRole('button', { name: 'It is made' }));
  await page.keyboard.press('Enter');
  await expect(page.getByText(/6 kits labelled/)).toBeVisible();
  await press(page, page.getByRole('link', { name: 'See the kits' }));
  await expect(page.getByRole('heading', { level: 1, name: /30 kits, 6 out/ })).toBeVisible();
  expect(errors).toEqual([]);
});

test('a making session is planned from the kit, and what hinders it is mended by a touch', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/make/11`);
  await page.getByRole('button', { name: 'Plan when to make it' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Ferry count pouch, 24 Nov' })).toBeVisible();
  await expect(page.getByText(/No time is given yet/)).toBeVisible();
  await page.getByRole('button', { name: 'Add to Children away' }).click();
  // What is washed needs its two hours; whoever makes it shares the nap.
  await expect(page.getByText(/it has to dry for 2 h/)).toBeVisible();
  await expect(page.getByText('while children are away', { exact: true })).toBeVisible();
  await page
    .getByRole('button', { name: /^Go on with the same times on 25 Nov: all done on 25 Nov/ })
    .click();
  await expect(page.getByRole('heading', { name: /All done on 25 Nov at/ })).toBeVisible();
  // The kit knows its session.
  await page.getByRole('link', { name: 'Ferry count pouch', exact: true }).click();
  await page.getByRole('link', { name: 'Open Ferry count pouch, 24 Nov' }).click();
  await expect(page.getByRole('heading', { name: /All done on 25 Nov at/ })).toBeVisible();
});
