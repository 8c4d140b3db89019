import type { Content, ContentText } from 'pdfmake/interfaces';
import { longDay, type Day } from '../../core/calendar/days.ts';
import { gaugeScene, cylinderScene } from '../../core/drawing/gauge.ts';
import type { Scene } from '../../core/drawing/mark.ts';
import { formatLength, inUnit, type LengthUnit } from '../../core/measure/length.ts';
import { plainName } from '../../core/patterns/making.ts';
import { type Paper } from '../../core/print/paper.ts';
import type { Finding, Gauged } from '../../core/safety/check.ts';
import type { KitReport } from '../../core/safety/kitCheck.ts';
import { handTests } from '../../core/safety/handTests.ts';
import type { HandTestRow } from '../../contract/checking.ts';
import {
  CAUTION,
  heading,
  MM,
  type PaperSpec,
  QUIET,
  type,
  NOT_TO_SCALE,
  checkingBar,
} from './sheetParts.ts';
import { drawingSvg } from './svg.ts';

/** What a check sheet says of a kit. */
export interface CheckSheet {
  readonly name: string;
  readonly place: string;
  /** Whom a family rings; empty where the place has no number. */
  readonly phone: string;
  readonly today: Day;
  /** BCP 47: how its days are written. */
  readonly locale: string;
  readonly unit: LengthUnit;
  readonly report: KitReport;
  readonly tests: readonly HandTestRow[];
  /** The kit or design as it looks. */
  readonly picture: Scene;
}

const picture = (scene: Scene, unit: LengthUnit, [w, h]: readonly [number, number]): Content => {
  const scale = Math.min(w / scene.width, h / scene.height, 2);
  return {
    stack: [
      { svg: drawingSvg(scene, unit), width: scene.width * scale * MM, height: scene.height * scale * MM },
      type(NOT_TO_SCALE, { color: QUIET, fontSize: 9.5 }),
    ],
  };
};
/** The test tube at true size: a piece is laid on it. */
const trueCylinder = (unit: LengthUnit): Content => {
  const scene = cylinderScene();
  return {
    stack: [
      { svg: drawingSvg(scene, unit), width: scene.width * MM, height: scene.height * MM },
      type(
        'The test tube at true size, from above and from the side. Turn a piece every way: if it can lie inside the circle and is no longer than the tube, it may go in.',
        {
          fontSize: 9.5,
        },
      ),
      checkingBar(unit),
    ],
  };
};

/** What the cylinder says of a piece, as one would tell a parent. */
export function gaugeWords({ name, answer }: Gauged, unit: LengthUnit): string {
  if (answer.fits === false)
    return `${name}: too large by ${formatLength(-answer.clearance, unit)} to go in.`;
  if (answer.fits)
    return `${name}: goes in, with ${formatLength(answer.clearance, unit)} to spare. A small part.`;
  return `${name}: too close to call, so it counts as a small part.`;
}

const VERDICT = { stop: 'STOP', care: 'Take care', clear: 'Clear' } as const;

const finding = (f: KitReport['findings'][number], unit: LengthUnit): Content => ({
  unbreakable: true,
  margin: [0, 0, 0, 6],
  columns: [
    type(VERDICT[f.verdict], { bold: true, width: 62 } as Partial<ContentText>),
    {
      width: '*',
      stack: [
        type(f.title, { bold: true }),
        type(inUnit(`${f.words} ${f.remedy ?? ''}`, unit)),
        type([f.designs.join(', '), f.source, f.changed].filter(Boolean).join(' · '), {
          color: QUIET,
          fontSize: 9.5,
        }),
      ],
    },
  ],
});

const page = (s: CheckSheet, title: string, size: Paper, content: Content[]): PaperSpec => ({
  title: `${s.name}: ${title}`,
  size,
  fontSize: 11,
  lineHeight: 1.18,
  foot: (at, pages) => `${s.place} · ${s.name} · ${longDay(s.today, s.locale)} · page ${at} of ${pages}`,
  content,
});

/** The pieces in the cylinder, three to a row. */
function cylinders(gauged: readonly Gauged[], unit: LengthUnit): Content[] {
  const rows: Content[] = [];
  for (let i = 0; i < gauged.length; i += 3)
    rows.push({
      unbreakable: true,
      margin: [0, 0, 0, 8],
      columns: gauged.slice(i, i + 3).map((g) => ({
        width: '33%',
        stack: [
          picture(gaugeScene(g.shape, g.answer), unit, [50, 42]),
          type(gaugeWords(g, unit), { fontSize: 9.5 }),
        ],
      })),
    });
  return rows;
}

