import { when } from '../acts.ts';
import type { At, Pattern, LevelDials } from '../kernel.ts';
import { dials, parts, ROLES, thickOf } from './dials.ts';
import type { Dials } from './schema.ts';
import { draw } from './draw.ts';
import { fit, layOut, moves } from './fit.ts';
import { features, plan, reaches, show } from './plan.ts';
import { mostRounds, type Wound } from './thread.ts';
import { text } from './words.ts';

/** The same frame with few, far rounds, then held, then closer, then twice round; each changes one or two things. */
function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const thick = Math.ceil(thickOf(parts(at).thread));
  /** As many rounds as there are, or as go. */
  const going = (part: Partial<Dials>): Dials => {
    const next = { ...d, ...part };
    return { ...next, rounds: Math.max(1, Math.min(next.rounds, mostRounds(next) || 1)) };
  };
  const close = Math.max(thick, 4);
  if (d.frame === 'loom') {
    const loom = (slots: number, pitch: number): Dials =>
      going({ slots, pitch, spacing: Math.max(thick, Math.min(pitch, 8)), rounds: 16 });
    return [
      { id: 'five', name: text(at, 'fiveWideApart'), grip: text(at, 'fingersBobbin'), dials: loom(5, 20) },
      { id: 'seven', name: text(at, 'seven'), grip: text(at, 'fingersBobbin'), dials: loom(7, 14) },
      { id: 'nine', name: text(at, 'nine'), grip: text(at, 'thumbFinger'), dials: loom(9, 10) },
      { id: 'close', name: text(at, 'thirteenClose'), grip: text(at, 'thumbFinger'), dials: loom(13, 7) },
    ];
  }
  const arms = (sticks: number): Partial<Dials> => (d.frame === 'star' ? { sticks } : {});
  return [
    {
      id: 'over',
      name: text(at, 'over'),
      grip: text(at, 'wholeHandBobbin'),
      dials: going({ ...arms(2), wraps: 0, spacing: close + 8, rounds: 4 }),
    },
    {
      id: 'held',
      name: text(at, 'onceRoundFar'),
      grip: text(at, 'wholeHandBobbin'),
      dials: going({ ...arms(2), wraps: 1, spacing: close + 8, rounds: 4 }),
    },
    {
      id: 'more',
      name: d.frame === 'star' ? text(at, 'moreArms') : text(at, 'closerRows'),
      grip: text(at, 'fingersBobbin'),
      dials: going({ ...arms(3), wraps: 1, spacing: close + 4 }),
    },
    {
      id: 'close',
      name: text(at, 'close'),
      grip: text(at, 'thumbFinger'),
      dials: going({ ...arms(3), wraps: 1, spacing: close }),
    },
    {
      id: 'twice',
      name: text(at, 'twiceRound'),
      grip: text(at, 'thumbFingerTurnsWrist'),
      dials: going({ ...arms(3), wraps: 2, spacing: close }),
    },
  ];
}

const ON: Record<Dials['frame'], string> = {
  star: 'crossed sticks',
  twig: 'a forked twig',
  loom: 'a card loom',
};

/** Thread wound or woven on sticks, a twig or a card. */
export const weave: Pattern<Dials, Wound> = {
  id: 'weave',
  name: 'Weave',
  does: (to) => text(to, 'windsThreadRoundSticks'),
  skills: ['Two hands together', 'Crossing the midline', 'In-hand manipulation'],
  // Round an arm the yarn is handed from one side to the other; on a loom the arm goes all the way across.
  acts: ({ dials: d }) =>
    when({
      'both at once': true,
      'turns in the fingers': d.frame !== 'loom' && d.wraps > 0,
      'reaches across': d.frame === 'loom',
    }),
  quiet: true,
  usualFrom: ({ dials: d }) => (d.frame === 'loom' ? [42, 66] : [33, 54]),
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) =>
    `${d.frame === 'star' ? 'Wind' : 'Weave'} ${d.rounds} ${d.frame === 'star' ? 'rounds' : 'rows'} on ${ON[d.frame]}`,
  fit,
  plan,
  draw,
  moves,
  // The other hand turns the frame; the round of the arms is kept in mind, or the threads of a loom in view.
  beside: ({ dials: d }) => ({
    hands: 2,
    ...(d.frame === 'star' ? { remember: d.sticks, attend: 2 * d.sticks } : {}),
    ...(d.frame === 'loom' ? { attend: d.slots } : {}),
  }),
  // Rows of a loom are counted; nobody counts its crossings.
  counts: (at) =>
    at.dials.frame === 'loom'
      ? { of: 'rows', one: 'row', number: at.dials.rounds }
      : { of: 'crossings', one: 'crossing', number: layOut(at).crossings },
  features,
  reaches,
  levels,
  show,
};
