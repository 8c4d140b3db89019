import { expect, test } from './desk.ts';

interface PatternRow {
  id: string;
  name: string;
}
interface DesignRow {
  id: number;
  name: string;
  pattern: string;
}

/** Turns every dial of the open design to both ends and every choice once, by the keys; says what went wrong. */
test('each pattern opens, each of its dials turns to both ends, and nothing leaves the mat', async ({
  page,
  demo,
}) => {
  const errors: string[] = [];
  page.on('pageerror', (e) => errors.push(e.message));
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
  const patterns = (await (await fetch(`${demo.url}/api/patterns`)).json()) as PatternRow[];
  const designs = (await (await fetch(`${demo.url}/api/designs`)).json()) as DesignRow[];
  const inside = async (what: string): Promise<void> => {
    const out = await page.evaluate(() => {
      const svg = document.querySelector('svg[role=img]')!;
      const frame = svg.getBoundingClientRect();
      return [...svg.querySelectorAll(':scope > g[transform] > *')].filter((el) => {
        const box = el.getBoundingClientRect();
        // Beside the grid, what is drawn stays within it by a pixel.
        return (
          box.width + box.height > 0 &&
          (box.left < frame.left - 1 ||
            box.top < frame.top - 1 ||
            box.right > frame.right + 1 ||
            box.bottom > frame.bottom + 1)
        );
      }).length;
    });
    expect([what, out]).toEqual([what, 0]);
  };
  for (const { id, name } of patterns) {
    const design = designs.find((d) => d.pattern === id);
    expect(design, `the demo has a design of ${name}`).toBeDefined();
    await page.goto(`${demo.url}/shape/${design!.id}`);
    await expect(page.getByText(`${name} pattern`, { exact: false })).toBeVisible();
    await expect(
      page.getByRole('list', { name: 'Easier to harder' }).getByRole('button').first(),
    ).toBeVisible();
    const sliders = await page.getByRole('slider').count();
    for (let i = 0; i < sliders; i++)
      for (const key of ['End', 'Home']) {
        const dial = page.getByRole('slider').nth(i);
        if ((await page.getByRole('slider').count()) <= i) continue;
        const label = await dial.evaluate((el) => el.getAttribute('aria-label') ?? el.id);
        await dial.focus();
        await page.keyboard.press(key);
        await inside(`${name}: ${label} ${key}`);
      }
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    // What was turned is kept before the next one is opened.
    await expect(page.getByText(`Design ${design!.id} · saved`)).toBeVisible();
    await expect(page.getByText('Something went wrong')).toHaveCount(0);
  }
  expect(errors).toEqual([]);
});
