import type { Stock } from '../patterns/kernel.ts';
import { areSame, blanksOf, type CutTimes } from './blank.ts';
import { COMMON, CutMemory, layPanels, perUnit } from './lay.ts';
import { layLengths } from './layLengths.ts';
import { AT_ONCE } from './rectangles.ts';

const EPS = 1e-6;

/** Length a part takes off a roll, mm; a cord is cut with no loss to speak of. */
const rolled = ({ cut, times }: CutTimes): number =>
  cut.kind === 'length' ? (cut.length + cut.loss) * cut.count * times : Infinity;

/**
 * How many of a material the parts of a batch take, in its own unit (pieces, or mm of a roll): a layout that can be cut,
 * so never too few. null where a part is larger than what there is to cut from.
 *
 * @param memory what was laid before, where the caller asks again and again
 *
 * @example unitsFor([{ cut: { kind: 'length', count: 7, length: 38, loss: 1 }, times: 1 }], { kind: 'length', length: 279 }) // => 1
 */
export function unitsFor(
  parts: readonly CutTimes[],
  stock: Stock,
  memory: CutMemory = COMMON,
): number | null {
  const there = parts.filter((p) => p.times > 0 && p.cut.count > 0);
  if (stock.kind === 'roll' || there.length === 0) return laidOut(there, stock, memory);
  // The shelf, the bench and every try of a plan ask for the same few layouts over and over.
  const key = JSON.stringify([
    stock,
    there.map(({ cut, times }) => [
      cut.count * times,
      cut.kind === 'length'
        ? [cut.length, cut.loss]
        : [cut.outline, cut.turn, cut.gap, cut.grain, cut.mirror],
    ]),
  ]);
  const known = memory.counts.get(key);
  return known !== undefined
    ? known
    : CutMemory.keep(memory.counts, key, laidOut(there, stock, memory), MOST_COUNTS);
}

const MOST_COUNTS = 3000;

function laidOut(there: readonly CutTimes[], stock: Stock, memory: CutMemory): number | null {
  const how = { memory, isCount: true };
  if (there.length === 0) return 0;
  if (stock.kind === 'roll') return Math.ceil(there.reduce((sum, p) => sum + rolled(p), 0) - EPS);
  if (stock.kind === 'length') return layLengths(there, stock.length)?.laid.length ?? null;
  const blanks = blanksOf(there, stock);
  if (areSame(blanks)) {
    const { each } = perUnit(blanks, stock, how);
    return each > 0 ? Math.ceil(blanks.length / each) : null;
  }
  if (blanks.length <= AT_ONCE) return layPanels(blanks, stock, how)?.length ?? null;
  // A large batch repeats a smaller one: as many whole rounds as are laid out at once, and the rest.
  const most = Math.max(...there.map((p) => p.times));
  const perKit = blanks.length / most;
  const round = Math.max(1, Math.floor(AT_ONCE / perKit));
  if (round >= most) return layPanels(blanks, stock, how)?.length ?? null;
  const of = (times: number): CutTimes[] =>
    there.map((p) => ({ cut: p.cut, times: Math.max(1, Math.ceil((p.times * times) / most)) }));
  const whole = unitsFor(of(round), stock, memory);
  const rest = most % round;
  const last = rest === 0 ? 0 : unitsFor(of(rest), stock, memory);
  return whole === null || last === null ? null : Math.floor(most / round) * whole + last;
}
