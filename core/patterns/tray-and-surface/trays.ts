import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, outline, rectangle } from '../../drawing/marks.ts';
import { ellipsePerimeter } from '../../geometry/ellipse.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { Told } from '../../languages/messages.ts';
import type { Material } from '../../materials/material.ts';
import type { Need, Sheet } from '../kernel.ts';
import { mm, need } from '../making.ts';
import { eachTime, partNeed } from '../supplies.ts';
import type { Activity, Drawn, Judged, Surface } from './activity.ts';
import { doughFoods, parts, ROLES } from './dials.ts';
import { lineLevels, lineMoves } from './lines.ts';
import { doughOf, floorOf } from './surface.ts';
import { text } from './words.ts';

const { floor, max, min, PI, round, sin, sqrt } = Math;

/** Food that stood out longer is thrown away, hours (the two-hour rule of food safety agencies, from memory). */
const KEEPS = 2;
/** Hours that all of it may stand out: as the shelf says of the one that keeps least, else two. */
const keepsFor = (foods: readonly Pick<Material, 'keeping'>[]): number =>
  min(...foods.map((f) => f.keeping?.out ?? KEEPS), ...(foods.length === 0 ? [KEEPS] : []));
/** A salted dough in a closed tub, days (common practice). */
const DOUGH_DAYS = 7;

/** Volume of what is in the tray, ml. */
const volumeOf = (at: Pick<Surface, 'dials' | 'chosen'>): number => {
  const { tray } = parts(at);
  return tray ? (floorOf(tray) * at.dials.depth) / 1000 : 0;
};

/** Length along the edge of a tray, mm: how far a finger goes once round it. */
function roundTray(at: Pick<Surface, 'chosen'>): number {
  const { diameter, length = 200, width = 150 } = parts(at).tray?.sizes ?? {};
  return diameter === undefined ? 2 * (length + width) : ellipsePerimeter(diameter, diameter);
}

const volumeFact = (at: Surface) =>
  ({ id: 'volume', label: 'Volume', value: round(volumeOf(at)), unit: 'ml', onMat: true }) as const;

/** What stands in the way of any filled tray; null where nothing does. */
function trayProblem(at: Surface): Judged | null {
  const { tray } = parts(at);
  if (!tray) return ['stop', 'No tray', 'Choose a flat tub or tray from the shelf.'];
  const deep = tray.sizes.height ?? 0;
  if (at.dials.depth > deep) return ['stop', 'It runs over the edge', `The tray is ${mm(deep)} deep.`];
  return null;
}
function depthJudged({ dials: { depth } }: Surface): Judged | null {
  if (depth >= 10 && depth <= 20) return null;
  return ['care', depth < 10 ? 'Thin: lines run dry' : 'Deep: lines close again', '10 to 20 deep is usual.'];
}

const trayNeed = (at: Surface): Need[] => {
  const { tray } = parts(at);
  return tray ? [need(ROLES.tray, tray, 1, true)] : [];
};
const filled = (foods: readonly (readonly [Material, number])[]): Need[] =>
  foods.filter(([, grams]) => grams > 0).map(([m, grams]) => partNeed(ROLES.fill, m, grams));
const washed = (at: Surface) => {
  const { tray } = parts(at);
  return tray ? [{ material: tray, count: 1 }] : [];
};

/** `2 hours`, `30 minutes`. */
const hoursWords = (at: Told, h: number): string =>
  h < 1 ? text(at, 'minutes', { number: round(60 * h) }) : text(at, h === 1 ? 'hour' : 'hours', { h });

/** What is not fit to be in a tray of food, with what to take instead; null where all of it is. */
function foodProblem(at: Surface): Judged | null {
  const { fills } = parts(at);
  if (fills.length === 0) return ['stop', 'Nothing in the tray', 'Choose something to eat from the shelf.'];
  const strange = fills.find((m) => m.materialClass !== 'food' || m.hazards.includes('toxic'));
  if (strange)
    return [
      'stop',
      'Not fit to eat',
      `${strange.name} will be in mouths: everything in the tray must be food, of a form that does not choke.`,
    ];
  const hard = fills.find((m) => m.form === 'piece');
  if (hard && at.ageFrom < 48)
    return [
      'stop',
      'It chokes at that age',
      `${hard.name} is hard and small: cook and mash it, or take something soft.`,
    ];
  const minds = [...new Set(fills.flatMap((m) => m.allergens ?? []))];
  return minds.length > 0
    ? [
        'care',
        'Ask about allergies',
        `In it: ${minds.join(', ')}. Ask each family, and write it on the label.`,
      ]
    : null;
}

