import { catalogue } from './index.ts';
import { plantOf, PLANTS, PLANT_STANDINGS } from './plants.ts';

const standing = (name: string) => plantOf(name)?.standing ?? null;
const first = (name: string) => plantOf(name)?.names[0];

describe('the list of plants', () => {
  it('has at least 80, each with a part, a botanical name and names of its own', () => {
    expect(PLANTS.length).toBeGreaterThanOrEqual(80);
    const names = PLANTS.flatMap((p) => p.names.map((n) => n.toLowerCase()));
    expect(new Set(names).size).toBe(names.length);
    for (const p of PLANTS) {
      expect(p.part).not.toBe('');
      expect(p.botanical).toMatch(/^[A-Z][a-z]+/);
    }
    for (const s of PLANT_STANDINGS)
      expect(PLANTS.filter((p) => p.standing === s).length).toBeGreaterThan(20);
  });
  it('finds a plant under each of its names, and its botanical one', () => {
    for (const p of PLANTS)
      for (const name of [...p.names, `${p.names[0]} stem`, `dried ${p.names[0]!.toUpperCase()}`])
        // A name may hold a longer one of a worse plant, never one that is held to be harmless.
        expect(PLANT_STANDINGS.indexOf(standing(name)!)).toBeLessThanOrEqual(
          PLANT_STANDINGS.indexOf(p.standing),
        );
    expect(first('Nerium oleander')).toBe('oleander');
    expect(first('taxus')).toBe('yew');
  });
  it('knows those that are published as poisonous, irritating and in common use', () => {
    for (const name of ['daffodil', 'yew', 'oleander', 'foxglove', 'lily of the valley'])
      expect([name, standing(name)]).toEqual([name, 'never']);
    expect(standing('ivy')).toBe('irritant');
    for (const name of ['lavender', 'willow', 'mint', 'rosemary'])
      expect([name, standing(name)]).toEqual([name, 'commonly used']);
  });
  it('reads plurals, a letter wrong, other spellings, and the longest name that stands there', () => {
    expect(first('Daffodils')).toBe('daffodil');
    expect(first('lavendar')).toBe('lavender');
    expect(first('rosmeary sprig')).toBe('rosemary');
    expect(first('Foxgloves, dried')).toBe('foxglove');
    expect(first('poison ivy')).toBe('poison ivy');
    expect(first('Ivy runner')).toBe('ivy');
    expect(first('Christmas roses')).toBe('hellebore');
    expect(first('rose stem')).toBe('rose');
    expect(first('lords-and-ladies')).toBe('lords and ladies');
    expect(first('angels trumpet')).toBe('angel’s trumpet');
  });
  it('says nothing of what is no plant', () => {
    for (const name of ['', 'Milk-bottle cap', 'Cereal box', 'Broom handle', 'Peg', 'Paper plate', 'minty'])
      expect([name, standing(name)]).toEqual([name, null]);
    // Nothing of the household is taken for a poisonous plant.
    for (const e of catalogue.filter((x) => !['Plants', 'Natural finds', 'Foods'].includes(x.group)))
      expect([e.name, standing(e.name)]).not.toEqual([e.name, 'never']);
  });
});
