import { amountOf } from '../../core/measure/amount.ts';
import type { TableCell } from 'pdfmake/interfaces';
import { formatAges } from '../../core/calendar/ages.ts';
import { shortDay, type Day } from '../../core/calendar/days.ts';
import type { Scene } from '../../core/drawing/mark.ts';
import type { LengthUnit } from '../../core/measure/length.ts';
import { formatMinutes } from '../../core/measure/minutes.ts';
import { formatMoney, type MoneyStyle } from '../../core/measure/money.ts';
import { kits } from '../../core/needs/supply.ts';
import { type Paper } from '../../core/print/paper.ts';
import { skillPlain } from '../../core/patterns/skillWords.ts';
import { heading, MM, type PaperSpec, QUIET, type, NOT_TO_SCALE } from './sheetParts.ts';
import { drawingSvg } from './svg.ts';

/** What some kits of a design cost, for somebody who would pay for them. Money in minor units. */
export interface DonorSheet {
  readonly place: string;
  readonly today: Day;
  readonly name: string;
  readonly skill: string;
  readonly forGroup: string;
  readonly ageFrom: number;
  readonly ageTo: number;
  readonly copies: number;
  readonly picture: Scene;
  readonly unit: LengthUnit;
  readonly money: MoneyStyle;
  readonly lines: readonly {
    readonly name: string;
    readonly quantity: number;
    readonly unit: 'each' | 'mm';
    /** For all of it; null where it is saved and costs nothing. */
    readonly cost: number | null;
  }[];
  /** To be bought now for all of it, whole packs and delivery; null where it cannot all be had. */
  readonly toBuy: number | null;
  /** Adult minutes, and what an hour counts for where the place counts it. */
  readonly minutes: number;
  readonly hourly: number | null;
}

export function donorsPaper(d: DonorSheet, size: Paper): PaperSpec {
  const said = (minor: number): string => formatMoney(Math.round(minor), d.money);
  const used = d.lines.reduce((n, l) => n + (l.cost ?? 0), 0);
  const work = d.hourly === null ? null : (d.hourly * d.minutes) / 60;
  const all = used + (work ?? 0);
  const scale = Math.min(70 / d.picture.width, 46 / d.picture.height);
  const right = (words: string, bold = false): TableCell => type(words, { alignment: 'right', bold });
  const row = (words: string, cost: string, bold = false): TableCell[] => [
    type(words, { bold }),
    right(cost, bold),
  ];
  return {
    title: `${d.name}: what ${kits(d.copies)} cost`,
    size,
    fontSize: 12,
    lineHeight: 1.2,
    foot: () => `${d.place} · ${shortDay(d.today, d.money.locale)} ${d.today.slice(0, 4)}`,
    content: [
      type(`What ${kits(d.copies)} cost`, { bold: true, fontSize: 24 }),
      type(
        `${d.name}, for ${d.forGroup} (${formatAges(d.ageFrom, d.ageTo)}): ${skillPlain(d.skill).toLowerCase()}.`,
        {
          margin: [0, 2, 0, 10],
        },
      ),
      {
        columns: [
          {
            width: d.picture.width * scale * MM,
            stack: [
              {
                svg: drawingSvg(d.picture, d.unit, true),
                width: d.picture.width * scale * MM,
                height: d.picture.height * scale * MM,
              },
              type(NOT_TO_SCALE, { color: QUIET, fontSize: 9.5 }),
            ],
          },
          {
            width: '*',
            margin: [18, 0, 0, 0],
            stack: [
              type(said(all / d.copies), { bold: true, fontSize: 30 }),
              type(work === null ? 'a kit, for materials' : 'a kit, for materials and adult work'),
              type(said(all), { bold: true, fontSize: 20, margin: [0, 8, 0, 0] }),
              type(`for ${kits(d.copies)}`),
            ],
          },
        ],
      },
      heading('What goes into them'),
      {
        layout: 'lightHorizontalLines',
        table: {
          widths: ['*', 'auto', 'auto'],
          body: [
            ...d.lines.map((l): TableCell[] => [
              type(l.name) as TableCell,
              right(amountOf(l.quantity, l.unit, d.unit)),
              right(l.cost === null ? 'saved' : said(l.cost)),
            ]),
            [type('Materials', { bold: true }), '', right(said(used), true)],
          ],
        },
      },
      ...(work === null
        ? []
        : [
            heading('Adult work'),
            {
              layout: 'noBorders',
              table: {
                widths: ['*', 'auto'],
                body: [row(`${formatMinutes(d.minutes)} at ${said(d.hourly!)} an hour`, said(work))],
              },
            },
          ]),
      heading('To be bought now'),
      type(
        d.toBuy === null
          ? 'Not everything that is missing can be bought at the offers that are known.'
          : d.toBuy === 0
            ? 'Nothing: the shelf has it all.'
            : `${said(d.toBuy)} in whole packs with delivery, less what is free on the shelf; what is left over goes into other kits.`,
      ),
      type(`Kits are lent from family to family. ${formatMinutes(d.minutes)} of adult work go into these.`, {
        color: QUIET,
        margin: [0, 12, 0, 0],
      }),
    ],
  };
}
