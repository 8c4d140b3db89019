import { design, material } from '../../testing.ts';
import { checkFeatures } from '../../safety/check.ts';
import { loadPattern, type AnyAt, type Chosen, type OpenPattern } from '../index.ts';
import { usualMaterials } from '../usual.ts';
import { scraps, stripFor, type Dials } from './dials.ts';

let tapeUp: OpenPattern;
beforeAll(async () => {
  tapeUp = await loadPattern('finger-tape');
});
const note = (colour = '#E5B94E', id = 2) =>
  material(id, {
    name: `Note ${id}`,
    form: 'sheet',
    sizes: { length: 76, width: 76, wall: 0.1 },
    materialClass: 'paper',
    colour,
  });
const of = (part: Partial<Dials>, chosen: Chosen = {}): AnyAt => {
  const all = { ...usualMaterials(tapeUp.roles), paper: [note()], ...chosen };
  return design(
    { ...tapeUp.defaults({ approach: 'prepared shelf', ageFrom: 48, chosen: all }), ...part },
    all,
  );
};
const fact = (at: AnyAt, id: string): unknown => tapeUp.fit(at).facts.find((f) => f.id === id)?.value;

it('paper of 76 × 76 halved four times gives 16 of 19 × 19, a sheet for each colour', () => {
  const at = of({ halvings: 4 });
  expect([fact(at, 'pieces'), fact(at, 'pieceSide')]).toEqual([16, 19]);
  expect(fact(of({ halvings: 4, colours: 2 }, { paper: [note(), note('#2C5F8A', 3)] }), 'pieces')).toBe(32);
  // An odd number of halvings leaves it twice as long as wide.
  expect(fact(of({ halvings: 3 }), 'pieceSide')).toBe(19);
});

it('a strip goes twice round the finger and 10 more: 250 of tape torn in half does two fingers and more', () => {
  expect(stripFor(45)).toBe(100);
  expect(fact(of({ girth: 45 }), 'leastStrip')).toBe(100);
  // 254 mm (10 in) is what is usually torn off; 100 is the least for a finger of 45.
  expect(fact(of({}), 'strip')).toBe(254);
  expect(tapeUp.fit(of({ girth: 45, strip: 99 })).verdict).toBe('stop');
  const tape = (fingers: number, torn: boolean) =>
    tapeUp.needs(of({ girth: 45, fingers, torn })).find((n) => n.role === 'tape')!.quantity;
  expect([tape(1, true), tape(2, true), tape(3, true), tape(2, false)]).toEqual([254, 254, 508, 508]);
});

it('a piece is rolled to a ball by what paper it holds, a fifth of it paper', () => {
  const { ball } = scraps({ halvings: 4 }, note());
  expect((Math.PI / 6) * ball ** 3 * 0.2).toBeCloseTo(19 * 19 * 0.1, 6);
  const post = (hole: number) => tapeUp.fit(of({ halvings: 4, hole, end: 'rolled and posted' }));
  expect(post(ball - 0.1).headline).toBe('The ball does not go through the hole');
  expect(post(9).verdict).toBe('clear');
});

it('a wide tape is torn, small scraps are said, and colours must be seen on camera', () => {
  expect(tapeUp.fit(of({ torn: false })).headline).toBe('Too wide for a fingertip');
  expect(tapeUp.fit(of({ halvings: 6 })).headline).toBe('Small pieces');
  const pale = note('#E3CE9B');
  expect(tapeUp.fit(of({ video: true }, { paper: [pale] })).headline).toBe('Hard to see on camera');
  expect(tapeUp.fit(of({ video: true }, { paper: [note('#2C5F8A')] })).verdict).toBe('clear');
  expect(tapeUp.show(of({ video: true })).say).toContain('lays out');
});

it('grows in one sitting, minute by minute, from level to level', () => {
  const at = of({ minutes: 10, colours: 2 }, { paper: [note(), note('#2C5F8A', 3)] });
  const { script } = tapeUp.show(at);
  expect(script!.reduce((n, s) => n + s.minutes, 0)).toBe(10);
  const levels = tapeUp.levels(at).map((r) => r.id);
  for (const s of script!) expect(levels).toContain(s.level);
});

it('says when to take it off, and asks for care of the skin', () => {
  expect(tapeUp.show(of({})).stop).toMatch(/pales, reddens or hurts/);
  const report = checkFeatures(tapeUp.features(of({})), { youngest: 48, market: 'strictest of both' });
  expect(report.findings.find((f) => f.title.includes('round a finger'))).toMatchObject({ verdict: 'care' });
});
