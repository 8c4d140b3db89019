import type { EntityManager } from '@mikro-orm/core';
import { rows } from '../../db/rows.ts';

/** The next labels of a kind that no kit has: kits that came in by a file may have taken some. */
export async function newLabels(
  em: EntityManager,
  nth: (n: number) => string,
  o: { readonly from: number; readonly count: number },
): Promise<string[]> {
  const labels: string[] = [];
  for (let n = o.from; labels.length < o.count;) {
    const some = Array.from({ length: o.count - labels.length }, () => nth(n++));
    const taken = new Set(
      (
        await rows<{ label: string }>(
          em,
          'select label from kit where label in (select value from json_each(?))',
          [JSON.stringify(some)],
        )
      ).map((c) => c.label),
    );
    labels.push(...some.filter((l) => !taken.has(l)));
  }
  return labels;
}
