import glpkOf from 'glpk.js/node';
import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { blanksOf, leastUnits, type CutTimes } from '../../core/cut/blank.ts';
import { CutMemory, layPanels } from '../../core/cut/lay.ts';
import { unitsFor } from '../../core/cut/units.ts';
import { rectangleOutline } from '../../core/geometry/polygon.ts';
import { purchase, purchaseRequest } from '../../core/price/purchase.ts';
import { schedule, scheduleRequest } from '../../core/plan/schedule.ts';
import { loadSolver } from '../../core/testingSolver.ts';

// A fixed row of numbers: every run looks at the same batches.
let state = 11;
const random = (from: number, to: number): number => {
  state = (state * 16807) % 2147483647;
  return from + (to - from) * (state / 2147483647);
};
const whole = (from: number, to: number): number => Math.floor(random(from, to + 1));
const now = (): number => performance.now();

console.log('Bench plans: random batches in windows with child-free times, eight each');
for (const [tasks, makers, waits, budget] of [
  [12, 1, 0.15, 1000],
  [12, 2, 0.15, 1000],
  [12, 3, 0.1, 1000],
  [12, 3, 0, 1000],
  [40, 2, 0.05, 3000],
  [40, 3, 0.1, 3000],
] as const) {
  let [proved, worst, gap] = [0, 0, 0];
  for (let k = 0; k < 8; k++) {
    const request = scheduleRequest.parse({
      tasks: Array.from({ length: tasks }, (_, i) => ({
        id: `t${i}`,
        minutes: whole(5, 45),
        kind: random(0, 1) < 0.75 ? 'active' : 'passive',
        after: Array.from({ length: i }, (__, j) => `t${j}`).filter(() => random(0, 1) < waits),
        ...(random(0, 1) < 0.3 ? { blade: true } : {}),
      })),
      makers: Object.fromEntries(
        Array.from({ length: makers }, (_, m) => [
          `m${m}`,
          [
            [7 * m, 180 + 11 * m],
            [300 + 5 * m, 520],
            [700, 1500],
          ],
        ]),
      ),
      childFree: [
        [20, 160],
        [320, 480],
        [700, 1500],
      ],
    });
    const t = now();
    const a = schedule(request, { now, until: t + (tasks <= 12 ? 900 : 2500) });
    worst = Math.max(worst, now() - t);
    if (a.makespan !== null && a.bound !== null) {
      if (a.makespan - a.bound < 1e-6) proved++;
      gap = Math.max(gap, a.makespan / a.bound - 1);
    }
  }
  console.log(
    `  ${tasks} tasks, ${makers} ${makers === 1 ? 'maker ' : 'makers'}, waits ${waits}: ${proved} of 8 proved, widest gap ${(100 * gap).toFixed(1)} %, most ${worst.toFixed(0)} ms (budget ${budget})`,
  );
}

