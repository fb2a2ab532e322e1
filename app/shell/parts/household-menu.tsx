/** The household in the header: its settings, its clothes, and the way to the others. Works without JavaScript. */
import { useEffect, useRef } from 'react';
import { Link, useLocation } from 'react-router';
import { styled } from 'styled-components';
import { PostForm } from '../../ui/post-form.tsx';
import type { ShellView } from '../shell-view.server.ts';

const Menu = styled.details`
  position: relative;
  summary {
    cursor: pointer;
    list-style: none;
    min-height: 2rem;
    display: flex;
    align-items: baseline;
    gap: 0.35rem;
    text-decoration: underline;
    text-decoration-color: var(--shelf);
    text-underline-offset: 0.2em;
  }
  summary::-webkit-details-marker {
    display: none;
  }
  summary::after {
    content: '▾';
    font-size: 0.8em;
  }
  > div {
    position: absolute;
    z-index: 8;
    top: 100%;
    left: 0;
    min-width: 15rem;
    display: grid;
    background: var(--paper);
    border: 1.5px solid var(--ink);
    border-radius: 12px 4px 4px 12px;
    padding: 0.4rem;
  }
  a,
  button {
    display: flex;
    align-items: center;
    min-height: 2.75rem;
    width: 100%;
    padding: 0.3rem 0.8rem;
    background: none;
    border: 0;
    font: inherit;
    color: var(--ink);
    text-align: left;
    text-decoration: none;
    cursor: pointer;
  }
  a:hover,
  button:hover {
    background: var(--wash);
  }
  hr {
    border: 0;
    border-top: 1px solid var(--hairline);
    margin: 0.3rem 0;
  }
`;

export function HouseholdMenu({ view }: { view: ShellView }) {
  const ref = useRef<HTMLDetailsElement>(null);
  const { key } = useLocation();
  useEffect(() => {
    if (ref.current) ref.current.open = false;
  }, [key]);
  const close = (event: { key: string }): void => {
    if (event.key !== 'Escape' || !ref.current?.open) return;
    ref.current.open = false;
    ref.current.querySelector('summary')?.focus();
  };
  return (
    <Menu ref={ref} onKeyDown={close}>
      <summary>{view.household}</summary>
      <div>
        {!view.looksOnly && (
          <>
            <Link to="/wardrobe">Wardrobe</Link>
            <Link to="/practice">Practice</Link>
            <Link to="/household">Machines, water, rules</Link>
            <Link to="/transfer">Bring in and take out</Link>
          </>
        )}
        {view.account !== null && !view.looksOnly && <Link to="/household/people">People</Link>}
        {view.account !== null && <Link to="/account">{view.account}: account</Link>}
        {view.founds && <hr />}
        {view.households
          .filter((h) => !h.here)
          .map((h) => (
            <PostForm key={h.id} action="/households">
              <input type="hidden" name="household" value={h.id} />
              <button type="submit" name="intent" value="switch">
                Go to {h.name}
              </button>
            </PostForm>
          ))}
        {view.founds && (
          <>
            <Link to="/begin">Set up another household</Link>
            <Link to="/households">All households</Link>
          </>
        )}
      </div>
    </Menu>
  );
}
