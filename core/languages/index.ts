import { ES } from './es/index.ts';
import { translation, type Translate } from './phrases.ts';

const english: Translate = (words) => words;
const spanish = translation(ES, 'y');

/** How what the families, the bench and the rules say in English is said in a language; null for a language without words for it. */
export const translatorTo = (language: string): Translate | null =>
  language === 'en' ? english : language === 'es' ? spanish : null;
