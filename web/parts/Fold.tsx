import { styled } from 'styled-components';
import { Quiet } from './Panel.tsx';
import { text } from './text.ts';

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

/** How a figure comes about, for whoever asks: methods and intervals stand behind it. */
export const Method = ({ children }: { children: React.ReactNode }) => (
  <Fold>
    <summary>{text('howWorkedOut')}</summary>
    <Quiet>{children}</Quiet>
  </Fold>
);

/** Folded on a phone alone, where the work below has to be reached without scrolling past it; open elsewhere. */
export const PhoneFold = styled.details`
  summary {
    display: none;
  }
  &::details-content {
    content-visibility: visible;
    block-size: auto;
  }
  @media (max-width: 820px) {
    &::details-content {
      content-visibility: hidden;
      block-size: 0;
    }
    &[open]::details-content {
      content-visibility: visible;
      block-size: auto;
    }
    summary {
      display: flex;
      align-items: center;
      min-height: 44px;
      cursor: pointer;
      font-weight: 600;
      text-decoration: underline;
      text-underline-offset: 3px;
    }
  }
`;
