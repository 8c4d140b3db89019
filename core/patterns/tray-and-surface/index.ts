import { sceneOf } from '../../drawing/marks.ts';
import type { At, Drawing, Feature, Pattern, Plan, Reaches, Show, Step } from '../kernel.ts';
import { answers, cleaningStep, countStep, sayFor, step, stopWords } from '../making.ts';
import type { Activity } from './activity.ts';
import { brushes } from './brushes.ts';
import { dials, ROLES, type Dials } from './dials.ts';
import { floor } from './floor.ts';
import { foil } from './foil.ts';
import { dough, foodTray } from './trays.ts';
import { wall } from './wall.ts';
import { text } from './words.ts';

const ACTIVITIES: Readonly<Record<Dials['kind'], Activity>> = {
  'food tray': foodTray,
  dough,
  wall,
  floor,
  foil,
  brushes,
};
const activityOf = ({ dials: d }: Pick<At<Dials>, 'dials'>): Activity => ACTIVITIES[d.kind];

/** Minutes to clean up afterwards, longer for more children (common practice): part of the plan. */
const cleanUp = (at: At<Dials>): number =>
  Math.ceil(activityOf(at).clean(at).minutes * (0.7 + 0.3 * at.dials.children));

function steps(at: At<Dials>): Step[] {
  const activity = activityOf(at);
  const { dials: d } = at;
  const washed = cleaningStep(activity.washed?.(at) ?? [], at);
  const { words, who } = activity.clean(at);
  return [
    ...washed,
    step({ id: 'ready', after: washed.map((s) => s.id), ...activity.ready(at) }),
    step({ id: 'clean', title: text(at, 'cleanUp'), words, perCopy: cleanUp(at), who, after: ['ready'] }),
    countStep(at, d.kind === 'wall' ? text(at, 'things', { items: d.items }) : text(at, 'kept'), ['clean']),
  ];
}

const plan = (at: At<Dials>): Plan => ({
  needs: activityOf(at).needs(at),
  unlisted: activityOf(at).unlisted?.(at) ?? [],
  cuts: [],
  steps: steps(at),
});

const reaches = (at: At<Dials>): Reaches => ({
  [ROLES.fill.id]: (m) =>
    at.dials.kind !== 'dough' && m.form === 'piece' ? { as: 'loose' } : { as: 'food' },
  [ROLES.item.id]: (m) => (m.form === 'consumable' ? { as: 'fixed', held: 'stuck on' } : { as: 'loose' }),
  [ROLES.tape.id]: { as: 'told', how: 'stuck down, and peeled off by the child' },
  [ROLES.foil.id]: { as: 'told', how: 'on the floor, taped all round' },
  [ROLES.page.id]: { as: 'told', how: 'painted on' },
});

function show(at: At<Dials>): Show {
  const { play, look, easier, harder, more } = activityOf(at).says(at);
  return {
    say: sayFor(at, play, text(at, 'youMixedIt')),
    lookFor: look,
    easier,
    harder,
    more,
    oneHand: text(at, 'trayNonSlipMat'),
    stop: stopWords(at),
    script: [
      { minutes: 1, words: text(at, 'lookAndTouch', { words: play }) },
      { minutes: 3, words: easier },
      { minutes: 3, words: harder },
      { minutes: 1, words: more },
      { minutes: cleanUp(at), words: text(at, 'cleanUpTogetherPart') },
    ],
  };
}

function draw(at: At<Dials>): Drawing {
  const { made, measures, about } = activityOf(at).draw(at);
  return {
    scene: sceneOf([...made, ...measures]),
    about: `${about}, to scale`,
    picture: sceneOf(made, 3),
    sheets: activityOf(at).sheets(at),
  };
}

const features = (at: At<Dials>): Feature[] => activityOf(at).features?.(at) ?? [];

/** What has no moving piece of its own: trays, walls, floors and found brushes. */
export const trayAndSurface: Pattern<Dials, null> = {
  id: 'tray-and-surface',
  name: 'Tray and surface',
  does: (to) => text(to, 'drawsPressesReachesPaints'),
  skills: ['Crossing the midline', 'Hand strength', 'Two hands together'],
  acts: (at) => activityOf(at).acts(at),
  quiet: true,
  usualFrom: (at) => activityOf(at).usualFrom,
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) => ACTIVITIES[d.kind].title(d),
  fit: (at) => answers(activityOf(at).facts(at), null)(...activityOf(at).judge(at)),
  plan,
  draw,
  moves: (at) => activityOf(at).moves(at),
  counts: ({ dials: d }) =>
    d.kind === 'wall'
      ? { of: 'things', one: 'thing', number: d.items }
      : { of: 'lines', one: 'line', number: 5 },
  features,
  reaches,
  forHand: (_, { standing }) => (standing === undefined ? {} : { standing }),
  levels: (at) => activityOf(at).levels(at),
  show,
};
