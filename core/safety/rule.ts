import type { Feature } from '../patterns/feature.ts';

export type RuleUnit = 'mm' | 'g' | 'N' | 'each' | 'kG² mm²';

export interface Rule {
  readonly id: string;
  readonly market: 'US-type' | 'EU-type' | 'both' | 'own';
  readonly looksAt: Feature['kind'];
  /** It speaks of children below this age, months; null of all. */
  readonly below: number | null;
  readonly title: string;
  readonly limit: number | null;
  readonly unit: RuleUnit | null;
  /** What breaking it means for an age it speaks of, and for those who are older. */
  readonly verdict: 'stop' | 'care';
  readonly older: 'stop' | 'care' | 'clear';
  readonly source: string;
  /** Year of the text as it is remembered; null for the practice of the trade. */
  readonly year: number | null;
  readonly remedy: string;
  readonly remedyOlder?: string;
  /** What a place has changed in it, and who. */
  readonly changed?: string;
  readonly isOff?: boolean;
}
