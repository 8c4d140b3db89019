// A queue of ten families at one desk, by keyboard and a hand scanner: each brings a kit back and takes another.
// Time is the desk's own plus so much for each key of a hand; talking is not in it.
import { launchChromium } from '../lib.mjs';
import { newPlace, openServer } from './place.mjs';

const FAMILIES = 10;
/** A practised hand, ms a key; a scanner needs none. */
const A_KEY = 180;
const BUDGET = 300;

export async function hold() {
  const server = await openServer(newPlace(60));
  const read = (path) => fetch(`${server.url}/api${path}`).then((r) => r.json());
  const families = (await read('/borrowers?limit=100')).slice(0, FAMILIES);
  const free = (await read('/kits?standing=in&limit=100'))
    .map((c) => c.label)
    .filter((l) => l.startsWith('FB-9'));
  const dueOn = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
  for (const [i, f] of families.entries()) {
    const [copy] = await read(`/kits?label=${free[i]}`);
    await fetch(`${server.url}/api/loans`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ kitId: copy.id, borrowerId: f.id, dueOn }),
    });
  }
  const browser = await launchChromium();
  let keys = 0;
  const began = performance.now();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${server.url}/lend`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    const key = async (name) => {
      keys++;
      await page.keyboard.press(name);
    };
    const scan = async (label) => {
      await page.keyboard.type(label, { delay: 4 });
      await page.keyboard.press('Enter');
      await page.getByText(label, { exact: true }).last().waitFor();
    };
    const press = async (wanted) => {
      await wanted.waitFor();
      for (let i = 0; i < 80; i++) {
        if (await wanted.evaluate((el) => el.matches(':focus'))) return key('Enter');
        await key('Tab');
      }
      throw new Error(`Tab never reached ${String(wanted)}`);
    };
    for (const [i, f] of families.entries()) {
      await scan(free[i]);
      await press(page.getByRole('button', { name: 'All there: take it back' }));
      await press(page.getByRole('button', { name: `${free[i]} is cleaned` }).last());
      await page
        .getByRole('button', { name: `${free[i]} is cleaned` })
        .first()
        .waitFor({ state: 'detached' });
      await scan(free[FAMILIES + i]);
      await press(page.getByRole('button', { name: /Lend to/ }));
      await page.getByRole('listbox').waitFor();
      for (const letter of f.name.slice(0, 4)) await key(letter);
      await key('Enter');
      await press(page.getByRole('button', { name: 'Lend it', exact: true }));
      await page.getByText(`With ${f.name} for 0 days`).waitFor();
    }
  } finally {
    await browser.close();
    await server.stop();
  }
  const desk = (performance.now() - began) / 1000;
  const whole = desk + (keys * A_KEY) / 1000;
  console.log(
    `Queue: ${FAMILIES} families, a kit back and another out each: ${keys} keys, ${desk.toFixed(0)} s of the desk, ${whole.toFixed(0)} s at ${A_KEY} ms a key (budget ${BUDGET})`,
  );
  if (whole > BUDGET) throw new Error('the queue took too long');
}
