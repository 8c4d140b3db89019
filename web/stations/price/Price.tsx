import { useMemo } from 'react';
import { styled } from 'styled-components';
import type { Offer, Supplier } from '../../../contract/materials.ts';
import { formatMinutes } from '../../../core/measure/minutes.ts';
import { money, rateWords } from '../../data/style.ts';
import { heldWords, kits } from '../../../core/needs/supply.ts';
import { lossesALoan } from '../../../core/durability/lifetimes.ts';
import {
  costPerLoan,
  linesOf,
  packRate,
  threeCosts,
  type CostLine,
  type Rate,
} from '../../../core/price/costs.ts';
import type { PurchaseRequest } from '../../../core/price/purchase.ts';
import { purchaseOf } from '../../data/purchase.ts';
import { useLasting, useOffers, useSuppliers } from '../../data/queries.ts';
import { useRates } from '../../data/rates.ts';
import { DesignBench, type AtBench } from '../../design/DesignBench.tsx';
import { DesignFile } from '../../design/DesignFile.tsx';
import { useOpenDesign } from '../../design/store.ts';
import { ButtonLink } from '../../parts/Button.tsx';
import { Stepper } from '../../parts/Field.tsx';
import { Heading, Panel, Quiet, Row, SideBySide, Stack } from '../../parts/Panel.tsx';
import { Buy, useBuying } from '../../design/Buy.tsx';
import { Table, type TableRow } from '../../parts/Table.tsx';

const Three = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
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
  const free = new Map<number, number>();
  for (const l of at.needed.supply.lines) {
    wanted.set(l.need.materialId, (wanted.get(l.need.materialId) ?? 0) + l.wanted);
    // The first line of a material has what is there before any other takes from it.
    if (!free.has(l.need.materialId)) free.set(l.need.materialId, l.free);
  }
  return purchaseOf({ wanted, free: (id) => free.get(id) ?? 0, offers, suppliers });
}

const Fold = styled.details`
  margin-top: 6px;
  summary {
    min-height: 32px;
    display: flex;
    align-items: center;
    cursor: pointer;
    font-size: 13.5px;
    font-weight: 600;
    color: var(--fox-deep);
    text-decoration: underline;
    text-underline-offset: 2px;
  }
`;

const FROM: Record<Rate['from'], string> = {
  bought: 'as bought, delivery included',
  worth: 'as this place values a find',
  saved: 'saved, so it costs nothing',
};

/** How a figure came about: folded, since most people only want the figure. */
function Working({
  of,
  head,
  rows,
  foot,
}: {
  of: string;
  head: readonly string[];
  rows: readonly TableRow[];
  foot: readonly string[];
}) {
  return (
    <Fold>
      <summary>Working</summary>
      <Table caption={`Working of ${of}`} head={head} rows={rows} foot={foot} />
    </Fold>
  );
}

const losses = (n: number): string => (n === 0 ? 'lasts' : `1 loan in ${Math.max(1, Math.round(1 / n))}`);

