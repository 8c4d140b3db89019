import { useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { Offer, Supplier } from '../../../contract/materials.ts';
import { formatMoney } from '../../../core/measure/money.ts';
import { threeCosts, unitShare } from '../../../core/price/costs.ts';
import type { PurchaseAnswer, PurchaseRequest } from '../../../core/price/purchase.ts';
import { api, words } from '../../data/api.ts';
import { purchaseOf } from '../../data/purchase.ts';
import { useOffers, useSuppliers } from '../../data/queries.ts';
import { DesignBench, type AtBench } from '../../design/DesignBench.tsx';
import { useOpenDesign } from '../../design/store.ts';
import { ButtonLink } from '../../parts/Button.tsx';
import { Stepper } from '../../parts/Field.tsx';
import { Heading, Notice, Panel, Quiet, Row, SideBySide, Spread, Stack } from '../../parts/Panel.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { Table } from '../../parts/Table.tsx';

const Three = styled.div`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
  b {
    font: 800 30px/1.1 var(--display);
    display: block;
  }
  h2 {
    font-size: 15px;
  }
  @media (max-width: 640px) {
    grid-template-columns: 1fr;
  }
`;

function requestFor(at: AtBench, offers: readonly Offer[], suppliers: readonly Supplier[]): PurchaseRequest {
  const wanted = new Map<number, number>();
  for (const l of at.light.supply.lines)
    wanted.set(l.need.materialId, (wanted.get(l.need.materialId) ?? 0) + l.wanted);
  const kept = (id: number): number => at.materials.find((m) => m.id === id)?.kept ?? 0;
  return purchaseOf({ wanted, kept, offers, suppliers });
}

function PriceWork({ at }: { at: AtBench }) {
  const { design, light, materials } = at;
  const { change } = useOpenDesign();
  const { data: offers } = useOffers();
  const { data: suppliers } = useSuppliers();
  const request = offers && suppliers ? requestFor(at, offers, suppliers) : null;
  const bought = useQuery({
    queryKey: ['purchase', request],
    queryFn: () => api<PurchaseAnswer>('POST', '/compute/purchase', request),
    enabled: request !== null,
    staleTime: Infinity,
    placeholderData: (before) => before,
    retry: false,
  });
  const answer = bought.data;
  const costs = threeCosts({
    needs: light.needs,
    offers: offers ?? [],
    copies: design.copies,
    purchaseTotal: answer?.total ?? null,
  });
  const nameOf = (id: number | string): string =>
    materials.find((m) => m.id === Number(id))?.name ?? `material ${id}`;
  const packs =
    answer?.packs
      .map((p) => ({ count: p.count, offer: offers!.find((o) => String(o.id) === p.offer)! }))
      .filter((p) => p.offer) ?? [];
  const charges = [...new Set(packs.map((p) => p.offer.supplierId))]
    .map((id) => suppliers!.find((s) => s.id === id)!)
    .filter((s) => s && s.delivery > 0);
  const wanted = new Set(light.needs.map((n) => n.materialId));
  const holds = (c: { materialId: number; quantity: number }): string =>
    materials.find((m) => m.id === c.materialId)?.unit === 'mm'
      ? `${c.quantity / 1000} m of ${nameOf(c.materialId)}`
      : `${c.quantity} ${nameOf(c.materialId)}`;
  const compared = (offers ?? [])
    .filter((o) => o.contents.some((c) => wanted.has(c.materialId)))
    .map((o) => {
      const supplier = suppliers?.find((x) => x.id === o.supplierId);
      const [first] = o.contents.filter((c) => wanted.has(c.materialId));
      const rate = unitShare(first!.materialId, [o])!;
      const long = materials.find((m) => m.id === first!.materialId)?.unit === 'mm';
      const count = packs.find((p) => p.offer.id === o.id)?.count ?? 0;
      return {
        key: String(o.id),
        cells: [
          o.name,
          supplier?.name ?? '',
          o.contents.map((c) => holds(c)).join(', '),
          formatMoney(o.price),
          supplier && supplier.delivery > 0 ? formatMoney(supplier.delivery) : 'none',
          long ? `${formatMoney(rate * 1000)} a metre` : formatMoney(rate),
          count > 0 ? <b key="n">{count}</b> : '–',
        ],
      };
    });
  return (
    <Stack>
      <Heading
        over={`${light.pattern.name} · ${design.name}`}
        title={`What do ${design.copies} ${design.copies === 1 ? 'kit' : 'kits'} cost?`}
      >
        <Row>
          <Quiet>Kits</Quiet>
          <Stepper
            label="Kits"
            value={design.copies}
            min={1}
            max={200}
            onChange={(copies) => change({ copies })}
          />
        </Row>
        <ButtonLink to={`/make/${design.id}`}>Make it</ButtonLink>
      </Heading>
      <Three>
        <Panel>
          <h2>Cash now, a kit</h2>
          <b>{!answer ? '…' : costs.cashNow === null ? 'not to be had' : formatMoney(costs.cashNow)}</b>
          <Quiet>
            {answer?.total != null
              ? `${formatMoney(answer.total)} at the till for ${design.copies}, in whole packs with delivery`
              : 'an offer is missing'}
          </Quiet>
        </Panel>
        <Panel>
          <h2>Share used, a kit</h2>
          <b>{formatMoney(costs.shareUsed)}</b>
          <Quiet>only what goes into it, at the cheapest pack; household finds cost nothing</Quiet>
        </Panel>
        <Panel>
          <h2>One lost piece</h2>
          <b>{formatMoney(costs.lostPiece)}</b>
          <Quiet>{light.needs.find((n) => n.role === 'piece')?.name}, at the same rate</Quiet>
        </Panel>
      </Three>
      <SideBySide $left={1.25}>
        <Panel>
          <Stack $gap={8}>
            <h2>What {design.copies === 1 ? 'it needs' : 'they need'}, less the shelf</h2>
            <Table
              caption="Bill of materials"
              head={['Material', 'a kit', 'all', 'kept', 'short', 'rate']}
              rows={light.supply.lines.map((l) => {
                const rate = offers ? unitShare(l.need.materialId, offers) : null;
                const mm = l.need.unit === 'mm' ? ' mm' : '';
                return {
                  key: l.need.role,
                  cells: [
                    l.need.name,
                    `${l.need.quantity}${mm}`,
                    `${l.wanted}${mm}`,
                    `${l.kept}${mm}`,
                    l.short > 0 ? <b style={{ color: 'var(--stop)' }}>{`${l.short}${mm}`}</b> : '0',
                    rate === null
                      ? 'saved'
                      : l.need.unit === 'mm'
                        ? `${formatMoney(rate * 1000)} a metre`
                        : formatMoney(rate),
                  ],
                };
              })}
            />
          </Stack>
        </Panel>
        <Panel>
          <Stack $gap={8}>
            <Spread>
              <h2>Buy</h2>
              {answer?.status === 'optimal' && <Verdict kind="clear" word="proved cheapest" />}
            </Spread>
            {bought.error && <Notice tone="stop">{words(bought.error)}</Notice>}
            {answer?.status === 'infeasible' && (
              <Notice tone="stop">
                <strong>No offer has enough:</strong> {answer.lacking.map(nameOf).join(', ')}. Save more, add
                an offer in Gather, or make {light.supply.kitsNow}{' '}
                {light.supply.kitsNow === 1 ? 'kit' : 'kits'}.
              </Notice>
            )}
            {answer?.status === 'optimal' && packs.length === 0 && <p>Nothing: the shelf has it all.</p>}
            {packs.length > 0 && (
              <Table
                caption="Shopping list"
                left={[1]}
                head={['Pack', 'From', 'packs', 'price']}
                rows={[
                  ...packs.map((p) => ({
                    key: String(p.offer.id),
                    cells: [
                      p.offer.name,
                      suppliers!.find((s) => s.id === p.offer.supplierId)!.name,
                      String(p.count),
                      formatMoney(p.count * p.offer.price),
                    ],
                  })),
                  ...charges.map((s) => ({
                    key: `d${s.id}`,
                    cells: ['Delivery', s.name, '1', formatMoney(s.delivery)],
                  })),
                ]}
                foot={['At the till', '', '', formatMoney(answer!.total!)]}
              />
            )}
            {answer &&
              packs.length > 0 &&
              answer.leftover.some((l) =>
                packs.some((p) => p.offer.contents.some((c) => String(c.materialId) === l.material)),
              ) && (
                <Quiet>
                  Left over afterwards:{' '}
                  {answer.leftover
                    .filter((l) =>
                      packs.some((p) => p.offer.contents.some((c) => String(c.materialId) === l.material)),
                    )
                    .map(
                      (l) =>
                        `${l.quantity}${materials.find((m) => m.id === Number(l.material))?.unit === 'mm' ? ' mm' : ' ×'} ${nameOf(l.material)}`,
                    )
                    .join(', ')}
                </Quiet>
              )}
          </Stack>
        </Panel>
      </SideBySide>
      {compared.length > 0 && (
        <Panel>
          <Stack $gap={8}>
            <h2>Packs compared</h2>
            <Table
              caption="Packs compared"
              left={[1, 2]}
              head={['Pack', 'From', 'Holds', 'price', 'delivery', 'rate', 'bought']}
              rows={compared}
            />
          </Stack>
        </Panel>
      )}
    </Stack>
  );
}

export const Component = () => <DesignBench station="price">{(at) => <PriceWork at={at} />}</DesignBench>;
