import { when } from '../acts.ts';
import { isWeak } from '../../child/usualHand.ts';
import { hasTrait, shapeOf, type Material } from '../../materials/material.ts';
import type { At, Feature, Pattern, Plan, LevelDials, Show, Step, Reaches } from '../kernel.ts';
import {
  bagNeed,
  cleaningStep,
  countStep,
  need,
  sheetOf,
  plainName,
  sayFor,
  sharedKinds,
  step,
  stopWords,
  toolName,
} from '../making.ts';
import { supplied } from '../supplies.ts';
import { girth, isCage, isCloth, isSoft, parts, ROLES, stemOf, type Dials } from './dials.ts';
import { dials } from './table.ts';
import { draw } from './draw.ts';
import { beside, fit, moves, type Detail } from './fit.ts';
import { cageBeside, cageFit, cageMoves, cageOf, cageLevels, cageSteps, drawCage } from './whisk.ts';
import { text } from './words.ts';

/** A fuzzy stem has a wire in it; nothing in its sizes tells it from a straw. */
const isWire = (m: Material): boolean => hasTrait(m, 'stays bent');

const each = (at: At<Dials>) => sharedKinds(parts(at).kinds, at.dials.number);

/** Thinned paint that dyes the end of one, g (common practice). */
const DYE = 0.5;

function plan(at: At<Dials>): Plan {
  const { dials: d } = at;
  const { box } = parts(at);
  const used = supplied(at, [[ROLES.paint, d.dyed && !isCage(at) ? DYE * d.number : 0]]);
  return {
    unlisted: used.unlisted,
    needs: [
      ...used.needs,
      need(ROLES.box, box, 1, true),
      ...each(at).map((p) => need(ROLES.piece, p.material, p.count, true)),
      ...bagNeed(at.chosen),
    ],
    cuts: [],
    steps: steps(at),
  };
}

/** Minutes by hand (common practice): a slit takes half a minute, a punched hole a quarter. */
function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { box, kinds } = parts(at);
  const together = approach === 'made together';
  const cloth = kinds.some(isCloth);
  const washed = cleaningStep(each(at), at);
  if (isCage(at)) return cageSteps(at, washed);
  const slits = d.opening === 'slit';
  const wire = kinds.some(isWire);
  return [
    ...washed,
    step({
      id: 'draw',
      title: slits
        ? text(at, 'markSlitsTop', { number: d.number })
        : text(at, 'markHolesTop', { number: d.number }),
      words: text(at, 'layTemplateTopPrick'),
      setUp: 2,
      perCopy: 1 + d.number * 0.2,
      who: together ? 'child' : 'either',
      tools: ['printer', 'marker'],
    }),
    step({
      id: 'cut',
      title: slits
        ? text(at, 'cutSlitsMm', { number: d.number, length: d.length })
        : text(at, 'makeHolesMm', { number: d.number, length: d.length }),
      words: slits ? text(at, 'strokeEachNoWider') : text(at, 'pushBradawlThroughInto'),
      setUp: 3,
      perCopy: d.number * (slits ? 0.5 : 0.7),
      who: 'adult',
      blade: slits,
      tools: slits ? ['craft knife', 'cutting board', 'ruler'] : ['bradawl'],
      after: ['draw'],
    }),
    ...(cloth && d.tied
      ? [
          step({
            id: 'tie',
            title: text(at, 'tieScarvesEndEnd'),
            words: text(at, 'reefKnotsPulledTight'),
            perCopy: 2,
            who: 'adult',
            after: washed.map((s) => s.id),
          }),
        ]
      : []),
    ...(wire
      ? [
          step({
            id: 'ends',
            title: text(at, 'turnOverWireEnds'),
            words: text(at, 'bendMmEachEnd'),
            perCopy: d.number * 0.3,
            who: 'adult',
            after: washed.map((s) => s.id),
          }),
        ]
      : []),
    ...(d.dyed
      ? [
          step({
            id: 'colour',
            title: text(at, 'colourPieces'),
            words: text(at, 'dipEndEachThinned'),
            perCopy: d.number * 0.5,
            who: together ? 'child' : 'either',
            drying: 60,
            after: washed.map((s) => s.id),
          }),
        ]
      : []),
    step({
      id: 'try',
      title: text(at, 'putEachTurnBox'),
      words: slits
        ? text(at, 'everyPieceStaysComes', { box: box.name })
        : text(at, 'everyPieceStandsComes', { box: box.name }),
      perCopy: 0.2 * d.number + 0.5,
      who: 'adult',
      after: [
        'cut',
        ...washed.map((s) => s.id),
        ...(cloth && d.tied ? ['tie'] : []),
        ...(wire ? ['ends'] : []),
        ...(d.dyed ? ['colour'] : []),
      ],
    }),
    countStep(at, d.number, ['try']),
  ];
}

/** Thinner than this, and several times as long, an end can hurt an eye, mm (common practice). */
const THIN = 8;
const isThin = (m: Material): boolean => {
  const { long, wide } = stemOf(m);
  return !isCloth(m) && !isSoft(m) && wide <= THIN && long >= 4 * wide && long >= 30;
};

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { box, kinds } = parts(at);
  const stick = kinds.filter(isThin);
  return [
    ...(stick.length > 0 && !isCage(at)
      ? [
          {
            kind: 'point' as const,
            name: text(at, 'ends', { what: stick.map((m) => m.name.toLowerCase()).join(', ') }),
            // A step of the making turns wire ends over.
            guarded: stick.every(isWire) ? ('turned over' as const) : null,
            thin: true,
          },
        ]
      : []),
    ...(d.opening === 'hole' && !isCage(at)
      ? [
          {
            kind: 'opening' as const,
            where: text(at, 'holeTop'),
            opening: { kind: 'round' as const, diameter: d.length },
            sheet: sheetOf(box),
            thick: box.sizes.wall,
          },
        ]
      : []),
    ...(isCage(at)
      ? [
          {
            kind: 'opening' as const,
            where: text(at, 'betweenTwoWires'),
            opening: { kind: 'round' as const, diameter: Math.max(1, cageOf(at).gap) },
            sheet: 'rigid' as const,
          },
        ]
      : [
          {
            kind: 'cut edge' as const,
            where: text(at, 'theTop'),
            material: box.materialClass,
            covered: false,
          },
        ]),
    ...(d.tool === 'fingers' ? [] : [{ kind: 'tool', name: toolName(at, 'peg') } as const]),
  ];
}

