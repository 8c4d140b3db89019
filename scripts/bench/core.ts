import { asMaterial, catalogue } from '../../core/catalogue/index.ts';
import { shelfSearch } from '../../core/gather/findOnShelf.ts';
import { smallParts } from '../../core/gauge/smallParts.ts';
import type { Shape } from '../../core/geometry/shape.ts';
import { passage } from '../../core/passage/passage.ts';
import type { Opening } from '../../core/passage/opening.ts';
import { pack } from '../../core/packing/pack.ts';
import { dotsIn } from '../../core/outline/dots.ts';
import { loadPattern, loadPatterns } from '../../core/patterns/index.ts';
import { usualMaterials } from '../../core/patterns/usual.ts';
import { checkKit } from '../../core/safety/kitCheck.ts';
import { AT, CAP, SLOT_DIALS, TAPE, TUB } from '../../core/testing.ts';

// A fixed row of numbers, so that every run looks at the same hundred shapes.
let state = 7;
const random = (from: number, to: number): number => {
  state = (state * 16807) % 2147483647;
  return from + (to - from) * (state / 2147483647);
};

function shape(i: number): Shape {
  switch (i % 7) {
    case 0:
      return { kind: 'sphere', diameter: random(10, 50) };
    case 1:
      return { kind: 'box', length: random(5, 70), width: random(5, 50), height: random(2, 40) };
    case 2:
      return { kind: 'cylinder', diameter: random(2, 45), length: random(1, 70) };
    case 3: {
      const outer = random(10, 50);
      return { kind: 'ring', outerDiameter: outer, innerDiameter: outer * 0.6, height: random(2, 30) };
    }
    case 4:
      return { kind: 'cone', baseDiameter: random(5, 45), height: random(5, 70) };
    case 5:
      return { kind: 'ellipsoid', length: random(10, 70), width: random(10, 50), height: random(5, 40) };
    default: {
      const [n, r] = [3 + Math.floor(random(0, 30)), random(10, 35)];
      return {
        kind: 'sheet',
        thickness: random(0.5, 12),
        outline: Array.from(
          { length: n },
          (_, k) =>
            [
              r * random(0.6, 1) * Math.cos((2 * Math.PI * k) / n),
              r * random(0.6, 1) * Math.sin((2 * Math.PI * k) / n),
            ] as [number, number],
        ),
      };
    }
  }
}

const at = (sorted: number[], share: number): string =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!.toFixed(1);

/** Runs each input once after a warm-up and prints how long it took. */
function timed<T>(name: string, inputs: T[], work: (input: T) => unknown, budget: string): number[] {
  for (const input of inputs.slice(0, 14)) work(input);
  const took = inputs.map((input) => {
    const t = performance.now();
    work(input);
    return performance.now() - t;
  });
  const sorted = [...took].sort((a, b) => a - b);
  console.log(
    `  ${name.padEnd(44)} median ${at(sorted, 0.5)} ms, 95th percentile ${at(sorted, 0.95)} ms, most ${sorted.at(-1)!.toFixed(1)} ms${budget && `   (${budget})`}`,
  );
  return took;
}

console.log('Small-parts cylinder, a hundred mixed shapes');
const shapes = Array.from({ length: 100 }, (_, i) => shape(i)).filter(
  (s) => s.kind !== 'sheet' || s.outline.length >= 3,
);
timed('certified clearance', shapes, smallParts, 'budget: median 50, 95th percentile 500');
const widths = shapes
  .map((s) => smallParts(s))
  .map((a) => ({ near: Math.abs(a.clearance) < 1, width: a.bounds[1] - a.bounds[0], open: a.fits === null }));
console.log(
  `  widest bounds within 1 mm of 0: ${Math.max(0, ...widths.filter((w) => w.near).map((w) => w.width)).toFixed(3)} mm (at most 0.2, aim 0.05); undecided: ${widths.filter((w) => w.open).length}`,
);

