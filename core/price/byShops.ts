import type { Delivery } from './delivery.ts';

interface Offered {
  readonly offers: readonly {
    readonly supplier: string;
    readonly price: number;
    readonly contents: readonly { readonly material: string; readonly quantity: number }[];
  }[];
  readonly delivery: readonly (Delivery & { readonly supplier: string })[];
}

/** Shops with a delivery charge that every choice of which is looked at. */
const MOST_SHOPS = 12;
/** Steps of all tables together; larger purchases go to the solver. */
const MOST_STEPS = 2e7;
/** Quantities are told apart to a millionth. */
const FINE = 1e6;

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** An offer as one material sees it: quantity in the material's own whole steps. */
interface Pack {
  readonly offer: number;
  readonly price: number;
  readonly quantity: number;
  readonly most: number;
  /** Bit of its shop; 0 where that brings it without a charge. */
  readonly shop: number;
}
interface Line {
  readonly need: number;
  readonly packs: readonly Pack[];
  /** Bits of all its shops. */
  readonly shops: number;
}
interface Cover {
  readonly cost: number;
  /** Packs of each offer. */
  readonly counts: ReadonlyMap<number, number>;
}

/** The cheapest packs that hold at least what is needed: a table over what is still lacking, packs doubled up to their limit. */
function cheapest(need: number, packs: readonly Pack[]): Cover | null {
  const cost = new Float64Array(need + 1).fill(Infinity);
  cost[0] = 0;
  const bundles = packs.flatMap((p) => {
    const most = Math.min(p.most, Math.ceil(need / p.quantity));
    const list: { pack: Pack; n: number }[] = [];
    for (let left = most, n = 1; left > 0; left -= n, n = Math.min(2 * n, left)) list.push({ pack: p, n });
    return list;
  });
  const takes = bundles.map(({ pack, n }) => {
    const taken = new Uint8Array(need + 1);
    const [q, price] = [pack.quantity * n, pack.price * n];
    for (let r = need; r > 0; r--) {
      const with_ = cost[Math.max(0, r - q)]! + price;
      if (with_ < cost[r]!) {
        cost[r] = with_;
        taken[r] = 1;
      }
    }
    return taken;
  });
  if (!Number.isFinite(cost[need]!)) return null;
  const counts = new Map<number, number>();
  for (let b = bundles.length - 1, r = need; b >= 0 && r > 0; b--)
    if (takes[b]![r]) {
      const { pack, n } = bundles[b]!;
      counts.set(pack.offer, (counts.get(pack.offer) ?? 0) + n);
      r = Math.max(0, r - pack.quantity * n);
    }
  return { cost: cost[need]!, counts };
}

const bits = (n: number): number => (n === 0 ? 0 : (n & 1) + bits(n >>> 1));

/**
 * The cheapest packs where no pack holds two of the materials that are lacking: then, once it is settled which shops are
 * paid for their delivery, each material is bought for itself, and every choice of shops can be looked at. That is a proof,
 * and much quicker than an integer program.
 *
 * @param lack what is needed by material
 * @param most packs of each offer that could be wanted
 * @returns packs of each offer; null where packs are mixed, delivery may come free, or there is too much to look at
 */
export function buyByShops(
  { offers, delivery }: Offered,
  lack: readonly (readonly [material: string, quantity: number])[],
  most: readonly number[],
): number[] | null {
  const charged = delivery.filter(
    (d) => d.price > 0 && offers.some((o, i) => most[i]! > 0 && o.supplier === d.supplier),
  );
  if (charged.length > MOST_SHOPS || charged.some((d) => d.freeFrom !== undefined)) return null;
  const wanted = new Map(lack);
  const held = offers.map((o) => o.contents.filter((c) => wanted.has(c.material)));
  if (held.some((c, i) => most[i]! > 0 && c.length > 1)) return null;

  let steps = 0;
  const lines: Line[] = [];
  for (const [material, quantity] of lack) {
    const own = offers
      .map((o, offer) => ({ o, offer, quantity: held[offer]![0] }))
      .filter((x) => most[x.offer]! > 0 && x.quantity?.material === material);
    const whole = [quantity, ...own.map((x) => x.quantity!.quantity)].map((q) => Math.round(q * FINE));
    const unit = whole.reduce(divisor);
    const need = Math.ceil(whole[0]! / unit);
    const packs = own.map(({ o, offer }, i): Pack => {
      const shop = charged.findIndex((d) => d.supplier === o.supplier);
      return {
        offer,
        price: o.price,
        quantity: whole[i + 1]! / unit,
        most: most[offer]!,
        shop: shop < 0 ? 0 : 1 << shop,
      };
    });
    const shops = packs.reduce((all, p) => all | p.shop, 0);
    steps +=
      2 ** bits(shops) * need * packs.reduce((n, p) => n + Math.ceil(Math.log2(1 + need / p.quantity)), 0);
    if (!(steps < MOST_STEPS)) return null;
    lines.push({ need, packs, shops });
  }

  const known = lines.map(() => new Map<number, Cover | null>());
  const coverOf = (line: Line, i: number, open: number): Cover | null => {
    const key = line.shops & open;
    let cover = known[i]!.get(key);
    if (cover === undefined) {
      cover = cheapest(
        line.need,
        line.packs.filter((p) => (p.shop & ~open) === 0),
      );
      known[i]!.set(key, cover);
    }
    return cover;
  };
  let best: { cost: number; covers: readonly Cover[] } | null = null;
  for (let open = 0; open < 1 << charged.length; open++) {
    let cost = charged.reduce((sum, d, i) => sum + (open & (1 << i) ? d.price : 0), 0);
    const covers: Cover[] = [];
    for (let i = 0; i < lines.length && !(best && cost >= best.cost); i++) {
      const cover = coverOf(lines[i]!, i, open);
      cost += cover ? cover.cost : Infinity;
      if (cover) covers.push(cover);
    }
    if (covers.length === lines.length && (!best || cost < best.cost)) best = { cost, covers };
  }
  if (!best) return null;
  const counts = offers.map(() => 0);
  for (const { counts: own } of best.covers) for (const [offer, n] of own) counts[offer]! += n;
  return counts;
}
