import request from 'supertest';
import type { FilePreview } from '../../../contract/files.ts';
import type { Note } from '../../../contract/notes.ts';
import { startTest, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

const preview = async (kind: string, text: string, at = desk) =>
  (
    await request(at.app)
      .post(`/api/files/${kind}/preview`)
      .set('content-type', 'text/csv')
      .send(text)
      .expect(200)
  ).body as FilePreview;
const bring = async (kind: string, text: string, at = desk) => {
  const p = await preview(kind, text, at);
  expect(p.faults).toEqual([]);
  return (await at.post('/files/confirm', { id: p.id }).expect(200)).body as object;
};
const out = async (kind: string) => (await desk.get(`/files/${kind}.csv`).expect(200)).text;

describe('families as a file', () => {
  it('come in, change what is there by code name, and go out as they came', async () => {
    expect(
      await bring('families', 'name,group,allergies\nAmber Dory,Gulls,"milk, nuts"\nTeal Skiff,Seals,\n'),
    ).toMatchObject({ added: 2, changed: 0 });
    expect(await bring('families', 'Name;Group;Allergies\nAMBER DORY;Puffins;milk')).toMatchObject({
      added: 0,
      changed: 1,
    });
    expect((await desk.get('/borrowers')).body).toMatchObject([
      { name: 'AMBER DORY', group: 'Puffins', allergies: ['milk'] },
      { name: 'Teal Skiff', group: 'Seals', allergies: [] },
    ]);
    const text = await out('families');
    const p = await preview('families', text);
    expect(p).toMatchObject({ rows: 2, adds: 0, changes: 2, faulty: 0 });
  });
  it('say what is wrong with which cell, and nothing is written', async () => {
    const p = await preview(
      'families',
      'name,group,allergies\n,Gulls,\nRust Coble,Gulls,moonlight\nrust coble,Seals,\n',
    );
    expect(p.faults.map((f) => [f.row, f.column])).toEqual([
      [2, 'name'],
      [3, 'allergies'],
    ]);
    await desk.post('/files/confirm', { id: p.id }).expect(404);
    const twice = await preview('families', 'name,group\nRust Coble,Gulls\nrust coble,Seals\n');
    expect(twice.faulty).toBe(1);
  });
});

describe('notes as a file', () => {
  const HEAD = 'note,day,child,design,level,bits,seconds,count,of,help,tries,managed,liked,words,before';
  it('come in with everything they say, and travel to another place and back', async () => {
    await withDesign(desk);
    const row =
      ',2026-11-20,G-04,drop tub,Close slot,11.5,40,2,pieces,hand on wrist,2,1,loved it,"Twice, laughing",Wide mouth; 7.6; 40; 8 | Loose slot; 10.1; ; 8';
    expect(await bring('notes', `${HEAD}\n${row}\n`)).toMatchObject({ added: 1, changed: 0 });
    const [note] = (await desk.get('/notes')).body as Note[];
    expect(note).toMatchObject({
      child: 'G-04',
      design: 'Drop tub',
      seconds: 40,
      tries: 2,
      managed: 1,
      help: 'hand on wrist',
      liked: 'loved it',
      words: 'Twice, laughing',
      before: [
        { level: 'Wide mouth', bits: 7.6, seconds: 40, count: 8 },
        { level: 'Loose slot', bits: 10.1, seconds: null, count: 8 },
      ],
    });
    const text = await out('notes');
    expect(await bring('notes', text.replace('G-04', 'G-05'))).toMatchObject({ added: 0, changed: 1 });
    expect((await desk.get('/notes')).body).toMatchObject([{ ...note, child: 'G-05' }]);
    const other = await startTest();
    await withDesign(other);
    // Its numbers are of another place: they go before it comes in there.
    // A file of before calls a level a rung.
    const plain = text.replace(/^\d+,/m, ',').replace(',level,', ',rung,');
    expect(await bring('notes', plain, other)).toMatchObject({ added: 1 });
    expect((await other.get('/notes')).body).toMatchObject([{ ...note, id: 1, designId: 1 }]);
    await other.close();
  });
  it('refuse what is no note, cell by cell', async () => {
    await withDesign(desk);
    const fault = async (row: string) => {
      const p = await preview('notes', `day,child,design,level,bits,seconds,tries,managed,before\n${row}\n`);
      return p.faults.map((f) => f.column);
    };
    expect(await fault('2026-11-20,G-04,Kite,Close,11,40,,,')).toEqual(['design']);
    expect(await fault('2030-01-01,G-04,Drop tub,Close,11,40,,,')).toEqual(['day']);
    expect(await fault('2026-11-20,G-04,Drop tub,Close,many,40,,,')).toContain('bits');
    expect(await fault('2026-11-20,G-04,Drop tub,Close,11,,,,')).toEqual(['seconds']);
    expect(await fault('2026-11-20,G-04,Drop tub,Close,11,40,2,3,')).toEqual(['managed']);
    expect(await fault('2026-11-20,G-04,Drop tub,Close,11,40,,,Wide')).toEqual(['before']);
    const unknown = await preview('notes', `${HEAD}\n99,2026-11-20,G-04,Drop tub,Close,11,40,,,,,,,,\n`);
    expect(unknown.faults.map((f) => f.column)).toEqual(['note']);
  });
});
