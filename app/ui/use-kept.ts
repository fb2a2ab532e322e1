/** A page that is needed without a network: its document, its data and its files are kept for the service worker to hand out. */
import { useEffect, useState } from 'react';
import { useLocation } from 'react-router';

/** Answers false when this browser keeps nothing here: an old one, or one that does not trust the certificate of the line. */
export function useKept(active: boolean, fresh: number): boolean {
  const { pathname } = useLocation();
  const [able, setAble] = useState(true);
  useEffect(() => {
    if (!import.meta.env.PROD || !active) return;
    const keepIt = async (): Promise<void> => {
      if (!('serviceWorker' in navigator)) throw new Error('no service worker');
      await navigator.serviceWorker.register('/sw.js', { type: 'module' });
      const files = performance
        .getEntriesByType('resource')
        .map((e) => new URL(e.name))
        .filter((u) => u.origin === window.location.origin && u.pathname.startsWith('/assets/'))
        .map((u) => u.pathname);
      const registration = await navigator.serviceWorker.ready;
      registration.active?.postMessage({ keep: pathname, files: [...new Set(files)] });
    };
    void keepIt().catch(() => setAble(false));
  }, [active, fresh, pathname]);
  return able;
}
