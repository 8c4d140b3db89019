import type { Language, Told } from '../languages/messages.ts';
import { handGauges, type HandGauge } from '../gauge/handGauges.ts';
import type { SmallPartsAnswer } from '../gauge/smallParts.ts';
import type { Shape } from '../geometry/shape.ts';
import type { Feature, Verdict } from '../patterns/kernel.ts';
import * as edges from './judgeEdges.ts';
import * as materials from './judgeMaterials.ts';
import * as openings from './judgeOpenings.ts';
import * as pieces from './judgePieces.ts';
import { askedForce, PASS_COUNTS } from './handTests.ts';
import type { Bench, Finding, Judge, Proof, Said, TestDone } from './judging.ts';
import { measuresOf } from './measures.ts';
import {
  appliedRule,
  decidingAge,
  NO_CHANGES,
  rulesOf,
  type Market,
  type PlaceRules,
  type Rule,
} from './rules.ts';
import { text } from './words.ts';

export type { Finding, TestDone } from './judging.ts';

/** A piece on the gauge, for the drawing. */
export interface Gauged {
  readonly name: string;
  readonly shape: Shape;
  readonly answer: SmallPartsAnswer;
}

export interface SafetyReport {
  /** Whose rules were applied. */
  readonly market: Market;
  /** Age that decided, months. */
  readonly youngest: number;
  readonly findings: Finding[];
  readonly gauged: Gauged[];
  /** What is held to a gauge by hand: rods, ring, head, length. */
  readonly handGauges: HandGauge[];
  /** What the place has changed in the rules or switched off, in words. */
  readonly changed: string[];
  /** What somebody has looked at and put on record. */
  readonly answered: string[];
  /** What nobody can see from the sizes, and so was not checked. */
  readonly unchecked: string[];
  /** Every line of the bill, every part that is cut and the package: how it reaches a child, or why it reaches nobody. */
  readonly account: { readonly name: string; readonly how: string | null }[];
  /** Whether nothing of the account is left open: only then may anything be said to be all there is. */
  readonly isAccounted: boolean;
}

const nothing = (): void => {};

/** Who judges what: every kind of feature has its judge, or the compiler says so. */
const JUDGES: { readonly [K in Feature['kind']]: Judge<K> } = {
  piece: pieces.piece,
  attached: pieces.attached,
  filler: pieces.filler,
  give: pieces.give,
  remnant: pieces.remnant,
  opening: openings.opening,
  'moving gap': openings.movingGap,
  cord: openings.cord,
  bag: openings.bag,
  hollow: openings.hollow,
  'cut edge': edges.cutEdge,
  post: edges.post,
  point: edges.point,
  staple: edges.staple,
  spring: edges.spring,
  skin: materials.skin,
  tool: materials.tool,
  heavy: materials.heavy,
  fixing: materials.fixing,
  hazard: materials.hazard,
  plant: materials.plant,
  glass: materials.glass,
  salt: materials.salt,
  sheds: materials.sheds,
  likeness: materials.likeness,
  line: materials.line,
  // Together, after all others.
  allergen: nothing,
  surface: nothing,
};

export interface CheckOptions extends Told {
  /** Age of the youngest who will use it, months; brothers and sisters at home count. */
  readonly youngest: number;
  readonly market: Market;
  /** Somebody who will use it still puts things in the mouth. */
  readonly mouths?: boolean | undefined;
  /** What the place has made of the rules. */
  readonly rules?: PlaceRules | undefined;
  /** Tests done by hand, the last first. */
  readonly tests?: readonly TestDone[] | undefined;
  /** Whether all its containers were clean when they were looked over; null where it has none. */
  readonly lookedOver?: boolean | null | undefined;
}

const WORST: Record<Verdict, number> = { stop: 0, care: 1, clear: 2 };

/** What is told whatever comes out stands below what a number decided. */
const LAST = ['remnant', 'cleaning', 'mouthed', 'fixing', 'allergen'];
/** Worst first; of equals what is furthest over its limit, then the rest, and last what is told of every kit. */
export const worstFirst = (a: Finding, b: Finding): number => {
  const place = (f: Finding): number => (LAST.includes(f.rule) ? 2 : f.measured ? 0 : 1);
  return (
    WORST[a.verdict] - WORST[b.verdict] ||
    place(a) - place(b) ||
    (a.measured?.margin ?? 0) - (b.measured?.margin ?? 0)
  );
};

/**
 * Looks at a design's facts under a market's rules, as the place has changed them, for the youngest who will use it.
 *
 * @returns verdicts with their reasons; never a certificate
 */
