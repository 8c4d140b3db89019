import pdfmake from 'pdfmake';
import type { Content, ContentText, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Scene } from '../../core/drawing/mark.ts';
import type { LengthUnit } from '../../core/measure/length.ts';
import { CHECKING_BAR, MARGIN, PAPERS, type Paper } from '../../core/print/paper.ts';
import { FACE_COUNT, fontPath, runsOf } from './fonts.ts';
import { drawingSvg } from './svg.ts';

/** Points in a millimetre. */
export const MM = 72 / 25.4;
export const CAUTION =
  'These are the usual cautions, not a certificate. Local toy-safety and licensing rules come first; ask the therapist who knows the child.';

export const INK = '#1e2a2c';
export const QUIET = '#4a5855';

pdfmake.setFonts(
  Object.fromEntries(
    Array.from({ length: FACE_COUNT }, (_, face) => [
      `face${face}`,
      { normal: fontPath(face, 400), bold: fontPath(face, 700) },
    ]),
  ),
);
// Nothing is fetched, and no file is read but the fonts.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.includes('fontsource'));

/** Longest stretch without a place to break, letters: a longer word is broken so that it never runs over the margin. */
const UNBROKEN = 28;
const breakable = (words: string): string =>
  words.replace(new RegExp(`\\S{${UNBROKEN}}(?=\\S)`, 'gu'), (w) => `${w} `);

/** Words in the faces that have their letters. */
export const type = (words: string, style: Partial<ContentText> = {}): Content => ({
  ...style,
  text: runsOf(breakable(words)).map((r) => ({ text: r.text, font: `face${r.face}` })),
});

export const heading = (words: string): Content => ({
  stack: [
    type(words, { bold: true, fontSize: 14 }),
    {
      canvas: [{ type: 'line', x1: 0, y1: 2, x2: 515, y2: 2, lineWidth: 0.6, lineColor: INK }],
    },
  ],
  margin: [0, 12, 0, 6],
  headlineLevel: 1,
});

/** What a bar on paper has to measure. */
export const barWords = (unit: LengthUnit): string =>
  `${unit === 'mm' ? '50 mm' : '2 inches'} on paper. If not, print again at 100 %.`;
/** The bar to hold a ruler against, for what is drawn at true size. */
export const checkingBar = (unit: LengthUnit): Content => {
  const long = CHECKING_BAR[unit];
  return {
    stack: [
      {
        svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${long + 1} 5"><path d="M0.5 2.5H${long + 0.5}M0.5 0.5v4M${long + 0.5} 0.5v4" fill="none" stroke="${INK}" stroke-width="0.35"/></svg>`,
        width: (long + 1) * MM,
        height: 5 * MM,
      },
      type(barWords(unit), { color: QUIET, fontSize: 9.5 }),
    ],
    margin: [0, 4, 0, 0],
  };
};
/** What stands under a drawing that nothing may be measured on. */
export const NOT_TO_SCALE = 'Not to scale.';
const notToScale = (words: string): Content => type(words, { color: QUIET, fontSize: 9.5 });

/** A drawing at true size with its bar where the room (mm) is enough, else as large as it goes and said to be not to scale. */
export function toScale(
  scene: Scene,
  [width, height]: readonly [number, number],
  unit: LengthUnit,
  { coloured = false, instead = '' }: { coloured?: boolean; instead?: string } = {},
): Content[] {
  const scale = Math.min(1, width / Math.max(scene.width, 1), height / Math.max(scene.height, 1));
  return [
    {
      svg: drawingSvg(scene, unit, coloured),
      width: scene.width * scale * MM,
      height: scene.height * scale * MM,
    },
    ...(scale === 1
      ? [checkingBar(unit)]
      : [notToScale(instead === '' ? NOT_TO_SCALE : `${NOT_TO_SCALE} ${instead}`)]),
  ];
}

/** A drawing in its colours in a box of so many mm, as large as it goes. */
export function drawn(scene: Scene, [width, height]: readonly [number, number], unit: LengthUnit): Content {
  const scale = Math.min(width / Math.max(scene.width, 1), height / Math.max(scene.height, 1));
  return {
    svg: drawingSvg(scene, unit, true),
    width: scene.width * scale * MM,
    height: scene.height * scale * MM,
  };
}

/** A paper whose words flow from page to page. */
interface FlowingPaper {
  readonly title: string;
  readonly size: Paper;
  readonly content: Content[];
  /** Of the words, pt. */
  readonly fontSize?: number;
  readonly lineHeight?: number;
  /** A letter has wider margins, and nothing at its foot; slips are cut, and have narrow ones. */
  readonly as?: 'sheet' | 'letter' | 'slips';
  /** What stands at the foot of a page. */
  readonly foot?: (at: number, of: number) => string;
}

/** A paper of pages that are drawn in mm, true to size. */
interface DrawnPaper {
  readonly title: string;
  readonly pages: readonly { readonly svg: string; readonly width: number; readonly height: number }[];
}

/** What is printed: words that flow, drawn pages, or several papers one after the other. */
export type PaperSpec =
  FlowingPaper | DrawnPaper | { readonly title: string; readonly papers: readonly PaperSpec[] };

type Section = Omit<TDocumentDefinitions, 'content'> & { readonly section: Content[] };
const SIDE = MARGIN * MM;
const MARGINS = {
  sheet: [SIDE, 40, SIDE, 46],
  letter: [SIDE * 1.6, 60, SIDE * 1.6, 46],
  slips: [SIDE, SIDE, SIDE, SIDE],
} as const;

function sectionsOf(paper: PaperSpec): Section[] {
  if ('papers' in paper) return paper.papers.flatMap(sectionsOf);
  if ('pages' in paper)
    return paper.pages.map(({ svg, width, height }) => ({
      pageSize: { width: width * MM, height: height * MM },
      pageMargins: [0, 0, 0, 0],
      footer: () => '',
      section: [{ svg, width: width * MM, height: height * MM, absolutePosition: { x: 0, y: 0 } }],
    }));
  const { size, content, fontSize = 11, lineHeight = 1.2, as = 'sheet', foot } = paper;
  const { width, height } = PAPERS[size];
  return [
    {
      pageSize: { width: width * MM, height: height * MM },
      pageMargins: [...MARGINS[as]],
      footer: (at, of) =>
        foot === undefined ? '' : type(foot(at, of), { color: QUIET, fontSize: 9, margin: [SIDE, 14] }),
      section: [{ stack: content, fontSize, lineHeight }],
    },
  ];
}

/** The paper as a PDF. */
export async function pdfOf(paper: PaperSpec): Promise<Uint8Array> {
  const sections = sectionsOf(paper);
  const definition = {
    info: { title: paper.title, producer: 'Fox Button' },
    defaultStyle: { font: 'face0', color: INK },
    // A heading does not stand alone at the end of a page.
    pageBreakBefore: (
      node: { readonly headlineLevel?: number },
      { getFollowingNodesOnPage }: { getFollowingNodesOnPage(): readonly unknown[] },
    ) => node.headlineLevel === 1 && getFollowingNodesOnPage().length === 0,
    content: sections,
  };
  return new Uint8Array(await pdfmake.createPdf(definition).getBuffer());
}
