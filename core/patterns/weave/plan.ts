import { rectangleOutline } from '../../geometry/polygon.ts';
import type { Material } from '../../materials/material.ts';
import type { At, Cut, Feature, Need, Plan, Show, Step, Reaches } from '../kernel.ts';
import { bagNeed, cleaningStep, countStep, need, sayFor, sharedKinds, step, STOP_WORDS } from '../making.ts';
import { armWidth, parts, ROLES } from './dials.ts';
import type { Dials } from './schema.ts';
import { layOut } from './fit.ts';
import { stemAt, stemsOf, TAIL } from './thread.ts';

/** A crossing takes a child about so long, minutes (common practice). */
const CROSSING = 0.12;

/** Sticks that are sawn shorter than they are, and the card of a loom. */
function cuts(at: At<Dials>): Cut[] {
  const { dials: d } = at;
  const { stick, card, long } = parts(at);
  const part = { count: 1, use: 'part' as const, counted: true };
  if (d.frame === 'loom')
    return card
      ? [
          {
            ...part,
            kind: 'outline',
            id: 'loom',
            label: 'Loom',
            role: ROLES.card.id,
            materialId: card.id,
            outline: rectangleOutline((d.slots - 1) * d.pitch + 20, d.height),
            turn: 'right',
            // The warp pulls its ends together: flutes from end to end hold against that.
            grain: 'y',
            gap: 2,
          },
        ]
      : [];
  if (d.frame === 'star' && stick && 2 * d.arm < long - 0.5)
    return [
      {
        ...part,
        kind: 'length',
        id: 'stick',
        label: 'Stick',
        role: ROLES.stick.id,
        materialId: stick.id,
        count: d.sticks,
        length: 2 * d.arm,
        loss: 1,
      },
    ];
  return [];
}

/** Stems by the piece; what comes off a roll by the lengths of the stems it gives. */
function wovenNeeds(d: Dials, kinds: readonly Material[]): Need[] {
  const lengths = stemsOf(d).map((x) => stemAt(d, x));
  let next = 0;
  return sharedKinds(kinds, d.stems).map(({ material, count }) => {
    const own = lengths.slice(next, (next += count));
    const quantity = material.unit === 'mm' ? Math.ceil(own.reduce((a, b) => a + b, 0)) : count;
    return need(ROLES.woven, material, quantity, false);
  });
}

export function plan(at: At<Dials>): Plan {
  const { dials: d, chosen } = at;
  const { stick, thread, woven } = parts(at);
  const cut = cuts(at);
  return {
    needs: [
      ...(d.frame !== 'loom' && stick && cut.length === 0
        ? [need(ROLES.stick, stick, d.frame === 'star' ? d.sticks : 1, true)]
        : []),
      need(ROLES.thread, thread, thread.unit === 'mm' ? Math.ceil(layOut(at).thread) : 1, true),
      ...(d.frame === 'twig' ? wovenNeeds(d, woven) : []),
      ...bagNeed(chosen),
    ],
    cuts: cut,
    steps: steps(at, cut.length > 0),
  };
}

