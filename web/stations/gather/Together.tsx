import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { MaterialRow } from '../../../contract/materials.ts';
import type { ChoiceAnswer, ChoiceRequest } from '../../../core/plan/choice.ts';
import { kits, takes, restOf } from '../../../core/needs/supply.ts';
import { api, words } from '../../data/api.ts';
import type { NeedingDesign } from '../../design/onBench.ts';
import { Choice } from '../../parts/Choice.tsx';
import { Notice, Panel, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';
import { Verdict } from '../../shell/Verdict.tsx';

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
  const [which, setWhich] = useState<'bench' | 'all'>('bench');
  const among = designs.filter((d) => !d.problem && (which === 'all' || d.onBench));
  const choiceAsk: ChoiceRequest | null =
    among.length > 0
      ? {
          aim,
          stock: materials
            .filter((m) => m.kept > 0)
            .map((m) => ({ material: String(m.id), quantity: m.kept })),
          designs: among.map((d) => ({
            id: String(d.id),
            skill: d.design.skill,
            most: which === 'bench' ? restOf(d) : MOST,
            worth: 1,
            needs: [...takes(d.needs)].map(([m, quantity]) => ({ material: String(m), quantity })),
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
  const designOf = (id: string): NeedingDesign | undefined => designs.find((d) => String(d.id) === id);
  const made = choice.data?.copies.filter((c) => c.count > 0) ?? [];
  return (
    <Panel>
      <Stack $gap={10}>
        <Spread>
          <h2>Best use of the whole shelf</h2>
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
              { value: 'bench', label: 'Designs on the bench' },
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
                  kits(choice.data.total),
                  `${choice.data.skills.length} ${choice.data.skills.length === 1 ? 'skill' : 'skills'}`,
                  String(choice.data.total),
                ]}
              />
            )}
          </>
        )}
      </Stack>
    </Panel>
  );
}
