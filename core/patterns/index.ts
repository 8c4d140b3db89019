import type { z } from 'zod';
import type { Hand } from '../child/hand.ts';
import { formatAges } from '../calendar/ages.ts';
import { challenge, type Move } from '../challenge/bits.ts';
import { apart, loadOf, type Load } from '../challenge/load.ts';
import { skillsOf, type Act } from './acts.ts';
import { needsOf } from '../cut/needs.ts';
import type { Material } from '../materials/material.ts';
import {
  PatternError,
  type At,
  type Counts,
  type Dialled,
  type DialSpec,
  type Drawing,
  type Fact,
  type Feature,
  type Fit,
  type Need,
  type Pattern,
  type Plan,
  type Level,
  type Show,
  type Skill,
  type Start,
  type Step,
} from './kernel.ts';
import { accountOf } from './account.ts';

export * from './kernel.ts';

export type AnyDials = Record<string, unknown>;
/** A design with dials as they came from a file or the database. */
export type AnyAt = At<unknown>;

/** Most levels a ladder shows. */
const MOST_LEVELS = 6;

/** A pattern with its dials checked at the door, and with what the kernel adds. */
export interface OpenPattern extends Pick<
  Pattern<AnyDials>,
  'id' | 'name' | 'does' | 'skills' | 'quiet' | 'roles'
> {
  /** What may be told of each dial. */
  readonly dials: z.ZodType<AnyDials>;
  readonly ends: Dialled<AnyDials>['ends'];
  /** @throws PatternError naming the dial */
  check(dials: unknown): AnyDials;
  title(at: AnyAt): string;
  /** What a design is called until somebody names it: what it is now, at most 80 characters. */
  called(at: AnyAt): string;
  defaults(start: Start): AnyDials;
  specs(at: AnyAt): DialSpec[];
  /** Between which ages most children begin it, months. */
  usualFrom(at: AnyAt): readonly [number, number];
  fit(at: AnyAt): Fit;
  plan(at: AnyAt): Plan;
  /** What one kit takes of the shelf, parts that are cut with the material they are cut from. */
  needs(at: AnyAt): Need[];
  steps(at: AnyAt): readonly Step[];
  draw(at: AnyAt, fit?: Fit): Drawing;
  /** Whether the drawing takes what the fit found; it need not be drawn again otherwise. */
  readonly drawsFit: boolean;
  moves(at: AnyAt, fit: Fit): Move[];
  /** Aim and choice of its moves, and what it asks beside them. */
  /** What the hands do as it is set, and the skills that they practise by it, the pattern's first before all. */
  acts(at: AnyAt): readonly Act[];
  practises(at: AnyAt): Skill[];
  /** The dials as they are where they practise a skill, else those of the first level named that does; null where none does. */
  practising(at: AnyAt, skill: Skill): AnyDials | null;
  /** Null where it does not do what it is meant to. */
  load(at: AnyAt, fit: Fit): Load | null;
  /** Bits of one move after the other, added up; null where the design does not do what it is meant to. */
  bits(at: AnyAt, fit: Fit): number | null;
  counts(at: AnyAt): Counts;
  features(at: AnyAt): Feature[];
  /** The dials fitted to a child's own hand, and which of them differ; as they were where it would no longer work. */
  forHand(at: AnyAt, hand: Hand): { readonly dials: AnyDials; readonly differs: readonly Fact[] };
  /** Easier to harder by load, without those that cannot be and those that are as hard as the one before. */
  levels(at: AnyAt): Level<AnyDials>[];
  show(at: AnyAt): Show;
}

/** Dials that stand otherwise than in `own`, in their own words. */
const differing = (specs: readonly DialSpec[], own: AnyDials, there: AnyDials): Fact[] =>
  specs.flatMap((s): Fact[] => {
    const value = there[s.id];
    if (JSON.stringify(value) === JSON.stringify(own[s.id])) return [];
    const base = { id: s.id, label: s.label };
    switch (s.kind) {
      case 'number':
        return [{ ...base, value: Number(value), unit: s.unit }];
      case 'choice':
        return [{ ...base, value: s.options.find((o) => o.value === value)?.label ?? String(value) }];
      case 'switch':
        return [{ ...base, value: value === true ? 'yes' : 'no' }];
      default:
        return [{ ...base, value: typeof value === 'string' ? value : 'another' }];
    }
  });

/** Numbers kept within what the dials allow; one that is as it was and still in range stays as it was. */
const within = (specs: readonly DialSpec[], asked: AnyDials, own: AnyDials): AnyDials =>
  Object.fromEntries(
    Object.entries(asked).map(([id, value]) => {
      const spec = specs.find((s) => s.id === id);
      if (spec?.kind !== 'number' || typeof value !== 'number') return [id, value];
      if (value === own[id] && value >= spec.min && value <= spec.max) return [id, value];
      const stepped = spec.min + Math.round((value - spec.min) / spec.step) * spec.step;
      return [id, Math.min(spec.max, Math.max(spec.min, stepped))];
    }),
  );

