/** Small rulers of a move: where each limit of the load stands now (hollow) and where it would stand (filled). */
import { styled } from 'styled-components';
import type { LimitChange } from '../move-words.ts';

const Marks = styled.span`
  display: flex;
  flex-wrap: wrap;
  gap: 0.15rem 1rem;
  margin-top: 0.2rem;
  font-size: 0.8rem;
  color: var(--ink-soft);
  font-variant-numeric: tabular-nums;
  > span {
    display: inline-grid;
    grid-template-columns: auto 4.2rem auto;
    gap: 0.35rem;
    align-items: center;
    white-space: nowrap;
  }
  i {
    position: relative;
    height: 9px;
    border-bottom: 1.5px solid var(--structure);
  }
  i b {
    position: absolute;
    bottom: -4px;
    width: 7px;
    height: 7px;
    margin-left: -3.5px;
    border-radius: 50%;
    border: 1.5px solid var(--ink-soft);
    background: var(--paper);
  }
  i b.after {
    background: var(--ink);
    border-color: var(--ink);
  }
`;

export function LimitMarks({ limits }: { limits: readonly LimitChange[] }) {
  if (limits.length === 0) return null;
  return (
    <Marks>
      {limits.map((l) => (
        <span key={l.title}>
          {l.title}
          <i aria-hidden="true">
            {l.before !== null && l.before !== l.after && <b style={{ left: `${l.before * 100}%` }} />}
            <b className="after" style={{ left: `${l.after * 100}%` }} />
          </i>
          {l.words}
        </span>
      ))}
    </Marks>
  );
}
