import { useQuery } from '@tanstack/react-query';
import type { BoughtLot, PurchaseMade } from '../../contract/shop.ts';
import type { MaterialRow, Offer, Supplier } from '../../contract/materials.ts';
import { deliveryOf } from '../../core/price/delivery.ts';
import type { PurchaseAnswer, PurchaseRequest } from '../../core/price/purchase.ts';
import { api, apiList, words } from '../data/api.ts';
import { useChange } from '../data/queries.ts';
import { amountOfIt, money, shortDay } from '../data/style.ts';
import { Button } from '../parts/Button.tsx';
import { Notice, Quiet, Row, Spread, Stack } from '../parts/Panel.tsx';
import { Table } from '../parts/Table.tsx';
import { Verdict } from '../shell/Verdict.tsx';
import { text } from './text.ts';

/** The cheapest purchase that covers what is asked; null until everything it goes by is known. */
export function useBuying(request: PurchaseRequest | null) {
  return useQuery({
    queryKey: ['purchase', request],
    queryFn: () => api<PurchaseAnswer>('POST', '/compute/purchase', request),
    enabled: request !== null,
    staleTime: Infinity,
    placeholderData: (before) => before,
    retry: false,
  });
}

/** What to buy where, as packs with their prices. */
export function Buy({
  buying,
  offers,
  suppliers,
  materials,
  nothing,
  instead,
  designId,
}: {
  buying: { readonly data: PurchaseAnswer | undefined; readonly error: Error | null };
  offers: readonly Offer[];
  suppliers: readonly Supplier[];
  materials: readonly MaterialRow[];
  /** Said where nothing has to be bought, and what can be done where it cannot be had. */
  nothing: string;
  instead: string;
  /** The design that it is bought for, if one: what was paid for it before is listed. */
  designId?: number;
}) {
  const { data: answer, error } = buying;
  const nameOf = (id: number | string): string =>
    materials.find((m) => m.id === Number(id))?.name ?? text('material', { id });
  const packs =
    answer?.packs.flatMap((p) => {
      const offer = offers.find((o) => String(o.id) === p.offer);
      return offer ? [{ count: p.count, offer }] : [];
    }) ?? [];
  const take = useChange(
    () =>
      api<BoughtLot[]>('POST', '/purchases', {
        packs: packs.map((p) => ({ offerId: p.offer.id, count: p.count })),
        ...(designId === undefined ? {} : { designId }),
      }),
    (lots) => text('onShelf', { lots: lots.map((l) => `${l.quantity} × ${l.name}`).join(', ') }),
  );
  const charges = [...new Set(packs.map((p) => p.offer.supplierId))].flatMap((id) => {
    const supplier = suppliers.find((s) => s.id === id);
    if (!supplier) return [];
    const bought = packs.reduce((n, p) => n + (p.offer.supplierId === id ? p.count * p.offer.price : 0), 0);
    const charge = deliveryOf({ price: supplier.delivery, freeFrom: supplier.freeFrom ?? undefined }, bought);
    return charge > 0 ? [{ ...supplier, charge }] : [];
  });
  const over =
    answer?.leftover.filter((l) =>
      packs.some((p) => p.offer.contents.some((c) => String(c.materialId) === l.material)),
    ) ?? [];
  return (
    <Stack $gap={8}>
      <Spread>
        <h2>{text('buy')}</h2>
        {answer?.status === 'optimal' && <Verdict kind="clear" word={text('provedCheapest')} />}
      </Spread>
      {error && <Notice tone="stop">{words(error)}</Notice>}
      {answer?.status === 'infeasible' && (
        <Notice tone="stop">
          <strong>{text('noOfferHoldsEnough')}</strong> {answer.lacking.map(nameOf).join(', ')}. {instead}
        </Notice>
      )}
      {answer?.status === 'optimal' && packs.length === 0 && <p>{nothing}</p>}
      {packs.length > 0 && (
        <Table
          caption={text('shoppingList')}
          left={[1]}
          head={[text('pack'), text('from'), 'packs', 'price']}
          rows={[
            ...packs.map((p) => ({
              key: String(p.offer.id),
              cells: [
                p.offer.name,
                suppliers.find((s) => s.id === p.offer.supplierId)?.name ?? '',
                String(p.count),
                money(p.count * p.offer.price),
              ],
            })),
            ...charges.map((s) => ({
              key: `d${s.id}`,
              cells: [text('delivery'), s.name, '1', money(s.charge)],
            })),
          ]}
          foot={[text('total'), '', '', money(answer!.total!)]}
        />
      )}
      {packs.length > 0 && (
        <Row>
          <Button small plain isDisabled={take.isPending} onPress={() => take.mutate(undefined)}>
            {text('boughtPutOnShelf')}
          </Button>
          {take.error && <Notice tone="stop">{words(take.error)}</Notice>}
        </Row>
      )}
      {over.length > 0 && (
        <Quiet>
          {text('leftOver', {
            over: over
              .map(
                (l) =>
                  `${amountOfIt(l.quantity, materials.find((m) => m.id === Number(l.material))?.unit ?? 'each')} ${nameOf(l.material)}`,
              )
              .join(', '),
          })}
        </Quiet>
      )}
      {designId !== undefined && <Paid designId={designId} />}
    </Stack>
  );
}

/** What was paid for a design so far: it stays known once the shelf has it. */
function Paid({ designId }: { designId: number }) {
  const { data: paid } = useQuery({
    queryKey: ['purchases', designId],
    queryFn: () => apiList<PurchaseMade>(`/purchases?design=${designId}`),
  });
  if (!paid || paid.length === 0) return null;
  return (
    <ul aria-label={text('boughtSoFar')} style={{ fontSize: 14, display: 'grid', gap: 4 }}>
      {paid.map((p) => (
        <li key={p.id}>
          {text('boughtOn', {
            on: shortDay(p.on),
            packs: p.packs.map((x) => `${x.count} × ${x.name}`).join(', '),
            total: money(p.total),
          })}
        </li>
      ))}
    </ul>
  );
}
