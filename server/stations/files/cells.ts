import type { z } from 'zod';
import { day } from '../../../contract/common.ts';
import { parseLength } from '../../../core/measure/length.ts';
import { parseMoney, type Currency } from '../../../core/measure/money.ts';
import { strayCharacter } from '../../../core/measure/text.ts';
import { isFormula, unharmed } from '../../formats/csv.ts';

export type Fault = (column: string, message: string) => void;

/** One row by column name, with the ways its cells are read; what cannot be read is told to `fault`. */
export class Cells {
  private readonly values: ReadonlyMap<string, string>;
  private readonly tell: Fault;
  /** How many faults were told. */
  faults = 0;
  private readonly currency: Currency;
  constructor(values: ReadonlyMap<string, string>, tell: Fault, currency: Currency) {
    this.currency = currency;
    this.values = values;
    this.tell = tell;
  }
  fault(column: string, message: string): void {
    this.faults++;
    this.tell(column, message);
  }
  /** The cell, '' where there is none. */
  raw(column: string): string {
    return this.values.get(column) ?? '';
  }
  /** Whether the file has the column at all. */
  has(column: string): boolean {
    return this.values.has(column);
  }
  /** Free words, as they were before they were made harmless; a formula is refused. */
  words(column: string): string {
    const text = this.raw(column);
    if (isFormula(text)) {
      this.fault(column, 'is a formula; expected plain words');
      return '';
    }
    const stray = strayCharacter(text);
    if (stray) {
      this.fault(column, `holds ${stray}, which cannot be printed; expected plain words`);
      return '';
    }
    return unharmed(text).trim();
  }
  private read<T>(column: string, read: (text: string) => T): T | undefined {
    const text = this.raw(column).trim();
    if (text === '') return undefined;
    try {
      return read(text);
    } catch (error) {
      this.fault(column, error instanceof Error ? error.message : String(error));
      return undefined;
    }
  }
  /** Millimetres: `38`, `3,8 cm`, `1 1/2"`. */
  length(column: string): number | undefined {
    return this.read(column, (t) => parseLength(t, 'mm'));
  }
  number(column: string): number | undefined {
    return this.read(column, (t) => {
      if (!/^-?\d+([.,]\d+)?$/.test(t)) throw new RangeError('expected a number');
      return Number(t.replace(',', '.'));
    });
  }
  whole(column: string): number | undefined {
    return this.read(column, (t) => {
      if (!/^-?\d{1,15}$/.test(t)) throw new RangeError('expected a whole number');
      return Number(t);
    });
  }
  /** A price in whole minor units. */
  money(column: string): number | undefined {
    return this.read(column, (t) => parseMoney(t, this.currency));
  }
  day(column: string): string | undefined {
    return this.read(column, (t) => {
      if (!day.safeParse(t).success) throw new RangeError('expected a day like 2026-11-25');
      return t;
    });
  }
  oneOf<T extends string>(column: string, values: readonly T[]): T | undefined {
    return this.read(column, (t) => {
      const found = values.find((v) => v === t.toLowerCase());
      if (found === undefined) throw new RangeError(`expected one of ${values.join(', ')}`);
      return found;
    });
  }
  /** `yes` or `no`; nothing is no. */
  yesNo(column: string): boolean {
    return (
      this.read(column, (t) => {
        if (/^(yes|y|true|1)$/i.test(t)) return true;
        if (/^(no|n|false|0)$/i.test(t)) return false;
        throw new RangeError('expected yes or no');
      }) ?? false
    );
  }
  /** Words parted by commas or semicolons. */
  list(column: string): string[] {
    return this.raw(column)
      .split(/[,;]/)
      .map((w) => w.trim())
      .filter(Boolean);
  }
  /** Tells every issue of a schema at the column that its path names. */
  check<T>(schema: z.ZodType<T>, value: unknown, columnOf: (path: string) => string): T | null {
    const read = schema.safeParse(value);
    if (read.success) return read.data;
    for (const issue of read.error.issues)
      this.fault(columnOf(issue.path.map(String).join('.')), issue.message);
    return null;
  }
}
