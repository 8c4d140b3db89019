import { readFileSync } from 'node:fs';
import { materialMarks } from '../drawing/material.ts';
import { materialInput } from '../materials/materialInput.ts';
import {
  asMaterial,
  catalogue,
  catalogueEntry,
  entryOf,
  GROUPS,
  lackingSizes,
  massOfOne,
  readEntry,
  sourceLine,
} from './index.ts';

const sizesOf = (key: string) => entryOf(key)!.sizes;

describe('the catalogue', () => {
  it('has at least 90 entries over all its groups, each once', () => {
    expect(catalogue.length).toBeGreaterThanOrEqual(90);
    for (const g of GROUPS) expect(catalogue.filter((e) => e.group === g).length).toBeGreaterThanOrEqual(4);
    expect(new Set(catalogue.map((e) => e.key)).size).toBe(catalogue.length);
    expect(new Set(catalogue.map((e) => e.name.toLowerCase())).size).toBe(catalogue.length);
  });
  it.each(catalogue.map((e) => [e.key, e] as const))('%s is whole', (_, e) => {
    expect(catalogueEntry.safeParse(e).success).toBe(true);
    expect(lackingSizes(e)).toEqual([]);
    expect(materialInput.safeParse(asMaterial(e)).success).toBe(true);
    for (const [name, [low, high]] of Object.entries(e.range)) {
      const usual = e.sizes[name as keyof typeof e.sizes]!;
      expect(low).toBeLessThanOrEqual(usual);
      expect(usual).toBeLessThanOrEqual(high);
    }
    for (const y of e.yields) expect(entryOf(y.key)).toBeDefined();
    expect(materialMarks(asMaterial(e), [0, 0]).length).toBeGreaterThan(0);
    expect(e.marks.sizes === 'published').toBe(e.marks.sizes === 'published' && e.marks.source !== '');
  });
  it('stands in docs/sources.md, every figure with its mark', () => {
    const docs = readFileSync(new URL('../../docs/sources.md', import.meta.url), 'utf8');
    for (const e of catalogue) expect(docs).toContain(sourceLine(e));
  });
  it('says what is wrong with a line', () => {
    expect(() => readEntry('Tubes', 'a | b')).toThrow(/12 cells/);
    expect(() => readEntry('Tubes', 'a | A | disc | x12 | plastic | 0 | 1 | wash | | #000000 | |')).toThrow(
      /“x12” is no size/,
    );
  });
});

describe('sizes that a standard gives', () => {
  it('papers: ISO 216, halved from a square metre at 1 : √2, whole millimetres rounded down', () => {
    const a = (n: number) =>
      [2 ** (1 / 4 - n / 2), 2 ** (-1 / 4 - n / 2)].map((m) => Math.floor(1000 * m + 0.2));
    for (const [key, n] of [
      ['a3-paper', 3],
      ['a4-paper', 4],
      ['a5-card', 5],
      ['a6-card', 6],
    ] as const)
      expect([sizesOf(key).length, sizesOf(key).width]).toEqual(a(n));
  });
  it('paper of 80 g/m² (ISO 536): an A4 leaf is a sixteenth of 80 g', () => {
    expect(massOfOne(entryOf('a4-paper')!)).toBeCloseTo(80 / 16, 1);
  });
  it('cards: ISO/IEC 7810 ID-1 is 85.60 × 53.98 × 0.76 mm, from 3.370 × 2.125 × 0.030 in', () => {
    const card = sizesOf('plastic-card');
    expect(card).toMatchObject({ length: 85.6, width: 53.98, wall: 0.76 });
    for (const [mm, inches] of [
      [card.length!, 3.37],
      [card.width!, 2.125],
      [card.wall!, 0.03],
    ] as const)
      expect(Math.abs(mm - inches * 25.4)).toBeLessThan(0.01);
  });
  it('letter paper: 8 1/2 × 11 in', () => {
    const { length, width } = sizesOf('letter-paper');
    expect(length).toBeCloseTo(11 * 25.4, 6);
    expect(width).toBeCloseTo(8.5 * 25.4, 6);
  });
  it('button cells: IEC 60086 names a round cell by diameter in mm and height in tenths', () => {
    const named = '2032';
    expect(sizesOf('button-cell-20')).toMatchObject({
      diameter: Number(named.slice(0, 2)),
      height: Number(named.slice(2)) / 10,
    });
    expect(sizesOf('button-cell-44')).toMatchObject({ diameter: 11.6, height: 5.4 });
    for (const key of ['button-cell-20', 'button-cell-44'])
      expect(entryOf(key)!.hazards).toContain('button cell');
  });
  it('cells R6 and R03: IEC 60086-2, at most 14.5 × 50.5 and 10.5 × 44.5 mm', () => {
    expect(sizesOf('battery-aa')).toEqual({ diameter: 14.5, length: 50.5 });
    expect(sizesOf('battery-aaa')).toEqual({ diameter: 10.5, length: 44.5 });
  });
  it('balls: Rules of Tennis 6.54 to 6.86 cm and 56.0 to 59.4 g; table tennis 40 mm, 2.7 g', () => {
    const ball = entryOf('tennis-ball')!;
    expect(ball.range.diameter).toEqual([65.4, 68.6]);
    expect(ball.mass).toBeGreaterThanOrEqual(56);
    expect(ball.mass).toBeLessThanOrEqual(59.4);
    expect(sizesOf('table-ball').diameter).toBe(40);
    expect(entryOf('table-ball')!.mass).toBe(2.7);
  });
  it('buttons: 40 lines to the inch, a shirt button is line 18', () => {
    expect(sizesOf('button-small').diameter).toBeCloseTo((18 / 40) * 25.4, 1);
  });
  it('punched holes (ISO 838, 6 ± 0.5 mm) let a lace tip and a thin cord through, not a chenille stem of 6 mm', () => {
    const least = 5.5;
    expect(sizesOf('lace-tip').diameter!).toBeLessThan(least);
    expect(sizesOf('cotton-cord').diameter!).toBeLessThan(least);
    expect(sizesOf('chenille').diameter!).toBeGreaterThan(least);
  });
});

describe('food and plants of the catalogue', () => {
  it('say how long they keep', () => {
    expect(entryOf('oat-porridge')).toMatchObject({
      keeping: { out: 2, closed: 2 },
      allergens: ['gluten'],
    });
    expect(asMaterial(entryOf('plain-yogurt')!).keeping).toEqual({ out: 2, closed: 3 });
    expect(asMaterial(entryOf('fine-salt')!)).not.toHaveProperty('keeping');
    for (const e of catalogue.filter((x) => x.group === 'Plants')) {
      expect(e.materialClass).toBe('plant');
      expect(e.keeping?.closed).toBeGreaterThan(0);
    }
  });
  it('are read from their line, and a word that is none of theirs is refused', () => {
    const line = (minds: string) =>
      readEntry('Foods', `x | X | consumable | | food | 0 | 5 | none | ${minds} | #FFFFFF | |`);
    expect(line('out 4 h')).toMatchObject({ keeping: { out: 4 }, allergens: [], hazards: [] });
    expect(line('choking form, nuts, closed 10 days')).toMatchObject({
      keeping: { closed: 10 },
      hazards: ['choking form'],
      allergens: ['nuts'],
    });
    expect(() => line('out for long')).toThrow();
  });
});
