/** Keep a page current while it is looked at: every 20 s and when it comes back into view. */
import { useEffect } from 'react';
import { useRevalidator } from 'react-router';

const everyMs = 20_000;

/** Asks first whether server and database are there: without a connection the page stays as it is and its clocks run on. */
export function useRefresh(active: boolean): void {
  const { revalidate, state } = useRevalidator();
  const idle = state === 'idle';
  useEffect(() => {
    if (!active || !idle) return;
    const look = (): void => {
      if (document.visibilityState === 'visible')
        void fetch('/readyz').then(
          (r) => {
            if (r.ok) void revalidate();
          },
          () => undefined,
        );
    };
    const timer = setInterval(look, everyMs);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, [active, idle, revalidate]);
}
