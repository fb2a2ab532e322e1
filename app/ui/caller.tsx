/** Calls the hands when a turn is due: with words for those who listen to the page, with a sound and a message where somebody asked for it. */
import { useEffect, useRef, useState } from 'react';
import { announce } from './awake.tsx';
import { VisuallyHidden } from './page.tsx';
import { serverClock } from './server-clock.ts';

export interface Call {
  id: string;
  startMs: number;
  title: string;
  who: string;
}
/** A turn that is missed by more than this is not called any more: the page shows it as due. */
const calledWithinMs = 90_000;

export function Caller({ calls, serverNow }: { calls: readonly Call[]; serverNow: number }) {
  const called = useRef(new Set<string>());
  const [said, setSaid] = useState('');
  useEffect(() => {
    const clock = serverClock(serverNow);
    const look = (): void => {
      const now = clock();
      for (const c of calls) {
        const key = `${c.id} ${c.startMs}`;
        // What was due when the page was opened is on the page already.
        if (c.startMs <= serverNow || now < c.startMs || now > c.startMs + calledWithinMs || called.current.has(key))
          continue;
        called.current.add(key);
        const text = `${c.who ? `${c.who}: ` : ''}${c.title}`;
        announce(text);
        setSaid(text);
      }
    };
    const timer = setInterval(look, 1_000);
    return () => clearInterval(timer);
  }, [calls, serverNow]);
  return <VisuallyHidden role="status">{said}</VisuallyHidden>;
}
