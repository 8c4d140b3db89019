import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Mark } from '../../core/drawing/mark.ts';
import { bounds } from '../../core/drawing/marks.ts';
import { loadPatterns, type OpenPattern } from '../../core/patterns/index.ts';
import { usualMaterials } from '../../core/patterns/usual.ts';
import { pagesOf } from '../../core/print/pages.ts';
import { templatePaper } from './papers.ts';
import { pdfOf } from './sheetParts.ts';

const folder = mkdtempSync(join(tmpdir(), 'fox-templates-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Points on a path of moves, lines and curves: what a curve is pulled by does not lie on it. */
function pointsOn(d: string): [number, number][] {
  const on: [number, number][] = [];
  for (const [, command, rest] of d.matchAll(/([MLCZ])([^MLCZ]*)/g)) {
    const numbers = (rest!.match(/-?[\d.]+(?:e-?\d+)?/g) ?? []).map(Number);
    const at = (i: number): [number, number] => [numbers[i]!, numbers[i + 1]!];
    if (command === 'C')
      for (let i = 0; i + 5 < numbers.length; i += 6) {
        const [a, b, c, e] = [on.at(-1)!, at(i), at(i + 2), at(i + 4)];
        for (let k = 1; k <= 48; k++) {
          const t = k / 48;
          const s = 1 - t;
          const way = (j: 0 | 1): number =>
            s ** 3 * a[j] + 3 * s * s * t * b[j] + 3 * s * t * t * c[j] + t ** 3 * e[j];
          on.push([way(0), way(1)]);
        }
      }
    else for (let i = 0; i + 1 < numbers.length; i += 2) on.push(at(i));
  }
  return on;
}

/** Width and height of every path on every page, mm, as poppler draws them: a reader that is not ours. */
function paths(pdf: Uint8Array, pages: number): [number, number][] {
  const file = join(folder, 'template.pdf');
  writeFileSync(file, pdf);
  return Array.from({ length: pages }, (_, k) => {
    const out = join(folder, 'page.svg');
    execFileSync('pdftocairo', ['-svg', '-noshrink', '-f', String(k + 1), '-l', String(k + 1), file, out]);
    const svg = readFileSync(out, 'utf8');
    return [...svg.matchAll(/<path ([^>]*)>/g)].flatMap(([, attributes]): [number, number][] => {
      const d = / d="([^"]+)"/.exec(` ${attributes!}`)?.[1];
      if (!d) return [];
      const m = /matrix\(([^)]+)\)/.exec(attributes!)?.[1]?.split(',').map(Number) ?? [1, 0, 0, 1, 0, 0];
      const [xs, ys]: [number[], number[]] = [[], []];
      for (const [x, y] of pointsOn(d)) {
        xs.push(m[0]! * x + m[2]! * y);
        ys.push(m[1]! * x + m[3]! * y);
      }
      const mm = (list: number[]): number => ((Math.max(...list) - Math.min(...list)) * 25.4) / 72;
      return [[mm(xs), mm(ys)]];
    });
  }).flat();
}

const HANDLED = ['cut', 'fold', 'punch', 'slit', 'draw'];
/** The lines that a hand follows, with their sizes, mm. */
const followed = (marks: readonly Mark[]): [number, number][] =>
  marks.flatMap((m): [number, number][] => {
    if (!('role' in m) || !HANDLED.includes(m.role)) return [];
    const [left, top, right, bottom] = bounds([m]);
    return [[right - left, bottom - top]];
  });

/** Dials with which a pattern prints something. */
const PRINTED: Record<string, object> = {
  stack: { shows: 'numbers' },
  'peg-rim': { counting: 3 },
};

const patterns = await loadPatterns();
describe.each(patterns.map((p): [string, OpenPattern] => [p.id, p]))('the template of %s', (id, p) => {
  const start = { approach: 'prepared shelf' as const, ageFrom: 48, chosen: usualMaterials(p.roles) };
  const at = { ...start, dials: { ...p.defaults(start), ...PRINTED[id] } };
  const { sheets } = p.draw(at);

  it.each(['A4', 'Letter'] as const)('has every line in its true size on %s', async (paper) => {
    expect(sheets.length).toBeGreaterThan(0);
    const pages = pagesOf(sheets, { paper });
    const pdf = await pdfOf(templatePaper(pages, { title: p.name, line: '', unit: 'mm' }));
    const drawn = paths(pdf, pages.length);
    const has = ([w, h]: [number, number]): boolean =>
      drawn.some(
        ([a, b]) =>
          (Math.abs(a - w) < 0.2 && Math.abs(b - h) < 0.2) ||
          (Math.abs(a - h) < 0.2 && Math.abs(b - w) < 0.2),
      );
    for (const s of sheets)
      for (const size of followed(s.marks)) expect([s.id, size, has(size)]).toEqual([s.id, size, true]);
    // The bar to check the printer by.
    expect(drawn.filter(([a, b]) => Math.abs(Math.max(a, b) - 50) < 0.05).length).toBeGreaterThanOrEqual(
      pages.length,
    );
  });
});
