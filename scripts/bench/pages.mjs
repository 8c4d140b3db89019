// What a browser loads for the first page, and how long stations take to open at 2,000 and at 20,000 kits and notes.
import { brotliCompressSync } from 'node:zlib';
import Database from 'libsql';
import { launchChromium } from '../lib.mjs';

/** Every script that the first page fetches until it is quiet, whatever imports it. */
export async function firstPage(url) {
  const browser = await launchChromium();
  try {
    const page = await browser.newPage();
    const scripts = [];
    page.on('response', (r) => {
      if (r.url().startsWith(url) && /\.js$/.test(new URL(r.url()).pathname)) scripts.push(r.body());
    });
    await page.goto(`${url}/gather`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForLoadState('networkidle');
    const before = scripts.length;
    const bodies = await Promise.all(scripts);
    const sum = (f) => bodies.reduce((n, b) => n + f(b), 0) / 1000;
    console.log(
      `  ${before} scripts, ${sum((b) => b.length).toFixed(1)} kB raw, ${sum((b) => brotliCompressSync(b).length).toFixed(1)} kB brotli (as served), budget 200 kB`,
    );
  } finally {
    await browser.close();
  }
}

/** Puts kits, loans and notes straight into a place's file. */
export function fillLists(file, kits) {
  const db = new Database(file);
  const design = db
    .prepare('select id from design order by id')
    .all()
    .map((d) => d.id);
  const now = db.prepare('select count(*) as n from kit').all()[0].n;
  db.exec('begin');
  const copy = db.prepare(
    "insert into kit (label, design_id, repair, parts, last_counted) values (?, ?, 0, ?, '2026-11-01')",
  );
  const note = db.prepare(
    "insert into note (design_id, child, level, bits, seconds, count, counted_of, help, words, sat_on) values (?, ?, 'Close slot', 11.5, ?, 8, 'pieces', 'none', '', ?)",
  );
  const loan = db.prepare(
    "insert into loan (kit_id, borrower_id, lent_on, due_on, returned_on) values (?, 1, '2026-01-01', ?, ?)",
  );
  const parts = JSON.stringify([
    { materialId: 1, name: 'Tub', use: 'part', due: 1, present: 1, takes: 1 },
    { materialId: 2, name: 'Cap', use: 'piece', due: 8, present: 8, takes: 1 },
  ]);
  for (let i = now; i < kits; i++) {
    const { lastInsertRowid } = copy.run(
      `FB-9${String(i).padStart(5, '0')}a`,
      design[i % design.length],
      parts,
    );
    loan.run(
      lastInsertRowid,
      `2026-12-${String(1 + (i % 28)).padStart(2, '0')}`,
      i % 9 === 0 ? null : '2026-01-09',
    );
    note.run(design[i % design.length], `K-${i % 400}`, 60 + (i % 50), `2026-0${1 + (i % 9)}-1${i % 10}`);
  }
  db.exec('commit');
  db.close();
}

const median = (list) => [...list].sort((a, b) => a - b)[list.length >> 1];

/** Milliseconds until each station shows its heading and its first rows, the median of five. */
export async function openings(url) {
  const browser = await launchChromium();
  const took = {};
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const views = {
      gather: ['/gather', 'button[aria-pressed]'],
      shape: ['/shape/1', 'svg[role=img]'],
      check: ['/check/1', 'svg[role=img]'],
      price: ['/price/1', 'table >> visible=true'],
      make: ['/make/1', 'ol li'],
      lend: ['/lend', 'button[aria-pressed]'],
      watch: ['/watch', '[role=gridcell]'],
    };
    for (const [name, [path, sign]] of Object.entries(views)) {
      const times = [];
      for (let i = 0; i < 6; i++) {
        const t = performance.now();
        await page.goto(url + path);
        await page.locator(sign).first().waitFor();
        times.push(performance.now() - t);
      }
      took[name] = median(times.slice(1));
    }
    took.nodes = await page.evaluate(() => document.querySelectorAll('*').length);
  } finally {
    await browser.close();
  }
  return took;
}
