import { usualMaterials } from './usual.ts';
import { PRACTISES, skillsOf, when, type Act } from './acts.ts';
import { loadPatterns, patternIds, SKILLS, type AnyAt, type OpenPattern } from './index.ts';
import { settingsOf } from './testingSettings.ts';

const patterns = await loadPatterns(patternIds());

describe.each(patterns.map((p) => [p.id, p] as const))('%s', (_, p) => {
  const all = settingsOf(p);
  it('practises what it claims, by something that a hand does at some setting, and nothing that it does not claim', () => {
    const by = new Set(all.flatMap((at) => skillsOf(p.acts(at))));
    expect([...by].sort()).toEqual([...p.skills].sort());
  });
  it('practises something at every setting', () => {
    expect(all.filter((at) => p.practises(at).length === 0).map((at) => at.dials)).toEqual([]);
  });
  it('begins so that it practises the skill that it is asked for', () => {
    for (const skill of SKILLS) {
      const dials = p.practising(all[0]!, skill);
      if (!p.skills.includes(skill)) expect(dials).toBeNull();
      else if (dials) expect(p.practises({ ...all[0]!, dials })).toContain(skill);
    }
  });
  it('says of two hands what its load says of them', () => {
    for (const at of all) {
      const load = p.load(at, p.fit(at));
      if (load && load.hands > 0) expect(p.practises(at)).toContain('Two hands together');
    }
  });
});

it('fingers posting caps practise no strength, tongs do; a peg on a rim always does', () => {
  const of = (id: string) => patterns.find((p) => p.id === id)!;
  const begin = (p: OpenPattern, dials: object = {}): AnyAt => {
    const start = { approach: 'prepared shelf' as const, ageFrom: 36, chosen: usualMaterials(p.roles) };
    return { ...start, dials: { ...p.defaults(start), ...dials } };
  };
  const drop = of('drop-through');
  expect(drop.practises(begin(drop))).not.toContain('Hand strength');
  expect(drop.practises(begin(drop, { tool: 'tongs' }))).toContain('Hand strength');
  expect(drop.practising(begin(drop), 'Hand strength')).toMatchObject({
    tool: expect.not.stringMatching('fingers') as string,
  });
  const rim = of('peg-rim');
  expect(rim.practises(begin(rim))[0]).toBe('Hand strength');
});

it('each act practises one skill of the list, and each skill has an act', () => {
  const acts = Object.keys(PRACTISES) as Act[];
  expect(skillsOf(acts)).toEqual([...SKILLS]);
  for (const act of acts) expect(skillsOf([act])).toHaveLength(1);
  expect(when({ pulls: true, squeezes: false })).toEqual(['pulls']);
});

it('every grip of the list of a hand’s development is asked by a level of some pattern', () => {
  const grips = patterns.flatMap((p) => settingsOf(p).flatMap((at) => p.levels(at).map((l) => l.grip)));
  for (const term of [
    'raking',
    'palmar',
    'digital',
    'inferior pincer',
    'superior pincer',
    'lateral pinch',
    'three-jaw',
    'tripod',
    'translation',
    'shift',
    'rotation',
    'finger isolation',
    'bilateral coordination',
  ])
    expect([term, grips.some((g) => g.includes(term))]).toEqual([term, true]);
});
