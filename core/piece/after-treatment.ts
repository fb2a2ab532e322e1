/** What follows when the last step at the bench is done: the wash as this piece bears it, then the look that decides. */
import { say, type Message } from '../message/message.ts';
import type { Profile } from './profile.ts';

/** Where the plan of today washes the piece. */
export interface PlannedWash {
  /** Place in the running order, from 1. */
  load: number;
  name: string;
  temperatureC: number;
}
/**
 * `needsFume` = a solvent was used. The temperature is what the piece bears with its mark still open; a planned load that is warmer than that was
 * planned for another state of the piece and is not named.
 * @example afterTreatment(cashmere, false, null) // wash by hand, at 30 °C at most; dry it in the air and look
 */
export function afterTreatment(p: Profile, needsFume: boolean, planned: PlannedWash | null): Message[] {
  const look = say('treat.look');
  const fume = needsFume ? [say('treat.fume-first')] : [];
  if (p.closure) return [say('treat.no-wash', { because: p.closure.reason }), ...fume, look];
  const mostC = p.values.maxTemperatureC;
  const wash =
    planned && planned.temperatureC <= mostC
      ? say('treat.wash-in-load', { load: planned.load, name: planned.name, celsius: planned.temperatureC })
      : say('treat.wash', { celsius: mostC, method: p.values.wet === 'hand' ? 'hand' : 'machine' });
  return [wash, ...fume, look];
}