console.log('\nPassage, a hundred pieces through slots, holes and stars');
const pairs = shapes.map((piece, i): { piece: Shape; opening: Opening } => ({
  piece,
  opening:
    i % 3 === 0
      ? { kind: 'slot', length: random(20, 60), width: random(8, 40) }
      : i % 3 === 1
        ? { kind: 'round', diameter: random(15, 60) }
        : { kind: 'star', points: 5, outerDiameter: random(40, 80), innerDiameter: random(20, 35) },
}));
timed(
  'slot',
  pairs.filter((p) => p.opening.kind === 'slot'),
  passage,
  '',
);
timed(
  'round',
  pairs.filter((p) => p.opening.kind === 'round'),
  passage,
  '',
);
timed(
  'star',
  pairs.filter((p) => p.opening.kind === 'star'),
  passage,
  '',
);

console.log('\nDial to drawing: layout of a drop-through tub');
const drop = await loadPattern('drop-through');
const tub = { ...AT, chosen: { container: [TUB], piece: [CAP], edge: [TAPE] }, dials: SLOT_DIALS };
const fit = drop.fit(tub);
const turns = Array.from({ length: 200 }, (_, i) => ({
  ...tub,
  dials: { ...SLOT_DIALS, width: 15 + (i % 40) / 2 },
}));
timed(
  'layout, needs, steps and dials',
  turns,
  (d) => [drop.draw(d, fit), drop.needs(d), drop.steps(d), drop.specs(d)],
  'budget: 95th percentile 16',
);
timed('fit, in the worker', turns.slice(0, 40), (d) => drop.fit(d), '');

console.log('\nDial to drawing: every family of its usual materials, its first sliders turned to and fro');
for (const p of await loadPatterns()) {
  const start = { approach: 'prepared shelf' as const, ageFrom: 36, chosen: usualMaterials(p.roles) };
  const own = { ...start, dials: p.defaults(start) };
  const ends = p.specs(own).flatMap((s) => (s.kind === 'number' && s.max > s.min ? [s] : []));
  const asked = ends.slice(0, 3).flatMap((s) =>
    Array.from({ length: 20 }, (_, i) => {
      const value = Math.min(s.max, s.min + s.step * Math.round(((s.max - s.min) * i) / 19 / s.step));
      return { ...own, dials: { ...own.dials, [s.id]: value } };
    }),
  );
  const known = p.fit(own);
  timed(
    p.id,
    asked,
    (d) => [p.title(d), p.counts(d), p.specs(d), p.show(d), p.draw(d, known)],
    'budget: 95th percentile 16',
  );
  // Laying parts out is slow: no dial waits for it.
  timed('  its needs, in the worker', asked, (d) => p.needs(d), '');
}

console.log('\nCheck: eighteen kits of two designs each, their pieces gauged before');
{
  const patterns = await loadPatterns();
  const designs = patterns.map((p) => {
    const start = { approach: 'prepared shelf' as const, ageFrom: 30, chosen: usualMaterials(p.roles) };
    return { p, own: { ...start, dials: p.defaults(start) } };
  });
  const one = ({ p, own }: (typeof designs)[number]) => ({
    name: p.name,
    features: p.features(own),
    options: { youngest: own.ageFrom, market: 'strictest of both' as const },
  });
  const kits = Array.from({ length: 18 }, (_, i) => [
    designs[i % designs.length]!,
    designs[(i * 5 + 3) % designs.length]!,
  ]);
  const all = (): number => {
    const t = performance.now();
    for (const kit of kits) checkKit(kit.map(one), 20);
    return performance.now() - t;
  };
  const first = all();
  const again = Array.from({ length: 20 }, all).sort((a, b) => a - b);
  console.log(
    `  first ${first.toFixed(0)} ms, anew median ${at(again, 0.5)} ms, most ${at(again, 1)} ms (budget 200 ms)`,
  );
}

console.log('\nDots: the most found where the best known packing just goes');
// Sizes of the smallest circle and square round n circles of radius 1: tables of the best known packings (circle: Graham,
// Lubachevsky, Nurmela and Östergård 1998; square: the same authors and Peikert; from memory).
const IN_CIRCLE = [1, 2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.813, 3.9238, 4.0296];
const IN_SQUARE = [2, 3.4142, 3.9319, 4, 4.8284, 5.3283, 5.7321, 5.8637, 6, 6.7475];
const roundOf = (radius: number): [number, number][] =>
  Array.from({ length: 256 }, (_, i) => [
    radius * Math.cos((i * Math.PI) / 128),
    radius * Math.sin((i * Math.PI) / 128),
  ]);
