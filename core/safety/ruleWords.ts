import { messages, type Told } from '../languages/messages.ts';
import type { Rule } from './rule.ts';
import { en } from './rules.en.ts';
import { es } from './rules.es.ts';

const text = messages({ en, es });

/** What a rule asks, without what is said of it. */
export type RuleFigures = Omit<Rule, 'title' | 'remedy' | 'remedyOlder'>;

/** A rule with its words in a language; limit and age in them are the rule's own, as it is applied. */
export function withWords(rule: RuleFigures, to: Told): Rule {
  const values = { limit: rule.limit ?? '', below: rule.below ?? '' };
  const keyOf = (what: string): string => `${rule.id}${what}`;
  const said = (what: string): string => text(to, keyOf(what) as keyof typeof en, values);
  const words = { ...rule, title: '', remedy: '' };
  // When they are asked for: the rules are there long before anybody reads one.
  const lazily = (name: string, what: string): void =>
    void Object.defineProperty(words, name, { get: () => said(what), enumerable: true, configurable: true });
  lazily('title', '');
  lazily('remedy', ' remedy');
  if (keyOf(' remedy, older') in en) lazily('remedyOlder', ' remedy, older');
  return words;
}