function reaches(at: At<Dials>): Reaches {
  const { tied } = at.dials;
  return {
    [ROLES.box.id]: { as: 'body', closed: true },
    [ROLES.piece.id]: (m, quantity) => {
      const { long, wide } = stemOf(m);
      if (isCloth(m))
        return { as: 'cord', free: tied ? long * quantity : long, ...(tied ? { knots: quantity } : {}) };
      return shapeOf(m)
        ? { as: 'loose' }
        : { as: 'loose', shape: { kind: 'cylinder', diameter: wide, length: long } };
    },
  };
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(at, text(at, 'hedgehogWantsHisPrickles'), text(at, 'youColouredTheseShall')),
    lookFor: text(at, 'doesOtherHandHold'),
    easier: isCage(at) ? text(at, 'ballSofterOrWhisk') : text(at, 'letThemStandOut'),
    harder: d.tool === 'fingers' ? text(at, 'shorterEndsThenPeg') : text(at, 'twoToolsEachHand'),
    more: text(at, 'oneColourFirst'),
    oneHand: text(at, 'boxClampedOrNon'),
    stop: stopWords(at),
  };
}

function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  if (isCage(at)) return cageLevels(at);
  const { stem, depth } = parts(at);
  const least = Math.max(5, stem.long - depth);
  const out = (share: number): number => Math.max(Math.ceil(least), Math.round(stem.long * share));
  const slit = (grip: number): number => Math.ceil((girth(stem) / 2 / grip) * 2) / 2;
  const base: Dials = { ...d, opening: 'slit', length: slit(0.9), tool: 'fingers', start: 'in' };
  return [
    {
      id: 'high',
      name: text(at, 'high'),
      grip: text(at, 'wholeHand'),
      dials: { ...base, proud: out(0.6), length: slit(0.75) },
    },
    {
      id: 'low',
      name: text(at, 'low'),
      grip: text(at, 'thumbFinger'),
      dials: { ...base, proud: Math.max(Math.ceil(least), 12) },
    },
    {
      id: 'peg',
      name: text(at, 'peg'),
      grip: text(at, 'fingerThumbPeg'),
      dials: { ...base, proud: Math.max(Math.ceil(least), 12), tool: 'finger and thumb on a peg' },
    },
    {
      id: 'tweezers',
      name: text(at, 'tweezers'),
      grip: text(at, 'pegTurnedRound'),
      dials: { ...base, proud: Math.max(Math.ceil(least), 12), tool: 'tweezers' },
    },
    {
      id: 'back',
      name: text(at, 'out'),
      grip: text(at, 'thumbFinger'),
      dials: { ...base, proud: out(0.4), start: 'out' },
    },
    {
      id: 'tight',
      name: text(at, 'tightSlit'),
      grip: text(at, 'thumbFingerPressed'),
      dials: { ...base, proud: out(0.4), start: 'out', length: slit(0.97) },
    },
  ];
}

/** Things that stand in slits or holes and are pulled, or cloth drawn through an opening. */
export const pullOut: Pattern<Dials, Detail> = {
  id: 'pull-out',
  name: 'Pull-out',
  does: (to) => text(to, 'pullsSticksStemsOr'),
  skills: ['Pincer and release', 'Two hands together', 'Hand strength'],
  acts: (at) =>
    when({
      // What stands out far is taken in the fist.
      'picks up': at.dials.tool === 'fingers' || at.dials.tool === 'finger and thumb on a peg',
      'lets go': true,
      squeezes: at.dials.tool !== 'fingers',
      pulls: !isCage(at) && at.dials.opening === 'slit',
      'other hand holds': true,
    }),
  quiet: true,
  usualFrom: ({ dials: d }) => (d.tool === 'fingers' ? [8, 14] : [30, 48]),
  roles: Object.values(ROLES),
  dials,
  title: (at) =>
    isCage(at)
      ? `Pull each ${plainName(parts(at).piece)} out between the wires`
      : `Pull each ${plainName(parts(at).piece)} out of its ${at.dials.opening}`,
  fit: (at) => (isCage(at) ? cageFit(at) : fit(at)),
  plan,
  drawsFit: true,
  draw: (at, known) => (isCage(at) ? drawCage(at) : draw(at, known)),
  moves: (at) => (isCage(at) ? cageMoves(at) : moves(at)),
  beside: (at) => (isCage(at) ? cageBeside(at) : beside(at)),
  counts: ({ dials: d }) => ({ of: 'pieces', one: 'piece', number: d.number }),
  features,
  reaches,
  // What a weak pinch pulls stands higher, in a slit that grips less.
  forHand: (at, hand) =>
    isWeak(hand, at.ageFrom) && !isCage(at)
      ? {
          proud: Math.max(at.dials.proud, 40),
          ...(at.dials.opening === 'slit' ? { length: girth(parts(at).stem) / 2 / 0.75 } : {}),
        }
      : {},
  levels,
  show,
};
