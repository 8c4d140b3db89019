import { messages } from '../languages/messages.ts';
import { en } from './en.ts';
import { es } from './es.ts';

export const text = messages({ en, es });
