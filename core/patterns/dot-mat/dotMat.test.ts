import { asMaterial, entryOf } from '../../catalogue/index.ts';
import { checkFeatures } from '../../safety/check.ts';
import { loadPattern, type AnyAt, type OpenPattern } from '../index.ts';
import { usualMaterials } from '../usual.ts';
import { kindsOf, suits, type Dials } from './dials.ts';
import { paintFor } from './fit.ts';

const m = (key: string, id: number, more: object = {}) => ({
  ...asMaterial(entryOf(key)!),
  id,
  kept: 200,
  clean: true,
  ...more,
});
const CAP = m('pouch-cap', 1);
const PAINT = m('ready-paint', 2);
const STICKER = m('sticker', 3);
const MAGNET = m('magnet-disc', 4, { risks: { flux: 20 } });

let mat: OpenPattern;
beforeAll(async () => {
  mat = await loadPattern('dot-mat');
});
const at = (part: Partial<Dials>, piece: readonly object[], ageFrom = 48): AnyAt => {
  const chosen = { ...usualMaterials(mat.roles), laminate: [], piece } as AnyAt['chosen'];
  const start = { approach: 'prepared shelf' as const, ageFrom, chosen };
  return { ...start, dials: { ...mat.defaults(start), asked: 8, ...part } };
};
const bill = (a: AnyAt) =>
  mat
    .needs(a)
    .filter((n) => n.role === 'piece')
    .map((n) => [n.materialId, n.quantity, n.eachTime ?? false]);

describe('what goes on a dot', () => {
  it.each([
    ['loose', [true, false, false, true]],
    ['magnet', [true, false, false, true]],
    ['sticker', [false, false, true, false]],
    ['paint', [false, true, false, false]],
  ] as const)('%s', (use, does) => {
    expect([CAP, PAINT, STICKER, MAGNET].map((x) => suits(use, x))).toEqual(does);
  });
  it('of several kinds those that go are in the kit, one for each dot', () => {
    const all = [CAP, PAINT, STICKER];
    expect(bill(at({ use: 'loose' }, all))).toEqual([[1, 8, false]]);
    expect(bill(at({ use: 'sticker', children: 3 }, all))).toEqual([[3, 24, true]]);
    expect(bill(at({ use: 'paint' }, all))).toEqual([[2, 1, true]]);
    expect(kindsOf({ chosen: at({}, all).chosen, dials: at({ use: 'paint' }, all).dials as Dials })).toEqual([
      PAINT,
    ]);
  });
  it('paint is by the area of the dots, in parts of a bottle', () => {
    const need = (children: number) =>
      mat.needs(at({ use: 'paint', children, dot: 25 }, [PAINT])).find((n) => n.role === 'piece')!;
    expect(need(1).share! * 300).toBeCloseTo(paintFor(8, 25), 6);
    expect(need(4).share!).toBeCloseTo(4 * need(1).share!, 9);
    // 8 dots of 25 mm, 0.3 mm thick, at 1.3 g a ml.
    expect(paintFor(8, 25)).toBeCloseTo((8 * Math.PI * 12.5 ** 2 * 0.3 * 1.3) / 1000, 9);
  });
  it('pages that are painted are used up, one for each child; a laminated one comes back', () => {
    const page = (a: AnyAt) => mat.needs(a).find((n) => n.role === 'page')!;
    expect(page(at({ use: 'paint', children: 5 }, [PAINT]))).toMatchObject({ quantity: 5, eachTime: true });
    expect(page(at({ use: 'loose' }, [CAP])).eachTime).toBeUndefined();
  });
});

describe('what is said', () => {
  it.each([
    ['loose', [PAINT], 'Nothing to lay on the dots'],
    ['magnet', [STICKER], 'Nothing to lay on the dots'],
    ['sticker', [CAP], 'No stickers are chosen'],
    ['paint', [CAP], 'No paint is chosen'],
  ] as const)('%s with nothing that goes: %#', (use, piece, headline) => {
    const fit = mat.fit(at({ use }, piece));
    expect(fit).toMatchObject({ verdict: 'stop', headline });
    expect(fit.remedy).toMatch(/^Choose /);
    // It is drawn all the same, and takes nothing into the kit.
    expect(mat.draw(at({ use }, piece)).scene.marks.length).toBeGreaterThan(3);
    expect(bill(at({ use }, piece))).toEqual([]);
  });
  it('a measured magnet is told by its flux index', () => {
    const fit = mat.fit(at({ use: 'magnet' }, [MAGNET]));
    expect(fit.facts.find((f) => f.id === 'flux-1')).toMatchObject({ value: 20, said: '20 kG² mm²' });
  });
  it('what is set aside is judged as if somebody laid it out', () => {
    const stops = (use: Dials['use'], piece: readonly object[], age: number) =>
      checkFeatures(mat.features(at({ use }, piece, age)), {
        youngest: age,
        market: 'strictest of both',
      }).findings.filter((f) => f.verdict === 'stop').length;
    expect(stops('paint', [CAP, PAINT], 18)).toBeGreaterThan(0);
    expect(stops('paint', [PAINT], 18)).toBe(0);
  });
  it('keys by colour only where two kinds go on the dots', () => {
    const begins = (piece: readonly object[]) => (at({}, piece).dials as Dials).colours;
    expect(begins([CAP])).toBe('free');
    expect(begins([CAP, { ...CAP, id: 9 }])).toBe('by key');
    expect(begins([CAP, PAINT])).toBe('free');
  });
});
