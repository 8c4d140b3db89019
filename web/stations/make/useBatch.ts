import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { BatchRow, BatchWork } from '../../../contract/batches.ts';
import type { BenchPlan } from '../../../core/plan/benchPlan.ts';
import type { BenchDays } from '../../../core/plan/batch.ts';
import { api } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';

export const useBatches = () =>
  useQuery({ queryKey: ['batches'], queryFn: () => api<BatchRow[]>('GET', '/batches') });
/** @param every how often it is asked for anew, ms: what other benches did meanwhile */
export const useBatch = (id: number, every?: number) =>
  useQuery({
    queryKey: ['batches', id],
    queryFn: () => api<BatchWork>('GET', `/batches/${id}`),
    ...(every === undefined ? {} : { refetchInterval: every }),
  });

/** The plan of a batch: worked out anew whenever it is changed, and with every step that was done or timed. */
export const usePlan = (id: number, version: number, done: number) =>
  useQuery({
    queryKey: ['batches', id, 'plan', version, done],
    queryFn: () => api<BenchPlan>('GET', `/batches/${id}/plan`),
    placeholderData: keepPreviousData,
  });

/** What of a batch can be changed while it is planned. */
export interface BatchChange {
  readonly name?: string;
  readonly items?: BatchRow['items'];
  readonly days?: BenchDays;
}
export const useSaveBatch = (batch: BatchRow) =>
  useChange((change: BatchChange) =>
    api<BatchRow>('PUT', `/batches/${batch.id}`, {
      version: batch.version,
      name: change.name ?? batch.name,
      items: (change.items ?? batch.items).map(({ designId, bundleId, copies }) => ({
        designId,
        bundleId,
        copies,
      })),
      days: change.days ?? batch.days,
    }),
  );
