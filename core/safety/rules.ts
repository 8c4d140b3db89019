/** Whose published rules a place goes by. */
export const MARKETS = ['US-type', 'EU-type', 'strictest of both'] as const;
export type Market = (typeof MARKETS)[number];

export const RULE_IDS = ['small-part', 'small-ball', 'finger'] as const;
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
];

const SEVERITY = { stop: 1, care: 0 } as const;

/**
 * The rule of an id that a market goes by. Where both have one, the strictest is the one that says stop, and of equals the
 * one with the larger limit.
 */
export function ruleOf(id: RuleId, market: Market): Rule {
  const [first] = RULES.filter(
    (r) => r.id === id && (market === 'strictest of both' || r.market === 'both' || r.market === market),
  ).sort((a, b) => SEVERITY[b.verdict] - SEVERITY[a.verdict] || b.limit - a.limit);
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
    { id: 'pull', words: `Pull the lid and each piece, ${join(pull)}, 10 s` },
    ...(us
      ? [
          { id: 'twist' as const, words: `Twist each piece, ${['0.23', '0.34', '0.45'][step]} N·m` },
          { id: 'press' as const, words: `Press the tub, ${['89', '111', '133'][step]} N` },
        ]
      : []),
  ];
}
