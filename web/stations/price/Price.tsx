import { useMemo } from 'react';
import { styled } from 'styled-components';
import type { Offer, Supplier } from '../../../contract/materials.ts';
import { formatMinutes } from '../../../core/measure/minutes.ts';
import { amountOfIt, amountWords, money, rateWords } from '../../data/style.ts';
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
import { priceWords } from '../../../core/price/priceWords.ts';
import type { PurchaseRequest } from '../../../core/price/purchase.ts';
import { purchaseOf } from '../../data/purchase.ts';
import { adultMinutes } from '../../../core/plan/minutes.ts';
import { useKitPages, useLasting, useOffers, useSuppliers } from '../../data/queries.ts';
import { useRates } from '../../data/rates.ts';
import { DesignBench, type AtBench } from '../../design/DesignBench.tsx';
import { DesignFile } from '../../design/DesignFile.tsx';
import { useOpenDesign } from '../../design/store.ts';
import { ButtonLink } from '../../parts/Button.tsx';
import { Stepper } from '../../parts/Field.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { Answer, Heading, Panel, Quiet, Row, SideBySide, Stack } from '../../parts/Panel.tsx';
import { Buy, useBuying } from '../../design/Buy.tsx';
import { Table } from '../../parts/Table.tsx';
import { Missing, type Short } from './Missing.tsx';
import { Working } from './Working.tsx';
import { text } from './text.ts';

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

