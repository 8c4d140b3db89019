import { startTest, withDesign, type TestDesk } from '../../testing.ts';

let desk: TestDesk;
beforeEach(async () => {
  desk = await startTest();
});
afterEach(() => desk.close());

const HAND = { span: 120, side: 'left', oneHanded: false };

describe('children by code', () => {
  it('are kept as measured, and overwritten only by who has seen the latest', async () => {
    await desk.put('/children/P-02', { hand: HAND, likes: 'bells' }).expect(200);
    expect((await desk.get('/children').expect(200)).body).toEqual([
      {
        code: 'P-02',
        version: 1,
        hand: HAND,
        likes: 'bells',
        age: null,
        born: null,
        mouths: false,
        allergies: [],
      },
    ]);
    await desk.put('/children/P-02', { hand: HAND, likes: 'boats' }).expect(409);
    const { body } = await desk
      .put('/children/P-02', { hand: { ...HAND, force: 20 }, likes: 'boats', version: 1 })
      .expect(200);
    expect(body).toMatchObject({ version: 2, hand: { force: 20 }, likes: 'boats' });
  });
  it('refuse what no hand measures, and name the field', async () => {
    const put = (hand: object) => desk.put('/children/P-02', { hand, likes: '' });
    expect((await put({ ...HAND, span: 900 }).expect(400)).body.errors).toEqual([
      { path: 'hand.span', message: 'must be at most 250 mm' },
    ]);
    await put({ span: 100 }).expect(400);
    await put({ ...HAND, name: 'x' }).expect(400);
    await desk.put(`/children/${'x'.repeat(41)}`, { hand: HAND, likes: '' }).expect(400);
    await desk.del('/children/nobody').expect(404);
  });
  it('are forgotten with their measures; the design that was fitted stays, nameless, and no file names them', async () => {
    const { design } = await withDesign(desk);
    await desk.put('/children/P-02', { hand: HAND, likes: '' }).expect(200);
    const { body: whole } = await desk.get(`/designs/${design.id}`).expect(200);
    const { id, ...rest } = whole as { id: number };
    expect(rest).not.toHaveProperty('child');
    await desk.put(`/designs/${id}`, { ...rest, child: 'P-02' }).expect(200);
    expect((await desk.get(`/designs/${id}`)).body).toMatchObject({ child: 'P-02' });
    expect(JSON.stringify((await desk.get(`/designs/${id}/file`).expect(200)).body)).not.toContain('P-02');
    await desk.del('/children/P-02').expect(204);
    expect((await desk.get(`/designs/${id}`)).body).not.toHaveProperty('child');
    expect((await desk.get('/children')).body).toEqual([]);
  });
});