export function checkFeatures(features: readonly Feature[], options: CheckOptions): SafetyReport {
  const { market, rules = NO_CHANGES, tests = [] } = options;
  const youngest = decidingAge(options.youngest, options.mouths ?? false);
  const findings: Finding[] = [];
  const say = (rule: Rule, verdict: Verdict, said: Said): void => {
    const milder = verdict !== 'stop' && rule.verdict === 'stop';
    findings.push({
      id: `${rule.id}-${findings.length}`,
      rule: rule.id,
      title: said.title ?? rule.title,
      source: said.source ?? rule.source,
      verdict,
      words: said.words,
      remedy: verdict === 'clear' ? null : (said.remedy ?? (milder ? rule.remedyOlder : null) ?? rule.remedy),
      measured: said.measured ?? null,
      younger: rule.below !== null && youngest >= rule.below ? rule.below : null,
      where: said.where,
      changed: rule.changed ?? null,
    });
  };
  const to: Told = { language: options.language };
  const bench: Bench = {
    ...to,
    youngest,
    features,
    rule: (id) => {
      const rule = appliedRule(id, market, rules, to);
      return !rule || rule.isOff ? null : { ...rule, limit: rule.limit ?? 0 };
    },
    clear: (rule, said) => say(rule, 'clear', said),
    care: (rule, said) => say(rule, 'care', said),
    broken: (rule, said) =>
      say(rule, rule.below === null || youngest < rule.below ? rule.verdict : rule.older, said),
    proof: (part, id): Proof | null => {
      const t = tests.find((x) => x.part === part && x.test === id);
      if (!t?.passed) return null;
      const asked = askedForce(id, youngest, market);
      const force = t.force ?? null;
      if (asked !== null && force === null)
        return {
          holds: false,
          words: text(to, 'testHasNoForce', { id, on: t.on, asked }),
        };
      if (asked !== null && force! < asked)
        return {
          holds: false,
          words: text(to, 'testHeldLess', { id, on: t.on, force: force!, asked }),
        };
      const until = t.until
        ? ` ${text(to, 'testCountsTo', { until: t.until, loans: PASS_COUNTS.loans })}`
        : '';
      return { holds: true, words: `${text(to, 'testHeld', { id, on: t.on, by: t.by })}${until}` };
    },
  };
  for (const f of features) (JUDGES[f.kind] as Judge<Feature['kind']>)(f, bench);
  materials.allergens(bench);
  materials.surfaces(bench);
  for (const own of rules.own) measuresOf(own, bench);
  failedTests(tests, bench);
  const account = features.flatMap((f) => (f.kind === 'line' ? [{ name: f.name, how: f.how }] : []));
  return {
    account,
    isAccounted: account.every((l) => l.how !== null),
    market,
    youngest,
    findings: findings.sort(worstFirst),
    gauged: features.flatMap((f) =>
      f.kind === 'piece' || f.kind === 'attached' || f.kind === 'filler'
        ? [{ name: f.name, shape: f.shape, answer: pieces.gaugedOnce(f.shape) }]
        : [],
    ),
    handGauges: handGauges(features),
    changed: (rules.changes.length === 0 ? [] : rulesOf(market, rules)).flatMap((r) =>
      r.changed ? [`${r.title}: ${r.changed}`] : [],
    ),
    answered: options.lookedOver ? ['What was in the container before: it was looked over and clean'] : [],
    unchecked: [
      ...(options.lookedOver === false || options.lookedOver === undefined
        ? ['What was in the container before']
        : []),
      'Paint, print and glue',
      ...(tests.length > 0 ? [] : ['Whether pieces crack or come apart: do the tests by hand']),
      'The child: what they mouth, throw or are allergic to',
    ],
  };
}

/** What a feature is called: a name, or a place on the design. */
const calledIn = (f: Feature): string => ('name' in f ? f.name : f.where);

/**
 * As `checkFeatures`, of a design that says its parts in the language told. Tests are on record by the English names of
 * parts, so they are carried over to the names that the parts have in that language.
 */
export function checkIn(
  featuresIn: (to: Told) => readonly Feature[],
  options: CheckOptions & { readonly language: Language },
): SafetyReport {
  const english = featuresIn({});
  const told = featuresIn(options);
  const names = new Map(english.map((f, i) => [calledIn(f), calledIn(told[i]!)]));
  return checkFeatures(told, {
    ...options,
    tests: options.tests?.map((t) => ({ ...t, part: names.get(t.part) ?? t.part })),
  });
}

/** A test that failed stops the design whatever else is found, until the same test on that part is passed. */
function failedTests(tests: readonly TestDone[], on: Bench): void {
  const last = new Map<string, TestDone>();
  for (const t of tests) if (!last.has(`${t.part} ${t.test}`)) last.set(`${t.part} ${t.test}`, t);
  const rule: Rule = {
    id: 'test',
    market: 'both',
    looksAt: 'piece',
    title: text(on, 'testByHand'),
    below: null,
    limit: null,
    unit: null,
    verdict: 'stop',
    older: 'stop',
    source: '16 CFR 1500.51 to .53 · EN 71-1',
    mark: 'from memory',
    year: 1975,
    remedy: text(on, 'testAgain'),
  };
  for (const t of last.values())
    if (!t.passed)
      on.broken(rule, {
        title: text(on, 'testOf', { id: t.test, part: t.part }),
        words: text(on, 'testFailed', { on: t.on, by: t.by }),
        where: t.part,
      });
}
