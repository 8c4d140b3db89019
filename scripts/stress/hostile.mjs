// Hostile requests over every door, and every dial at its ends, on a large place: no 5xx but a 503 that says when to come
// again, no crash, and nobody else waits.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { bigPlace } from './bigPlace.mjs';
import { othersWait, share } from './waits.mjs';

const REQUESTS = Number(process.env.REQUESTS ?? 20_000);
const ABREAST = 4;
const BUDGET = 100;

/** The same at every run, so that what is found can be found again. */
function random(seed) {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
const r = random(20261130);
const one = (list) => list[Math.floor(r() * list.length)];
/** Every name of a field that the list of doors speaks of. */
const FIELDS = [...new Set(readFileSync('docs/api.md', 'utf8').match(/\b[a-z][A-Za-z]{2,20}\b/g))];
/** As text: what writes an object as JSON would come to its own end before that. */
const deep = (n) => `${'{"a":'.repeat(n)}1${'}'.repeat(n)}`;
const value = (depth) =>
  one([
    () => null,
    () => true,
    () => one([0, -1, 1, 2, 1e-6, 1e9, 2 ** 53, -0.5, 5000, 1e308]),
    () =>
      one([
        '',
        'x',
        '\u0000',
        '2026-11-24',
        '2026-02-31',
        'x'.repeat(500),
        '../../etc',
        "'; drop table loan; --",
        '<b>',
        '\ud800',
        'G-04',
        'A4',
      ]),
    () => (depth > 2 ? [] : Array.from({ length: Math.floor(r() * 4) }, () => value(depth + 1))),
    () => (depth > 2 ? {} : object(depth + 1)),
  ])();
const object = (depth) =>
  Object.fromEntries(Array.from({ length: Math.floor(r() * 7) }, () => [one(FIELDS), value(depth)]));
const json = JSON.stringify;
/** Bodies as large as a door takes. */
const LARGE = [
  () =>
    json({
      outline: Array.from({ length: 5000 }, (_, i) => [Math.cos(i) * 4000, Math.sin(i * 7) * 4000]),
      count: 5000,
      closed: true,
    }),
  () => json({ diameter: 5000, dot: 0.000001, gap: 0 }),
  () => json({ moves: Array.from({ length: 1000 }, () => ({ distance: 1, width: 0.0001 })) }),
  () =>
    json({
      times: Array.from({ length: 10_000 }, () => r() * 1e6),
      events: Array.from({ length: 10_000 }, () => r() > 0.5),
      confidence: 0.95,
    }),
  () => json({ name: 'x'.repeat(900_000) }),
  () => deep(9000),
];
const FILLED = {
  id: () => one(['1', '2', '999999', '0', '-1', 'x']),
  code: () => one(['G-04', 'Z-1', '%00', 'x'.repeat(60)]),
  group: () => one(['G', 'x']),
  name: () => one(['fox-button-2026-01-01-000000.db', '..%2Ffox-button.db', 'x']),
  kind: () => one(['materials', 'loans', 'x']),
};

const most = (list) => list.reduce((a, b) => Math.max(a, b), 0);

export async function hold() {
  const doors = JSON.parse(
    execFileSync(process.execPath, ['dist/server/doors.js'], { encoding: 'utf8' }),
  ).filter(
    // What ends everybody's work for a while is asked by the part on restores.
    (d) => !/restore$|^\/backups$|^\/integrity$|\/session|\/people/.test(d.path),
  );
  const { server } = await bigPlace();
  const bad = [];
  const slow = [];
  let [asked, busy] = [0, 0];
  const log = [];
  const ask = async (method, path, init) => {
    const from = performance.now();
    const answer = await fetch(`${server.url}/api${path}`, {
      method: method.toUpperCase(),
      ...init,
      signal: AbortSignal.timeout(200_000),
    }).catch((error) => ({
      status: `no answer: ${error.message}`,
      headers: new Headers(),
      arrayBuffer: async () => null,
    }));
    await answer.arrayBuffer().catch(() => null);
    asked++;
    log.push({
      from,
      to: performance.now(),
      what: `${method} ${path.slice(0, 80)} ${String(init?.body ?? '').slice(0, 60)}`,
    });
    slow.push([performance.now() - from, `${method} ${path.slice(0, 80)}`]);
    if (answer.status === 503 && answer.headers.get('retry-after')) busy++;
    else if (typeof answer.status !== 'number' || answer.status >= 500)
      bad.push(`${method} ${path.slice(0, 100)} ${String(init?.body ?? '').slice(0, 160)}: ${answer.status}`);
  };
  const send = (method, path, body, type = 'application/json') =>
    ask(method, path, method === 'get' ? {} : { headers: { 'content-type': type }, body });
  const hostile = async () => {
    const { method, path } = one(doors);
    const at = path.replace(/:(\w+)/g, (_, n) => (FILLED[n] ?? (() => '1'))());
    const query =
      method === 'get' && r() < 0.5
        ? `?${new URLSearchParams({ [one(FIELDS)]: String(value(3)), limit: one(['1', '500', '-1', 'x']) })}`
        : '';
    const kind = r();
    if (/preview$/.test(path))
      return send(
        method,
        at,
        one(['a,b\n1,2\n', 'name,form\n"x', ',,\n'.repeat(5000), '\u0000\u0001']),
        'text/csv',
      );
    if (/backups\/file$/.test(path))
      return send(method, at, 'no database'.repeat(500), 'application/octet-stream');
    if (kind < 0.02) return send(method, at, '{"a":');
    if (kind < 0.04) return send(method, at, one(LARGE)());
    return send(
      method,
      at + query,
      method === 'get' ? undefined : JSON.stringify(kind < 0.1 ? value(0) : object(0)),
    );
  };
  const dials = async () => {
    const patterns = await (await fetch(`${server.url}/api/patterns`)).json();
    let n = 0;
    for (const p of patterns)
      for (const [dial, s] of Object.entries(p.dials.properties ?? {})) {
        const { minimum: low = 0, maximum: high = 1e6 } = s;
        const values =
          s.enum ??
          (s.type === 'boolean'
            ? [true, false]
            : s.type === 'number' || s.type === 'integer'
              ? [low, high, (low + high) / 2, low + 1e-6, 1e-6, -1]
              : ['', null]);
        for (const v of values) {
          n++;
          await send('post', '/compute/pattern', JSON.stringify({ pattern: p.id, dials: { [dial]: v } }));
        }
      }
    return n;
  };
  const {
    result: settings,
    waits,
    asked: when,
  } = await othersWait(server.url, async () => {
    const n = await dials();
    let left = REQUESTS;
    await Promise.all(
      Array.from({ length: ABREAST }, async () => {
        while (left-- > 0) await hostile();
      }),
    );
    return n;
  });
  const alive = (await fetch(`${server.url}/api/health`).catch(() => null))?.status === 200;
  await server.stop();
  slow.sort((a, b) => b[0] - a[0]);
  console.log(
    `Hostile: ${asked} requests over ${doors.length} doors, ${settings} settings of dials among them: ${bad.length} with a 5xx or no answer, ${busy} told to come again; others waited ${share(waits, 0.99).toFixed(0)} ms at the 99th of a hundred, ${most(waits).toFixed(0)} ms at most (budget ${BUDGET} ms); alive: ${alive}`,
  );
  for (const [ms, what] of slow.slice(0, 5)) console.log(`  slowest: ${(ms / 1000).toFixed(1)} s ${what}`);
  // Who waited longest, and what was being answered then.
  const longest = waits.map((ms, i) => [ms, when[i]]).sort((a, b) => b[0] - a[0]);
  for (const [ms, at] of longest.slice(0, 8))
    console.log(
      `  waited ${ms.toFixed(0)} ms beside ${log
        .filter((l) => l.from < at + ms && l.to > at)
        .map((l) => `[${l.what} ${(l.to - l.from).toFixed(0)} ms]`)
        .slice(0, 6)
        .join(' ')}`,
    );
  for (const b of bad.slice(0, 20)) console.log(`  ${b}`);
  if (bad.length > 0 || !alive) throw new Error('hostile requests did not hold');
  if (most(waits) > BUDGET) throw new Error(`somebody waited ${most(waits).toFixed(0)} ms`);
}
