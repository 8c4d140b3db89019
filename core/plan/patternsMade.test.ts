import { loadPattern } from '../patterns/index.ts';
import { CAP, design, material, TUB, wholeNeed } from '../testing.ts';
import { savingChart, savingUp } from '../saving/savingUp.ts';
import { fromFreeStock } from './patternsMade.ts';
import { loadPatterns } from '../patterns/index.ts';

/** For every pattern of the house. */
const patternsFromStock = async (options: Omit<Parameters<typeof fromFreeStock>[0], 'pattern'>) =>
  (await loadPatterns()).flatMap((pattern) => fromFreeStock({ ...options, pattern }));

const BLOCK = material(3, {
  name: 'Block',
  form: 'piece',
  solid: 'block',
  sizes: { length: 200, width: 150, height: 120 },
});
const SHEET = material(4, { name: 'Card', form: 'sheet', sizes: { length: 297, width: 210, wall: 0.3 } });
const drop = await loadPattern('drop-through');
const ask = (free: [number, number][], materials = [TUB, CAP, BLOCK, SHEET]) => ({
  materials,
  free: new Map(free),
  approach: 'prepared shelf' as const,
  ageFrom: 24,
  market: 'strictest of both' as const,
  most: 3,
});

describe('a pattern begun from the free stock', () => {
  it('takes what goes together, counts the copies, names what runs out', () => {
    const [made, ...rest] = fromFreeStock({
      ...ask([
        [1, 5],
        [2, 14],
        [3, 9],
        [4, 9],
      ]),
      pattern: drop,
    });
    // Strips could be cut of the card, but a piece that is there whole comes first.
    expect(rest.map((r) => r.materials)).toEqual([{ container: [1], piece: [4] }]);
    // Six caps a kit on the prepared shelf: fourteen make two.
    expect(made).toMatchObject({
      pattern: 'drop-through',
      copies: 2,
      materials: { container: [1], piece: [2] },
      first: { name: 'Cap', left: 14 },
    });
    expect(drop.fit(design(made!.dials, made!.chosen)).verdict).toBe('clear');
  });
  it('offers nothing that the check says stop to for the youngest, and tells what to take care of', () => {
    // A cork end of 22 mm is a small part by every gauge; over three years it is a matter to take care of.
    const cork = material(5, {
      name: 'Cork',
      form: 'piece',
      solid: 'block',
      sizes: { length: 22, width: 20, height: 18 },
    });
    const of = (ageFrom: number) =>
      fromFreeStock({
        ...ask(
          [
            [1, 5],
            [5, 400],
          ],
          [TUB, cork],
        ),
        ageFrom,
        pattern: drop,
      });
    expect(of(24)).toEqual([]);
    const [made] = of(48);
    expect(made).toMatchObject({ materials: { container: [1], piece: [5] } });
    expect(made!.cautions).toContain('Small parts');
  });
  it('shows unlike materials before those that share one', () => {
    const tub = { ...TUB, id: 6, name: 'Second tub' };
    const caps = [7, 8].map((id) => ({ ...CAP, id, name: `Cap ${id}` }));
    const made = fromFreeStock({
      ...ask(
        [
          [1, 9],
          [6, 1],
          [2, 90],
          [7, 80],
          [8, 6],
        ],
        [TUB, CAP, tub, ...caps],
      ),
      pattern: drop,
    });
    expect(made.map((m) => [m.materials.container![0], m.materials.piece![0]])).toEqual([
      [1, 2],
      [6, 7],
      [1, 8],
    ]);
  });
  it('has nothing to offer when too little is free', async () => {
    expect(
      await patternsFromStock(
        ask([
          [1, 5],
          [2, 5],
        ]),
      ),
    ).toEqual([]);
    expect(await patternsFromStock(ask([[2, 50]]))).toEqual([]);
    expect(await patternsFromStock(ask([], []))).toEqual([]);
  });
});

describe('saving up for a batch', () => {
  const needs = [wholeNeed('piece', 2, 8, { name: 'Cap' })];
  const lot = (cameOn: string, came: number, look: unknown = {}, state = 'ready') => ({
    materialId: 2,
    came,
    cameOn,
    look,
    state,
  });
  const today = '2026-11-24';
  const lots = [
    lot('2026-07-01', 90, null),
    lot('2026-10-28', 3),
    lot('2026-11-05', 2, {}, 'clean first'),
    lot('2026-11-12', 4),
    lot('2026-11-13', 9, {}, 'never'),
    lot('2026-11-20', 1),
  ];
  const of = (copies: number, free: number) =>
    savingUp({ needs, copies, free: new Map([[2, free]]), materials: [CAP], lots, today })[0]!;

  it('goes by what was looked over and not refused, not by what was counted at the start', () => {
    const s = of(3, 6);
    expect(s).toMatchObject({ wanted: 24, short: 18, counts: [2, 4, 1] });
    expect(s.forecast!.mean).toBeCloseTo(7 / 3);
    expect(s.days.low! <= s.days.middle! && s.days.middle! <= s.days.high!).toBe(true);
    expect(s.days.low! > today).toBe(true);
  });
  it('needs no forecast for what is there', () => {
    expect(of(1, 20)).toMatchObject({ short: 0, forecast: null, days: { low: null } });
  });
  it('draws from what is free today', () => {
    const chart = savingChart(of(3, 6), today);
    expect(chart.x[0]).toBe(today);
    expect([chart.low[0], chart.middle[0], chart.high[0]]).toEqual([6, 6, 6]);
    expect(chart.past.y).toEqual([2, 4, 1]);
    expect(savingChart(of(1, 20), today).x).toEqual([]);
  });
});
