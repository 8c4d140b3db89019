import { rectangleOutline } from '../../geometry/polygon.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { At, Cut, Feature, Need, Plan, Show, Step, Reaches } from '../kernel.ts';
import { bagNeed, cleaningStep, countStep, need, sheetOf, sayFor, step, STOP_WORDS } from '../making.ts';
import { ROLES, type Dials } from './dials.ts';
import { cutLength, openingsOn, strips } from './openings.ts';
import { isMade, parts } from './pieces.ts';

/** Container, pieces, tape for the mouth or once round the cut edge with a tenth over, a bag. */
function needs(at: At<Dials>): Need[] {
  const { dials: d, chosen } = at;
  const { container, kinds, tape } = parts(at);
  const { count, length } = strips(at);
  const mm = d.cover === 'tape' ? count * length : d.cover === 'lid' ? Math.ceil(1.1 * cutLength(at)) : 0;
  return [
    need(ROLES.container, container, 1, true),
    ...kinds
      .filter((k) => !isMade(k) && k.count > 0)
      .map((k) => need(ROLES.piece, k.material, k.count, true)),
    ...(tape && mm > 0 ? [need(ROLES.edge, tape, tape.unit === 'mm' ? mm : 1, false)] : []),
    ...bagNeed(chosen),
  ];
}

/** The square or strip that a piece is made of, mm. */
const blank = (d: Dials): Vec2[] =>
  rectangleOutline(d.stripLength, d.made === 'rolled' ? d.stripLength : d.stripWidth);

const cuts = (at: At<Dials>): Cut[] =>
  parts(at)
    .kinds.filter((k) => isMade(k) && k.count > 0)
    .map((k) => ({
      kind: 'outline',
      id: `made-${k.material.id}`,
      label: at.dials.made === 'rolled' ? 'Paper square' : 'Strip',
      role: ROLES.piece.id,
      materialId: k.material.id,
      count: k.count,
      use: 'piece',
      counted: true,
      outline: blank(at.dials),
      turn: 'right',
      // A strip that is pushed stays straight when the grain runs its long way.
      ...(at.dials.made === 'rolled' ? {} : { grain: 'x' as const }),
      gap: 0,
    }));

export const plan = (at: At<Dials>): Plan => ({ needs: needs(at), cuts: cuts(at), steps: steps(at) });

/** What is cut into the lid, in a word. */
const openingWord = (d: Dials): string => (d.opening === 'round' ? 'hole' : d.opening);

/** Minutes from hand trials of the trade (common practice): a blade goes 60 mm a minute with care, drawing twice that. */
function lidSteps(at: At<Dials>): Step[] {
  const { dials: d, chosen } = at;
  const { container } = parts(at);
  const cut = cutLength(at);
  const many = openingsOn(at).length;
  const word = openingWord(d);
  return [
    step({
      id: 'draw',
      title: many > 1 ? `Draw ${many} openings on the lid` : `Draw the ${word} on the lid`,
      words: 'Cut the printed template out, centre it on the lid, draw round the opening with a marker.',
      setUp: 2,
      perCopy: 1 + cut / 120,
      who: at.approach === 'made together' ? 'child' : 'either',
      tools: ['printer', 'scissors', 'marker'],
    }),
    step({
      id: 'cut',
      title:
        many > 1
          ? `Cut ${many} openings, one after the other`
          : d.opening === 'round'
            ? 'Cut along the drawn circle, a little at a time'
            : 'Cut along the drawn line, from the middle out',
      words: `Lid of ${container.name} face down on the board. Short strokes; turn the lid, not the hand. The piece should drop through without a push.`,
      setUp: 3,
      perCopy: 1 + cut / 60,
      who: 'adult',
      blade: true,
      tools: ['craft knife', 'cutting board'],
      after: ['draw'],
    }),
    step({
      id: 'edge',
      title: chosen[ROLES.edge.id]?.length ? 'Rub down and tape the edge' : 'Rub the cut edge down',
      words:
        'Fine sandpaper round the cut, then feel it with a fingertip. Tape over it where it still catches.',
      perCopy: 2 + cut / 100,
      who: 'adult',
      tools: ['sandpaper'],
      after: ['cut'],
    }),
  ];
}

function coverSteps(at: At<Dials>): Step[] {
  const { dials: d } = at;
  if (d.cover === 'lid') return lidSteps(at);
  if (d.cover !== 'tape') return [];
  const { count, length } = strips(at);
  return [
    step({
      id: 'tape',
      title: `Tape the mouth: ${count} strips of ${Math.round(length)} mm`,
      words: `From the rim inwards, ${d.opening === 'slot' ? 'a slit' : 'a square'} stays open in the middle; press each end down the side. A second strip, sticky side to sticky side, keeps pieces from sticking.`,
      perCopy: 0.5 * count + 1,
      who: 'either',
      tools: ['scissors', 'ruler'],
    }),
  ];
}

