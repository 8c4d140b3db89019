import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useQueries } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { Design } from '../../../contract/designs.ts';
import { asMeasured } from '../../../core/materials/material.ts';
import { money } from '../../data/style.ts';
import { reservedStock, takes } from '../../../core/needs/supply.ts';
import { freeOf, makeable, unlocked } from '../../../core/plan/makeable.ts';
import type { PurchaseAnswer } from '../../../core/price/purchase.ts';
import { skillPlain } from '../../../core/patterns/skillWords.ts';
import { api, words } from '../../data/api.ts';
import { purchaseOf } from '../../data/purchase.ts';
import { useChange, useMaterials, useOffers, usePlace, useSuppliers } from '../../data/queries.ts';
import { setOnBench, useNeeds } from '../../design/onBench.ts';
import { Button } from '../../parts/Button.tsx';
import { Heading, Notice, Panel, Quiet, SideBySide, Spread, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { NotBegun } from './NotBegun.tsx';
import { Together } from './Together.tsx';
import { amount } from './words.ts';
import { text } from './text.ts';

const Name = styled.div`
  display: grid;
  gap: 1px;
  text-align: left;
  a {
    font-weight: 700;
  }
`;
const Tick = styled.label`
  display: inline-grid;
  place-items: center;
  width: 44px;
  height: 36px;
  cursor: pointer;
  input {
    width: 22px;
    height: 22px;
    accent-color: var(--fox);
  }
`;
/** What the free stock allows: of each design, of all together, of a pattern not begun yet. */
export function Component() {
  const { data: rawMaterials } = useMaterials();
  const { data: place } = usePlace();
  const { data: offers } = useOffers();
  const { data: suppliers } = useSuppliers();
  const designs = useNeeds();
  const [problem, setProblem] = useState<string | null>(null);
  const bench = useChange(({ d, on }: { d: Design; on: boolean }) => setOnBench(d, on));
  const materials = useMemo(() => rawMaterials?.map((m) => asMeasured(m)), [rawMaterials]);
  const rows = useMemo(() => {
    if (!designs || !materials) return null;
    const kept = new Map(materials.map((m) => [m.id, m.kept]));
    return designs
      .filter((d) => !d.problem)
      .map((d) => {
        const free = freeOf(materials, reservedStock(designs, d.id));
        const stock = (id: number): number => free.get(id) ?? 0;
        return {
          d,
          free,
          now: makeable(d.needs, stock),
          alone: makeable(d.needs, (id) => kept.get(id) ?? 0),
        };
      });
  }, [designs, materials]);
  // For each design the cheapest purchase that allows one kit more, proved; whole packs often allow several.
  const asks = (rows ?? []).map((r) =>
    offers && suppliers
      ? purchaseOf({
          wanted: takes(r.d.needs, r.now.copies + 1),
          free: (id) => r.free.get(id) ?? 0,
          offers,
          suppliers,
        })
      : null,
  );
  const bought = useQueries({
    queries: asks.map((ask) => ({
      queryKey: ['purchase', ask],
      queryFn: () => api<PurchaseAnswer>('POST', '/compute/purchase', ask),
      enabled: ask !== null,
      staleTime: Infinity,
      retry: false,
    })),
  });
  const next = (rows ?? []).map((r, i) => {
    const answer = bought[i]?.data;
    if (answer?.status !== 'optimal') return null;
    const packs = answer.packs.flatMap((p) => {
      const offer = offers?.find((o) => String(o.id) === p.offer);
      return offer ? [{ count: p.count, contents: offer.contents, name: offer.name }] : [];
    });
    const stock = (id: number): number => r.free.get(id) ?? 0;
    return { row: r, packs, total: answer.total!, ...unlocked({ needs: r.d.needs, stock, packs }) };
  });
  const best = next.reduce(
    (b, n) => (n && (!b || n.gain > b.gain || (n.gain === b.gain && n.total < b.total)) ? n : b),
    null,
  );
  const packWords = (packs: readonly { count: number; name: string }[]): string =>
    packs.map((p) => `${p.count} × ${p.name}`).join(', ');
  const free = useMemo(
    () => (designs && materials ? [...freeOf(materials, reservedStock(designs))] : null),
    [designs, materials],
  );
  if (!materials || !place || !designs || !rows || !offers || !suppliers)
    return <p role="status">{text('loading')}</p>;
  const can = rows.filter((r) => r.now.copies > 0).length;
  return (
    <Stack>
      <Heading
        over={text('fromFreeStockWhat', { place: place.name })}
        title={
          rows.length === 0
            ? text('whatCouldIMakeToday')
            : text('designsCanMadeToday', { can, rows: rows.length })
        }
      >
        {rows.length > 0 && (
          <Button
            plain
            onPress={() => {
              const there = document.getElementById('new-designs');
              there?.scrollIntoView({ block: 'start' });
              there?.focus({ preventScroll: true });
            }}
          >
            {text('orNewOne')}
          </Button>
        )}
      </Heading>
      {problem && <Notice tone="stop">{problem}</Notice>}
      {rows.length > 0 && (
        <Panel>
          <Table
            caption={text('whatStockAllows')}
            left={[1, 4, 5]}
            head={[
              text('design'),
              text('onBench'),
              text('kitsNow'),
              text('ifAl'),
              text('firstRunOut2'),
              text('purchaseWouldAllow'),
            ]}
            rows={rows.map((r, i) => ({
              key: String(r.d.id),
              cells: [
                <Name key="n">
                  <Link to={`/shape/${r.d.id}`}>{r.d.design.name}</Link>
                  <Quiet>{skillPlain(r.d.design.skill)}</Quiet>
                </Name>,
                <Tick key="b">
                  <input
                    type="checkbox"
                    aria-label={text('onBench2', { design: r.d.design.name })}
                    checked={r.d.onBench !== false}
                    disabled={bench.isPending}
                    onChange={(e) => {
                      setProblem(null);
                      bench.mutate(
                        { d: r.d.design, on: e.currentTarget.checked },
                        { onError: (x) => setProblem(words(x)) },
                      );
                    }}
                  />
                </Tick>,
                <b key="c" style={{ fontSize: 17, color: r.now.copies === 0 ? 'var(--stop)' : undefined }}>
                  {r.now.copies}
                </b>,
                String(r.alone.copies),
                r.now.first
                  ? text('free', {
                      first: r.now.first.name,
                      what: amount(
                        materials.find((m) => m.id === r.now.first!.materialId)!,
                        r.now.first.left,
                      ),
                    })
                  : '–',
                next[i]
                  ? text('more', {
                      gain: next[i].gain,
                      total: money(next[i].total),
                      packs: packWords(next[i].packs),
                    })
                  : bought[i]?.error
                    ? words(bought[i].error)
                    : bought[i]?.data
                      ? text('noOfferWhatMissing')
                      : '…',
              ],
            }))}
          />
        </Panel>
      )}
      {free && <NotBegun materials={materials} free={free} place={place} />}
      <SideBySide>
        <Together materials={materials} designs={designs} />
        {best && (
          <Panel>
            <Stack $gap={6}>
              <Spread>
                <h2>{text('purchaseAllowsMostKits')}</h2>
                <Verdict kind="clear" word={text('provedCheapest')} />
              </Spread>
              <p>
                {text('moreAll', { gain: best.gain, design: best.row.d.design.name, copies: best.copies })}{' '}
                <b>{money(best.total)}</b> {text('delivery4', { packs: packWords(best.packs) })}
              </p>
            </Stack>
          </Panel>
        )}
      </SideBySide>
    </Stack>
  );
}
