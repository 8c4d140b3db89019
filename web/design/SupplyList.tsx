import { styled } from 'styled-components';
import type { Supply } from '../../core/needs/short.ts';
import { spokenFor } from '../../core/plan/makeable.ts';
import { Quiet } from '../parts/Panel.tsx';
import { useNeeds } from './onBench.ts';

const List = styled.ul`
  display: grid;
  gap: 5px;
  font-size: 14px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0 10px;
  }
  b {
    white-space: nowrap;
  }
  li > :nth-child(3) {
    grid-column: 1 / 3;
  }
  li[data-short='true'] {
    color: var(--stop);
  }
`;

/** What a batch takes from the shelf, line by line; said where other designs on the bench want more of it than is over. */
export function SupplyList({ supply, designId }: { supply: Supply; designId: number }) {
  const designs = useNeeds();
  const spoken = designs ? spokenFor(designs, designId) : null;
  return (
    <List>
      {supply.lines.map((l) => {
        const others = spoken?.get(l.need.materialId) ?? 0;
        const unit = l.need.unit === 'mm' ? ' mm' : '';
        return (
          <li key={l.need.role} data-short={l.short > 0}>
            <span>{l.need.name}</span>
            <b>
              {l.wanted} of {l.kept}
              {unit}
            </b>
            {others > 0 && l.wanted + others > l.kept && (
              <Quiet>
                others on the bench want {others}
                {unit}: {Math.max(0, l.kept - others)}
                {unit} free
              </Quiet>
            )}
          </li>
        );
      })}
    </List>
  );
}
