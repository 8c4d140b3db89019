import { styled } from 'styled-components';

/** Words and buttons over the foot of a drawing. */
export const OverMat = styled.div`
  position: absolute;
  left: 14px;
  bottom: 12px;
  right: 14px;
  background: rgba(29, 74, 67, 0.92);
  border-radius: 8px;
  padding: 8px 10px;
  font-size: 14px;
  button {
    min-height: 32px;
    padding: 2px 10px;
    border: 1px solid var(--chalk);
    border-radius: 8px;
    background: none;
    color: var(--chalk);
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: var(--chalk);
    color: var(--ink);
  }
`;