/** Food to draw in. */
export const foodTray: Activity = {
  title: () => 'Draw in a tray of food',
  facts: (at) => [
    volumeFact(at),
    {
      id: 'mass',
      label: 'Mass',
      value: round((volumeOf(at) * at.dials.dense) / 100),
      unit: 'g',
      onMat: true,
    },
    { id: 'keeps', label: 'Keeps at room temperature', value: keepsFor(parts(at).fills), unit: 'h' },
  ],
  judge: (at) =>
    trayProblem(at) ?? foodProblem(at) ?? depthJudged(at) ?? ['clear', 'A line stays open in it', null],
  needs: (at) => {
    const { fills } = parts(at);
    const grams = (volumeOf(at) * at.dials.dense) / 100;
    return [...trayNeed(at), ...filled(fills.map((m) => [m, grams / fills.length])).map(eachTime)];
  },
  washed,
  ready: (at) => ({
    title: text(at, 'fillTrayMmDeep', { depth: at.dials.depth }),
    words: text(at, 'handsWashedSmoothSpoon', { fills: hoursWords(at, keepsFor(parts(at).fills)) }),
    perCopy: 4,
    who: at.approach === 'made together' ? 'child' : 'either',
  }),
  clean: (at) => ({ words: text(at, 'throwAwayWhatLeft'), who: 'either', minutes: 6 }),
  moves: (at) => lineMoves(at, max(60, roundTray(at) / 4)),
  acts: () => ['other hand holds', 'reaches across'],
  usualFrom: [10, 24],
  levels: lineLevels,
  says: (at) => ({
    play: text(at, 'waves'),
    look: text(at, 'doesFingerPointDoes'),
    easier: text(at, 'wholeHandRoundRound'),
    harder: text(at, 'fingerFromEdgeOther'),
    more: text(at, 'leftRightTopBottom'),
  }),
  draw: (at) =>
    drawTray(at, parts(at).fills[0]?.colour ?? '#E9DDBB', {
      about: `A tray filled ${at.dials.depth} mm deep, with lines drawn in it`,
    }),
  sheets: lineSheets,
};

/** A dough with salt keeps as the shelf says of its flour, a week at most. */
function doughKeeps(at: Surface): string {
  if (at.dials.salt === 0) return text(at, 'useSameDay');
  const { flour } = doughFoods(parts(at).fills);
  return text(at, 'keepsInTub', { days: min(DOUGH_DAYS, flour?.keeping?.closed ?? DOUGH_DAYS) });
}

/** Dough to roll and press. */
export const dough: Activity = {
  title: () => 'Roll and press dough',
  facts: (at) => {
    const made = doughOf(at.dials, volumeOf(at));
    return [
      volumeFact(at),
      { id: 'mass', label: text(at, 'dough'), value: round(made.mass), unit: 'g', onMat: true },
      { id: 'flour', label: 'Flour', value: round(made.flour), unit: 'g' },
      { id: 'salt', label: 'Salt', value: round(made.salt), unit: 'g' },
      { id: 'water', label: 'Water', value: round(made.water), unit: 'ml' },
    ];
  },
  judge: (at) => {
    const problem = trayProblem(at);
    if (problem) return problem;
    if (!doughFoods(parts(at).fills).flour)
      return ['stop', 'No flour for the dough', 'Choose flour from the shelf, and salt where it is to keep.'];
    return (
      depthJudged(at) ??
      (at.dials.salt > 0
        ? [
            'care',
            'Salted dough is not for eating',
            'A mouthful of it harms a small child: for those who taste everything leave the salt out, and use it the same day.',
          ]
        : ['clear', 'A line stays open in it', null])
    );
  },
  needs: (at) => {
    const { flour, salt } = doughFoods(parts(at).fills);
    const made = doughOf(at.dials, volumeOf(at));
    const foods = filled([
      ...(flour ? [[flour, made.flour] as const] : []),
      ...(salt ? [[salt, made.salt] as const] : []),
    ]);
    // Salted it goes back into its tub; without salt it is made anew each time.
    return [...trayNeed(at), ...(at.dials.salt > 0 ? foods : foods.map(eachTime))];
  },
  washed,
  ready: (at) => ({
    title: text(at, 'mixPartsFlourSalt', {
      flour: at.dials.flour,
      salt: at.dials.salt,
      water: at.dials.water,
    }),
    words: `${text(at, 'kneadDough')} ${doughKeeps(at)}`,
    perCopy: 8,
    who: 'child',
  }),
  clean: (at) => ({
    words: text(at, at.dials.salt > 0 ? 'backIntoTubScrape' : 'throwDoughAway'),
    who: 'either',
    minutes: 4,
  }),
  features: (at) => {
    const { salt } = doughFoods(parts(at).fills);
    return salt && at.dials.salt > 0
      ? [
          {
            kind: 'salt',
            name: text(at, 'dough'),
            grams: round(doughOf(at.dials, volumeOf(at)).salt),
          },
        ]
      : [];
  },
  moves: foodTray.moves,
  acts: () => ['squeezes', 'both at once'],
  usualFrom: [15, 30],
  levels: lineLevels,
  says: (at) => ({
    play: text(at, 'seaSnake'),
    look: text(at, 'doBothPalmsRoll'),
    easier: text(at, 'softerMoreWaterPress'),
    harder: text(at, 'firmerRollFingerPinch'),
    more: text(at, 'longerShorterJustAs'),
  }),
  draw: (at) => drawTray(at, '#E8CFA0', { about: `A tray with dough ${at.dials.depth} mm deep` }),
  sheets: lineSheets,
};

