// Photos of a measuring sheet with the truth beside them: how much of it is found, how near, how fast, in how much memory.
// FOX_SCENES names a folder of more of them: name.jpg and, beside it, name.json with `things: [{kind, long, short, height, x, y}]`.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import type { PhotoAnswer } from '../../contract/photo.ts';
import { readPhoto } from '../../server/stations/photo/readPhoto.ts';

interface Truth {
  readonly things: readonly {
    readonly kind: string;
    readonly long: number;
    readonly short: number;
    readonly height: number;
    readonly x: number;
    readonly y: number;
  }[];
}

const folder = process.env.FOX_SCENES;
const truths = folder ?? 'scripts/bench/photos';
const photos = folder ?? 'web/public/examples';
const scenes = readdirSync(truths)
  .filter((f) => f.endsWith('.json'))
  .map((f) => f.slice(0, -'.json'.length))
  .sort();

/** A thing lies within this of where it is, mm. */
const NEAR = 12;
const middle = (list: readonly number[]): number => [...list].sort((a, b) => a - b)[list.length >> 1] ?? 0;

let [found, there, within, measured, farthest, whole] = [0, 0, 0, 0, 0, 0];
const took: number[] = [];
const opened: number[] = [];
const wrong: string[] = [];
for (const scene of scenes) {
  const bytes = readFileSync(join(photos, `${scene}.jpg`));
  const { things } = JSON.parse(readFileSync(join(truths, `${scene}.json`), 'utf8')) as Truth;
  const read = async (height: number | null): Promise<PhotoAnswer> =>
    (await readPhoto({
      kind: 'photo',
      bytes,
      what: { of: 'things', options: { height, bar: undefined, kinds: [] } },
    })) as PhotoAnswer;
  let at = performance.now();
  await sharp(bytes).raw().toBuffer();
  opened.push(performance.now() - at);
  at = performance.now();
  const answer = await read(null);
  took.push(performance.now() - at);
  there += things.length;
  const seen = things.filter((t) =>
    answer.things.some((a) => Math.hypot(a.x - t.x, a.y - t.y) < NEAR),
  ).length;
  found += seen;
  if (seen === things.length && answer.things.length === things.length) whole++;
  else wrong.push(`${scene}: ${answer.things.length} of ${things.length}`);
  const byHeight = new Map<number, PhotoAnswer>();
  for (const t of things) {
    if (!byHeight.has(t.height)) byHeight.set(t.height, await read(t.height));
    const near = byHeight
      .get(t.height)!
      .things.map((a) => ({ a, far: Math.hypot(a.x - t.x, a.y - t.y) }))
      .reduce((p, q) => (q.far < p.far ? q : p));
    measured++;
    const [long, short] = [Math.max(t.long, t.short), Math.min(t.long, t.short)];
    const off = [near.a.long - long, near.a.short - short];
    if (near.far < NEAR) farthest = Math.max(farthest, ...off.map(Math.abs));
    const share = t.kind === 'bead' || t.kind === 'egg' ? 0.03 : 0.015;
    const ok =
      near.far < NEAR && [long, short].every((size, i) => Math.abs(off[i]!) <= Math.max(0.6, share * size));
    if (ok) within++;
    else wrong.push(`${scene}: ${t.kind} ${long} × ${short} is ${near.a.long} × ${near.a.short}`);
  }
}
const memory = Number(/VmHWM:\s+(\d+)/.exec(readFileSync('/proc/self/status', 'utf8'))?.[1] ?? 0) / 1024;
console.log(`Photos of the measuring sheet: ${scenes.length} of them`);
console.log(
  `  ${found} of ${there} things found; nothing else and nothing less in ${whole} of ${scenes.length} photos`,
);
console.log(
  `  with its height given, within 0.6 mm or 1.5 % (round ones 3 %): ${within} of ${measured}; farthest off ${farthest.toFixed(2)} mm`,
);
console.log(
  `  a photo takes ${middle(took).toFixed(0)} ms (the slowest ${Math.max(...took).toFixed(0)}), ${(middle(took) / middle(opened)).toFixed(1)} times as long as opening it alone; ${memory.toFixed(0)} MB at most`,
);
for (const words of wrong) console.log(`    ${words}`);