/** Everything that was checked of a kit, what came out, what was tested by hand and what nobody checked. */
export function checkSheetPaper(s: CheckSheet, size: Paper): PaperSpec {
  const { report } = s;
  const worst: Finding['verdict'][] = ['stop', 'care', 'clear'];
  return page(s, 'check sheet', size, [
    type(s.name, { bold: true, fontSize: s.name.length > 40 ? 16 : 22 }),
    type(
      `Check sheet. Rules applied: ${report.market}. Youngest who will use it: ${report.youngest} months. ${longDay(s.today, s.locale)}.`,
      { margin: [0, 2, 0, 6] },
    ),
    picture(s.picture, s.unit, [80, 46]),
    ...(report.gauged.length > 0
      ? [heading('In the small-parts cylinder'), ...cylinders(report.gauged, s.unit)]
      : []),
    heading('What was found'),
    ...worst.flatMap((v) => report.findings.filter((f) => f.verdict === v).map((f) => finding(f, s.unit))),
    heading('Tests done by hand'),
    ...(s.tests.length === 0
      ? [type('None is on record.')]
      : s.tests
          .slice(0, 40)
          .map((t) =>
            type(
              `${t.on} · ${t.test} · ${t.part}: ${t.passed ? 'held' : 'FAILED'}${t.force === null ? '' : `, ${t.force} N`} · ${t.by}${t.words ? ` · ${t.words}` : ''}`,
            ),
          )),
    type(
      `To do: ${handTests(report.youngest, report.market)
        .map((t) => inUnit(t.words, s.unit))
        .join('; ')}.`,
      { color: QUIET, margin: [0, 4, 0, 0] },
    ),
    ...(report.answered.length > 0 ? [heading('Looked at'), ...report.answered.map((u) => type(u))] : []),
    heading('What is in it, and how it reaches a child'),
    ...report.account.map((l) => type(`${l.name}: ${l.how ?? 'NOT JUDGED: nobody has said how it is held'}`)),
    heading('Not checked'),
    ...report.unchecked.map((u) => type(u)),
    ...(report.changed.length > 0
      ? [heading('Rules changed here'), ...report.changed.map((c) => type(c))]
      : []),
    type(`${CAUTION} Rule values are from memory of the published texts.`, {
      bold: true,
      margin: [0, 10, 0, 0],
    }),
  ]);
}

/** The piece a child could most likely choke on: what goes in deepest, or comes nearest to going in. */
const nearest = (gauged: readonly Gauged[]): Gauged | null =>
  gauged.reduce<Gauged | null>((a, b) => (!a || b.answer.clearance > a.answer.clearance ? b : a), null);

/** The first sentence of what is found, without its numbers' source: for a reader in a hurry. */
const plain = (f: Finding, unit: LengthUnit): string => inUnit(`${f.title}: ${f.remedy ?? f.words}`, unit);

/** Rules of what blocks an airway besides small parts. */
const CHOKES = [
  'small-ball',
  'soft',
  'sheds',
  'swallowed',
  'button-cell',
  'balloon',
  'swells',
  'choking-form',
  'attached',
  'filler',
];

/** One page for a family, in plain words: could my child choke on it, what to watch, what to do, whom to ring. */
export function familyCheckPaper(s: CheckSheet, size: Paper): PaperSpec {
  const { report } = s;
  const one = nearest(report.gauged);
  const small = report.gauged.filter((g) => g.answer.fits !== false);
  // What chokes is not only what the cylinder holds: what is soft, sheds or swells counts as much.
  const chokes = report.findings.filter((f) => f.verdict === 'stop' && CHOKES.includes(f.rule));
  const open = report.account.filter((l) => l.how === null).map((l) => plainName(l));
  const answer =
    small.length === 0 && chokes.length > 0
      ? `Yes: ${[...new Set(chokes.map((f) => plainName({ name: f.where })))].join(', ')}. Keep it away from children under three, and from any child who still puts things in the mouth.`
      : small.length === 0 && !report.isAccounted
        ? `Nobody has judged everything in it: ${[...new Set(open)].join(', ')}. Look at it yourself, and keep it away from any child who puts things in the mouth.`
        : one === null
          ? 'There is no loose piece in it. Look at it each time all the same: something may have come off.'
          : small.length > 0
            ? `Yes, it has small parts: ${[...new Set(small.map((g) => plainName(g)))].join(', ')}. They go into a tube about as wide as a small child’s throat. Keep them away from children under three, and from any child who still puts things in the mouth.`
            : `Each piece is too large to go into the test tube, which is about as wide as a small child’s throat. Stay near all the same: a piece can break.`;
  const watch = report.findings.filter((f) => f.verdict !== 'clear' && f.rule !== 'remnant').slice(0, 6);
  const line = (words: string): Content => type(words, { margin: [0, 0, 0, 4] });
  return page(s, 'for families', size, [
    type(s.name, { bold: true, fontSize: s.name.length > 40 ? 16 : 22 }),
    type('Could my child choke on it?', { bold: true, fontSize: 17, margin: [0, 8, 0, 4] }),
    type(answer, { fontSize: 12.5 }),
    ...(one
      ? [
          {
            margin: [0, 8, 0, 0] as [number, number, number, number],
            columnGap: 14,
            columns: [
              { width: 215, stack: [trueCylinder(s.unit)] },
              {
                width: '*',
                stack: [
                  picture(gaugeScene(one.shape, one.answer), s.unit, [52, 40]),
                  line(gaugeWords(one, s.unit)),
                  line('The picture shows it in the test tube, the way round in which it goes in furthest.'),
                ],
              },
            ],
          } as Content,
        ]
      : []),
    heading('What to watch'),
    ...(watch.length === 0
      ? [line('Nothing was found. Stay near all the same.')]
      : [...new Set(watch.map((f) => plain(f, s.unit)))].map(line)),
    heading('When a part breaks or is lost'),
    line('Stop, and pick up every bit. Put all of it in the bag and close it.'),
    line('Count the pieces. Look under things, and in hands and mouths.'),
    line('If you think a piece was swallowed or a child cannot breathe, ring the emergency number at once.'),
    line('Bring it back as it is. You do not have to mend or pay anything.'),
    heading('Whom to ring'),
    line(
      s.phone === ''
        ? `${s.place}: ______________________________`
        : `${s.place}: ${s.phone}. Ring about any question, however small.`,
    ),
    type(CAUTION, { bold: true, margin: [0, 10, 0, 0] }),
  ]);
}
