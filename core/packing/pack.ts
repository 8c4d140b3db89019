import { tooMuch } from './bounds.ts';
import { packByCorners } from './corners.ts';
import {
  boxesOf,
  EPS,
  type Box,
  type PackingAnswer,
  type PackingRequest,
  type Placement,
  type Triple,
} from './problem.ts';
import { fill } from './fill.ts';
import { colouringLength, fillExactly, nothingToSpare } from './fillExactly.ts';
import { holds, RelationSearch } from './relations.ts';

export * from './problem.ts';

const round = (x: number): number => Math.round(x * 1e6) / 1e6;
const tidy = (p: Placement): Placement => ({
  id: p.id,
  x: round(p.x),
  y: round(p.y),
  z: round(p.z),
  length: p.length,
  width: p.width,
  height: p.height,
});

/** Boxes of which no two can lie side by side along any axis: more than one of them is a proof that they do not go in. */
function clash(boxes: readonly Box[], room: Triple): [Box, Box] | null {
  const apart = (a: Box, b: Box): boolean =>
    a.ways.some((u) => b.ways.some((v) => u.some((x, k) => x + v[k]! <= room[k]! + EPS)));
  for (let i = 0; i < boxes.length; i++)
    for (let j = i + 1; j < boxes.length; j++)
      if (!apart(boxes[i]!, boxes[j]!)) return [boxes[i]!, boxes[j]!];
  return null;
}

/** More boxes than this are packed if a quick way is found; nothing is proved of them by search. */
const MOST_SEARCHED = 40;

/** Heights in which corner packing is tried: flat first, upright first, longest edge along the room first. */
const PREFERENCES: ((way: Triple) => number)[] = [
  () => 0,
  (w) => w[2] * 1e5,
  (w) => -w[0] * 1e5,
  (w) => -w[0] * w[1] * 1e2,
  (w) => -w[1] * 1e5,
];
const ORDERS: ((a: Box, b: Box) => number)[] = [
  (a, b) => b.volume - a.volume,
  (a, b) => longest(b) - longest(a) || b.volume - a.volume,
  (a, b) => a.kind - b.kind,
  (a, b) => face(b) - face(a) || b.volume - a.volume,
];
const longest = (b: Box): number => Math.max(...b.ways[0]!);
const face = (b: Box): number => b.volume / Math.min(...b.ways[0]!);

/**
 * Whether boxes go into a box, turned by right angles, all mm. First the proofs that need no search (a box too large, a
 * volume too large, two boxes that never lie beside each other), then, where nothing is to spare, the colouring argument
 * and the exact filling, else quick packings from corner points, then the exact
 * search over relative positions. `fits` is true with a checked packing, false with a proof, null when `now` has passed
 * `until` before either was found.
 */
