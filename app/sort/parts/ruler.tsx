/** The limits ruler: each piece's permitted range is a thread in its own colour; one mark across all is the chosen value; the binding thread is knotted and named. */
import { styled } from 'styled-components';
import type { RulerView } from '../../wash/load-view.server.ts';
import { Explained } from '../../ui/explained.tsx';
import { VisuallyHidden } from '../../ui/page.tsx';

const Box = styled.figure`
  min-width: 0;
  display: grid;
  align-content: start;
  gap: 0.3rem;
  header {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 0.5rem;
    font-weight: 650;
  }
  header b {
    font-weight: 600;
    color: var(--ink-soft);
  }
  figcaption {
    font-size: 0.87rem;
    line-height: 1.35;
    color: var(--ink-soft);
  }
`;
const Threads = styled.div<{ $rows: number }>`
  position: relative;
  height: ${(p) => Math.max(3, p.$rows) * 7 + 6}px;
  border-bottom: 1px solid var(--ink);
  margin-top: 0.1rem;
`;
const Thread = styled.i<{ $row: number; $binding: boolean }>`
  position: absolute;
  left: 0;
  height: 4px;
  top: ${(p) => p.$row * 7 + 2}px;
  border-radius: 2px;
  box-shadow: 0 0 0 0.75px var(--cloth-edge);
  print-color-adjust: exact;
  -webkit-print-color-adjust: exact;
  ${(p) => p.$binding && `&::after { content: ''; position: absolute; right: -4px; top: -3px; width: 10px; height: 10px; border-radius: 50%; background: var(--paper); border: 3px solid var(--madder); }`}
`;
const Mark = styled.u`
  position: absolute;
  top: -3px;
  bottom: -5px;
  width: 2.5px;
  margin-left: -1px;
  background: var(--ink);
`;
const Ticks = styled.div`
  position: relative;
  height: 1rem;
  font-size: 0.75rem;
  color: var(--ink-soft);
  span {
    position: absolute;
    transform: translateX(-50%);
    white-space: nowrap;
  }
  span:first-child {
    transform: none;
  }
  span:last-child {
    transform: translateX(-100%);
  }
`;

export function Ruler({ ruler: r }: { ruler: RulerView }) {
  return (
    <Box>
      <header>
        <span>{r.title}</span>
        <b>{r.value}</b>
      </header>
      <Threads $rows={r.bars.length} aria-hidden="true">
        {r.bars.map((b, i) => (
          <Thread
            key={b.name}
            $row={i}
            $binding={b.binding}
            style={{ width: `${Math.max(1.5, b.reach * 100)}%`, background: b.hex }}
            title={`${b.name}: ${b.text}`}
          />
        ))}
        {r.chosen >= 0 && <Mark style={{ left: `${r.chosen * 100}%` }} />}
      </Threads>
      <Ticks aria-hidden="true">
        {r.ticks.map((t) => (
          <span key={t.text} style={{ left: `${t.at * 100}%` }}>
            {t.text}
          </span>
        ))}
      </Ticks>
      <VisuallyHidden>
        {r.bars.map((b) => `${b.name} bears ${b.text}${b.binding ? ', the limit' : ''}`).join('; ')}.
      </VisuallyHidden>
      <figcaption>
        <Explained>{r.sentence}</Explained>
      </figcaption>
    </Box>
  );
}
