// npm run shots: renews docs/screenshots/ from the demo cart. SHOTS=folder and SIZE=390x844 look elsewhere.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  ensureBuild,
  ensureDebian,
  ensurePackages,
  freePort,
  launchChromium,
  run,
  say,
  startServer,
} from './lib.mjs';

ensurePackages();
ensureDebian([{ name: 'chromium', file: '/usr/bin/chromium' }]);
ensureBuild();
const today = '2026-11-24';
const folder = mkdtempSync(join(tmpdir(), 'fox-button-shots-'));
const out = process.env.SHOTS ?? 'docs/screenshots';
const [width, height] = (process.env.SIZE ?? '1280x800').split('x').map(Number);
mkdirSync(out, { recursive: true });
run(process.execPath, ['dist/server/fill-demo.js'], {
  env: { ...process.env, FOX_DATA: folder, FOX_TODAY: today },
  stdio: ['ignore', 'ignore', 'inherit'],
});
const server = await startServer(
  { PORT: String(await freePort()), FOX_DATA: folder, FOX_TODAY: today },
  { stdio: ['ignore', 'ignore', 'inherit'] },
);
const browser = await launchChromium();
const views = [
  ['gather', '/gather?material=1'],
  ['gather-photo', '/gather/photo', 'example 1'],
  ['today', '/today'],
  ['gather-today', '/gather/today'],
  ['shape', '/shape/1'],
  ['patterns', ''],
  ['shape-new', '/shape/1', 'New design'],
  ['check', '/check/1'],
  ['price', '/price/1'],
  ['make', '/make/1'],
  ['make-batch', '/make/batches/1'],
  ['make-bench', '/make/batches/1/bench'],
  ['lend', '/lend?kit=FB-005a'],
  ['lend-kits', '/lend/kits'],
  ['lend-tell', '/lend/tell'],
  ['lend-term', '/lend/terms', 'Plan it'],
  ['watch', '/watch'],
  ['watch-child', '/watch/G-04'],
  ['place', '/place'],
];
try {
  const page = await browser.newPage({ viewport: { width, height } });
  page.on('pageerror', (e) => console.error(`page error: ${e.message}`));
  page.on('console', (m) => m.type() === 'error' && console.error(`console: ${m.text()}`));
  const only = process.env.ONLY?.split(',');
  /** One picture of all patterns: the mat of a design of each, sixteen to a page. */
  const patterns = async () => {
    const cells = [];
    for (const id of [1, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 21]) {
      await page.goto(`${server.url}/shape/${id}`);
      await page.waitForLoadState('networkidle');
      await page.waitForTimeout(1500);
      const picture = await page.locator('svg[aria-label]').first().screenshot();
      const title = await page
        .getByText(/ pattern · /)
        .first()
        .textContent();
      cells.push({ picture: picture.toString('base64'), title: title.split(' pattern')[0] });
    }
    const sheet = await browser.newPage({ viewport: { width: 1600, height: 1240 } });
    const figures = cells.map(
      ({ picture, title }) =>
        `<figure><img src="data:image/png;base64,${picture}"><figcaption>${title}</figcaption></figure>`,
    );
    await sheet.setContent(
      `<style>body{margin:16px;display:grid;grid-template-columns:repeat(4,1fr);gap:14px;background:#f6f1e6;font:600 18px sans-serif}
figure{margin:0}img{width:100%;border-radius:10px}</style>${figures.join('')}`,
    );
    await sheet.screenshot({ path: join(out, 'patterns.png'), fullPage: true });
    await sheet.close();
    say(join(out, 'patterns.png'));
  };
  for (const [name, path, press] of views.filter(([n]) => !only || only.includes(n))) {
    if (name === 'patterns') {
      await patterns();
      continue;
    }
    await page.goto(server.url + path);
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(/^(shape|check|gather-)/.test(name) ? 2500 : 600);
    if (press) {
      await page.getByRole('button', { name: press }).click();
      await page.waitForTimeout(4000);
      // A term takes as long as its proof does, a suggestion as long as there are shelves to try.
      for (const busy of ['Planning …', 'Trying what goes together …', 'Measuring …'])
        await page.getByText(busy).waitFor({ state: 'hidden', timeout: 30_000 });
      await page.waitForTimeout(400);
    }
    await page.screenshot({ path: join(out, `${name}.png`), fullPage: process.env.FULL === '1' });
    say(`${join(out, `${name}.png`)}`);
  }
} finally {
  await browser.close();
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
}
