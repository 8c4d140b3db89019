import { interfaceWords } from '../language.ts';
import { en } from './en.ts';

export const text = interfaceWords({ en });
