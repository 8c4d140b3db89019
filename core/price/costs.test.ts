import { wholeNeed as need } from '../testing.ts';
import { costPerLoan, linesOf, packRate, priceShares, rateOf, threeCosts, type PackPrice } from './costs.ts';

const pack = (price: number, contents: [number, number][], part: Partial<PackPrice> = {}): PackPrice => ({
  supplierId: 1,
  price,
  contents: contents.map(([materialId, quantity]) => ({ materialId, quantity })),
  ...part,
});
const CAPS = pack(210, [[2, 18]]);
const TAPE = pack(400, [[5, 10_000]]);
const cap = { id: 2, unit: 'each' as const };

describe('a pack of several things', () => {
  it('is shared by what each would cost alone, not by pieces and millimetres alike', () => {
    // Ten metres of tape and eighteen caps for 6.10: the tape is worth 4.00 of it and the caps 2.10.
    const both = pack(610, [
      [5, 10_000],
      [2, 18],
    ]);
    expect(priceShares(both, [both, CAPS, TAPE])).toEqual([400 / 610, 210 / 610]);
    // Spread over 10,018 “pieces” a cap would have cost 0.06; it costs 11.67.
    expect(packRate(2, both, [both, CAPS, TAPE], [])).toBeCloseTo(210 / 18, 9);
  });
  it('is shared equally by kind where nobody sells its things alone', () => {
    const both = pack(600, [
      [7, 3],
      [8, 300],
    ]);
    expect(priceShares(both, [both])).toEqual([0.5, 0.5]);
    expect(packRate(8, both, [both], [])).toBeCloseTo(1, 9);
  });
  it('given away is no division by nothing', () => {
    const free = pack(0, [
      [2, 1],
      [5, 1],
    ]);
    expect(priceShares(free, [free])).toEqual([0.5, 0.5]);
    expect(packRate(2, free, [free], [])).toBe(0);
  });
});

describe('what one of a material costs', () => {
  it('includes delivery as the purchase does', () => {
    expect(rateOf(cap, [CAPS], [{ id: 1, delivery: 350 }])).toEqual({ minor: 560 / 18, from: 'bought' });
    // The dearer pack is the cheaper one once it comes without delivery.
    const near = pack(300, [[2, 18]], { supplierId: 2 });
    expect(rateOf(cap, [CAPS, near], [{ id: 1, delivery: 350 }]).minor).toBeCloseTo(300 / 18, 9);
  });
  it('never beats what can be bought: a sold-out pack sets no rate', () => {
    const cheap = pack(18, [[2, 18]], { inStock: false });
    expect(rateOf(cap, [cheap, CAPS], []).minor).toBeCloseTo(210 / 18, 9);
  });
  it('is nothing for a find, or what the place says it is worth', () => {
    expect(rateOf(cap, [], [])).toEqual({ minor: 0, from: 'saved' });
    expect(rateOf({ ...cap, worth: 5 }, [], [])).toEqual({ minor: 5, from: 'worth' });
    expect(rateOf({ id: 5, unit: 'mm', worth: 20 }, [], [])).toEqual({ minor: 0.02, from: 'worth' });
  });
});

describe('three costs', () => {
  const rate = (id: number) =>
    id === 2 ? { minor: 7.8, from: 'bought' as const } : { minor: 0, from: 'saved' as const };
  it('tells what is bought, what is used and a lost piece apart', () => {
    const c = threeCosts({
      needs: [need('Tub', 9, 1), need('Cap', 2, 7)],
      rate,
      copies: 3,
      purchaseTotal: 390,
    });
    expect(c.costToBuy).toBe(130);
    expect(c.materialsUsed).toBeCloseTo(54.6, 9);
    expect(c.lostPiece).toEqual({ name: 'Cap', minor: 7.8, from: 'bought' });
  });
  it('has no cost per kit where no kit is left to make', () => {
    expect(threeCosts({ needs: [], rate, copies: 0, purchaseTotal: 0 })).toMatchObject({
      costToBuy: null,
      lostPiece: null,
    });
  });
});

describe('what a loan costs', () => {
  const needs = [need('piece', 2, 8), need('edge', 5, 500, { unit: 'mm', counted: false })];
  const rate = (id: number) => ({ minor: id === 2 ? 10 : 0.04, from: 'bought' as const });
  it('adds up what the kit uses to the figure that is shown', () => {
    const lines = linesOf(needs, rate, 3);
    expect(lines.map((l) => [l.materialId, l.quantity, l.minor])).toEqual([
      [2, 8, 80],
      [5, 500, 20],
    ]);
    expect(threeCosts({ needs, rate, copies: 3, purchaseTotal: 0 }).materialsUsed).toBe(100);
  });
  it('is a share of the price by how long a thing lasts', () => {
    // Caps last 40 loans, tape 10: 80 / 40 and 20 / 10.
    const cost = costPerLoan(linesOf(needs, rate, 1), (id) => (id === 2 ? 1 / 40 : 1 / 10));
    expect(cost.total).toBeCloseTo(4, 9);
    expect(cost.lines.map((l) => l.minor)).toEqual([2, 2]);
  });
  it('counts what is used up each time at each loan, and what is poured by what is poured of it', () => {
    const porridge = { ...need('Porridge', 9, 1, { counted: false }), share: 0.5, eachTime: true as const };
    const glue = { ...need('Glue', 7, 1, { counted: false }), share: 0.05 };
    const lines = linesOf([porridge, glue], () => ({ minor: 200, from: 'bought' }), 1);
    expect(lines.map((l) => [l.quantity, l.minor, l.usedUp])).toEqual([
      [0.5, 100, 1],
      [0.05, 10, 0],
    ]);
    // Half a bowl each time; of the glue that holds it together a twentieth a loan.
    const { total } = costPerLoan(lines, () => 1 / 20);
    expect(total).toBeCloseTo(100 + 0.5, 9);
  });
  it('is what replacing comes to over many loans, played through', () => {
    // Eight pieces of 10, each lost with a chance of 1 in 25 a loan: 20,000 loans with a generator of its own.
    let state = 12345;
    const chance = () => (state = (state * 48271) % 2147483647) / 2147483647;
    let spent = 0;
    for (let i = 0; i < 20_000; i++) for (let k = 0; k < 8; k++) if (chance() < 1 / 25) spent += 10;
    const { total } = costPerLoan(linesOf([need('piece', 2, 8)], rate, 1), () => 1 / 25);
    expect(Math.abs(spent / 20_000 - total)).toBeLessThan(0.1);
  });
});
