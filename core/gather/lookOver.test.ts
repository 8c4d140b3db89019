import { lookOver, look, outcomeWords, type Policy } from './lookOver.ts';
import { catalogue, entryOf, asMaterial } from '../catalogue/index.ts';

const policy: Policy = { toiletRolls: 'rest', eggCartons: 'never', restDays: 3 };
const seen = (key: string, part: object = {}, place: Policy = policy) =>
  lookOver({
    material: asMaterial(entryOf(key)!),
    look: look.parse(part),
    policy: place,
    today: '2026-11-24',
  });

describe('a look over a find', () => {
  it('keeps what is clean, dry and whole', () => {
    expect(seen('milk-cap')).toEqual({ outcome: 'keep', until: null, reasons: [] });
    expect(outcomeWords(seen('milk-cap'))).toBe('Keep it.');
  });
  it('never keeps a plant that the list calls poisonous, whatever it is called', () => {
    const of = (name: string, materialClass: 'plant' | 'wood' | 'plastic' = 'plant') =>
      lookOver({
        material: { name, form: 'piece', materialClass, hazards: [] },
        look: look.parse({}),
        policy,
        today: '2026-11-24',
      });
    expect(of('Daffodils from the lane')).toMatchObject({ outcome: 'never' });
    expect(outcomeWords(of('Yew twig', 'wood'))).toBe(
      'Never on the shelf. Yew is poisonous (every part but the red flesh, the seed most): never near children.',
    );
    expect(of('Lavender stem').outcome).toBe('keep');
    expect(of('Yew-green cap', 'plastic').outcome).toBe('keep');
  });
  it.each([
    ['yogurt-tub', { clean: 'sticky' }, 'clean first', 'clean'],
    ['yogurt-tub', { smell: 'of food' }, 'clean first', 'smell'],
    ['yogurt-tub', { smell: 'of fish' }, 'clean first', 'smell'],
    ['cereal-box', { smell: 'of fish' }, 'never', 'smell'],
    ['cereal-box', { clean: 'dusty' }, 'clean first', 'clean'],
    ['cereal-box', { clean: 'greasy' }, 'never', 'clean'],
    ['cereal-box', { dry: 'damp' }, 'rest', 'dry'],
    ['cereal-box', { dry: 'mouldy' }, 'never', 'dry'],
    ['cereal-box', { held: 'nuts' }, 'never', 'held'],
    ['takeaway-box', { held: 'raw meat or fish' }, 'never', 'held'],
    ['spice-jar', { held: 'medicine' }, 'never', 'held'],
    ['dose-cap', { held: 'chemicals' }, 'never', 'held'],
    ['jar-lid-metal', { sharp: 'can be made good' }, 'clean first', 'sharp'],
    ['jar-lid-metal', { sharp: 'cannot be made good' }, 'never', 'sharp'],
    ['water-bottle', { crushed: 'flat', closes: 'no' }, 'never', 'crushed'],
    ['cereal-box', { crushed: 'flat' }, 'keep', null],
    ['toilet-tube', { held: 'toilet roll' }, 'rest', 'held'],
    ['egg-carton', { held: 'eggs' }, 'never', 'held'],
    ['button-cell-20', {}, 'never', 'held'],
  ] as const)('%s with %j: %s', (key, part, outcome, question) => {
    const a = seen(key, part);
    expect(a.outcome).toBe(outcome);
    expect(a.reasons[0]?.question ?? null).toBe(question);
    expect(a.until).toBe(outcome === 'rest' ? '2026-11-27' : null);
    if (outcome !== 'keep') expect(a.reasons[0]!.words.length).toBeGreaterThan(10);
  });
  it('lets the place decide on toilet-roll tubes and egg cartons', () => {
    const held = { held: 'toilet roll' };
    expect(seen('toilet-tube', held, { ...policy, toiletRolls: 'keep' }).outcome).toBe('keep');
    expect(seen('toilet-tube', held, { ...policy, toiletRolls: 'never' }).outcome).toBe('never');
    expect(seen('egg-carton', { held: 'eggs' }, { ...policy, eggCartons: 'rest', restDays: 10 }).until).toBe(
      '2026-12-04',
    );
  });
  it('lets the worst reason win, and keeps every reason that still asks for something', () => {
    const a = seen('yogurt-tub', { clean: 'sticky', dry: 'damp' });
    expect(a.reasons.map((r) => r.outcome)).toEqual(['clean first', 'rest']);
    // What is never kept is not to be washed or aired first.
    const never = seen('cereal-box', { clean: 'greasy', dry: 'damp', held: 'wet food' });
    expect(never.reasons.map((r) => [r.outcome, r.question])).toEqual([
      ['never', 'clean'],
      ['never', 'held'],
    ]);
    for (const e of catalogue)
      for (const smell of ['of food', 'of fish', 'of chemicals'] as const) {
        const { outcome, reasons } = seen(e.key, { smell, clean: 'sticky', held: 'raw meat or fish' });
        expect([e.key, outcome, reasons.some((r) => /\bwash\b/i.test(r.words.split('washed')[0]!))]).toEqual([
          e.key,
          'never',
          false,
        ]);
      }
  });
  it('says the day of a quarantine as a person does', () => {
    expect(outcomeWords(seen('toilet-tube', { held: 'toilet roll' }))).toMatch(/^Quarantine until 27 Nov\. /);
    expect(outcomeWords(seen('toilet-tube', { held: 'toilet roll' }), (d) => `the day ${d}`)).toMatch(
      /^Quarantine until the day 2026-11-27\. /,
    );
  });
  it('never gets better when more is wrong', () => {
    const rank = { keep: 0, rest: 1, 'clean first': 2, never: 3 };
    for (const e of catalogue.slice(0, 40)) {
      const one = seen(e.key, { clean: 'dusty' });
      const two = seen(e.key, { clean: 'dusty', sharp: 'cannot be made good' });
      expect(rank[two.outcome]).toBeGreaterThanOrEqual(rank[one.outcome]);
    }
  });
});
