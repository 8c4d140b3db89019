import { z } from 'zod';
import { addDays, shortDay, type Day } from '../calendar/days.ts';
import { hazardsNamed } from '../catalogue/hazardNames.ts';
import { plantMeant } from '../catalogue/plants.ts';
import { cleaningOf, isPorous, type MaterialInput } from '../materials/material.ts';

/** The questions of a look-over, in the order a practitioner asks them. */
export const CLEAN = ['clean', 'dusty', 'sticky', 'greasy'] as const;
export const DRY = ['dry', 'damp', 'mouldy'] as const;
export const SMELL = ['none', 'of food', 'of fish', 'of chemicals'] as const;
export const HELD = [
  'nothing',
  'dry food',
  'drink',
  'wet food',
  'nuts',
  'eggs',
  'toilet roll',
  'raw meat or fish',
  'soap or shampoo',
  'medicine',
  'chemicals',
] as const;
export const CLOSES = ['yes', 'no', 'has no lid'] as const;
export const SHARP = ['no', 'can be made good', 'cannot be made good'] as const;
export const CRUSHED = ['no', 'a little', 'flat'] as const;
export const FRONT = ['see-through', 'plain', 'printed'] as const;

const one = <T extends readonly [string, ...string[]]>(values: T) =>
  z.enum(values, { error: `expected one of ${values.join(', ')}` });

/** What was seen when a find was looked over; all is well where nothing is said. */
export const look = z.strictObject({
  clean: one(CLEAN).default('clean'),
  dry: one(DRY).default('dry'),
  smell: one(SMELL).default('none'),
  held: one(HELD).default('nothing'),
  closes: one(CLOSES).default('has no lid'),
  /** Largest hole or gap, mm across; 0 for none. */
  gap: z
    .number({ error: 'expected mm' })
    .min(0, 'must not be negative')
    .max(1000, 'must be at most 1,000 mm')
    .default(0),
  sharp: one(SHARP).default('no'),
  crushed: one(CRUSHED).default('no'),
  front: one(FRONT).default('plain'),
});
export type Look = z.infer<typeof look>;

/** What a place decides for itself. */
export const OUTCOMES = ['keep', 'clean first', 'rest', 'never'] as const;
export type Outcome = (typeof OUTCOMES)[number];
export const LOCAL = ['keep', 'rest', 'never'] as const;
export interface Policy {
  readonly toiletRolls: (typeof LOCAL)[number];
  readonly eggCartons: (typeof LOCAL)[number];
  /** Days that card and paper rest before they go on the shelf. */
  readonly restDays: number;
}

export interface LookAnswer {
  readonly outcome: Outcome;
  /** From when it may be used; null unless it rests. */
  readonly until: Day | null;
  /** Why, worst first: which question, what it leads to, in words. */
  readonly reasons: { readonly question: keyof Look; readonly outcome: Outcome; readonly words: string }[];
}

interface Case {
  readonly look: Look;
  readonly porous: boolean;
  readonly policy: Policy;
  readonly name: string;
}
interface Rule {
  readonly question: keyof Look;
  when(c: Case): Outcome | null;
  readonly words: string | ((c: Case) => string);
}

const days = (n: number): string => (n === 1 ? '1 day' : `${n} days`);

/** The rules of the look-over, as data: common practice in settings for young children. Local codes come first. */
const RULES: readonly Rule[] = [
  {
    question: 'held',
    when: (c) => (c.look.held === 'raw meat or fish' ? 'never' : null),
    words: 'Held raw meat or fish: never kept, washed or not.',
  },
  {
    question: 'held',
    when: (c) => (c.look.held === 'medicine' ? 'never' : null),
    words: 'Held medicine: never kept; children must not learn to play with medicine boxes.',
  },
  {
    question: 'held',
    when: (c) => (c.look.held === 'chemicals' ? 'never' : null),
    words: 'Held chemicals: never kept; residues stay in the wall.',
  },
  {
    question: 'sharp',
    when: (c) => (c.look.sharp === 'cannot be made good' ? 'never' : null),
    words: 'Broken or sharp, and it cannot be fixed.',
  },
  { question: 'dry', when: (c) => (c.look.dry === 'mouldy' ? 'never' : null), words: 'Mouldy: never kept.' },
  {
    question: 'smell',
    when: (c) => (c.look.smell === 'of chemicals' ? 'never' : null),
    words: 'Smells of chemicals: never kept.',
  },
  {
    question: 'crushed',
    when: (c) =>
      c.look.crushed === 'flat' && !(c.porous && c.look.closes === 'has no lid') ? 'never' : null,
    words: 'Crushed flat: it will not stand, close or hold.',
  },
  {
    question: 'clean',
    when: (c) => (c.porous && ['sticky', 'greasy'].includes(c.look.clean) ? 'never' : null),
    words: (c) => `${c.look.clean === 'sticky' ? 'Sticky' : 'Greasy'}, and it cannot be washed.`,
  },
  {
    question: 'held',
    when: (c) => (c.look.held === 'nuts' && c.porous ? 'never' : null),
    words: 'Held nuts, and it cannot be washed: traces stay in it.',
  },
  {
    question: 'held',
    when: (c) => (c.look.held === 'wet food' && c.porous ? 'never' : null),
    words: 'Held wet food, and it cannot be washed.',
  },
  {
    question: 'smell',
    when: (c) => (c.look.smell === 'of food' && c.porous ? 'never' : null),
    words: 'Smells of food, and it cannot be washed: it attracts mice, and children put it in their mouths.',
  },
  {
    question: 'held',
    when: (c) =>
      c.look.held === 'toilet roll' && c.policy.toiletRolls !== 'keep' ? c.policy.toiletRolls : null,
    words: (c) =>
      `This place ${c.policy.toiletRolls === 'never' ? 'does not keep toilet-roll tubes' : `quarantines toilet-roll tubes ${days(c.policy.restDays)}`}.`,
  },
  {
    question: 'held',
    when: (c) =>
      c.look.held === 'eggs' && c.porous && c.policy.eggCartons !== 'keep' ? c.policy.eggCartons : null,
    words: (c) =>
      `This place ${c.policy.eggCartons === 'never' ? 'does not keep card egg cartons' : `quarantines card egg cartons ${days(c.policy.restDays)}`}.`,
  },
  {
    question: 'sharp',
    when: (c) => (c.look.sharp === 'can be made good' ? 'clean first' : null),
    words: 'Has a sharp edge: file, fold or tape it over before it goes on the shelf.',
  },
  {
    question: 'clean',
    when: (c) => (!c.porous && c.look.clean !== 'clean' ? 'clean first' : null),
    words: 'Wash in hot soapy water, rinse, air dry.',
  },
  {
    question: 'smell',
    when: (c) => (c.look.smell === 'of fish' ? (c.porous ? 'never' : 'clean first') : null),
    words: (c) =>
      c.porous
        ? 'Smells of fish, and it cannot be washed: the smell stays.'
        : 'Smells of fish: wash with hot soapy water and a little vinegar, air dry a day. If it still smells, throw it away. If raw fish lay in it, say so under what was in it.',
  },
  {
    question: 'smell',
    when: (c) => (!c.porous && c.look.smell === 'of food' ? 'clean first' : null),
    words: 'Smells of food: wash again, air dry with the lid off.',
  },
  {
    question: 'held',
    when: (c) =>
      !c.porous &&
      ['wet food', 'drink', 'nuts', 'eggs', 'soap or shampoo'].includes(c.look.held) &&
      c.look.clean !== 'clean'
        ? 'clean first'
        : null,
    words: (c) => `Held ${c.look.held}: wash until nothing of it is left.`,
  },
  {
    question: 'clean',
    when: (c) => (c.porous && c.look.clean === 'dusty' ? 'clean first' : null),
    words: 'Wipe it with a dry cloth.',
  },
  {
    question: 'dry',
    when: (c) => (c.look.dry === 'damp' ? 'rest' : null),
    words: (c) => `Damp: let it air ${days(c.policy.restDays)}.`,
  },
];
const RANK: Record<Outcome, number> = { never: 0, 'clean first': 1, rest: 2, keep: 3 };

