import { amountWords, placeUnit } from '../data/style.ts';
import { memo } from 'react';
import { styled } from 'styled-components';
import { heldWords, type Supply, type SupplyLine } from '../../core/needs/supply.ts';
import { Quiet } from '../parts/Panel.tsx';
import { text } from './text.ts';

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

/** All that the list says of a line. */
const said = (l: SupplyLine): string =>
  [
    l.need.materialId,
    l.need.name,
    l.need.unit,
    l.wanted,
    l.free,
    l.short,
    l.kept,
    heldWords(l, placeUnit()) ?? '',
  ].join('|');

/** A supply is worked out anew with every turn of a dial; what it says seldom changes. */
const sameSupply = ({ supply: a }: { supply: Supply }, { supply: b }: { supply: Supply }): boolean =>
  a === b ||
  (a.copies === b.copies &&
    a.lines.length === b.lines.length &&
    a.lines.every((l, i) => said(l) === said(b.lines[i]!)));

/** What a batch takes of what is free on the shelf, line by line, with who else holds it where that matters. */
export const SupplyList = memo(function SupplyList({ supply }: { supply: Supply }) {
  if (supply.copies === 0) return <Quiet>{text('nothingThisBatchMade')}</Quiet>;
  return (
    <List>
      {supply.lines.map((l) => {
        const { unit } = l.need;
        const held = heldWords(l, placeUnit());
        return (
          <li key={`${l.need.role} ${l.need.materialId}`} data-short={l.short > 0}>
            <span>{l.need.name}</span>
            <b>
              {text('neededFree', { wanted: amountWords(l.wanted, unit), free: amountWords(l.free, unit) })}
            </b>
            {held && <Quiet>{text('kept2', { kept: amountWords(l.kept, unit), held })}</Quiet>}
          </li>
        );
      })}
    </List>
  );
}, sameSupply);
