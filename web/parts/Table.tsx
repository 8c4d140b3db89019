import { css, styled } from 'styled-components';

const Styled = styled.table<{ $wide: boolean }>`
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
  caption {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
  th,
  td {
    text-align: right;
    padding: 7px 6px;
    border-top: 1px dashed var(--seam);
    vertical-align: middle;
  }
  th:first-child,
  td:first-child {
    text-align: left;
    padding-left: 0;
  }
  ${(p) =>
    p.$wide &&
    css`
      @media (max-width: 700px) {
        min-width: 640px;
      }
      /* What a row is about stays in sight while the rest is moved along. */
      th:first-child,
      td:first-child {
        position: sticky;
        left: 0;
        background: var(--paper);
        padding-right: 8px;
      }
    `}
  tbody th {
    font-weight: 400;
  }
  thead th {
    border-top: 0;
    color: var(--slate);
    font-weight: 600;
    font-size: 13px;
  }
  tfoot td {
    font-weight: 700;
    border-top: 1.5px solid var(--ink);
  }
`;
/** Shadows at the edges show that there is more to the side. */
const Scroll = styled.div`
  overflow-x: auto;
  max-width: 100%;
  background:
    linear-gradient(90deg, var(--paper) 30%, transparent) left / 28px 100% no-repeat local,
    linear-gradient(270deg, var(--paper) 30%, transparent) right / 28px 100% no-repeat local,
    linear-gradient(90deg, rgba(30, 42, 44, 0.22), transparent) left / 12px 100% no-repeat scroll,
    linear-gradient(270deg, rgba(30, 42, 44, 0.22), transparent) right / 12px 100% no-repeat scroll;
`;

export interface TableRow {
  readonly key: string;
  readonly cells: readonly React.ReactNode[];
}

/** The one table: the first column names the row, figures stand to the right. */
export const Table = ({
  caption,
  head,
  rows,
  foot,
  left = [],
}: {
  caption: string;
  head: readonly string[];
  rows: readonly TableRow[];
  foot?: readonly string[];
  left?: readonly number[];
}) => {
  const side = (i: number) => (left.includes(i) ? { textAlign: 'left' as const } : undefined);
  return (
    <Scroll tabIndex={0} role="region" aria-label={caption}>
      <Styled $wide={head.length > 5}>
        <caption>{caption}</caption>
        <thead>
          <tr>
            {head.map((h, i) => (
              <th key={h} scope="col" style={side(i)}>
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.key}>
              {r.cells.map((c, i) =>
                i === 0 ? (
                  <th key={head[i]} scope="row" style={side(i)}>
                    {c}
                  </th>
                ) : (
                  <td key={head[i]} style={side(i)}>
                    {c}
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
        {foot && (
          <tfoot>
            <tr>
              {foot.map((f, i) => (
                <td key={head[i]}>{f}</td>
              ))}
            </tr>
          </tfoot>
        )}
      </Styled>
    </Scroll>
  );
};
