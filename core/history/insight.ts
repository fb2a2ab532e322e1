/**
 * What would have saved most: rules, products and habits, reckoned from what the household really washed. Each with its arithmetic, so that nobody has
 * to believe it.
 */
import type { Profile } from '../piece/profile.ts';
import { sum } from '../units/numbers.ts';
import { realMoney, type RunOfHistory } from './runs.ts';

/** What a saving is about, and the numbers it is reckoned from. */
export type Insight =
  | {
      is: 'rule';
      rule: string;
      option: string;
      /** Days on which plans were compared, and what they would have saved together. */
      plans: number;
      saved: number;
      perYear: number;
    }
  | { is: 'fill'; loads: number; below: number; fewer: number; perLoad: number; perYear: number }
  | { is: 'warmer'; loads: number; kwh: number; perYear: number }
  | { is: 'never-worn'; pieces: readonly string[]; days: number; value: number; perYear: number }
  | {
      is: 'rotation';
      group: string;
      owner: string;
      owned: number;
      needed: number;
      hurried: number;
      perLoad: number;
      perYear: number;
    }
  | { is: 'dose'; product: string; share: number; used: number; price: number; perYear: number };

const yearDays = 365;
/** Less than this a year nobody reads a sentence for. */
const worthASentence = 1;
/** A drum below this share is hardly filled; two of them might have been one. */
export const hardlyFilled = 0.45;
/** From this temperature on heat is most of the energy. */
const hotFromC = 60;

export interface InsightInput {
  days: number;
  runs: readonly (RunOfHistory & { temperatureC: number; programme: string | null; demanded60: boolean })[];
  /** What other options of a rule would have saved, one row a plan. */
  rules: readonly { rule: string; option: string; saves: number }[];
  neverWorn: readonly { id: string; value: number }[];
  /** Kinds of which too few are owned, and loads hurried because of it. */
  rotations: readonly { group: string; owner: string; owned: number; needed: number; hurried: number }[];
  doses: readonly { product: string; share: number; used: number; price: number }[];
}

/** So long a piece must have been here to be called unworn. */
export const unwornDays = 90;
/** Linen that 60 °C does something for, and illness in the house, ask for heat. */
export const asksForHeat = (p: Pick<Profile, 'heatNeed' | 'contamination'>): boolean =>
  p.heatNeed > 0 || p.contamination === 'hygiene';

const perYear = (money: number, days: number): number => (money * yearDays) / Math.max(28, days);

/**
 * Every insight worth its sentence, what saves most first.
 * @example insightsOf(input)[0] // { is: 'fill', loads: 22, below: 9, fewer: 4, perLoad: 0.9, perYear: 46.9 }
 */
export function insightsOf(i: InsightInput): Insight[] {
  const all = [...ofRules(i), ...ofFill(i), ...ofHeat(i), ...ofShelf(i), ...ofRotation(i), ...ofDose(i)];
  return all.filter((x) => x.perYear >= worthASentence).sort((a, b) => b.perYear - a.perYear);
}
function ofRules({ rules, days }: InsightInput): Insight[] {
  const groups = new Map<string, { rule: string; option: string; saves: number[] }>();
  for (const r of rules) {
    const key = `${r.rule}/${r.option}`;
    const g = groups.get(key) ?? { rule: r.rule, option: r.option, saves: [] };
    g.saves.push(r.saves);
    groups.set(key, g);
  }
  return [...groups.values()].map((g) => ({
    is: 'rule' as const,
    rule: g.rule,
    option: g.option,
    plans: g.saves.length,
    saved: sum(g.saves),
    perYear: perYear(sum(g.saves), days),
  }));
}
/** Half-empty drums of one programme: two and two might have been one, as far as they fit together. */
function ofFill({ runs, days }: InsightInput): Insight[] {
  const low = runs.filter((r) => !r.byHand && r.fill < hardlyFilled);
  const groups = new Map<string, number[]>();
  for (const r of low) {
    const key = `${r.programme ?? ''}/${r.temperatureC}`;
    groups.set(key, [...(groups.get(key) ?? []), r.fill]);
  }
  // As many drums as their fills need, kept no fuller than four fifths.
  const fewer = sum([...groups.values()].map((fills) => fills.length - Math.ceil(sum(fills) / 0.8 - 1e-9)));
  if (fewer <= 0 || low.length === 0) return [];
  const perLoad = sum(low.map(realMoney)) / low.length;
  return [
    {
      is: 'fill',
      loads: runs.length,
      below: low.length,
      fewer,
      perLoad,
      perYear: perYear(fewer * perLoad, days),
    },
  ];
}
/** Hot loads that nothing asked to be hot: at 40 °C they take about half. */
function ofHeat({ runs, days }: InsightInput): Insight[] {
  const hot = runs.filter((r) => !r.byHand && r.temperatureC >= hotFromC && !r.demanded60);
  if (hot.length === 0) return [];
  // Heat is what lifts the bath from the tap (12 °C): 28 K instead of 48 K.
  const share = 1 - (40 - 12) / (60 - 12);
  const kwh = sum(hot.map((r) => (r.measuredKwh ?? r.energyKwh) * share));
  const money = sum(hot.map((r) => (r.measuredKwh ?? r.energyKwh) * share * r.pricePerKwh));
  return [{ is: 'warmer', loads: hot.length, kwh, perYear: perYear(money, days) }];
}
/** Worth of what hangs there unworn, spread over the years a piece lasts (estimate). */
const shelfYears = 10;
function ofShelf({ neverWorn, days }: InsightInput): Insight[] {
  if (neverWorn.length < 3) return [];
  const value = sum(neverWorn.map((p) => p.value));
  return [{ is: 'never-worn', pieces: neverWorn.map((p) => p.id), days, value, perYear: value / shelfYears }];
}
function ofRotation({ rotations, runs, days }: InsightInput): Insight[] {
  const machine = runs.filter((r) => !r.byHand);
  const perLoad = machine.length > 0 ? sum(machine.map(realMoney)) / machine.length : 0;
  return rotations
    .filter((r) => r.hurried > 0 && r.needed > r.owned)
    .map((r) => ({ is: 'rotation' as const, ...r, perLoad, perYear: perYear(r.hurried * perLoad, days) }));
}
function ofDose({ doses, days }: InsightInput): Insight[] {
  return doses
    .filter((d) => d.share < 1)
    .map((d) => ({ is: 'dose' as const, ...d, perYear: perYear(d.used * (1 / d.share - 1) * d.price, days) }));
}

/**
 * The one worth reading this week: what saves most, unless it was told in the weeks before; then the next. `week` counts weeks.
 * @example insightOfWeek(insights, 2917)
 */
export function insightOfWeek(insights: readonly Insight[], week: number): Insight | null {
  // The three that save most take turns: the same sentence every week is read by nobody.
  const best = insights.slice(0, 3);
  return best[week % Math.max(1, best.length)] ?? null;
}
