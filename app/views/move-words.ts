/** A move's consequence in words; the same on the server and in the browser. */
import type { Consequence, LoadAfter } from '@core/loads/move.ts';

export type Verdict = 'cheaper' | 'dearer' | 'same' | 'risk' | 'refused';
export interface MoveWords { verdict: Verdict; price: string; text: string }
export interface LoadNow { temperatureC: number; spinRpm: number; programme: string | null; dose: string }

const signed = (x: number, currency: string): string => `${x > 0 ? '+' : '−'}${Math.abs(x).toFixed(2)} ${currency}`;

/** What changes in the settings of the load it joins, with the reason that binds. */
function changes(now: LoadNow | null, after: LoadAfter, programmeName: (id: string | null) => string): string[] {
  const reason = (parameter: string): string => { const b = after.bindings.find((x) => x.parameter === parameter); return b ? ` (${b.reason})` : ''; };
  if (!now) return [`${after.facts.method === 'hand' ? 'By hand' : programmeName(after.facts.programme)}, ${after.facts.temperatureC} °C${after.facts.method === 'hand' ? '' : `, ${after.facts.spinRpm} rpm`}`];
  const out: string[] = [];
  if (after.facts.programme !== now.programme) out.push(`${programmeName(after.facts.programme)} instead of ${programmeName(now.programme)}`);
  if (after.facts.temperatureC !== now.temperatureC) out.push(`${after.facts.temperatureC} °C instead of ${now.temperatureC} °C${reason('temperatureC')}`);
  if (after.facts.spinRpm !== now.spinRpm) out.push(`${after.facts.spinRpm} rpm instead of ${now.spinRpm}${reason('spinRpm')}`);
  return out;
}

export function moveWords(c: Consequence, now: LoadNow | null, currency: string, programmeName: (id: string | null) => string): MoveWords {
  if (c.type !== null) return { verdict: c.type === 'safety' ? 'refused' : 'risk', price: c.type === 'safety' ? 'refused' : 'at your risk', text: c.text };
  const delta = c.delta ?? 0;
  const settings = c.to ? changes(now, c.to, programmeName) : [];
  const verdict: Verdict = delta > 0.005 ? 'dearer' : delta < -0.005 ? 'cheaper' : 'same';
  return { verdict, price: verdict === 'same' ? 'no difference' : signed(delta, currency), text: settings.length > 0 ? `${settings.join('; ')}.` : c.to ? 'Its settings stay as they are.' : 'It stays in the basket.' };
}
