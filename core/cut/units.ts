import type { Stock } from '../patterns/kernel.ts';
import { areSame, AT_ONCE, blanksOf, layLengths, layPanels, perUnit, type CutTimes } from './layout.ts';

export type { CutTimes };

const EPS = 1e-6;

/** Length a part takes off a roll, mm; a cord is cut with no loss to speak of. */
const rolled = ({ cut, times }: CutTimes): number =>
  cut.kind === 'length' ? (cut.length + cut.loss) * cut.count * times : Infinity;

/**
 * How many of a material the parts of a batch take, in its own unit (pieces, or mm of a roll): a layout that can be cut,
 * so never too few. null where a part is larger than what there is to cut from.
 *
 * @example unitsFor([{ cut: ring, times: 1 }], { kind: 'length', length: 279 }) // 7 cuts of 38, 1 lost each: 1
 */
export function unitsFor(parts: readonly CutTimes[], stock: Stock): number | null {
  const there = parts.filter((p) => p.times > 0 && p.cut.count > 0);
  if (stock.kind === 'roll' || there.length === 0) return laidOut(there, stock);
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
  const known = layouts.get(key);
  if (known !== undefined) return known;
  const found = laidOut(there, stock);
  if (layouts.size >= MOST_LAYOUTS) layouts.delete(layouts.keys().next().value!);
  layouts.set(key, found);
  return found;
}

const layouts = new Map<string, number | null>();
const MOST_LAYOUTS = 3000;

function laidOut(there: readonly CutTimes[], stock: Stock): number | null {
  if (there.length === 0) return 0;
  if (stock.kind === 'roll') return Math.ceil(there.reduce((sum, p) => sum + rolled(p), 0) - EPS);
  if (stock.kind === 'length') return layLengths(there, stock.length)?.laid.length ?? null;
  const blanks = blanksOf(there, stock);
  if (areSame(blanks)) {
    const { each } = perUnit(blanks, stock);
    return each > 0 ? Math.ceil(blanks.length / each) : null;
  }
  if (blanks.length <= AT_ONCE) return layPanels(blanks, stock)?.length ?? null;
  // A large batch repeats a smaller one: as many whole rounds as are laid out at once, and the rest.
  const most = Math.max(...there.map((p) => p.times));
  const perKit = blanks.length / most;
  const round = Math.max(1, Math.floor(AT_ONCE / perKit));
  if (round >= most) return layPanels(blanks, stock)?.length ?? null;
  const of = (times: number): CutTimes[] =>
    there.map((p) => ({ cut: p.cut, times: Math.max(1, Math.ceil((p.times * times) / most)) }));
  const whole = unitsFor(of(round), stock);
  const rest = most % round;
  const last = rest === 0 ? 0 : unitsFor(of(rest), stock);
  return whole === null || last === null ? null : Math.floor(most / round) * whole + last;
}
