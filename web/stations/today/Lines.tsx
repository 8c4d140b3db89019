import { styled } from 'styled-components';

/** Things one below the other, each with what does it at its end. */
export const Lines = styled.ul`
  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 4px 12px;
    padding: 6px 0;
    border-top: 1px dashed var(--seam);
    font-size: 14.5px;
    min-height: 44px;
  }
  li > span:first-child {
    flex: 1 1 220px;
  }
`;