/** All of the width: what lies under it are tables. */
const Figures = styled(Fold)`
  > summary {
    font-size: 16px;
    font-weight: 600;
  }
  > div {
    max-width: none;
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

const FROM: Record<Rate['from'], string> = {
  bought: text('asBoughtDeliveryIncluded'),
  worth: text('asThisPlaceValues'),
  saved: text('savedCostsNothing'),
};

const losses = (n: number): string =>
  n === 0
    ? 'lasts'
    : n > 0.995
      ? text('everyLoan')
      : text('n1Loan', { what: Math.max(1, Math.round(1 / n)) });

function PriceWork({ at }: { at: AtBench }) {
  const { design, light, needed, materials } = at;
  const change = useOpenDesign((s) => s.change);
  const { data: offers } = useOffers();
  const { data: suppliers } = useSuppliers();
  const { data: lasting } = useLasting();
  const { data: kitsMade } = useKitPages({ design: design.id, limit: 1 });
  const everMade = kitsMade?.pages[0]?.total;
  const rest = needed.supply.copies;
  const request = useMemo(
    () => (offers && suppliers ? requestFor(at, offers, suppliers) : null),
    [at, offers, suppliers],
  );
  const all = useBuying(request);
  // What can be bought is offered, whatever else no pack has.
  const lacking = all.data?.status === 'infeasible' ? all.data.lacking : [];
  const part = useBuying(
    request && lacking.length > 0
      ? { ...request, needs: request.needs.filter((n) => !lacking.includes(n.material)) }
      : null,
  );
  const bought = lacking.length > 0 ? part : all;
  const answer = bought.data;
  const missing = lacking.flatMap((id): Short[] => {
    const material = materials.find((m) => m.id === Number(id));
    const lines = needed.supply.lines.filter((l) => l.need.materialId === Number(id));
    const short = lines.reduce((n, l) => n + l.short, 0);
    return material && short > 0
      ? [{ material, short, wanted: lines.reduce((n, l) => n + l.wanted, 0) }]
      : [];
  });
  const rate = useRates(materials);
  const costs = threeCosts({
    needs: needed.needs,
    rate,
    copies: rest,
    purchaseTotal: lacking.length > 0 ? null : (answer?.total ?? null),
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
    `${source.name}, ${charge > 0 ? text('delivery', { price: money(source.price), charge: money(charge) }) : money(source.price)} ÷ ${source.contents[0]!.quantity}`;
  const amount = (l: CostLine): string =>
    amountWords(l.unit === 'mm' ? Math.round(l.quantity) : Math.round(l.quantity * 100) / 100, l.unit);
  const unlisted = light.unlisted();
  // Adult minutes of the batch as usual, for one kit; counted only where the place wants that.
  const { hourly } = at.place;
  const adult = adultMinutes(light.steps(), Math.max(1, rest), at.own);
  const work = hourly === null ? null : (hourly * adult) / 60 / Math.max(1, rest);
  const nameOf = (id: number | string): string =>
    materials.find((m) => m.id === Number(id))?.name ?? text('material', { id });
  const packs =
    answer?.packs
      .map((p) => ({ count: p.count, offer: offers!.find((o) => String(o.id) === p.offer)! }))
      .filter((p) => p.offer) ?? [];
  const wanted = new Set(needed.needs.map((n) => n.materialId));
  const holds = (c: { materialId: number; quantity: number }): string =>
    `${amountOfIt(c.quantity, materials.find((m) => m.id === c.materialId)?.unit ?? 'each')} ${nameOf(c.materialId)}`;
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
        title={rest === 0 ? text('thisBatchMade') : text('whatCost', { rest, rest2: kits(rest) })}
      >
        <Row>
          <Quiet>{text('kits')}</Quiet>
          <Stepper
            label={text('kits')}
            value={design.copies}
            min={1}
            max={200}
            onChange={(copies) => change({ copies })}
          />
          {design.made > 0 && <Quiet>{text('made', { made: design.made })}</Quiet>}
        </Row>
        <DesignFile href={`/api/designs/${design.id}/donors.pdf?copies=12`}>
          {text('donors12Kits')}
        </DesignFile>
        <ButtonLink to={`/make/${design.id}`}>{text('make')}</ButtonLink>
      </Heading>
      {rest > 0 && answer && (
        <Panel>
          <Stack $gap={12}>
            <Answer role="status">
              {priceWords({
                kits: rest,
                packs: packs.map((p) => ({ name: p.offer.name, count: p.count })),
                total: answer.total === null ? '' : money(answer.total),
                unit: at.place.lengthUnit,
                each: costs.costToBuy === null ? '' : money(costs.costToBuy),
                lacking: missing.map((m) => ({ ...m, name: m.material.name, unit: m.material.unit })),
              })}
            </Answer>
            {missing.map((m) => (
              <Missing key={m.material.id} at={at} short={m} />
            ))}
          </Stack>
        </Panel>
      )}
      <SideBySide $left={1.25}>
        <Panel>
          <Stack $gap={8}>
            <h2>{text('whatLessWhatFree', { rest })}</h2>
            <Table
              caption={text('billMaterials')}
              head={[text('material2'), text('kit'), 'all', 'free', 'short', 'each']}
              rows={needed.supply.lines.map((l) => {
                const held = heldWords(l, at.place.lengthUnit);
                const said = (n: number): string => amountWords(n, l.need.unit);
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
                    l.need.share === undefined
                      ? said(l.need.quantity)
                      : text('partOfOne', { percent: Math.max(0.1, Math.round(1000 * l.need.share) / 10) }),
                    said(l.wanted),
                    said(l.free),
                    l.short > 0 ? <b style={{ color: 'var(--stop)' }}>{said(l.short)}</b> : '0',
                    rate(l.need.materialId).from === 'saved'
                      ? 'saved'
                      : rateWords(rate(l.need.materialId).minor, l.need.unit),
                  ],
                };
              })}
            />
            {unlisted.length > 0 && (
              <Quiet>{text('notInBill', { what: unlisted.join(', ').toLowerCase() })}</Quiet>
            )}
          </Stack>
        </Panel>
        <Panel>
          <Buy
            buying={bought}
            offers={offers ?? []}
            suppliers={suppliers ?? []}
            materials={materials}
            nothing={rest === 0 ? text('nothingThisBatchMade') : text('nothingShelfAll')}
            instead={text('saveMoreAddOffer', { kitsNow: kits(needed.supply.kitsNow) })}
            designId={design.id}
          />
        </Panel>
      </SideBySide>
      <Figures>
        <summary>{text('figuresBehind')}</summary>
        <Stack>
          <Three>
            <Panel>
              <h2>{text('costBuyPerKit')}</h2>
              <b>
                {rest === 0
                  ? money(0)
                  : !answer
                    ? '…'
                    : costs.costToBuy === null
                      ? text('cannotBought')
                      : money(costs.costToBuy)}
              </b>
              <Quiet>
                {rest === 0
                  ? text('nothingLeftMake')
                  : answer?.total != null
                    ? text('underBuyWholePacks', { total: money(answer.total), rest: kits(rest) })
                    : answer
                      ? text('offerMissing')
                      : ''}
              </Quiet>
            </Panel>
            <Panel>
              <h2>{text('materialsUsedPerKit')}</h2>
              <b>{isPriced ? money(costs.materialsUsed) : '…'}</b>
              <Quiet>{text('onlyWhatGoesInto')}</Quiet>
              <Working
                of={text('materialsUsed')}
                head={[text('material2'), text('kit'), 'costs']}
                rows={lines.map((l) => ({
                  key: String(l.materialId),
                  cells: [l.name, amount(l), rate(l.materialId).from === 'saved' ? 'saved' : money(l.minor)],
                }))}
                foot={[text('kit2'), '', money(costs.materialsUsed)]}
              />
            </Panel>
            <Panel>
              <h2>{text('oneLostPiece')}</h2>
              <b>{!costs.lostPiece ? '–' : isPriced ? money(costs.lostPiece.minor) : '…'}</b>
              <Quiet>
                {costs.lostPiece
                  ? `${costs.lostPiece.name}, ${FROM[costs.lostPiece.from]}`
                  : text('nothingCounted')}
                {sum && <>: {sum}</>}
              </Quiet>
            </Panel>
            {loan && isPriced && (
              <Panel>
                <h2>{text('oneLoanKit')}</h2>
                <b>{money(loan.total)}</b>
                <Quiet>
                  {loansSeen === 0
                    ? text('whatLostOrWornReplaced')
                    : everMade === 0
                      ? text('whatLostOrWornNew', { loansSeen })
                      : text('whatLostOrWorn', { loansSeen })}
                </Quiet>
                <Working
                  of={text('loan')}
                  head={[text('material2'), text('eachGoes'), text('loan2')]}
                  rows={loan.lines.map((l) => ({
                    key: String(l.materialId),
                    cells: [
                      l.name,
                      losses(l.losses),
                      rate(l.materialId).from === 'saved' ? 'saved' : money(l.minor),
                    ],
                  }))}
                  foot={[text('loan3'), '', money(loan.total)]}
                />
              </Panel>
            )}
            {work !== null && (
              <Panel>
                <h2>{text('adultWorkPerKit')}</h2>
                <b>{money(costs.materialsUsed + work)}</b>
                <Quiet>
                  {text('materialsUsedHour', {
                    adult: formatMinutes(adult / Math.max(1, rest)),
                    hourly: money(hourly!),
                  })}
                </Quiet>
              </Panel>
            )}
          </Three>
          {compared.length > 0 && (
            <Panel>
              <Stack $gap={8}>
                <h2>{text('packsCompared')}</h2>
                <Table
                  caption={text('packsCompared')}
                  left={[1, 2]}
                  head={[text('pack'), text('from'), text('holds'), 'price', 'delivery', 'each', 'bought']}
                  rows={compared}
                />
              </Stack>
            </Panel>
          )}
        </Stack>
      </Figures>
    </Stack>
  );
}

export const Component = () => <DesignBench station="price">{(at) => <PriceWork at={at} />}</DesignBench>;
