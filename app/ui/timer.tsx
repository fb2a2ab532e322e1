/** A clock that counts towards the end of a load. The end lies on the server; every device and every reload shows the same. */
import { useEffect, useRef, useState } from 'react';
import { styled } from 'styled-components';
import { type } from '../theme/tokens.ts';
import { announce } from './awake.tsx';
import { Notice } from './notice.tsx';
import { serverClock } from './server-clock.ts';

/** Time in figures to be read from the other side of the room. */
export const Clock = styled.p`
  font-size: ${type.figure};
  font-weight: 740;
  letter-spacing: -0.03em;
  line-height: 1;
  small {
    font-size: 1.1rem;
    font-weight: 600;
    letter-spacing: 0;
    color: var(--ink-soft);
    margin-left: 0.4rem;
  }
`;
const Bar = styled.div`
  height: 10px;
  border: 1.5px solid var(--ink);
  border-radius: 5px 2px 2px 5px;
  overflow: hidden;
  margin-top: 0.6rem;
  i {
    display: block;
    height: 100%;
    background: var(--ink);
  }
`;

export function remaining(ms: number): { text: string; unit: string } {
  const s = Math.max(0, Math.ceil(ms / 1000));
  if (s >= 3600)
    return { text: `${Math.floor(s / 3600)}:${String(Math.floor((s % 3600) / 60)).padStart(2, '0')}`, unit: 'h' };
  return { text: `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`, unit: 'min' };
}

/** `serverNow` anchors the device's clock to the server's, so that a wrong device clock does no harm. */
export function Timer({
  startedAt,
  endsAt,
  serverNow,
  label,
  over: overWords = 'take it out',
  most,
}: {
  startedAt: number;
  endsAt: number;
  serverNow: number;
  label: string;
  over?: string;
  /** The latest moment, and what to say when it has passed. */
  most?: { at: number; words: string };
}) {
  const [now, setNow] = useState(serverNow);
  useEffect(() => {
    const clock = serverClock(serverNow);
    const timer = setInterval(() => setNow(clock()), 500);
    return () => clearInterval(timer);
  }, [serverNow]);
  // A clock that was set back never gives more than the whole time.
  const left = endsAt - Math.max(startedAt, now);
  const over = left <= 0;
  const ranOut = useRef(over);
  useEffect(() => {
    if (over && !ranOut.current) announce(`${label}: ${overWords}.`);
    ranOut.current = over;
  }, [over, label, overWords]);
  const r = remaining(over ? -left : left);
  return (
    <div role="timer" aria-label={label}>
      <Clock>
        {over ? `+${r.text}` : r.text}
        <small>{over ? `${r.unit} over: ${overWords}` : `${r.unit} left`}</small>
      </Clock>
      <Bar aria-hidden="true">
        <i
          style={{ width: `${Math.min(100, (100 * Math.max(0, now - startedAt)) / Math.max(1, endsAt - startedAt))}%` }}
        />
      </Bar>
      {most && now > most.at && <Notice severity="caution">{most.words}</Notice>}
      <span role="status" style={{ position: 'absolute', clipPath: 'inset(50%)' }}>
        {over ? `${label}: finished, ${overWords}.` : ''}
      </span>
    </div>
  );
}
