import { formatAges } from '../../calendar/ages.ts';
import { skillPlain } from '../../patterns/skillWords.ts';
import { STRETCH } from '../../watch/whatNext.ts';
import type { Worth } from './termProblem.ts';

/** Points for serving the aim, for the right step, for the right age and for being made for the group: age says more where there are no notes to go by. */
const AIM = 60;
const STEP = 80;
const AGE = { known: 30, guessed: 60 } as const;
const GROUP = 20;
/** For what the family asked for: more than all that speaks for another kit. */
const RESERVED = 200;
/** A kit for children who are this much older or younger has none of the points for age, months. */
const FAR = 24;

/** Ages, months. */
export interface Ages {
  readonly from: number;
  readonly to: number;
}
const gapOf = (a: Ages, b: Ages): number => Math.max(0, a.from - b.to, b.from - a.to);

/** A level of a kit for one child of a family. */
export interface LevelFor {
  /** The child's code; null where no notes are known of the family's children. */
  readonly child: string | null;
  readonly skill: string;
  readonly level: string;
  /** Of managing it alone, 0 to 1. */
  readonly chance: number;
}

const tenths = (chance: number): string => `${Math.round(10 * chance)} in 10`;

/**
 * What a kit is worth to a family: the level whose chance of managing alone is nearest to seven in ten, whether it is for
 * the aim, and whether it was made for its group.
 *
 * @param levels of all designs in the kit, for every child that notes speak of; at least one level, or empty where a design
 * cannot be read
 */
export function worthOf(o: {
  readonly levels: readonly LevelFor[];
  readonly skills: readonly string[];
  readonly aim: string | null;
  /** Whether the family reserved it. */
  readonly isReserved: boolean;
  readonly group: string;
  readonly madeFor: readonly string[];
  /** What the kit's designs are for; what the group's are for, null where nothing is made for it. */
  readonly ages: Ages;
  readonly groupAges: Ages | null;
}): Worth {
  const isAim = o.aim !== null && o.skills.includes(o.aim);
  const serving = o.levels.filter((r) => !isAim || r.skill === o.aim);
  const nearness = (chance: number): number => 1 - Math.abs(chance - STRETCH) / STRETCH;
  const best = serving.reduce<LevelFor | null>(
    (a, r) => (a === null || nearness(r.chance) > nearness(a.chance) ? r : a),
    null,
  );
  const isOwn = o.group !== '' && o.madeFor.includes(o.group);
  const known = best !== null && best.child !== null;
  const gap = o.groupAges ? gapOf(o.ages, o.groupAges) : 0;
  const points =
    1 +
    (o.isReserved ? RESERVED : 0) +
    (isAim ? AIM : 0) +
    // Without notes every child looks alike: the step says little.
    (known ? Math.round(STEP * nearness(best.chance)) : 0) +
    Math.round(AGE[known ? 'known' : 'guessed'] * Math.max(0, 1 - gap / FAR)) +
    (isOwn ? GROUP : 0);
  const reasons = [
    ...(o.isReserved ? ['reserved by them'] : []),
    isAim ? `${skillPlain(o.aim)}, their aim` : skillPlain(o.skills[0] ?? ''),
    ...(known ? [`“${best.level}”: about ${tenths(best.chance)} for ${best.child} to manage it alone`] : []),
    ...(isOwn ? [`made for ${o.group}`] : gap > 0 ? [`made for ${formatAges(o.ages.from, o.ages.to)}`] : []),
    ...(known ? [] : ['no notes to go by']),
  ];
  return {
    points,
    reason: reasons.join('; '),
    hardness: best ? 1 - best.chance : 0.5,
    isAim,
    isReserved: o.isReserved,
  };
}
