import type { At, Feature, Pattern, Plan, RungDials, ScriptStep, Show, Step, Reaches } from '../kernel.ts';
import { countStep, need, sayFor, sheetOf, step } from '../making.ts';
import { dials, parts, ROLES, scraps, stripFor, stripWidth, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { fit, moves, type Detail } from './fit.ts';

const coloursOf = (at: At<Dials>): number => Math.min(at.dials.colours, parts(at).papers.length);
const piecesOf = (at: At<Dials>): number => scraps(at.dials, parts(at).paper).pieces * coloursOf(at);

function plan(at: At<Dials>): Plan {
  const { dials: d } = at;
  const { tape, papers, box } = parts(at);
  const strips = Math.ceil(d.fingers / (d.torn ? 2 : 1));
  return {
    needs: [
      need(ROLES.tape, tape, tape.unit === 'mm' ? Math.ceil(strips * stripFor(d.girth)) : 1, false),
      ...papers.slice(0, coloursOf(at)).map((p) => need(ROLES.paper, p, 1, true)),
      ...(box && d.end === 'rolled and posted' ? [need(ROLES.box, box, 1, true)] : []),
    ],
    cuts: [],
    steps: steps(at),
  };
}

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { box } = parts(at);
  const posted = d.end === 'rolled and posted' && box;
  return [
    step({
      id: 'halve',
      title: `Halve the paper ${d.halvings} times`,
      words: 'Fold, cut along the fold, lay on each other, and again: each time all at once.',
      perCopy: 0.4 * d.halvings * coloursOf(at),
      who: approach === 'made together' ? 'child' : 'either',
      tools: ['scissors'],
    }),
    ...(posted
      ? [
          step({
            id: 'hole',
            title: `A hole of ${d.hole} mm to post through`,
            words: 'Pierce it with a bradawl and turn a pencil in it; a sip lid has one.',
            perCopy: 1.5,
            who: 'adult' as const,
            blade: true,
            tools: ['bradawl', 'cutting board'] as const,
          }),
        ]
      : []),
    step({
      id: 'strip',
      title: `Tear ${d.fingers === 1 ? 'a strip' : `strips for ${d.fingers} fingers`} of ${stripFor(d.girth)} mm`,
      words: d.torn
        ? 'Tear it in half lengthways: two fingers from one length. Stick them to the table’s edge by a corner.'
        : 'Stick them to the table’s edge by a corner.',
      perCopy: 0.5 * d.fingers,
      who: approach === 'made together' ? 'child' : 'either',
    }),
    countStep(`${piecesOf(at)} papers and the roll`, ['halve', 'strip', ...(posted ? ['hole'] : [])]),
  ];
}

/** Of the strip that was round a finger, balled up, mm: it is as thick as tape and a third of the ball is tape (common practice). */
const balled = (at: At<Dials>): number =>
  Math.cbrt((6 * stripFor(at.dials.girth) * stripWidth(at.dials, parts(at).tape) * 0.15) / (Math.PI * 0.33));

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { tape, paper, box } = parts(at);
  return [
    ...(d.end === 'peeled off'
      ? []
      : ([
          { kind: 'line', name: 'Paper rolled to a ball', how: 'loose, made of the paper' },
          {
            kind: 'piece',
            name: 'Paper rolled to a ball',
            shape: { kind: 'sphere', diameter: scraps(d, paper).ball },
            count: piecesOf(at),
            ball: true,
          },
        ] as const)),
    { kind: 'line', name: 'Tape slid off a finger', how: 'loose, made of the tape' },
    {
      kind: 'piece',
      name: 'Tape slid off a finger',
      shape: { kind: 'sphere', diameter: balled(at) },
      count: d.fingers,
      ball: false,
    },
    { kind: 'skin', name: `${tape.name} round a finger` },
    ...(box && d.end === 'rolled and posted'
      ? [
          {
            kind: 'opening',
            where: 'the hole to post through',
            opening: { kind: 'round', diameter: d.hole },
            sheet: sheetOf(box),
            thick: box.sizes.wall,
          } as const,
        ]
      : []),
  ];
}

function reaches(at: At<Dials>): Reaches {
  const { paper } = parts(at);
  const { pieces, width, height } = scraps(at.dials, paper);
  return {
    [ROLES.tape.id]: { as: 'told', how: 'round a finger; the roll goes with it' },
    [ROLES.paper.id]: (_, quantity) => ({
      as: 'loose',
      name: 'Paper piece',
      count: pieces * quantity,
      shape: { kind: 'box', length: width, width: height, height: paper.sizes.wall ?? 0.1 },
    }),
  };
}

