/** What a supplier charges for bringing so much; nothing where nothing is bought, or enough. Minor units. */
export const deliveryOf = (
  d: { readonly price: number; readonly freeFrom?: number | undefined },
  bought: number | null,
): number => (bought === null || (d.freeFrom !== undefined && bought >= d.freeFrom) ? 0 : d.price);
