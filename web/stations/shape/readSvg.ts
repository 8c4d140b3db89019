import { boxOf, outlineDial, type OutlineDial } from '../../../core/outline/outline.ts';
import { pathPoints, thinned } from '../../../core/outline/svg.ts';
import type { Vec2 } from '../../../core/geometry/vector.ts';
import { text } from './text.ts';

const MOST_BYTES = 500_000;
const MOST_ELEMENTS = 2000;
const DEEPEST = 30;
const SHAPES = ['path', 'polygon', 'polyline', 'rect', 'circle', 'ellipse'];
const GROUPS = ['svg', 'g'];
const QUIET = ['title', 'desc', 'metadata', 'defs'];

const number = (el: Element, name: string): number => {
  const x = Number.parseFloat(el.getAttribute(name) ?? '0');
  return Number.isFinite(x) ? x : 0;
};

/** The element as path data. */
function pathOf(el: Element): string {
  switch (el.localName) {
    case 'path':
      return el.getAttribute('d') ?? '';
    case 'polygon':
    case 'polyline': {
      const points = (el.getAttribute('points') ?? '').trim();
      return points === '' ? '' : `M${points}Z`;
    }
    case 'rect': {
      const [x, y, w, h] = ['x', 'y', 'width', 'height'].map((n) => number(el, n)) as [
        number,
        number,
        number,
        number,
      ];
      return `M${x} ${y}h${w}v${h}h${-w}Z`;
    }
    default: {
      const rx = el.localName === 'circle' ? number(el, 'r') : number(el, 'rx');
      const ry = el.localName === 'circle' ? rx : number(el, 'ry');
      return `M${number(el, 'cx') - rx} ${number(el, 'cy')}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`;
    }
  }
}

/**
 * The largest closed shape of an SVG file as an outline. Whatever could run or fetch is refused, not left out: scripts,
 * links, pictures, styles from elsewhere, a document type.
 *
 * @throws Error with a word on what was wrong
 */
export function readSvg(file: string, name: string): OutlineDial {
  if (file.length > MOST_BYTES) throw new Error(text('fileLargerThan500'));
  if (/<!DOCTYPE|<!ENTITY/i.test(file)) throw new Error(text('fileDeclaresDocumentType'));
  const doc = new DOMParser().parseFromString(file, 'image/svg+xml');
  const root = doc.documentElement;
  if (doc.querySelector('parsererror') || root.localName !== 'svg') throw new Error(text('fileNotSvgCan'));
  const found: { points: Vec2[]; area: number }[] = [];
  let elements = 0;
  const walk = (el: Element, transform: string, depth: number): void => {
    if (++elements > MOST_ELEMENTS || depth > DEEPEST) throw new Error(text('fileHoldsTooMany'));
    for (const a of el.attributes)
      if (/^on/i.test(a.localName) || (a.localName === 'href' && !a.value.startsWith('#')))
        throw new Error(text('fileHoldsScriptOr', { a: a.name }));
    const own = `${transform} ${el.getAttribute('transform') ?? ''}`.trim();
    if (SHAPES.includes(el.localName)) {
      const d = pathOf(el);
      if (d === '') return;
      const points = thinned(pathPoints(d, own));
      const [x0, y0, x1, y1] = boxOf(points);
      found.push({ points, area: (x1 - x0) * (y1 - y0) });
    } else if (GROUPS.includes(el.localName)) for (const child of el.children) walk(child, own, depth + 1);
    else if (!QUIET.includes(el.localName))
      throw new Error(text('fileHoldsWhichNo', { localName: el.localName }));
  };
  walk(root, '', 0);
  const largest = found.reduce<(typeof found)[number] | null>(
    (a, b) => (a && a.area >= b.area ? a : b),
    null,
  );
  if (!largest) throw new Error(text('fileHoldsNoClosed'));
  const read = outlineDial.safeParse({
    kind: 'own',
    name: name.replace(/\.svg$/i, '').slice(0, 80),
    // A thousandth of a millimetre is finer than any scissors.
    points: largest.points.map(([x, y]) => [Math.round(x * 1000) / 1000, Math.round(y * 1000) / 1000]),
  });
  if (!read.success) throw new Error(text('outlineCannotUsed', { message: read.error.issues[0]!.message }));
  return read.data;
}
