import { toolPicture } from '../drawing/tools.ts';
import { TOOLS } from '../patterns/kernel.ts';
import { step } from '../patterns/making.ts';
import { material, wholeNeed } from '../testing.ts';
import { pictured, preparedSteps } from './familyPaper.ts';
import { partsOfBundle } from './bundle.ts';
import { LANGUAGES, sheetWords, speaks } from './sheetWords.ts';

describe('what a place does beforehand', () => {
  const of = (id: string, after: string[], more: object = {}) =>
    step({ id, title: id, words: '', perCopy: 1, after, ...more });
  it('is every step with a blade or heat, and all that comes before it', () => {
    const steps = [
      of('wash', []),
      of('draw', ['wash']),
      of('cut', ['draw'], { blade: true }),
      of('colour', ['wash']),
      of('seal', ['colour'], { heat: true }),
      of('try', ['cut', 'seal']),
    ];
    expect(preparedSteps(steps)).toEqual(['wash', 'draw', 'cut', 'colour', 'seal']);
    expect(preparedSteps(steps.filter((s) => !s.blade && !s.heat))).toEqual([]);
  });
});

describe('pictures of what is counted', () => {
  it('are the things themselves, the pieces first, and the outline of what is cut', () => {
    const needs = [
      wholeNeed('Tub', 1, 1, { use: 'part' }),
      wholeNeed('Cap', 2, 8),
      wholeNeed('Board', 3, 1, {
        use: 'part',
        cuts: [
          {
            kind: 'outline' as const,
            id: 'card',
            label: 'Card',
            role: 'card',
            materialId: 3,
            count: 2,
            use: 'part' as const,
            counted: true,
            outline: [
              [0, 0],
              [70, 0],
              [70, 50],
            ] as const,
            turn: 'right' as const,
            gap: 0,
          },
        ],
        stock: { kind: 'panels', panels: [[200, 300]] },
      }),
    ];
    const kinds = new Map([
      [2, material(2, { name: 'Cap', form: 'disc', sizes: { diameter: 38, height: 14 } })],
      [3, material(3, { name: 'Board', form: 'sheet', sizes: { length: 300, width: 200, wall: 0.5 } })],
    ]);
    const parts = pictured(partsOfBundle([{ id: 1, name: 'Drop tub', needs }]), needs, kinds);
    expect(parts.map((p) => [p.due, p.name])).toEqual([
      [8, 'Cap'],
      [1, 'Tub'],
      [2, 'Card'],
    ]);
    const size = (i: number) => [parts[i]!.scene!.width, parts[i]!.scene!.height];
    // With the same room all round.
    expect(size(0)[0]).toBeCloseTo(size(0)[1]!, 6);
    expect(size(2)[0]! - size(2)[1]!).toBeCloseTo(20, 6);
    // Nothing is known of the tub.
    expect(parts[1]!.scene).toBeNull();
  });
  it('every tool has one, and a word in each language that the papers speak', () => {
    for (const tool of TOOLS) {
      const { width, height, marks } = toolPicture(tool);
      expect(marks.length).toBeGreaterThan(1);
      expect(width).toBeLessThan(50);
      expect(height).toBeLessThan(40);
      for (const l of LANGUAGES.filter(speaks)) expect(sheetWords(l).tools[tool]).not.toBe('');
    }
    const [en, es] = [sheetWords('en'), sheetWords('es')];
    for (const key of Object.keys(en) as (keyof typeof en)[])
      if (key !== 'minutes') expect(es[key]).not.toEqual(en[key]);
    expect(sheetWords('pl')).toBe(en);
  });
});
