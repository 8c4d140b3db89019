import { FINGERS, type Finger } from '../child/hand.ts';
import type { Vec2, Vec3 } from '../geometry/vector.ts';
import { area, perimeter } from '../geometry/polygon.ts';
import { placeOf, seenAt, tiltOf, type Camera } from './camera.ts';
import { findSheet, type FoundSheet, type Refusal, type SeenCode } from './findSheet.ts';
import { planeOf, strangenessOf, type Plane } from './ground.ts';
import { HAND_HIGH, handOf, handSpread, type HandRefusal, type SeenHand } from './hand.ts';
import type { FormName } from './forms.ts';
import { isAsHigh, nearestKinds, type Kind, type Nearest } from './nearest.ts';
import { blobsOf, type Blob } from './outlines.ts';
import { simplified } from './ring.ts';
import { channelAt, type Photo } from './photo.ts';
import { boxOfPlan, partsOf, thingOf, type Part, type SeenThing } from './things.ts';
import { BAR, CARD, type SheetPaper } from './sheet.ts';

/** What is to be minded about a photo or a thing in it; said in words by who shows it. */
export type PhotoWarning =
  | { readonly code: 'mark-covered'; readonly corners: readonly number[] }
  /** Straight down, the height of the camera does not follow from the sheet. */
  | { readonly code: 'straight-down' }
  | { readonly code: 'nothing-there' }
  /** A rectangle like a bank card: the sheet may have been printed at this scale, per cent. */
  | { readonly code: 'card-like'; readonly thing: number; readonly percent: number }
  | { readonly code: 'cut'; readonly thing: number }
  | { readonly code: 'height-unknown'; readonly thing: number }
  | { readonly code: 'unsure'; readonly thing: number; readonly within: number };

interface MeasuredHole {
  readonly long: number;
  readonly short: number;
  readonly x: number;
  readonly y: number;
  /** Its edge, anticlockwise, mm. */
  readonly outline: readonly Vec2[];
}

export interface MeasuredThing {
  /** Its plan, anticlockwise, mm from the lower left corner of the sheet. */
  readonly outline: readonly Vec2[];
  /** Its outline as the camera sees it on the sheet’s plane, mm. */
  readonly shadow: readonly Vec2[];
  /** Its outline in the photo, as shares of the photo's width and height from the upper left. */
  readonly seen: readonly Vec2[];
  readonly x: number;
  readonly y: number;
  /** Sides of the smallest box round its plan, mm. */
  readonly long: number;
  readonly short: number;
  /** Inside its outline, holes and all, mm². */
  readonly area: number;
  /** Standard deviation of long and short, mm. */
  readonly uncertainty: number;
  readonly form: FormName;
  /** 4π area / perimeter²: 1 for a disc. */
  readonly roundness: number;
  /** Of its middle, #rrggbb, as it would be on white paper. */
  readonly colour: string;
  readonly holes: readonly MeasuredHole[];
  /** mm; null where nothing tells it. */
  readonly height: number | null;
  readonly heightFrom: 'given' | 'kind' | 'outline' | 'second' | null;
  readonly nearest: readonly Nearest[];
}

export interface MeasuredPhoto {
  readonly sheet: { readonly paper: SheetPaper; readonly marks: readonly number[]; readonly scale: number };
  /** Its place over the sheet and its height, mm; degrees from straight down. */
  readonly camera: { readonly x: number; readonly y: number; readonly above: number; readonly tilt: number };
  readonly things: readonly MeasuredThing[];
  readonly warnings: readonly PhotoWarning[];
}

export interface MeasureOptions {
  /** Height of everything, mm; `auto`: each as the kind that it is most like; null: as its outline tells. */
  readonly height: number | 'auto' | null;
  /** Length of the printed bar by a ruler, mm, where it is not what it should be. */
  readonly bar?: number | undefined;
  /** What may lie there. */
  readonly kinds: readonly Kind[];
}

