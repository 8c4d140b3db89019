import { styled } from 'styled-components';
import type { Lot } from '../../../contract/lots.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import { SewnButton } from '../../shell/Verdict.tsx';
import { amount } from './words.ts';
import { text } from './text.ts';

const Bag = styled.ul`
  font-size: 14px;
  max-height: 170px;
  overflow: auto;
  scrollbar-width: thin;
  li {
    display: grid;
    grid-template-columns: 20px minmax(0, 1fr) auto;
    gap: 8px;
    align-items: center;
    padding: 5px 0;
    border-top: 1px dashed var(--seam);
  }
  li:first-child {
    border-top: 0;
  }
`;

/** What was looked over today, the latest first, with what became of it. */
export const TodaysBag = ({
  lots,
  materials,
}: {
  lots: readonly Lot[];
  materials: readonly MaterialRow[];
}) => (
  <>
    <h2>{text('todaysBag')}</h2>
    <Bag>
      {lots.slice(0, 40).map((l) => {
        const m = materials.find((x) => x.id === l.materialId);
        const kind = l.state === 'ready' ? 'clear' : l.state === 'never' ? 'stop' : 'care';
        return (
          <li key={l.id}>
            <SewnButton kind={kind} size={20} />
            <span>{m?.name ?? '…'}</span>
            <b>{m ? amount(m, l.came) : l.came}</b>
          </li>
        );
      })}
      {lots.length === 0 && <li style={{ display: 'block' }}>{text('nothingYet')}</li>}
    </Bag>
  </>
);
