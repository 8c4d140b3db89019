import type { ToldAt } from '../../../contract/telling.ts';
import { text } from './text.ts';

/** How a family was told, after “Told”. */
export const BY: Readonly<Record<ToldAt['by'], string>> = {
  printed: text('onPaper'),
  copied: text('message'),
  mailed: text('mail'),
  said: text('words'),
};
