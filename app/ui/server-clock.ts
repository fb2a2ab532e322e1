/**
 * The server's time on this device. A page carries the server's clock from when it was made; a page that was kept for want of a network carries
 * an old one, so the difference between the two clocks is remembered with the newest page seen.
 */
interface Seen {
  serverNow: number;
  deviceNow: number;
}
const place = 'clock-seen';

/** What to add to this device's clock, ms. */
export function clockSkew(serverNow: number): number {
  const deviceNow = Date.now();
  try {
    const known = JSON.parse(localStorage.getItem(place) ?? 'null') as Seen | null;
    if (known && Number.isFinite(known.serverNow) && known.serverNow >= serverNow)
      return known.serverNow - known.deviceNow;
    localStorage.setItem(place, JSON.stringify({ serverNow, deviceNow } satisfies Seen));
  } catch {
    // No storage: the page is taken as fresh.
  }
  return serverNow - deviceNow;
}

/** The server's time from now on. It never runs back, whatever happens to the clock of the device while the page is open. */
export function serverClock(serverNow: number): () => number {
  const skew = clockSkew(serverNow);
  const began = Date.now() + skew;
  const from = performance.now();
  return () => Math.max(began + performance.now() - from, Date.now() + skew);
}
