import { APART, loadOf } from '../challenge/load.ts';
import { dialsAtEnds } from './ends.ts';
import {
  loadPatterns,
  patternIds,
  PatternError,
  type AnyAt,
  type AnyDials,
  type OpenPattern,
} from './index.ts';
import { APPROACHES } from './kernel.ts';
import { usualMaterials } from './usual.ts';

const patterns = await loadPatterns(patternIds());
const byId = new Map(patterns.map((p) => [p.id, p]));

const begun = (p: OpenPattern, approach: (typeof APPROACHES)[number], ageFrom = 36): AnyAt => {
  const chosen = usualMaterials(p.roles);
  return { approach, ageFrom, chosen, dials: p.defaults({ approach, ageFrom, chosen }) };
};
const with_ = (id: string, dials: AnyDials): AnyAt => {
  const at = begun(byId.get(id)!, 'prepared shelf');
  return { ...at, dials: { ...(at.dials as object), ...dials } };
};
const load = (id: string, dials: AnyDials): number => {
  const p = byId.get(id)!;
  const at = with_(id, dials);
  return p.load(at, p.fit(at))!.total;
};

describe.each(patterns.map((p) => [p.id, p] as const))('the ladder of %s', (_, p) => {
  it.each(APPROACHES)('in %s rises by at least 0.3 from level to level', (approach) => {
    const levels = p.levels(begun(p, approach));
    expect(levels.length).toBeGreaterThanOrEqual(4);
    for (const [i, l] of levels.entries())
      if (i > 0) expect(l.load.total - levels[i - 1]!.load.total).toBeGreaterThanOrEqual(APART - 1e-9);
  });
  it('rises at the ends of every dial too', () => {
    const at = begun(p, 'prepared shelf');
    let ladders = 0;
    for (const { dials } of dialsAtEnds(p)) {
      try {
        const levels = p.levels({ ...at, dials: p.check({ ...(at.dials as object), ...dials }) });
        if (levels.length > 1) ladders++;
        for (const [i, l] of levels.entries())
          if (i > 0) expect(l.load.total - levels[i - 1]!.load.total).toBeGreaterThanOrEqual(APART - 1e-9);
      } catch (error) {
        if (!(error instanceof PatternError)) throw error;
      }
    }
    expect(ladders).toBeGreaterThan(0);
  });
});

/** What Show calls harder asks for more, by at least 0.3. */
it.each([
  ['peg-rim', 'pegs that touch', { gap: 5 }, { gap: 0 }],
  ['peg-rim', 'more pegs', { number: 4 }, { number: 12 }],
  ['weave', 'more arms', { frame: 'star', sticks: 3 }, { frame: 'star', sticks: 6 }],
  ['weave', 'twelve sticks', { frame: 'star', sticks: 6 }, { frame: 'star', sticks: 12 }],
  ['lace', 'twice the holes', { holes: 6 }, { holes: 12 }],
  ['lace', 'whip stitch', { stitch: 'running' }, { stitch: 'whip' }],
  ['lace', 'a thicker tip', { tip: 3 }, { tip: 4.5 }],
  ['pull-out', 'less to hold', { proud: 90 }, { proud: 40 }],
  ['stack', 'in order', { shows: 'plain' }, { shows: 'numbers' }],
  ['stack', 'a picture', { shows: 'numbers' }, { shows: 'picture' }],
  ['track', 'a narrower lane', { lane: 42 }, { lane: 32 }],
  ['match-and-piece', 'more to keep in view', { number: 4 }, { number: 6 }],
] as [string, string, AnyDials, AnyDials][])('%s: %s is harder', (id, _, easier, harder) => {
  expect(load(id, harder) - load(id, easier)).toBeGreaterThanOrEqual(APART);
});

it('parts of a load add up, and what is beside aim and choice is told from it', () => {
  const l = loadOf([{ distance: 100, tolerance: 25, choices: 4 }], {
    hands: 2,
    force: 20,
    remember: 2,
    attend: 8,
  });
  expect(l).toEqual({ aim: 3, choice: 2, hands: 1, force: 2, remember: 1, attend: 3, total: 12 });
  expect(loadOf([{ distance: 100, tolerance: 25 }], { force: 4 }).total).toBe(3);
});
