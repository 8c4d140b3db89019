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
  const said = (what: string): string | undefined => {
    const key = `${rule.id}${what}` as keyof typeof en;
    return key in en ? text(to, key, values) : undefined;
  };
  const older = said(' remedy, older');
  return {
    ...rule,
    title: said('')!,
    remedy: said(' remedy')!,
    ...(older === undefined ? {} : { remedyOlder: older }),
  };
}
