import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Data, Layout } from 'plotly.js-basic-dist-min';
import { styled } from 'styled-components';
import type { Offer } from '../../../contract/materials.ts';
import type { ShopRefreshed } from '../../../contract/shop.ts';
import { shortDay, amountOfIt } from '../../data/style.ts';
import { money, placeStyle, rateWords } from '../../data/style.ts';
import { placesOf } from '../../../core/measure/money.ts';
import { packRate } from '../../../core/price/costs.ts';
import { api, words } from '../../data/api.ts';
import {
  useChange,
  useMaterials,
  useOffers,
  usePlace,
  usePrices,
  useShop,
  useSuppliers,
} from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { Chart } from '../../parts/Chart.tsx';
import { Heading, Notice, Panel, Quiet, Spread, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';
import { text } from './text.ts';

/** Packs and the shop's list on the left, what a pack has cost beside them; on a phone that comes right under the packs. */
const Two = styled.div`
  display: grid;
  grid-template: 'packs past' auto 'shop past' 1fr / minmax(0, 1.35fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
  .packs {
    grid-area: packs;
  }
  .shop {
    grid-area: shop;
  }
  .past {
    grid-area: past;
    position: sticky;
    top: 0;
  }
  @media (max-width: 1000px) {
    grid-template: 'packs' auto 'past' auto 'shop' auto / minmax(0, 1fr);
    .past {
      position: static;
    }
  }
`;
const Pick = styled.button`
  all: unset;
  cursor: pointer;
  min-height: 36px;
  display: inline-flex;
  align-items: center;
  text-align: left;
  text-decoration: underline;
  &[aria-pressed='true'] {
    font-weight: 700;
    text-decoration: none;
  }
  &:focus-visible {
    outline: 3px solid var(--ink);
    border-radius: 4px;
  }
`;
const Shop = styled.ul`
  font-size: 14px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto 92px;
    gap: 8px;
    align-items: center;
    border-top: 1px dashed var(--seam);
    padding: 5px 0;
    min-height: 46px;
  }
  li:first-child {
    border-top: 0;
  }
`;
const LINES = ['#b0451a', '#1d4a43', '#2c5f8a', '#7d5200', '#a3455f', '#53625f'];

/** What packs cost now and did before; the shop's list, read anew. */
export function Component() {
  const { data: offers } = useOffers();
  const { data: suppliers } = useSuppliers();
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const { data: seen } = usePrices();
  const { data: shop, error } = useShop();
  const [params, setParams] = useSearchParams();
  const [read, setRead] = useState<ShopRefreshed | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const refresh = useChange(() => api<ShopRefreshed>('POST', '/shop/refresh', {}));
  const follow = useChange(
    (key: string) => api<Offer>('POST', '/shop/packs', { key }),
    (o) => text('packFollowed', { pack: o.name }),
  );
  const chosen =
    offers?.find((o) => String(o.id) === params.get('offer')) ??
    offers?.find((o) => o.shopKey) ??
    offers?.[0];
  // Packs that hold the same material are rivals: their history stands in one chart.
  const rivals = useMemo(
    () =>
      chosen && offers
        ? [
            chosen,
            ...offers.filter(
              (o) => o !== chosen && o.contents.some((c) => c.materialId === chosen.contents[0]!.materialId),
            ),
          ].slice(0, 6)
        : [],
    [chosen, offers],
  );
  const chart = useMemo<{ data: Data[]; layout: Partial<Layout> } | null>(() => {
    if (!seen || !chosen || !suppliers) return null;
    const material = chosen.contents[0]!.materialId;
    const share = (o: Offer, price: number): number =>
      packRate(material, { ...o, price }, offers ?? [], suppliers ?? []) /
      10 ** placesOf(placeStyle().currency);
    return {
      data: rivals.map((o, i) => {
        const mine = seen.filter((p) => p.offerId === o.id);
        return {
          type: 'scatter',
          mode: 'lines+markers',
          name: o.name,
          x: mine.map((p) => p.seenOn),
          y: mine.map((p) => share(o, p.price)),
          text: mine.map((p) =>
            p.inStock
              ? text('pack2', { price: money(p.price) })
              : text('packSoldOut', { price: money(p.price) }),
          ),
          hovertemplate: '%{text}<br>%{x}<extra>%{fullData.name}</extra>',
          line: { shape: 'hv', color: LINES[i]!, width: 2.5 },
          marker: {
            symbol: mine.map((p) => (p.inStock ? 'circle' : 'x-thin-open')),
            size: mine.map((p) => (p.inStock ? 7 : 11)),
            color: LINES[i]!,
          },
        };
      }),
      layout: {
        xaxis: { type: 'date', tickformat: '%-d %b' },
        yaxis: { tickformat: '.2f' },
      },
    };
  }, [seen, chosen, rivals, offers, suppliers]);
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!offers || !suppliers || !materials || !place || !shop || !seen)
    return <p role="status">{text('loading')}</p>;
  const tell = (e: unknown): void => setProblem(words(e));
  const before = (o: Offer): number | null => {
    const mine = seen.filter((p) => p.offerId === o.id && p.price !== o.price);
    return mine.at(-1)?.price ?? null;
  };
  const followed = offers.filter((o) => o.shopKey).length;
  const material = chosen ? materials.find((m) => m.id === chosen.contents[0]!.materialId) : null;
  return (
    <Stack>
      <Heading
        over={
          place.simulated
            ? text('packsFollowedSimulatedShop', { place: place.name, offers: offers.length, followed })
            : text('packs2', { place: place.name, offers: offers.length })
        }
        title={text('whatDoPacksCost')}
      >
        {place.simulated && (
          <Button
            isDisabled={refresh.isPending}
            onPress={() => {
              setProblem(null);
              refresh.mutate(undefined, { onSuccess: setRead, onError: tell });
            }}
          >
            {text('readShopsLists')}
          </Button>
        )}
      </Heading>
      {problem && <Notice tone="stop">{problem}</Notice>}
      {read && (
        <Notice tone={read.changed.length > 0 ? 'care' : 'clear'}>
          <strong>
            {read.lists === 0
              ? text('noNewListSince')
              : text('readPacks', { lists: read.lists, followed: read.followed })}
          </strong>{' '}
          {read.changed
            .map(
              (c) =>
                `${c.name}: ${c.before === c.after ? '' : text('to2', { before: money(c.before), after: money(c.after) })}${c.inStock ? (c.wasInStock ? '' : text('backStock')) : text('soldOut')}`,
            )
            .join('; ')}
        </Notice>
      )}
      <Two>
        <div className="packs">
          <Panel>
            <Table
              caption={text('packsTheirPrices')}
              left={[1, 2]}
              head={[text('pack'), text('from2'), text('holds'), 'price', 'before', 'each', 'stock']}
              rows={offers.map((o) => {
                const [first] = o.contents;
                const m = materials.find((x) => x.id === first!.materialId);
                const rate = packRate(first!.materialId, o, offers, suppliers);
                const was = before(o);
                return {
                  key: String(o.id),
                  cells: [
                    <Pick
                      key="p"
                      type="button"
                      aria-pressed={o === chosen}
                      onClick={() => setParams({ offer: String(o.id) }, { replace: true })}
                    >
                      {o.name}
                    </Pick>,
                    suppliers.find((s) => s.id === o.supplierId)?.name ?? '',
                    o.contents
                      .map((c) => {
                        const x = materials.find((y) => y.id === c.materialId);
                        return `${amountOfIt(c.quantity, x?.unit ?? 'each')} ${x?.name ?? ''}`;
                      })
                      .join(', '),
                    money(o.price),
                    was === null ? (
                      '–'
                    ) : (
                      <span key="w" style={{ color: was > o.price ? 'var(--clear)' : 'var(--stop)' }}>
                        {money(was)}
                      </span>
                    ),
                    rateWords(rate, m?.unit),
                    o.inStock ? (
                      'yes'
                    ) : (
                      <b key="s" style={{ color: 'var(--stop)' }}>
                        {text('soldOut2')}
                      </b>
                    ),
                  ],
                };
              })}
            />
          </Panel>
        </div>
        {place.simulated && (
          <div className="shop">
            <Panel>
              <Stack $gap={6}>
                <Spread>
                  <h2>{text('shopsList', { day: shortDay(shop.day) })}</h2>
                  <Quiet>{text('simulatedInventedPrices')}</Quiet>
                </Spread>
                <Shop>
                  {shop.packs.map((p) => (
                    <li key={p.key}>
                      <span>
                        {p.name}
                        <br />
                        <Quiet>{p.supplier}</Quiet>
                      </span>
                      <b style={p.inStock ? {} : { color: 'var(--stop)' }}>
                        {p.inStock ? money(p.price) : text('soldOut2')}
                      </b>
                      {p.offerId ? (
                        <Quiet style={{ textAlign: 'center' }}>{text('followed')}</Quiet>
                      ) : (
                        <Button
                          small
                          plain
                          aria-label={text('follow', { p: p.name })}
                          isDisabled={follow.isPending}
                          onPress={() => {
                            setProblem(null);
                            follow.mutate(p.key, {
                              onError: tell,
                              onSuccess: (o) => setParams({ offer: String(o.id) }, { replace: true }),
                            });
                          }}
                        >
                          {text('follow2')}
                        </Button>
                      )}
                    </li>
                  ))}
                </Shop>
              </Stack>
            </Panel>
          </div>
        )}
        <div className="past">
          {chosen && chart && (
            <Panel>
              <Stack $gap={4}>
                <h2>
                  {material?.name}
                  {material?.unit === 'mm' ? text('whatMmCost') : text('whatCost')}
                </h2>
                <Chart
                  label={rivals
                    .map(
                      (o) =>
                        `${o.name}: ${seen
                          .filter((p) => p.offerId === o.id)
                          .map(
                            (p) =>
                              `${shortDay(p.seenOn)} ${money(p.price)}${p.inStock ? '' : text('soldOut')}`,
                          )
                          .join(', ')}`,
                    )
                    .join('. ')}
                  data={chart.data}
                  layout={chart.layout}
                  height={250}
                />
                <Quiet>{text('crossMarksWeekWhich')}</Quiet>
              </Stack>
            </Panel>
          )}
        </div>
      </Two>
    </Stack>
  );
}
