import { loadPattern } from '../../core/patterns/index.ts';
import { SLOT_DIALS } from '../../core/testing.ts';
import { CAP, slotDesign, TUB } from '../testing/desk.tsx';
import { lightOf } from './derived.ts';

const KEPT_BEFORE = slotDesign();

beforeAll(() => loadPattern('drop-through'));

it('a design kept before a dial came shows what its family takes for it', () => {
  expect(KEPT_BEFORE.dials).not.toHaveProperty('cover');
  const light = lightOf(KEPT_BEFORE, [TUB, CAP]);
  if ('problem' in light) throw new Error(light.problem);
  expect(light.at.dials).toMatchObject({ ...SLOT_DIALS, cover: 'lid', openings: 'one' });
  for (const spec of light.specs) expect(light.at.dials[spec.id]).toBeDefined();
});

it('says why a design cannot be read', () => {
  expect(lightOf({ ...KEPT_BEFORE, materials: {} }, [TUB, CAP])).toMatchObject({
    problem: expect.stringMatching(/no container is chosen/),
  });
});
