import fc from 'fast-check';
import { criticalPath, criticalPathRequest } from './criticalPath.ts';
import { schedule, scheduleRequest, type ScheduleAnswer, type ScheduleRequest } from './schedule.ts';

/** However slow the machine: it ends as soon as it is proved. */
const AMPLE = 600_000;
const ask = (r: unknown, ms = AMPLE): ScheduleAnswer =>
  schedule(scheduleRequest.parse(r), { now: () => performance.now(), until: performance.now() + ms });
const active = (id: string, minutes: number, after: string[] = [], part: object = {}) => ({
  id,
  minutes,
  kind: 'active',
  after,
  ...part,
});
const passive = (id: string, minutes: number, after: string[] = []) => ({
  id,
  minutes,
  kind: 'passive',
  after,
});

/** Whether a plan keeps every rule, asked without the search. */
function faults(r: ScheduleRequest, a: ScheduleAnswer): string[] {
  const at = new Map(a.plan.map((p) => [p.task, p]));
  const inside = (p: { start: number; end: number }, list: readonly (readonly [number, number])[]): boolean =>
    list.some(([f, t]) => p.start >= f - 1e-6 && p.end <= t + 1e-6);
  const out: string[] = [];
  for (const t of r.tasks) {
    const p = at.get(t.id);
    if (!p) return [`${t.id} is not planned`];
    if (Math.abs(p.end - p.start - t.minutes) > 1e-6) out.push(`${t.id} is cut short`);
    if (p.start < -1e-6) out.push(`${t.id} begins before zero`);
    for (const b of t.after) if (at.get(b)!.end > p.start + 1e-6) out.push(`${t.id} begins before ${b} ends`);
    if (t.kind === 'passive') {
      if (p.maker !== null) out.push(`${t.id} needs nobody`);
      continue;
    }
    if (p.maker === null || (t.makers && !t.makers.includes(p.maker))) out.push(`${t.id} has a wrong maker`);
    else if (!inside(p, r.makers[p.maker]!)) out.push(`${t.id} lies outside the windows`);
    if (t.blade && !inside(p, r.childFree)) out.push(`${t.id} has a blade and children about`);
    for (const o of r.tasks) {
      const q = at.get(o.id)!;
      if (o.id === t.id || o.kind === 'passive' || q.end <= p.start + 1e-6 || p.end <= q.start + 1e-6)
        continue;
      if (q.maker === p.maker) out.push(`${t.id} and ${o.id} at one time`);
      if (t.tools?.some((x) => o.tools?.includes(x))) out.push(`${t.id} and ${o.id} share a tool`);
    }
  }
  return out;
}

/** The soonest end by trying every order and every maker: independent of the search and of its bounds. */
function soonestByForce(r: ScheduleRequest): number {
  const names = Object.keys(r.makers);
  const byId = new Map(r.tasks.map((t) => [t.id, t]));
  let best = Infinity;
  const go = (ends: Map<string, number>, free: Record<string, number>): void => {
    let moved = true;
    while (moved) {
      moved = false;
      for (const t of r.tasks)
        if (t.kind === 'passive' && !ends.has(t.id) && t.after.every((b) => ends.has(b))) {
          ends.set(t.id, Math.max(0, ...t.after.map((b) => ends.get(b)!)) + t.minutes);
          moved = true;
        }
    }
    if (ends.size === byId.size) {
      best = Math.min(best, Math.max(0, ...ends.values()));
      return;
    }
    for (const t of r.tasks) {
      if (ends.has(t.id) || t.kind === 'passive' || !t.after.every((b) => ends.has(b))) continue;
      const ready = Math.max(0, ...t.after.map((b) => ends.get(b)!));
      for (const m of t.makers ?? names) {
        let from = Infinity;
        for (const w of r.makers[m]!)
          for (const c of t.blade ? r.childFree : [[-Infinity, Infinity] as const]) {
            const start = Math.max(w[0], c[0], ready, free[m]!);
            if (start + t.minutes <= Math.min(w[1], c[1]) + 1e-7) from = Math.min(from, start);
          }
        if (from < Infinity)
          go(new Map(ends).set(t.id, from + t.minutes), { ...free, [m]: from + t.minutes });
      }
    }
  };
  go(new Map(), Object.fromEntries(names.map((n) => [n, -Infinity])));
  return best;
}

