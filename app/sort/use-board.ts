/** The board's worker, started with the first piece somebody picks up; answers what a move would mean. */
import { useCallback, useEffect, useRef } from 'react';
import type { Consequence } from '@core/board/move.ts';
import type { BoardAnswer, BoardQuestion } from '../../workers/board.worker.ts';

export type Ask = (piece: string, target: string) => Promise<Consequence | null>;
interface Running {
  worker: Worker;
  ready: Promise<void>;
  waiting: Map<number, (c: Consequence | null) => void>;
}

async function open(worker: Worker): Promise<void> {
  const [hamper, plan] = await Promise.all(
    ['/hamper.json?plan', '/plan.json'].map(async (path) => (await fetch(path)).json() as Promise<unknown>),
  );
  worker.postMessage({ kind: 'open', hamper, plan });
}

export function useBoard(planId: string): Ask {
  const running = useRef<Running | null>(null);
  const next = useRef(0);
  useEffect(
    () => () => {
      running.current?.worker.terminate();
      for (const done of running.current?.waiting.values() ?? []) done(null);
      running.current = null;
    },
    [planId],
  );
  return useCallback<Ask>((piece, target) => {
    if (!running.current) {
      const worker = new Worker(new URL('../../workers/board.worker.ts', import.meta.url), { type: 'module' });
      const waiting: Running['waiting'] = new Map();
      worker.addEventListener('message', (event: MessageEvent<BoardAnswer>) => {
        waiting.get(event.data.id)?.(event.data.consequence);
        waiting.delete(event.data.id);
      });
      running.current = { worker, waiting, ready: open(worker) };
    }
    const { worker, waiting, ready } = running.current;
    const id = next.current++;
    return new Promise((resolve) => {
      waiting.set(id, resolve);
      const question: BoardQuestion = { kind: 'move', id, piece, target };
      ready.then(
        () => worker.postMessage(question),
        () => {
          waiting.delete(id);
          resolve(null);
        },
      );
    });
  }, []);
}
