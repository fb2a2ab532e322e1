/** The day calls on every page, where somebody asked to be called: once a minute it looks what is next. */
import { useEffect, useState } from 'react';
import { Caller, type Call } from '../../ui/caller.tsx';

interface Ahead {
  serverNow: number;
  calls: Call[];
}
const everyMs = 60_000;
const wanted = (): boolean =>
  'Notification' in window && Notification.permission === 'granted' && localStorage.getItem('bell') === 'on';

export function DayCaller() {
  const [ahead, setAhead] = useState<Ahead | null>(null);
  useEffect(() => {
    const look = (): void => {
      if (wanted())
        void fetch('/today/next')
          .then((r) => (r.ok ? (r.json() as Promise<Ahead>) : null))
          .then(
            (next) => {
              if (next) setAhead(next);
            },
            () => undefined,
          );
    };
    look();
    const timer = setInterval(look, everyMs);
    return () => clearInterval(timer);
  }, []);
  return ahead && <Caller calls={ahead.calls} serverNow={ahead.serverNow} />;
}
