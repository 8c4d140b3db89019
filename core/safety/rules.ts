/** Whose published rules a place goes by. */
export const MARKETS = ['US-type', 'EU-type', 'strictest of both'] as const;
export type Market = (typeof MARKETS)[number];

/** A rule as data. Limits come from memory of the published texts (see docs/sources.md); a place checks its own. */
export interface Rule {
  readonly id: string;
  readonly market: 'US-type' | 'EU-type' | 'both';
  /** Ages in months the rule speaks of: from, and below. */
  readonly from: number;
  readonly below: number;
  readonly title: string;
  readonly limit: number;
  readonly unit: 'mm' | 'months' | '';
  readonly source: string;
  readonly remedy: string;
}

const rule = (r: Rule): Rule => r;

export const RULES = {
  smallPart: rule({
    id: 'small-part',
    market: 'both',
    from: 0,
    below: 36,
    title: 'Small parts',
    limit: 31.7,
    unit: 'mm',
    source: '16 CFR 1501.4 · EN 71-1 · ISO 8124-1',
    remedy: 'Use a larger piece, or keep it for children over three.',
  }),
  smallBall: rule({
    id: 'small-ball',
    market: 'both',
    from: 0,
    below: 36,
    title: 'Balls',
    limit: 44.4,
    unit: 'mm',
    source: '16 CFR 1500.18(a)(17)',
    remedy: 'Use a ball over 44.4 mm, or something that is not round.',
  }),
  finger: rule({
    id: 'finger',
    market: 'both',
    from: 0,
    below: 168,
    title: 'Fingers in the opening',
    limit: 12,
    unit: 'mm',
    source: 'ASTM F963 accessible holes: a 6 mm rod in means a 12 mm rod in',
    remedy: 'Make it 12 mm wide or more, or under 6 mm.',
  }),
} as const;

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
