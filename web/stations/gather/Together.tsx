import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { BatchRow } from '../../../contract/batches.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import type { ChoiceAnswer, ChoiceRequest } from '../../../core/plan/choice.ts';
import { kits, uses, restOf } from '../../../core/needs/supply.ts';
import { NO_DAYS } from '../../../core/plan/batch.ts';
import { skillPlain } from '../../../core/patterns/skillWords.ts';
import { api, words } from '../../data/api.ts';
import { chargesOf, packsOf } from '../../data/purchase.ts';
import { useChange, useOffers, useSuppliers } from '../../data/queries.ts';
import { money } from '../../data/style.ts';
import type { NeedingDesign } from '../../design/onBench.ts';
import { Button } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { MoneyField } from '../../parts/TypedField.tsx';
import { Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { text } from './text.ts';

/** Copies of a design that is not on the bench are of use up to this many. */
const MOST = 12;

/** Designs that want the same stock: the choice that makes most kits or covers most skills, with its proof. */
export function Together({
  materials,
  designs,
}: {
  materials: readonly MaterialRow[];
  designs: readonly NeedingDesign[];
}) {
  const [aim, setAim] = useState<'copies' | 'skills'>('copies');
  const [budget, setBudget] = useState<number | null>(null);
  const { data: offers } = useOffers();
  const { data: suppliers } = useSuppliers();
  const go = useNavigate();
  const [which, setWhich] = useState<'bench' | 'all'>('bench');
  const among = designs.filter((d) => !d.problem && (which === 'all' || d.onBench));
  const choiceAsk: ChoiceRequest | null =
    among.length > 0
      ? {
          aim,
          ...(budget === null ? {} : { budget }),
          offers: budget === null ? [] : packsOf(offers ?? []),
          delivery: chargesOf(suppliers ?? []),
          stock: materials
            .filter((m) => m.kept > 0)
            .map((m) => ({ material: String(m.id), quantity: m.kept })),
          designs: among.map((d) => ({
            id: String(d.id),
            skill: d.design.skill,
            most: which === 'bench' ? restOf(d) : MOST,
            worth: 1,
            needs: [...uses(d.needs)].map(([m, quantity]) => ({ material: String(m), quantity })),
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
  const packs = choice.data?.packs ?? [];
  const designOf = (id: string): NeedingDesign | undefined => designs.find((d) => String(d.id) === id);
  const made = choice.data?.copies.filter((c) => c.count > 0) ?? [];
  const plan = useChange(() =>
    api<BatchRow>('POST', '/batches', {
      name: text('bestUseShelf'),
      items: made.map((c) => ({
        designId: Number(c.design),
        bundleId: null,
        copies: Math.min(100, c.count),
      })),
      days: { ...NO_DAYS, makers: [{ name: text('me'), windows: [] }] },
    }),
  );
  return (
    <Panel>
      <Stack $gap={10}>
        <Spread>
          <h2>{text('bestUseWholeShelf')}</h2>
          {choice.data && !choice.error && <Verdict kind="clear" word={text('provedBest')} />}
        </Spread>
        <Row $gap={14}>
          <Choice
            label={text('aim')}
            value={aim}
            onChange={(v) => setAim(v as 'copies' | 'skills')}
            options={[
              { value: 'copies', label: text('mostKits') },
              { value: 'skills', label: text('mostSkillsFirst') },
            ]}
          />
          <Choice
            label={text('among')}
            value={which}
            onChange={(v) => setWhich(v as 'bench' | 'all')}
            options={[
              { value: 'bench', label: text('designsOnBench') },
              { value: 'all', label: text('allUpEach', { MOST }) },
            ]}
          />
        </Row>
        <MoneyField label={text('spendMost')} minor={budget} onChange={setBudget} />
        {choice.error && <Notice tone="stop">{words(choice.error)}</Notice>}
        {among.length === 0 && <p>{text('noDesignOnBench')}</p>}
        {choice.data && (
          <>
            {made.length === 0 ? (
              <p>{text('stockDoesNotAllow')}</p>
            ) : (
              <Table
                caption={text('bestChoice')}
                left={[1]}
                head={[text('design'), text('skill'), 'kits']}
                rows={made.map((c) => ({
                  key: c.design,
                  cells: [
                    designOf(c.design)?.design.name ?? c.design,
                    skillPlain(designOf(c.design)?.design.skill ?? ''),
                    String(c.count),
                  ],
                }))}
                foot={[
                  kits(choice.data.total),
                  `${choice.data.skills.length} ${choice.data.skills.length === 1 ? 'skill' : 'skills'}`,
                  String(choice.data.total),
                ]}
              />
            )}
            {packs.length > 0 && (
              <p>
                {text('buy', {
                  packs: packs
                    .map(
                      (p) => `${p.count} × ${offers?.find((o) => String(o.id) === p.offer)?.name ?? p.offer}`,
                    )
                    .join(', '),
                })}{' '}
                <b>{money(choice.data.spent)}</b> {text('delivery3')}
              </p>
            )}
            {budget !== null && packs.length === 0 && (
              <Quiet>{text('nothingCanBoughtMakes', { budget: money(budget) })}</Quiet>
            )}
            {plan.error && <Notice tone="stop">{words(plan.error)}</Notice>}
            {made.length > 0 && (
              <div>
                <Button
                  small
                  plain
                  isDisabled={plan.isPending || made.length > 20}
                  onPress={() =>
                    plan.mutate(undefined, { onSuccess: (b) => void go(`/make/batches/${b.id}`) })
                  }
                >
                  {text('planTheseAsBatch')}
                </Button>
              </div>
            )}
          </>
        )}
      </Stack>
    </Panel>
  );
}
