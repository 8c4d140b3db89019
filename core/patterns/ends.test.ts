import { patternAnswer } from './answer.ts';
import { dialsAtEnds, materialsAtEnds } from './ends.ts';
import { patternIds, loadPatterns, PatternError } from './index.ts';
import { usualMaterials } from './usual.ts';

const patterns = await loadPatterns(patternIds());

/** The answer, or the refusal that names a field; anything else is thrown on. */
async function refusalOf(pattern: string, dials: object, materials: object): Promise<string | null> {
  try {
    await patternAnswer({
      pattern,
      dials: dials as Record<string, unknown>,
      materials: materials as Parameters<typeof patternAnswer>[0]['materials'],
      approach: 'prepared shelf',
      ageFrom: 36,
      market: 'strictest of both',
    });
    return null;
  } catch (error) {
    if (error instanceof PatternError) return error.path;
    throw error;
  }
}

describe.each(patterns.map((p) => [p.id, p] as const))('%s', (_, p) => {
  it('answers every dial at its ends, or names the dial', async () => {
    const usual = usualMaterials(p.roles);
    const refused: string[] = [];
    const ends = dialsAtEnds(p);
    for (const { what, dials } of ends) {
      const path = await refusalOf(p.id, dials, usual);
      if (path !== null) refused.push(`${what}: ${path}`);
    }
    for (const r of refused) expect(r).toMatch(/: (dials|materials)\./);
    // Most of what may be typed has an answer.
    expect(refused.length).toBeLessThan(ends.length);
  });
  it('answers materials of any size that may be typed, or names what cannot be made of them', async () => {
    for (const { what, materials } of materialsAtEnds(p)) {
      const path = await refusalOf(p.id, {}, materials);
      if (path !== null) expect(`${what}: ${path}`).toMatch(/: (dials|materials)/);
    }
  });
});
