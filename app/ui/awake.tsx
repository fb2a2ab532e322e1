/** Keep the screen awake while wet hands follow it, where the browser allows, and tell when a clock has run out, where the user asked for it. */
import { useEffect, useState, useSyncExternalStore } from 'react';
import { TextButton } from './button.tsx';
import { Quiet } from './page.tsx';

export function Awake() {
  const [awake, setAwake] = useState(false);
  useEffect(() => {
    if (!('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const ask = (): void => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (l) => {
          if (gone) void l.release();
          else {
            lock = l;
            setAwake(true);
          }
        },
        () => setAwake(false),
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
  return (
    <p>
      {awake && <Quiet>The screen stays on. </Quiet>}
      <Bell />
    </p>
  );
}

type BellState = 'unknown' | 'off' | 'on' | 'refused';
const nothingToHear = () => () => undefined;
const unknownBell = (): BellState => 'unknown';
const bellNow = (): BellState =>
  !('Notification' in window) || Notification.permission === 'denied'
    ? 'refused'
    : Notification.permission === 'granted' && localStorage.getItem('bell') === 'on'
      ? 'on'
      : 'off';

/** Sound and message are only asked for when somebody wants them. */
export function Bell({ words = 'Ring when a clock has run out' }: { words?: string }) {
  const known = useSyncExternalStore(nothingToHear, bellNow, unknownBell);
  const [changed, setState] = useState<BellState | null>(null);
  const state = changed ?? known;
  if (state === 'unknown' || state === 'refused') return null;
  if (state === 'on')
    return (
      <TextButton
        type="button"
        onClick={() => {
          localStorage.removeItem('bell');
          setState('off');
        }}
      >
        Clocks ring: be quiet
      </TextButton>
    );
  return (
    <TextButton
      type="button"
      onClick={() => {
        ring(0.2);
        void Notification.requestPermission().then((p) => {
          if (p === 'granted') localStorage.setItem('bell', 'on');
          setState(p === 'granted' ? 'on' : 'refused');
        });
      }}
    >
      {words}
    </TextButton>
  );
}

/** Three short tones. */
export function ring(seconds = 0.9): void {
  const audio = new AudioContext();
  for (let k = 0; k * 0.3 < seconds; k++) {
    const tone = audio.createOscillator();
    const volume = audio.createGain();
    volume.gain.value = 0.15;
    tone.frequency.value = 660 + 110 * (k % 2);
    tone.connect(volume).connect(audio.destination);
    tone.start(audio.currentTime + k * 0.3);
    tone.stop(audio.currentTime + k * 0.3 + 0.18);
  }
  setTimeout(() => void audio.close(), seconds * 1000 + 800);
}
export function announce(text: string): void {
  if (!('Notification' in window) || Notification.permission !== 'granted' || localStorage.getItem('bell') !== 'on')
    return;
  ring();
  new Notification('Neat Fold', { body: text, tag: text });
}