function PriceWork({ at }: { at: AtBench }) {
  const { design, light, needed, materials } = at;
  const change = useOpenDesign((s) => s.change);
  const { data: offers } = useOffers();
  const { data: suppliers } = useSuppliers();
  const { data: lasting } = useLasting();
  const rest = needed.supply.copies;
  const request = useMemo(
    () => (offers && suppliers ? requestFor(at, offers, suppliers) : null),
    [at, offers, suppliers],
  );
  const bought = useBuying(request);
  const answer = bought.data;
  const rate = useRates(materials);
  const costs = threeCosts({
    needs: needed.needs,
    rate,
    copies: rest,
    purchaseTotal: answer?.total ?? null,
  });
  // Until offers are here nothing is known to cost nothing.
  const isPriced = offers !== undefined && suppliers !== undefined;
  const lines = linesOf(needed.needs, rate, rest);
  const seen = new Map(lasting?.map((l) => [l.materialId, l]));
  const classOf = (id: number) => materials.find((m) => m.id === id)?.materialClass ?? 'plastic';
  const loan = lasting && costPerLoan(lines, (id) => lossesALoan(classOf(id), seen.get(id)));
  const loansSeen = (lasting ?? [])
    .filter((l) => lines.some((x) => x.materialId === l.materialId))
    .reduce((n, l) => n + l.loans, 0);
  /** Where the price of a lost piece comes from, for a pack of its kind alone. */
  const piece = costs.lostPiece && materials.find((m) => m.name === costs.lostPiece!.name);
  const source = (offers ?? [])
    .filter((o) => o.inStock !== false && o.contents.length === 1 && o.contents[0]!.materialId === piece?.id)
    .find((o) => packRate(piece!.id, o, offers!, suppliers ?? []) === costs.lostPiece!.minor);
  const charge = suppliers?.find((s) => s.id === source?.supplierId)?.delivery ?? 0;
  const sum =
    source &&
    `${source.name}, ${charge > 0 ? `(${money(source.price)} + ${money(charge)} delivery)` : money(source.price)} ÷ ${source.contents[0]!.quantity}`;
  const amount = (l: CostLine): string =>
    l.unit === 'mm' ? `${Math.round(l.quantity)} mm` : String(Math.round(l.quantity * 100) / 100);
  // Adult minutes of the batch as usual, for one kit; counted only where the place wants that.
  const { hourly } = at.place;
  const adult = light
    .steps()
    .reduce((n, s) => n + (s.who === 'child' ? 0 : s.setUp + s.perCopy * Math.max(1, rest)), 0);
  const work = hourly === null ? null : (hourly * adult) / 60 / Math.max(1, rest);
  const nameOf = (id: number | string): string =>
    materials.find((m) => m.id === Number(id))?.name ?? `material ${id}`;
  const packs =
    answer?.packs
      .map((p) => ({ count: p.count, offer: offers!.find((o) => String(o.id) === p.offer)! }))
      .filter((p) => p.offer) ?? [];
  const wanted = new Set(needed.needs.map((n) => n.materialId));
  const holds = (c: { materialId: number; quantity: number }): string =>
    materials.find((m) => m.id === c.materialId)?.unit === 'mm'
      ? `${c.quantity / 1000} m of ${nameOf(c.materialId)}`
      : `${c.quantity} ${nameOf(c.materialId)}`;
  const compared = (offers ?? [])
    .filter((o) => o.contents.some((c) => wanted.has(c.materialId)))
    .map((o) => {
      const supplier = suppliers?.find((x) => x.id === o.supplierId);
      const [first] = o.contents.filter((c) => wanted.has(c.materialId));
      const own = packRate(first!.materialId, o, offers!, suppliers ?? []);
      const unit = materials.find((m) => m.id === first!.materialId)?.unit;
      const count = packs.find((p) => p.offer.id === o.id)?.count ?? 0;
      return {
        key: String(o.id),
        cells: [
          o.name,
          supplier?.name ?? '',
          o.contents.map((c) => holds(c)).join(', '),
          money(o.price),
          supplier && supplier.delivery > 0 ? money(supplier.delivery) : 'none',
          rateWords(own, unit),
          count > 0 ? <b key="n">{count}</b> : '–',
        ],
      };
    });
  return (
    <Stack>
      <Heading
        over={`${light.pattern.name} · ${design.name}`}
        title={rest === 0 ? 'This batch is made' : `What ${rest === 1 ? 'does' : 'do'} ${kits(rest)} cost?`}
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
          {design.made > 0 && <Quiet>{design.made} made</Quiet>}
        </Row>
        <DesignFile href={`/api/designs/${design.id}/donors.pdf?copies=12`}>For donors: 12 kits</DesignFile>
        <ButtonLink to={`/make/${design.id}`}>Make it</ButtonLink>
      </Heading>
      <Three>
        <Panel>
          <h2>Cost to buy per kit</h2>
          <b>
            {rest === 0
              ? money(0)
              : !answer
                ? '…'
                : costs.costToBuy === null
                  ? 'cannot be bought'
                  : money(costs.costToBuy)}
          </b>
          <Quiet>
            {rest === 0
              ? 'nothing is left to make'
              : answer?.total != null
                ? `${money(answer.total)} under “Buy” ÷ ${kits(rest)}: whole packs, with delivery`
                : answer
                  ? 'an offer is missing'
                  : ''}
          </Quiet>
        </Panel>
        <Panel>
          <h2>Materials used per kit</h2>
          <b>{isPriced ? money(costs.materialsUsed) : '…'}</b>
          <Quiet>
            only what goes into it: what is sold at the cheapest pack with delivery, a find at the value this
            place gives it, else nothing
          </Quiet>
          <Working
            of="materials used"
            head={['Material', 'a kit', 'costs']}
            rows={lines.map((l) => ({
              key: String(l.materialId),
              cells: [l.name, amount(l), rate(l.materialId).from === 'saved' ? 'saved' : money(l.minor)],
            }))}
            foot={['A kit', '', money(costs.materialsUsed)]}
          />
        </Panel>
        <Panel>
          <h2>One lost piece</h2>
          <b>{!costs.lostPiece ? '–' : isPriced ? money(costs.lostPiece.minor) : '…'}</b>
          <Quiet>
            {costs.lostPiece
              ? `${costs.lostPiece.name}, ${FROM[costs.lostPiece.from]}`
              : 'nothing is counted'}
            {sum && <>: {sum}</>}
          </Quiet>
        </Panel>
        {loan && isPriced && (
          <Panel>
            <h2>One loan of a kit</h2>
            <b>{money(loan.total)}</b>
            <Quiet>
              what is lost or worn, replaced, in the long run;{' '}
              {loansSeen > 0
                ? `from ${loansSeen} loans of its pieces counted here`
                : 'usual rates, nothing is counted here yet'}
            </Quiet>
            <Working
              of="one loan"
              head={['Material', 'each goes', 'a loan']}
              rows={loan.lines.map((l) => ({
                key: String(l.materialId),
                cells: [
                  l.name,
                  losses(l.losses),
                  rate(l.materialId).from === 'saved' ? 'saved' : money(l.minor),
                ],
              }))}
              foot={['A loan', '', money(loan.total)]}
            />
          </Panel>
        )}
        {work !== null && (
          <Panel>
            <h2>With adult work, per kit</h2>
            <b>{money(costs.materialsUsed + work)}</b>
            <Quiet>
              materials used and {formatMinutes(adult / Math.max(1, rest))} at {money(hourly!)} an hour
            </Quiet>
          </Panel>
        )}
      </Three>
      <SideBySide $left={1.25}>
        <Panel>
          <Stack $gap={8}>
            <h2>What {rest === 1 ? 'it needs' : 'they need'}, less what is free on the shelf</h2>
            <Table
              caption="Bill of materials"
              head={['Material', 'a kit', 'all', 'free', 'short', 'rate']}
              rows={needed.supply.lines.map((l) => {
                const held = heldWords(l);
                const mm = l.need.unit === 'mm' ? ' mm' : '';
                return {
                  key: `${l.need.role} ${l.need.materialId}`,
                  cells: [
                    <span key="n">
                      {l.need.name}
                      {held && (
                        <>
                          <br />
                          <Quiet>{held}</Quiet>
                        </>
                      )}
                    </span>,
                    `${l.need.quantity}${mm}`,
                    `${l.wanted}${mm}`,
                    `${l.free}${mm}`,
                    l.short > 0 ? <b style={{ color: 'var(--stop)' }}>{`${l.short}${mm}`}</b> : '0',
                    rate(l.need.materialId).from === 'saved'
                      ? 'saved'
                      : rateWords(rate(l.need.materialId).minor, l.need.unit),
                  ],
                };
              })}
            />
          </Stack>
        </Panel>
        <Panel>
          <Buy
            buying={bought}
            offers={offers ?? []}
            suppliers={suppliers ?? []}
            materials={materials}
            nothing={rest === 0 ? 'Nothing: this batch is made.' : 'Nothing: the shelf has it all.'}
            instead={`Save more, add an offer in Gather, or make ${kits(needed.supply.kitsNow)}.`}
          />
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
