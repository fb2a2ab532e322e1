/** Headings and groups that pages share. */
import { styled } from 'styled-components';
import { media } from '../theme/tokens.ts';

export const PageHead = styled.div`
  display: flex;
  align-items: flex-end;
  gap: 0.75rem 1.75rem;
  flex-wrap: wrap;
  margin-bottom: 1rem;
  > div:first-child {
    min-width: min(20rem, 100%);
    flex: 1;
  }
  p {
    color: var(--ink-soft);
    margin-top: 0.2rem;
    max-width: 62ch;
  }
  ${media.print} {
    margin-bottom: 0.3rem;
  }
`;
export const Section = styled.section`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.75rem;
  margin-top: 1.75rem;
  align-content: start;
  > h2 {
    padding-bottom: 0.35rem;
    border-bottom: 1px solid var(--hairline);
  }
`;
/** A section of which paper could do nothing: buttons to choose by, checks before a machine starts. */
export const ScreenOnlySection = styled(Section)`
  ${media.print} {
    display: none;
  }
`;
export const Quiet = styled.span`
  color: var(--ink-soft);
  font-size: 0.9rem;
`;
export const Rows = styled.ul`
  display: grid;
  > li {
    border-bottom: 1px dotted var(--hairline);
  }
  > li:last-child {
    border-bottom: 0;
  }
`;
/** Rows of things, each with what can be done to it at its end. */
export const ActionRows = styled(Rows)`
  max-width: 52rem;
  li {
    display: flex;
    gap: 0.5rem 1.2rem;
    align-items: center;
    flex-wrap: wrap;
    padding: 0.5rem 0;
  }
  li > span {
    flex: 1;
    min-width: 13rem;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
`;
export const VisuallyHidden = styled.span`
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
  white-space: nowrap;
`;
