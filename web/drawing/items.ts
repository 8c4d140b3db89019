import type { SVGProps } from 'react';
import type { Mark, MarkRole } from '../../core/drawing/mark.ts';
import { boxOf } from '../../core/geometry/polygon.ts';
import type { Vec2 } from '../../core/geometry/vector.ts';

type Box = readonly [number, number, number, number];
const touch = (a: Box, b: Box): boolean => a[0] <= b[2] && b[0] <= a[2] && a[1] <= b[3] && b[1] <= a[3];

interface Look {
  readonly fill?: string;
  readonly stroke: string;
  readonly dash?: readonly [number, number];
  readonly width?: number;
  /** Takes the colour of its material. */
  readonly dyed?: boolean;
}
const LOOKS: Record<MarkRole, Look> = {
  body: { fill: '#e9e8df', stroke: 'rgba(0,0,0,.35)', dyed: true },
  container: { fill: '#e9e8df', stroke: 'rgba(0,0,0,.35)', dyed: true },
  shade: { fill: 'rgba(30,42,44,.16)', stroke: 'rgba(30,42,44,.35)', dyed: true },
  guide: { stroke: 'rgba(30,42,44,.4)', dash: [4, 4] },
  opening: { fill: 'var(--mat)', stroke: 'var(--fox)', width: 2 },
  piece: { fill: 'var(--fox)', stroke: 'rgba(0,0,0,.45)', dyed: true },
  'piece-detail': { stroke: 'rgba(255,255,255,.6)' },
  'piece-in': { fill: 'var(--fox)', stroke: 'rgba(255,255,255,.75)', dyed: true },
  thread: { stroke: '#8e6836', width: 2 },
  cut: { stroke: 'var(--fox)' },
  fold: { stroke: 'var(--chalk)', dash: [6, 4] },
  punch: { stroke: 'var(--fox)', dash: [2, 2] },
  slit: { stroke: 'var(--fox)', width: 2, dash: [7, 3] },
  draw: { stroke: 'var(--chalk)' },
};

/** Relative luminance of a colour as #rrggbb, 0 to 1 (WCAG 2.2). */
function luminance(colour: string): number {
  const part = (at: number): number => {
    const c = parseInt(colour.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * part(1) + 0.7152 * part(3) + 0.0722 * part(5);
}
/** A dark thing on the dark mat is seen by its edge. */
const edge = (colour: string | undefined, on: 'mat' | 'paper', usual: string): string =>
  on === 'mat' && colour !== undefined && luminance(colour) < 0.1 ? 'rgba(255,255,255,.6)' : usual;

const place = (x: number): number => Math.round(x * 100) / 100;
const path = (points: readonly Vec2[], open: boolean): string => {
  let d = '';
  for (const [x, y] of points) d += `${d === '' ? 'M' : 'L'}${place(x)} ${place(y)}`;
  return open ? d : `${d}Z`;
};
/** A circle from its left, round and back. */
const round = ([x, y]: Vec2, r: number): string => {
  const way = place(2 * r);
  return `M${place(x - r)} ${place(y)}a${place(r)} ${place(r)} 0 1 0 ${way} 0a${place(r)} ${place(r)} 0 1 0 ${-way} 0Z`;
};

type Figure = Extract<Mark, { kind: 'circle' | 'outline' | 'line' }>;

/** Marks of one look that do not touch: one element, since a browser's work goes by elements. */
interface Run {
  readonly kind: 'run';
  readonly key: string;
  readonly style: SVGProps<SVGPathElement>;
  d: string;
}
type Item = Run | Exclude<Mark, Figure>;

function styleOf(m: Figure, px: number, on: 'mat' | 'paper'): SVGProps<SVGPathElement> {
  const look = LOOKS[m.role];
  const paper = on === 'paper';
  const fill = paper && m.role === 'opening' ? 'var(--ink)' : (look.fill ?? 'none');
  const thick = m.kind === 'line' ? m.width : undefined;
  return {
    fill: m.kind === 'line' ? 'none' : m.colour && look.dyed ? m.colour : fill,
    stroke: m.now
      ? 'var(--fox)'
      : m.kind === 'line' && m.colour
        ? m.colour
        : edge(look.dyed ? m.colour : undefined, on, look.stroke),
    strokeWidth: Math.max(thick ?? 0, (m.now ? 2.6 : (look.width ?? 1.2) * (paper ? 0.7 : 1)) * px),
    strokeDasharray: look.dash && thick === undefined ? look.dash.map((d) => d * px).join(' ') : undefined,
    strokeLinejoin: 'round',
    strokeLinecap: m.kind === 'line' ? 'round' : undefined,
    opacity: m.role === 'piece-in' ? 0.92 : undefined,
  };
}

/** Room a mark takes, mm, with its line; words by the width of their letters, generously. */
function roomOf(m: Figure | Extract<Mark, { kind: 'words' }>, line: number, px: number): Box {
  if (m.kind === 'words') {
    const size = m.size ?? 13 * px;
    const half = m.text.length * size * 0.4;
    return [m.at[0] - half, m.at[1] - size, m.at[0] + half, m.at[1] + size];
  }
  const [x0, y0, x1, y1] =
    m.kind === 'circle'
      ? [m.at[0] - m.radius, m.at[1] - m.radius, m.at[0] + m.radius, m.at[1] + m.radius]
      : boxOf(m.points);
  return [x0 - line, y0 - line, x1 + line, y1 + line];
}

/**
 * Marks as few elements: one that looks like an earlier one joins it where nothing that it touches was drawn since, so that
 * what lies over what stays as it was.
 */
export function itemsOf(marks: readonly Mark[], px: number, on: 'mat' | 'paper'): Item[] {
  const items: Item[] = [];
  const rooms: Box[] = [];
  let byLook = new Map<string, { run: Run; from: number }>();
  const counts = new Map<string, number>();
  for (const m of marks) {
    if (m.kind === 'dimension' || m.kind === 'words') {
      items.push(m);
      if (m.kind === 'words') rooms.push(roomOf(m, 0, px));
      else byLook = new Map();
      continue;
    }
    const style = styleOf(m, px, on);
    const look = `${m.role} ${style.fill} ${style.stroke} ${style.strokeWidth} ${m.kind === 'line'}`;
    const d = m.kind === 'circle' ? round(m.at, m.radius) : path(m.points, m.kind === 'line');
    const room = roomOf(m, style.strokeWidth as number, px);
    const before = byLook.get(look);
    let free = before !== undefined;
    for (let i = before?.from ?? rooms.length; free && i < rooms.length; i++) free = !touch(rooms[i]!, room);
    if (before && free) before.run.d += d;
    else {
      // Numbered within its look: a mark more among the first leaves the elements of all others what they are.
      const n = counts.get(look) ?? 0;
      counts.set(look, n + 1);
      const run: Run = { kind: 'run', key: `${look} ${n}`, style, d };
      items.push(run);
      byLook.set(look, { run, from: rooms.length });
    }
    rooms.push(room);
  }
  return items;
}
