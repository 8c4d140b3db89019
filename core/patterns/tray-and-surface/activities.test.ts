import { asMaterial, entryOf } from '../../catalogue/index.ts';
import { checkFeatures } from '../../safety/check.ts';
import { APPROACHES, loadPattern, type AnyAt, type OpenPattern } from '../index.ts';
import { usualMaterials } from '../usual.ts';
import type { Dials } from './dials.ts';

const KINDS = ['food tray', 'dough', 'wall', 'floor', 'foil', 'brushes'] as const;
const m = (key: string, id: number) => ({ ...asMaterial(entryOf(key)!), id, kept: 5000, clean: true });
const DOUGH = [m('wheat-flour', 91), m('fine-salt', 92)];

let surface: OpenPattern;
beforeAll(async () => {
  surface = await loadPattern('tray-and-surface');
});
const at = (kind: Dials['kind'], part: Partial<Dials> = {}, more: Partial<AnyAt> = {}): AnyAt => {
  const chosen = {
    ...usualMaterials(surface.roles),
    ...(kind === 'dough' ? { fill: DOUGH } : {}),
    ...more.chosen,
  };
  const start = { approach: 'prepared shelf' as const, ageFrom: 48, ...more, chosen };
  return { ...start, dials: { ...surface.defaults(start), kind, ...part } };
};

describe.each(KINDS)('%s', (kind) => {
  it('has a title, facts, steps from setting out to counting, levels that rise, and a drawing to scale', () => {
    const a = at(kind);
    expect(surface.fit(a).verdict).not.toBe('stop');
    expect(surface.title(a)).not.toBe('');
    expect(surface.steps(a).map((s) => s.id)).toEqual(expect.arrayContaining(['ready', 'clean', 'count']));
    const loads = surface.levels(a).map((l) => l.load.total);
    expect(loads.length).toBeGreaterThanOrEqual(4);
    expect(loads).toEqual([...loads].sort((x, y) => x - y));
    const { scene, about, sheets } = surface.draw(a);
    expect(scene.marks.length).toBeGreaterThan(3);
    expect(about).toMatch(/, to scale$/);
    expect(sheets.length).toBeGreaterThan(0);
  });
  it('is set out by children where it is made together, and foil and mixing by who must', () => {
    const who = (approach: (typeof APPROACHES)[number]) =>
      surface.steps(at(kind, {}, { approach })).find((s) => s.id === 'ready')!.who;
    const usual: Partial<Record<Dials['kind'], string>> = { dough: 'child', foil: 'adult' };
    expect(who('prepared shelf')).toBe(usual[kind] ?? 'either');
    expect(who('made together')).toBe(usual[kind] ?? 'child');
  });
  it('is cleared away longer for more children, and that is part of the sitting', () => {
    const clean = (children: number) =>
      surface.steps(at(kind, { children })).find((s) => s.id === 'clean')!.perCopy;
    expect(clean(1)).toBeGreaterThanOrEqual(3);
    expect(clean(6)).toBeGreaterThan(clean(1));
    expect(surface.show(at(kind, { children: 3 })).script!.at(-1)!.minutes).toBe(clean(3));
  });
  it('has an account of everything in its bill', () => {
    const report = checkFeatures(surface.features(at(kind)), { youngest: 48, market: 'strictest of both' });
    expect(report.isAccounted).toBe(true);
  });
});

describe('what is used up at each loan', () => {
  const used = (a: AnyAt) =>
    surface
      .needs(a)
      .filter((n) => n.eachTime)
      .map((n) => n.role)
      .sort();
  it.each([
    ['food tray', {}, ['fill']],
    ['dough', { salt: 1 }, []],
    ['dough', { salt: 0 }, ['fill']],
    ['wall', {}, ['tape']],
    ['floor', {}, ['tape']],
    ['foil', {}, ['foil', 'tape']],
    ['brushes', {}, ['page', 'paint']],
  ] as const)('%s %j', (kind, part, roles) => {
    expect(used(at(kind, part))).toEqual(roles);
  });
  it('a tray, things on the wall and brushes come back', () => {
    const kept = (kind: Dials['kind']) =>
      surface
        .needs(at(kind))
        .filter((n) => n.counted && !n.eachTime)
        .map((n) => n.role);
    expect(kept('food tray')).toEqual(['tray']);
    expect(kept('wall')).toEqual(['item']);
    expect(kept('brushes')).toEqual(['brush', 'brush']);
  });
});

describe('amounts', () => {
  it('paint is by colours and children; without paint chosen that is said', () => {
    const paint = (colours: string, children: number) =>
      surface.needs(at('brushes', { colours, children })).find((n) => n.role === 'paint')!.share! * 300;
    expect(paint('yellow', 1)).toBeCloseTo(8, 6);
    expect(paint('yellow, green', 3)).toBeCloseTo(48, 6);
    const none = at('brushes', {}, { chosen: { paint: [] } });
    expect(surface.plan(none).unlisted).toEqual(['Paint']);
    expect(surface.plan(at('brushes')).unlisted).toEqual([]);
  });
  it('two foods in a tray share it', () => {
    const fill = [m('plain-yogurt', 93), m('apple-sauce', 94)];
    const needs = surface.needs(at('food tray', { depth: 15, dense: 100 }, { chosen: { fill } }));
    const grams = needs
      .filter((n) => n.role === 'fill')
      .map((n) => n.share! * (n.materialId === 93 ? 500 : 350));
    expect(grams[0]).toBeCloseTo(grams[1]!, 6);
    const mass = Number(
      surface
        .fit(at('food tray', { depth: 15, dense: 100 }, { chosen: { fill } }))
        .facts.find((f) => f.id === 'mass')!.value,
    );
    expect(grams[0]! + grams[1]!).toBeCloseTo(mass, 0);
  });
  it('what comes off the floor is rolled up by a child from three on, by an adult before', () => {
    for (const kind of ['floor', 'foil'] as const) {
      const who = (ageFrom: number) =>
        surface.steps(at(kind, {}, { ageFrom })).find((s) => s.id === 'clean')!.who;
      expect([who(24), who(36)]).toEqual(['adult', 'child']);
      const balls = (ageFrom: number) =>
        surface.features(at(kind, {}, { ageFrom })).filter((f) => f.kind === 'piece' && f.ball).length;
      expect([balls(24), balls(36)]).toEqual([0, 1]);
    }
  });
  it('salt is told of a dough that has some', () => {
    const salt = (part: Partial<Dials>) =>
      surface.features(at('dough', part)).flatMap((f) => (f.kind === 'salt' ? [f.grams] : []));
    expect(salt({ salt: 0 })).toEqual([]);
    expect(salt({ salt: 1 })[0]).toBeGreaterThan(20);
  });
});
