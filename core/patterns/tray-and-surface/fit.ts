import type { Move } from '../../challenge/bits.ts';
import { ellipsePerimeter } from '../../geometry/ellipse.ts';
import { area } from '../../geometry/polygon.ts';
import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import { lengthOf } from '../../outline/along.ts';
import type { At, Fact, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { doughFoods, parts, type Dials } from './dials.ts';
import { doughOf, floorOf, floorShape, foilStrips, heightsOf, mixOf } from './surface.ts';
import { text } from './words.ts';

const { ceil, max, min, round } = Math;

/** Food that stood out longer is thrown away, hours (the two-hour rule of food safety agencies, from memory). */
const KEEPS = 2;
/** Hours that all of it may stand out: as the shelf says of the one that keeps least, else two. */
export const keepsFor = (foods: readonly Pick<Material, 'keeping'>[]): number =>
  min(...foods.map((f) => f.keeping?.out ?? KEEPS), ...(foods.length === 0 ? [KEEPS] : []));
/** Room for a child to stand or sit in, m² (common practice). */
const ROOM = 0.25;
/** Three of one side of the wheel: as much of it as stays clear when mixed, degrees (common practice). */
const ONE_SIDE = 180;

/** Volume of what is in the tray, ml. */
export const volumeOf = (at: Pick<At<Dials>, 'dials' | 'chosen'>): number => {
  const { tray } = parts(at);
  return tray ? (floorOf(tray) * at.dials.depth) / 1000 : 0;
};

/** Length along the edge of a tray, mm: how far a finger goes once round it. */
function roundTray(at: Pick<At<Dials>, 'chosen'>): number {
  const { tray } = parts(at);
  const { diameter, length = 200, width = 150 } = tray?.sizes ?? {};
  return diameter === undefined ? 2 * (length + width) : ellipsePerimeter(diameter, diameter);
}

/** Strips on each thing that is taped to a wall: two across it, 30 over either side. */
const ITEM_TAPE = 60;

/** Tape in all, mm. */
export function tapeOf(at: Pick<At<Dials>, 'dials' | 'chosen'>): number {
  const { dials: d } = at;
  const { items, foil } = parts(at);
  switch (d.kind) {
    case 'wall': {
      const [first] = items;
      const shape = first && shapeOf(first);
      return d.items * 2 * (ITEM_TAPE + (shape ? extentsOf(shape)[1] : 0));
    }
    case 'floor':
      return lengthOf(floorShape(d), true);
    case 'foil':
      // All round, and along every joint: no loose edge to trip over or to tear.
      return 2 * (d.across + d.wide) + (foilStrips(d, foil?.sizes.width ?? 300) - 1) * d.across;
    default:
      return 0;
  }
}

export interface Detail {
  readonly tape: number;
}

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d, ageFrom } = at;
  const { tray, fills, items, tape: roll, foil, brushes, page } = parts(at);
  const inTray = d.kind === 'food tray' || d.kind === 'dough';
  const volume = volumeOf(at);
  const tape = tapeOf(at);
  const heights = heightsOf(d);
  const dough = doughOf(d, volume);
  const floor = area(floorShape(d)) / 1e6;
  const mixed = mixOf(d.colours);
  const facts: Fact[] = [
    ...(inTray
      ? [{ id: 'volume', label: 'Volume', value: round(volume), unit: 'ml', onMat: true } as const]
      : []),
    ...(d.kind === 'food tray'
      ? ([
          { id: 'mass', label: 'Mass', value: round((volume * d.dense) / 100), unit: 'g', onMat: true },
          { id: 'keeps', label: 'Keeps at room temperature', value: keepsFor(fills), unit: 'h' },
        ] as const)
      : []),
    ...(d.kind === 'dough'
      ? ([
          { id: 'mass', label: text(at, 'dough'), value: round(dough.mass), unit: 'g', onMat: true },
          { id: 'flour', label: 'Flour', value: round(dough.flour), unit: 'g' },
          { id: 'salt', label: 'Salt', value: round(dough.salt), unit: 'g' },
          { id: 'water', label: 'Water', value: round(dough.water), unit: 'ml' },
        ] as const)
      : []),
    ...(d.kind === 'wall'
      ? [
          {
            id: 'heights',
            label: 'Heights',
            value: heights.map((h) => `${h.level} ${h.height} mm`).join(', '),
            onMat: true,
          },
        ]
      : []),
    ...(tape > 0
      ? [{ id: 'tape', label: 'Tape', value: round(tape), unit: 'mm', onMat: true } as const]
      : []),
    ...(d.kind === 'floor'
      ? [
          {
            id: 'room',
            label: 'Children that fit in it',
            value: Math.floor(floor / ROOM),
            unit: 'each',
            onMat: true,
          } as const,
        ]
      : []),
    ...(d.kind === 'foil'
      ? [
          {
            id: 'strips',
            label: 'Strips of foil',
            value: foilStrips(d, foil?.sizes.width ?? 300),
            unit: 'each',
            onMat: true,
          } as const,
        ]
      : []),
    ...(d.kind === 'brushes'
      ? [
          {
            id: 'arc',
            label: 'Of the colour wheel',
            value: mixed.arc,
            unit: 'deg',
            of: 360,
            onMat: true,
          } as const,
        ]
      : []),
  ];
  const say = answers(facts, { tape });
  switch (d.kind) {
    case 'food tray':
    case 'dough': {
      if (!tray) return say('stop', 'No tray', 'Choose a flat tub or tray from the shelf.');
      if (d.depth > (tray.sizes.height ?? 0))
        return say('stop', 'It runs over the edge', `The tray is ${mm(tray.sizes.height ?? 0)} deep.`);
      if (d.kind === 'food tray') {
        const strange = fills.find((m) => m.materialClass !== 'food' || m.hazards.includes('toxic'));
        if (fills.length === 0)
          return say('stop', 'Nothing in the tray', 'Choose something to eat from the shelf.');
        if (strange)
          return say(
            'stop',
            'Not fit to eat',
            `${strange.name} will be in mouths: everything in the tray must be food, of a form that does not choke.`,
          );
        const hard = fills.find((m) => m.form === 'piece');
        if (hard && ageFrom < 48)
          return say(
            'stop',
            'It chokes at that age',
            `${hard.name} is hard and small: cook and mash it, or take something soft.`,
          );
        const minds = [...new Set(fills.flatMap((m) => m.allergens ?? []))];
        if (minds.length > 0)
          return say(
            'care',
            'Ask about allergies',
            `In it: ${minds.join(', ')}. Ask each family, and write it on the label.`,
          );
      }
      if (d.kind === 'dough' && !doughFoods(fills).flour)
        return say(
          'stop',
          'No flour for the dough',
          'Choose flour from the shelf, and salt where it is to keep.',
        );
      if (d.depth < 10 || d.depth > 20)
        return say(
          'care',
          d.depth < 10 ? 'Thin: lines run dry' : 'Deep: lines close again',
          '10 to 20 deep is usual.',
        );
      if (d.kind === 'dough' && d.salt > 0)
        return say(
          'care',
          'Salted dough is not for eating',
          'A mouthful of it harms a small child: for those who taste everything leave the salt out, and use it the same day.',
        );
      return say('clear', 'A line stays open in it', null);
    }
    case 'wall':
      if (items.length === 0)
        return say('stop', 'Nothing to tape up', 'Choose stickers or shells from the shelf.');
      if (!roll) return say('stop', text(at, 'noTape'), 'Choose tape from the shelf.');
      if (ageFrom < 24 && d.level !== 'squat')
        return say('care', 'High for a new walker', 'Begin low, at a squat; straight and on tiptoe later.');
      return say('clear', 'Within reach', null);
    case 'floor': {
      if (!roll) return say('stop', text(at, 'noTape'), 'Choose tape from the shelf.');
      if (floor / ROOM < d.children)
        return say(
          'stop',
          'Not room for all of them',
          `Each takes ${ROOM} m²: at most ${Math.floor(floor / ROOM)} in it, or make it larger.`,
        );
      return say('clear', 'Room for all', null);
    }
    case 'foil':
      if (!foil) return say('stop', 'No foil', 'Choose a roll of foil from the shelf.');
      if (!roll)
        return say('stop', text(at, 'noTape'), 'The foil is taped all round: choose tape from the shelf.');
      return d.overlap < 20
        ? say('care', 'A narrow overlap tears open', 'At least 20 mm of one strip over the next.')
        : say('clear', 'No loose edge', null);
    case 'brushes':
      if (brushes.length === 0)
        return say('stop', 'Nothing to paint with', 'Choose a sponge, a cork or a comb from the shelf.');
      if (!page) return say('stop', 'No paper', 'Choose paper from the shelf.');
      if (mixed.unknown.length > 0)
        return say(
          'care',
          `No colour is known as ${mixed.unknown[0]!}`,
          'Write colours such as red, orange, yellow, green, blue, purple, apart by commas.',
        );
      if (mixed.count > 3 || mixed.arc > ONE_SIDE)
        return say('care', 'Together they go brown', 'At most three, from one side of the colour wheel.');
      return say('clear', 'Stays bright when it is mixed', null);
  }
}