/** A camera's height less sure than this share of it is said. */
const SURE_ABOVE = 0.06;
/** A printer that scales to fit a page stays within this of full size. */
const PRINTED_BETWEEN = [0.9, 1.08] as const;
/** A card's sides keep this close to their ratio. */
const CARD_RATIO = 0.015;
/** Sides that differ by less than this share, or this, are those of a square. */
const SQUARE = 0.05;
const SQUARE_MM = 1;
/** More than this is said to be unsure, mm. */
const UNSURE = 1;

const formOf = (thing: SeenThing, outline: readonly Vec2[]): FormName => {
  const { body } = thing;
  if (!body) return outline.length === 3 ? 'triangle' : 'other';
  switch (body.form) {
    case 'disc':
      return thing.holes.some((h) => h.short > 0.4 * body.short) ? 'ring' : 'disc';
    case 'rectangle':
      return body.long - body.short < Math.max(SQUARE_MM, SQUARE * body.short) ? 'square' : 'rectangle';
    case 'rod':
    case 'tube':
      return 'rod';
    default:
      return body.form;
  }
};

const hex = (rgb: readonly number[]): string =>
  `#${rgb
    .map((v) =>
      Math.round(Math.min(255, Math.max(0, v)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

/** The colour of the middle of a thing's top: medians, with the light that makes paper white. */
function colourOf(
  photo: Photo,
  camera: Camera,
  thing: SeenThing,
  middle: Vec2,
  white: readonly number[],
): string {
  const found: [number[], number[], number[]] = [[], [], []];
  const height = thing.height ?? 0;
  for (const p of thing.outline)
    for (const share of [0.15, 0.35, 0.55]) {
      const at: Vec3 = [
        middle[0] + share * (p[0] - middle[0]),
        middle[1] + share * (p[1] - middle[1]),
        height,
      ];
      const [x, y] = seenAt(camera, at);
      for (const c of [0, 1, 2] as const) found[c].push(channelAt(photo, x, y, c));
    }
  return hex(
    found.map((values, c) => {
      values.sort((a, b) => a - b);
      return (250 * values[values.length >> 1]!) / Math.max(60, white[c]!);
    }),
  );
}

/** The white of the paper between a code and the ground, by its median. */
function whiteOf(photo: Photo, sheet: FoundSheet, width: number, height: number): number[] {
  const found: [number[], number[], number[]] = [[], [], []];
  for (const x of [35, width - 35])
    for (const y of [35, height - 35])
      for (let k = -1; k <= 1; k += 0.5) {
        const [u, v] = seenAt(sheet.camera, [x + k, y + k, 0]);
        for (const c of [0, 1, 2] as const) found[c].push(channelAt(photo, u, v, c));
      }
  return found.map((values) => values.sort((a, b) => a - b)[values.length >> 1]!);
}

const middleOf = (outline: readonly Vec2[]): Vec2 => [
  outline.reduce((sum, p) => sum + p[0], 0) / outline.length,
  outline.reduce((sum, p) => sum + p[1], 0) / outline.length,
];

/** What a thing's sides are unsure by: its outline, its height, and the camera's. */
function uncertaintyOf(thing: SeenThing, eye: Vec3, aboveSpread: number, long: number, middle: Vec2): number {
  const far = long / 2 + Math.hypot(middle[0] - eye[0], middle[1] - eye[1]);
  const byOutline = Math.hypot(0.08, (thing.rms * 2) / Math.sqrt(12), thing.body?.spread ?? 0);
  const byHeight = (thing.heightSpread * (thing.body ? long : far)) / eye[2];
  const byAbove = ((thing.height ?? 0) * long * Math.min(aboveSpread, eye[2])) / eye[2] ** 2;
  return Math.hypot(byOutline, byHeight, byAbove, thing.isCut ? 0.3 : 0);
}

const rounded = (v: number, to = 100): number => Math.round(v * to) / to;
/** An outline is told with as many points as keep it this near, mm, and no more than a design's outline may have. */
const AS_DRAWN = 0.04;
const MOST_CORNERS = 400;
const MOST_POINTS = 96;
const MOST_OF_HAND = 300;
const few = (points: readonly Vec2[], most = MOST_POINTS): Vec2[] => {
  const every = Math.max(1, points.length / most);
  return Array.from({ length: Math.floor(points.length / every) }, (_, i) => points[Math.floor(i * every)]!);
};

/** What the printed bar says of every length. */
const scaleOf = (bar: number | undefined): number => (bar === undefined ? 1 : bar / BAR);

/** The sheet in a photo, where the camera was, and what stands out from its ground. */
function lyingOn(
  photo: Photo,
  codes: readonly SeenCode[],
): { sheet: FoundSheet; plane: Plane; eye: Vec3; blobs: Blob[] } | Refusal {
  const sheet = findSheet(photo, codes);
  if (typeof sheet === 'string') return sheet;
  const { camera, paper } = sheet;
  const plane = planeOf(photo, camera, paper);
  const strangeness = strangenessOf(plane, paper);
  if (!strangeness) return 'no-colour';
  return {
    sheet,
    plane,
    eye: placeOf(camera),
    blobs: blobsOf(photo, camera, paper, plane, strangeness),
  };
}

/** A hand on the sheet, mm; what it is drawn by as shares of the photo's width and height. */
export interface MeasuredHand extends Pick<SeenHand, 'breadth' | 'span' | 'lengths'> {
  /** Standard deviation of each measure, mm. */
  readonly uncertainty: number;
  readonly seen: {
    readonly outline: readonly Vec2[];
    readonly fingers: readonly { readonly tip: Vec2; readonly foot: Vec2 }[];
    readonly across: readonly [Vec2, Vec2];
  };
}

/** A hand that lies flat on a measuring sheet in a photo, or why it cannot be measured. */
export function measureHand(
  photo: Photo,
  codes: readonly SeenCode[],
  bar?: number,
): MeasuredHand | Refusal | HandRefusal {
  const found = lyingOn(photo, codes);
  if (typeof found === 'string') return found;
  const hand = handOf(found.eye, found.blobs);
  if (typeof hand === 'string') return hand;
  const scale = scaleOf(bar);
  const share = (p: Vec2): Vec2 => {
    const [x, y] = seenAt(found.sheet.camera, [p[0], p[1], HAND_HIGH]);
    return [rounded(x / photo.width, 1e4), rounded(y / photo.height, 1e4)];
  };
  const mm = (v: number): number => rounded(v * scale, 10);
  return {
    breadth: mm(hand.breadth),
    span: mm(hand.span),
    lengths: Object.fromEntries(FINGERS.map((f) => [f, mm(hand.lengths[f])])) as Record<Finger, number>,
    uncertainty: mm(handSpread(hand)),
    seen: {
      outline: few(hand.outline, MOST_OF_HAND).map(share),
      fingers: hand.fingers.map(({ tip, foot }) => ({ tip: share(tip), foot: share(foot) })),
      across: [share(hand.across[0]), share(hand.across[1])],
    },
  };
}

/**
 * Everything that lies on a measuring sheet in a photo, in mm, or why nothing can be measured. `codes` are what a reader found
 * in the whole photo. Lengths are multiplied by what the printed bar says, where it was measured.
 */
export function measurePhoto(
  photo: Photo,
  codes: readonly SeenCode[],
  { height, bar, kinds }: MeasureOptions,
): MeasuredPhoto | Refusal {
  const found = lyingOn(photo, codes);
  if (typeof found === 'string') return found;
  const { sheet, eye, blobs, plane } = found;
  const { camera, paper } = sheet;
  const scale = scaleOf(bar);
  const parts = partsOf(eye, blobs);
  const white = whiteOf(photo, sheet, plane.width * plane.step, plane.height * plane.step);
  const warnings: PhotoWarning[] = [];
  const seenIn = (part: Part): Vec2[] =>
    few(part.ring.map((p) => p.at)).map((p): Vec2 => {
      const [x, y] = seenAt(camera, [p[0], p[1], 0]);
      return [rounded(x / photo.width, 1e4), rounded(y / photo.height, 1e4)];
    });
  const drawn = (ring: readonly Vec2[]): Vec2[] =>
    simplified(ring, AS_DRAWN, MOST_CORNERS).map(([x, y]): Vec2 => [rounded(x * scale), rounded(y * scale)]);
  const measured = (part: Part, thing: SeenThing): Omit<MeasuredThing, 'nearest' | 'heightFrom'> => {
    const { body, outline } = thing;
    const { long, short } = body ?? boxOfPlan(outline);
    const middle: Vec2 = body ? [body.x, body.y] : middleOf(outline);
    return {
      outline: drawn(outline),
      shadow: drawn(part.ring.map((p) => p.at)),
      seen: seenIn(part),
      x: rounded(middle[0] * scale),
      y: rounded(middle[1] * scale),
      long: rounded(long * scale),
      short: rounded(short * scale),
      area: rounded(area(outline) * scale * scale, 10),
      uncertainty: rounded(uncertaintyOf(thing, eye, sheet.aboveSpread, long, middle) * scale),
      form: formOf(thing, outline),
      roundness: rounded(Math.min(1, (4 * Math.PI * area(outline)) / perimeter(outline) ** 2)),
      colour: colourOf(photo, camera, thing, middle, white),
      holes: thing.holes.map((h) => ({
        long: rounded(h.long * scale),
        short: rounded(h.short * scale),
        x: rounded(h.x * scale),
        y: rounded(h.y * scale),
        outline: drawn(h.outline),
      })),
      height: thing.height === null ? null : rounded(thing.height * scale, 10),
    };
  };
  const things = parts.map((part): MeasuredThing => {
    const given = typeof height === 'number' ? height / scale : null;
    const thing = thingOf(eye, part, given);
    const first = measured(part, thing);
    const nearest = nearestKinds({ ...first, isHeightSure: thing.heightFrom !== null }, kinds);
    const like = nearest[0];
    if (height !== 'auto' || !like || !isAsHigh(like))
      return { ...first, heightFrom: thing.heightFrom, nearest };
    // Set right by the height of what it is most like; where it is like nothing, its outline tells what it can.
    const again = measured(part, thingOf(eye, part, like.height / scale));
    return {
      ...again,
      heightFrom: 'kind',
      nearest: nearestKinds({ ...again, isHeightSure: true }, kinds),
    };
  });
  // From the upper left, in rows of a finger's breadth.
  const row = (t: MeasuredThing): number => -Math.round(t.y / 30);
  const sorted = [...things].sort((a, b) => row(a) - row(b) || a.x - b.x);
  if (sheet.marks.length < 4)
    warnings.push({
      code: 'mark-covered',
      corners: [1, 2, 3, 4].filter((c) => !(sheet.marks as readonly number[]).includes(c)),
    });
  if (sheet.aboveSpread > SURE_ABOVE * eye[2]) warnings.push({ code: 'straight-down' });
  if (sorted.length === 0) warnings.push({ code: 'nothing-there' });
  const partAt = new Map(things.map((t, i) => [t, parts[i]!]));
  sorted.forEach((t, i) => {
    const ratio = t.long / t.short / (CARD.long / CARD.short);
    const printed = CARD.long / t.long;
    if (
      t.form === 'rectangle' &&
      Math.abs(ratio - 1) < CARD_RATIO &&
      printed > PRINTED_BETWEEN[0] &&
      printed < PRINTED_BETWEEN[1] &&
      (t.height ?? 0) < 3
    )
      warnings.push({ code: 'card-like', thing: i, percent: rounded(100 * printed, 10) });
    if (partAt.get(t)!.isCut) warnings.push({ code: 'cut', thing: i });
    if (t.height === null) warnings.push({ code: 'height-unknown', thing: i });
    else if (t.uncertainty > UNSURE) warnings.push({ code: 'unsure', thing: i, within: t.uncertainty });
  });
  return {
    sheet: { paper, marks: sheet.marks, scale },
    camera: {
      x: rounded(eye[0] * scale, 10),
      y: rounded(eye[1] * scale, 10),
      above: rounded(eye[2] * scale, 10),
      tilt: rounded(tiltOf(camera), 10),
    },
    things: sorted,
    warnings,
  };
}