describe('the critical path', () => {
  it('is that of a worked example: durations, both passes and floats', () => {
    // Invented figures, worked by hand: A 3; B 4, C 2 after A; D 5 after B; E 1 after C; F 2 after D and E.
    const a = criticalPath({
      tasks: [
        { id: 'A', minutes: 3, after: [] },
        { id: 'B', minutes: 4, after: ['A'] },
        { id: 'C', minutes: 2, after: ['A'] },
        { id: 'D', minutes: 5, after: ['B'] },
        { id: 'E', minutes: 1, after: ['C'] },
        { id: 'F', minutes: 2, after: ['D', 'E'] },
      ],
    });
    expect(a.duration).toBe(14);
    expect(Object.entries(a.tasks).flatMap(([id, t]) => (t.critical ? [id] : []))).toEqual([
      'A',
      'B',
      'D',
      'F',
    ]);
    expect(a.tasks.C).toEqual({
      earliestStart: 3,
      earliestFinish: 5,
      latestStart: 9,
      latestFinish: 11,
      totalFloat: 6,
      freeFloat: 0,
      critical: false,
    });
    expect(a.tasks.E).toMatchObject({ totalFloat: 6, freeFloat: 6, latestStart: 11 });
  });
  it('names what does not fit together', () => {
    const fail = (tasks: object[]): string => {
      try {
        criticalPath(criticalPathRequest.parse({ tasks }));
      } catch (e) {
        return (e as { path: string }).path;
      }
      return 'none';
    };
    expect(fail([{ id: 'A', minutes: 1, after: ['B'] }])).toBe('tasks.0.after.0');
    expect(
      fail([
        { id: 'A', minutes: 1 },
        { id: 'A', minutes: 1 },
      ]),
    ).toBe('tasks.1.id');
    expect(
      fail([
        { id: 'A', minutes: 1, after: ['B'] },
        { id: 'B', minutes: 1, after: ['A'] },
      ]),
    ).toBe('tasks.0.after');
    expect(criticalPath({ tasks: [] })).toEqual({ duration: 0, tasks: {} });
  });
});

