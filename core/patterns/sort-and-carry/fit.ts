import type { Move } from '../../challenge/bits.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { At, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { cardWords, JAW, parts, pieceSize, placesOn, type Dials } from './dials.ts';

const { hypot, max } = Math;

/** Of a card, what shows above the rim of its cup, mm (common practice). */
const ABOVE = 45;
/** A card that stands behind a cup, folded in half, mm: as high as it must be to show above the rim. */
export const cardOf = (high: number): Vec2 => [60, max(80, Math.ceil(high + ABOVE))];

/** The bowls' places, nearest to the children at the tray's near edge; then the cups, nearest first. */
export function standing(at: At<Dials>): { bowls: Vec2[]; cups: Vec2[]; free: number } {
  const all = placesOn(at);
  if (all.length < at.dials.bowls) return { bowls: [], cups: [], free: 0 };
  const near = max(...all.map((p) => p[1]));
  const side = max(...all.map((p) => p[0]));
  const from = (q: Vec2) => (a: Vec2, b: Vec2) =>
    hypot(a[0] - q[0], a[1] - q[1]) - hypot(b[0] - q[0], b[1] - q[1]);
  const targets: Vec2[] =
    at.dials.bowls === 1
      ? [[0, near]]
      : [
          [-side, near],
          [side, near],
        ];
  let rest = all;
  const bowls = targets.map((q) => {
    const [own] = [...rest].sort(from(q));
    rest = rest.filter((p) => p !== own);
    return own!;
  });
  return { bowls, cups: [...rest].sort(from([0, near])).slice(0, at.dials.cups), free: rest.length };
}

/** Mean way from a bowl to a cup, mm. */
function meanWay(at: At<Dials>): number {
  const { bowls, cups } = standing(at);
  const ways = bowls.flatMap((b) => cups.map((c) => hypot(c[0] - b[0], c[1] - b[1])));
  return ways.length === 0 ? 0 : ways.reduce((n, w) => n + w, 0) / ways.length;
}

export interface Detail {
  readonly way: number;
}

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { kinds, mouth, cup, tray, high, stands } = parts(at);
  const { long, middle } = pieceSize(kinds);
  const { free } = standing(at);
  const way = meanWay(at);
  const jaw = JAW[d.tool];
  const facts: Fit['facts'] = [
    { id: 'cups', label: 'Cups', value: d.cups, unit: 'each', onMat: true },
    { id: 'choices', label: 'Cups to choose from', value: d.cups, unit: 'each', onMat: true },
    { id: 'mouth', label: 'Cup over the piece', value: mouth - long, unit: 'mm', onMat: true },
    // Where they do not stand there is no way between them.
    ...(way > 0 ? [{ id: 'way', label: 'Mean way', value: Math.round(way), unit: 'mm' as const }] : []),
    { id: 'cardAbove', label: 'Card above the rim', value: cardOf(high)[1] - high, unit: 'mm' },
    { id: 'room', label: 'Cups that go on the tray', value: free, unit: 'each' },
  ];
  const say = answers(facts, { way });
  if (d.cups > free)
    return say(
      'stop',
      'The cups do not go on the tray',
      free > 0
        ? `Beside the ${d.bowls === 1 ? 'bowl' : 'bowls'} ${free} go, with ${mm(d.hand)} for a hand between two. Less between them, or a larger tray.`
        : `${cup.name} needs a larger ${tray ? 'tray' : 'table'}.`,
    );
  if (long >= mouth)
    return say(
      'stop',
      'The piece does not go into the cup',
      `The cup is ${mm(mouth)} across, the piece ${mm(long)}.`,
    );
  if (middle >= jaw)
    return say(
      'stop',
      `${d.tool === 'fingers' ? 'A young hand does' : `The ${d.tool} ${d.tool === 'spoon' ? 'does' : 'do'}`} not take it`,
      `It takes ${mm(jaw)}; the piece is ${mm(middle)} there.`,
    );
  if (d.shows === 'own text' && cardWords(at).some((w) => w === ''))
    return say('care', 'Some cards are empty', `Write ${d.cups} words, apart by commas.`);
  if (d.shows === 'colour' && kinds.length > 1 && kinds.length < d.cups)
    return say(
      'care',
      'Fewer colours than cups',
      `Choose ${d.cups} kinds of piece, or use ${kinds.length} cups.`,
    );
  if (cardOf(high)[0] > stands + d.hand)
    return say(
      'care',
      'The cards hide each other',
      `Put at least ${mm(cardOf(high)[0] - stands)} between two cups.`,
    );
  if (mouth - long < 5)
    return say('care', 'Close: pieces catch on the rim', 'Use wider cups or smaller pieces.');
  if (d.cups > 6)
    return say('care', 'Many cups to choose from', 'Begin with up to six; add more when they are known.');
  return say('clear', 'All of it goes on the tray', null);
}

/** One piece: take it from the bowl with the tool, find its cup, carry it there. A round one may roll away. */
export function moves(at: At<Dials>): Move[] {
  const { dials: d } = at;
  const { kinds, mouth } = parts(at);
  const { long, middle } = pieceSize(kinds);
  const rolls = kinds.some((m) => m.solid === 'ball' || m.solid === 'egg');
  return [
    {
      distance: max(40, meanWay(at)),
      tolerance: max(1, d.tool === 'fingers' ? long : (JAW[d.tool] - middle) / (rolls ? 2 : 1)),
    },
    { distance: max(40, meanWay(at)), tolerance: max(2, mouth - long), choices: d.cups },
  ];
}
