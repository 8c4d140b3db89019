import type { Skill } from './skills.ts';

const PLAIN: Readonly<Record<Skill, string>> = {
  'Pincer and release': 'Picking up and letting go',
  'Two hands together': 'Two hands together',
  'Hand strength': 'Hand strength',
  'In-hand manipulation': 'Moving things within the hand',
  'Crossing the midline': 'Reaching across the body',
};
/**
 * A skill as a parent, a student or an assistant reads it; what is no skill of the profession stays as it is.
 *
 * @example skillPlain('Crossing the midline') // => 'Reaching across the body'
 */
export const skillPlain = (skill: string): string => PLAIN[skill as Skill] ?? skill;

/**
 * The plain words with the profession's term beside them, where the two differ.
 *
 * @example skillWords('Pincer and release') // => 'Picking up and letting go (pincer and release)'
 */
export const skillWords = (skill: string): string =>
  skillPlain(skill) === skill ? skill : `${skillPlain(skill)} (${skill.toLowerCase()})`;
