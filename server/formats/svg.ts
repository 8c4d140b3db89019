import { lengthNumber, type LengthUnit } from '../../core/measure/length.ts';
import type { Mark, MarkRole, Scene } from '../../core/drawing/mark.ts';
import { PENS, type Pen } from './pens.ts';

export const escape = (s: string): string =>
  s.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`).replace(/\p{Cc}/gu, '');
/** A number as SVG has it, to a thousandth. */
export const n = (x: number): string => (Math.round(x * 1000) / 1000).toString();

/** A line of a pen; `least` mm thick where the drawing is made smaller, in the colour of what is done now. */
export function strokeOf({ width, dash, grey }: Pen, least: number, now: boolean): string {
  const thick = Math.max(width, least);
  const colour = now ? NOW : grey ? '#777' : '#000';
  const dashes = dash?.map((d) => n(d * Math.max(1, (3 * thick) / width / 4))).join(' ');
  return `stroke="${colour}" stroke-width="${n(thick)}"${dashes ? ` stroke-dasharray="${dashes}"` : ''}`;
}
/** The colour of what the hand does at a step. */
const NOW = '#b0451a';
const points = (list: readonly (readonly [number, number])[]): string =>
  list.map((p) => `${n(p[0])},${n(p[1])}`).join(' ');

/** Roles that take the colour of their material where a drawing is coloured. */
const DYED: readonly MarkRole[] = ['body', 'container', 'shade', 'piece', 'piece-in'];
const fillOf = (m: { role: MarkRole; colour?: string | undefined }, coloured: boolean): string =>
  !coloured
    ? 'none'
    : m.role === 'opening'
      ? '#1e2a2c'
      : DYED.includes(m.role)
        ? (m.colour ?? '#e9e8df')
        : 'none';

/** `bold`: thickness of the line round what is done at this step, mm; the other lines are a sixth of it at least. */
export function markSvg(m: Mark, unit: LengthUnit, coloured = false, bold = 0): string {
  const now = m.now === true;
  const least = now ? bold : bold / 6;
  const line = 'role' in m ? strokeOf(PENS[m.role], least, now) : '';
  switch (m.kind) {
    case 'circle': {
      const [x, y] = [n(m.at[0]), n(m.at[1])];
      const cross =
        m.role === 'punch'
          ? `<path d="M${x} ${y}m-1.2 0h2.4m-1.2 -1.2v2.4" ${strokeOf(PENS.draw, 0, false)}/>`
          : '';
      return `<circle class="${m.role}" cx="${x}" cy="${y}" r="${n(m.radius)}" fill="${fillOf(m, coloured)}" ${line}/>${cross}`;
    }
    case 'outline':
      return `<polygon class="${m.role}" points="${points(m.points)}" fill="${fillOf(m, coloured)}" ${line}/>`;
    case 'line':
      if (coloured && m.width !== undefined)
        return `<polyline class="${m.role}" points="${points(m.points)}" fill="none" stroke="${now ? NOW : (m.colour ?? '#8e6836')}" stroke-width="${n(Math.max(m.width, least))}"/>`;
      return `<polyline class="${m.role}" points="${points(m.points)}" fill="none" ${line}/>`;
    case 'dimension': {
      const [a, b] = [
        [m.from[0] + m.side[0], m.from[1] + m.side[1]],
        [m.to[0] + m.side[0], m.to[1] + m.side[1]],
      ] as const;
      // Beside an upright line, above a level one.
      const upright = Math.abs(b[1] - a[1]) > Math.abs(b[0] - a[0]);
      const [x, y] = [(a[0] + b[0]) / 2 + (upright ? 1.2 : 0), (a[1] + b[1]) / 2 + (upright ? 1.3 : -1)];
      return `<path class="dimension" d="M${n(a[0])} ${n(a[1])}L${n(b[0])} ${n(b[1])}" stroke="#555" stroke-width="0.2"/><text x="${n(x)}" y="${n(y)}" text-anchor="${upright ? 'start' : 'middle'}" font-size="4">${lengthNumber(m.value, unit)}</text>`;
    }
    case 'words':
      return m.on === 'body'
        ? `<text x="${n(m.at[0])}" y="${n(m.at[1] + m.size! * 0.35)}" text-anchor="middle" font-size="${n(m.size!)}">${escape(m.text)}</text>`
        : '';
  }
}

/** A drawing as SVG, one user unit a millimetre, for a paper that scales it. Its figures are plain digits and signs. */
export const drawingSvg = (scene: Scene, unit: LengthUnit, coloured = false): string => {
  const bold = scene.marks.some((m) => m.now) ? Math.max(scene.width, scene.height) / 90 : 0;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${n(scene.width)} ${n(scene.height)}" font-family="face0">${scene.marks
    .map((m) => markSvg(m, unit, coloured, bold))
    .join('')}</svg>`;
};
