/** A page that is needed without a network: its document, its data and its files are kept for the service worker to hand out. */
import { useEffect } from 'react';
import { useLocation } from 'react-router';

export function useKept(active: boolean, fresh: number): void {
  const { pathname } = useLocation();
  useEffect(() => {
    if (!import.meta.env.PROD || !active || !('serviceWorker' in navigator)) return;
    const keepIt = async (): Promise<void> => {
      await navigator.serviceWorker.register('/sw.js', { type: 'module' });
      const files = performance
        .getEntriesByType('resource')
        .map((e) => new URL(e.name))
        .filter((u) => u.origin === window.location.origin && u.pathname.startsWith('/assets/'))
        .map((u) => u.pathname);
      const registration = await navigator.serviceWorker.ready;
      registration.active?.postMessage({ keep: pathname, files: [...new Set(files)] });
    };
    void keepIt().catch(() => undefined);
  }, [active, fresh, pathname]);
}
