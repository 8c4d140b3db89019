import type { Move } from '../../challenge/bits.ts';
import type { At, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { armWidth, parts, roomOn, thickOf } from './dials.ts';
import type { Dials } from './schema.ts';
import { mostRounds, stemAt, stemsOf, wound, type Wound } from './thread.ts';
import { girthOf } from '../../geometry/web.ts';

const { max, min, PI, sin } = Math;

/** Fewer rounds than this look bare (common practice). */
const FULL = 3;

/** Narrowest gap that the bobbin passes between two arms, mm: across the first round. */
const gapAt = (d: Dials, width: number): number =>
  d.frame === 'star'
    ? 2 * d.first * sin(PI / (2 * d.sticks)) - width
    : 2 * d.first * sin((d.angle * PI) / 360) - width;

/** Children of a group, as it is reckoned for, and grams of a usual ball (common practice). */
const GROUP = 6;
const BALL = 50;

export const layOut = (at: At<Dials>): Wound => {
  const { section, thread } = parts(at);
  return wound(at.dials, section, thickOf(thread));
};

export function fit(at: At<Dials>): Fit<Wound> {
  const { dials: d } = at;
  const { stick, card, thread, section, long } = parts(at);
  const detail = layOut(at);
  const most = mostRounds(d);
  const thick = thickOf(thread);
  const loom = d.frame === 'loom';
  const word = d.frame === 'star' ? 'rounds' : 'rows';
  const stems = d.frame === 'twig' ? stemsOf(d).map((x) => stemAt(d, x)) : [];
  const wide = (d.slots - 1) * d.pitch + 20;
  const facts: Fit['facts'] = [
    { id: 'thread', label: 'Thread', value: Math.round(detail.thread), unit: 'mm', onMat: true },
    {
      id: 'threadOfGroup',
      label: `Thread for ${GROUP} children`,
      value: Math.round(GROUP * detail.thread),
      unit: 'mm',
    },
    ...(thread.unit === 'mm' && thread.mass
      ? [
          {
            id: 'balls',
            label: `Balls of ${BALL} g for ${GROUP} children`,
            value: Math.ceil((GROUP * detail.thread * thread.mass) / 1000 / BALL),
            unit: 'each',
          } as const,
        ]
      : []),
    {
      id: 'rounds',
      label: d.frame === 'star' ? 'Rounds' : 'Rows',
      value: d.rounds,
      of: most,
      unit: 'each',
      onMat: true,
    },
    { id: 'crossings', label: 'Crossings', value: detail.crossings, unit: 'each', onMat: true },
    { id: 'span', label: 'From one to the next', value: detail.span, unit: 'mm' },
    ...(loom
      ? [{ id: 'wide', label: 'Width of the loom', value: wide, unit: 'mm' } as const]
      : [{ id: 'girth', label: 'Once round an arm', value: girthOf(section), unit: 'mm' } as const]),
    ...(stems.length > 0
      ? [{ id: 'stem', label: 'Longest stem', value: max(...stems), unit: 'mm' } as const]
      : []),
  ];
  const say = answers(facts, detail);
  if (loom ? !card : !stick)
    return say(
      'stop',
      loom ? 'No card for the loom' : 'No stick to wind on',
      loom
        ? 'Choose a card from the shelf, or wind it on sticks.'
        : 'Choose sticks from the shelf, or take a card loom.',
    );
  if (!loom && d.arm > (d.frame === 'star' ? long / 2 : long) + 0.5)
    return say(
      'stop',
      'The arms are longer than the stick',
      `${stick!.name} is ${mm(long)} long: at most ${mm(d.frame === 'star' ? long / 2 : long)} an arm.`,
    );
  if (loom && (wide > roomOn(card).width + 4 || d.height > roomOn(card).height + 4))
    return say(
      'stop',
      'Larger than the card',
      `The card gives ${mm(roomOn(card).width)} by ${mm(roomOn(card).height)}: fewer or closer slots, or less high.`,
    );
  if (d.spacing < thick - 1e-9)
    return say(
      'stop',
      `The ${word} lie on each other`,
      `Keep them at least ${mm(thick)} apart, the thread's own thickness.`,
    );
  if (d.rounds > most)
    return say(
      'stop',
      `Not that many ${word} go`,
      most === 0
        ? 'Make the arms longer, or begin nearer to the middle.'
        : `At most ${most} end before the tips.`,
    );
  if (loom && d.slots % 2 === 0)
    return say(
      'stop',
      'An even number of slots',
      `Take ${d.slots - 1} or ${d.slots + 1}: with an even number two rows in turn lie alike.`,
    );
  if (thread.unit === 'each' && (thread.sizes.length ?? 0) < detail.thread)
    return say(
      'stop',
      'The thread is too short',
      `It needs ${mm(detail.thread)}; ${thread.name} is ${mm(thread.sizes.length ?? 0)}. Fewer ${word}, or tie on a second one.`,
    );
  if (d.rounds < FULL) return say('care', 'Looks bare', `At least ${FULL} ${word} look full.`);
  if (!loom && d.wraps === 0)
    return say(
      'care',
      'Slips along the arms',
      'Once round each arm holds it; with none, keep the thread tight and notch the arms.',
    );
  return say('clear', 'Looks full', null);
}

/** One crossing: the thread is brought to the next arm, then the bobbin goes round it; on a loom over or under the string. */
export function moves(at: At<Dials>, { detail }: Fit<Wound>): Move[] {
  const { dials: d } = at;
  const { section, thread } = parts(at);
  if (d.frame === 'loom')
    return [{ distance: d.pitch, tolerance: max(0.5, d.pitch - thickOf(thread)), ways: 2, waysIn: 1 }];
  const between = max(1, gapAt(d, armWidth(section)));
  return [
    { distance: detail.span, tolerance: max(1, min(d.spacing, detail.span)) },
    ...Array.from({ length: d.wraps }, () => ({ distance: girthOf(section), tolerance: between })),
  ];
}
