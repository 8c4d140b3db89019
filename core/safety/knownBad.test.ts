import type { Material } from '../materials/material.ts';
import { patternIds, loadPattern, type AnyAt, type OpenPattern } from '../patterns/index.ts';
import { fromCatalogue, usualMaterials } from '../patterns/usual.ts';
import { checkFeatures } from './check.ts';
import { smallestChanges, type Change } from './smallestChange.ts';

/** A design of a pattern that must be stopped, and the rule that must stop it. */
interface Bad {
  readonly ageFrom: number;
  readonly rule: string;
  /** Materials of the catalogue by role, in place of the usual. */
  readonly materials?: Readonly<Record<string, readonly string[]>>;
  readonly dials?: Readonly<Record<string, unknown>>;
  /** What is on the shelf to take instead. */
  readonly shelf?: readonly string[];
  /** The kind of change that must be among those that clear it. */
  readonly by: Change['kind'];
}

const BAD: Readonly<Record<string, Bad>> = {
  'drop-through': { ageFrom: 18, rule: 'finger', dials: { opening: 'round', length: 10 }, by: 'dial' },
  lace: { ageFrom: 12, rule: 'cord', by: 'age' },
  stack: {
    ageFrom: 18,
    rule: 'small-part',
    materials: { part: ['hose-cut'], post: ['chopstick'] },
    by: 'age',
  },
  'pull-out': {
    ageFrom: 18,
    rule: 'finger',
    materials: { box: ['wipes-tub'] },
    dials: { opening: 'hole', length: 10 },
    by: 'dial',
  },
  'peg-rim': {
    ageFrom: 30,
    rule: 'small-part',
    materials: { peg: ['mini-peg'] },
    shelf: ['wooden-peg'],
    by: 'material',
  },
  'count-out': {
    ageFrom: 30,
    rule: 'small-part',
    materials: { token: ['button-small'] },
    by: 'age',
  },
  'dot-mat': { ageFrom: 24, rule: 'small-part', by: 'age' },
  'sort-and-carry': {
    ageFrom: 24,
    rule: 'small-ball',
    materials: { piece: ['pom-pom'] },
    shelf: ['pom-large'],
    by: 'material',
  },
  'match-and-piece': {
    ageFrom: 24,
    rule: 'attached',
    materials: { knob: ['bead-large'] },
    dials: { kind: 'insets' },
    by: 'age',
  },
  weave: { ageFrom: 12, rule: 'cord', by: 'age' },
  shake: { ageFrom: 24, rule: 'filler', by: 'age' },
  'feed-the-mouth': {
    ageFrom: 24,
    rule: 'small-part',
    materials: { item: ['button-large'] },
    by: 'age',
  },
  track: { ageFrom: 24, rule: 'attached', by: 'age' },
  'finger-tape': {
    ageFrom: 30,
    rule: 'finger',
    materials: { box: ['sip-lid'] },
    dials: { hole: 9 },
    by: 'dial',
  },
  'trace-and-pull': { ageFrom: 12, rule: 'cord', by: 'age' },
  'tray-and-surface': {
    ageFrom: 24,
    rule: 'plant-never',
    materials: { item: ['yew'] },
    dials: { kind: 'wall' },
    shelf: ['fir-cone'],
    by: 'material',
  },
};

const YEW: Omit<Material, 'id'> = {
  ...fromCatalogue('twig', 1)!,
  name: 'Yew twig',
  materialClass: 'plant',
};
let number = 0;
const taken = (key: string): Material => {
  number += 1;
  const made = key === 'yew' ? { ...YEW, id: 100 + number } : fromCatalogue(key, 100 + number);
  if (!made) throw new Error(`no ${key} in the catalogue`);
  return { ...made, kept: 99 };
};

function badDesign(pattern: OpenPattern, bad: Bad): AnyAt {
  const own = Object.fromEntries(
    Object.entries(bad.materials ?? {}).map(([role, keys]) => [role, keys.map(taken)]),
  );
  const start = {
    approach: 'prepared shelf',
    ageFrom: bad.ageFrom,
    chosen: { ...usualMaterials(pattern.roles), ...own },
  } as const;
  const dials = { ...(pattern.defaults(start) as object), ...bad.dials };
  return { ...start, dials: pattern.check(dials) };
}

const stopsBy = (pattern: OpenPattern, at: AnyAt, rule: string): number =>
  checkFeatures(pattern.features(at), { youngest: at.ageFrom, market: 'strictest of both' }).findings.filter(
    (f) => f.rule === rule && f.verdict === 'stop',
  ).length;

/** The design with a change taken, as the screen takes it. */
const changed = (at: AnyAt, c: Change, shelf: readonly Material[]): AnyAt => {
  if (c.kind === 'dial') return { ...at, dials: { ...(at.dials as object), [c.id]: c.value } };
  if (c.kind === 'age') return { ...at, ageFrom: Number(c.to) };
  const known = [...Object.values(at.chosen).flat(), ...shelf];
  return {
    ...at,
    chosen: { ...at.chosen, [c.id]: c.kinds!.map((id) => known.find((m) => m.id === id)!) },
  };
};

it.each(patternIds().map((id) => [id, BAD[id]!] as const))(
  '%s: a design that could hurt is stopped for its reason, and a change that is offered clears it',
  async (id, bad) => {
    const pattern = await loadPattern(id);
    const at = badDesign(pattern, bad);
    expect(stopsBy(pattern, at, bad.rule)).toBeGreaterThan(0);
    const shelf = (bad.shelf ?? []).map(taken);
    const offered = smallestChanges({
      pattern,
      at,
      rule: bad.rule,
      options: { youngest: at.ageFrom, market: 'strictest of both' },
      shelf,
    });
    const cures = offered.filter((c) => c.kind === bad.by && c.verdict !== 'stop');
    expect(cures.length).toBeGreaterThan(0);
    for (const c of cures) expect(stopsBy(pattern, changed(at, c, shelf), bad.rule)).toBe(0);
    // No change that is offered stops what was not stopped.
    for (const c of offered) {
      const there = changed(at, c, shelf);
      const stops = (x: AnyAt): Set<string> =>
        new Set(
          checkFeatures(pattern.features(x), { youngest: x.ageFrom, market: 'strictest of both' })
            .findings.filter((f) => f.verdict === 'stop')
            .map((f) => f.rule),
        );
      const before = stops(at);
      expect([...stops(there)].filter((r) => !before.has(r))).toEqual([]);
    }
  },
);
