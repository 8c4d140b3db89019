import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import type { Backup } from '../../../contract/place.ts';
import { startTest, type TestDesk } from '../../testing.ts';

const PASSPHRASE = 'seaweed on the slipway, ü';
let folder: string;
let desk: TestDesk;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'fox-encrypted-'));
  desk = await startTest({ folder });
});
afterAll(async () => {
  await desk.close();
  rmSync(folder, { recursive: true, force: true });
});
const bring = (file: Buffer, passphrase?: string) => {
  const asked = request(desk.app).post('/api/backups/file').set('content-type', 'application/octet-stream');
  return (passphrase === undefined ? asked : asked.set('x-passphrase', encodeURIComponent(passphrase))).send(
    file,
  );
};

it('a copy is taken away under a passphrase and comes back with it', async () => {
  await desk.post('/borrowers', { name: 'Teal Skiff', group: 'Gulls', allergies: [] }).expect(201);
  const made = (await desk.post('/backups', {}).expect(201)).body as Backup;
  await desk
    .post(`/backups/${made.name}/encrypted`, { passphrase: 'short' })
    .expect(400)
    .expect((r) => expect((r.body as { errors: unknown[] }).errors).toMatchObject([{ path: 'passphrase' }]));
  const { body, headers } = await desk
    .post(`/backups/${made.name}/encrypted`, { passphrase: PASSPHRASE })
    .responseType('blob')
    .expect(200);
  const file = body as Buffer;
  expect(headers['content-disposition']).toContain(`${made.name}.age`);
  expect(file.includes('Teal Skiff')).toBe(false);
  for (const wrong of [undefined, 'seaweed on the shore'])
    expect((await bring(file, wrong).expect(422)).body).toMatchObject({ errors: [{ path: 'passphrase' }] });
  const { name } = (await bring(file, PASSPHRASE).expect(201)).body as Backup;
  expect((await desk.get(`/backups/${name}/look`).expect(200)).body).toMatchObject({
    counts: { families: 1 },
  });
  // Neither the encrypted file nor one that did not pass stays beside the copies.
  expect(readdirSync(join(folder, 'backups')).sort()).toEqual([made.name, name].sort());
});
