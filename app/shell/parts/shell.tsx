/** The frame of every page: name, household, the line with its pegs, and the shortcut sheet. */
import type { ReactNode } from 'react';
import { Link, NavLink, useLocation, useNavigation } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import type { ShellView } from '../shell-view.server.ts';
import { ClothPatterns } from '../../ui/fold.tsx';
import { VisuallyHidden } from '../../ui/page.tsx';
import { LearningStrip } from '../../practice/parts/learning-strip.tsx';
import { DayCaller } from './day-caller.tsx';
import { HouseholdMenu } from './household-menu.tsx';
import { ShortcutSheet } from './shortcuts.tsx';

const Frame = styled.div`
  max-width: 1320px;
  margin: 0 auto;
  min-height: 100vh;
  ${media.phone} {
    padding-bottom: 5.2rem;
  }
  ${media.print} {
    padding: 0;
    max-width: none;
  }
`;
const Top = styled.header`
  display: flex;
  align-items: baseline;
  gap: 1rem;
  padding: 0.9rem 1.75rem 0;
  flex-wrap: wrap;
  color: var(--ink-soft);
  > a:first-child {
    font:
      1.25rem 'Young Serif',
      Georgia,
      serif;
    color: var(--ink);
    text-decoration: none;
    letter-spacing: -0.01em;
  }
  .push {
    margin-left: auto;
  }
  .push ~ .push {
    margin-left: 0;
  }
  ${media.phone} {
    padding: 0.8rem 1.1rem 0;
    .day,
    .practise {
      display: none;
    }
    .practise + a {
      margin-left: auto;
    }
  }
  ${media.print} {
    display: none;
  }
`;
const Skip = styled.a`
  position: absolute;
  left: -999px;
  top: 0.5rem;
  z-index: 9;
  background: var(--paper);
  padding: 0.5rem 1rem;
  &:focus {
    left: 1rem;
  }
`;
const Line = styled.nav`
  position: relative;
  height: 3.9rem;
  margin: 0.1rem 1.25rem 0;
  > svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 34px;
    stroke: var(--ink);
    fill: none;
    stroke-width: 1.2;
  }
  ol {
    position: absolute;
    inset: 0;
    display: flex;
    justify-content: space-around;
  }
  li {
    flex: 1;
    display: flex;
    justify-content: center;
  }
  ${media.phone} {
    position: fixed;
    left: 0;
    right: 0;
    bottom: 0;
    margin: 0;
    height: 4.6rem;
    background: var(--paper);
    z-index: 5;
    border-top: 1px solid var(--hairline);
    > svg {
      height: 26px;
    }
  }
  ${media.print} {
    display: none;
  }
`;
const Peg = styled(NavLink)<{ $drop: number }>`
  margin-top: ${(p) => p.$drop}px;
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 0.15rem;
  min-width: 4.2rem;
  min-height: 3.2rem;
  ${media.phone} {
    min-width: 0;
    font-size: 0.82rem;
    text-align: center;
    b {
      display: block;
      margin: 0;
      line-height: 1;
    }
  }
  color: var(--ink-soft);
  text-decoration: none;
  font-size: 0.95rem;
  i {
    width: 5px;
    height: 15px;
    border-radius: 2px;
    background: var(--shelf);
  }
  b {
    margin-left: 0.35rem;
    color: var(--ink);
  }
  &.active {
    color: var(--ink);
    font-weight: 700;
  }
  &.active i {
    background: var(--ink);
    height: 20px;
    width: 6px;
  }
  &:hover i {
    background: var(--structure);
  }
`;
const Main = styled.main`
  padding: 0.4rem 1.75rem 3rem;
  &:focus {
    outline: none;
  }
  ${media.phone} {
    padding: 0.4rem 1.1rem 2rem;
  }
  ${media.print} {
    padding: 0;
  }
`;
const Busy = styled.div`
  position: fixed;
  top: 0;
  left: 0;
  height: 3px;
  width: 100%;
  background: repeating-linear-gradient(90deg, var(--ink) 0 14px, transparent 14px 22px);
  z-index: 10;
  animation: stitch 0.6s linear infinite;
  @keyframes stitch {
    to {
      background-position: 22px 0;
    }
  }
`;

/** How deep the line hangs at each peg. */
const drops = [2, 7, 10, 11, 10, 7, 2];
/** Pages on which no household is at work yet. */
const atTheDoor: ReadonlySet<string> = new Set(['/welcome', '/begin']);
export function Shell({ view: home, children }: { view: ShellView | null; children: ReactNode }) {
  const { pathname } = useLocation();
  const view = atTheDoor.has(pathname) ? null : home;
  const busy = useNavigation().state !== 'idle';
  const onWash = pathname.startsWith('/loads/');
  const onTreat = ['/test', '/soak', '/rescue', '/ask'].some((p) => pathname.startsWith(p));
  return (
    <Frame>
      <ClothPatterns />
      <Skip href="#work">Skip to the work</Skip>
      <Top>
        {busy && <Busy role="progressbar" aria-label="Loading" />}
        <Link to={atTheDoor.has(pathname) ? '/welcome' : '/'}>Neat Fold</Link>
        {view?.household && (
          <>
            <HouseholdMenu view={view} />
            {!pathname.startsWith('/today') && <DayCaller />}
            <Link
              to="/practice"
              className="push practise"
              aria-current={pathname.startsWith('/practice') ? 'page' : undefined}
            >
              Practice
            </Link>
            <Link to="/today" aria-current={pathname.startsWith('/today') ? 'page' : undefined}>
              Today
            </Link>
            <span className="day">{view.day}</span>
            <ShortcutSheet />
          </>
        )}
        {!view?.household && home?.account && (
          <Link to="/account" className="push">
            {home.account}
          </Link>
        )}
      </Top>
      {view?.household && (
        <Line aria-label="Stages of the work">
          <svg viewBox="0 0 1240 34" preserveAspectRatio="none" aria-hidden="true">
            <path d="M0 4 Q 620 30 1240 4" vectorEffect="non-scaling-stroke" />
          </svg>
          <ol>
            {view.stages.map((s, i) => (
              <li key={s.id}>
                <Peg
                  to={s.href}
                  $drop={drops[i] ?? 3}
                  className={({ isActive }) =>
                    isActive || (s.id === 'wash' && onWash) || (s.id === 'treat' && onTreat) ? 'active' : ''
                  }
                >
                  <i />
                  <span>
                    {s.label}
                    {s.count > 0 && (
                      <b>
                        {s.count}
                        <VisuallyHidden> {s.unit}</VisuallyHidden>
                      </b>
                    )}
                  </span>
                </Peg>
              </li>
            ))}
          </ol>
        </Line>
      )}
      {view?.learning && !pathname.startsWith('/practice') && <LearningStrip lesson={view.learning.lesson} />}
      <Main id="work" tabIndex={-1}>
        {children}
      </Main>
    </Frame>
  );
}
