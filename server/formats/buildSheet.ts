import { amountOf } from '../../core/measure/amount.ts';
import type { Content, ContentText } from 'pdfmake/interfaces';
import { formatAges } from '../../core/calendar/ages.ts';
import { inUnit, type LengthUnit } from '../../core/measure/length.ts';
import { formatMinutes } from '../../core/measure/minutes.ts';
import { kits, quantityFor } from '../../core/needs/supply.ts';
import type { Scene } from '../../core/drawing/mark.ts';
import { stepPictures } from '../../core/drawing/stepPictures.ts';
import type { Need, Show } from '../../core/patterns/kernel.ts';
import type { Placed } from '../../core/plan/order.ts';
import { type Paper } from '../../core/print/paper.ts';
import type { Finding } from '../../core/safety/check.ts';
import { CAUTION, drawn, heading, MM, type PaperSpec, QUIET, type, toScale } from './sheetParts.ts';

export interface BuildSheet {
  readonly name: string;
  readonly label: string;
  readonly forGroup: string;
  readonly ageFrom: number;
  readonly ageTo: number;
  readonly approach: string;
  readonly copies: number;
  readonly scene: Scene;
  readonly needs: readonly Need[];
  /** What a step takes up and nothing is chosen for. */
  readonly unlisted: readonly string[];
  readonly placed: readonly Placed[];
  readonly findings: readonly Finding[];
  readonly show: Show;
  readonly unit: LengthUnit;
}

/** Largest size of a step's picture, mm. */
const STEP_PICTURE = [34, 24] as const;

/** All one needs at the bench: drawing, what to lay out, the steps in order, the cautions. */
export function buildSheetPaper(b: BuildSheet, size: Paper): PaperSpec {
  const pictures = stepPictures(
    b.scene,
    b.placed.map((p) => p.step.id),
  );
  const seen = (step: string): Scene[] => (pictures.has(step) ? [pictures.get(step)!] : []);
  const steps = b.placed.map((p, i): Content => ({
    unbreakable: true,
    margin: [0, 0, 0, 7],
    columns: [
      type(`${i + 1}`, { bold: true, fontSize: 13, width: 22 } as Partial<ContentText>),
      {
        width: '*',
        stack: [
          {
            columns: [
              type(inUnit(p.step.title, b.unit), {
                bold: true,
                fontSize: 13,
                width: '*',
              } as Partial<ContentText>),
              type(
                `${formatMinutes(p.minutes)} · ${p.step.who === 'child' ? 'child’s own step' : p.step.who === 'adult' ? 'adult' : 'adult or child'}${p.step.blade ? ' · BLADE' : ''}`,
                { bold: p.step.blade, alignment: 'right', width: 150 } as Partial<ContentText>,
              ),
            ],
          },
          type(inUnit(p.step.words, b.unit)),
          ...(p.step.tools.length > 0 ? [type(`With ${p.step.tools.join(', ')}.`, { color: QUIET })] : []),
          ...(p.step.drying > 0
            ? [
                type(`Then leave it to dry ${formatMinutes(p.step.drying)}; nobody needs to wait.`, {
                  color: QUIET,
                }),
              ]
            : []),
        ],
      },
      {
        width: STEP_PICTURE[0] * MM,
        stack: seen(p.step.id).map((scene) => drawn(scene, STEP_PICTURE, b.unit)),
      },
    ],
    columnGap: 8,
  }));
  const paper: PaperSpec = {
    title: `${b.name}: build sheet`,
    size,
    fontSize: 11.3,
    lineHeight: 1.18,
    foot: (page, pages) => `${b.label} · page ${page} of ${pages}`,
    content: [
      {
        columns: [
          type(b.name, {
            bold: true,
            fontSize: b.name.length > 40 ? 16 : 22,
            width: '*',
          } as Partial<ContentText>),
          type(b.label, { fontSize: 14, alignment: 'right', width: 80 } as Partial<ContentText>),
        ],
      },
      type(`${kits(b.copies)} for ${b.forGroup}, ${formatAges(b.ageFrom, b.ageTo)} · ${b.approach}`, {
        margin: [0, 2, 0, 6],
      }),
      ...toScale(b.scene, [186, 78], b.unit, { instead: 'Cut from the template where there is one.' }),
      heading('Lay out'),
      {
        layout: 'noBorders',
        table: {
          widths: ['*', 'auto'],
          body: b.needs.map((n) => [
            type(
              n.cuts ? `${n.name}: ${n.cuts.map((c) => `${c.count} × ${c.label}`).join(', ')} a kit` : n.name,
            ),
            type(amountOf(quantityFor([{ need: n, times: b.copies }]), n.unit, b.unit), {
              bold: true,
              alignment: 'right',
            }),
          ]),
        },
      },
      ...(b.unlisted.length > 0
        ? [
            type(
              `Nothing is chosen for: ${b.unlisted.join(', ').toLowerCase()}. A step takes it up, and it is not counted here.`,
              { color: QUIET, margin: [0, 2, 0, 0] },
            ),
          ]
        : []),
      heading('Steps'),
      ...(pictures.size > 0
        ? [type('Pictures of steps are not to scale.', { color: QUIET, fontSize: 9.5 })]
        : []),
      ...steps,
      heading('Show it'),
      ...[
        b.show.say,
        `Look for: ${b.show.lookFor}`,
        `Easier: ${b.show.easier}`,
        `Harder: ${b.show.harder}`,
        `And: ${b.show.more}`,
        `One hand, or left-handed: ${b.show.oneHand}`,
        b.show.stop,
      ].map((line) => type(line, { margin: [0, 0, 0, 3] })),
      heading('Take care'),
      ...b.findings
        .filter((f) => f.verdict !== 'clear')
        .map((f) =>
          type(
            `${f.verdict === 'stop' ? 'STOP' : 'Take care'} · ${f.title}: ${inUnit(`${f.words} ${f.remedy ?? ''}`, b.unit)}`,
            {
              margin: [0, 0, 0, 4],
            },
          ),
        ),
      type(`${b.placed.some((p) => p.step.blade) ? 'All knife work away from children. ' : ''}${CAUTION}`, {
        bold: true,
        margin: [0, 6, 0, 0],
      }),
    ],
  };
  return paper;
}
