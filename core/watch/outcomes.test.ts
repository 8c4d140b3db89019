import { watchedNote as note } from '../testing.ts';
import { managedAlone, outcomesOf } from './outcomes.ts';

describe('whether a sitting shows that a level is managed alone', () => {
  it.each([
    [{}, 1],
    [{ help: 'shown once' }, 1],
    [{ help: 'verbal prompt' }, 0],
    [{ help: 'hand over hand' }, 0],
    [{ count: 0 }, 0],
    [{ count: null }, 1],
    [{ tries: 3, managed: 2 }, 1],
    [{ tries: 2, managed: 1 }, 0],
    [{ tries: 2, managed: 2, help: 'hand on wrist' }, 0],
  ] as const)('%j: %d', (part, alone) => expect(managedAlone(note(part))).toBe(alone));
});

describe('notes as a table', () => {
  it('lets the latest sitting speak, whatever order the notes come in', () => {
    const list = [
      note({ id: 2, satOn: '2026-11-02' }),
      note({ id: 1, satOn: '2026-11-01', help: 'hand on wrist' }),
      note({ id: 4, child: 'G-07', satOn: '2026-11-03', help: 'verbal prompt' }),
      note({ id: 3, child: 'G-07', satOn: '2026-11-03' }),
    ];
    expect(outcomesOf(list)).toEqual({
      children: ['G-04', 'G-07'],
      levels: [{ designId: 1, level: 'Close slot', bits: 11.5 }],
      responses: [[1], [0]],
      helpRanges: [[{ low: 4, high: 4 }], [{ low: 3, high: 3 }]],
    });
  });
  it('counts the levels on the way, and leaves out what was never tried', () => {
    const { levels, responses } = outcomesOf([
      note({ before: [{ level: 'Wide mouth', bits: 7 }], tries: 2, managed: 0 }),
      note({ id: 2, child: 'S-02', level: 'Snug slot', bits: 13 }),
    ]);
    expect(levels.map((r) => r.level)).toEqual(['Wide mouth', 'Close slot', 'Snug slot']);
    expect(responses).toEqual([
      [1, 0, null],
      [null, null, 1],
    ]);
  });
  it('takes one name at two designs for two levels, and the bits of the latest note', () => {
    const { levels } = outcomesOf([note({}), note({ id: 2, designId: 2 }), note({ id: 3, bits: 12 })]);
    expect(levels).toEqual([
      { designId: 1, level: 'Close slot', bits: 12 },
      { designId: 2, level: 'Close slot', bits: 11.5 },
    ]);
  });
});
