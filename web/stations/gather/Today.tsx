import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useQueries, useQuery } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { Design, DesignInput } from '../../../contract/designs.ts';
import { asMeasured } from '../../../core/materials/material.ts';
import { formatMoney } from '../../../core/measure/money.ts';
import { freeOf, makeable, perCopy, spokenFor, unlocked } from '../../../core/plan/makeable.ts';
import type { ChoiceAnswer, ChoiceRequest } from '../../../core/plan/choice.ts';
import type { PurchaseAnswer } from '../../../core/price/purchase.ts';
import { api, words } from '../../data/api.ts';
import { purchaseOf } from '../../data/purchase.ts';
import { useChange, useMaterials, useOffers, usePlace, useSuppliers } from '../../data/queries.ts';
import { setOnBench, useNeeds, type NeedingDesign } from '../../design/onBench.ts';
import { Picture } from '../../drawing/Picture.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Heading, Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { workbench } from '../../work/door.ts';
import { amount } from './words.ts';

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
  @media (max-width: 1000px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
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
const Tiles = styled.ul`
  display: grid;
  gap: 8px;
  li {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 10px;
    align-items: center;
    border-top: 1px dashed var(--seam);
    padding-top: 8px;
  }
  li:first-child {
    border-top: 0;
    padding-top: 0;
  }
`;
/** Copies of a design that is not on the bench are of use up to this many. */
const MOST = 12;

/** What the free stock allows: of each design, of all together, of a pattern not begun yet. */
export function Component() {
  const { data: rawMaterials } = useMaterials();
  const { data: place } = usePlace();
  const { data: offers } = useOffers();
  const { data: suppliers } = useSuppliers();
  const designs = useNeeds();
  const [aim, setAim] = useState<'copies' | 'skills'>('copies');
  const [which, setWhich] = useState<'bench' | 'all'>('bench');
  const [problem, setProblem] = useState<string | null>(null);
  const navigate = useNavigate();
  const bench = useChange(({ d, on }: { d: Design; on: boolean }) => setOnBench(d, on));
  const start = useChange((input: DesignInput) => api<Design>('POST', '/designs', input));
  const materials = useMemo(() => rawMaterials?.map((m) => asMeasured(m)), [rawMaterials]);
  const rows = useMemo(() => {
    if (!designs || !materials) return null;
    const kept = new Map(materials.map((m) => [m.id, m.kept]));
    return designs
      .filter((d) => !d.problem)
      .map((d) => {
        const free = freeOf(materials, spokenFor(designs, d.id));
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
          wanted: new Map([...perCopy(r.d.needs)].map(([id, q]) => [id, q * (r.now.copies + 1)])),
          kept: (id) => r.free.get(id) ?? 0,
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
  const among = (designs ?? []).filter((d) => !d.problem && (which === 'all' || d.onBench));
  const choiceAsk: ChoiceRequest | null =
    materials && among.length > 0
      ? {
          aim,
          stock: materials
            .filter((m) => m.kept > 0)
            .map((m) => ({ material: String(m.id), quantity: m.kept })),
          designs: among.map((d) => ({
            id: String(d.id),
            skill: d.design.skill,
            most: which === 'bench' ? d.copies : MOST,
            worth: 1,
            needs: [...perCopy(d.needs)].map(([m, quantity]) => ({ material: String(m), quantity })),
          })),
        }
      : null;
  const choice = useQuery({
    queryKey: ['choice', choiceAsk],
    queryFn: () => api<ChoiceAnswer>('POST', '/compute/choice', choiceAsk),
    enabled: choiceAsk !== null,
    staleTime: Infinity,
    placeholderData: (before) => before,
    retry: false,
  });
  const free = useMemo(
    () => (designs && materials ? [...freeOf(materials, spokenFor(designs))] : null),
    [designs, materials],
  );
  const fresh = useQuery({
    queryKey: ['from stock', free, place?.approach],
    queryFn: () =>
      workbench().fromStock({
        materials: materials!,
        free: free!,
        approach: place!.approach,
        ageFrom: 24,
        most: 4,
      }),
    enabled: free !== null && place !== undefined,
    staleTime: Infinity,
    retry: false,
  });
  if (!materials || !place || !designs || !rows || !offers || !suppliers)
    return <p role="status">Laying everything out …</p>;
  const nameOf = (id: number | string): string =>
    materials.find((m) => m.id === Number(id))?.name ?? `material ${id}`;
  const designOf = (id: string): NeedingDesign | undefined => designs.find((d) => String(d.id) === id);
  const made = choice.data?.copies.filter((c) => c.count > 0) ?? [];
  const can = rows.filter((r) => r.now.copies > 0).length;
  return (
    <Stack>
      <Heading
        over={`${place.name} · from the free stock, after what other designs on the bench speak for`}
        title={
          rows.length === 0
            ? 'What could I make today?'
            : `${can} of ${rows.length} designs can be made today`
        }
      />
      {problem && <Notice tone="stop">{problem}</Notice>}
      {rows.length > 0 && (
        <Panel>
          <Table
            caption="What the stock allows"
            left={[1, 4, 5]}
            head={[
              'Design',
              'on the bench',
              'kits now',
              'if alone',
              'first to run out',
              'one purchase would unlock',
            ]}
            rows={rows.map((r, i) => ({
              key: String(r.d.id),
              cells: [
                <Name key="n">
                  <Link to={`/shape/${r.d.id}`}>{r.d.design.name}</Link>
                  <Quiet>{r.d.design.skill}</Quiet>
                </Name>,
                <Tick key="b">
                  <input
                    type="checkbox"
                    aria-label={`${r.d.design.name} on the bench`}
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
                  ? `${r.now.first.name}, ${amount(
                      materials.find((m) => m.id === r.now.first!.materialId)!,
                      r.now.first.left,
                    )} free`
                  : '–',
                next[i]
                  ? `${next[i].gain} more for ${formatMoney(next[i].total)}: ${packWords(next[i].packs)}`
                  : bought[i]?.error
                    ? words(bought[i].error)
                    : bought[i]?.data
                      ? 'no offer has what is missing'
                      : '…',
              ],
            }))}
          />
        </Panel>
      )}
      <Two>
        <Panel>
          <Stack $gap={10}>
            <Spread>
              <h2>All together, of one shelf</h2>
              {choice.data && !choice.error && <Verdict kind="clear" word="proved best" />}
            </Spread>
            <Row $gap={14}>
              <Choice
                label="Aim"
                value={aim}
                onChange={(v) => setAim(v as 'copies' | 'skills')}
                options={[
                  { value: 'copies', label: 'Most kits' },
                  { value: 'skills', label: 'Most skills first' },
                ]}
              />
              <Choice
                label="Among"
                value={which}
                onChange={(v) => setWhich(v as 'bench' | 'all')}
                options={[
                  { value: 'bench', label: 'The bench, next batches' },
                  { value: 'all', label: `All, up to ${MOST} each` },
                ]}
              />
            </Row>
            {choice.error && <Notice tone="stop">{words(choice.error)}</Notice>}
            {among.length === 0 && <p>No design is on the bench. Tick one above.</p>}
            {choice.data && (
              <>
                {made.length === 0 ? (
                  <p>The stock does not allow a single kit of these.</p>
                ) : (
                  <Table
                    caption="The best choice"
                    left={[1]}
                    head={['Design', 'Skill', 'kits']}
                    rows={made.map((c) => ({
                      key: c.design,
                      cells: [
                        designOf(c.design)?.design.name ?? c.design,
                        designOf(c.design)?.design.skill ?? '',
                        String(c.count),
                      ],
                    }))}
                    foot={[
                      `${choice.data.total} kits`,
                      `${choice.data.skills.length} ${choice.data.skills.length === 1 ? 'skill' : 'skills'}`,
                      String(choice.data.total),
                    ]}
                  />
                )}
              </>
            )}
          </Stack>
        </Panel>
        <Stack>
          {best && (
            <Panel>
              <Stack $gap={6}>
                <Spread>
                  <h2>The purchase that unlocks most</h2>
                  <Verdict kind="clear" word="proved cheapest" />
                </Spread>
                <p>
                  {best.gain} more {best.row.d.design.name}, {best.copies} in all, for{' '}
                  <b>{formatMoney(best.total)}</b> with delivery: {packWords(best.packs)}.
                </p>
              </Stack>
            </Panel>
          )}
          <Panel>
            <Stack $gap={10}>
              <h2>Not begun yet, from what is free</h2>
              {fresh.error && <Notice tone="stop">{words(fresh.error)}</Notice>}
              {!fresh.data && !fresh.error && <p role="status">Trying what goes together …</p>}
              {fresh.data?.length === 0 && (
                <p>
                  Nothing free goes together yet.{' '}
                  <ButtonLink small plain to="/gather/look-over">
                    Look over a find
                  </ButtonLink>
                </p>
              )}
              <Tiles>
                {fresh.data?.map((f) => {
                  const ids = Object.values(f.materials);
                  return (
                    <li key={f.pattern + ids.join()}>
                      <Row $gap={2}>
                        {ids.map((id) => {
                          const m = materials.find((x) => x.id === id);
                          return m ? <Picture key={id} material={m} size={40} /> : null;
                        })}
                      </Row>
                      <span>
                        <b>
                          {f.copies} × {f.name.toLowerCase()}
                        </b>
                        <br />
                        <Quiet>
                          {ids.map(nameOf).join(' + ')}; first to run out: {f.first?.name}
                        </Quiet>
                      </span>
                      <Button
                        small
                        plain
                        isDisabled={start.isPending}
                        onPress={() => {
                          setProblem(null);
                          start.mutate(
                            {
                              name: ids.map(nameOf).reverse().join(' into ').slice(0, 80),
                              pattern: f.pattern,
                              forGroup: place.name,
                              ageFrom: 24,
                              ageTo: 48,
                              skill: 'Pincer and release',
                              copies: 1,
                              dials: f.dials,
                              materials: { ...f.materials },
                            },
                            {
                              onSuccess: (d) => void navigate(`/shape/${d.id}`),
                              onError: (e) => setProblem(words(e)),
                            },
                          );
                        }}
                      >
                        Shape it
                      </Button>
                    </li>
                  );
                })}
              </Tiles>
            </Stack>
          </Panel>
        </Stack>
      </Two>
    </Stack>
  );
}
