import { lengthNumber, type LengthUnit } from '../../core/measure/length.ts';
import type { TemplatePage } from '../../core/print/template.ts';
import type { Mark } from '../../core/drawing/mark.ts';

const escape = (s: string): string =>
  s.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`).replace(/\p{Cc}/gu, '');
const n = (x: number): string => (Math.round(x * 1000) / 1000).toString();

const PEN = {
  opening: 'stroke="#000" stroke-width="0.35"',
  cut: 'stroke="#000" stroke-width="0.35"',
  lid: 'stroke="#000" stroke-width="0.2" stroke-dasharray="3 2"',
  rim: 'stroke="#888" stroke-width="0.15"',
} as const;

function markSvg(m: Mark, unit: LengthUnit): string {
  switch (m.kind) {
    case 'circle':
      return `<circle class="${m.role}" cx="${n(m.at[0])}" cy="${n(m.at[1])}" r="${n(m.radius)}" fill="none" ${PEN[m.role as keyof typeof PEN] ?? PEN.rim}/>`;
    case 'outline':
      return `<polygon class="${m.role}" points="${m.points.map((p) => `${n(p[0])},${n(p[1])}`).join(' ')}" fill="none" ${PEN[m.role as keyof typeof PEN] ?? PEN.rim}/>`;
    case 'dimension': {
      const [a, b] = [
        [m.from[0] + m.side[0], m.from[1] + m.side[1]],
        [m.to[0] + m.side[0], m.to[1] + m.side[1]],
      ] as const;
      return `<path class="dimension" d="M${n(a[0])} ${n(a[1])}L${n(b[0])} ${n(b[1])}" stroke="#555" stroke-width="0.2"/><text x="${n((a[0] + b[0]) / 2)}" y="${n((a[1] + b[1]) / 2 - 1)}" text-anchor="middle" font-size="4">${lengthNumber(m.value, unit)}</text>`;
    }
    case 'words':
      return `<text x="${n(m.at[0])}" y="${n(m.at[1])}" font-size="4">${escape(m.text)}</text>`;
  }
}

/** A drawing as SVG, one user unit a millimetre, for a paper that scales it. Its figures are plain digits and signs. */
export const drawingSvg = (
  layout: { readonly width: number; readonly height: number; readonly marks: readonly Mark[] },
  unit: LengthUnit,
): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${n(layout.width)} ${n(layout.height)}" font-family="face0">${layout.marks
    .filter((m) => m.kind !== 'words')
    .map((m) => markSvg(m, unit))
    .join('')}</svg>`;

/** A template page as SVG whose user unit is 1 mm and whose size on paper is said in mm. */
export function templateSvg(
  page: TemplatePage,
  words: { title: string; line: string; unit: LengthUnit },
): string {
  const { bar } = page;
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${page.width}mm" height="${page.height}mm" viewBox="0 0 ${page.width} ${page.height}" font-family="Atkinson Hyperlegible Next, sans-serif">
<title>${escape(words.title)}</title>
<text x="12" y="18" font-size="6" font-weight="700">${escape(words.title)}</text>
<text x="12" y="25" font-size="4">${escape(words.line)}</text>
${page.marks.map((m) => markSvg(m, words.unit)).join('\n')}
<path id="checking-bar" d="M${bar.from[0]} ${bar.from[1]}H${bar.to[0]}M${bar.from[0]} ${bar.from[1] - 2}v4M${bar.to[0]} ${bar.to[1] - 2}v4" stroke="#000" stroke-width="0.35" fill="none"/>
<text x="${bar.from[0]}" y="${bar.from[1] - 3}" font-size="3.5">50 mm on paper. If not, print again at 100 %.</text>
</svg>
`;
}
