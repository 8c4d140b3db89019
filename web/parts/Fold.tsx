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
