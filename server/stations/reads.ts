import type { EntityManager } from '@mikro-orm/core';
import type { BenchPlan } from '../../core/plan/benchPlan.ts';
import type { PurchaseAnswer } from '../../core/price/purchase.ts';
import type { BatchSheet, Shopping } from '../formats/batchSheets.ts';
import type { Paper } from '../../core/print/paper.ts';
import type { Skill } from '../../core/patterns/kernel.ts';
import type { Day } from '../../core/calendar/days.ts';
import type { WorkerPool } from '../compute/workerPool.ts';
import type { ServerContext } from '../serverContext.ts';
import { dueCalendar } from '../formats/calendars.ts';
import { JsonText } from '../people/jsonText.ts';
import type { ReadJob, ReadName } from './readJob.ts';
import { bundleReport, sheetOf } from './check/sheet.ts';
import { familyData } from './lend/erase.ts';
import { listBundles, suggestBundles, type BundleQuery } from './lend/bundles.ts';
import { listNeeds } from './shape/service.ts';
import { wantedData } from './gather/wanted.ts';
import { donorSheet } from './make/donorSheet.ts';
import {
  buildSheetData,
  openedDesign,
  templateData,
  type OpenedDesign,
  type PaperAsked,
} from './make/designPapers.ts';
import { openBatch, type Opened } from './make/batches.ts';
import * as papers from './make/batchPapers.ts';
import { knownOf } from './files/kind.ts';
import { readFile, type PreviewRequest } from './files/preview.ts';
import { designFamilyPaper, familyPaper, type PaperAsk } from './lend/familyPaper.ts';
import { lasting } from './lend/durability.ts';
import { listMissing } from './lend/found.ts';
import { dueDays, listTellings } from './lend/telling.ts';
import { termReport } from './lend/term.ts';
import { borrowed } from './lend/borrowed.ts';
import * as plans from './lend/termPlan/service.ts';
import { todayLater, todayNow } from './today/service.ts';
import { childPage, groupPage } from './watch/page.ts';

/** What something is read with. */
export interface Reading {
  readonly em: EntityManager;
  readonly workerPool: WorkerPool;
  readonly today: Day;
}

/** What a paper of a design says, with the name of its file and the paper it goes on. */
const forPaper =
  <T>(of: (d: OpenedDesign) => T | Promise<T>) =>
  async (o: Reading, id: number, asked: PaperAsked) => {
    const d = await openedDesign(o.em, id, asked, o.today);
    return { data: await of(d), name: d.design.name, file: d.file, paper: d.paper };
  };

/** What takes long in a large place and changes nothing, by name. */
const READS = {
  rowsOfFile: async (o: Reading, request: PreviewRequest) =>
    readFile(request, await knownOf(o.em, o.today, request.kind)),
  needs: (o: Reading) => listNeeds(o.em, o.today),
  check: (o: Reading, of: 'design' | 'bundle', id: number) => bundleReport(o.em, of, id, o.today),
  bundles: (o: Reading, query: BundleQuery) => listBundles(o.em, query, o.today),
  suggestedBundles: (o: Reading) => suggestBundles(o.em, o.today),
  wanted: forPaper(wantedData),
  donors: forPaper(donorSheet),
  buildSheet: forPaper(buildSheetData),
  template: async (o: Reading, id: number, asked: PaperAsked, mirror: boolean) =>
    forPaper((d) => templateData(d, mirror))(o, id, asked),
  checkSheet: (o: Reading, of: 'design' | 'bundle', id: number) => sheetOf(o.em, of, id, o.today),
  bundlePaper: (o: Reading, id: number, asked: PaperAsk) => familyPaper(o.em, id, asked, o.today),
  designPaper: (o: Reading, id: number, asked: PaperAsk) => designFamilyPaper(o.em, id, asked, o.today),
  batch: (o: Reading, id: number) => openBatch(o.em, id, o.today),
  batchPurchase: (o: Reading, batch: Opened) => papers.purchaseFor(o.em, batch),
  batchShopping: (o: Reading, batch: Opened, answer: PurchaseAnswer) =>
    papers.shoppingOf(o.em, batch, answer),
  batchSheet: (o: Reading, batch: Opened, plan: BenchPlan) => papers.sheetFor(o.em, batch, plan, o.today),
  batchPapers: (o: Reading, sheet: BatchSheet, shopping: Shopping, paper: Paper) =>
    papers.allPapers(o.em, sheet, shopping, paper),
  borrowed: (o: Reading, id: number, from: Day, to: Day) => borrowed(o.em, id, { from, to, today: o.today }),
  familyData: (o: Reading, id: number) => familyData(o.em, id),
  dueDays: async (o: Reading, id: number) => {
    const { family, place, loans } = await dueDays(o.em, id);
    return { family, calendar: dueCalendar(loans, place, o.today) };
  },
  childPage: (o: Reading, child: string, skill: Skill | undefined) => childPage({ ...o, child, skill }),
  groupPage: (o: Reading, group: string) => groupPage({ ...o, group }),
  lasting: (o: Reading) => lasting(o.em),
  missing: (o: Reading) => listMissing(o.em),
  tellings: (o: Reading, language: string | undefined) => listTellings(o.em, o.today, language),
  termReport: (o: Reading, from: Day, to: Day) => termReport(o.em, from, to, o.today),
  termPlan: (o: Reading, id: number) => plans.lookAtPlan(o, id),
  termProblem: (o: Reading, id: number) => plans.problemOf(o, id),
  termChoices: (o: Reading, id: number, at: { readonly borrower: number; readonly week: number }) =>
    plans.choicesFor(o, id, at),
  todayNow: (o: Reading) => todayNow(o.em, o.today),
  todayLater: (o: Reading) => todayLater(o.em, o.today),
} satisfies Record<ReadName, unknown>;
type Reads = typeof READS;
type Data<K extends ReadName> = Parameters<Reads[K]> extends [Reading, ...infer D] ? D : never;
type Answer<K extends ReadName> = Awaited<ReturnType<Reads[K]>>;

export async function readNow(
  o: Reading,
  { name, data, asText }: Pick<ReadJob, 'name' | 'data' | 'asText'>,
): Promise<unknown> {
  const answer = await (READS[name] as (o: Reading, ...data: readonly unknown[]) => Promise<unknown>)(
    o,
    ...data,
  );
  return asText ? JSON.stringify(answer) : answer;
}

/** Where something long is read: beside the server where that has workers and the place has a file, so that nobody waits behind it. */
const readAt = (
  { em, workerPool, folder, today, exchanges }: ServerContext,
  signal: AbortSignal | undefined,
  job: Pick<ReadJob, 'name' | 'data' | 'asText'>,
): Promise<unknown> =>
  folder === null || !workerPool.hasReaders
    ? readNow({ em: em(), workerPool, today: today() }, job)
    : workerPool.run({ kind: 'read', folder, exchanges: exchanges(), today: today(), ...job }, signal);

/** Reads something long. It sees all that was acknowledged before it was asked. */
export const reading =
  (serverContext: ServerContext, signal?: AbortSignal) =>
  <K extends ReadName>(name: K, ...data: Data<K>): Promise<Answer<K>> =>
    readAt(serverContext, signal, { name, data, asText: false }) as Promise<Answer<K>>;

/** As `reading`, for an answer that goes out as it is: a large one is not put together again in the server's own thread. */
export const readingText =
  (serverContext: ServerContext, signal?: AbortSignal) =>
  async <K extends ReadName>(name: K, ...data: Data<K>): Promise<JsonText> =>
    new JsonText((await readAt(serverContext, signal, { name, data, asText: true })) as string);
