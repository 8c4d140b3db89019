import type { Move } from '../../challenge/bits.ts';
import { volume } from '../../geometry/shape.ts';
import { extentsOf, type Material } from '../../materials/material.ts';
import type { Opening } from '../../passage/opening.ts';
import { passage, type PassageAnswer } from '../../passage/passage.ts';
import { goesInside, type Inside } from '../../packing/goesInside.ts';
import type { At, Fact, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { JAW, RIM, type Dials, type Tool } from './dials.ts';
import { openingsOn, overRim, type Placed } from './openings.ts';
import { parts, type Kind } from './pieces.ts';

/** Share of a container that heaped pieces fill as they fall (loose random packing runs from 0.5 to 0.6; from memory). */
const HEAPED = 0.5;
/** Below this a piece must be steered all the way and card soon frays, mm (common practice). */
const TIGHT = 1;
/** From the tray beside the container to its lid, mm: a child's easy reach at a table (common practice). */
const REACH = 200;

/** The clear inside of the container, mm. */
function insideOf(container: Material): Inside {
  const { sizes } = container;
  const wall = sizes.wall ?? 0;
  const height = Math.max(0, sizes.height! - wall);
  return sizes.diameter === undefined
    ? { length: Math.max(0, sizes.length! - 2 * wall), width: Math.max(0, sizes.width! - 2 * wall), height }
    : { diameter: Math.max(0, sizes.diameter - 2 * wall), height };
}

/**
 * What a tool has hold of, mm: tongs close over the middle of a piece that lies flat where they open that far; a peg
 * or two fingers take the rim of a hollow cap, else its least thickness.
 */
function gripped({ material: m, solid }: Kind, tool: Tool): number {
  const [, middle, least] = extentsOf(solid);
  if (tool === 'tongs') return middle < JAW.tongs ? middle : least;
  return m.form === 'disc' && m.sizes.wall !== undefined ? Math.min(m.sizes.wall, least) : least;
}

export interface Detail {
  /** Of the kind that has least room in the opening meant for it. */
  readonly passage: PassageAnswer;
  readonly tightest: number;
  /** How many pieces the container holds, heaped as they fall. */
  readonly holds: number;
  /** Whether a kind goes through an opening: by kind, then by opening. */
  readonly goes: readonly (readonly boolean[])[];
}

const met = new Map<string, PassageAnswer>();
/** A kind at an opening; asked for anew only where one of them has changed. */
function meets(k: Kind, opening: Opening): PassageAnswer {
  const key = JSON.stringify([k.pushed, opening]);
  let answer = met.get(key);
  if (!answer) {
    answer = passage({ piece: k.pushed, opening });
    if (met.size >= 400) met.delete(met.keys().next().value!);
    met.set(key, answer);
  }
  return answer;
}

/** How a piece goes in: any way round, or only so. */
const waysWords = ({ waysIn, ways, waysInNamed }: PassageAnswer): string =>
  waysIn === 0
    ? 'not at all'
    : waysIn === ways && ways > 1
      ? 'any way round'
      : `${waysInNamed.join(' or ')}${waysIn < ways ? ' only' : ''}`;

const listed = (numbers: readonly number[]): string => numbers.map((n) => n + 1).join(', ');

function factsOf({ passage: p, holds, goes }: Detail, kinds: readonly Kind[], on: readonly Placed[]): Fact[] {
  const table =
    on.length < 2
      ? []
      : kinds.map((k, i): Fact => {
          const into = on.flatMap((_, j) => (goes[i]![j] ? [j] : []));
          const not = on.flatMap((_, j) => (goes[i]![j] ? [] : [j]));
          return {
            id: `kind-${i + 1}`,
            label: k.name,
            value: `${into.length > 0 ? `into ${listed(into)}` : 'into none'}${not.length > 0 ? `, not ${listed(not)}` : ''}`,
            onMat: true,
          };
        });
  return [
    { id: 'gap', label: 'Room at the tightest', value: p.gap, unit: 'mm', onMat: true },
    { id: 'gapAlong', label: 'Room lengthways', value: p.gapAlong, unit: 'mm', onMat: true },
    { id: 'gapAcross', label: 'Room sideways', value: p.gapAcross, unit: 'mm', onMat: true },
    { id: 'waysIn', label: 'Goes in', value: waysWords(p), onMat: true },
    ...table,
    { id: 'holds', label: 'Container holds about', value: holds, unit: 'each' },
  ];
}

/** Does every piece pass where it is meant to, drop free, and go in as often as it should? */
export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { container, kinds, tape } = parts(at);
  const on = openingsOn(at);
  const meant = kinds.map((_, i) => on.findIndex((p) => p.kinds.includes(i)));
  const own = kinds.map((k, i) => meets(k, on[meant[i]!]!.opening));
  const tightest = own.reduce((t, a, i) => (a.gap < own[t]!.gap ? i : t), 0);
  const answer = own[tightest]!;
  const worst = kinds[tightest]!;
  const s = container.sizes;
  const floor = s.diameter === undefined ? s.length! * s.width! : (Math.PI / 4) * s.diameter ** 2;
  const total = kinds.reduce((n, k) => n + k.count, 0);
  const mean = kinds.reduce((n, k) => n + k.count * volume(k.solid), 0) / Math.max(1, total);
  const holds = Math.floor((HEAPED * floor * s.height!) / mean);
  // One opening for all needs no table.
  const goes = kinds.map((k, i) =>
    on.map((p, j) => (j === meant[i] ? own[i]!.passes : meets(k, p.opening).passes)),
  );
  const detail = { passage: answer, tightest, holds, goes };
  const say = answers(factsOf(detail, kinds, on), detail);
  const named = kinds.length > 1 ? `${worst.name} does` : 'Does';
  const over = overRim(at);
  if (d.cover === 'tape' && !tape)
    return say('stop', 'No tape is chosen', 'Choose a tape for the mouth, or cut an opening into a lid.');
  if (!answer.passes)
    return say(
      'stop',
      `${named} not go through`,
      `It needs ${mm(-answer.gap)} more room, or a smaller piece.`,
    );
  if (over > 1e-6)
    return say(
      'stop',
      'Lid too small',
      on.length > 1
        ? `The ${on.length} openings reach ${mm(over)} too far: fewer kinds, a larger lid, or one opening for all.`
        : `The opening reaches ${mm(over)} too far: keep ${RIM} mm of lid all round.`,
    );
  const deep = kinds.find((k) => !goesInside(k.pushed, insideOf(container)));
  if (deep)
    return say(
      'stop',
      'Stands out of the container',
      `Choose a container deeper than ${mm(deep.longest)} inside, or a shorter piece.`,
    );
  if (holds < 1)
    return say(
      'stop',
      'No room for one piece',
      'Choose a larger container or a smaller piece: heaped pieces fill only half of it.',
    );
  const wide = kinds.find((k) => gripped(k, d.tool) >= JAW[d.tool]);
  if (wide)
    return say(
      'stop',
      `A ${d.tool === 'fingers' ? 'young hand' : d.tool} does not open that far`,
      `It opens ${JAW[d.tool]} mm; the piece is ${mm(gripped(wide, d.tool))} thick there.`,
    );
  if (on.length > 1 && goes.every((row) => row.every(Boolean)))
    return say(
      'care',
      'Every piece goes in everywhere',
      'Nothing shows a wrong choice: make the first opening closer, so that at least one piece stays out of one.',
    );
  if (holds < d.pieces)
    return say(
      'care',
      `Full after ${holds}`,
      `Use ${holds === 1 ? '1 piece' : `${holds} pieces or fewer`}, or a deeper container.`,
    );
  // A soft piece that must be squeezed in is strength work, and meant so.
  const opening = on[meant[tightest]!]!.opening;
  if (worst.material.give > 0 && !passage({ piece: worst.solid, opening }).passes)
    return say('clear', 'Goes in with a squeeze', null);
  if (answer.gap < TIGHT)
    return say('care', 'Tight: may jam', `Give it ${mm(TIGHT - answer.gap)} more for a free drop.`);
  return say('clear', 'Drops free', null);
}

