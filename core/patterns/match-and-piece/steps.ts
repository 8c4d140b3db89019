import type { At, Step } from '../kernel.ts';
import { cleaningStep, countStep, step } from '../making.ts';
import { parts, type Dials, cardsIn, hasSticks } from './dials.ts';
import { layOut } from './fit.ts';
import { text } from './words.ts';

/** Sheet up to this thickness goes through a printer, mm (common practice). */
const PRINTS = 0.3;
/** Whether what a card is cut from is printed on itself; a box, and thicker board, has the print glued on. */
export const isPrinted = (at: Pick<At<Dials>, 'chosen'>): boolean => {
  const { card } = parts(at);
  return card?.form === 'sheet' && (card.sizes.wall ?? PRINTS) <= PRINTS;
};

/** Minutes by hand (common practice): a card is cut in half a minute, an inset and its hole in five with a knife. */
export function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { stick, knob } = parts(at);
  const together = approach === 'made together';
  const cards = cardsIn(d);
  const handled = (
    d.kind === 'order'
      ? (layOut(at).order?.things ?? [])
      : hasSticks(d) && stick
        ? [stick]
        : d.kind === 'insets' && knob
          ? [knob]
          : []
  ).map((material) => ({ material, count: d.kind === 'order' ? 1 : d.number }));
  const washed = cleaningStep(handled, at);
  const clean = washed.map((s) => s.id);
  if (d.kind === 'order')
    return [
      ...washed,
      step({
        id: 'order',
        title: text(at, 'putThingsOrderOnce', { number: d.number }),
        words: text(at, 'sayTheWords', { words: text(at, 'orderWords', { measure: d.measure }) }),
        perCopy: 1,
        who: together ? 'child' : 'either',
        after: clean,
      }),
      countStep(at, text(at, 'things', { number: d.number }), ['order']),
    ];
  const print = step({
    id: 'print',
    title: d.kind === 'insets' ? text(at, 'printBoardInsets') : text(at, 'printCards', { cards }),
    words: text(at, d.kind !== 'insets' && isPrinted(at) ? 'trueSizePrint' : 'trueSizeGlue'),
    setUp: 3,
    perCopy: 2,
    tools: ['printer'],
  });
  const colour = together
    ? [
        step({
          id: 'colour',
          title: text(at, 'colourThem'),
          words: text(at, 'colourEachPairTwo'),
          perCopy: 1.5 * d.number,
          who: 'child' as const,
          after: ['print'],
        }),
      ]
    : [];
  const coloured = together ? 'colour' : 'print';
  if (d.kind === 'insets')
    return [
      ...washed,
      print,
      ...colour,
      step({
        id: 'cut',
        title: text(at, 'cutHolesTheirInsets', { number: d.number }),
        words: text(at, 'gluePrintBoardCut'),
        setUp: 2,
        perCopy: 5 * d.number,
        who: 'adult',
        blade: true,
        tools: ['craft knife', 'cutting board', 'ruler', 'sandpaper'],
        after: [coloured],
      }),
      ...(knob
        ? [
            step({
              id: 'knob',
              title: text(at, 'glueKnobs', { number: d.number }),
              words: text(at, 'middleEachInsetPull'),
              perCopy: 0.7 * d.number,
              who: 'adult' as const,
              drying: 60,
              after: ['cut', ...clean],
            }),
          ]
        : []),
      countStep(at, text(at, 'boardAndInsets', { number: d.number }), [knob ? 'knob' : 'cut']),
    ];
  const cutOut = step({
    id: 'cut',
    title: text(at, 'cutCardsOut', { cards }),
    words: text(at, 'alongLinesCornersLittle'),
    perCopy: 0.5 * cards,
    who: together ? 'child' : 'either',
    tools: ['scissors'],
    after: [coloured],
  });
  const laminated = d.laminated
    ? [
        step({
          id: 'laminate',
          title: text(at, 'laminateCards', { cards }),
          words: text(at, 'mmLeftAllRound'),
          setUp: 5,
          perCopy: 0.7 * cards,
          who: 'adult' as const,
          heat: true,
          tools: ['laminator', 'scissors'] as const,
          after: ['cut'],
        }),
      ]
    : [];
  const ready = d.laminated ? 'laminate' : 'cut';
  const halved =
    d.kind === 'halves'
      ? [
          step({
            id: 'halve',
            title: text(at, 'cutInHalf', { cut: d.cut }),
            words: text(at, 'cutNoSecondTry'),
            perCopy: (d.cut === 'straight' ? 0.2 : 0.6) * d.number,
            tools: ['scissors'] as const,
            after: [ready],
          }),
        ]
      : [];
  const sticks = hasSticks(d)
    ? [
        step({
          id: 'sticks',
          title: text(at, 'colourSticks', { number: d.number }),
          words: text(at, 'colourEachCardLet'),
          perCopy: 0.8 * d.number,
          who: together ? ('child' as const) : ('either' as const),
          drying: 30,
          after: clean,
        }),
      ]
    : [];
  return [
    ...washed,
    print,
    ...colour,
    cutOut,
    ...laminated,
    ...halved,
    ...sticks,
    countStep(
      at,
      d.kind === 'halves'
        ? text(at, 'halves', { number: 2 * d.number })
        : hasSticks(d)
          ? text(at, 'cardsAndSticks', { number: d.number })
          : text(at, 'cards', { number: cards }),
      [d.kind === 'halves' ? 'halve' : ready, ...(hasSticks(d) ? ['sticks'] : [])],
    ),
  ];
}
