/** A typed line, the words nobody understood marked in it, with what was understood, assumed and asked. */
import { styled } from 'styled-components';
import { Quiet } from '../../ui/page.tsx';
import type { LineView } from '../line-view.server.ts';

const Box = styled.div`
  display: grid;
  gap: 0.2rem;
  mark {
    background: none;
    color: inherit;
    text-decoration: underline wavy var(--madder) 1.5px;
    text-underline-offset: 0.25em;
  }
  p.line {
    font-weight: 600;
  }
  p {
    max-width: 70ch;
  }
  .problem {
    color: var(--madder);
  }
`;
export function ReadLine({ view, typed = true }: { view: LineView; typed?: boolean }) {
  const lost = view.words.filter((w) => !w.clear).map((w) => w.text);
  return (
    <Box>
      {typed && (
        <p className="line">
          {view.words.map((w, k) => (w.clear ? <span key={k}>{w.text}</span> : <mark key={k}>{w.text}</mark>))}
        </p>
      )}
      {view.understood.length > 0 && <p>{view.understood.join(' · ')}</p>}
      {view.problems.map((p) => (
        <p className="problem" key={p}>
          {p}
        </p>
      ))}
      {lost.length > 0 && (
        <p className="problem">Not understood: {lost.map((w) => `“${w}”`).join(', ')}. It stays in the name only.</p>
      )}
      {view.assumed.length > 0 && <Quiet>Assumed: {view.assumed.join(' ')}</Quiet>}
    </Box>
  );
}