/** Forms whose mass is that of one; of sheets and cords it is that of a measure. */
const WEIGHED: readonly Material['form'][] = ['piece', 'disc', 'tube', 'container'];

/** The fit, and what is said where most children of that age are too young for it: children differ, so it stops nobody. */
function withAge<F>(fit: Fit<F>, [from, to]: readonly [number, number], ageFrom: number): Fit<F> {
  const isEarly = ageFrom < from;
  const facts: Fact[] = [
    ...fit.facts,
    {
      id: 'usualFrom',
      label: 'Most children begin it at (children differ)',
      value: formatAges(from, to),
      ...(isEarly ? { verdict: 'care' as const } : {}),
    },
  ];
  if (!isEarly || fit.verdict !== 'clear') return { ...fit, facts };
  return {
    ...fit,
    facts,
    verdict: 'care',
    headline: 'Too early for most',
    remedy: `Most children begin it at ${formatAges(from, to)}. Children differ: who knows the child decides.`,
  };
}

function opened<D extends object, F>(p: Pattern<D, F>): OpenPattern {
  const check = (raw: unknown): D => {
    const parsed = p.dials.schema.safeParse(raw);
    if (parsed.success) return parsed.data;
    const [first] = parsed.error.issues;
    throw new PatternError(['dials', ...first!.path.map(String)].join('.'), first!.message);
  };
  const known = (at: AnyAt): At<D> => ({ ...at, dials: check(at.dials) });
  const levels = (at: At<D>): Level<AnyDials>[] =>
    apart(
      p.levels(at).flatMap((r): Level<AnyDials>[] => {
        const there = { ...at, dials: r.dials };
        const fit = withAge(p.fit(there), p.usualFrom(there), at.ageFrom);
        if (fit.verdict === 'stop') return [];
        const moves = p.moves(there, fit);
        const load = loadOf(moves, p.beside?.(there, fit));
        const { picture } = p.draw(there, fit);
        const differs = differing(p.dials.specs(there), at.dials as AnyDials, r.dials as AnyDials);
        return [
          { ...r, dials: r.dials as AnyDials, differs, fit, bits: challenge(moves).total, load, picture },
        ];
      }),
    ).slice(0, MOST_LEVELS);
  const forHand = (at: At<D>, hand: Hand): { dials: AnyDials; differs: Fact[] } => {
    const own = at.dials as AnyDials;
    const asked = { ...own, ...(p.forHand?.(at, hand) as AnyDials | undefined) };
    // A dial's range follows from the others: once more with all of them where they are wished.
    const there = { ...at, dials: check({ ...asked, ...within(p.dials.specs(at), asked, own) }) };
    const dials = check({ ...asked, ...within(p.dials.specs(there), asked, own) });
    const works = p.fit({ ...at, dials }).verdict !== 'stop' || p.fit(at).verdict === 'stop';
    return works
      ? {
          dials: dials as AnyDials,
          differs: differing(p.dials.specs({ ...at, dials }), own, dials as AnyDials),
        }
      : { dials: own, differs: [] };
  };
  return {
    id: p.id,
    name: p.name,
    does: p.does,
    skills: p.skills,
    quiet: p.quiet,
    roles: p.roles,
    dials: p.dials.schema as unknown as z.ZodType<AnyDials>,
    ends: p.dials.ends,
    check: (d) => check(d) as AnyDials,
    title: (at) => p.title(known(at)),
    called: (at) => (p.called ?? p.title)(known(at)).slice(0, 80),
    defaults: (start) => p.dials.begin(start) as AnyDials,
    specs: (at) => p.dials.specs(known(at)),
    usualFrom: (at) => p.usualFrom(known(at)),
    fit: (at) => {
      const own = known(at);
      return withAge(p.fit(own), p.usualFrom(own), at.ageFrom);
    },
    plan: (at) => p.plan(known(at)),
    needs: (at) => needsOf(p.plan(known(at)), at.chosen),
    steps: (at) => p.plan(known(at)).steps,
    draw: (at, fit) => p.draw(known(at), p.drawsFit ? (fit as Fit<F> | undefined) : undefined),
    drawsFit: p.drawsFit ?? false,
    moves: (at, fit) => p.moves(known(at), fit as Fit<F>),
    load: (at, fit) => {
      if (fit.verdict === 'stop') return null;
      const own = known(at);
      return loadOf(p.moves(own, fit as Fit<F>), p.beside?.(own, fit as Fit<F>));
    },
    acts: (at) => p.acts(known(at)),
    practises: (at) => {
      const own = skillsOf(p.acts(known(at)));
      return p.skills.filter((s) => own.includes(s));
    },
    practising: (at, skill) => {
      const own = known(at);
      const does = (dials: D): boolean => skillsOf(p.acts({ ...own, dials })).includes(skill);
      if (does(own.dials)) return own.dials as AnyDials;
      return (p.levels(own).find((l) => does(l.dials))?.dials as AnyDials | undefined) ?? null;
    },
    bits: (at, fit) => (fit.verdict === 'stop' ? null : challenge(p.moves(known(at), fit as Fit<F>)).total),
    counts: (at) => p.counts(known(at)),
    features: (at) => {
      const own = known(at);
      const plan = p.plan(own);
      const inBill = new Set([...plan.needs, ...plan.cuts].map((x) => x.materialId));
      return [
        ...p.features(own),
        ...accountOf({ plan, chosen: at.chosen, reaches: p.reaches?.(own) ?? {} }),
        ...p.roles
          .filter((r) => r.use === 'part' || r.use === 'tool')
          .flatMap((r) => at.chosen[r.id] ?? [])
          .filter((m) => inBill.has(m.id) && WEIGHED.includes(m.form) && (m.mass ?? 0) > 0)
          .map((m) => ({ kind: 'heavy', name: m.name, mass: m.mass! }) as const),
      ];
    },
    forHand: (at, hand) => forHand(known(at), hand),
    levels: (at) => levels(known(at)),
    show: (at) => p.show(known(at)),
  };
}

