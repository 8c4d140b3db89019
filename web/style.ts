import { createGlobalStyle } from 'styled-components';

/** Tokens of the house, as custom properties, and the ground every screen stands on. */
export const GlobalStyle = createGlobalStyle`
  :root {
    --oat: #f7f2e8; --linen: #eee5d3; --paper: #fffdf8; --seam: #dccfb8; --seam-strong: #8d8069;
    --ink: #1e2a2c; --slate: #4a5855; --fox: #b0451a; --fox-deep: #85300f; --fox-tint: #f8e0d2;
    --mat: #1d4a43; --mat-line: #275a51; --mat-line-strong: #34695f; --mat-ink: #eaf4ec; --chalk: #f5d06a;
    --clear: #2c6a3e; --care: #7d5200; --stop: #a3182a;
    --clear-tint: #dfeedd; --care-tint: #fbebc4; --stop-tint: #f8dada;
    --tape: #f2cb57; --tape-shade: #d9ae33; --tape-far: #e9dfc9;
    --display: 'Bricolage Grotesque Variable', system-ui, sans-serif;
    --body: 'Atkinson Hyperlegible Next Variable', system-ui, sans-serif;
  }
  *, *::before, *::after { box-sizing: border-box; }
  html, body, #root { margin: 0; height: 100%; }
  body { background: var(--oat); color: var(--ink); font: 400 15px/1.4 var(--body); font-variant-numeric: tabular-nums; -webkit-font-smoothing: antialiased; }
  h1, h2, h3 { font-family: var(--display); font-weight: 700; margin: 0; letter-spacing: -0.01em; text-wrap: balance; }
  h1 { font-size: 24px; line-height: 1.15; }
  h2 { font-size: 17px; line-height: 1.25; }
  h3 { font-size: 15px; }
  p { margin: 0; }
  a { color: var(--fox-deep); }
  ul, ol { margin: 0; padding: 0; list-style: none; }
  button, input, select, textarea { font: inherit; color: inherit; }
  :focus-visible, [data-focus-visible] { outline: 3px solid var(--ink); outline-offset: 2px; border-radius: 6px; }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { animation: none !important; transition: none !important; } }
`;