describe('a bench plan', () => {
  it('dries in the background and does other work meanwhile', () => {
    const a = ask({
      tasks: [
        active('glue', 10),
        passive('dry', 60, ['glue']),
        active('peel', 5, ['dry']),
        active('cut', 40),
      ],
      makers: { Ann: [[0, 300]] },
      childFree: [],
    });
    expect(a).toMatchObject({ feasible: true, makespan: 75, bound: 75 });
    expect(a.plan.map((p) => [p.task, p.start])).toEqual([
      ['glue', 0],
      ['cut', 10],
      ['dry', 10],
      ['peel', 70],
    ]);
  });
  it('keeps blades for child-free windows and lets what dries begin before', () => {
    const a = ask({
      tasks: [active('paint', 20), passive('dry', 30, ['paint']), active('cut', 40, [], { blade: true })],
      makers: { Ann: [[0, 600]] },
      childFree: [
        [30, 60],
        [100, 150],
      ],
    });
    // The first child-free window is too short for the cut.
    expect(a).toMatchObject({ makespan: 140, bound: 140 });
  });
  it('does not merge windows: a task lies in one of them', () => {
    const r = {
      tasks: [active('sew', 40)],
      makers: {
        Ann: [
          [0, 30],
          [30, 60],
          [100, 140],
        ],
      },
      childFree: [],
    };
    expect(ask(r)).toMatchObject({ makespan: 140 });
    expect(
      ask({
        ...r,
        makers: {
          Ann: [
            [0, 30],
            [30, 60],
          ],
        },
      }),
    ).toMatchObject({
      feasible: false,
      makespan: null,
      plan: [],
      reason: '“sew” (40 min) fits in no window of Ann.',
    });
  });
  it('uses a tool that there is only one of for one task at a time, and children only when they are there', () => {
    const two = [active('a', 10, [], { tools: ['punch'] }), active('b', 10, [], { tools: ['punch'] })];
    const makers = { Ann: [[0, 100]], Bo: [[0, 100]] };
    expect(ask({ tasks: two, makers, childFree: [] }).makespan).toBe(20);
    expect(ask({ tasks: two.map((t) => ({ ...t, tools: [] })), makers, childFree: [] }).makespan).toBe(10);
    expect(
      ask({ tasks: [active('paint', 10, [], { child: true })], makers, childFree: [[0, 30]] }).makespan,
    ).toBe(40);
  });
  it('says that all windows together are too short', () => {
    const a = ask({
      tasks: [active('a', 20), active('b', 20)],
      makers: { Ann: [[0, 30]] },
      childFree: [],
    });
    expect(a).toMatchObject({ feasible: false, bound: null });
    expect(a.reason).toMatch(/too short/);
  });
  it('keeps like work together where it costs no time', () => {
    const like = (id: string, kind: string) => active(id, 5, [], { like: kind });
    const a = ask({
      tasks: [
        like('c1', 'cut'),
        like('g1', 'glue'),
        like('c2', 'cut'),
        like('g2', 'glue'),
        like('c3', 'cut'),
      ],
      makers: { Ann: [[0, 100]] },
      childFree: [],
    });
    const kinds = a.plan.map((p) => p.task[0]);
    expect(a.makespan).toBe(25);
    expect(kinds.filter((k, i) => i > 0 && k !== kinds[i - 1])).toHaveLength(1);
  });
  it('is the soonest that trying every order finds, and keeps every rule', () => {
    const task = fc.record({
      minutes: fc.integer({ min: 1, max: 30 }),
      kind: fc.constantFrom('active', 'active', 'passive'),
      blade: fc.boolean(),
      after: fc.array(fc.nat({ max: 4 }), { maxLength: 2 }),
      only: fc.option(fc.constantFrom('Ann', 'Bo'), { nil: undefined }),
    });
    const windows = fc
      .array(fc.tuple(fc.integer({ min: 0, max: 120 }), fc.integer({ min: 10, max: 60 })), {
        minLength: 1,
        maxLength: 3,
      })
      .map((l) => l.map(([f, n]) => [f, f + n]));
    fc.assert(
      fc.property(
        fc.array(task, { minLength: 1, maxLength: 5 }),
        windows,
        windows,
        windows,
        (list, ann, bo, free) => {
          const r = scheduleRequest.parse({
            tasks: list.map((t, i) => ({
              id: `t${i}`,
              minutes: t.minutes,
              kind: t.kind,
              ...(t.blade ? { blade: true } : {}),
              ...(t.only ? { makers: [t.only] } : {}),
              after: [...new Set(t.after.filter((b) => b < i))].map((b) => `t${b}`),
            })),
            makers: { Ann: ann, Bo: bo },
            childFree: free,
          });
          const a = ask(r);
          const best = soonestByForce(r);
          if (!a.feasible) {
            expect(best).toBe(Infinity);
            return;
          }
          expect(faults(r, a)).toEqual([]);
          expect(a.makespan).toBeCloseTo(best, 6);
          expect(a.bound).toBeCloseTo(best, 6);
        },
      ),
      { numRuns: 150 },
    );
  });
  it('of tasks that wait for nothing is the soonest way to share them out among three', () => {
    const spans = (n: number) =>
      fc
        .array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 25, max: 60 })), {
          minLength: n,
          maxLength: n,
        })
        // One after the other, with a rest between them.
        .map((l) => {
          let at = 0;
          return l.map(([rest, long]): [number, number] => [(at += rest), (at += long)]);
        });
    const makers = fc.record({ Ann: spans(4), Bo: spans(4), Cy: spans(4) });
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 3, max: 25 }), { minLength: 7, maxLength: 7 }),
        makers,
        (minutes, windows) => {
          const r = scheduleRequest.parse({
            tasks: minutes.map((m, i) => active(`t${i}`, m)),
            makers: windows,
            childFree: [],
          });
          const a = ask(r);
          expect(faults(r, a)).toEqual([]);
          /** Soonest end of some of them by one maker, every order tried. */
          const ends = (list: readonly (readonly [number, number])[]): number[] =>
            Array.from({ length: 128 }, (_, set) => {
              let best = Infinity;
              const go = (left: number, free: number): void => {
                if (left === 0) best = Math.min(best, free);
                for (let i = 0; i < 7; i++)
                  if (left & (1 << i)) {
                    const at = list.map(([f, t]) => [Math.max(f, free), t] as const);
                    const fits = at.find(([f, t]) => f + minutes[i]! <= t);
                    if (fits) go(left ^ (1 << i), fits[0] + minutes[i]!);
                  }
              };
              go(set, 0);
              return best;
            });
          const [x, y, z] = Object.values(r.makers).map(ends) as [number[], number[], number[]];
          let best = Infinity;
          for (let p = 0; p < 128; p++)
            for (let q = p; ; q = (q - 1) & p) {
              best = Math.min(best, Math.max(x[q]!, y[p ^ q]!, z[127 ^ p]!));
              if (q === 0) break;
            }
          expect([a.makespan, a.bound]).toEqual([best, best]);
        },
      ),
      { numRuns: 12, seed: 8 },
    );
  });
  it('of twelve tasks in chains is proved, blades and three makers too', () => {
    const r = scheduleRequest.parse({
      tasks: Array.from({ length: 12 }, (_, i) =>
        active(
          `t${i}`,
          7 + ((i * 11) % 31),
          i % 5 === 4 ? [`t${i - 1}`] : [],
          i % 4 === 0 ? { blade: true } : {},
        ),
      ),
      makers: {
        Ann: [
          [0, 90],
          [120, 300],
        ],
        Bo: [[10, 200]],
        Cy: [
          [0, 40],
          [100, 260],
        ],
      },
      childFree: [
        [0, 80],
        [120, 240],
      ],
    });
    const a = ask(r);
    expect(faults(r, a)).toEqual([]);
    expect(a.bound).toBe(a.makespan);
    // Nobody is quicker than all hands together: the work spread over those who are there.
    const work = r.tasks.reduce((n, t) => n + t.minutes, 0);
    const there = (t: number) =>
      Object.values(r.makers)
        .flat()
        .reduce((n, [f, u]) => n + Math.max(0, Math.min(t, u) - f), 0);
    expect(there(a.makespan!)).toBeGreaterThanOrEqual(work);
  });
  it('of forty tasks keeps every rule and its bound', () => {
    const tasks = Array.from({ length: 40 }, (_, i) => ({
      ...(i % 4 === 3 ? passive(`t${i}`, 30, [`t${i - 1}`]) : active(`t${i}`, 6 + ((i * 7) % 20))),
      ...(i % 4 === 1 ? { blade: true } : {}),
      ...(i % 4 === 2 ? { after: [`t${i - 1}`] } : {}),
    }));
    const r = scheduleRequest.parse({
      tasks,
      makers: {
        Ann: [
          [0, 240],
          [600, 900],
        ],
        Bo: [
          [60, 200],
          [620, 800],
        ],
      },
      childFree: [
        [60, 180],
        [600, 700],
      ],
    });
    const a = ask(r, 2500);
    expect(faults(r, a)).toEqual([]);
    expect(a.bound!).toBeLessThanOrEqual(a.makespan! + 1e-6);
  });
});