/** Where a pattern's folder is; it is loaded when a design of it is opened. */
const folders = new Map<string, () => Promise<OpenPattern>>();
const loaded = new Map<string, OpenPattern>();

/** Adds a pattern to the house: a folder and a line below, nothing else. */
export function addPattern<D extends object, F>(id: string, load: () => Promise<Pattern<D, F>>): void {
  folders.set(id, async () => opened(await load()));
}

addPattern('drop-through', async () => (await import('./drop-through/index.ts')).dropThrough);
addPattern('lace', async () => (await import('./lace/index.ts')).lace);
addPattern('stack', async () => (await import('./stack/index.ts')).stack);
addPattern('pull-out', async () => (await import('./pull-out/index.ts')).pullOut);
addPattern('peg-rim', async () => (await import('./peg-rim/index.ts')).pegRim);
addPattern('count-out', async () => (await import('./count-out/index.ts')).countOut);
addPattern('dot-mat', async () => (await import('./dot-mat/index.ts')).dotMat);
addPattern('sort-and-carry', async () => (await import('./sort-and-carry/index.ts')).sortAndCarry);
addPattern('match-and-piece', async () => (await import('./match-and-piece/index.ts')).matchAndPiece);
addPattern('weave', async () => (await import('./weave/index.ts')).weave);
addPattern('shake', async () => (await import('./shake/index.ts')).shake);
addPattern('feed-the-mouth', async () => (await import('./feed-the-mouth/index.ts')).feedTheMouth);
addPattern('track', async () => (await import('./track/index.ts')).track);
addPattern('finger-tape', async () => (await import('./finger-tape/index.ts')).fingerTape);
addPattern('trace-and-pull', async () => (await import('./trace-and-pull/index.ts')).traceAndPull);
addPattern('tray-and-surface', async () => (await import('./tray-and-surface/index.ts')).trayAndSurface);

export const patternIds = (): string[] => [...folders.keys()];

const unknown = (id: string): PatternError =>
  new PatternError('pattern', `there is no pattern “${id}”; expected one of ${patternIds().join(', ')}`);

/** @throws PatternError when there is no such pattern */
export async function loadPattern(id: string): Promise<OpenPattern> {
  const there = loaded.get(id);
  if (there) return there;
  const load = folders.get(id);
  if (!load) throw unknown(id);
  const pattern = await load();
  loaded.set(id, pattern);
  return pattern;
}

/** Patterns by id, those of the house where none is named; an id that there is no pattern for is left out. */
export async function loadPatterns(ids: readonly string[] = patternIds()): Promise<OpenPattern[]> {
  const found: OpenPattern[] = [];
  // One after the other: they share most of their modules, which need not be asked for twice.
  for (const id of new Set(ids)) if (folders.has(id)) found.push(await loadPattern(id));
  return found;
}

/** Whether every pattern among these is loaded; one that there is none for is as loaded as it will be. */
export const areLoaded = (ids: readonly string[]): boolean =>
  ids.every((id) => loaded.has(id) || !folders.has(id));

/**
 * A pattern that was loaded before.
 *
 * @throws PatternError when there is no such pattern, Error when it was not loaded
 */
export function patternOf(id: string): OpenPattern {
  const found = loaded.get(id);
  if (found) return found;
  if (!folders.has(id)) throw unknown(id);
  throw new Error(`The pattern “${id}” is not loaded yet.`);
}