/** How wide a line each leaves, mm (common practice). */
const LINE: Record<Dials['tool'], number> = { hand: 80, finger: 15, spoon: 30, comb: 20, brush: 8 };
/** Shoulder of a standing child over its height (common practice). */
const SHOULDER = 0.78;

/** A line drawn across, a thing reached on the wall and peeled off, or a step from side to side. */
export function moves(at: At<Dials>): Move[] {
  const { dials: d } = at;
  const { items } = parts(at);
  switch (d.kind) {
    case 'wall': {
      const shape = items[0] && shapeOf(items[0]);
      const size = shape ? extentsOf(shape)[1] : 25;
      const far = max(...heightsOf(d).map((h) => Math.abs(h.height - SHOULDER * d.standing)));
      return [
        { distance: 200 + far, tolerance: max(5, size), ...(d.level === 'all' ? { choices: 3 } : {}) },
        { distance: 40, tolerance: 6 },
      ];
    }
    case 'floor': {
      const points = floorShape(d);
      const side = lengthOf(points, true) / points.length;
      return points
        .slice(0, min(points.length, 6))
        .map(() => ({ distance: max(100, min(side, 1200)), tolerance: 120 }));
    }
    default: {
      const reach =
        d.kind === 'foil' ? min(d.across, 800) : d.kind === 'brushes' ? 250 : max(60, roundTray(at) / 4);
      return [
        { distance: 200, tolerance: 2 * LINE[d.tool] },
        { distance: reach, tolerance: LINE[d.tool] },
      ];
    }
  }
}

/** Minutes to clean up afterwards (common practice): part of the plan. */
export const cleanUp = (d: Dials): number =>
  ceil(
    { 'food tray': 6, dough: 4, wall: 3, floor: 4, foil: 5, brushes: 8 }[d.kind] * (0.7 + 0.3 * d.children),
  );