/**
 * What the hand does for one piece: pick it up, turn it to the slot, put it through. Tolerances: the part of the piece
 * the tool may land on, the arc the gap leaves a turned piece, the gap itself (at least 0.5 mm, where a push helps).
 */
export function moves(at: At<Dials>, { detail: f }: Fit<Detail>): Move[] {
  const { dials: d } = at;
  const { kinds } = parts(at);
  const k = kinds[f.tightest]!;
  const on = openingsOn(at);
  const gap = Math.max(0.5, f.passage.gap);
  const pickUp: Move = {
    distance: REACH,
    tolerance: Math.max(1, Math.min(k.longest, JAW[d.tool] - gripped(k, d.tool))),
  };
  const post: Move = {
    distance: REACH,
    tolerance: gap,
    ways: f.passage.ways,
    waysIn: Math.max(1, f.passage.waysIn),
    // Which opening is a choice of its own.
    ...(on.length > 1 ? { choices: on.length } : {}),
  };
  const { turn } = on[0]!;
  if (turn === 0) return [pickUp, post];
  // A turn moves the end of the piece along an arc; the end may stray by the gap to either side.
  const arc = (turn * Math.PI * k.longest) / 360;
  return [pickUp, { distance: arc, tolerance: 2 * gap }, post];
}
