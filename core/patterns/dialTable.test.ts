import { z } from 'zod';
import type { At, Start } from './kernel.ts';
import { patternIds, loadPatterns } from './index.ts';
import { dialTable } from './dialTable.ts';
import { usualMaterials } from './usual.ts';

interface Dials {
  readonly wide: number;
  readonly high: number;
  readonly rows: number;
  readonly kind: 'plain' | 'dotted';
  readonly words: string;
  readonly soft: boolean;
}
const table = dialTable<Dials>(
  {
    wide: { label: 'Wide', unit: 'mm', ends: [10, 200], step: 5, begins: 500 },
    high: {
      label: ({ dials: d }) => (d.kind === 'plain' ? 'High' : 'High over the dots'),
      unit: 'mm',
      ends: [10, 200],
      range: ({ dials: d }) => [d.wide, d.wide - 30],
      begins: ({ ageFrom }) => ageFrom,
    },
    rows: {
      label: 'Rows',
      unit: 'each',
      of: 'a number of rows',
      ends: [1, 9],
      when: ({ dials: d }) => d.kind === 'dotted',
      begins: { 'prepared shelf': 1, 'graded play': 2, 'made together': 3, 'grab bag': 4 },
      before: 7,
    },
    kind: { label: 'Kind', options: ['plain', { value: 'dotted', label: 'With dots' }], begins: 'plain' },
    words: {
      label: 'Words',
      most: 5,
      allowed: { pattern: '[a-z]*', expected: 'letters from a to z' },
      begins: '',
    },
    soft: { label: 'Soft', begins: true },
  },
  {
    never: [
      { path: 'high', message: 'must not be over three times as high', when: (d) => d.high > 3 * d.wide },
    ],
    settle: (d) => ({ ...d, high: d.high * 1000 }),
  },
);
const start: Start = { approach: 'made together', ageFrom: 40, chosen: {} };
const at = (dials: Partial<Dials>): At<Dials> => ({ ...start, dials: { ...table.begin(start), ...dials } });
const told = (raw: unknown): string => {
  const parsed = table.schema.safeParse(raw);
  return parsed.success
    ? 'taken'
    : `${parsed.error.issues[0]!.path.join('.')}: ${parsed.error.issues[0]!.message}`;
};

describe('a table of dials', () => {
  it('begins by approach and age, brought together, and within its ends', () => {
    expect(table.begin(start)).toEqual({
      wide: 200,
      high: 200,
      rows: 3,
      kind: 'plain',
      words: '',
      soft: true,
    });
  });
  it.each([
    [{ wide: 9 }, 'wide: must be at least 10 mm'],
    [{ wide: '9' }, 'wide: expected mm'],
    [{ rows: 1.5 }, 'rows: must be a whole number'],
    [{ rows: true }, 'rows: expected a number of rows'],
    [{ kind: 'striped' }, 'kind: expected one of plain, dotted'],
    [{ words: 'AB' }, 'words: expected letters from a to z'],
    [{ words: 'abcdef' }, 'words: may have at most 5 characters'],
    [{ soft: 1 }, 'soft: expected true or false'],
    [{ wide: 20, high: 61 }, 'high: must not be over three times as high'],
    [{ odd: 1 }, ': Unrecognized key: "odd"'],
    [{ wide: 100.5 }, 'taken'],
  ])('%j is told: %s', (dials, words) => {
    expect(told({ ...table.begin(start), ...dials })).toBe(words);
  });
  it('gives a design from before there was a dial what stood for it', () => {
    const { rows: _, ...before } = table.begin(start);
    expect(table.schema.parse(before)).toEqual({ ...before, rows: 7 });
  });
  it('stands on the bench by the other dials, with a range that never closes nor leaves its ends', () => {
    expect(table.specs(at({ wide: 50 })).map((s) => s.id)).toEqual(['wide', 'high', 'kind', 'words', 'soft']);
    const [wide, high, rows] = table.specs(at({ wide: 50, kind: 'dotted' }));
    expect(wide).toEqual({
      kind: 'number',
      id: 'wide',
      label: 'Wide',
      unit: 'mm',
      min: 10,
      max: 200,
      step: 5,
    });
    expect(high).toMatchObject({ label: 'High over the dots', min: 50, max: 51 });
    expect(rows).toMatchObject({ kind: 'number', min: 1, max: 9, step: 1 });
  });
});

const patterns = await loadPatterns(patternIds());
interface Ends {
  readonly minimum?: number;
  readonly maximum?: number;
}

describe.each(patterns.map((p) => [p.id, p] as const))('the dials of %s', (_, p) => {
  it('take the same from a file as on the bench', () => {
    const { properties = {} } = z.toJSONSchema(p.dials, { unrepresentable: 'any', io: 'input' }) as {
      properties?: Record<string, Ends>;
    };
    const chosen = usualMaterials(p.roles);
    const base = { approach: 'prepared shelf', ageFrom: 40, chosen } as const;
    const dials = p.defaults(base);
    const seen = p.specs({ ...base, dials }).filter((s) => s.kind === 'number');
    expect(seen.length).toBeGreaterThan(0);
    for (const s of seen) {
      const { minimum = NaN, maximum = NaN } = properties[s.id]!;
      const { isFixed } = p.ends[s.id]!;
      if (isFixed) expect([s.id, s.min, s.max]).toEqual([s.id, minimum, maximum]);
      // What follows from the others never leaves what can be told at all.
      expect([s.id, s.min >= minimum, s.max <= maximum]).toEqual([s.id, true, true]);
    }
  });
});
