import { CAP, cardSheet, design, kinds, material, SLOT_DIALS, TAPE, TUB } from '../../testing.ts';
import { loadPattern, type Fit } from '../index.ts';
import type { Detail } from './fit.ts';
import { rolledBall } from './pieces.ts';

const drop = await loadPattern('drop-through');
const fact = (f: Fit, id: string): unknown => f.facts.find((x) => x.id === id)?.value;
const bead = material(3, {
  name: 'Wooden bead',
  form: 'piece',
  solid: 'ball',
  sizes: { diameter: 20 },
  materialClass: 'wood',
});
const paper = material(6, {
  name: 'Note paper',
  form: 'sheet',
  sizes: { length: 76, width: 76, wall: 0.1 },
  materialClass: 'paper',
});
const card = cardSheet(8, 0.4);
const lidded = kinds({ container: TUB, piece: CAP, edge: TAPE });

describe('a mouth narrowed by tape', () => {
  const at = (part: object) =>
    design({ ...SLOT_DIALS, cover: 'tape', opening: 'slot', width: 17, ...part }, lidded);

  it('takes strips from the rim to the slit, and no blade', () => {
    // 95 across, 1.2 of wall: 92.6 inside; (92.6 − 17) / 2 = 37.8 a side, two strips of 25 each.
    const tape = drop.needs(at({})).find((n) => n.role === 'edge')!;
    expect(tape.quantity).toBe(4 * Math.ceil(92.6 + 50));
    const steps = drop.steps(at({}));
    expect(steps.some((s) => s.blade)).toBe(false);
    expect(steps.find((s) => s.id === 'tape')!.title).toBe('Tape the mouth: 4 strips of 143 mm');
    expect(drop.draw(at({})).sheets).toEqual([]);
    expect(drop.features(at({})).some((f) => f.kind === 'cut edge')).toBe(false);
  });
  it('leaves a square hole with strips both ways', () => {
    const square = at({ opening: 'round', length: 45 });
    // (92.6 − 45) / 2 = 23.8: one strip at each of four sides.
    expect(drop.needs(square).find((n) => n.role === 'edge')!.quantity).toBe(4 * 143);
    // Edge on and turned by 45°, the cap’s side of 38 × 14 takes up (38 + 14) / √2.
    expect(fact(drop.fit(square), 'gap')).toBeCloseTo(45 - 52 / Math.SQRT2, 2);
  });
  it('is as close as a slot of that width, and its own level', () => {
    const f = drop.fit(at({}));
    expect(f).toMatchObject({ verdict: 'clear', headline: 'Drops free' });
    expect(fact(f, 'gap')).toBeCloseTo(3, 2);
    const levels = drop.levels(at({}));
    expect(levels.map((r) => r.name)).toEqual(expect.arrayContaining(['No tape', 'Close slit']));
    expect(levels[0]!.name).toBe('No tape');
  });
  it('asks for a tape where none is chosen', () => {
    const bare = { ...at({}), chosen: kinds({ container: TUB, piece: CAP }) };
    expect(drop.fit(bare)).toMatchObject({ verdict: 'stop', headline: 'No tape is chosen' });
  });
});

describe('the sip hole of a lid', () => {
  const at = (stripLength: number) =>
    design(
      { ...SLOT_DIALS, cover: 'sip hole', made: 'rolled', stripLength },
      kinds({ container: TUB, piece: paper }),
    );

  it('is met by paper rolled small enough, half of a ball being paper', () => {
    // A square of 38 of 0.1 paper: 144.4 mm³, a ball of twice that is 8.2 across; 36 gives 7.9.
    expect(rolledBall(38, 0.1)).toBeCloseTo(Math.cbrt((12 * 144.4) / Math.PI), 9);
    expect(drop.fit(at(38)).headline).toBe('Does not go through');
    expect(drop.fit(at(36)).verdict).not.toBe('stop');
    expect(drop.steps(at(36)).some((s) => s.blade)).toBe(false);
  });
  it('takes the squares off the sheet: four of 38 from one of 76', () => {
    const need = drop.needs({ ...at(38) }).find((n) => n.role === 'piece')!;
    expect(need.quantity).toBe(2);
    expect(need.cuts).toEqual([expect.objectContaining({ count: 8 })]);
  });
});

describe('several kinds of piece', () => {
  const both = (part: object, pieces = [CAP, bead]) =>
    design({ ...SLOT_DIALS, pieces: 7, ...part }, kinds({ container: TUB, piece: pieces }));

  it('share one opening when the largest goes through', () => {
    const f = drop.fit(both({ width: 24 }));
    expect((f.detail as Detail).goes).toEqual([[true], [true]]);
    expect(drop.needs(both({})).map((n) => [n.name, n.quantity])).toEqual([
      ['Tub', 1],
      ['Cap', 4],
      ['Wooden bead', 3],
    ]);
    expect(drop.fit(both({})).headline).toBe('Wooden bead does not go through');
  });
  it('have an opening each, and a table of which goes where', () => {
    const f = drop.fit(both({ openings: 'one for each kind' }));
    // The cap lies too long for the bead’s hole; the bead is too thick for the cap’s slot.
    expect((f.detail as Detail).goes).toEqual([
      [true, false],
      [false, true],
    ]);
    expect(f.verdict).toBe('clear');
    expect(fact(f, 'kind-1')).toBe('into 1, not 2');
    expect(fact(f, 'kind-2')).toBe('into 2, not 1');
    const cuts = drop
      .draw(both({ openings: 'one for each kind' }), f)
      .sheets[0]!.marks.filter((m) => 'role' in m && m.role === 'cut');
    expect(cuts).toHaveLength(2);
  });
  it('says when nothing shows a wrong choice, and when the lid is too small for all', () => {
    const twin = { ...CAP, id: 9, name: 'Blue cap' };
    expect(drop.fit(both({ openings: 'one for each kind', length: 40 }, [CAP, twin])).headline).toBe(
      'Every piece goes in everywhere',
    );
    expect(
      drop.fit(both({ openings: 'one for each kind', opening: 'round', length: 60 }, [CAP, bead])).headline,
    ).toBe('Lid too small');
  });
  it('asks for the choice of the opening in its bits', () => {
    const at = both({ openings: 'one for each kind' });
    expect(drop.moves(at, drop.fit(at)).at(-1)).toMatchObject({ choices: 2 });
  });
});

it('strips of card go through a slot edge on, cut off one sheet', () => {
  const at = design(
    { ...SLOT_DIALS, length: 26, width: 4, stripLength: 60, stripWidth: 20 },
    kinds({ container: TUB, piece: card }),
  );
  const f = drop.fit(at);
  expect(f.verdict).toBe('clear');
  expect(fact(f, 'gapAcross')).toBeCloseTo(3.6, 2);
  expect(drop.needs(at).find((n) => n.role === 'piece')).toMatchObject({ quantity: 1 });
  expect(drop.draw(at, f).sheets.map((s) => [s.id, s.count])).toEqual([
    ['lid', 1],
    ['strip', 8],
  ]);
});
