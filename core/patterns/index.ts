import { dropThrough } from './drop-through/index.ts';
import {
  PatternError,
  type Approach,
  type Chosen,
  type DialSpec,
  type Feature,
  type Fit,
  type Layout,
  type Need,
  type Pattern,
  type Rung,
  type Show,
  type Step,
} from './kernel.ts';
import type { Move } from '../challenge/bits.ts';

export * from './kernel.ts';

export type AnyDials = Record<string, unknown>;

/** A family with its dials checked at the door: callers hold dials as they came from a file or the database. */
export interface OpenPattern extends Pick<
  Pattern<AnyDials>,
  'id' | 'name' | 'question' | 'skills' | 'roles'
> {
  /** @throws PatternError naming the dial */
  check(dials: unknown): AnyDials;
  defaults(options: { approach: Approach; chosen: Chosen; ageFrom: number }): AnyDials;
  dialSpecs(dials: unknown, chosen: Chosen): DialSpec[];
  layout(dials: unknown, chosen: Chosen, fit?: Fit): Layout;
  fit(dials: unknown, chosen: Chosen): Fit;
  needs(dials: unknown, chosen: Chosen): Need[];
  steps(dials: unknown, chosen: Chosen): Step[];
  moves(dials: unknown, chosen: Chosen, fit: Fit): Move[];
  features(dials: unknown, chosen: Chosen): Feature[];
  rungs(dials: unknown, chosen: Chosen): Rung<AnyDials>[];
  show(dials: unknown, chosen: Chosen): Show;
}

function opened<D extends Record<string, unknown>>(p: Pattern<D>): OpenPattern {
  const check = (raw: unknown): D => {
    const parsed = p.dials.safeParse(raw);
    if (parsed.success) return parsed.data;
    const [first] = parsed.error.issues;
    throw new PatternError(['dials', ...first!.path.map(String)].join('.'), first!.message);
  };
  return {
    id: p.id,
    name: p.name,
    question: p.question,
    skills: p.skills,
    roles: p.roles,
    check,
    defaults: (o) => p.defaults(o),
    dialSpecs: (d, c) => p.dialSpecs(check(d), c),
    layout: (d, c, f) => p.layout(check(d), c, f),
    fit: (d, c) => p.fit(check(d), c),
    needs: (d, c) => p.needs(check(d), c),
    steps: (d, c) => p.steps(check(d), c),
    moves: (d, c, f) => p.moves(check(d), c, f),
    features: (d, c) => p.features(check(d), c),
    rungs: (d, c) => p.rungs(check(d), c),
    show: (d, c) => p.show(check(d), c),
  };
}

/** Every family of the house, by id. A new one is a folder and a line here. */
export const patterns: Readonly<Record<string, OpenPattern>> = Object.fromEntries(
  [opened(dropThrough)].map((p) => [p.id, p]),
);

/** @throws PatternError when there is no such family */
export function patternOf(id: string): OpenPattern {
  const found = Object.hasOwn(patterns, id) ? patterns[id] : undefined;
  if (!found)
    throw new PatternError(
      'pattern',
      `there is no pattern “${id}”; expected one of ${Object.keys(patterns).join(', ')}`,
    );
  return found;
}
