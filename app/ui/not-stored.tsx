/** Above a form that came back: what is wrong with it. What was typed stands below. Who sent it from the foot of a long page is taken to it. */
import { useEffect, useRef, type ReactNode } from 'react';
import { problemsOf } from '../forms/problems.ts';
import type { FormReply } from '../forms/read.ts';
import { Notice } from './notice.tsx';

/** `children` say what is wrong where the reply's own words do not. */
export function NotStored({ reply, children }: { reply: FormReply | null; children?: ReactNode }) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (reply) box.current?.focus();
  }, [reply]);
  const problem = children ?? problemsOf(reply);
  if (!reply || !problem) return null;
  return (
    <div ref={box} tabIndex={-1} style={{ gridColumn: '1 / -1', scrollMarginTop: '5rem', outline: 'none' }}>
      <Notice severity="caution" title="Not stored yet" live>
        {problem}
      </Notice>
    </div>
  );
}
