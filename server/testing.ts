import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import request from 'supertest';
import { SLOT_DIALS } from '../core/testing.ts';
import { makeApp } from './app.ts';
import { inlineWorkerPool } from './compute/inline.ts';
import type { MailDoor } from './devices/mail.ts';
import { Committed } from './db/committed.ts';
import { openDb, type Db } from './db/open.ts';
import { rows } from './db/rows.ts';
import { makeServerContext } from './serverContext.ts';

export const TODAY = '2026-11-24';

/** A whole server in memory, for tests of its routes. */
export async function startTest(
  options: { folder?: string; today?: string; isBeyond?: boolean; setUpCode?: string; mail?: MailDoor } = {},
) {
  const db: Db = await openDb(options.folder ?? ':memory:');
  const workerPool = inlineWorkerPool();
  const [found] = await rows<{ changes: number }>(db.em.fork(), 'select changes from committed');
  const committed = options.folder === undefined ? null : new Committed(options.folder, found!.changes);
  const serverContext = makeServerContext({
    db,
    committed,
    workerPool,
    log: pino({ level: 'silent' }),
    fixedToday: options.today ?? TODAY,
    folder: options.folder ?? null,
    ...(options.mail ? { mail: options.mail } : {}),
    isBeyond: options.isBeyond ?? false,
    setUpCode: options.setUpCode ?? null,
  });
  const app = makeApp(serverContext, null);
  const send = (method: 'post' | 'put' | 'delete', path: string, body?: unknown) => {
    const r = request(app)[method](`/api${path}`);
    return body === undefined ? r : r.set('content-type', 'application/json').send(JSON.stringify(body));
  };
  return {
    app,
    serverContext,
    get: (path: string) => request(app).get(`/api${path}`),
    post: (path: string, body: unknown) => send('post', path, body),
    put: (path: string, body: unknown) => send('put', path, body),
    del: (path: string) => send('delete', path),
    close: async () => {
      committed?.close();
      await db.close();
    },
  };
}
export type TestDesk = Awaited<ReturnType<typeof startTest>>;

const plastic = { unit: 'each', materialClass: 'plastic', give: 0, hazards: [], colour: '#B0451A' };
export const TUB = {
  ...plastic,
  name: 'Tub',
  form: 'container',
  kept: 6,
  sizes: { diameter: 95, height: 110, wall: 1.2 },
};
export const CAP = { ...plastic, name: 'Cap', form: 'disc', kept: 27, sizes: { diameter: 38, height: 14 } };
export const DIALS = SLOT_DIALS;

/** A tub, caps and a design of them. */
export async function withDesign(desk: TestDesk, part: object = {}) {
  const tub = (await desk.post('/materials', TUB).expect(201)).body as { id: number };
  const cap = (await desk.post('/materials', CAP).expect(201)).body as { id: number };
  const design = (
    await desk
      .post('/designs', {
        name: 'Drop tub',
        pattern: 'drop-through',
        forGroup: 'Gulls',
        ageFrom: 18,
        ageTo: 30,
        skill: 'Pincer and release',
        copies: 2,
        dials: DIALS,
        approach: 'prepared shelf',
        materials: { container: [tub.id], piece: [cap.id] },
        ...part,
      })
      .expect(201)
  ).body as { id: number; version: number };
  return { tub, cap, design };
}

/** The words of a PDF as poppler reads them, lines laid out as on the page. */
export async function pdfText(desk: TestDesk, path: string): Promise<string> {
  const answer = await desk.get(path).responseType('blob').expect(200);
  const folder = mkdtempSync(join(tmpdir(), 'fox-pdf-'));
  try {
    writeFileSync(join(folder, 'paper.pdf'), answer.body as Buffer);
    return execFileSync('pdftotext', ['-layout', join(folder, 'paper.pdf'), '-'], { encoding: 'utf8' });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
