import { uses } from '../needs/supply.ts';
import type { Need } from '../patterns/kernel.ts';

/** A supplier's pack, as far as its price goes. Minor units. */
export interface PackPrice {
  readonly supplierId: number;
  readonly price: number;
  /** What the shop has run out of cannot be bought, so it sets no rate. */
  readonly inStock?: boolean | undefined;
  readonly contents: readonly { readonly materialId: number; readonly quantity: number }[];
}

/** What a supplier charges once for bringing anything. Minor units. */
export interface Delivery {
  readonly id: number;
  readonly delivery: number;
}

/** Lowest price of one in a pack of its own kind alone, by material; packs of several kinds set none. */
function singleRates(offers: readonly PackPrice[]): Map<number, number> {
  const rates = new Map<number, number>();
  for (const o of offers) {
    if (o.contents.length !== 1) continue;
    const { materialId, quantity } = o.contents[0]!;
    rates.set(materialId, Math.min(rates.get(materialId) ?? Infinity, o.price / quantity));
  }
  return rates;
}

/**
 * What each content of a pack has in its price, as shares of 1 in the contents' order: by what it would cost alone, at
 * its cheapest single rate; a kind that nobody sells alone counts as an equal part of the pack.
 */
export function priceShares(pack: PackPrice, offers: readonly PackPrice[]): number[] {
  const rates = singleRates(offers);
  const kinds = pack.contents.length;
  const values = pack.contents.map((c) => {
    const rate = rates.get(c.materialId);
    return rate === undefined ? pack.price / kinds : rate * c.quantity;
  });
  const sum = values.reduce((a, b) => a + b, 0);
  return values.map((v) => (sum > 0 ? v / sum : 1 / kinds));
}

/** What one of a material costs, minor units: bought with its delivery, saved with a worth, or saved for nothing. */
export interface Rate {
  readonly minor: number;
  readonly from: 'bought' | 'worth' | 'saved';
}

/**
 * What one of a material (or one mm) costs in one pack of an offer, delivery included as at the till, minor units.
 * Infinity where the offer does not hold it.
 */
export function packRate(
  materialId: number,
  offer: PackPrice,
  all: readonly PackPrice[],
  deliveries: readonly Delivery[],
): number {
  const at = offer.contents.findIndex((c) => c.materialId === materialId);
  if (at < 0) return Infinity;
  const delivery = deliveries.find((d) => d.id === offer.supplierId)?.delivery ?? 0;
  return ((offer.price + delivery) * priceShares(offer, all)[at]!) / offer.contents[at]!.quantity;
}

/**
 * What one of a material (or one mm) costs: the cheapest pack that can be had now, its delivery included; what nobody
 * sells was saved, and counts what the place says a find is worth, 0 where it says nothing.
 *
 * @param worth minor units for one, or for a metre of what is measured by length
 */
export function rateOf(
  material: { readonly id: number; readonly unit: 'each' | 'mm'; readonly worth?: number | undefined },
  offers: readonly PackPrice[],
  deliveries: readonly Delivery[],
): Rate {
  const there = offers.filter((o) => o.inStock !== false);
  const bought = Math.min(...there.map((o) => packRate(material.id, o, there, deliveries)));
  if (Number.isFinite(bought)) return { minor: bought, from: 'bought' };
  if (material.worth === undefined) return { minor: 0, from: 'saved' };
  return { minor: material.worth / (material.unit === 'mm' ? 1000 : 1), from: 'worth' };
}

/** What a kit uses of one material. */
export interface CostLine {
  readonly materialId: number;
  readonly name: string;
  /** Pieces, or mm; a share of one where a batch shares a sheet, or a bottle is not used up. */
  readonly quantity: number;
  readonly unit: 'each' | 'mm';
  /** Minor units for all of it, not rounded. */
  readonly minor: number;
  /** Of it the share that is used up at each loan and laid out anew: food, tape round a finger; 0 to 1. */
  readonly usedUp: number;
}

/** What one of `copies` kits uses, each material at its rate: parts that share a sheet cost their share of what the batch takes, and what is poured what is poured of it. */
export function linesOf(
  needs: readonly Need[],
  rate: (materialId: number) => Rate,
  copies: number,
): CostLine[] {
  const many = Math.max(1, copies);
  return [...uses(needs, many)].map(([materialId, all]) => {
    const { name, unit } = needs.find((n) => n.materialId === materialId)!;
    const each =
      uses(
        needs.filter((n) => n.materialId === materialId && n.eachTime),
        many,
      ).get(materialId) ?? 0;
    return {
      materialId,
      name,
      quantity: all / many,
      unit,
      minor: (rate(materialId).minor * all) / many,
      usedUp: all > 0 ? Math.min(1, each / all) : 0,
    };
  });
}

export interface LoanCost {
  /** Minor units a loan, not rounded. */
  readonly total: number;
  /** What each material of a kit costs a loan, at so many of it lost or worn in one. */
  readonly lines: readonly (CostLine & { readonly losses: number })[];
}

/**
 * What lending a kit once costs in the long run: what is used up each time is counted each time; whatever is lost or worn is replaced at its rate, so that a thing that lasts
 * m loans costs an m-th of its price (the elementary renewal theorem; Cox, Renewal Theory, 1962).
 *
 * @param lossesALoan of one piece of a material, 0 to 1
 */
export function costPerLoan(
  lines: readonly CostLine[],
  lossesALoan: (materialId: number) => number,
): LoanCost {
  const each = lines.map((l) => {
    // What is used up goes at each loan, once; of the rest what is lost or worn.
    const losses = l.usedUp + (1 - l.usedUp) * lossesALoan(l.materialId);
    return { ...l, losses, minor: l.minor * losses };
  });
  return { total: each.reduce((n, l) => n + l.minor, 0), lines: each };
}

export interface ThreeCosts {
  /** Bought now, whole packs and delivery, spread over the kits; null when it cannot be bought or nothing is made. */
  readonly costToBuy: number | null;
  /** Only what a kit uses, each material at its rate. */
  readonly materialsUsed: number;
  /** The piece there are most of, and what one of it costs; null when no piece is counted. */
  readonly lostPiece: { readonly name: string; readonly minor: number; readonly from: Rate['from'] } | null;
}

/** Cost per kit, three ways, minor units (not rounded). */
export function threeCosts(options: {
  needs: readonly Need[];
  rate: (materialId: number) => Rate;
  copies: number;
  purchaseTotal: number | null;
}): ThreeCosts {
  const { needs, rate, copies, purchaseTotal } = options;
  const counted = needs.filter((n) => n.counted && !n.cuts);
  const moved = counted.filter((n) => n.use === 'piece');
  const [piece] = [...(moved.length > 0 ? moved : counted)].sort((a, b) => b.quantity - a.quantity);
  return {
    costToBuy: purchaseTotal === null || copies <= 0 ? null : purchaseTotal / copies,
    materialsUsed: linesOf(needs, rate, copies).reduce((sum, l) => sum + l.minor, 0),
    lostPiece: piece ? { name: piece.name, ...rate(piece.materialId) } : null,
  };
}
