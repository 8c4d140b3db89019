import { lengthNumber, type LengthUnit } from '../../core/measure/length.ts';
import type { TemplatePage } from '../../core/print/pages.ts';
import type { Mark, MarkRole, Scene } from '../../core/drawing/mark.ts';
import type { TemplateWords } from './papers.ts';
import { PENS } from './pens.ts';

const escape = (s: string): string =>
  s.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`).replace(/\p{Cc}/gu, '');
const n = (x: number): string => (Math.round(x * 1000) / 1000).toString();

/** A line as its role has it; `least` mm thick where the drawing is made smaller, in the colour of what is done now. */
const pen = (role: MarkRole, least = 0, now = false): string => {
  const { width, dash, grey } = PENS[role];
  const thick = Math.max(width, least);
  const colour = now ? NOW : grey ? '#777' : '#000';
  const dashes = dash?.map((d) => n(d * Math.max(1, (3 * thick) / width / 4))).join(' ');
  return `stroke="${colour}" stroke-width="${n(thick)}"${dashes ? ` stroke-dasharray="${dashes}"` : ''}`;
};
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
function markSvg(m: Mark, unit: LengthUnit, coloured = false, bold = 0): string {
  const now = m.now === true;
  const least = now ? bold : bold / 6;
  const line = 'role' in m ? pen(m.role, least, now) : '';
  switch (m.kind) {
    case 'circle': {
      const [x, y] = [n(m.at[0]), n(m.at[1])];
      const cross =
        m.role === 'punch' ? `<path d="M${x} ${y}m-1.2 0h2.4m-1.2 -1.2v2.4" ${pen('draw')}/>` : '';
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
      return `<path class="dimension" d="M${n(a[0])} ${n(a[1])}L${n(b[0])} ${n(b[1])}" stroke="#555" stroke-width="0.2"/><text x="${n((a[0] + b[0]) / 2)}" y="${n((a[1] + b[1]) / 2 - 1)}" text-anchor="middle" font-size="4">${lengthNumber(m.value, unit)}</text>`;
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

/** A template page as SVG whose user unit is 1 mm and whose size on paper is said in mm. */
export function templateSvg(page: TemplatePage, words: TemplateWords): string {
  const { bar } = page;
  const parts = page.parts.map((part, i) => {
    const marks = part.marks.map((m) => markSvg(m, words.unit)).join('\n');
    const c = part.clip;
    const title = `<text x="${n(part.at[0])}" y="${n(part.at[1])}" font-size="3.4">${escape(part.title)}</text>`;
    if (!c) return `${title}\n${marks}`;
    return `<clipPath id="part${i}"><rect x="${n(c.x)}" y="${n(c.y)}" width="${n(c.width)}" height="${n(c.height)}"/></clipPath>
${title}
<g clip-path="url(#part${i})">${marks}</g>`;
  });
  const key = page.key.map((k, i) => {
    const y = bar.from[1] + 2 - (page.key.length - 1 - i) * 4;
    return `<path d="M${n(bar.to[0] + 26)} ${n(y - 1)}h16" ${pen(k.role)}/><text x="${n(bar.to[0] + 44)}" y="${n(y)}" font-size="3.3">${escape(k.words)}</text>`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${page.width}mm" height="${page.height}mm" viewBox="0 0 ${page.width} ${page.height}" font-family="Atkinson Hyperlegible Next, sans-serif">
<title>${escape(words.title)}</title>
<text x="12" y="16" font-size="5.6" font-weight="700">${escape(words.title)}${page.of > 1 ? ` (page ${page.number} of ${page.of})` : ''}</text>
<text x="12" y="22" font-size="3.6">${escape(words.line)}</text>
${parts.join('\n')}
<path id="checking-bar" d="M${bar.from[0]} ${bar.from[1]}H${bar.to[0]}M${bar.from[0]} ${bar.from[1] - 2}v4M${bar.to[0]} ${bar.to[1] - 2}v4" stroke="#000" stroke-width="0.35" fill="none"/>
<text x="${bar.from[0]}" y="${bar.from[1] - 3}" font-size="3.3">50 mm on paper. If not, print again at 100 %.</text>
${key.join('\n')}
</svg>
`;
}
