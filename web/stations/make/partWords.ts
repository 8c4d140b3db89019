import type { BatchTask } from '../../../core/plan/batch.ts';
import { text } from './text.ts';

/** Which part of a long step it is; nothing of one that is done at one go. */
export const partWords = (t: BatchTask): string =>
  t.part ? text('of2', { what: t.part[0], what2: t.part[1] }) : '';
