import { atStep, circle, dimension, sceneOf } from '../drawing/marks.ts';
import { dialTable } from '../patterns/dialTable.ts';
import { taken, type At, type Pattern, type Role } from '../patterns/kernel.ts';
import { cleaningStep, countStep, need, sayFor, step, stopWords } from '../patterns/making.ts';
import { text } from './words.ts';

/** The smallest pattern: lids laid on rings drawn on a card. docs/adding-a-pattern.md walks through it. */
const LID: Role = {
  id: 'lid',
  label: 'Lids',
  forms: ['disc'],
  least: 1,
  most: 1,
  use: 'piece',
  usual: ['milk-cap'],
};
const CARD: Role = {
  id: 'card',
  label: 'Card',
  forms: ['sheet'],
  least: 1,
  most: 1,
  use: 'part',
  usual: ['a4-card'],
};

interface Dials {
  readonly lids: number;
  /** How much wider the ring is than the lid, mm. */
  readonly loose: number;
}
const dials = dialTable<Dials>({
  lids: { label: 'Lids', unit: 'each', of: 'a number of lids', ends: [1, 12], begins: 4 },
  loose: {
    label: 'Ring over the lid',
    unit: 'mm',
    ends: [1, 40],
    begins: ({ ageFrom }) => (ageFrom < 24 ? 20 : 10),
  },
});

const parts = ({ chosen }: Pick<At<Dials>, 'chosen'>) => ({
  lid: taken(chosen, LID),
  card: taken(chosen, CARD),
});
const ring = (at: At<Dials>): number => parts(at).lid.sizes.diameter! + at.dials.loose;
const places = (at: At<Dials>): [number, number][] =>
  Array.from({ length: at.dials.lids }, (_, i) => [
    (i % 4) * (ring(at) + 8),
    Math.floor(i / 4) * (ring(at) + 8),
  ]);

export const ringMat: Pattern<Dials> = {
  id: 'ring-mat',
  name: 'Ring mat',
  does: (to) => text(to, 'does'),
  skills: ['Pincer and release'],
  acts: () => ['picks up', 'lets go'],
  quiet: true,
  usualFrom: () => [12, 24],
  roles: [LID, CARD],
  dials,
  title: (at) => `Lay ${at.dials.lids} lids`,
  fit: (at) => ({
    verdict: 'clear',
    headline: 'Every lid has its ring',
    remedy: null,
    facts: [{ id: 'ring', label: 'Ring', value: ring(at), unit: 'mm', onMat: true }],
    detail: null,
  }),
  plan: (at) => {
    const { lid, card } = parts(at);
    const { dials: d } = at;
    const washed = cleaningStep([{ material: lid, count: d.lids }], at);
    return {
      needs: [need(LID, lid, d.lids, true)],
      cuts: [
        {
          kind: 'outline',
          id: 'card',
          label: text(at, 'ringCard'),
          role: CARD.id,
          materialId: card.id,
          count: 1,
          use: 'part',
          counted: true,
          outline: [
            [0, 0],
            [140, 0],
            [140, 100],
            [0, 100],
          ],
          turn: 'right',
          gap: 2,
        },
      ],
      steps: [
        ...washed,
        step({
          id: 'draw',
          title: text(at, 'drawTheRings'),
          words: text(at, 'roundACup'),
          perCopy: d.lids,
          tools: ['marker'],
        }),
        countStep(at, text(at, 'counted', { lids: d.lids }), ['draw', ...washed.map((s) => s.id)]),
      ],
    };
  },
  draw: (at) => {
    const { lid } = parts(at);
    const rings = places(at).map((p) => circle('draw', p, ring(at)));
    return {
      scene: sceneOf([
        ...atStep('draw', rings),
        dimension([0, 0], [ring(at), 0], [0, -ring(at)]),
        ...atStep('count', [circle('piece', [0, 0], lid.sizes.diameter!, lid.colour)]),
      ]),
      about: `${at.dials.lids} rings with a lid on the first, to scale`,
      picture: sceneOf(rings, 2),
      sheets: [{ id: 'rings', title: 'Rings', marks: rings, count: 1 }],
    };
  },
  moves: (at) => [{ distance: 200, tolerance: at.dials.loose, choices: at.dials.lids }],
  counts: (at) => ({ of: 'lids', one: 'lid', number: at.dials.lids }),
  features: () => [],
  levels: (at) =>
    [30, 15, 8, 3].map((loose) => ({
      id: `l${loose}`,
      name: text(at, 'over', { loose }),
      grip: text(at, 'grip'),
      dials: { ...at.dials, loose },
    })),
  show: (at) => ({
    say: sayFor(at, text(at, 'whichLid'), text(at, 'youDrew')),
    lookFor: text(at, 'lookFor'),
    easier: text(at, 'easier'),
    harder: text(at, 'harder'),
    more: text(at, 'more'),
    oneHand: text(at, 'oneHand'),
    stop: stopWords(at),
  }),
};