/** The sitting: it grows from one finger to the most at once, in the minutes there are. */
function script(d: Dials): ScriptStep[] {
  const all: { share: number; words: string; rung: string }[] = [
    { share: 0.2, words: 'Tape on one finger, sticky side out. Pick up, peel off, lay down.', rung: 'one' },
    { share: 0.2, words: 'The finger next to it. Pick up with each in turn.', rung: 'two' },
    {
      share: 0.2,
      words: d.colours > 1 ? 'A colour for each finger.' : 'One finger for the left heap, one for the right.',
      rung: 'colour',
    },
    { share: 0.2, words: 'As fast as it is called: “first!”, “second!”', rung: 'called' },
    { share: 0.2, words: 'How many at once? Count them, peel them, slide the tape off.', rung: 'most' },
  ];
  return all.map(({ share, words, rung }) => ({
    minutes: Math.round(d.minutes * share * 2) / 2 || 0.5,
    words,
    rung,
  }));
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  const { papers } = parts(at);
  const before = d.video
    ? ` Before the call the family lays out: a roll of white tape, ${papers.length > 1 ? 'papers of two strong colours' : 'paper of a strong colour'}, scissors, ${d.end === 'rolled and posted' ? 'a cup with a lid that has a hole, ' : ''}a plain dark table.`
    : '';
  return {
    say:
      sayFor(
        at.approach,
        'This finger is a crab. What does it catch?',
        'You tore it. Which finger wears it?',
      ) + before,
    lookFor:
      'Do finger and thumb of the other hand peel, or does the hand shake it off? Does only the one finger point?',
    easier: 'Larger pieces, one finger, peeled off by you.',
    harder: 'Two fingers, two colours, smaller pieces; rolled to a ball before it is posted.',
    more: 'Count how many stick at once; sort by colour; call left and right.',
    oneHand: 'Somebody else puts the tape on; it is peeled off against the edge of the table.',
    stop: 'Take it off at once when the finger pales, reddens or hurts. Never tight, never on broken or sensitive skin; slide it off, do not unwind it.',
    script: script(d),
  };
}

function rungs(at: At<Dials>): RungDials<Dials>[] {
  const { dials: d } = at;
  const { papers } = parts(at);
  const two = Math.min(2, papers.length);
  const of = (id: string, name: string, grip: string, part: Partial<Dials>): RungDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, end: 'peeled off', ...part },
  });
  return [
    of('one', 'One finger', 'one finger points', { fingers: 1, colours: 1, game: 'as they lie' }),
    of('two', 'Two fingers', 'two fingers in turn', {
      fingers: 2,
      colours: 1,
      game: 'as they lie',
    }),
    ...(two > 1
      ? [
          of('colour', 'By colour', 'two fingers in turn', {
            fingers: 2,
            colours: 2,
            game: 'by colour',
          }),
        ]
      : []),
    of('called', 'As called', 'two fingers in turn', {
      fingers: 2,
      colours: two,
      game: 'called out',
    }),
    of('most', 'Most at once', 'pad to pad', { fingers: 2, colours: 1, game: 'most at once' }),
    of('rolled', 'Rolled', 'thumb and finger roll', {
      fingers: 1,
      colours: 1,
      game: 'as they lie',
      end: 'rolled',
    }),
  ];
}

/** Tape round a finger, sticky side out, that picks up scraps of paper. */
export const fingerTape: Pattern<Dials, Detail> = {
  id: 'finger-tape',
  name: 'Finger tape',
  does: 'Picks paper up with a taped finger, peels it off, rolls it and posts it',
  skills: ['Pincer and release', 'In-hand manipulation', 'Two hands together'],
  quiet: true,
  roles: Object.values(ROLES),
  dials,
  title: (at) =>
    `Catch ${piecesOf(at)} papers with ${at.dials.fingers === 1 ? 'one finger' : `${at.dials.fingers} fingers`}`,
  fit,
  plan,
  draw,
  moves,
  counts: (at) => ({ of: 'papers', one: 'paper', number: piecesOf(at) }),
  features,
  reaches,
  forHand: (_, { finger }) => (finger === undefined ? {} : { girth: finger }),
  rungs,
  show,
};
