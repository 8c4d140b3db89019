import { formatLength } from '../../core/measure/length.ts';
import { amountOf } from '../../core/measure/amount.ts';
import type { Content, ContentText, TableCell } from 'pdfmake/interfaces';
import type { BatchWork } from '../../contract/batches.ts';
import type { BenchPlan } from '../../core/plan/benchPlan.ts';
import { shortDay, type Day } from '../../core/calendar/days.ts';
import type { LengthUnit } from '../../core/measure/length.ts';
import { formatMinutes } from '../../core/measure/minutes.ts';
import { formatMoney, type MoneyStyle } from '../../core/measure/money.ts';
import { kits } from '../../core/needs/supply.ts';
import { clockOf, dayOf } from '../../core/plan/batch.ts';
import { type Paper } from '../../core/print/paper.ts';
import { CAUTION, heading, INK, type PaperSpec, QUIET, type, toScale } from './sheetParts.ts';

type Style = Partial<ContentText>;

export interface BatchSheet {
  readonly place: string;
  readonly batch: BatchWork;
  readonly plan: BenchPlan;
  readonly unit: LengthUnit;
  readonly money: MoneyStyle;
  readonly today: Day;
}

/** A pack to buy: where, how many, for how much; minor units. */
export interface ShoppingLine {
  readonly shop: string;
  readonly pack: string;
  readonly packs: number;
  readonly price: number;
  /** What is brought and not a pack. */
  readonly isDelivery: boolean;
}
export interface Shopping {
  readonly lines: readonly ShoppingLine[];
  /** With delivery; null where it cannot all be had. */
  readonly total: number | null;
  /** Materials that no offer holds enough of. */
  readonly lacking: readonly string[];
}

const page = (s: BatchSheet, title: string, size: Paper, content: Content[]): PaperSpec => ({
  title: `${s.batch.name}: ${title}`,
  size,
  fontSize: 11.3,
  lineHeight: 1.18,
  foot: (at, of) => `${s.place} · ${s.batch.name} · ${title} · page ${at} of ${of}`,
  content,
});

const right = (words: string, style: Style = {}): TableCell => type(words, { alignment: 'right', ...style });
const head = (words: string, style: Style = {}): TableCell =>
  type(words, { color: QUIET, fontSize: 9.5, ...style });

/** A box to tick. */
const tick = (): TableCell => ({
  canvas: [{ type: 'rect', x: 1, y: 2, w: 9, h: 9, lineWidth: 0.8, lineColor: INK }],
});

const table = (widths: (string | number)[], body: TableCell[][]): Content => ({
  layout: 'lightHorizontalLines',
  table: { widths, body, headerRows: 1, dontBreakRows: true },
});

/** When all is done, as the screen says it. */
function endWords(s: BatchSheet): string[] {
  const { plan } = s;
  if (!plan.feasible || plan.zero === null) return [plan.reason ?? 'Not planned yet.'];
  const said = (minutes: number): string => {
    const { day, minute } = dayOf(plan.zero!, minutes);
    return `${shortDay(day, s.money.locale)} at ${clockOf(minute)}`;
  };
  return [
    `All done on ${said(plan.makespan!)}.`,
    plan.makespan! - plan.bound! < 0.01
      ? 'No plan ends sooner.'
      : `The best plan found; none can end before ${said(plan.bound!)}.`,
  ];
}

function steps(s: BatchSheet): Content[] {
  const { plan, batch } = s;
  if (!plan.feasible || plan.zero === null) return [];
  const list = plan.plan.filter((p) => p.maker !== null);
  const rows = list.flatMap((p, i): TableCell[][] => {
    const t = batch.tasks.find((x) => x.id === p.task);
    if (!t) return [];
    const { day, minute } = dayOf(plan.zero!, p.start);
    const before = list[i - 1];
    const isNewDay = !before || dayOf(plan.zero!, before.start).day !== day;
    return [
      [
        tick(),
        type(`${isNewDay ? `${shortDay(day, s.money.locale)}, ` : ''}${clockOf(minute)}`, {
          bold: isNewDay,
        }),
        type(`${t.title}${t.part ? ` (${t.part[0]} of ${t.part[1]})` : ''}`),
        type(t.design, { color: QUIET }),
        type(`${p.maker}${t.blade ? (t.hot ? ' · HEAT' : ' · BLADE') : t.child ? ' · child' : ''}`, {
          bold: t.blade === true,
        }),
        right(formatMinutes(t.minutes)),
      ],
      ...(t.drying > 0
        ? [
            [
              '',
              '',
              type(`then dries ${formatMinutes(t.drying)}`, { color: QUIET, fontSize: 10 }),
              '',
              '',
              '',
            ] as TableCell[],
          ]
        : []),
    ];
  });
  return [
    heading('Steps'),
    table(
      ['auto', 44, '*', 118, 78, 46],
      [
        [
          head(''),
          head('When'),
          head('Step'),
          head('Of'),
          head('Who'),
          head('Takes', { alignment: 'right' }),
        ],
        ...rows,
      ],
    ),
  ];
}

