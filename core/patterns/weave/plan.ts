import { rectangleOutline } from '../../geometry/polygon.ts';
import type { Material } from '../../materials/material.ts';
import type { At, Cut, Feature, Need, Plan, Show, Step, Reaches } from '../kernel.ts';
import { bagNeed, cleaningStep, countStep, need, sayFor, sharedKinds, step, stopWords } from '../making.ts';
import { SPOT, supplied } from '../supplies.ts';
import { armWidth, parts, ROLES } from './dials.ts';
import type { Dials } from './schema.ts';
import { layOut } from './fit.ts';
import { stemAt, stemsOf, TAIL } from './thread.ts';
import { text } from './words.ts';

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
            label: text(at, 'loom'),
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
        label: text(at, 'stick'),
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

/** Tape over the end of the warp, mm (common practice). */
const WARP_TAPE = 60;

export function plan(at: At<Dials>): Plan {
  const { dials: d, chosen } = at;
  const { stick, thread, woven } = parts(at);
  const cut = cuts(at);
  const used = supplied(at, [
    [ROLES.glue, d.frame === 'star' ? SPOT * (d.sticks - 1) : 0],
    [ROLES.tape, d.frame === 'loom' ? WARP_TAPE : 0],
  ]);
  return {
    unlisted: used.unlisted,
    needs: [
      ...used.needs,
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
  const { dials: d } = at;
  const { stick } = parts(at);
  const { crossings } = layOut(at);
  const washed =
    d.frame === 'loom' || !stick
      ? []
      : cleaningStep([{ material: stick, count: d.frame === 'star' ? d.sticks : 1 }], at);
  const clean = washed.map((s) => s.id);
  const frame: Step[] = {
    star: (): Step[] => [
      ...(isCut
        ? [
            step({
              id: 'saw',
              title: text(at, 'sawSticksMm', { sticks: d.sticks, number: 2 * d.arm }),
              words: text(at, 'sawThemTogetherClamp'),
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
        title: text(at, 'crossSticks', { sticks: d.sticks }),
        words: text(at, 'layThemPrintedGuide'),
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
        title: text(at, 'trimTwig'),
        words: text(at, 'cutTipsBluntShears'),
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
        title: text(at, 'cutLoomSlotsEither', { slots: d.slots }),
        words: text(at, 'printTemplateDrawCard'),
        setUp: 2,
        perCopy: 2 + (2 * d.slots) / 8,
        who: 'adult',
        tools: ['printer', 'marker', 'scissors'],
      }),
      step({
        id: 'cross',
        title: text(at, 'stringLoom'),
        words: text(at, 'tapeEndBehindUp'),
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
      title: text(at, 'windBobbinTieFirst'),
      words: text(at, 'windThreadCardNo', { free: d.free }),
      perCopy: 2,
      after: ['cross'],
    }),
    step({
      id: 'weave',
      title:
        d.frame === 'star'
          ? text(at, 'windRounds', { rounds: d.rounds })
          : text(at, 'weaveRows', { rounds: d.rounds }),
      words:
        d.frame === 'loom'
          ? text(at, 'overStringUnderNext')
          : d.wraps > 0
            ? d.wraps === 1
              ? text(at, 'onceRoundEachArm')
              : text(at, 'timesRoundEachArm', { wraps: d.wraps })
            : text(at, 'overEachArmNext'),
      perCopy: Math.max(1, crossings * CROSSING * (1 + d.wraps)),
      who: 'child',
      after: ['knot'],
    }),
    ...(d.frame === 'twig' && d.stems > 0
      ? [
          step({
            id: 'stems',
            title: text(at, 'weaveStems', { stems: d.stems }),
            words: text(at, 'overRowUnderNext'),
            perCopy: 0.7 * d.stems,
            who: 'child' as const,
            after: ['weave'],
          }),
        ]
      : []),
    step({
      id: 'tie off',
      title: text(at, 'tieOffMakeHanger'),
      words: text(at, 'doubleKnotTail', { tail: TAIL }),
      perCopy: 1,
      after: [d.frame === 'twig' && d.stems > 0 ? 'stems' : 'weave'],
    }),
    countStep(at, text(at, 'counted'), ['tie off']),
  ];
}

export function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { card, section } = parts(at);
  const isSawn = cuts(at).length > 0 || d.frame === 'twig';
  return [
    { kind: 'cord', name: text(at, 'hanger'), free: TAIL, loop: TAIL, knots: 1 },
    d.frame === 'loom'
      ? {
          kind: 'cut edge',
          where: text(at, 'theLoom'),
          material: card?.materialClass ?? 'card',
          covered: false,
        }
      : {
          kind: 'point',
          name: d.frame === 'twig' ? text(at, 'endsTwig') : text(at, 'endsSticks'),
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
      name: text(at, 'whileWorked', { thread: thread.name }),
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
    say: sayFor(at, text(at, 'spiderGoesRoundHer'), text(at, 'youFoundTheseShall')),
    lookFor: frame === 'loom' ? text(at, 'doesHandGoOver') : text(at, 'doesHandTurnFrame'),
    easier: text(at, 'fewerArmsRoundsFurther'),
    harder: frame === 'loom' ? text(at, 'moreSlotsCloserRows') : text(at, 'moreArmsCloserRounds'),
    more: text(at, 'nameOverUnder'),
    oneHand: text(at, 'frameClampTurnedAdult'),
    stop: stopWords(at),
  };
}
