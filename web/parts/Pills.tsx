import { styled } from 'styled-components';

/** A few names side by side to touch instead of typing; the one that is chosen is dark. */
export const Pills = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  button {
    min-height: 44px;
    padding: 0 11px;
    border: 1px solid var(--seam-strong);
    border-radius: 22px;
    background: var(--oat);
    font: 600 14px/1 var(--body);
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
    border-color: var(--ink);
  }
`;
