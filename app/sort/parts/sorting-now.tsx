/** A large basket is being sorted: how far it is, and the way out. Looks again by itself; without JavaScript a link does. */
import { useEffect } from 'react';
import { Link, useRevalidator } from 'react-router';
import { styled } from 'styled-components';
import { durationText, money } from '../../shared/words.ts';
import { Button } from '../../ui/button.tsx';
import { Quiet } from '../../ui/page.tsx';
import { PostForm } from '../../ui/post-form.tsx';
import { media } from '../../theme/tokens.ts';

export interface SortingView {
  pieces: number;
  seconds: number;
  share: number;
  cost: number | null;
  /** No division can cost less; 0 = not known yet. */
  lowerBound: number;
  currency: string;
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

/** Look again by itself. */
function useLookAgain(s: SortingView): void {
  const { revalidate, state } = useRevalidator();
  useEffect(() => {
    if (state !== 'idle') return undefined;
    const timer = setTimeout(() => void revalidate(), lookEveryMs);
    return () => clearTimeout(timer);
  }, [revalidate, state, s.seconds, s.share]);
}
/** How far a plan can be from the best possible one, as a share of its cost. */
const openShare = ({ cost, lowerBound }: SortingView): number | null =>
  cost === null || cost <= 0 || lowerBound <= 0 ? null : Math.max(0, (cost - lowerBound) / cost);
const howFar = (s: SortingView): string => {
  const open = openShare(s);
  return open === null
    ? 'Looking for better loads'
    : `The best so far is at most ${Math.max(1, Math.ceil(open * 100))} % from the best possible`;
};
const Stop = ({ wish, children }: { wish: 'stop' | 'enough'; children: string }) => (
  <PostForm action="/sort">
    <Button type="submit" name="intent" value={wish} $quiet>
      {children}
    </Button>
  </PostForm>
);

export function SortingNow({ sorting: s }: { sorting: SortingView }) {
  useLookAgain(s);
  const percent = Math.round(s.share * 100);
  return (
    <Box aria-labelledby="sorting">
      <h1 id="sorting">Sorting {s.pieces} pieces</h1>
      <progress max={100} value={percent} aria-label="How far the sorting is" />
      <p role="status">
        {howFar(s)}: {percent} %
        {s.cost !== null && ` · best so far ${money(s.cost, s.currency)}, wear and hands counted`}
      </p>
      <Quiet>
        {s.seconds < 60 ? `${s.seconds} s` : durationText(s.seconds / 60)} so far. You can do something else meanwhile;
        your last plan stays until the new one is there.
      </Quiet>
      <Stop wish="stop">Stop sorting</Stop>
      <Link to="/sort">Look again</Link>
    </Box>
  );
}

const Strip = styled.section`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.4rem 1.2rem;
  margin-bottom: 1rem;
  padding: 0.5rem 1rem;
  border-left: 6px solid var(--woad);
  background: var(--paper);
  progress {
    width: 8rem;
    height: 0.7rem;
    accent-color: var(--woad);
  }
  ${media.print} {
    display: none;
  }
`;
/** A first plan is on the board; better ones are looked for. What is begun of it stays as it is. */
export function Improving({ sorting: s }: { sorting: SortingView }) {
  useLookAgain(s);
  const percent = Math.round(s.share * 100);
  return (
    <Strip aria-label="A better plan is looked for">
      <progress max={100} value={percent} aria-label="How far the search is" />
      <p role="status">A first plan is below. {howFar(s)}.</p>
      <Stop wish="enough">Good enough: take it</Stop>
      <Link to="/sort">Look again</Link>
    </Strip>
  );
}
