import { styled } from 'styled-components';

/** Something that is opened only now and then: a line to press, and what lies under it. */
export const Fold = styled.details`
  > summary {
    font-size: 14px;
    cursor: pointer;
    min-height: 44px;
    display: flex;
    align-items: center;
    text-decoration: underline;
    text-underline-offset: 2px;
  }
  > div {
    max-width: 520px;
  }
`;
