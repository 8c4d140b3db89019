import { styled } from 'styled-components';

export const Panel = styled.section`
  background: var(--paper);
  border: 1px solid var(--seam);
  border-radius: 10px;
  padding: 14px;
  min-width: 0;
`;
export const Quiet = styled.span`
  color: var(--slate);
  font-size: 13px;
`;
export const Row = styled.div<{ $gap?: number }>`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: ${(p) => p.$gap ?? 8}px;
`;
export const Spread = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  flex-wrap: wrap;
  gap: 8px 12px;
`;
export const Stack = styled.div<{ $gap?: number }>`
  display: grid;
  align-content: start;
  gap: ${(p) => p.$gap ?? 12}px;
  min-width: 0;
`;
export const Seam = styled.hr`
  border: 0;
  border-top: 1px dashed var(--seam);
  margin: 2px 0;
  width: 100%;
`;

/** A warning in the place where it matters, told to a screen reader too. */
const Box = styled.div<{ $tone: 'stop' | 'care' | 'clear' }>`
  background: var(--${(p) => p.$tone}-tint);
  color: var(--ink);
  border-radius: 9px;
  padding: 10px 12px;
  font-size: 14px;
  strong {
    color: var(--${(p) => p.$tone});
    font-family: var(--display);
  }
`;
export const Notice = ({
  tone,
  children,
}: {
  tone: 'stop' | 'care' | 'clear';
  children: React.ReactNode;
}) => (
  <Box $tone={tone} role={tone === 'stop' ? 'alert' : 'status'}>
    {children}
  </Box>
);

/** What a station answers, before any figure. */
export const Answer = styled.p`
  display: flex;
  align-items: center;
  gap: 10px;
  font: 700 20px/1.35 var(--display);
`;

/** Station heading: a quiet line, the question in plain words, and what to do. */
const Head = styled.header`
  display: flex;
  align-items: flex-end;
  justify-content: space-between;
  gap: 8px 16px;
  flex-wrap: wrap;
  min-height: 48px;
  small {
    color: var(--slate);
    font-size: 13px;
    display: block;
  }
`;
export const Heading = ({
  over,
  title,
  children,
}: {
  over: string;
  title: string;
  children?: React.ReactNode;
}) => (
  <Head>
    <div>
      <small>{over}</small>
      <h1>{title}</h1>
    </div>
    {children && <Row>{children}</Row>}
  </Head>
);

/** Two parts side by side, the left `$left` times as wide as the right; one above the other where it is narrow. */
export const SideBySide = styled.div<{ $left?: number }>`
  display: grid;
  grid-template-columns: minmax(0, ${(p) => p.$left ?? 1}fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
  @media (max-width: 1000px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
