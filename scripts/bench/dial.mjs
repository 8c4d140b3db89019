// From key press to paint: a dial of the open design among 500 materials and 40 designs, beside a bare slider.
import { launchChromium } from '../lib.mjs';

const PRESSES = 60;

/** Fills the shelf up to 500 materials and the bench to 40 designs. */
export async function fillUp(url, json) {
  const post = async (path, body) => {
    const r = await fetch(`${url}/api${path}`, json('POST', body));
    if (!r.ok) throw new Error(`${path}: ${await r.text()}`);
    return r.json();
  };
  const materials = await fetch(`${url}/api/materials`).then((r) => r.json());
  for (let i = materials.length; i < 500; i++)
    await post('/materials', {
      name: `Find ${i}`,
      form: i % 3 === 0 ? 'container' : 'disc',
      sizes:
        i % 3 === 0
          ? { diameter: 80 + (i % 60), height: 90, wall: 1 }
          : { diameter: 20 + (i % 40), height: 12 },
      unit: 'each',
      kept: 5 + (i % 30),
      materialClass: 'plastic',
      give: 0,
      hazards: [],
      colour: '#B0451A',
    });
  const designs = await fetch(`${url}/api/designs`).then((r) => r.json());
  const { id: _, version: __, made: ___, ...first } = designs[0];
  for (let i = designs.length; i < 40; i++)
    await post('/designs', { ...first, name: `Design ${i}`, copies: 1 });
}

const at = (list, share) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))];

/** Script, style and layout of one press (ms, as the browser counts them), and the time until the next frame is painted. */
async function presses(page, cdp) {
  const metrics = async () => {
    const { metrics: list } = await cdp.send('Performance.getMetrics');
    const of = (name) => list.find((m) => m.name === name).value * 1000;
    return of('ScriptDuration') + of('LayoutDuration') + of('RecalcStyleDuration');
  };
  const [work, paint, whole] = [[], [], []];
  let way = 'ArrowLeft';
  for (let i = 0; i < PRESSES; i++) {
    // Ten steps one way, ten back, turning round at the ends: a press that moves nothing measures nothing.
    const [now, min, max] = await page.evaluate(() => {
      const dial = document.activeElement;
      return [dial.valueAsNumber, Number(dial.min), Number(dial.max)];
    });
    if (now >= max) way = 'ArrowLeft';
    else if (now <= min) way = 'ArrowRight';
    else if (i % 10 === 0) way = way === 'ArrowRight' ? 'ArrowLeft' : 'ArrowRight';
    const before = await metrics();
    await page.evaluate(() => {
      window.painted = new Promise((done) => {
        addEventListener(
          'keydown',
          () => {
            const from = performance.now();
            requestAnimationFrame(() => {
              const channel = new MessageChannel();
              channel.port1.onmessage = () => done(performance.now() - from);
              channel.port2.postMessage(0);
            });
          },
          { once: true, capture: true },
        );
      });
    });
    await page.keyboard.press(way);
    paint.push(await page.evaluate(() => window.painted));
    work.push((await metrics()) - before);
    // The worker's answer is drawn in a frame of its own.
    await page.waitForTimeout(60);
    whole.push((await metrics()) - before);
  }
  return { work, paint, whole };
}

/** The first slider of one design of each family, beside a bare slider in the same browser. */
export async function dialBench(url) {
  const designs = await fetch(`${url}/api/designs`).then((r) => r.json());
  const families = new Map();
  for (const d of designs) if (!families.has(d.pattern)) families.set(d.pattern, d.id);
  const browser = await launchChromium();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const cdp = await page.context().newCDPSession(page);
    await cdp.send('Performance.enable');
    await page.setContent('<input type="range" min="0" max="100" value="50" autofocus>');
    await page.locator('input').focus();
    const bare = await presses(page, cdp);
    const line = (name, { work, paint, whole }) =>
      console.log(
        `  ${name.padEnd(22)} script, style and layout median ${at(work, 0.5).toFixed(1)} ms, 95th percentile ${at(work, 0.95).toFixed(1)} ms (with the worker's answer ${at(whole, 0.5).toFixed(1)} and ${at(whole, 0.95).toFixed(1)}); key to paint median ${at(paint, 0.5).toFixed(1)} ms (${(at(paint, 0.5) / at(bare.paint, 0.5)).toFixed(1)} times the peer), 95th ${at(paint, 0.95).toFixed(1)} ms`,
      );
    line('a bare slider (peer)', bare);
    for (const [family, id] of families) {
      await page.goto(`${url}/shape/${id}`);
      const slider = page.getByRole('main').getByRole('slider').first();
      await slider.waitFor();
      await page.waitForLoadState('networkidle');
      await page.waitForTimeout(1500);
      await slider.focus();
      line(family, await presses(page, cdp));
    }
    console.log('  budget 16 ms of script, style and layout at the 95th percentile');
  } finally {
    await browser.close();
  }
}