function madeSteps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const kinds = parts(at).kinds.filter((k) => isMade(k) && k.count > 0);
  const count = kinds.reduce((n, k) => n + k.count, 0);
  if (count === 0) return [];
  const child = approach === 'made together' || d.made === 'rolled';
  return [
    step({
      id: 'make',
      title:
        d.made === 'rolled'
          ? `Tear ${count} squares of ${d.stripLength} mm and roll them`
          : `Cut ${count} strips of ${d.stripLength} × ${d.stripWidth} mm`,
      words:
        d.made === 'rolled'
          ? 'Roll each between the fingertips to a tight ball: this is half of the work of the hand.'
          : 'Scissors along the printed line; round the corners.',
      perCopy: count * 0.5,
      who: child ? 'child' : 'either',
      tools: d.made === 'rolled' ? [] : ['printer', 'scissors'],
    }),
  ];
}

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { kinds } = parts(at);
  const together = approach === 'made together';
  const whole = kinds.filter((k) => !isMade(k) && k.count > 0);
  const washed = cleaningStep(whole, approach);
  const afterWash = washed.map((s) => s.id);
  const liners = whole.filter((k) => k.material.hazards.includes('loose liner'));
  const cover = coverSteps(at);
  const made = madeSteps(at);
  const ready = cover.slice(-1).map((s) => s.id);
  return [
    // What was clean when it was looked over is not washed again.
    ...washed,
    ...(liners.length > 0
      ? [
          step({
            id: 'liner',
            title: 'Take out the liners',
            words:
              'Lift each liner with the back of a spoon and throw it away: it is a small part of its own.',
            perCopy: 0.3 * liners.reduce((n, k) => n + k.count, 0),
            who: 'adult',
            after: afterWash,
          }),
        ]
      : []),
    ...cover,
    ...made,
    step({
      id: 'try',
      title: 'Post every piece once',
      words: 'Each piece goes in and drops. Shake: none comes out again, none jams.',
      perCopy: 0.1 * d.pieces + 0.5,
      who: 'adult',
      after: [...afterWash, ...ready, ...made.map((s) => s.id), ...(liners.length > 0 ? ['liner'] : [])],
    }),
    ...(together
      ? [
          step({
            id: 'stickers',
            title: 'Stickers round the tub',
            words: 'Peeling and pressing are the exercise: let the children choose where.',
            perCopy: 8,
            who: 'child' as const,
            after: ready,
          }),
        ]
      : []),
    countStep(`${d.pieces}`, ['try', ...(together ? ['stickers'] : [])]),
  ];
}

export function features(at: At<Dials>): Feature[] {
  const { dials: d, chosen } = at;
  const { container } = parts(at);
  const on = openingsOn(at);
  const where = (i: number): string => {
    if (d.cover === 'tape') return 'the opening between the tapes';
    if (d.cover === 'open') return 'the mouth';
    if (d.cover === 'sip hole') return 'the sip hole';
    return on.length > 1 ? `opening ${i + 1} in the lid` : `the ${openingWord(d)} in the lid`;
  };
  return [
    ...on.map((p, i): Feature => ({
      kind: 'opening',
      where: where(i),
      opening: p.opening,
      sheet: d.cover === 'tape' ? 'soft' : sheetOf(container),
      thick: container.sizes.wall,
    })),
    ...(d.cover === 'lid'
      ? [{ kind: 'remnant', name: 'Cut-out of the lid', count: on.length } as const]
      : []),
    ...(d.cover === 'lid'
      ? [
          {
            kind: 'cut edge',
            where: on.length > 1 ? 'the openings in the lid' : where(0),
            material: container.materialClass,
            covered: (chosen[ROLES.edge.id]?.length ?? 0) > 0,
          } as const,
        ]
      : []),
    ...(d.tool === 'fingers' ? [] : [{ kind: 'tool', name: d.tool } as const]),
  ];
}

export const reaches = (at: At<Dials>): Reaches => ({
  [ROLES.container.id]: { as: 'body', closed: at.dials.cover === 'lid' || at.dials.cover === 'sip hole' },
  [ROLES.edge.id]: { as: 'nobody', why: 'it is stuck down, and felt over each time it comes back' },
  ...Object.fromEntries(
    parts(at)
      .kinds.filter((k) => isMade(k) && k.count > 0)
      .map((k) => [`made-${k.material.id}`, { as: 'loose', shape: k.solid, name: k.name } as const]),
  ),
});

export function show(at: At<Dials>): Show {
  const { dials: d, approach } = at;
  const one = parts(at).first.name.toLowerCase();
  return {
    say: sayFor(
      approach,
      'The tub is hungry: how many can it eat before the bell?',
      'We made this one. Shall we see what it swallows?',
    ),
    lookFor: `Does the hand turn the ${one} before it reaches the opening, and do the fingers open to let go?`,
    easier:
      d.cover === 'tape'
        ? 'Take the tape off: the whole mouth is open.'
        : 'Open it wider, or hold the tub steady for the child.',
    harder:
      d.tool === 'fingers'
        ? 'Narrow it, turn it, then offer tongs.'
        : 'Move the tray to the other side, so that the arm crosses the middle.',
    more: 'Count aloud as each one drops; ask for two of one colour.',
    oneHand:
      'The container on a non-slip mat or clamped to the table, its opening turned to the hand that works; pieces lie on that side.',
    stop: STOP_WORDS,
  };
}
