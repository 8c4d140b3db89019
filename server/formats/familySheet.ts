import type { Content, ContentText, TableCell } from 'pdfmake/interfaces';
import { formatAges } from '../../core/calendar/ages.ts';
import { toolPicture } from '../../core/drawing/tools.ts';
import { languageOf } from '../../core/languages/messages.ts';
import { sheetWords, type SheetWords } from '../../core/lend/sheetWords.ts';
import type { FamilyPaper, HomeDesign, PicturedPart } from '../../core/lend/familyPaper.ts';
import { inUnit, type LengthUnit } from '../../core/measure/length.ts';
import { formatMinutes } from '../../core/measure/minutes.ts';
import type { Placed } from '../../core/plan/order.ts';
import { drawn, heading, INK, MM, type PaperSpec, QUIET, type } from './sheetParts.ts';

type Style = Partial<ContentText>;

/** How a paper says things: its own words, and lengths in the unit of the place. What designs and rules say is in its language already. */
interface Voice {
  readonly w: SheetWords;
  readonly say: (words: string) => string;
  /** Whether its steps are in its language; else the place's own words stand for them. */
  readonly speaks: boolean;
  readonly unit: LengthUnit;
}
function voiceOf(p: FamilyPaper): Voice {
  return {
    w: sheetWords(p.language),
    say: (words) => inUnit(words, p.unit),
    speaks: languageOf(p.language) !== null,
    unit: p.unit,
  };
}

const page = (p: FamilyPaper, title: string, content: Content[]): PaperSpec => ({
  title: `${p.name}: ${title}`,
  size: p.paper,
  fontSize: 12.5,
  lineHeight: 1.2,
  foot: (n, of) => `${p.place} · ${p.name} · ${n}/${of}`,
  content,
});

const headed = (p: FamilyPaper, over: string): Content[] => [
  type(over, { color: QUIET }),
  type(p.name, { bold: true, fontSize: p.name.length > 40 ? 17 : 24, margin: [0, 0, 0, 4] }),
];

/** Four things across, each drawn with how many there are. */
function things(parts: readonly PicturedPart[], { say, unit }: Voice): Content {
  const cell = (part: PicturedPart): TableCell => ({
    stack: [
      ...(part.scene ? [drawn(part.scene, [34, 22], unit)] : []),
      type(`${part.due} × ${say(part.name)}`, { fontSize: 11, margin: [0, 3, 0, 0] }),
    ],
    margin: [0, 4, 4, 6],
  });
  const rows: TableCell[][] = [];
  for (let i = 0; i < parts.length; i += 4)
    rows.push([0, 1, 2, 3].map((j) => (parts[i + j] ? cell(parts[i + j]!) : '')));
  return { layout: 'noBorders', table: { widths: ['*', '*', '*', '*'], dontBreakRows: true, body: rows } };
}

/** Drawn: the shipped type has no tick. */
const TICK = {
  svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 16"><path d="M2 8l4.5 5L14 3" fill="none" stroke="${INK}" stroke-width="2.2"/></svg>`,
};

/** A step with who does it, what the thing looks like at it and what it is done with; in a language of its own it has no English words beside it. */
function stepOf(p: Placed, i: number, d: HomeDesign, own: boolean, voice: Voice): Content {
  const { step } = p;
  const { w, say, unit } = voice;
  const done = d.prepared.includes(step.id);
  const seen = done ? undefined : d.stepPictures.get(step.id);
  const tools = step.tools.slice(0, 2);
  const notes = [
    w[step.who],
    `${Math.max(1, Math.round(p.minutes))} ${w.minutes}`,
    ...(step.drying > 0 ? [`${w.dry} ${formatMinutes(step.drying)}`] : []),
    ...(step.tools.length > 0 ? [step.tools.map((t) => w.tools[t]).join(', ')] : []),
  ];
  return {
    unbreakable: true,
    margin: [0, 0, 0, 8],
    columns: [
      done ? { ...TICK, width: 24 } : type(`${i + 1}`, { bold: true, fontSize: 15, width: 24 } as Style),
      {
        width: 92,
        stack: [
          ...(seen ? [drawn(seen, [32, 24], unit)] : []),
          ...(tools.length > 0
            ? [
                {
                  margin: [0, seen ? 3 : 0, 0, 0] as [number, number, number, number],
                  columns: tools.map((t) => drawn(toolPicture(t), [13, 7], unit)),
                  columnGap: 4,
                },
              ]
            : []),
        ],
      },
      {
        width: '*',
        stack: [
          type(say(step.title), { bold: true, ...(done ? { color: QUIET } : {}) }),
          ...(done
            ? [type(w.done, { color: QUIET })]
            : [
                ...(own ? [] : [type(say(step.words))]),
                type(notes.join(' · '), { color: QUIET, fontSize: 11 }),
                ...(step.blade ? [type(w.blade, { bold: true })] : []),
              ]),
        ],
      },
    ],
  };
}

