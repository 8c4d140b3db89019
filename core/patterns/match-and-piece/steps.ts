import type { At, Step } from '../kernel.ts';
import { cleaningStep, countStep, step } from '../making.ts';
import { parts, type Dials, cardsIn, hasSticks } from './dials.ts';
import { layOut } from './fit.ts';
import { ORDER_WORDS } from './order.ts';

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
  const washed = cleaningStep(handled, approach);
  const clean = washed.map((s) => s.id);
  if (d.kind === 'order')
    return [
      ...washed,
      step({
        id: 'order',
        title: `Put ${d.number} things in order once`,
        words: `Say the words with it: ${ORDER_WORDS[d.measure].join(', ')}.`,
        perCopy: 1,
        who: together ? 'child' : 'either',
        after: clean,
      }),
      countStep(`${d.number} things`, ['order']),
    ];
  const print = step({
    id: 'print',
    title: d.kind === 'insets' ? 'Print the board and its insets' : `Print ${cards} cards`,
    words: 'At true size: measure the 50 mm bar, then print on the card or glue the print on.',
    setUp: 3,
    perCopy: 2,
    tools: ['printer'],
  });
  const colour = together
    ? [
        step({
          id: 'colour',
          title: 'Colour them in',
          words: 'One colour for each pair, so that the two belong together.',
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
        title: `Cut ${d.number} holes and their insets`,
        words:
          'Glue the print on the board, cut along the lines with a knife on a cutting board, sand the edges.',
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
              title: `Glue ${d.number} knobs on`,
              words: 'In the middle of each inset; pull at each when it is dry.',
              perCopy: 0.7 * d.number,
              who: 'adult' as const,
              drying: 60,
              after: ['cut', ...clean],
            }),
          ]
        : []),
      countStep(`1 board and ${d.number} insets`, [knob ? 'knob' : 'cut']),
    ];
  const cutOut = step({
    id: 'cut',
    title: `Cut ${cards} cards out`,
    words: 'Along the lines, corners a little round.',
    perCopy: 0.5 * cards,
    who: together ? 'child' : 'either',
    tools: ['scissors'],
    after: [coloured],
  });
  const laminated = d.laminated
    ? [
        step({
          id: 'laminate',
          title: `Laminate ${cards} cards`,
          words: '3 mm left all round each when they are cut apart; round the corners.',
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
            title: `Cut each card in half along its ${d.cut === 'straight' ? 'line' : d.cut}`,
            words: 'One cut, no second try: each line is its own.',
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
          title: `Colour ${d.number} sticks`,
          words: 'One in the colour of each card; let them dry apart.',
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
      d.kind === 'halves'
        ? `${2 * d.number} halves`
        : hasSticks(d)
          ? `${d.number} cards and ${d.number} sticks`
          : `${cards} cards`,
      [d.kind === 'halves' ? 'halve' : ready, ...(hasSticks(d) ? ['sticks'] : [])],
    ),
  ];
}
