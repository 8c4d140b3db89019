/** What is charged once for bringing anything; nothing where what is bought comes to `freeFrom` or more. Minor units. */
export interface Delivery {
  readonly price: number;
  readonly freeFrom?: number | undefined;
}

/** What a supplier charges for bringing so much; nothing where nothing is bought, or enough. Minor units. */
export const deliveryOf = (d: Delivery, bought: number | null): number =>
  bought === null || (d.freeFrom !== undefined && bought >= d.freeFrom) ? 0 : d.price;
