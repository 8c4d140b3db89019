import type { Cut, Need, Use } from '../patterns/kernel.ts';

/** Something that is counted out and in with a kit. */
export interface KitPart {
  /** null for what is made: it cannot be filled from the shelf. */
  readonly materialId: number | null;
  readonly name: string;
  readonly use: Use;
  readonly due: number;
  /** How much of its material one is: 1, or mm of a roll. */
  readonly takes: number;
  /** The same for cards that designs of one kit use in turn. */
  readonly set?: string;
}

/** Tells a set of cards that is shared from one that is not: of one material, one size, with the same on it. */
export const setOf = (cut: Cut): string | undefined =>
  cut.shows === undefined
    ? undefined
    : JSON.stringify([cut.materialId, cut.shows, cut.kind === 'outline' ? cut.outline : cut.length]);

/**
 * What a kit is counted by. A lace of 900 mm is one lace, not 900; rings cut from a tube are rings, not tubes.
 *
 * @param needs of one kit
 */
export const kitParts = (needs: readonly Need[]): KitPart[] =>
  needs
    .filter((n) => n.counted && n.quantity > 0)
    .flatMap((n): KitPart[] => {
      const { materialId, name, use } = n;
      if (!n.cuts)
        return n.unit === 'mm'
          ? [{ materialId, name: `${name}, ${Math.round(n.quantity)} mm`, use, due: 1, takes: n.quantity }]
          : [{ materialId, name, use, due: n.quantity, takes: 1 }];
      return n.cuts
        .filter((c) => c.counted && c.count > 0)
        .map((c) => {
          const rolled = n.stock?.kind === 'roll' && c.kind === 'length';
          return {
            materialId: rolled ? materialId : null,
            name: c.label,
            use: c.use,
            due: c.count,
            takes: rolled ? Math.ceil(c.length + c.loss) : 1,
            ...(c.shows === undefined ? {} : { set: setOf(c)! }),
          };
        });
    });

/** What is counted, in one line, the pieces first: they are what a family counts. */
export const countLine = (
  parts: readonly { readonly use: Use; readonly due: number; readonly name: string }[],
): string =>
  [...parts]
    .sort((p, q) => Number(q.use === 'piece') - Number(p.use === 'piece'))
    .map((p) => `${p.due} × ${p.name}`)
    .join(', ');

/** What the child moves, or, where there is none, the first part: the count that a family looks at. */
export const mainPart = <P extends { readonly use: Use }>(parts: readonly P[]): P | undefined =>
  parts.find((p) => p.use === 'piece') ?? parts[0];
