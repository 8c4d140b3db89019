import { sayDone } from './undo.ts';
import {
  QueryClient,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
} from '@tanstack/react-query';
import type { OwnTimes } from '../../core/plan/ownMinutes.ts';
import type { Design, DesignNeeds } from '../../contract/designs.ts';
import type { Borrower, Kit, LendingSummary, Reservation } from '../../contract/lending.ts';
import type { Note, NotesSummary } from '../../contract/notes.ts';
import type { Child } from '../../contract/children.ts';
import type { Recall, RulesHere } from '../../contract/checking.ts';
import type { Lasting } from '../../contract/durability.ts';
import type { Bundle, Suggested } from '../../contract/bundles.ts';
import type { ShortAnswer } from '../../contract/lending.ts';
import type { Lot } from '../../contract/lots.ts';
import type { PriceSeen, ShopList } from '../../contract/shop.ts';
import type { MaterialRow, Offer, Supplier } from '../../contract/materials.ts';
import type { Backup, Place, Tape } from '../../contract/place.ts';
import type { PlannedNow } from '../../contract/termPlan.ts';
import type { WatchedChild } from '../../contract/watching.ts';
import { api, apiList, apiPage, type Page } from './api.ts';
import { setPlaceStyle } from './style.ts';

export const client = new QueryClient({
  defaultOptions: { queries: { staleTime: 5_000, retry: 1, refetchOnWindowFocus: true } },
});

const one =
  <T>(path: string) =>
  () =>
    useQuery({ queryKey: path.split('/'), queryFn: () => api<T>('GET', `/${path}`) });
const list =
  <T>(key: string) =>
  () =>
    useQuery({ queryKey: [key], queryFn: () => apiList<T>(`/${key}`) });
/** A list that may be long, a page at a time; `query` narrows it. */
function usePages<T>(key: string, query: Readonly<Record<string, string | number>>, enabled = true) {
  const path = `/${key}?${new URLSearchParams(
    Object.entries(query).map(([k, v]) => [k, String(v)]),
  ).toString()}`;
  return useInfiniteQuery({
    queryKey: [key, 'pages', path],
    queryFn: ({ pageParam }) => apiPage<T>(pageParam),
    initialPageParam: path,
    getNextPageParam: (last: Page<T>) => last.next ?? undefined,
    enabled,
  });
}

export const usePlace = () =>
  useQuery({
    queryKey: ['place'],
    queryFn: async () => {
      const place = await api<Place>('GET', '/place');
      setPlaceStyle(place);
      return place;
    },
  });
/** What every check goes by: rules as this place has them, and tests done by hand. */
export const useRules = one<RulesHere>('rules');
/** Minutes of steps as this place takes them. */
export const useOwnTimes = one<OwnTimes>('step-times');
export const useRecalls = one<Recall[]>('recalls');
export const useLasting = one<Lasting[]>('lasting');
export const useTape = one<Tape>('tape');
export const useMaterials = list<MaterialRow>('materials');
export const useLots = list<Lot>('lots');
export const usePrices = list<PriceSeen>('prices');
export const useShop = one<ShopList>('shop');
export const useSuppliers = list<Supplier>('suppliers');
export const useOffers = list<Offer>('offers');
export const useDesigns = list<Design>('designs');
export const useBundles = list<Bundle>('bundles');
export const useSuggestedBundles = one<Suggested[]>('bundles/suggested');
export const useChildren = list<Child>('children');
/** Worked out by the desk, so that no page has to load every family to say what is free. */
export const useDesignNeeds = one<DesignNeeds[]>('designs/needs');
export const useBorrowers = list<Borrower>('borrowers');
export const useReservations = one<Reservation[]>('reservations');
export const usePlannedNow = one<PlannedNow[]>('term-plans/now');
export const useBackups = one<Backup[]>('backups');
export const useLendingSummary = one<LendingSummary>('kits/summary');
export const useWatchedChildren = one<WatchedChild[]>('notes/children');
export const useNotesSummary = one<NotesSummary>('notes/summary');
export const useKitPages = (query: Readonly<Record<string, string | number>>, enabled = true) =>
  usePages<Kit>('kits', query, enabled);
/** What the check says of kits for the ages they are made for, by kit. */
export function useAnswers(ids: readonly number[]): ReadonlyMap<number, ShortAnswer> {
  const list = ids.join(',');
  const { data } = useQuery({
    queryKey: ['kits', 'answers', list],
    queryFn: () => api<ShortAnswer[]>('GET', `/kits/answers?ids=${list}`),
    enabled: ids.length > 0,
    retry: false,
  });
  return new Map(data?.map((a) => [a.id, a]));
}
export const useNotePages = (query: Readonly<Record<string, string | number>>, enabled = true) =>
  usePages<Note>('notes', query, enabled);

/** A change at the desk; afterwards every list is read anew, since stock, copies and figures hang together. */
export function useChange<I, O>(
  change: (input: I) => Promise<O>,
  /** What happened, in one sentence; left out where the screen says so itself. */
  says?: (done: O, input: I) => string,
): UseMutationResult<O, Error, I> {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    // Told here, and so also where the screen that asked is gone by then.
    onSuccess: (done, input) => says && sayDone(says(done, input), done, queries),
    onSettled: () => queries.invalidateQueries(),
  });
}
