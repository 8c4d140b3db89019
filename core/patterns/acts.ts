import { SKILLS, type Skill } from './skills.ts';

/** What a hand does, and the skill that it practises by doing so (common practice). */
export const PRACTISES = {
  'picks up': 'Pincer and release',
  'lets go': 'Pincer and release',
  squeezes: 'Hand strength',
  /** Against something that grips. */
  pulls: 'Hand strength',
  'turns in the fingers': 'In-hand manipulation',
  'rolls in the fingers': 'In-hand manipulation',
  'palm to fingertips': 'In-hand manipulation',
  'other hand holds': 'Two hands together',
  'both at once': 'Two hands together',
  /** From one side of the body to the other. */
  'reaches across': 'Crossing the midline',
} as const satisfies Record<string, Skill>;

export type Act = keyof typeof PRACTISES;

/**
 * The skills that acts practise, each once.
 *
 * @example skillsOf(['squeezes', 'picks up', 'lets go']) // => ['Pincer and release', 'Hand strength']
 */
export const skillsOf = (acts: readonly Act[]): Skill[] =>
  SKILLS.filter((s) => acts.some((a) => PRACTISES[a] === s));

/** The acts whose condition holds. */
export const when = (acts: Partial<Record<Act, boolean>>): Act[] =>
  (Object.keys(acts) as Act[]).filter((a) => acts[a]);

/** A reach at least so wide goes past the middle of a small child, mm (common practice). */
export const ACROSS = 200;
