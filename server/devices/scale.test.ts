import { heldForce } from '../../core/safety/heldForce.ts';
import { startTest, type TestDesk } from '../testing.ts';
import { simulatedPull } from './scale.ts';

let desk: TestDesk;
beforeAll(async () => {
  desk = await startTest();
});
afterAll(() => desk.close());

const readings = (text: string): { at: number; force: number }[] =>
  text.split('\n\n').flatMap((e) => {
    const data = /^data: (.*)$/.exec(e)?.[1];
    return data ? [JSON.parse(data) as { at: number; force: number }] : [];
  });

describe('the simulated scale', () => {
  it('trembles and drifts, and what it held is still read from it', () => {
    for (const seed of [1, 7, 99]) {
      const pull = simulatedPull(95, seed);
      expect(new Set(pull.map((r) => r.force)).size).toBeGreaterThan(50);
      const { held } = heldForce(pull, 10);
      expect(Math.abs(held - 93)).toBeLessThan(3);
    }
    expect(simulatedPull(95, 3)).toEqual(simulatedPull(95, 3));
  });
  it('streams every reading and says when it is done', async () => {
    const { text, headers } = await desk.get('/scale?to=50&speed=50').expect(200);
    expect(headers['content-type']).toMatch(/text\/event-stream/);
    expect(text).toMatch(/event: done/);
    const list = readings(text);
    expect(list).toEqual(simulatedPull(50, 1));
    expect(heldForce(list, 10).held).toBeGreaterThan(46);
  });
  it('drops when it is asked to, and what was read until then is no held pull', async () => {
    const { text } = await desk.get('/scale?to=95&speed=50&drop=6').expect(200);
    expect(text).not.toMatch(/event: done/);
    expect(heldForce(readings(text), 10, 90)).toMatchObject({ held: 0 });
  });
  it('names what it did not understand', async () => {
    const { body } = await desk.get('/scale?to=-3').expect(400);
    expect((body as { errors: { path: string }[] }).errors[0]!.path).toBe('to');
  });
});