const squareOf = (side: number): [number, number][] => [
  [0, 0],
  [side, 0],
  [side, side],
  [0, side],
];
for (const [name, cases] of [
  ['circle', [...IN_CIRCLE.map((r, i) => [i + 1, roundOf(10 * r + 0.02)] as const), [19, roundOf(48.657)]]],
  ['square', IN_SQUARE.map((s, i) => [i + 1, squareOf(10 * s + 0.01)] as const)],
] as const) {
  const found = cases.map(([n, edge]) => [n, dotsIn(edge, { dot: 20, gap: 0 }).length] as const);
  const short = Math.max(...found.map(([n, k]) => n - k));
  console.log(
    `  ${name}: ${found.map(([n, k]) => (n === k ? `${n}` : `${n} → ${k}`)).join(', ')}; at most ${short} short (allowed 1 in a circle)`,
  );
}
const filled = roundOf(100);
timed(
  'dots of 10 to 40 in a circle of 200',
  Array.from({ length: 31 }, (_, i) => 10 + i),
  (dot) => dotsIn(filled, { dot, gap: 4 }),
  '',
);

console.log('\nPacking: ten boxes of 20 to 60 mm in a cube they fill by a share, two seconds each');
for (const share of [0.5, 0.7, 0.8, 0.9]) {
  const cases = Array.from({ length: 12 }, () => {
    const items = Array.from({ length: 10 }, (_, i) => ({
      id: `b${i}`,
      length: Math.round(random(20, 60)),
      width: Math.round(random(20, 60)),
      height: Math.round(random(20, 60)),
    }));
    const side = Math.cbrt(items.reduce((v, b) => v + b.length * b.width * b.height, 0) / share);
    return { container: { length: side, width: side, height: side }, items };
  });
  const now = (): number => performance.now();
  const took: number[] = [];
  const found = { yes: 0, no: 0, open: 0 };
  for (const c of cases) {
    const t = now();
    const { fits } = pack(c, { now, until: t + 2000 });
    took.push(now() - t);
    found[fits === null ? 'open' : fits ? 'yes' : 'no']++;
  }
  took.sort((a, b) => a - b);
  console.log(
    `  filled ${share * 100} %: ${found.yes} packed, ${found.no} proved not, ${found.open} open; median ${at(took, 0.5)} ms, most ${at(took, 1)} ms`,
  );
}

console.log('\nPacking: two hundred boxes of twenty sizes, two seconds each');
for (const share of [0.5, 0.8]) {
  const items = Array.from({ length: 20 }, (_, i) => ({
    id: `b${i}`,
    length: Math.round(random(10, 60)),
    width: Math.round(random(10, 60)),
    height: Math.round(random(10, 60)),
    count: 10,
  }));
  const side = Math.cbrt(items.reduce((v, b) => v + 10 * b.length * b.width * b.height, 0) / share);
  const t = performance.now();
  const { fits } = pack(
    { container: { length: side, width: side, height: side }, items },
    { now: () => performance.now(), until: t + 2000 },
  );
  console.log(
    `  filled ${share * 100} %: ${fits === null ? 'open' : fits ? 'packed' : 'proved not'} in ${(performance.now() - t).toFixed(0)} ms`,
  );
}

console.log('\nFinding among 5,000 materials');
const shelf = Array.from({ length: 5000 }, (_, i) => ({
  ...asMaterial(catalogue[i % catalogue.length]!),
  name: `find ${i}`,
}));
const find = shelfSearch(shelf);
timed(
  'fits through 20 mm, longer than 100 mm',
  ['fits through 20 mm', 'tubes longer than 100 mm', 'hand strength', 'find 49'],
  (text) => {
    return find(text, 'mm').found;
  },
  '',
);
