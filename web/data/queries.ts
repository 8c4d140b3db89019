import {
  QueryClient,
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
} from '@tanstack/react-query';
import type { Design } from '../../contract/designs.ts';
import type { Borrower, Copy, Note } from '../../contract/lending.ts';
import type { Lot } from '../../contract/lots.ts';
import type { PriceSeen, ShopList } from '../../contract/shop.ts';
import type { MaterialRow, Offer, Supplier } from '../../contract/materials.ts';
import type { Place, Tape } from '../../contract/place.ts';
import { api } from './api.ts';

export const client = new QueryClient({
  defaultOptions: { queries: { staleTime: 5_000, retry: 1, refetchOnWindowFocus: true } },
});

const list =
  <T>(key: string) =>
  () =>
    useQuery({ queryKey: [key], queryFn: () => api<T>('GET', `/${key}`) });

export const usePlace = list<Place>('place');
export const useTape = list<Tape>('tape');
export const useMaterials = list<MaterialRow[]>('materials');
export const useLots = list<Lot[]>('lots');
export const usePrices = list<PriceSeen[]>('prices');
export const useShop = list<ShopList>('shop');
export const useSuppliers = list<Supplier[]>('suppliers');
export const useOffers = list<Offer[]>('offers');
export const useDesigns = list<Design[]>('designs');
export const useCopies = list<Copy[]>('copies');
export const useBorrowers = list<Borrower[]>('borrowers');
export const useNotes = list<Note[]>('notes');

/** A change at the desk; afterwards every list is read anew, since stock, copies and figures hang together. */
export function useChange<I, O>(change: (input: I) => Promise<O>): UseMutationResult<O, Error, I> {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSettled: () => queries.invalidateQueries(),
  });
}
