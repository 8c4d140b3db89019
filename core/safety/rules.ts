import { z } from 'zod';
import type { Feature } from '../patterns/feature.ts';
import type { Rule, RuleUnit } from './rule.ts';
import type { Told } from '../languages/messages.ts';
import { withWords } from './ruleWords.ts';
import { RULES } from './ruleList.ts';

export type { Rule, RuleUnit } from './rule.ts';

/** Whose published rules a place goes by. */
export const MARKETS = ['US-type', 'EU-type', 'strictest of both'] as const;
export type Market = (typeof MARKETS)[number];

const months = z
  .number({ error: 'expected an age in months' })
  .int('expected whole months')
  .min(0, 'must not be negative')
  .max(216, 'must be at most 216 months');
const limit = z
  .number({ error: 'expected a limit' })
  .min(0, 'must not be negative')
  .max(100_000, 'must be at most 100,000');
const verdict = z.enum(['stop', 'care'], { error: 'expected stop or care' });
const remedy = z
  .string({ error: 'expected what to do' })
  .trim()
  .min(1, 'expected what to do')
  .max(300, 'may have at most 300 characters');
const said = {
  by: z
    .string({ error: 'expected who decided it' })
    .trim()
    .min(1, 'expected who decided it')
    .max(80, 'may have at most 80 characters'),
  why: z
    .string({ error: 'expected the reason' })
    .trim()
    .min(3, 'expected the reason')
    .max(300, 'may have at most 300 characters'),
};

/** What a place has changed in a rule: what is null stands as it was. */
const ruleChange = z.strictObject({
  rule: z
    .string({ error: 'expected a rule' })
    .refine((id) => RULES.some((r) => r.id === id), 'expected the id of a rule'),
  off: z.boolean({ error: 'expected true or false' }),
  limit: limit.nullable(),
  below: months.nullable(),
  verdict: verdict.nullable(),
  remedy: remedy.nullable(),
  ...said,
});
export type RuleChange = z.infer<typeof ruleChange>;

/** What a place's own rule can look at: one number of one kind of feature. */
export const MEASURES = {
  'piece longest': { looksAt: 'piece', label: 'Longest side of a piece', unit: 'mm' },
  'piece thinnest': { looksAt: 'piece', label: 'Thinnest side of a piece', unit: 'mm' },
  'piece count': { looksAt: 'piece', label: 'Pieces of one kind', unit: 'each' },
  'opening rod': { looksAt: 'opening', label: 'Widest rod into an opening', unit: 'mm' },
  'cord free': { looksAt: 'cord', label: 'Free length of a cord', unit: 'mm' },
  'cord loop': { looksAt: 'cord', label: 'Loop of a cord', unit: 'mm' },
  'post height': { looksAt: 'post', label: 'Height of a post', unit: 'mm' },
  'post diameter': { looksAt: 'post', label: 'Thickness of a post', unit: 'mm' },
  'bag mouth': { looksAt: 'bag', label: 'Way round the mouth of a bag', unit: 'mm' },
  mass: { looksAt: 'heavy', label: 'Weight of a part', unit: 'g' },
} as const satisfies Record<string, { looksAt: Feature['kind']; label: string; unit: RuleUnit }>;
export type MeasureId = keyof typeof MEASURES;
const MEASURE_IDS = Object.keys(MEASURES) as MeasureId[];

/** A rule that a place adds. */
const ownRule = z.strictObject({
  id: z
    .string({ error: 'expected a short name' })
    .regex(/^own-[a-z0-9-]{1,40}$/, 'expected own- and letters, numbers or hyphens'),
  title: z
    .string({ error: 'expected a title' })
    .trim()
    .min(1, 'expected a title')
    .max(80, 'may have at most 80 characters'),
  measure: z.enum(MEASURE_IDS as [MeasureId, ...MeasureId[]], {
    error: `expected one of ${MEASURE_IDS.join(', ')}`,
  }),
  /** On which side of the limit it is broken. */
  breaks: z.enum(['over', 'under'], { error: 'expected over or under' }),
  limit,
  below: months.nullable(),
  verdict,
  remedy,
  ...said,
});
export type OwnRule = z.infer<typeof ownRule>;

/** What a place has made of the rules. */
export const placeRules = z.strictObject({
  changes: z
    .array(ruleChange, { error: 'expected a list of changes' })
    .max(60, 'may have at most 60 changes')
    .refine((list) => new Set(list.map((c) => c.rule)).size === list.length, 'expected each rule once'),
  own: z
    .array(ownRule, { error: 'expected a list of rules' })
    .max(40, 'may have at most 40 rules')
    .refine((list) => new Set(list.map((r) => r.id)).size === list.length, 'expected each id once'),
});
export type PlaceRules = z.infer<typeof placeRules>;
export const NO_CHANGES: PlaceRules = { changes: [], own: [] };

