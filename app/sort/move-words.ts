/** A move's consequence in words; the same on the server and in the browser. */
import { sentenceOf, textOf } from '@words/text.ts';
import type { Consequence, LoadAfter } from '@core/board/move.ts';
import type { Outcome } from '@core/model/plan.ts';

export type Verdict = 'cheaper' | 'dearer' | 'same' | 'risk' | 'refused';
/** One limit of the load before and after: positions 0–1 on its scale; `before` null for a load that is new. `over` = past the end. */
export interface LimitChange {
  title: string;
  before: number | null;
  after: number;
  words: string;
}
export interface MoveWords {
  verdict: Verdict;
  price: string;
  text: string;
  limits: LimitChange[];
}
export interface LoadNow {
  temperatureC: number;
  spinRpm: number;
  fill: number;
  programme: string | null;
  dose: string;
}

/** Ends of the scales: °C and rpm. */
const hottestC = 95;
const fastestRpm = 1400;
function limitsOf(now: LoadNow | null, { facts }: LoadAfter): LimitChange[] {
  const change = (
    title: string,
    unit: string,
    before: number | null,
    after: number,
    end: number,
    digits = 0,
  ): LimitChange => ({
    title,
    before: before === null ? null : Math.min(1, before / end),
    after: Math.min(1, after / end),
    words:
      before === null || before.toFixed(digits) === after.toFixed(digits)
        ? `${after.toFixed(digits)}${unit}`
        : `${before.toFixed(digits)} → ${after.toFixed(digits)}${unit}`,
  });
  return [
    change('Temperature', ' °C', now?.temperatureC ?? null, facts.temperatureC, hottestC),
    ...(facts.method === 'hand' ? [] : [change('Spin', ' rpm', now?.spinRpm ?? null, facts.spinRpm, fastestRpm)]),
    change('Fill', ' %', now && now.fill * 100, facts.fill * 100, 100),
  ];
}

const signed = (x: number, currency: string): string => `${x > 0 ? '+' : '−'}${Math.abs(x).toFixed(2)} ${currency}`;

/** What changes in the settings of the load it joins, with the reason that binds. */
function changes(now: LoadNow | null, after: LoadAfter, programmeName: (id: string | null) => string): string[] {
  const reason = (parameter: string): string => {
    const b = after.bindings.find((x) => x.parameter === parameter);
    return b ? ` (${textOf(b.reason)})` : '';
  };
  if (!now)
    return [
      `${after.facts.method === 'hand' ? 'By hand' : programmeName(after.facts.programme)}, ${after.facts.temperatureC} °C${after.facts.method === 'hand' ? '' : `, ${after.facts.spinRpm} rpm`}`,
    ];
  const out: string[] = [];
  if (after.facts.programme !== now.programme)
    out.push(`${programmeName(after.facts.programme)} instead of ${programmeName(now.programme)}`);
  if (after.facts.temperatureC !== now.temperatureC)
    out.push(`${after.facts.temperatureC} °C instead of ${now.temperatureC} °C${reason('temperatureC')}`);
  if (after.facts.spinRpm !== now.spinRpm)
    out.push(`${after.facts.spinRpm} rpm instead of ${now.spinRpm}${reason('spinRpm')}`);
  return out;
}

/** What the log says of a piece that was put aside by hand. */
export const outcomeNotes: Record<Exclude<Outcome, 'wash'>, string> = {
  wait: 'waits',
  air: 'is aired instead',
  steam: 'is steamed instead',
  brush: 'is brushed instead',
  'spot-clean': 'gets its mark treated only',
  'test-first': 'is tested first',
  professional: 'goes to the cleaner',
  'no-wash': 'rests',
  'left-out': 'is set aside',
};

/** The broken rules of a move, sentence by sentence. */
export const reasonsText = (c: Pick<Consequence, 'reasons'>): string => c.reasons.map(sentenceOf).join(' ');

export function moveWords(
  c: Consequence,
  now: LoadNow | null,
  currency: string,
  programmeName: (id: string | null) => string,
): MoveWords {
  if (c.type !== null)
    return {
      verdict: c.type === 'safety' ? 'refused' : 'risk',
      price: c.type === 'safety' ? 'refused' : 'at your risk',
      text: reasonsText(c),
      limits: [],
    };
  const delta = c.delta ?? 0;
  const settings = c.to ? changes(now, c.to, programmeName) : [];
  const verdict: Verdict = delta > 0.005 ? 'dearer' : delta < -0.005 ? 'cheaper' : 'same';
  return {
    verdict,
    price: verdict === 'same' ? 'no difference' : signed(delta, currency),
    text: settings.length > 0 ? `${settings.join('; ')}.` : c.to ? 'Its settings stay as they are.' : 'No water today.',
    limits: c.to ? limitsOf(now, c.to) : [],
  };
}
