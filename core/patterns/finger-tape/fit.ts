import type { Move } from '../../challenge/bits.ts';
import type { At, Fact, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { parts, scraps, stripFor, stripWidth, type Dials } from './dials.ts';

const { max, min } = Math;

/** Wider than this the tape does not lie round a small fingertip; narrower it cuts in and picks up little, mm (common practice). */
const TAPE = [9, 20] as const;
/** A finger pad covers pieces of about this side, mm: larger ones hang over, smaller ones stick in twos (common practice). */
const PIECE = [12, 30] as const;

export interface Detail {
  readonly pieces: number;
}

/** Whether a colour can be told from the tape on a camera: far enough apart in lightness. */
function lightness(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16) / 255) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { tape, paper, papers, box } = parts(at);
  const cut = scraps(d, paper);
  const colours = min(d.colours, papers.length);
  const pieces = cut.pieces * colours;
  const least = stripFor(d.girth);
  const wide = stripWidth(d, tape);
  // Torn in half a strip's length does for two fingers.
  const perLength = d.torn ? 2 : 1;
  const roll = Math.ceil(d.fingers / perLength) * d.strip;
  const facts: Fact[] = [
    { id: 'pieces', label: 'Pieces', value: pieces, unit: 'each', onMat: true },
    { id: 'pieceSide', label: 'Side of a piece', value: min(cut.width, cut.height), unit: 'mm', onMat: true },
    { id: 'strip', label: 'Strip torn off', value: d.strip, unit: 'mm', onMat: true },
    { id: 'leastStrip', label: 'Goes round and back from', value: least, unit: 'mm' },
    {
      id: 'ball',
      label: 'Rolled to a ball of',
      value: Math.round(cut.ball * 10) / 10,
      unit: 'mm',
      onMat: true,
    },
    { id: 'stripWidth', label: 'Tape on the finger', value: wide, unit: 'mm' },
    { id: 'tape', label: 'Tape for a child', value: roll, unit: 'mm' },
    { id: 'stack', label: 'Last stack to cut', value: Math.round(cut.stack * 100) / 100, unit: 'mm' },
  ];
  const say = answers(facts, { pieces });
  if (d.strip < least)
    return say(
      'stop',
      'The strip does not go round and back',
      `A finger of ${mm(d.girth)} takes at least ${mm(least)}; ${mm(254)} is usual.`,
    );
  if (d.end === 'rolled and posted' && !box)
    return say('stop', 'Nothing to post into', 'Choose a tub or a lid from the shelf, or roll them only.');
  if (d.end === 'rolled and posted' && cut.ball >= d.hole)
    return say(
      'stop',
      'The ball does not go through the hole',
      `It is rolled to about ${mm(cut.ball)}: halve the paper once more, or a hole of at least ${mm(cut.ball + 0.5)}.`,
    );
  if (wide > TAPE[1])
    return say(
      'care',
      'Too wide for a fingertip',
      `${mm(wide)}: tear it in half lengthways, or use tape of 24 to 36.`,
    );
  if (wide < TAPE[0])
    return say(
      'care',
      'A narrow strip',
      `${mm(wide)} cuts in and picks up little: use it whole, or wider tape.`,
    );
  const side = min(cut.width, cut.height);
  if (side < PIECE[0])
    return say(
      'care',
      'Small pieces',
      `${mm(side)}: they stick in twos and are small parts; halve it once less.`,
    );
  if (max(cut.width, cut.height) > 2 * PIECE[1])
    return say('care', 'Large pieces', 'They hang over the finger: halve the paper once more.');
  if (
    d.video &&
    papers.slice(0, colours).some((p) => Math.abs(lightness(p.colour) - lightness(tape.colour)) < 0.25)
  )
    return say(
      'care',
      'Hard to see on camera',
      'White tape and papers of a strong colour: one of these is as light as the tape.',
    );
  if (d.minutes > 10)
    return say(
      'care',
      'A long sitting',
      'Five to ten minutes; the tape comes off at once when the finger pales or hurts.',
    );
  return say('clear', 'Picks up and peels off', null);
}

/** From the lap to the paper, mm (common practice). */
const REACH = 200;

/** One scrap: touched with the taped finger, peeled off, and rolled and posted where that follows. */
export function moves(at: At<Dials>): Move[] {
  const { dials: d } = at;
  const { paper, papers } = parts(at);
  const cut = scraps(d, paper);
  const side = min(cut.width, cut.height);
  const colours = min(d.colours, papers.length);
  const choices =
    d.game === 'by colour' || d.game === 'called out'
      ? max(1, colours * (d.game === 'called out' ? d.fingers : 1))
      : 1;
  const pick: Move = {
    distance: REACH,
    // The most at once are laid side by side on what is left of the pad.
    tolerance: d.game === 'most at once' ? side / 3 : side,
    ...(choices > 1 ? { choices } : {}),
    ...(d.fingers > 1 ? { ways: d.fingers, waysIn: 1 } : {}),
  };
  return [
    pick,
    { distance: 40, tolerance: 6 },
    ...(d.end === 'peeled off' ? [] : [{ distance: 40, tolerance: max(1, cut.ball / 2) }]),
    ...(d.end === 'rolled and posted' ? [{ distance: REACH, tolerance: max(0.5, d.hole - cut.ball) }] : []),
  ];
}