export function pack(
  request: PackingRequest,
  clock: { readonly now: () => number; readonly until: number },
): PackingAnswer {
  const { container } = request;
  const room: Triple = [container.length, container.width, container.height];
  const boxes = boxesOf(request);
  const no = (reason: string): PackingAnswer => ({ fits: false, placements: [], reason });
  const stuck = boxes.find((b) => b.ways.length === 0);
  if (stuck) return no(`“${stuck.id}” alone does not go in, whichever way it lies.`);
  const volume = boxes.reduce((s, b) => s + b.volume, 0);
  const space = room[0] * room[1] * room[2];
  if (volume > space * (1 + 1e-9))
    return no(
      `Together they have ${litres(volume)}, the container ${litres(space)}: ${overBy(volume / space)} too much, however they lie.`,
    );
  const pair = clash(boxes, room);
  if (pair)
    return no(`“${pair[0].id}” and “${pair[1].id}” cannot lie beside or on each other in it, whichever way.`);
  if (tooMuch(boxes, room))
    return no(
      'Boxes over half an edge leave too little beside them: their stretched volumes exceed the container.',
    );
  const yes = (placements: Placement[]): PackingAnswer => {
    if (!holds(placements, room)) throw new Error('a packing was found that does not hold');
    return {
      fits: true,
      placements: placements.map(tidy),
      reason: `${boxes.length === 1 ? 'It goes' : `All ${boxes.length} go`} in, filling ${Math.round((100 * volume) / space)} %.`,
    };
  };
  const late = (): boolean => clock.now() > clock.until;
  if (nothingToSpare(boxes, room)) {
    const n = colouringLength(boxes, room);
    if (n !== null)
      return no(
        `Nothing may be left over, and every one has a side that is a multiple of ${round(n)} mm while the container has none: by colouring, such boxes never fill it.`,
      );
    const filled = fillExactly(boxes, room, late);
    if (filled) return yes(filled);
    return filled === false
      ? no('Nothing may be left over, and every way of filling it from the corner on was ruled out.')
      : unknown(boxes.length);
  }
  for (const order of ORDERS)
    for (const preferred of PREFERENCES) {
      const found = packByCorners([...boxes].sort(order), room, preferred, late);
      if (found) return yes(found);
      if (late()) return unknown(boxes.length);
    }
  // Few different sizes: fill cell by cell; a coarse grid is done at once, a fine one after the quick tries.
  const half = clock.now() + (clock.until - clock.now()) / 2;
  const byCells = (most: number): PackingAnswer | null => {
    const filled = fill(boxes, room, () => clock.now() > half, most);
    if (filled.fits === true) return yes(filled.placements);
    return filled.fits === false ? no('Every way of filling it from the corner on was ruled out.') : null;
  };
  const coarse = byCells(512);
  if (coarse) return coarse;
  // The same with the order shaken, from a fixed row of numbers so that the answer is the same every time.
  const third = clock.now() + (clock.until - clock.now()) / 3;
  const shake = shaken(boxes);
  for (let i = 0; i < 2_000 && clock.now() < third; i++) {
    const { order, preferred } = shake();
    const found = packByCorners(order, room, preferred, late);
    if (found) return yes(found);
  }
  const fine = byCells(4096);
  if (fine) return fine;
  // Pairs of pairs of so many boxes are more than any search ends with: only time would be spent.
  if (boxes.length > MOST_SEARCHED) return unknown(boxes.length);
  const search = new RelationSearch(boxes, room, late);
  const answer = search.run();
  if (answer === true) return yes(search.found!);
  if (answer === false) return no('Every way of laying them beside, behind and on each other was ruled out.');
  return unknown(boxes.length);
}

/** Orders near the largest first, each with another liking for ways of lying. */
function shaken(boxes: readonly Box[]): () => { order: Box[]; preferred: (way: Triple) => number } {
  let state = 20_261;
  const next = (): number => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
  return () => {
    const keyed = boxes.map((b) => ({ b, key: b.volume * (0.35 + 1.3 * next()) }));
    const [a, c, d] = [next() - 0.5, next() - 0.5, next() - 0.5].map((x) => x * 4e5) as [
      number,
      number,
      number,
    ];
    const noise = 3e6 * next();
    return {
      order: keyed.sort((p, q) => q.key - p.key).map((k) => k.b),
      preferred: (w) => a * w[0] + c * w[1] + d * w[2] + noise * next(),
    };
  };
}

const unknown = (n: number): PackingAnswer => ({
  fits: null,
  placements: [],
  reason: `No packing of the ${n} was found in the time given, and none was ruled out: try it by hand.`,
});
const litres = (mm3: number): string =>
  mm3 < 1e5 ? `${Number((mm3 / 1e3).toPrecision(3))} ml` : `${(mm3 / 1e6).toFixed(2)} l`;
const overBy = (share: number): string => {
  const percent = 100 * (share - 1);
  return percent < 1 ? 'less than 1 %' : percent < 1000 ? `${Math.round(percent)} %` : 'far';
};
