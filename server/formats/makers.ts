/** Papers by name; what each is made with is loaded when it is first asked for, by the worker that makes it. */
const MAKERS = {
  batch: async () => (await import('./batchSheets.ts')).batchPdf,
  shopping: async () => (await import('./batchSheets.ts')).shoppingPdf,
  joined: async () => (await import('./batchSheets.ts')).joined,
  buildSheet: async () => (await import('./buildSheet.ts')).buildSheetPdf,
  checkSheet: async () => (await import('./checkSheet.ts')).checkSheetPdf,
  familyCheck: async () => (await import('./checkSheet.ts')).familyCheckPdf,
  childPage: async () => (await import('./childPage.ts')).childPagePdf,
  donors: async () => (await import('./donors.ts')).donorsPdf,
  pictureSheet: async () => (await import('./familySheet.ts')).pictureSheetPdf,
  countCard: async () => (await import('./familySheet.ts')).countCardPdf,
  labels: async () => (await import('./labels.ts')).labelsPdf,
  template: async () => (await import('./papers.ts')).templatePdf,
  recall: async () => (await import('./recall.ts')).recallPdf,
  telling: async () => (await import('./telling.ts')).tellingPdf,
  termReport: async () => (await import('./termReport.ts')).termReportPdf,
  termSlips: async () => (await import('./termSlips.ts')).termSlipsPdf,
  loanSlip: async () => (await import('./termSlips.ts')).loanSlipPdf,
  wanted: async () => (await import('./wanted.ts')).wantedPdf,
};

export type PaperName = keyof typeof MAKERS;
/** What a paper is made of: plain data, since it goes to a worker. */
export type PaperData<K extends PaperName> = Parameters<Awaited<ReturnType<(typeof MAKERS)[K]>>>;

/** A paper that is to be made. */
export interface PaperJob {
  readonly kind: 'paper';
  readonly name: PaperName;
  readonly data: readonly unknown[];
}

/** The paper as a PDF. */
export async function makePaper({ name, data }: PaperJob): Promise<Uint8Array> {
  const make = (await MAKERS[name]()) as (...of: readonly unknown[]) => Promise<Uint8Array>;
  return make(...data);
}