const VERDICTS = { stop: 2, care: 1, clear: 0 } as const;
const ALL = 1e6;
const stricterVerdict = <V extends keyof typeof VERDICTS>(a: V, b: V): V =>
  VERDICTS[a] >= VERDICTS[b] ? a : b;

/** The stricter of two texts of one rule in each of what they say: verdict, ages and limit. */
export function strictest(a: Rule, b: Rule): Rule {
  const limits = [a.limit, b.limit].filter((x) => x !== null);
  const pick = a.stricter === 'less' ? Math.min : Math.max;
  const limit = limits.length === 0 ? null : pick(...limits);
  return {
    // The words are of the text whose limit counts.
    ...(limit === b.limit && limit !== a.limit ? b : a),
    limit,
    below: (a.below ?? ALL) >= (b.below ?? ALL) ? a.below : b.below,
    verdict: stricterVerdict(a.verdict, b.verdict),
    older: stricterVerdict(a.older, b.older),
  };
}

const known = new Map<string, Rule | null>();

/** The rule of an id that a market goes by, or null where its texts have none; of both the stricter in each of what they say. */
export function ruleOf(id: string, market: Market): Rule | null {
  const key = `${market} ${id}`;
  let rule = known.get(key);
  if (rule === undefined) known.set(key, (rule = readRule(id, market)));
  return rule;
}

function readRule(id: string, market: Market): Rule | null {
  const own = RULES.filter(
    (r) => r.id === id && (market === 'strictest of both' || r.market === 'both' || r.market === market),
  );
  return own.length === 0 ? null : own.reduce(strictest);
}

const age = (below: number | null): string => (below === null ? 'all ages' : `under ${below} months`);

/** A rule as a place applies it, with its changes named, in a language; null where its market has none. */
export function appliedRule(id: string, market: Market, { changes }: PlaceRules, to: Told = {}): Rule | null {
  const known = ruleOf(id, market);
  if (!known) return null;
  const rule = to.language === undefined ? known : withWords(known, to);
  const change = changes.find((c) => c.rule === id);
  if (!change) return rule;
  const parts = [
    change.off ? 'off' : null,
    change.limit !== null && rule.unit !== null && change.limit !== rule.limit
      ? `${change.limit} ${rule.unit} for ${rule.limit} ${rule.unit}`
      : null,
    change.below !== null && change.below !== rule.below
      ? `${age(change.below)} for ${age(rule.below)}`
      : null,
    change.verdict !== null && change.verdict !== rule.verdict
      ? `${change.verdict} for ${rule.verdict}`
      : null,
    change.remedy !== null ? 'its own remedy' : null,
  ].filter((p) => p !== null);
  if (parts.length === 0) return rule;
  const changed = withWords(
    {
      ...rule,
      limit: rule.unit === null ? rule.limit : (change.limit ?? rule.limit),
      below: change.below ?? rule.below,
      verdict: change.verdict ?? rule.verdict,
    },
    to,
  );
  return {
    ...changed,
    remedy: change.remedy ?? changed.remedy,
    isOff: change.off,
    changed: `Changed here by ${change.by} (${parts.join(', ')}): ${change.why}`,
  };
}

/** Every rule that a market goes by, as the place applies it. */
export const rulesOf = (market: Market, place: PlaceRules = NO_CHANGES): Rule[] => [
  ...[...new Set(RULES.map((r) => r.id))].flatMap((id) => appliedRule(id, market, place) ?? []),
  ...place.own.map((r): Rule => ({
    id: r.id,
    market: 'own',
    looksAt: MEASURES[r.measure].looksAt,
    below: r.below,
    title: r.title,
    limit: r.limit,
    unit: MEASURES[r.measure].unit,
    verdict: r.verdict,
    older: 'care',
    source: `rule of this place, by ${r.by}: ${r.why}`,
    mark: 'common practice',
    year: null,
    remedy: r.remedy,
  })),
];

/** Age that decides: who still puts things in the mouth is checked as under three, whatever the age. Months. */
export const decidingAge = (youngest: number, mouths: boolean): number =>
  mouths ? Math.min(youngest, 35) : youngest;

/** One line of docs/sources.md for a rule: whose it is, of whom it speaks, its limit, and where that comes from. */
export const ruleLine = (r: Rule): string =>
  `| ${r.id} | ${r.market} | ${age(r.below)} | ${r.limit === null ? '' : `${r.limit} ${r.unit}`} | ${r.verdict}, then ${r.older} | ${r.mark} | ${r.source}${r.year === null ? '' : `, ${r.year}`} |`;
