import { useState } from 'react';
import { styled } from 'styled-components';
import { look, type Weight } from './Button.tsx';
import { say, sayProblem } from './messages.ts';
import { text } from './text.ts';

const StyledAnchor = styled.a<{ $plain?: boolean | undefined; $small?: boolean | undefined }>`
  ${look}
`;

const PAPER = /\.pdf(\?|$)/;

/** A file to fetch from the desk. A paper takes a while: it says so while it is made, and when it is there or why not. */
export function FileLink({
  plain = true,
  small,
  onClick,
  children,
  ...rest
}: React.AnchorHTMLAttributes<HTMLAnchorElement> & Weight) {
  const [isMaking, setMaking] = useState(false);
  const make = async (href: string): Promise<void> => {
    setMaking(true);
    try {
      const { fetchPaper } = await import('../data/fetchPaper.ts');
      say(text('paperThere', { name: await fetchPaper(href) }));
    } catch (error) {
      sayProblem(error instanceof Error ? error.message : String(error));
    } finally {
      setMaking(false);
    }
  };
  return (
    <StyledAnchor
      $plain={plain}
      $small={small}
      download
      aria-busy={isMaking}
      {...rest}
      onClick={(e) => {
        onClick?.(e);
        // Opened in another tab it is the browser's.
        if (e.defaultPrevented || e.ctrlKey || e.metaKey || e.shiftKey || !PAPER.test(rest.href ?? ''))
          return;
        e.preventDefault();
        if (!isMaking) void make(rest.href!);
      }}
    >
      {children}
      {isMaking && ' …'}
    </StyledAnchor>
  );
}