/**
 * What becomes of a find: kept, cleaned first, quarantined until a day, or never put on the shelf, with every reason. The
 * worst outcome wins. Usual practice only; a local code that asks for more comes first.
 */
export function lookOver(options: {
  material: Pick<MaterialInput, 'name' | 'form' | 'materialClass' | 'cleaning' | 'hazards'>;
  look: Look;
  policy: Policy;
  today: Day;
}): LookAnswer {
  const { material, look: seen, policy, today } = options;
  // A lined carton is card, but it can be washed: how a thing is cleaned counts, not only its class.
  const porous = cleaningOf(material) === 'wash' ? false : isPorous(material) || material.cleaning === 'none';
  const c: Case = { look: seen, porous, policy, name: material.name };
  const reasons = RULES.flatMap((r) => {
    const outcome = r.when(c);
    return outcome === null || outcome === 'keep'
      ? []
      : [{ question: r.question, outcome, words: typeof r.words === 'string' ? r.words : r.words(c) }];
  });
  const named = hazardsNamed(material).filter((h) => !h.isNear);
  if (material.hazards.includes('button cell') || named.some((h) => h.hazard === 'button cell'))
    reasons.push({
      question: 'held',
      outcome: 'never',
      words: 'Button cells burn a throat within two hours: never kept within reach of children.',
    });
  if (material.hazards.includes('swells in water') || named.some((h) => h.hazard === 'swells in water'))
    reasons.push({
      question: 'held',
      outcome: 'never',
      words: 'What swells in water swells inside a child, too, and no X-ray shows it: never kept.',
    });
  const meant =
    material.materialClass === 'plant' || material.materialClass === 'wood'
      ? plantMeant(material.name)
      : null;
  const grown = meant?.plant;
  if (grown?.standing === 'never' && meant!.isNear)
    reasons.push({
      question: 'held',
      outcome: 'rest',
      words: `Its name is a letter away from ${grown.names[0]!}, which is poisonous: ask somebody who knows plants which it is.`,
    });
  else if (grown?.standing === 'never')
    reasons.push({
      question: 'held',
      outcome: 'never',
      words: `${grown.names[0]![0]!.toUpperCase()}${grown.names[0]!.slice(1)} is poisonous (${grown.part}): never near children.`,
    });
  reasons.sort((a, b) => RANK[a.outcome] - RANK[b.outcome]);
  const outcome = reasons[0]?.outcome ?? 'keep';
  // What is never kept is not to be washed first.
  if (outcome === 'never') reasons.splice(0, Infinity, ...reasons.filter((r) => r.outcome === 'never'));
  return { outcome, until: outcome === 'rest' ? addDays(today, policy.restDays) : null, reasons };
}

/** The one line a person reads: the outcome and its first reason. */
export const outcomeWords = (
  a: {
    readonly outcome: Outcome;
    readonly until: Day | null;
    readonly reasons: readonly { readonly words: string }[];
  },
  write: (day: Day) => string = shortDay,
): string =>
  a.outcome === 'keep'
    ? 'Keep it.'
    : `${a.outcome === 'never' ? 'Never on the shelf' : a.outcome === 'clean first' ? 'Clean it first' : `Quarantine until ${write(a.until!)}`}. ${a.reasons[0]!.words}`;
