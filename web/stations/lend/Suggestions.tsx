import { styled } from 'styled-components';
import { useSuggestedBundles } from '../../data/queries.ts';
import { Quiet, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

const Pick = styled.button`
  text-align: left;
  border: 1px solid var(--seam-strong);
  border-radius: 10px;
  background: var(--linen);
  padding: 9px 12px;
  min-height: 44px;
  font: inherit;
  font-size: 14px;
  line-height: 1.35;
  color: var(--ink);
  cursor: pointer;
  b,
  span {
    display: block;
  }
  span {
    color: var(--slate);
    font-size: 13px;
  }
`;

/** Bags for a waiting room: quiet designs of one age that share their pieces; one touch picks them. */
export function Suggestions({ onPick }: { onPick(ids: readonly number[]): void }) {
  const { data: sets } = useSuggestedBundles();
  if (!sets || sets.length === 0) return null;
  return (
    <Stack $gap={6}>
      <Quiet>{text('quietSShareTheir')}</Quiet>
      {sets.map((s) => (
        <Pick
          key={s.designs.map((d) => d.id).join()}
          type="button"
          onClick={() => onPick(s.designs.map((d) => d.id))}
        >
          <b>{s.designs.map((d) => d.name).join(' · ')}</b>
          <span>
            {text('shareFewerThanApart', {
              shared: s.shared.map((p) => `${p.due} × ${p.name}`).join(', '),
              saved: s.saved,
            })}
          </span>
        </Pick>
      ))}
    </Stack>
  );
}