/** The batch on paper: what is made, when everything is done, what to lay out, how it is cut. */
export function batchPaper(s: BatchSheet, size: Paper): PaperSpec {
  const { batch } = s;
  const tools = [...new Set(batch.tasks.flatMap((t) => t.needs))].sort();
  return page(s, 'plan', size, [
    type(batch.name, { bold: true, fontSize: batch.name.length > 40 ? 16 : 22 }),
    type(batch.items.map((i) => `${kits(i.copies)} of ${i.name}`).join(' · '), { margin: [0, 2, 0, 4] }),
    ...endWords(s).map((words, i) => type(words, { bold: i === 0 })),
    ...steps(s),
    heading('Lay out'),
    ...(tools.length > 0 ? [type(`Tools: ${tools.join(', ')}.`, { margin: [0, 0, 0, 4] })] : []),
    table(
      ['auto', '*', 'auto', 'auto', 'auto'],
      [
        [
          head(''),
          head('Material'),
          head('All', { alignment: 'right' }),
          head('Kept', { alignment: 'right' }),
          head('Short', { alignment: 'right' }),
        ],
        ...batch.bill.map((l): TableCell[] => {
          const said = (n: number): string => amountOf(n, l.unit, s.unit);
          return [
            tick(),
            type(l.name),
            right(said(l.wanted)),
            right(said(l.kept)),
            right(said(l.short), { bold: l.short > 0 }),
          ];
        }),
      ],
    ),
    ...batch.cutPlans.flatMap((p, i): Content[] => {
      return [
        ...(i === 0 ? [heading('What is cut from what')] : []),
        {
          unbreakable: true,
          stack: [
            type(`${p.units} × ${p.name}`, { bold: true, margin: [0, 6, 0, 2] }),
            type(
              [
                p.units === p.bound
                  ? 'No plan takes fewer.'
                  : `By what the parts measure, ${p.bound} would be the least.`,
                p.isTrimmed ? 'Every cut goes from edge to edge: a paper trimmer will do.' : '',
                p.offcuts.length > 0
                  ? `Keep: ${p.offcuts.map((o) => `${o.count} × ${formatLength(o.length, s.unit)}`).join(', ')}.`
                  : '',
              ]
                .filter(Boolean)
                .join(' '),
              { color: QUIET, fontSize: 10, margin: [0, 0, 0, 4] },
            ),
            ...toScale(p.scene, [180, 190], s.unit, {
              coloured: true,
              instead: 'Measure by the figures on it.',
            }),
          ],
        },
      ];
    }),
    type(
      `${batch.tasks.some((t) => t.blade) ? 'All knife work and heat away from children. ' : ''}${CAUTION}`,
      {
        bold: true,
        margin: [0, 8, 0, 0],
      },
    ),
  ]);
}

/** What to buy, shop by shop, with boxes to tick. */
export function shoppingPaper(s: BatchSheet, shopping: Shopping, size: Paper): PaperSpec {
  const shops = [...new Set(shopping.lines.map((l) => l.shop))];
  const said = (minor: number): string => formatMoney(minor, s.money);
  return page(s, 'shopping list', size, [
    type(`Shopping list: ${s.batch.name}`, { bold: true, fontSize: 20 }),
    ...(shopping.lacking.length > 0
      ? [
          type(`No offer holds enough: ${shopping.lacking.join(', ')}.`, {
            bold: true,
            margin: [0, 6, 0, 0],
          }),
        ]
      : []),
    ...(shopping.lines.length === 0 && shopping.lacking.length === 0
      ? [type('Nothing: the shelf has it all.', { margin: [0, 6, 0, 0] })]
      : []),
    ...shops.flatMap((shop): Content[] => {
      const own = shopping.lines.filter((l) => l.shop === shop);
      return [
        heading(shop),
        table(
          ['auto', '*', 'auto', 'auto'],
          [
            [
              head(''),
              head('Pack'),
              head('Packs', { alignment: 'right' }),
              head('Price', { alignment: 'right' }),
            ],
            ...own.map((l): TableCell[] => [
              l.isDelivery ? '' : tick(),
              type(l.pack) as TableCell,
              right(l.isDelivery ? '' : String(l.packs)),
              right(said(l.price)),
            ]),
            [
              '',
              type('Together', { bold: true }),
              '',
              right(said(own.reduce((n, l) => n + l.price, 0)), { bold: true }),
            ],
          ],
        ),
      ];
    }),
    ...(shopping.total !== null && shops.length > 1
      ? [type(`In all ${said(shopping.total)}.`, { bold: true, margin: [0, 8, 0, 0] })]
      : []),
  ]);
}
