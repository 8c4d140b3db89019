import type { Move } from '../../challenge/bits.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { At, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { cardWords, JAW, parts, pieceSize, placesOn, type Dials } from './dials.ts';

const { hypot, max } = Math;

/** The bowl's place: the one nearest to the child, at the middle of the tray's near edge; then the cups, nearest first. */
export function standing(at: At<Dials>): { bowl: Vec2 | null; cups: Vec2[]; free: number } {
  const all = placesOn(at);
  if (all.length === 0) return { bowl: null, cups: [], free: 0 };
  const near = max(...all.map((p) => p[1]));
  const [bowl, ...rest] = [...all].sort((a, b) => hypot(a[0], near - a[1]) - hypot(b[0], near - b[1]));
  return { bowl: bowl!, cups: rest.slice(0, at.dials.cups), free: rest.length };
}

/** Mean way from the bowl to a cup, mm. */
export function meanWay(at: At<Dials>): number {
  const { bowl, cups } = standing(at);
  if (!bowl || cups.length === 0) return 0;
  return cups.reduce((n, c) => n + hypot(c[0] - bowl[0], c[1] - bowl[1]), 0) / cups.length;
}

export interface Detail {
  readonly way: number;
}

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { kinds, mouth, cup, tray } = parts(at);
  const { long, middle } = pieceSize(kinds);
  const { free } = standing(at);
  const way = meanWay(at);
  const jaw = JAW[d.tool];
  const facts: Fit['facts'] = [
    { id: 'cups', label: 'Cups', value: d.cups, unit: 'each', onMat: true },
    { id: 'choices', label: 'Cups to choose from', value: d.cups, unit: 'each', onMat: true },
    { id: 'mouth', label: 'Cup over the piece', value: mouth - long, unit: 'mm', onMat: true },
    { id: 'way', label: 'Mean way', value: Math.round(way), unit: 'mm' },
    { id: 'room', label: 'Cups that go on the tray', value: free, unit: 'each' },
  ];
  const say = answers(facts, { way });
  if (d.cups > free)
    return say(
      'stop',
      'The cups do not go on the tray',
      free > 0
        ? `Beside the bowl ${free} go, with ${mm(d.hand)} for a hand between two. Less between them, or a larger tray.`
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
