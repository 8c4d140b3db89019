import { memo, useMemo, useState } from 'react';
import { styled } from 'styled-components';
import type { MaterialRow } from '../../../contract/materials.ts';
import { handFacts } from '../../../core/child/handFacts.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { factValue } from '../../../core/patterns/factWords.ts';
import { useChildren } from '../../data/queries.ts';
import { FitToChild } from '../../design/FitToChild.tsx';
import { useLight, useWorkings } from '../../design/workings.ts';
import { Button } from '../../parts/Button.tsx';
import { Quiet, Spread, Stack } from '../../parts/Panel.tsx';
import { Verdict } from '../../shell/Verdict.tsx';
import { text } from './text.ts';

const Facts = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
  font-size: 14px;
  li {
    display: flex;
    justify-content: space-between;
    gap: 8px;
    align-items: center;
  }
`;

/** What the design asks of the hand of the child it is fitted to, once the dials rest. */
function Asked({ code, unit }: { code: string; unit: LengthUnit }) {
  const { data: children } = useChildren();
  const child = children?.find((c) => c.code === code);
  const fit = useWorkings((s) => s.heavy.fit);
  const pattern = useLight((l) => l.pattern);
  const at = useLight((l) => l.at);
  const oneHand = useLight((l) => l.show.oneHand);
  const facts = useMemo(() => {
    if (!child || !fit) return [];
    try {
      return handFacts(child.hand, { features: pattern.features(at), moves: pattern.moves(at, fit), fit });
    } catch {
      // The fit is of the dials before: the next one is on its way.
      return [];
    }
  }, [child, fit, pattern, at]);
  if (!child) return <Quiet>{text('notMeasuredAnyMore', { code })}</Quiet>;
  const aside = child.hand.oneHanded || child.hand.side === 'left';
  return (
    <>
      <Facts aria-label={text('whatAsks', { code })}>
        {facts.map((f) => (
          <li key={f.id}>
            <Verdict kind={f.verdict!} word={f.label} />
            <b>{factValue(f, unit)}</b>
          </li>
        ))}
      </Facts>
      {facts.length === 0 && <Quiet>{text('nothingWhatWasMeasured')}</Quiet>}
      {aside && <Quiet>{oneHand}</Quiet>}
      {child.likes && <Quiet>{text('likes', { likes: child.likes })}</Quiet>}
    </>
  );
}

/** The child a design is fitted to, or the way to fit it to one. */
export const HandFit = memo(function HandFit({
  materials,
  unit,
}: {
  materials: readonly MaterialRow[];
  unit: LengthUnit;
}) {
  const [fitting, setFitting] = useState(false);
  const child = useWorkings((s) => s.design!.child ?? null);
  const design = useWorkings((s) => (fitting ? s.design! : null));
  const pattern = useLight((l) => l.pattern);
  return (
    <Stack $gap={8}>
      <Spread>
        <h2>{child ? text('fitted', { child }) : text('oneChild')}</h2>
        <Button small plain onPress={() => setFitting(true)}>
          {child ? text('measureAgain') : text('fitChild')}
        </Button>
      </Spread>
      {child && <Asked code={child} unit={unit} />}
      {design && (
        <FitToChild
          design={design}
          materials={materials}
          pattern={pattern}
          unit={unit}
          onClose={() => setFitting(false)}
        />
      )}
    </Stack>
  );
});
