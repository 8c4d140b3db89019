/** What a hand learns, in the profession's words. */
export const SKILLS = [
  'Pincer and release',
  'Two hands together',
  'Hand strength',
  'In-hand manipulation',
  'Crossing the midline',
] as const;
export type Skill = (typeof SKILLS)[number];
