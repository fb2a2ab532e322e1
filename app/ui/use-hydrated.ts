/** Whether the page is alive: false on the server and until the first paint of a script, so that both draw the same. */
import { useSyncExternalStore } from 'react';

const never = () => () => {};
export const useHydrated = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
