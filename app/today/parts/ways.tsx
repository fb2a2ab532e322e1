/** Other orders of the same work, with what they would mean; worked out once the page stands. */
import { useEffect } from 'react';
import { useFetcher } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import { Quiet, Section } from '../../ui/page.tsx';
import { PostForm } from '../../ui/post-form.tsx';
import type { WayView } from '../ways.server.ts';

const List = styled.ul`
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  border: 1px solid var(--hairline);
  border-radius: 14px 4px 14px 4px;
  overflow: hidden;
  li + li {
    border-left: 1px solid var(--hairline);
  }
  button {
    width: 100%;
    height: 100%;
    text-align: left;
    background: none;
    border: 0;
    padding: 0.75rem 0.9rem;
    cursor: pointer;
    color: var(--ink);
    display: grid;
    gap: 0.25rem;
    align-content: start;
  }
  button[aria-pressed='true'] {
    background: var(--wash);
  }
  button:hover b {
    text-decoration: underline;
  }
  form {
    height: 100%;
  }
  ${media.tablet} {
    grid-template-columns: minmax(0, 1fr);
    li + li {
      border-left: 0;
      border-top: 1px solid var(--hairline);
    }
  }
  ${media.print} {
    display: none;
  }
`;

export function Ways({ aim, kept, stamp }: { aim: string; kept: boolean; stamp: number }) {
  const { load, data } = useFetcher<WayView[]>();
  useEffect(() => {
    void load('/today/ways');
  }, [load, stamp]);
  return (
    <Section>
      <h2>Other ways to order it</h2>
      {!data && <Quiet role="status">Working them out…</Quiet>}
      {data && (
        <List>
          {data.map((w) => (
            <li key={w.aim}>
              <PostForm preventScrollReset>
                <input type="hidden" name="intent" value="keep" />
                <input type="hidden" name="aim" value={w.aim} />
                <button type="submit" aria-pressed={kept && w.aim === aim}>
                  <b>{w.name}</b>
                  <span>{w.ends}</span>
                  <Quiet>{w.figures}</Quiet>
                </button>
              </PostForm>
            </li>
          ))}
        </List>
      )}
      <Quiet>
        {kept
          ? 'The day is kept as chosen: what goes otherwise is told here, and the rest is planned anew from then.'
          : 'Choose one to keep it: from then on this page tells what moves when something goes otherwise.'}
      </Quiet>
    </Section>
  );
}