function steps(at: At<Dials>, isCut: boolean): Step[] {
  const { dials: d, approach } = at;
  const { stick } = parts(at);
  const { crossings } = layOut(at);
  const washed =
    d.frame === 'loom' || !stick
      ? []
      : cleaningStep([{ material: stick, count: d.frame === 'star' ? d.sticks : 1 }], approach);
  const clean = washed.map((s) => s.id);
  const frame: Step[] = {
    star: (): Step[] => [
      ...(isCut
        ? [
            step({
              id: 'saw',
              title: `Saw ${d.sticks} sticks to ${2 * d.arm} mm`,
              words: 'Saw them together in a clamp, then sand the ends round.',
              setUp: 1,
              perCopy: d.sticks,
              who: 'adult' as const,
              blade: true,
              tools: ['saw', 'sandpaper'] as const,
              after: clean,
            }),
          ]
        : []),
      step({
        id: 'cross',
        title: `Cross ${d.sticks} sticks`,
        words: 'Lay them on the printed guide, glue the middles one over the other and let it set flat.',
        perCopy: 2,
        who: 'adult',
        drying: 30,
        tools: ['printer'],
        after: isCut ? ['saw'] : clean,
      }),
    ],
    twig: (): Step[] => [
      step({
        id: 'cross',
        title: 'Trim the twig',
        words: 'Cut the tips blunt with shears or a saw and sand them; strip off loose bark.',
        perCopy: 3,
        who: 'adult',
        blade: true,
        tools: ['saw', 'sandpaper'],
        after: clean,
      }),
    ],
    loom: (): Step[] => [
      step({
        id: 'cut',
        title: `Cut the loom and its ${d.slots} slots at either end`,
        words: 'Print the template, draw it on the card, cut it out, then each slot along its line.',
        setUp: 2,
        perCopy: 2 + (2 * d.slots) / 8,
        who: 'adult',
        tools: ['printer', 'marker', 'scissors'],
      }),
      step({
        id: 'cross',
        title: 'String the loom',
        words: 'Tape the end behind, up and down from slot to slot, not so tight that the card bends.',
        perCopy: 1 + d.slots / 8,
        after: ['cut'],
      }),
    ],
  }[d.frame]();
  return [
    ...washed,
    ...frame,
    step({
      id: 'knot',
      title: 'Wind the bobbin and tie the first knot',
      words: `Wind the thread on a card so that no more than ${d.free} mm hangs free; tie it with help.`,
      perCopy: 2,
      after: ['cross'],
    }),
    step({
      id: 'weave',
      title: d.frame === 'star' ? `Wind ${d.rounds} rounds` : `Weave ${d.rounds} rows`,
      words:
        d.frame === 'loom'
          ? 'Over one string, under the next; the row after the other way round. Push each row down.'
          : d.wraps > 0
            ? `${d.wraps === 1 ? 'Once' : `${d.wraps} times`} round each arm, then on to the next.`
            : 'Over each arm and on to the next, the thread kept tight.',
      perCopy: Math.max(1, crossings * CROSSING * (1 + d.wraps)),
      who: 'child',
      after: ['knot'],
    }),
    ...(d.frame === 'twig' && d.stems > 0
      ? [
          step({
            id: 'stems',
            title: `Weave in ${d.stems} stems`,
            words:
              'Over one row and under the next, the neighbour the other way round. Hands are washed afterwards.',
            perCopy: 0.7 * d.stems,
            who: 'child' as const,
            after: ['weave'],
          }),
        ]
      : []),
    countStep('1 frame with its thread', [d.frame === 'twig' && d.stems > 0 ? 'stems' : 'weave']),
  ];
}

export function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { card, section } = parts(at);
  const isSawn = cuts(at).length > 0 || d.frame === 'twig';
  return [
    { kind: 'cord', name: 'Hanger', free: TAIL, loop: TAIL, knots: 1 },
    d.frame === 'loom'
      ? { kind: 'cut edge', where: 'the loom', material: card?.materialClass ?? 'card', covered: false }
      : {
          kind: 'point',
          name: d.frame === 'twig' ? 'Ends of the twig' : 'Ends of the sticks',
          guarded: isSawn ? 'sanded' : null,
          thin: armWidth(section) < 8,
        },
  ];
}

export function reaches(at: At<Dials>): Reaches {
  const { dials: d } = at;
  const { thread } = parts(at);
  const longest = Math.max(0, ...stemsOf(d).map((x) => stemAt(d, x)));
  return {
    // All of it, on the bobbin too: a child unwinds it.
    [ROLES.thread.id]: (m, quantity) => ({
      as: 'cord',
      name: `${thread.name} while it is worked`,
      free: m.unit === 'mm' ? quantity : (m.sizes.length ?? quantity),
    }),
    [ROLES.woven.id]: (m) =>
      m.form === 'cord'
        ? { as: 'cord', free: m.unit === 'mm' ? longest : (m.sizes.length ?? longest) }
        : { as: 'loose' },
  };
}

export function show(at: At<Dials>): Show {
  const { frame } = at.dials;
  return {
    say: sayFor(
      at.approach,
      'The spider goes round her house. Which beam is next?',
      'You found these. Shall we wind a web on them?',
    ),
    lookFor:
      frame === 'loom'
        ? 'Does the hand go over and under in turn, and does the other hold the loom?'
        : 'Does one hand turn the frame while the other brings the thread, and is the thread kept tight?',
    easier: 'Fewer arms, rounds further apart, the frame held for the child; a thicker thread.',
    harder:
      frame === 'loom'
        ? 'More slots, closer rows; then over two and under one.'
        : 'More arms, closer rounds, twice round each arm.',
    more: 'Name over, under, round; change the colour at each round and count them.',
    oneHand:
      'The frame in a clamp, turned by an adult after each round; a bobbin that the whole hand holds. Left-handed: the other way round.',
    stop: STOP_WORDS,
  };
}
