import { look } from '../gather/lookOver.ts';
import { material } from '../testing.ts';
import { checkContainer, insideOf, packingOf } from './container.ts';
import { pack } from './pack.ts';

const BOX = material(1, {
  name: 'Shoe box',
  form: 'container',
  sizes: { length: 103, width: 63, height: 41.5, wall: 1.5 },
  materialClass: 'card',
});
const TUB = material(2, { name: 'Tub', form: 'container', sizes: { diameter: 102, height: 91, wall: 1 } });
const CAP = material(3, { name: 'Cap', form: 'disc', sizes: { diameter: 38, height: 14 } });
const CUBE = material(4, {
  name: 'Sponge',
  form: 'piece',
  solid: 'block',
  sizes: { length: 60, width: 60, height: 60 },
  give: 0.5,
  materialClass: 'foam',
});
const ROLL = material(5, { name: 'String', form: 'cord', sizes: { diameter: 2 }, unit: 'mm' });
const ample = { now: () => 0, until: 1 };
const of = (part: object | null, parts = [{ material: CAP, count: 4 }]) =>
  Object.fromEntries(
    checkContainer({ container: BOX, parts, look: part && look.parse(part), unit: 'mm' }).map((c) => [
      c.id,
      c,
    ]),
  );

describe('a kit in a container', () => {
  it('has the inside less the walls; of a round one the square in its mouth', () => {
    expect(insideOf(BOX)).toEqual({ length: 100, width: 60, height: 40, round: false });
    // 100 mm across inside: the square has 100/√2 = 70.7 mm.
    expect(insideOf(TUB)).toEqual({ length: 70.7, width: 70.7, height: 90, round: true });
  });
  it('is packed part by part, soft parts as they give, what has no shape left out', () => {
    const request = packingOf(BOX, [
      { material: CAP, count: 4 },
      { material: CUBE, count: 2 },
      { material: ROLL, count: 1 },
    ])!;
    expect(request.items.map((i) => [i.id, i.length, i.count])).toEqual([
      ['Cap', 38, 4],
      ['Sponge', 30, 2],
    ]);
    expect(pack(request, ample).fits).toBe(true);
    expect(packingOf(BOX, [{ material: ROLL, count: 1 }])).toBeNull();
    expect(packingOf(BOX, [{ material: CAP, count: 201 }])).toBeNull();
  });
  it('closes, or falls out on the way', () => {
    expect(of({ closes: 'yes' }).closes!.verdict).toBe('clear');
    expect(of({ closes: 'no' }).closes!.verdict).toBe('stop');
    expect(of({ closes: 'has no lid' }).closes!.verdict).toBe('care');
    expect(of(null).closes).toMatchObject({
      verdict: 'care',
      words: expect.stringContaining('Nobody has looked'),
    });
  });
  it('loses what goes through its largest gap, by the passage computation', () => {
    expect(of({ gap: 38.2 }).gap).toMatchObject({ verdict: 'stop', words: expect.stringContaining('Cap') });
    expect(of({ gap: 37.8 }).gap!.verdict).toBe('clear');
    expect(of({ gap: 0 }).gap!.words).toBe('No hole or gap was found.');
    // A sponge of 60 mm gives by half: √2 · 30 mm is the least round hole.
    expect(of({ gap: 43 }, [{ material: CUBE, count: 1 }]).gap!.verdict).toBe('stop');
    expect(of({ gap: 42 }, [{ material: CUBE, count: 1 }]).gap!.verdict).toBe('clear');
  });
  it('is deep enough for what lies flat in it', () => {
    expect(of({}).deep!.verdict).toBe('clear');
    const tall = material(9, {
      name: 'Block',
      form: 'piece',
      solid: 'block',
      sizes: { length: 50, width: 45, height: 42 },
    });
    expect(of({}, [{ material: tall, count: 1 }]).deep).toMatchObject({ verdict: 'stop' });
  });
  it('says whether the front is clear', () => {
    expect(of({ front: 'see-through' }).front!.verdict).toBe('clear');
    expect(of({ front: 'printed' }).front!.verdict).toBe('care');
  });
});
