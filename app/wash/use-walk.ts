/**
 * A walk on this device: each action is done here at once, with the rules of core, and sent to the server in its order. Without a network the
 * actions wait; what the server then refuses is told, and the screen shows how things are.
 */
import { useCallback, useEffect, useRef, useState } from 'react';
import { advance, type WalkAction, type WalkPlan, type WalkState } from '@core/run/walk-state.ts';
import { homeField, keyField } from '../forms/names.ts';
import { useFormKey } from '../ui/post-form.tsx';
import { serverClock } from '../ui/server-clock.ts';
import type { WalkReply } from './walk.ts';

interface Waiting {
  key: string;
  seen: number;
  did: WalkAction;
  at: number;
}
interface Kept {
  progress: WalkState;
  waiting: Waiting[];
}
const againMs = 5_000;

function read(place: string): Kept | null {
  try {
    const kept = JSON.parse(localStorage.getItem(place) ?? 'null') as Kept | null;
    return kept && Array.isArray(kept.waiting) && typeof kept.progress.seen === 'number' ? kept : null;
  } catch {
    return null;
  }
}
function keep(place: string, kept: Kept): void {
  try {
    if (kept.waiting.length === 0) localStorage.removeItem(place);
    else localStorage.setItem(place, JSON.stringify(kept));
  } catch {
    // No storage: the queue lives as long as the page.
  }
}

export interface Walk {
  progress: WalkState;
  /** Actions the server does not know of yet. */
  waiting: number;
  message: string | null;
  act: (did: WalkAction) => void;
  now: () => number;
}
export function useWalk(view: {
  id: string;
  plan: WalkPlan;
  progress: WalkState;
  refusals: Readonly<Record<string, string>>;
  serverNow: number;
}): Walk {
  const { id, plan, refusals, serverNow } = view;
  const place = `walk:${id}`;
  const { [homeField]: home } = useFormKey();
  const [progress, setProgress] = useState(view.progress);
  const [waiting, setWaiting] = useState(0);
  const [message, setMessage] = useState<string | null>(null);
  const kept = useRef<Kept>({ progress: view.progress, waiting: [] });
  const sending = useRef(false);
  const clock = useRef<() => number>(() => serverNow);

  const show = useCallback(
    (next: Kept) => {
      kept.current = next;
      keep(place, next);
      setProgress(next.progress);
      setWaiting(next.waiting.length);
    },
    [place],
  );
  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      for (let first = kept.current.waiting[0]; first; first = kept.current.waiting[0]) {
        const { key, seen, did, at } = first;
        const response = await fetch(`/loads/${id}/walk`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/x-www-form-urlencoded' },
          body: new URLSearchParams({
            [homeField]: home,
            [keyField]: key,
            seen: String(seen),
            did,
            at: String(Math.round(at)),
          }),
        });
        if (response.status >= 500 || response.status === 429) return;
        const reply = (await response.json().catch(() => null)) as WalkReply | null;
        const [, ...rest] = kept.current.waiting;
        if (reply?.ok !== false) show({ ...kept.current, waiting: rest });
        else {
          const lost = rest.length;
          const told = (reply.progress as WalkState | null) ?? kept.current.progress;
          show({ progress: told, waiting: [] });
          setMessage(
            `${reply.message ?? 'It was refused.'}${lost > 0 ? ` What was tapped after it (${lost}) was not done.` : ''}`,
          );
        }
      }
    } catch {
      // No network: they wait.
    } finally {
      sending.current = false;
    }
  }, [home, id, show]);

  // What was kept here goes before an older page; a newer state of another device goes before what is shown.
  useEffect(() => {
    clock.current = serverClock(serverNow);
    const here = kept.current.waiting.length > 0 ? kept.current : read(place);
    if (here && here.waiting.length > 0) show(here);
    else if (view.progress.seen > kept.current.progress.seen) show({ progress: view.progress, waiting: [] });
    void flush();
  }, [flush, place, serverNow, show, view.progress]);
  useEffect(() => {
    const again = (): void => void flush();
    window.addEventListener('online', again);
    const timer = setInterval(() => {
      if (kept.current.waiting.length > 0) again();
    }, againMs);
    return () => {
      window.removeEventListener('online', again);
      clearInterval(timer);
    };
  }, [flush]);

  const act = (did: WalkAction): void => {
    const at = clock.current();
    const before = kept.current;
    const next = advance(plan, before.progress, did, at);
    if (!next.ok) {
      const { code, params } = next.reason;
      const minutes = 'minutes' in params ? params.minutes : null;
      setMessage(
        refusals[code] ??
          (minutes === null ? 'Not yet.' : `Its clock has ${minutes} ${minutes === 1 ? 'minute' : 'minutes'} left.`),
      );
      return;
    }
    setMessage(null);
    show({
      progress: next.value,
      waiting: [...before.waiting, { key: crypto.randomUUID(), seen: before.progress.seen, did, at }],
    });
    void flush();
  };
  return { progress, waiting, message, act, now: () => clock.current() };
}
