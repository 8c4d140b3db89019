import type { Move } from '../../challenge/bits.ts';
import { levelOf, type Surface } from './activity.ts';
import type { Dials } from './dials.ts';
import { text } from './words.ts';

/** How wide a line each leaves, mm (common practice). */
const LINE: Record<Dials['tool'], number> = { hand: 80, finger: 15, spoon: 30, comb: 20, brush: 8 };

/** A line drawn: the hand goes to where it begins, and along it. */
export const lineMoves = ({ dials: d }: Surface, reach: number): Move[] => [
  { distance: 200, tolerance: 2 * LINE[d.tool] },
  { distance: reach, tolerance: LINE[d.tool] },
];

/** From the whole hand to a brush: the finer what it is drawn with, the harder. */
export const lineLevels = (at: Surface) => [
  levelOf(
    at,
    'hand',
    text(at, 'wholeHand'),
    text(at, at.dials.kind === 'food tray' ? 'fingersRake' : 'wholeHand2'),
    { tool: 'hand' },
  ),
  levelOf(at, 'spoon', text(at, 'spoon'), text(at, 'fistThenFingers'), { tool: 'spoon' }),
  levelOf(at, 'comb', text(at, 'comb'), text(at, 'fingers'), { tool: 'comb' }),
  levelOf(at, 'finger', text(at, 'finger'), text(at, 'fingerPoints'), { tool: 'finger' }),
  levelOf(at, 'brush', text(at, 'brush'), text(at, 'threeFingers'), { tool: 'brush' }),
];

/** Who rolls up what comes off: a child from three on, an adult for those who put it in the mouth. */
export const childRolls = (at: Surface): boolean => at.ageFrom >= 36;
/** A handful of foil or tape that a child rolls up is about so large, mm (common practice). */
const CRUSHED = 25;
/** The ball it is rolled to when it is cleared away, and what it is fixed to until then. */
export const rolledFeatures = (at: Surface, name: string, what: string) => [
  { kind: 'fixing', name: what, to: 'floor' } as const,
  ...(childRolls(at)
    ? ([
        { kind: 'line', name, how: 'loose, made when it is cleared away' },
        { kind: 'piece', name, shape: { kind: 'sphere', diameter: CRUSHED }, count: 1, ball: true },
      ] as const)
    : []),
];
