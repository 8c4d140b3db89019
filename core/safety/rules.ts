/** Whose published rules a place goes by. */
export const MARKETS = ['US-type', 'EU-type', 'strictest of both'] as const;
export type Market = (typeof MARKETS)[number];

export const RULE_IDS = ['small-part', 'small-ball', 'finger', 'cord', 'loop'] as const;
export type RuleId = (typeof RULE_IDS)[number];

/** A rule as data. Limits come from memory of the published texts (see docs/sources.md); a place checks its own. */
export interface Rule {
  readonly id: RuleId;
  readonly market: 'US-type' | 'EU-type' | 'both';
  /** It speaks of children below this age, months. */
  readonly below: number;
  readonly title: string;
  readonly limit: number;
  readonly unit: 'mm';
  /** What breaking it means for an age it speaks of. */
  readonly verdict: 'stop' | 'care';
  readonly source: string;
  readonly remedy: string;
}

export const RULES: readonly Rule[] = [
  {
    id: 'small-part',
    market: 'both',
    below: 36,
    title: 'Small parts',
    limit: 31.7,
    unit: 'mm',
    verdict: 'stop',
    source: '16 CFR 1501.4 · EN 71-1 · ISO 8124-1',
    remedy: 'Use a larger piece, or keep it for children over three.',
  },
  {
    id: 'small-ball',
    market: 'US-type',
    below: 36,
    title: 'Balls',
    limit: 44.4,
    unit: 'mm',
    verdict: 'stop',
    source: '16 CFR 1500.18(a)(17)',
    remedy: 'Use a ball over 44.4 mm, or something that is not round.',
  },
  {
    id: 'small-ball',
    market: 'EU-type',
    below: 36,
    title: 'Balls',
    limit: 44.5,
    unit: 'mm',
    verdict: 'stop',
    source: 'EN 71-1, small balls',
    remedy: 'Use a ball over 44.5 mm, or something that is not round.',
  },
  {
    id: 'finger',
    market: 'US-type',
    below: 168,
    title: 'Fingers in the opening',
    limit: 12,
    unit: 'mm',
    verdict: 'stop',
    source: 'ASTM F963 accessible holes: a 6 mm rod in means a 12 mm rod in',
    remedy: 'Make it 12 mm wide or more, or under 6 mm.',
  },
  {
    id: 'finger',
    market: 'EU-type',
    below: 168,
    title: 'Fingers in the opening',
    limit: 12,
    unit: 'mm',
    verdict: 'care',
    source: 'usual caution: a 6 mm rod in means a 12 mm rod in',
    remedy: 'Make it 12 mm wide or more, or under 6 mm.',
  },
  {
    id: 'cord',
    market: 'US-type',
    below: 18,
    title: 'Length of the cord',
    limit: 305,
    unit: 'mm',
    verdict: 'stop',
    source: 'ASTM F963, cords under 18 months',
    remedy: 'Shorten it, or keep it for children over 18 months.',
  },
  {
    id: 'cord',
    market: 'EU-type',
    below: 18,
    title: 'Length of the cord',
    limit: 220,
    unit: 'mm',
    verdict: 'stop',
    source: 'EN 71-1, cords under 18 months',
    remedy: 'Shorten it, or keep it for children over 18 months.',
  },
  {
    id: 'loop',
    market: 'US-type',
    below: 18,
    title: 'Loop of the cord',
    limit: 360,
    unit: 'mm',
    verdict: 'stop',
    source: 'ASTM F963, loops under 18 months',
    remedy: 'Shorten it so that no loop goes over a head.',
  },
  {
    id: 'loop',
    market: 'EU-type',
    below: 36,
    title: 'Loop of the cord',
    limit: 380,
    unit: 'mm',
    verdict: 'stop',
    source: 'EN 71-1, loops under 36 months',
    remedy: 'Shorten it so that no loop goes over a head.',
  },
];

const SEVERITY = { stop: 1, care: 0 } as const;

/**
 * The rule of an id that a market goes by. Where both have one, the strictest is the one that says stop, then the one that
 * speaks of older children too, and of equals the one with the larger limit; for a cord the smaller limit is the stricter.
 */
export function ruleOf(id: RuleId, market: Market): Rule {
  const [first] = RULES.filter(
    (r) => r.id === id && (market === 'strictest of both' || r.market === 'both' || r.market === market),
  ).sort(
    (a, b) =>
      SEVERITY[b.verdict] - SEVERITY[a.verdict] ||
      b.below - a.below ||
      (id === 'cord' || id === 'loop' ? a.limit - b.limit : b.limit - a.limit),
  );
  return first!;
}

/** Use and abuse by hand: what to do, by age in months (16 CFR 1500.51 to .53 and EN 71-1, from memory). */
export interface HandTest {
  readonly id: 'drop' | 'pull' | 'twist' | 'press';
  readonly words: string;
}

/** The tests to do by hand for the youngest who will use it; every market's figure where they differ. */
export function handTests(youngest: number, market: Market): HandTest[] {
  const us = market !== 'EU-type';
  const eu = market !== 'US-type';
  const step = youngest < 18 ? 0 : youngest < 36 ? 1 : 2;
  const drop = [
    us ? (step === 0 ? '10 × from 1.37 m' : '4 × from 0.91 m') : null,
    eu ? '5 × from 0.85 m' : null,
  ];
  const pull = [us ? (step === 0 ? '44.5 N' : '66.7 N') : null, eu ? '50 N (parts to 6 mm) or 90 N' : null];
  const join = (parts: (string | null)[]): string => parts.filter(Boolean).join(', then ');
  return [
    { id: 'drop', words: `Drop ${join(drop)}` },
    { id: 'pull', words: `Pull each piece and each part that is fixed on, ${join(pull)}, 10 s` },
    ...(us
      ? [
          { id: 'twist' as const, words: `Twist each piece, ${['0.23', '0.34', '0.45'][step]} N·m` },
          { id: 'press' as const, words: `Press each piece, ${['89', '111', '133'][step]} N` },
        ]
      : []),
  ];
}