console.log('\nBuying: forty materials by six offers, delivery at eight shops; GLPK is the peer');
{
  const solve = await loadSolver();
  const glpk = await glpkOf();
  const [ours, theirs]: [number[], number[]] = [[], []];
  let same = 0;
  for (let k = 0; k < 5; k++) {
    const needs = Array.from({ length: 40 }, (_, m) => ({ material: `m${m}`, quantity: whole(5, 60) }));
    const offers = needs.flatMap((n, m) =>
      Array.from({ length: 6 }, (_, i) => {
        const quantity = whole(4, 40);
        return {
          id: `o${m}-${i}`,
          supplier: `s${whole(0, 7)}`,
          price: Math.round(quantity * random(6, 14)) + 20,
          contents: [{ material: n.material, quantity }],
        };
      }),
    );
    const delivery = Array.from({ length: 8 }, (_, s) => ({ supplier: `s${s}`, price: whole(200, 500) }));
    const t = now();
    const answer = purchase(purchaseRequest.parse({ needs, stock: [], offers, delivery }), solve);
    ours.push(now() - t);
    const u = now();
    const found = glpk.solve(
      {
        name: 'buy',
        objective: {
          direction: glpk.GLP_MIN,
          name: 'cost',
          vars: [
            ...offers.map((o) => ({ name: o.id, coef: o.price })),
            ...delivery.map((d) => ({ name: d.supplier, coef: d.price })),
          ],
        },
        subjectTo: [
          ...needs.map((n) => ({
            name: n.material,
            vars: offers
              .filter((o) => o.contents[0]!.material === n.material)
              .map((o) => ({ name: o.id, coef: o.contents[0]!.quantity })),
            bnds: { type: glpk.GLP_LO, lb: n.quantity, ub: 0 },
          })),
          ...offers.map((o) => ({
            name: `open ${o.id}`,
            vars: [
              { name: o.id, coef: 1 },
              { name: o.supplier, coef: -20 },
            ],
            bnds: { type: glpk.GLP_UP, ub: 0, lb: 0 },
          })),
        ],
        generals: offers.map((o) => o.id),
        binaries: delivery.map((d) => d.supplier),
      },
      { msglev: glpk.GLP_MSG_OFF, tmlim: 5, mipgap: 0 },
    );
    const peer = (await Promise.resolve(found)).result.z;
    theirs.push(now() - u);
    // The peer stops after five seconds with the best it has.
    if (answer.total !== null && answer.total <= peer + 0.5) same++;
    console.log(
      `  ours ${answer.total} proved in ${ours.at(-1)!.toFixed(0)} ms, the peer ${peer} in ${theirs.at(-1)!.toFixed(0)} ms`,
    );
  }
  const most = (list: number[]): string => Math.max(...list).toFixed(0);
  const sum = (list: number[]): number => list.reduce((a, b) => a + b, 0);
  console.log(
    `  ${same} of 5 no dearer than the peer’s; most ${most(ours)} ms (budget 2000), the peer ${most(theirs)} ms; ratio of the sums ${(sum(ours) / sum(theirs)).toFixed(2)}`,
  );
}

console.log(
  '\nSheets as Make lays them: ten sets of rectangles on card of 300 by 200, gap 2; maxrects-packer is the peer',
);
{
  let [better, same, worse] = [0, 0, 0];
  const [counting, drawing]: [number[], number[]] = [[], []];
  for (let k = 0; k < 10; k++) {
    const parts = Array.from({ length: 12 }, (_, i) => ({
      id: `p${i}`,
      width: whole(30, 150),
      height: whole(20, 110),
      count: whole(1, 4),
    }));
    const cuts = parts.map((p): CutTimes => ({
      times: 1,
      cut: {
        ...{ kind: 'outline', id: p.id, label: p.id, role: '', materialId: 1, use: 'part', counted: false },
        ...{ count: p.count, turn: 'right', gap: 2 },
        outline: rectangleOutline(p.width, p.height),
      },
    }));
    const stock = { kind: 'panels', panels: [[300, 200]] } as const;
    const memory = new CutMemory();
    const t = now();
    const units = unitsFor(cuts, stock, memory)!;
    counting.push(now() - t);
    const blanks = blanksOf(cuts, stock);
    // As Make draws it.
    const ours = layPanels(blanks, stock, { memory })!;
    drawing.push(now() - t);
    if (ours.length !== units)
      throw new Error(`the bill counts ${units} sheets, the plan draws ${ours.length}`);
    const packer = new MaxRectsPacker(300, 200, 2, {
      smart: false,
      pot: false,
      square: false,
      allowRotation: true,
    });
    packer.addArray(
      parts.flatMap((p) =>
        Array.from({ length: p.count }, () => ({ width: p.width, height: p.height, data: p.id })),
      ) as never,
    );
    const theirs = packer.bins.length;
    // With as many sheets, that is better which leaves more of its last sheet.
    const left = (areas: number[]): number => Math.min(...areas);
    const ourLast = left(
      ours.map((unit) =>
        unit.reduce((n, p) => n + p.parts.reduce((m, x) => m + x.size[0] * x.size[1], 0), 0),
      ),
    );
    const theirLast = left(packer.bins.map((b) => b.rects.reduce((n, r) => n + r.width * r.height, 0)));
    if (ours.length < theirs || (ours.length === theirs && ourLast < theirLast - 1)) better++;
    else if (ours.length === theirs && Math.abs(ourLast - theirLast) <= 1) same++;
    else worse++;
    console.log(
      `  set ${k + 1}: ${ours.length} sheets, the peer ${theirs}, by area at least ${leastUnits(blanks, stock)}`,
    );
  }
  console.log(
    `  better in ${better}, as good in ${same}, worse in ${worse} (asked: none worse); counted in ${Math.max(...counting).toFixed(0)} ms at most, drawn in ${Math.max(...drawing).toFixed(0)}`,
  );
}
