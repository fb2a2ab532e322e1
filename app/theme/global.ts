import { createGlobalStyle } from 'styled-components';
import { fontFaces } from './fonts.ts';
import { darkVariables, families, lightVariables, media, type } from './tokens.ts';

export const GlobalStyle = createGlobalStyle`
  ${fontFaces}
  :root { ${lightVariables} color-scheme: light; }
  @media (prefers-color-scheme: dark) { :root { ${darkVariables} color-scheme: dark; } }
  *, *::before, *::after { box-sizing: border-box; }
  html { background: var(--linen); -webkit-text-size-adjust: 100%; }
  body { margin: 0; font: ${type.body}/1.45 ${families.text}; color: var(--ink); font-variant-numeric: tabular-nums; }
  h1, h2, h3 { font-family: ${families.display}; font-weight: 400; letter-spacing: -0.01em; line-height: 1.15; margin: 0; text-wrap: balance; }
  h1 { font-size: ${type.h1}; } h2 { font-size: ${type.h2}; } h3 { font-size: ${type.h3}; }
  p, ul, ol, dl, dd, figure { margin: 0; padding: 0; } ul, ol { list-style: none; }
  a { color: inherit; text-decoration-color: var(--shelf); text-underline-offset: 0.2em; } a:hover { text-decoration-color: currentcolor; }
  button, input, select, textarea { font: inherit; color: inherit; }
  :focus-visible { outline: 3px solid var(--woad); outline-offset: 2px; border-radius: 4px; }
  fieldset { border: 0; margin: 0; padding: 0; min-width: 0; } legend { padding: 0; }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { animation: none !important; transition: none !important; } }
  ${media.print} { :root { ${lightVariables} --linen: #fff; --paper: #fff; } html { background: #fff; } }
`;
