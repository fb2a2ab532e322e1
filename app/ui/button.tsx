import { Button as AriaButton, Link as AriaLink } from 'react-aria-components';
import { css, styled } from 'styled-components';
import { media } from '../theme/tokens.ts';

const face = css<{ $quiet?: boolean; $large?: boolean; $danger?: boolean }>`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 0.5rem;
  min-height: ${(p) => (p.$large ? '3.6rem' : '2.75rem')};
  padding: 0.4rem ${(p) => (p.$large ? '1.6rem' : '1.05rem')};
  border-radius: 12px 4px 4px 12px;
  border: 1.5px solid var(--ink);
  cursor: pointer;
  font-weight: 640;
  font-size: ${(p) => (p.$large ? '1.2rem' : '1rem')};
  text-decoration: none;
  line-height: 1.2;
  white-space: nowrap;
  background: ${(p) => (p.$quiet ? 'transparent' : 'var(--ink)')};
  color: ${(p) => (p.$quiet ? 'var(--ink)' : 'var(--on-ink)')};
  ${(p) =>
    p.$danger &&
    css`
      border-color: var(--madder);
      color: var(--madder);
      background: transparent;
    `}
  ${(p) =>
    p.$quiet &&
    css`
      border-color: var(--hairline);
    `}
  &[data-hovered], &:hover {
    box-shadow: inset 0 -3px 0 ${(p) => (p.$quiet || p.$danger ? 'var(--wash)' : 'var(--shelf)')};
  }
  &[data-pressed] {
    transform: translateY(1px);
  }
  &[data-disabled],
  &:disabled {
    opacity: 0.55;
    cursor: default;
  }
  ${media.print} {
    display: none;
  }
`;
export const Button = styled(AriaButton)<{ $quiet?: boolean; $large?: boolean; $danger?: boolean }>`
  ${face}
`;
export const LinkButton = styled(AriaLink)<{ $quiet?: boolean; $large?: boolean; $danger?: boolean }>`
  ${face}
`;
/** A button that reads as a word in the text. */
/** Plain, since lists hold hundreds of them. */
export const TextButton = styled.button`
  background: none;
  border: 0;
  padding: 0.35rem 0.1rem;
  min-height: 2.25rem;
  cursor: pointer;
  color: var(--ink-soft);
  text-decoration: underline;
  text-decoration-color: var(--shelf);
  text-underline-offset: 0.2em;
  &:hover {
    color: var(--ink);
    text-decoration-color: currentcolor;
  }
  ${media.phone} {
    min-height: 2.75rem;
  }
  ${media.print} {
    display: none;
  }
`;
