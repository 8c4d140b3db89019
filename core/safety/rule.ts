import type { Feature } from '../patterns/feature.ts';

export type RuleUnit = 'mm' | 'g' | 'N' | 'each' | 'kG² mm²';

/** Whether a rule's figure is remembered of a published text, or what the trade commonly does. */
type RuleMark = 'from memory' | 'common practice';

export interface Rule {
  readonly id: string;
  readonly market: 'US-type' | 'EU-type' | 'both' | 'own';
  readonly looksAt: Feature['kind'];
  /** It speaks of children below this age, months; null of all. */
  readonly below: number | null;
  readonly title: string;
  readonly limit: number | null;
  readonly unit: RuleUnit | null;
  /** Which of two limits asks for more; of rules with a limit only. */
  readonly stricter?: 'more' | 'less';
  /** What breaking it means for an age it speaks of, and for those who are older. */
  readonly verdict: 'stop' | 'care';
  readonly older: 'stop' | 'care' | 'clear';
  /** The text with its clause. */
  readonly source: string;
  readonly mark: RuleMark;
  /** Year of the text as it is remembered; null for the practice of the trade. */
  readonly year: number | null;
  readonly remedy: string;
  readonly remedyOlder?: string;
  /** What a place has changed in it, and who. */
  readonly changed?: string;
  readonly isOff?: boolean;
}
