/** The ticket's paper: its edge of cloth, its figures, its lists. */
import { css, styled } from 'styled-components';
import { media, type } from '../../theme/tokens.ts';
import { PostForm } from '../../ui/post-form.tsx';
import { Rows } from '../../ui/page.tsx';

export const Sheet = styled.article`
  max-width: 44rem;
  margin: 0 auto;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 0 0 18px 4px;
  padding: 0 clamp(1rem, 4vw, 2rem) 1.75rem;
  ${media.phone} {
    border: 0;
    background: none;
    padding: 0;
  }
  ${media.print} {
    border: 0;
    padding: 0;
    max-width: none;
  }
`;
export const Edge = styled.div`
  display: flex;
  height: 22px;
  margin: 0 calc(-1 * clamp(1rem, 4vw, 2rem)) 1rem;
  i {
    flex: 1;
    print-color-adjust: exact;
    -webkit-print-color-adjust: exact;
    box-shadow: inset 0 0 0 0.5px var(--cloth-edge);
  }
  ${media.phone} {
    margin: -0.4rem -1.1rem 0.9rem;
  }
  ${media.print} {
    margin: 0 0 0.5rem;
    height: 12px;
  }
`;
export const Programme = styled.p`
  font-size: 1.25rem;
  margin-top: 0.7rem;
  b {
    font-weight: 720;
  }
`;
export const Figures = styled.dl`
  display: grid;
  grid-template-columns: 1fr 1fr;
  margin: 0.9rem 0 0;
  border-top: 1.5px solid var(--ink);
  border-bottom: 1.5px solid var(--ink);
  > div {
    padding: 0.6rem 0 0.5rem;
    min-width: 0;
  }
  > div:nth-child(even) {
    border-left: 1px solid var(--hairline);
    padding-left: 1rem;
  }
  > div:nth-child(n + 3) {
    border-top: 1px solid var(--hairline);
  }
  dd {
    font-size: ${type.figure};
    font-weight: 740;
    letter-spacing: -0.03em;
    line-height: 1;
    white-space: nowrap;
    small {
      font-size: 1.25rem;
      font-weight: 620;
      letter-spacing: 0;
      margin-left: 0.2rem;
      color: var(--ink-soft);
    }
    &.words {
      font-size: 1.9rem;
      letter-spacing: -0.01em;
      line-height: 1.6;
    }
  }
  dt {
    font-size: 0.9rem;
    color: var(--ink-soft);
    line-height: 1.3;
    margin-top: 0.15rem;
  }
  display: grid;
  > div {
    display: flex;
    flex-direction: column-reverse;
    justify-content: flex-end;
  }
`;
export const Ticks = styled.ul`
  margin-top: 0.6rem;
  li {
    border-bottom: 1px dotted var(--hairline);
  }
  button {
    all: unset;
    box-sizing: border-box;
    width: 100%;
    display: grid;
    grid-template-columns: 2rem minmax(0, 1fr) auto;
    gap: 0.9rem;
    align-items: center;
    min-height: 3.5rem;
    cursor: pointer;
    padding: 0.3rem 0;
  }
  button:focus-visible {
    outline: 3px solid var(--woad);
    border-radius: 4px;
  }
  button[aria-pressed='true'] .words {
    color: var(--ink-soft);
    text-decoration: line-through;
    text-decoration-thickness: 1px;
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-size: 0.86rem;
    line-height: 1.3;
  }
  .folds {
    display: flex;
    gap: 3px;
    flex-wrap: wrap;
    justify-content: flex-end;
    max-width: 9rem;
  }
`;
export const Box = styled.span<{ $on: boolean }>`
  width: 1.9rem;
  height: 1.9rem;
  border: 2px solid var(--ink);
  border-radius: 10px 3px 3px 10px;
  display: grid;
  place-items: center;
  background: ${(p) => (p.$on ? 'var(--ink)' : 'transparent')};
  svg {
    stroke: var(--on-ink);
    fill: none;
    stroke-width: 3;
  }
`;
export const Block = styled.section`
  margin-top: 1.4rem;
  display: grid;
  gap: 0.7rem;
  break-inside: avoid;
  h2 {
    font-size: 1.2rem;
  }
`;
export const Steps = styled.ol`
  counter-reset: step;
  display: grid;
  li {
    counter-increment: step;
    display: grid;
    grid-template-columns: 1.6rem 1fr auto;
    gap: 0.5rem;
    padding: 0.45rem 0;
    border-bottom: 1px dotted var(--hairline);
    &::before {
      content: counter(step);
      font-weight: 700;
      color: var(--structure);
    }
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-size: 0.87rem;
  }
  time {
    color: var(--ink-soft);
    font-size: 0.9rem;
    white-space: nowrap;
  }
`;
export const go = css`
  margin-top: 1.5rem;
  display: grid;
  gap: 0.6rem;
  button[type='submit'] {
    width: 100%;
  }
  ${media.phone} {
    &.stick {
      position: sticky;
      bottom: 4.5rem;
      background: var(--linen);
      margin: 1.2rem -1.1rem 0;
      padding: 0.7rem 1.1rem;
      border-top: 1px solid var(--hairline);
      z-index: 2;
    }
  }
  ${media.print} {
    display: none;
  }
`;
export const GoForm = styled(PostForm)`
  ${go}
`;
export const Go = styled.div`
  ${go} grid-auto-flow: column;
  justify-content: start;
`;
export const Look = styled.details`
  summary {
    cursor: pointer;
    min-height: 2.75rem;
    display: flex;
    align-items: center;
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  form {
    display: grid;
    gap: 0.8rem;
    padding-bottom: 0.6rem;
  }
  label:has(> input[type='checkbox']) {
    display: flex;
    gap: 0.6rem;
    align-items: center;
    min-height: 2.75rem;
  }
  input[type='checkbox'] {
    width: 1.5rem;
    height: 1.5rem;
    accent-color: var(--ink);
  }
  @media print {
    display: none;
  }
`;
export const Notes = styled.ul`
  color: var(--ink-soft);
  display: grid;
  gap: 0.35rem;
  li {
    padding-left: 1rem;
    text-indent: -1rem;
    &::before {
      content: '– ';
    }
  }
`;
export const DryRows = styled(Rows)`
  li {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: 0.7rem;
    padding: 0.4rem 0;
    align-items: center;
  }
  small {
    color: var(--ink-soft);
    display: block;
  }
`;

export const Adds = styled.ul`
  li {
    display: grid;
    grid-template-columns: minmax(5.5rem, auto) minmax(0, 1fr);
    gap: 1rem;
    align-items: baseline;
    padding: 0.35rem 0;
    border-bottom: 1px dotted var(--hairline);
  }
  b {
    font-size: 1.25rem;
    white-space: nowrap;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
`;

/** On paper the ticket is drawn anew, for one page. */
export const OnScreen = styled.div`
  ${media.print} {
    display: none;
  }
`;
