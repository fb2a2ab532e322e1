/** A machine that stopped, or was opened: what to do first, before anybody decides how the load goes on. */
import { say, type Message } from '../message/message.ts';
import { mustyHoursIn } from '../drying/moisture.ts';

export const troubles = ['error', 'opened'] as const;
export type Trouble = (typeof troubles)[number];
/** Water from here on scalds skin, °C. */
export const scaldingFromC = 50;

/** @example troubleAdvice('opened', { temperatureC: 60, roomC: 20 }).map((m) => m.code) // ['trouble.opened-hot', …] */
export function troubleAdvice(
  trouble: Trouble,
  { temperatureC, roomC }: { temperatureC: number; roomC: number },
): Message[] {
  const waits = say('trouble.wet-hours', { hours: Math.max(1, Math.floor(mustyHoursIn('drum', roomC))) });
  const hot = temperatureC >= scaldingFromC ? [say('trouble.opened-hot', { celsius: temperatureC })] : [];
  return trouble === 'error'
    ? [
        say('trouble.error-panel'),
        say('trouble.error-supply'),
        say('trouble.error-drain'),
        ...hot,
        say('trouble.error-again'),
        waits,
      ]
    : [...hot, say('trouble.opened-water'), say('trouble.opened-goes-on'), waits];
}
