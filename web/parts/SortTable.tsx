import { useMemo, useState } from 'react';
import {
  Cell,
  Column,
  Row,
  Table,
  TableBody,
  TableHeader,
  type SortDescriptor,
} from 'react-aria-components/Table';
import { TableLayout, Virtualizer } from 'react-aria-components/Virtualizer';
import { styled } from 'styled-components';
import { Button } from './Button.tsx';
import { text } from './text.ts';

const Frame = styled.div`
  border: 1px solid var(--seam);
  border-radius: 10px;
  background: var(--paper);
  overflow: hidden;
  font-size: 14px;
  .table {
    overflow: auto;
    outline: none;
    scroll-padding-top: 40px;
  }
  .head {
    background: var(--linen);
    font: 600 13px/1.2 var(--body);
    color: var(--slate);
  }
  .head [role='columnheader'] {
    padding: 0 8px;
    display: flex;
    align-items: center;
    cursor: pointer;
    height: 38px;
    text-align: left;
  }
  .head [data-focus-visible],
  [role='row'][data-focus-visible] {
    outline: 3px solid var(--ink);
    outline-offset: -3px;
  }
  .row {
    border-top: 1px dashed var(--seam);
    cursor: pointer;
  }
  .row[data-hovered] {
    background: var(--oat);
  }
  .row[data-selected] {
    background: var(--fox-tint);
  }
  .cell {
    padding: 0 8px;
    display: flex;
    align-items: center;
    height: 100%;
    overflow: hidden;
    white-space: nowrap;
    text-overflow: ellipsis;
    outline: none;
  }
  .cell > span {
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .cell[data-focus-visible] {
    outline: 2px solid var(--ink);
    outline-offset: -2px;
  }
`;

const Foot = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  padding: 6px 10px;
  border-top: 1px solid var(--seam);
  background: var(--linen);
`;
/** Rows are walked one by one by a screen reader's table: some hundreds at a time stay quick. */
const PAGE = 300;

export interface SortColumn<T> {
  readonly id: string;
  readonly name: string;
  /** Whether it names its row, for who hears the table; the first does unless another says so. */
  readonly names?: boolean;
  /** Share of the width. */
  readonly wide?: number;
  /** Least width, px. */
  readonly least?: number;
  readonly value: (row: T) => string | number;
  readonly show?: (row: T) => React.ReactNode;
}

/** A long list to sort by any column and walk by keyboard; only what is in sight is drawn. */
export function SortTable<T extends { readonly id: number }>({
  label,
  columns,
  rows,
  open,
  onOpen,
  height = 'max(320px, calc(100dvh - 356px))',
  rowHeight = 44,
  first = 'ascending',
  more,
}: {
  label: string;
  columns: readonly SortColumn<T>[];
  rows: readonly T[];
  open?: number | null;
  onOpen?(id: number): void;
  height?: number | string;
  /** Pixels a row takes. */
  rowHeight?: number;
  /** How the first column is sorted at the start. */
  first?: 'ascending' | 'descending';
  /** Rows that are not here yet: how many there are in all, and how to fetch more of them. */
  more?: { readonly total: number; readonly fetch: () => void; readonly busy: boolean } | undefined;
}) {
  const [sort, setSort] = useState<SortDescriptor>({ column: columns[0]!.id, direction: first });
  const [most, setMost] = useState(PAGE);
  const sorted = useMemo(() => {
    const { value } = columns.find((c) => c.id === sort.column) ?? columns[0]!;
    const way = sort.direction === 'descending' ? -1 : 1;
    const order = new Intl.Collator('en', { numeric: true });
    return [...rows].sort((a, b) => {
      const [x, y] = [value(a), value(b)];
      return (
        way * (typeof x === 'number' && typeof y === 'number' ? x - y : order.compare(String(x), String(y)))
      );
    });
  }, [rows, columns, sort]);
  return (
    <Frame>
      <Virtualizer layout={TableLayout} layoutOptions={{ rowHeight, headingHeight: 38 }}>
        <Table
          aria-label={label}
          className="table"
          style={{ height }}
          sortDescriptor={sort}
          onSortChange={setSort}
          selectionMode={onOpen ? 'single' : 'none'}
          selectionBehavior="replace"
          selectedKeys={open == null ? [] : [open]}
          onRowAction={(key) => onOpen?.(Number(key))}
          onSelectionChange={(keys) => {
            const [first] = keys === 'all' ? [] : [...keys];
            if (first !== undefined && Number(first) !== open) onOpen?.(Number(first));
          }}
        >
          <TableHeader className="head" columns={columns as SortColumn<T>[]}>
            {(c) => (
              <Column
                id={c.id}
                allowsSorting
                isRowHeader={c.names ?? (c === columns[0] && !columns.some((x) => x.names))}
                width={`${c.wide ?? 1}fr`}
                minWidth={c.least ?? 60}
              >
                {({ sortDirection }) => (
                  <>
                    {c.name}
                    <span aria-hidden>
                      {sortDirection === 'ascending' ? ' ▴' : sortDirection === 'descending' ? ' ▾' : ''}
                    </span>
                  </>
                )}
              </Column>
            )}
          </TableHeader>
          <TableBody items={sorted.slice(0, most)}>
            {(row) => (
              <Row
                id={row.id}
                className="row"
                columns={columns as SortColumn<T>[]}
                textValue={String(columns[0]!.value(row))}
              >
                {(c) => (
                  <Cell className="cell">
                    <span>{c.show ? c.show(row) : c.value(row)}</span>
                  </Cell>
                )}
              </Row>
            )}
          </TableBody>
        </Table>
      </Virtualizer>
      {sorted.length > most && (
        <Foot>
          <span>{text('firstAsSorted', { most, sorted: sorted.length })}</span>
          <Button small plain onPress={() => setMost(most + PAGE)}>
            {text('showMore', { PAGE: Math.min(PAGE, sorted.length - most) })}
          </Button>
        </Foot>
      )}
      {more && sorted.length <= most && more.total > rows.length && (
        <Foot>
          <span>{text('of', { rows: rows.length, total: more.total })}</span>
          <Button small plain isDisabled={more.busy} onPress={more.fetch}>
            {text('fetchMore')}
          </Button>
        </Foot>
      )}
    </Frame>
  );
}
