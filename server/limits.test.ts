import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const STATIONS = join(import.meta.dirname, 'stations');

/**
 * Every read that ends at a number, and why nothing is decided by what it leaves out: a page of a list or of a file that
 * goes on, what is shown and says so, what is recent by its meaning, or one row that stands for any.
 */
const ALLOWED: Readonly<Record<string, readonly [times: number, why: string]>> = {
  'check/askKit.ts': [1, 'one family that a child belongs to: any of them tells its youngest'],
  'check/service.ts': [1, 'shown: the log of rules'],
  'files/familyRows.ts': [1, 'a page of a file that goes on'],
  'files/kitRows.ts': [1, 'a page of a file that goes on'],
  'files/lotRows.ts': [1, 'a page of a file that goes on'],
  'files/materialRows.ts': [1, 'a page of a file that goes on'],
  'files/noteRows.ts': [1, 'a page of a file that goes on'],
  'files/offerRows.ts': [1, 'a page of a file that goes on'],
  'files/recordRows.ts': [3, 'a page of a file that goes on'],
  'gather/service.ts': [
    2,
    'shown: the first names of what uses a material; the whole shelf, a million kinds at most',
  ],
  'lend/durability.ts': [1, 'recent: counts that say how long pieces last'],
  'lend/erase.ts': [1, 'one kit that is still out stands for any'],
  'lend/found.ts': [1, 'shown: pieces that are missing'],
  'lend/bundles.ts': [1, 'shown: suggestions'],
  'lend/telling.ts': [1, 'shown: what a family was told last'],
  'lend/term.ts': [1, 'recent: counts of a term'],
  'lend/termPlan/service.ts': [1, 'shown: plans by name'],
  'make/batches.ts': [1, 'shown: batches'],
  'make/ownTimes.ts': [1, 'recent: times of steps'],
  'watch/children.ts': [1, 'shown: children measured'],
  'watch/model.ts': [1, 'recent: notes that difficulties are found from'],
  'watch/page.ts': [1, 'shown: children that notes speak of'],
  'watch/routes.ts': [1, 'shown: notes on a paper'],
};

it('nothing is decided by what a list leaves out', () => {
  const found: Record<string, number> = {};
  for (const entry of readdirSync(STATIONS, { recursive: true, encoding: 'utf8' })) {
    if (!entry.endsWith('.ts') || entry.endsWith('.test.ts')) continue;
    const text = readFileSync(join(STATIONS, entry), 'utf8');
    const times = [...text.matchAll(/\blimit (\d|\$\{)|\blimit: [\dA-Z]/g)].filter(
      // What a pack is limited to is no list.
      ({ index }) => !text.slice(index, index + 12).startsWith('limit: 0 }'),
    ).length;
    if (times > 0) found[entry] = times;
  }
  expect(found).toEqual(Object.fromEntries(Object.entries(ALLOWED).map(([file, [times]]) => [file, times])));
});
