import { styled } from 'styled-components';
import type { Verdict as Kind } from '../../core/patterns/kernel.ts';
import { text } from './text.ts';

const WORDS: Record<Kind, string> = { clear: text('clear'), care: text('takeCare'), stop: text('stop') };
const THREADS: Record<Kind, React.ReactNode> = {
  clear: <path d="M7.6 8h8.8M7.6 16h8.8" />,
  care: <path d="M8 16L16 8" />,
  stop: <path d="M8 8l8 8M16 8l-8 8" />,
};

/** A sewn button: straight threads, one slanting thread, crossed threads. The thread tells it; colour repeats it. */
export const SewnButton = ({ kind, size = 24 }: { kind: Kind; size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden style={{ flex: 'none' }}>
    <circle cx="12" cy="12" r="11" fill={`var(--${kind})`} />
    <circle cx="12" cy="12" r="9" fill="none" stroke="rgba(255,255,255,.5)" strokeWidth="1" />
    {[8, 16].map((x) =>
      [8, 16].map((y) => <circle key={`${x}${y}`} cx={x} cy={y} r="1.9" fill="rgba(0,0,0,.5)" />),
    )}
    <g stroke="#fff" strokeWidth="1.9" strokeLinecap="round" fill="none">
      {THREADS[kind]}
    </g>
  </svg>
);

/** What a finding is headed by: its rule, and of what it is found, where the rule does not say so already. */
export const titleOf = (f: { readonly title: string; readonly where: string }): string =>
  f.where === '' || f.title.includes(f.where) ? f.title : `${f.title}: ${f.where}`;

const Line = styled.span<{ $kind: Kind }>`
  display: inline-flex;
  align-items: center;
  gap: 7px;
  font: 700 14.5px/1.2 var(--display);
  color: var(--${(p) => p.$kind});
`;

/** A verdict: its button and a word. */
export const Verdict = ({ kind, word, size }: { kind: Kind; word?: string; size?: number }) => (
  <Line $kind={kind}>
    <SewnButton kind={kind} {...(size ? { size } : {})} />
    {word ?? WORDS[kind]}
  </Line>
);
