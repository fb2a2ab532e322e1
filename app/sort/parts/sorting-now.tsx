/** A large basket is being sorted: how far it is, and the way out. Looks again by itself; without JavaScript a link does. */
import { useEffect } from 'react';
import { Link, useRevalidator } from 'react-router';
import { styled } from 'styled-components';
import { durationText } from '../../shared/words.ts';
import { Button } from '../../ui/button.tsx';
import { Quiet } from '../../ui/page.tsx';
import { PostForm } from '../../ui/post-form.tsx';

export interface SortingView {
  pieces: number;
  seconds: number;
  share: number;
  phase: 'search' | 'proof';
  cost: number | null;
}

const lookEveryMs = 1_000;
const Box = styled.section`
  max-width: 34rem;
  margin: 12vh auto 0;
  display: grid;
  gap: 1rem;
  progress {
    width: 100%;
    height: 0.9rem;
    accent-color: var(--woad);
  }
`;

export function SortingNow({ sorting: s }: { sorting: SortingView }) {
  const { revalidate, state } = useRevalidator();
  useEffect(() => {
    if (state !== 'idle') return undefined;
    const timer = setTimeout(() => void revalidate(), lookEveryMs);
    return () => clearTimeout(timer);
  }, [revalidate, state, s.seconds, s.share]);
  const percent = Math.round(s.share * 100);
  return (
    <Box aria-labelledby="sorting">
      <h1 id="sorting">Sorting {s.pieces} pieces</h1>
      <progress max={100} value={percent} aria-label="How far the sorting is" />
      <p role="status">
        {s.phase === 'search' ? 'Looking for the best loads' : 'Proving that nothing cheaper exists'}: {percent} %
        {s.cost !== null && ` · best so far ${s.cost.toFixed(2)}`}
      </p>
      <Quiet>
        {s.seconds < 60 ? `${s.seconds} s` : durationText(s.seconds / 60)} so far. You can do something else meanwhile;
        your last plan stays until the new one is there.
      </Quiet>
      <PostForm action="/sort">
        <Button type="submit" name="intent" value="stop" $quiet>
          Stop sorting
        </Button>{' '}
        <Link to="/sort">Look again</Link>
      </PostForm>
    </Box>
  );
}