function playOf(d: HomeDesign, { w, say }: Voice): Content[] {
  return [
    heading(w.play),
    ...[
      say(d.show.say),
      ...(d.show.script?.map((x) => `${x.minutes} ${w.minutes}: ${say(x.words)}`) ?? []),
      `${w.lookFor}: ${say(d.show.lookFor)}`,
      `${w.easier}: ${say(d.show.easier)}`,
      `${w.harder}: ${say(d.show.harder)}`,
      `${w.oneHand}: ${say(d.show.oneHand)}`,
    ].map((words) => type(words, { margin: [0, 0, 0, 3] })),
  ];
}

/** What a family needs to make and play a kit at home: things and steps in pictures, who cuts, how to play, what to mind. */
export function pictureSheetPaper(p: FamilyPaper): PaperSpec {
  const voice = voiceOf(p);
  const { w, say } = voice;
  const own = !voice.speaks && p.words !== '';
  const content: Content[] = [
    ...headed(p, w.pictureSheet),
    ...(p.words
      ? [heading(w.ours), ...p.words.split(/\n+/).map((line) => type(line, { margin: [0, 0, 0, 4] }))]
      : []),
    heading(w.layOut),
    type(w.notToScale, { color: QUIET, fontSize: 9.5 }),
    things(p.parts, voice),
    ...p.designs.flatMap((d, i): Content[] => [
      {
        stack: [
          type(d.name, { bold: true, fontSize: 18 }),
          type(
            `${say(d.does)} · ${formatAges(d.ageFrom, d.ageTo, { language: languageOf(p.language) ?? 'en' })}`,
            {
              color: QUIET,
              margin: [0, 0, 0, 4],
            },
          ),
          drawn(d.scene, [150, 55], p.unit),
        ],
        margin: [0, 12, 0, 0],
        ...(i > 0 ? { pageBreak: 'before' as const } : {}),
      },
      heading(w.steps),
      ...d.placed.map((s, n) => stepOf(s, n, d, own, voice)),
      ...(own ? [] : playOf(d, voice)),
      ...(d.levels.length > 0
        ? [
            heading(w.ladder),
            {
              ol: d.levels.map((r) => type(`${say(r.name)}: ${say(r.grip)}`)),
            } as Content,
          ]
        : []),
      heading(w.care),
      type(say(d.show.stop), { margin: [0, 0, 0, 4] }),
      ...d.findings
        .filter((f) => f.verdict !== 'clear')
        .map((f) =>
          type(
            `${f.verdict === 'stop' ? 'STOP' : w.care} · ${say(f.title)}: ${[f.words, f.remedy ?? ''].map(say).join(' ')}`,
            { margin: [0, 0, 0, 4] },
          ),
        ),
      type(
        `${d.placed.some((s) => s.step.blade && !d.prepared.includes(s.step.id)) ? `${w.knives} ` : ''}${w.caution}`,
        { bold: true, margin: [0, 6, 0, 0] },
      ),
    ]),
  ];
  return page(p, w.pictureSheet, content);
}

/** Most boxes that are drawn for one kind of piece: more are counted in words. */
const MOST_BOXES = 30;

/** A card that is kept in the kit: every kind drawn, with a box for each to count out and in. */
export function countCardPaper(p: FamilyPaper): PaperSpec {
  const { w, say } = voiceOf(p);
  const boxes = (n: number): Content => ({
    svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${10 * 7} ${Math.ceil(n / 10) * 7}">${Array.from(
      { length: n },
      (_, i) =>
        `<rect x="${(i % 10) * 7 + 0.5}" y="${Math.floor(i / 10) * 7 + 0.5}" width="5.5" height="5.5" rx="1" fill="none" stroke="${INK}" stroke-width="0.5"/>`,
    ).join('')}</svg>`,
    width: 10 * 5 * MM,
  });
  const body: TableCell[][] = p.parts.map((part) => [
    part.scene ? drawn(part.scene, [32, 16], p.unit) : '',
    {
      stack: [
        type(`${part.due}`, { bold: true, fontSize: 22 }),
        type(say(part.name), { fontSize: 11.5 }),
        ...(part.for.length > 1 ? [type(part.for.join(' + '), { fontSize: 9.5, color: QUIET })] : []),
      ],
    },
    part.due <= MOST_BOXES ? boxes(part.due) : type(`${w.out} ______  ${w.back} ______`, { margin: [0, 8] }),
  ]);
  return page(p, w.countCard, [
    ...headed(p, w.countCard),
    type(`${w.countIn} ${w.notToScale}`, { margin: [0, 0, 0, 8] }),
    {
      layout: 'lightHorizontalLines',
      table: { widths: [34 * MM, '*', 52 * MM], dontBreakRows: true, body },
    },
    ...(p.labels.length > 0 ? [type(p.labels.join('  '), { color: QUIET, margin: [0, 10, 0, 0] })] : []),
  ]);
}
