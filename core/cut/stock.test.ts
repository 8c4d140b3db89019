import { panelSize } from '../materials/material.ts';
import { materialInput } from '../materials/materialInput.ts';
import { stockOf } from './stock.ts';

const BOX = { form: 'container', unit: 'each', sizes: { length: 190, width: 60, height: 290 } } as const;

describe('what one of a material gives to cut from', () => {
  it('is two panels and two sides of a box, standing up', () => {
    expect(stockOf(BOX)).toEqual({
      kind: 'panels',
      panels: [
        [290, 190],
        [290, 190],
        [290, 60],
        [290, 60],
      ],
    });
    // A round tub opens into nothing flat.
    expect(stockOf({ ...BOX, sizes: { diameter: 95, height: 110 } })).toEqual({ kind: 'panels', panels: [] });
  });
  it('is the sheet with its longer side first, a length, or a roll', () => {
    const sheet = { form: 'sheet', unit: 'each', sizes: { length: 210, width: 297 } } as const;
    expect(stockOf(sheet)).toEqual({ kind: 'panels', panels: [[297, 210]] });
    expect(stockOf({ form: 'tube', unit: 'each', sizes: { length: 230, diameter: 44 } })).toEqual({
      kind: 'length',
      length: 230,
    });
    expect(stockOf({ form: 'cord', unit: 'mm', sizes: { diameter: 3 } })).toEqual({ kind: 'roll' });
  });
  it('keeps a place where it was measured: from the upper left of its own panel', () => {
    const stock = stockOf({
      ...BOX,
      grain: 'across',
      keepOut: [
        { panel: 'back', why: 'print', left: 10, top: 20, width: 100, height: 50 },
        { panel: 'right side', why: 'hole', left: 5, top: 200, width: 20, height: 30 },
      ],
    });
    if (stock.kind !== 'panels') throw new Error('expected panels');
    expect(stock.grain).toBe('across');
    // The first axis of a standing panel is its height: 20 from the top, 10 from the left.
    expect(stock.keepOut).toEqual([
      [],
      [
        [
          [20, 10],
          [70, 10],
          [70, 110],
          [20, 110],
        ],
      ],
      [],
      [
        [
          [200, 5],
          [230, 5],
          [230, 25],
          [200, 25],
        ],
      ],
    ]);
    // Every one of them lies on its panel.
    for (const [i, places] of stock.keepOut!.entries())
      for (const [x, y] of places.flat()) {
        expect(x).toBeLessThanOrEqual(stock.panels[i]![0]);
        expect(y).toBeLessThanOrEqual(stock.panels[i]![1]);
      }
  });
});

describe('a place that is kept out', () => {
  const problems = (part: object): string[] => {
    const read = materialInput.safeParse({
      name: 'Box',
      form: 'container',
      sizes: { length: 190, width: 60, height: 290, wall: 0.5 },
      unit: 'each',
      kept: 1,
      materialClass: 'card',
      give: 0,
      hazards: [],
      colour: '#C9A36A',
      ...part,
    });
    return read.success ? [] : read.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`);
  };
  const place = (part: object) => ({
    keepOut: [{ panel: 'front', why: 'print', left: 0, top: 0, width: 190, height: 290, ...part }],
  });
  it('lies on a panel that there is, and wholly', () => {
    expect(problems(place({}))).toEqual([]);
    expect(problems(place({ panel: 'left side', width: 60 }))).toEqual([]);
    expect(problems(place({ panel: 'left side', width: 61 }))).toEqual([
      'keepOut.0: reaches beyond the panel; expected at most 60 × 290 mm',
    ]);
    expect(problems(place({ top: 1 }))).toEqual([
      'keepOut.0: reaches beyond the panel; expected at most 190 × 290 mm',
    ]);
    expect(problems(place({ panel: 'sheet' }))).toEqual([
      'keepOut.0.panel: a container has no such panel; expected a side of a box with flat sides',
    ]);
    expect(problems(place({ why: 'dent' }))).toEqual([
      'keepOut.0.why: expected one of print, hole, fold, stain',
    ]);
    expect(problems({ grain: 'upwards' })).toEqual(['grain: expected one of along, across']);
  });
  it('is asked for only where a panel is', () => {
    const disc = { form: 'disc', sizes: { diameter: 38, height: 14 } } as const;
    expect(panelSize(disc, 'sheet')).toBeNull();
    expect(panelSize(BOX, 'left side')).toEqual([60, 290]);
  });
});

it('food keeps for hours out and days closed, each more than none', () => {
  const keeping = (k: object) =>
    materialInput.safeParse({
      name: 'Porridge',
      form: 'consumable',
      sizes: {},
      unit: 'each',
      kept: 1,
      materialClass: 'food',
      give: 0,
      hazards: [],
      colour: '#E3D3AE',
      keeping: k,
    }).success;
  expect([keeping({ out: 2 }), keeping({ closed: 3 }), keeping({ out: 0 }), keeping({ never: 1 })]).toEqual([
    true,
    true,
    false,
    false,
  ]);
});
