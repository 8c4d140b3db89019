import type { Response } from 'express';
import { paperPart, type PaperData, type PaperName, type PaperPart } from '../formats/makers.ts';
import type { WorkerPool } from './workerPool.ts';
import { abortOnClose } from './abortOnClose.ts';

/** Makes a paper by its name out of what it is made of: a PDF. */
export type MakePaper = <K extends PaperName>(name: K, ...data: PaperData<K>) => Promise<Uint8Array>;

/** Papers are made behind the door: a long one holds nobody up, and one whose asker left is dropped. */
export const papersFor = (workerPool: WorkerPool, res: Response): MakePaper => {
  const signal = abortOnClose(res);
  return (name, ...data) =>
    workerPool.run({ kind: 'paper', parts: [paperPart(name, ...data)] }, signal) as Promise<Uint8Array>;
};

/** Several papers as one, in order. */
export const papersTogether = (
  workerPool: WorkerPool,
  res: Response,
  title: string,
  parts: readonly PaperPart[],
): Promise<Uint8Array> =>
  workerPool.run({ kind: 'paper', title, parts }, abortOnClose(res)) as Promise<Uint8Array>;

/** Sends a paper under the name of a file. */
export const sendPaper = (res: Response, file: string, pdf: Uint8Array): void =>
  void res.type('application/pdf').attachment(file).send(Buffer.from(pdf));