/** A tray from above with what is drawn in it, and from the side with how deep it is filled. */
function drawTray(at: Surface, colour: string, { about }: Pick<Drawn, 'about'>): Drawn {
  const { dials: d } = at;
  const { tray: t } = parts(at);
  const { diameter, length = 172, width = 120, height = 40 } = t?.sizes ?? {};
  const [w, h] = diameter === undefined ? [max(length, width), min(length, width)] : [diameter, diameter];
  const rim = 7;
  const [iw, ih] = [w - 2 * rim, h - 2 * rim];
  const inside =
    diameter === undefined
      ? rectangle('shade', [0, 0], [iw, ih], { corner: 6, colour })
      : circle('shade', [0, 0], iw, colour);
  const drawn = { hand: 26, finger: 9, spoon: 16, comb: 3, brush: 5 }[d.tool];
  const waves = max(2, floor(ih / 34));
  const wave = (y: number): Mark =>
    line(
      'thread',
      Array.from({ length: 41 }, (_, i): Vec2 => {
        const s = -1 + i / 20;
        const half = diameter === undefined ? iw * 0.4 : sqrt(max(0, 0.64 * (iw / 2) ** 2 - y * y));
        return [s * half, y + 5 * sin(s * 3 * PI)];
      }),
      { width: drawn, colour: '#b79a68' },
    );
  const side = h / 2 + 34;
  const deep = min(d.depth, height);
  const body = t?.colour ?? '#cfd8d8';
  return {
    about,
    made: [
      diameter === undefined
        ? rectangle('body', [0, 0], [w, h], { corner: 10, colour: body })
        : circle('body', [0, 0], w, body),
      ...atStep('ready', [inside]),
      ...atStep(
        'ready',
        Array.from({ length: waves }, (_, i) => wave((i - (waves - 1) / 2) * (ih / (waves + 0.5)))),
      ),
      // From the side: filled to its depth.
      outline(
        'body',
        [
          [-w / 2, side],
          [w / 2, side],
          [w / 2 - 8, side + height],
          [-w / 2 + 8, side + height],
        ],
        [0, 0],
        { colour: body },
      ),
      ...atStep('ready', [rectangle('shade', [0, side + height - deep / 2 - 1], [w - 22, deep], { colour })]),
    ],
    measures: [
      dimension([-w / 2, h / 2], [w / 2, h / 2], [0, 10], 'tray', w),
      dimension(
        [w / 2 - 10, side + height - deep - 1],
        [w / 2 - 10, side + height - 1],
        [22, 0],
        'deep',
        d.depth,
      ),
    ],
  };
}

/** Lines to copy: straight, then in more and more waves. */
function lineSheets(at: Surface): Sheet[] {
  const { tray: t } = parts(at);
  const wide = max(60, min(180, (t?.sizes.diameter ?? t?.sizes.length ?? 170) - 20));
  return [0, 1, 2, 4].map((turns) => ({
    id: `line-${turns}`,
    title: turns === 0 ? 'Line to copy' : `Wave to copy, ${turns}`,
    count: 1,
    marks: [
      rectangle('cut', [0, 0], [wide + 10, 50]),
      line(
        'draw',
        Array.from({ length: 61 }, (_, i): Vec2 => [
          -wide / 2 + (wide * i) / 60,
          turns === 0 ? 0 : 14 * sin((i / 60) * turns * 2 * PI),
        ]),
      ),
    ],
  }));
}
