/** Calls the hands when a turn is due: in the page, and with a sound and a message where somebody asked for it. */
import { useEffect, useRef, useState } from 'react';
import { announce, Bell } from '../../ui/awake.tsx';
import { VisuallyHidden } from '../../ui/page.tsx';
import { serverClock } from '../../ui/server-clock.ts';
import type { TurnView } from '../today-view.server.ts';

/** A turn that is missed by more than this is not called any more: the page shows it as due. */
const calledWithinMs = 90_000;

export function Caller({ turns, serverNow }: { turns: TurnView[]; serverNow: number }) {
  const called = useRef(new Set<string>());
  const [said, setSaid] = useState('');
  useEffect(() => {
    const clock = serverClock(serverNow);
    const look = (): void => {
      const now = clock();
      for (const t of turns) {
        const key = `${t.id} ${t.startMs}`;
        // What was due when the page was opened is on the page already.
        if (t.startMs <= serverNow || now < t.startMs || now > t.startMs + calledWithinMs || called.current.has(key))
          continue;
        called.current.add(key);
        const text = `${t.who ? `${t.who}: ` : ''}${t.title}`;
        announce(text);
        setSaid(text);
      }
    };
    const timer = setInterval(look, 1_000);
    return () => clearInterval(timer);
  }, [turns, serverNow]);
  return (
    <div>
      <Bell words="Call me when a turn is due" />
      <VisuallyHidden role="status">{said}</VisuallyHidden>
    </div>
  );
}
