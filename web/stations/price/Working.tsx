import { styled } from 'styled-components';
import { Table, type TableRow } from '../../parts/Table.tsx';
import { text } from './text.ts';

const Fold = styled.details`
  margin-top: 6px;
  summary {
    min-height: 32px;
    display: flex;
    align-items: center;
    cursor: pointer;
    font-size: 13.5px;
    font-weight: 600;
    color: var(--fox-deep);
    text-decoration: underline;
    text-underline-offset: 2px;
  }
`;

/** How a figure came about: folded, since most people only want the figure. */
export function Working({
  of,
  head,
  rows,
  foot,
}: {
  of: string;
  head: readonly string[];
  rows: readonly TableRow[];
  foot: readonly string[];
}) {
  return (
    <Fold>
      <summary>{text('working')}</summary>
      <Table caption={text('working2', { of })} head={head} rows={rows} foot={foot} />
    </Fold>
  );
}
