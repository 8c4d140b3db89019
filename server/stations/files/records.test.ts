import request from 'supertest';
import type { FilePreview } from '../../../contract/files.ts';
import type { Kit, KitHistory } from '../../../contract/lending.ts';
import { startTest, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
  await withDesign(desk);
  for (const name of ['Amber Dory', 'Teal Skiff'])
    await desk.post('/borrowers', { name, group: 'Gulls' }).expect(201);
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
const faults = async (kind: string, text: string) =>
  (await preview(kind, text)).faults.map((f) => `${f.column}: ${f.message}`);
const bring = async (kind: string, text: string, at = desk) => {
  const p = await preview(kind, text, at);
  expect(p.faults).toEqual([]);
  return (await at.post('/files/confirm', { id: p.id }).expect(200)).body as object;
};
const out = async (kind: string, at = desk) => (await at.get(`/files/${kind}.csv`).expect(200)).text;
const KITS = 'label,kit,parts,in_repair\n';
const kitOf = async (label: string) => ((await desk.get(`/kits?label=${label}`)).body as Kit[])[0]!;

describe('kits, loans, counts and events as files', () => {
  it('travel to another place and back as they were', async () => {
    await bring('kits', `${KITS}FB-001a,Drop tub,,\nFB-001b,drop tub,"7 of 8 Cap, 1 of 1 Tub",yes\n`);
    expect(await kitOf('FB-001b')).toMatchObject({ design: 'Drop tub', repair: true });
    const { id } = await kitOf('FB-001a');
    const loan = (await desk.post('/loans', { kitId: id, borrowerId: 1, dueOn: '2026-12-08' }).expect(201))
      .body as { id: number };
    // Of two that are short one is spoiled; both are written off.
    await desk
      .post(`/loans/${loan.id}/return`, { present: [1, 6], spoiled: [0, 1], then: 'write off' })
      .expect(200);
    await desk.post(`/kits/${id}/state`, { to: 'cleaned', by: 'Keeper', why: '=1+1' }).expect(200);
    await desk.post('/loans', { kitId: id, borrowerId: 2, dueOn: '2026-12-09' }).expect(201);
    expect(await out('kits')).toContain('6 of 8 Cap (2 written off)');
    expect(await out('counts')).toContain('6 of 8 Cap (1 spoiled)');
    const there = await startTest();
    await withDesign(there);
    const kinds = ['families', 'kits', 'loans', 'counts', 'events'];
    const files = new Map<string, string>();
    for (const kind of kinds) files.set(kind, await out(kind));
    for (const kind of kinds)
      expect(await bring(kind, files.get(kind)!, there)).toMatchObject({ changed: 0 });
    for (const kind of kinds) {
      expect(await out(kind, there)).toBe(files.get(kind));
      // At home the same file changes what is there, into what it was; a kit that is out stays as it is.
      expect(await bring(kind, files.get(kind)!)).toMatchObject({ added: 0 });
      expect(await out(kind)).toBe(files.get(kind));
    }
    const history = (await there.get(`/kits/${id}/history`).expect(200)).body as KitHistory;
    expect(history.loans.map((l) => [l.borrower, l.returnedOn])).toEqual([
      ['Teal Skiff', null],
      ['Amber Dory', '2026-11-24'],
    ]);
    expect(history.loans[1]!.count!.parts.map((p) => p.present)).toEqual([1, 6]);
    expect(history.events).toMatchObject([{ by: 'Keeper', why: '=1+1' }]);
    await there.close();
  });

  it('a kit that came by a file keeps its label to itself when others are made', async () => {
    await bring('kits', `${KITS}FB-001a,Drop tub,,\nFB-001c,Drop tub,,\n`);
    const made = await desk.post('/builds', { designId: 1, version: 1, copies: 2 }).expect(201);
    expect((made.body as { kits: { label: string }[] }).kits.map((c) => c.label)).toEqual([
      'FB-001d',
      'FB-001e',
    ]);
  });

  it('refuse what cannot be, cell by cell', async () => {
    await bring('kits', `${KITS}FB-001a,Drop tub,,\nFB-001b,Drop tub,,\n`);
    expect(await faults('kits', `${KITS}tub,Drop tub,,\n`)).toEqual(['label: expected a label like FB-001a']);
    expect(await faults('kits', `${KITS}FB-009a,Kite,,\n`)).toEqual([
      'kit: expected a design, or a kit of several designs, of this place',
    ]);
    expect(await faults('kits', `${KITS}FB-001a,Kite,,\n`)).toEqual([
      'kit: is Drop tub here; a label stays with its kit',
    ]);
    expect(await faults('kits', `${KITS}FB-001a,Drop tub,9 of 8 Cap,maybe\n`)).toEqual([
      'parts: expected at most 8 of Cap',
      'in_repair: expected yes or no',
    ]);
    expect(await faults('kits', `${KITS}FB-001a,Drop tub,8 of 8 Bead,\n`)).toEqual([
      'parts: has no “Bead”; expected Tub, Cap',
    ]);
    const LOANS = 'loan,label,family,lent_on,due_on,returned_on,outcome\n';
    expect(await faults('loans', `${LOANS},FB-009a,Amber Dory,2026-11-01,2026-11-15,,\n`)).toEqual([
      'label: expected the label of a kit that is here',
    ]);
    expect(await faults('loans', `${LOANS},FB-001a,Nobody,2026-11-01,2026-10-15,,shelve\n`)).toEqual([
      'family: expected the code name of a family of this place',
      'due_on: expected 2026-11-01 or later',
      'outcome: is of a return; expected the day it came back too',
    ]);
    // Two rows of one file cannot both have it out.
    const both = ['Amber Dory', 'Teal Skiff'].map((f) => `,FB-001a,${f},2026-11-01,2026-11-15,,\n`).join('');
    expect((await faults('loans', `${LOANS}${both}`))[0]).toMatch(/^label: row 2 says/);
    await bring('loans', `${LOANS},FB-001a,Amber Dory,2026-11-01,2026-11-15,,\n`);
    expect(await faults('loans', `${LOANS},FB-001a,Teal Skiff,2026-11-02,2026-11-15,,\n`)).toEqual([
      'label: is lent already; expected the day that this loan came back',
    ]);
    expect(await faults('kits', `label,kit,retired_on\nFB-001a,Drop tub,2026-11-20\n`)).toEqual([
      'retired_on: is lent; expected it to be taken back first',
    ]);
    expect(await faults('counts', 'label,counted_on,counted,loan\nFB-001b,2030-01-01,,7\n')).toEqual([
      'counted_on: expected 2026-11-24 or earlier',
      'loan: expected the number of a loan that is here, or nothing for a count between loans',
    ]);
    expect(await faults('events', 'label,on,what\nFB-001b,2026-11-20,\n')).toEqual([
      'what: is missing; expected what was done, like cleaned',
    ]);
  });

  it('a loan made while the file waited is not overwritten', async () => {
    await bring('kits', `${KITS}FB-001a,Drop tub,,\n`);
    const p = await preview(
      'loans',
      'label,family,lent_on,due_on\nFB-001a,Amber Dory,2026-11-01,2026-11-15\n',
    );
    const { id } = await kitOf('FB-001a');
    await desk.post('/loans', { kitId: id, borrowerId: 2, dueOn: '2026-12-08' }).expect(201);
    expect((await desk.post('/files/confirm', { id: p.id }).expect(409)).body.errors[0].path).toBe('label');
    expect((await kitOf('FB-001a')).openLoan).toMatchObject({ borrower: 'Teal Skiff' });
  });
});
