import { messages, type Told } from '../languages/messages.ts';
import { en } from './en.ts';
import { es } from './es.ts';

const text = messages({ en, es });

/** Ages in months as a practitioner writes them: months under three years, years above. */
export function formatAges(from: number, to: number, told: Told = {}): string {
  if (from === to)
    return text(told, from >= 36 && from % 12 === 0 ? 'yearsAge' : 'monthsAge', {
      age: from >= 36 && from % 12 === 0 ? from / 12 : from,
    });
  return from >= 36 && from % 12 === 0 && to % 12 === 0
    ? text(told, 'years', { from: from / 12, to: to / 12 })
    : text(told, 'months', { from, to });
}
