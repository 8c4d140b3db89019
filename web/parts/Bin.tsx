import { styled } from 'styled-components';

/** A bin to touch, beside a row. */
export const Bin = styled.button`
  width: 44px;
  height: 44px;
  border: 0;
  background: none;
  color: var(--slate);
  cursor: pointer;
  border-radius: 8px;
  &:hover {
    color: var(--stop);
    background: var(--stop-tint);
  }
`;
