import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { LINES, type LineRole, type Mark } from '../drawing/mark.ts';
import { bounds, line, mirrored, moved, quarterTurned } from '../drawing/marks.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { PatternError, type Sheet } from '../patterns/kernel.ts';
import { CHECKING_BAR, MARGINS, PAPERS, type Paper } from './paper.ts';
import type { LengthUnit } from '../measure/length.ts';

/** A part on a page: its marks in mm from the upper left corner of the paper, seen through `clip` where it is tiled. */
interface PlacedSheet {
  readonly title: string;
  /** Where the title stands, above the part. */
  readonly at: Vec2;
  readonly marks: readonly Mark[];
  readonly clip: {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  } | null;
}

/** A page at true scale. */
export interface TemplatePage {
  readonly width: number;
  readonly height: number;
  readonly parts: readonly PlacedSheet[];
  /** The checking bar, from left to right. */
  readonly bar: { readonly from: Vec2; readonly to: Vec2 };
  /** What each kind of line on it asks for. */
  readonly key: readonly { readonly role: LineRole; readonly words: string }[];
  readonly number: number;
  readonly of: number;
}

const HEAD = 30;
const FOOT = 32;
/** Room for the title above a part, and between parts, mm. */
const TITLE = 7;
const APART = 4;
/** By how much the pages of a large part overlap, mm: enough to glue. */
const OVERLAP = 10;
const MOST_PAGES = 36;

interface Laid {
  readonly title: string;
  /** Upper left at the origin. */
  readonly marks: readonly Mark[];
  readonly width: number;
  readonly height: number;
}

function laid(sheet: Sheet, mirror: boolean): Laid {
  const marks = mirror ? sheet.marks.map(mirrored) : sheet.marks;
  const [left, top, right, bottom] = bounds(marks);
  const title = sheet.count > 1 ? `${sheet.title} (${sheet.count} of these)` : sheet.title;
  return {
    title: mirror ? `${title}, mirrored` : title,
    marks: marks.map((m) => moved(m, [-left, -top])),
    width: right - left,
    height: bottom - top,
  };
}

/** A quarter turn, where that lets a part go on one page. */
const turnedLaid = (l: Laid): Laid => ({
  ...l,
  marks: l.marks.map((m) => moved(quarterTurned(m), [l.height, 0])),
  width: l.height,
  height: l.width,
});

const keyOf = (parts: readonly PlacedSheet[]): TemplatePage['key'] => {
  const there = new Set(parts.flatMap((p) => p.marks.flatMap((m) => ('role' in m ? [m.role] : []))));
  return (Object.keys(LINES) as LineRole[])
    .filter((role) => there.has(role))
    .map((role) => ({ role, words: LINES[role] }));
};

/** A large part over several pages: each shows its share and 10 mm of the next, with a cross at each join. */
function tiles(l: Laid, room: Vec2, margin: number): PlacedSheet[] {
  const [w, h] = [room[0], room[1] - TITLE];
  const across = Math.max(1, Math.ceil((l.width - OVERLAP) / (w - OVERLAP)));
  const down = Math.max(1, Math.ceil((l.height - OVERLAP) / (h - OVERLAP)));
  const out: PlacedSheet[] = [];
  for (let row = 0; row < down; row++)
    for (let column = 0; column < across; column++) {
      const by: Vec2 = [margin - column * (w - OVERLAP), HEAD + TITLE - row * (h - OVERLAP)];
      const joins: Mark[] = [];
      const cross = (x: number, y: number): void => {
        joins.push(
          line('guide', [
            [x - 3, y],
            [x + 3, y],
          ]),
          line('guide', [
            [x, y - 3],
            [x, y + 3],
          ]),
        );
      };
      const [top, bottom] = [HEAD + TITLE, HEAD + TITLE + h];
      for (const y of [top + 5, bottom - 5]) {
        if (column > 0) cross(margin + OVERLAP / 2, y);
        if (column < across - 1) cross(margin + w - OVERLAP / 2, y);
      }
      for (const x of [margin + 5, margin + w - 5]) {
        if (row > 0) cross(x, top + OVERLAP / 2);
        if (row < down - 1) cross(x, bottom - OVERLAP / 2);
      }
      out.push({
        title: `${l.title}: row ${row + 1} of ${down}, column ${column + 1} of ${across}; lay cross on cross`,
        at: [margin, HEAD + TITLE - 2],
        marks: [...l.marks.map((m) => moved(m, by)), ...joins],
        clip: { x: margin, y: top, width: w, height: h },
      });
    }
  return out;
}

/**
 * The pages of a template, true to size, each with the checking bar: small parts share a page, a part that is larger than
 * the paper is laid over several that overlap.
 *
 * @param options.unit how the place writes lengths: its bar and margins are in it
 * @param options.mirror for patterns that are drawn on the back
 * @throws PatternError when it would take more than 36 pages
 */
export function pagesOf(
  sheets: readonly Sheet[],
  options: { readonly paper: Paper; readonly mirror?: boolean | undefined; readonly unit?: LengthUnit },
): TemplatePage[] {
  const { width, height } = PAPERS[options.paper];
  const { unit = 'mm' } = options;
  const margin = MARGINS[unit];
  const room: Vec2 = [width - 2 * margin, height - HEAD - FOOT];
  const fits = (l: Laid): boolean => l.width <= room[0] && l.height + TITLE <= room[1];
  const all = sheets.map((s) => {
    const straight = laid(s, options.mirror ?? false);
    const turned = turnedLaid(straight);
    return !fits(straight) && fits(turned) ? turned : straight;
  });
  const packer = new MaxRectsPacker(room[0] + APART, room[1] + APART, 0, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: false,
  });
  packer.addArray(
    all.filter(fits).map((l) => ({
      x: 0,
      y: 0,
      // As wide as its title, as far as the page goes.
      width: Math.min(room[0], Math.max(l.width, l.title.length * 1.9)) + APART,
      height: l.height + TITLE + APART,
      data: l,
    })) as never,
  );
  const pages: PlacedSheet[][] = packer.bins.map((b) =>
    b.rects.map((r): PlacedSheet => {
      const { title, marks } = (r as unknown as { data: Laid }).data;
      const by: Vec2 = [margin + r.x, HEAD + r.y + TITLE];
      return { title, at: [by[0], by[1] - 2], marks: marks.map((m) => moved(m, by)), clip: null };
    }),
  );
  for (const l of all) if (!fits(l)) pages.push(...tiles(l, room, margin).map((t) => [t]));
  if (pages.length > MOST_PAGES)
    throw new PatternError(
      'paper',
      `the template takes ${pages.length} pages of ${options.paper}; expected at most ${MOST_PAGES}`,
    );
  const y = height - margin - 6;
  return pages.map((parts, i) => ({
    width,
    height,
    parts,
    bar: { from: [margin, y], to: [margin + CHECKING_BAR[unit], y] },
    key: keyOf(parts),
    number: i + 1,
    of: pages.length,
  }));
}
