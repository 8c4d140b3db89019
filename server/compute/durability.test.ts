import { startTest, type TestDesk } from '../testing.ts';

let desk: TestDesk;
beforeAll(async () => {
  desk = await startTest();
});
afterAll(() => desk.close());

const at = async (door: string, body: unknown, status = 200) =>
  (await desk.post(`/compute/${door}`, body).expect(status)).body;
const paths = async (door: string, body: unknown): Promise<string[]> =>
  ((await at(door, body, 400)) as { errors: { path: string }[] }).errors.map((e) => e.path);

describe('how long parts last', () => {
  it('survival: a step for every time, the median, a fit where there is one', async () => {
    const answer = await at('survival', {
      times: [6, 6, 6, 6, 7, 9, 10, 10],
      events: [true, true, true, false, true, false, true, false],
      confidence: 'log-log',
    });
    expect(
      answer.steps.map((s: { time: number; atRisk: number; events: number }) => [s.time, s.atRisk, s.events]),
    ).toEqual([
      [6, 8, 3],
      [7, 4, 1],
      [9, 3, 0],
      [10, 2, 1],
    ]);
    expect(answer.steps[0].survival).toBeCloseTo(5 / 8, 12);
    expect(answer.steps[1].survival).toBeCloseTo((5 / 8) * (3 / 4), 12);
    expect(answer.median).toBe(7);
    expect(answer.weibull.shape).toBeGreaterThan(1);
    // By itself it draws its limits on the logarithm.
    expect((await at('survival', { times: [3], events: [false] })).weibull).toBeNull();
  });
  it('survival: takes several ways to fail, with their incidence', async () => {
    const answer = await at('survival', {
      times: [1, 2, 3, 4, 5],
      causes: ['lost', 'worn', null, 'lost', 'worn'],
    });
    expect(answer.incidences.map((x: { cause: string }) => x.cause)).toEqual(['lost', 'worn']);
    expect(answer.incidences[0].steps.at(-1).incidence).toBeCloseTo(0.5, 12);
    expect(answer.steps.at(-1).survival).toBe(0);
    expect(await paths('survival', { times: [1], events: [true], causes: ['lost'] })).toEqual(['events']);
    expect(await paths('survival', { times: [1], causes: [] })).toEqual(['causes']);
    expect(await paths('survival', { times: [1] })).toEqual(['events']);
  });
  it('survival: names what cannot be', async () => {
    expect(await paths('survival', { times: [], events: [] })).toContain('times');
    expect(await paths('survival', { times: [1, 2], events: [true] })).toEqual(['events']);
    expect(await paths('survival', { times: [-1], events: [true] })).toEqual(['times.0']);
    expect(await paths('survival', { times: [1], events: ['yes'] })).toEqual(['events.0']);
    expect(await paths('survival', { times: [1], events: [true], confidence: 'wide' })).toEqual([
      'confidence',
    ]);
  });
  it('renewal: an age, or none, with its cost', async () => {
    const o = { shape: 2, scale: 30, plannedCost: 1, failureCost: 10 };
    const { age, costRate } = await at('renewal', o);
    expect(age).toBeGreaterThan(0);
    expect(age).toBeLessThan(30);
    // Less than waiting until it fails, which costs ten a mean life.
    expect(costRate).toBeLessThan(10 / (30 * 0.8862));
    expect((await at('renewal', { ...o, shape: 0.8 })).age).toBeNull();
    expect(await paths('renewal', { ...o, scale: 0 })).toEqual(['scale']);
    expect(await paths('renewal', { ...o, failureCost: 'much' })).toEqual(['failureCost']);
  });
  it('spares: the least that are enough', async () => {
    const o = {
      lossesSeen: 4,
      loansSeen: 40,
      prior: { shape: 1, rate: 10 },
      loansAhead: 30,
      probability: 0.9,
    };
    const { spares, expected } = await at('spares', o);
    expect(expected).toBeCloseTo((5 / 50) * 30, 9);
    expect(spares).toBeGreaterThanOrEqual(expected);
    expect((await at('spares', { ...o, probability: 0.99 })).spares).toBeGreaterThan(spares);
    expect(await paths('spares', { ...o, probability: 1 })).toEqual(['probability']);
    expect(await paths('spares', { ...o, prior: { shape: 0, rate: 1 } })).toEqual(['prior.shape']);
    expect(await paths('spares', { ...o, lossesSeen: 1.5 })).toEqual(['lossesSeen']);
    const many = { ...o, lossesSeen: 100_000, loansSeen: 0, loansAhead: 100_000 };
    const refused = await at('spares', many, 422);
    expect(refused.errors[0]).toMatchObject({ path: 'loansAhead' });
  });
});
