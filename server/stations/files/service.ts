import { randomBytes } from 'node:crypto';
import { createReadStream, createWriteStream, existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { EntityManager } from '@mikro-orm/core';
import type { FileDone, FileKind, FilePreview } from '../../../contract/files.ts';
import type { Day } from '../../../core/calendar/days.ts';
import type { ServerContext } from '../../serverContext.ts';
import { reading } from '../reads.ts';
import { csvRows, MOST_BYTES, tooLarge } from '../../formats/csv.ts';
import { ProblemError } from '../../problem.ts';
import { takeTurn } from '../../takeTurns.ts';
import { temporaryFolder } from '../../temporary.ts';
import type { FamilyValue } from './familyRows.ts';
import { kindOf } from './kinds.ts';
import type { LotValue } from './lotRows.ts';
import type { MaterialValue } from './materialRows.ts';
import type { NoteValue } from './noteRows.ts';
import type { OfferValue } from './offerRows.ts';
import {
  BATCH,
  writeFamilies,
  writeLots,
  writeMaterials,
  writeNotes,
  writeOffers,
  type Written,
} from './write.ts';

import { writeCounts, writeEvents, writeKits, writeLoans } from './writeRecords.ts';
import type { KitValue } from './kitRows.ts';
import type { CountValue, EventValue, LoanValue } from './recordRows.ts';

const HOUR = 3_600_000;

/** Files read but not yet confirmed wait here for an hour; not in the place's folder, since they are not its data yet. */
function waitingFolder(): string {
  const folder = temporaryFolder();
  for (const name of readdirSync(folder)) {
    const file = join(folder, name);
    const at = statSync(file, { throwIfNoEntry: false });
    if (at && Date.now() - at.mtimeMs > HOUR) rmSync(file, { force: true });
  }
  return folder;
}

/** Passes bytes on until there are too many. */
const limited = (): Transform => {
  let bytes = 0;
  return new Transform({
    transform(chunk: Buffer, _, done) {
      bytes += chunk.length;
      done(bytes > MOST_BYTES ? tooLarge() : null, chunk);
    },
  });
};

/** Takes a file in and has it read by a worker; good rows wait to be confirmed. */
export async function previewFile(
  serverContext: ServerContext,
  upload: { readonly kind: FileKind; readonly source: Readable; readonly signal?: AbortSignal },
): Promise<FilePreview> {
  const { kind } = upload;
  const id = randomBytes(12).toString('hex');
  const source = join(waitingFolder(), `${id}.upload`);
  const target = join(waitingFolder(), `${id}.${kind}`);
  try {
    // The request itself stays open when the file is refused, so that the answer arrives.
    await pipeline(
      upload.source.iterator({ destroyOnReturn: false }),
      limited(),
      createWriteStream(source, { mode: 0o600 }),
    );
    const preview = await reading(serverContext, upload.signal)('rowsOfFile', { id, kind, source, target });
    if (preview.faulty > 0) rmSync(target, { force: true });
    return preview;
  } catch (error) {
    rmSync(target, { force: true });
    throw error;
  } finally {
    rmSync(source, { force: true });
  }
}

/** The rows that wait, in batches. */
async function* batches<T>(file: string): AsyncGenerator<T[]> {
  let batch: T[] = [];
  for await (const line of createInterface({ input: createReadStream(file), crlfDelay: Infinity })) {
    if (line === '') continue;
    batch.push(JSON.parse(line) as T);
    if (batch.length === BATCH) {
      yield batch;
      batch = [];
      await new Promise((go) => setImmediate(go));
    }
  }
  if (batch.length > 0) yield batch;
}

const waitingFile = (id: string): string | undefined => {
  const folder = temporaryFolder();
  const name = readdirSync(folder).find((n) => n.startsWith(`${id}.`) && !n.endsWith('.upload'));
  return name === undefined ? undefined : join(folder, name);
};

const WRITERS: Readonly<Record<FileKind, (em: EntityManager, file: string, today: Day) => Promise<Written>>> =
  {
    materials: (em, file, today) => writeMaterials(em, batches<MaterialValue>(file), today),
    lots: (em, file, today) => writeLots(em, batches<LotValue>(file), today),
    offers: (em, file, today) => writeOffers(em, batches<OfferValue>(file), today),
    families: (em, file, today) => writeFamilies(em, batches<FamilyValue>(file), today),
    notes: (em, file) => writeNotes(em, batches<NoteValue>(file)),
    kits: (em, file) => writeKits(em, batches<KitValue>(file)),
    loans: (em, file) => writeLoans(em, batches<LoanValue>(file)),
    counts: (em, file) => writeCounts(em, batches<CountValue>(file)),
    events: (em, file) => writeEvents(em, batches<EventValue>(file)),
  };

/** Writes a file that was previewed without a fault: all of it, or nothing. */
export async function confirmFile(em: EntityManager, id: string, today: Day): Promise<FileDone> {
  const file = waitingFile(id);
  if (!file)
    throw new ProblemError(404, 'That file is not waiting any more; choose it again.', [
      { path: 'id', message: 'expected the id of a file read within the hour and without faults' },
    ]);
  const kind = file.slice(file.lastIndexOf('.') + 1) as FileKind;
  return { kind, ...(await WRITERS[kind](em, file, today)) };
}
export const forgetFile = (id: string): void => {
  const file = waitingFile(id);
  if (file && existsSync(file)) rmSync(file, { force: true });
};

/** A kind's rows as CSV, part by part. */
export async function* exportFile(em: EntityManager, kind: FileKind, today: Day): AsyncGenerator<string> {
  const shape = kindOf(kind);
  yield csvRows([shape.columns]);
  const pages = shape.pages(em, today)[Symbol.asyncIterator]();
  for (;;) {
    const part = await takeTurn(async () => {
      const page = await pages.next();
      return page.done ? null : csvRows(page.value);
    });
    if (part === null) return;
    yield part;
  }
}
