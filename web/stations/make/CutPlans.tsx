import { useMemo } from 'react';
import { cutPlans, LEAST_OFFCUT, type CutPlan } from '../../../core/cut/cutPlan.ts';
import { formatLength, type LengthUnit } from '../../../core/measure/length.ts';
import { kits } from '../../../core/needs/supply.ts';
import type { Need } from '../../../core/patterns/index.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import { Marks } from '../../drawing/Marks.tsx';
import { Mat } from '../../drawing/Mat.tsx';
import { Quiet, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** What the plan comes to, in words: how many, whether fewer could do, what is left. */
function planWords(p: CutPlan, count: number, unit: LengthUnit): string {
  const proved =
    p.units === p.bound ? text('noPlanTakesFewer') : text('whatPartsMeasureWould', { bound: p.bound });
  const left = p.offcuts.map((o) => `${o.count} × ${formatLength(o.length, unit)}`).join(', ');
  return [
    p.kitsShown < count ? text('drawnRestRepeat', { kitsShown: kits(p.kitsShown) }) : '',
    proved,
    p.isTrimmed ? text('everyCutGoesFrom') : '',
    left ? text('whatLeftFromOn', { LEAST_OFFCUT: formatLength(LEAST_OFFCUT, unit), left }) : '',
  ]
    .filter(Boolean)
    .join(' ');
}

/** How a batch is cut out of its tubes, sheets and boxes, drawn to scale. */
export function CutPlans({
  needs,
  count,
  materials,
  unit,
}: {
  needs: readonly Need[];
  count: number;
  materials: readonly MaterialRow[];
  unit: LengthUnit;
}) {
  const plans = useMemo(
    () => cutPlans(needs, count, (id) => materials.find((m) => m.id === id)?.colour ?? '#d8c7a3'),
    [needs, count, materials],
  );
  return <PlanList plans={plans} count={count} unit={unit} />;
}

/** Cut plans one below the other. */
export function PlanList({
  plans,
  count,
  unit,
}: {
  plans: readonly CutPlan[];
  count: number;
  unit: LengthUnit;
}) {
  if (plans.length === 0) return null;
  return (
    <Stack $gap={12} style={{ padding: '10px 0 14px' }}>
      <h2>{text('whatCutFromWhat')}</h2>
      {plans.map((p) => (
        <section key={p.materialId} aria-label={text('cutPlan', { p: p.name })}>
          <h3>
            {p.units} × {p.name}
          </h3>
          <Quiet>{planWords(p, count, unit)}</Quiet>
          <div style={{ height: 280, marginTop: 8 }}>
            <Mat
              width={p.scene.width}
              height={p.scene.height}
              unit={unit}
              label={text('howCutScale', { p: p.name, kitsShown: kits(p.kitsShown) })}
            >
              {({ px }) => <Marks marks={p.scene.marks} px={px} unit={unit} />}
            </Mat>
          </div>
        </section>
      ))}
    </Stack>
  );
}
