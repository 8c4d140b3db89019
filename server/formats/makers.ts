import type { PaperSpec } from './sheetParts.ts';

/** Papers by name; what each is made with is loaded when it is first asked for, by the worker that makes it. */
const MAKERS = {
  borrowed: async () => (await import('./borrowed.ts')).borrowedPaper,
  batch: async () => (await import('./batchSheets.ts')).batchPaper,
  shopping: async () => (await import('./batchSheets.ts')).shoppingPaper,
  buildSheet: async () => (await import('./buildSheet.ts')).buildSheetPaper,
  checkSheet: async () => (await import('./checkSheet.ts')).checkSheetPaper,
  familyCheck: async () => (await import('./checkSheet.ts')).familyCheckPaper,
  childPage: async () => (await import('./childPage.ts')).childPagePaper,
  donors: async () => (await import('./donors.ts')).donorsPaper,
  pictureSheet: async () => (await import('./familySheet.ts')).pictureSheetPaper,
  countCard: async () => (await import('./familySheet.ts')).countCardPaper,
  labels: async () => (await import('./labels.ts')).labelsPaper,
  template: async () => (await import('./papers.ts')).templatePaper,
  photoSheet: async () => (await import('./photoSheet.ts')).photoSheetPaper,
  recall: async () => (await import('./recall.ts')).recallPaper,
  telling: async () => (await import('./telling.ts')).tellingPaper,
  termReport: async () => (await import('./termReport.ts')).termReportPaper,
  termSlips: async () => (await import('./termSlips.ts')).termSlipsPaper,
  loanSlip: async () => (await import('./termSlips.ts')).loanSlipPaper,
  today: async () => (await import('./today.ts')).todayPaper,
  wanted: async () => (await import('./wanted.ts')).wantedPaper,
};

export type PaperName = keyof typeof MAKERS;
/** What a paper is made of: plain data, since it goes to a worker. */
export type PaperData<K extends PaperName> = Parameters<Awaited<ReturnType<(typeof MAKERS)[K]>>>;

/** What a paper is made from, by the name of its kind. */
export interface PaperPart {
  readonly name: PaperName;
  readonly data: readonly unknown[];
}
export const paperPart = <K extends PaperName>(name: K, ...data: PaperData<K>): PaperPart => ({ name, data });

/** Papers that are to be made as one, in order. */
export interface PaperJob {
  readonly kind: 'paper';
  /** Of several together; one alone has its own. */
  readonly title?: string;
  readonly parts: readonly PaperPart[];
}

/** The papers as a PDF. */
export async function makePaper({ title, parts }: PaperJob): Promise<Uint8Array> {
  const { pdfOf } = await import('./sheetParts.ts');
  const papers: PaperSpec[] = [];
  for (const { name, data } of parts) {
    const make = (await MAKERS[name]()) as (...of: readonly unknown[]) => PaperSpec;
    papers.push(make(...data));
  }
  return pdfOf(papers.length === 1 && title === undefined ? papers[0]! : { title: title ?? '', papers });
}
