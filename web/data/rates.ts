import { useMemo } from 'react';
import type { MaterialRow } from '../../contract/materials.ts';
import { rateOf, type Rate } from '../../core/price/costs.ts';
import { useOffers, useSuppliers } from './queries.ts';

const NO_RATE: Rate = { minor: 0, from: 'saved' };

/** What one of each material costs at this place; nothing until the offers are there. */
export function useRates(materials: readonly MaterialRow[]): (id: number) => Rate {
  const { data: offers } = useOffers();
  const { data: suppliers } = useSuppliers();
  const rates = useMemo(
    () => new Map(materials.map((m) => [m.id, offers && suppliers ? rateOf(m, offers, suppliers) : NO_RATE])),
    [materials, offers, suppliers],
  );
  return (id) => rates.get(id) ?? NO_RATE;
}
