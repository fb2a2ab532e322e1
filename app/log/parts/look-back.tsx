/** The pages that look back, side by side. */
import { NavLink } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';

const pages = [
  ['/log', 'Log'],
  ['/log/figures', 'Figures'],
  ['/log/learnt', 'Learnt here'],
  ['/sheet', 'Sheet'],
] as const;
const Row = styled.nav`
  display: flex;
  gap: 0 1.3rem;
  flex-wrap: wrap;
  margin-bottom: 0.6rem;
  a {
    min-height: 2.5rem;
    display: inline-flex;
    align-items: center;
    color: var(--ink-soft);
    text-decoration: none;
    border-bottom: 3px solid transparent;
  }
  a.active {
    color: var(--ink);
    font-weight: 680;
    border-bottom-color: var(--ink);
  }
  ${media.print} {
    display: none;
  }
`;
export const LookBack = () => (
  <Row aria-label="Look back">
    {pages.map(([to, words]) => (
      <NavLink key={to} to={to} end>
        {words}
      </NavLink>
    ))}
  </Row>
);
