import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Mark } from '../../core/drawing/mark.ts';
import { bounds } from '../../core/drawing/marks.ts';
import { loadPatterns, type OpenPattern } from '../../core/patterns/index.ts';
import { usualMaterials } from '../../core/patterns/usual.ts';
import { pagesOf } from '../../core/print/pages.ts';
import { templatePdf } from './papers.ts';

const folder = mkdtempSync(join(tmpdir(), 'fox-templates-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

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
      const numbers = (d.match(/-?[\d.]+(?:e-?\d+)?/g) ?? []).map(Number);
      const [xs, ys]: [number[], number[]] = [[], []];
      for (let i = 0; i + 1 < numbers.length; i += 2) {
        const [x, y] = [numbers[i]!, numbers[i + 1]!];
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

/** Dials with which a family prints something. */
const PRINTED: Record<string, object> = {
  stack: { shows: 'numbers' },
  'peg-rim': { counting: 3 },
};

const families = await loadPatterns();
describe.each(families.map((p): [string, OpenPattern] => [p.id, p]))('the template of %s', (id, p) => {
  const start = { approach: 'prepared shelf' as const, ageFrom: 48, chosen: usualMaterials(p.roles) };
  const at = { ...start, dials: { ...p.defaults(start), ...PRINTED[id] } };
  const { sheets } = p.draw(at);

  it.each(['A4', 'Letter'] as const)('has every line in its true size on %s', async (paper) => {
    expect(sheets.length).toBeGreaterThan(0);
    const pages = pagesOf(sheets, { paper });
    const pdf = await templatePdf(pages, { title: p.name, line: '', unit: 'mm' });
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
