/**
 * Half a year of the demo household, made from what each piece says of itself: how often it is washed, how often it was worn since. The flat
 * washes every three or four days; a person wears one piece of a kind a day; linen is used at the hours it is used. The same every time, apart
 * from the day it ends on.
 */
import { wearsAllowed } from '../../core/wear/wear.ts';
import { kindFacts } from '../../core/garment/kinds.ts';
import type { MeasurePlace } from '../../core/garment/measures.ts';
import { habits } from './past-lessons.ts';
import type { DemoPiece } from './wardrobe.ts';

const halfYearDays = 182;
/** Days ago on which the flat washed: every three and four days in turn, the last one two days ago. */
const washDays: readonly number[] = Array.from(
  { length: 60 },
  (_, k) => 2 + Math.floor(k / 2) * 7 + (k % 2) * 3,
).filter((d) => d <= halfYearDays);

export interface DemoEvent {
  garmentId: string;
  kind: 'worn' | 'washed' | 'tested' | 'read' | 'measured';
  daysAgo: number;
  /** Minutes after midnight, local time. */
  minute: number;
  count?: number;
  note?: string;
  test?: { kind: 'spot' | 'part' | 'catcher'; grade: number };
  measure?: { place: MeasurePlace; cm: number };
}

/** Minutes after midnight at which a piece is taken: by what it is for. */
const hourOf: Record<string, number> = {
  towel: 7 * 60 + 5,
  floor: 7 * 60,
  bed: 22 * 60 + 30,
  kitchen: 12 * 60 + 20,
  workshop: 5 * 60 + 10,
  body: 7 * 60 + 20,
  clothes: 7 * 60 + 30,
};
const minuteOf = (p: DemoPiece, k: number): number =>
  (hourOf[p.garment.use ?? kindFacts(p.garment.kind).use] ?? 7 * 60 + 40) + ((k * 7 + p.id.length * 3) % 25);

/** Measured sizes, flat: denim that relaxes into its wearer, knits that were measured before and after. */
const measured: Readonly<Record<string, readonly (readonly [daysAgo: number, place: MeasurePlace, cm: number])[]>> = {
  'tovi-raw-jeans': [
    [140, 'waist', 40.5],
    [140, 'thigh', 29.5],
    [140, 'inseam', 84],
    [60, 'waist', 41.5],
    [60, 'thigh', 30],
    [60, 'inseam', 84],
  ],
  'juna-cardigan': [
    [125, 'body-length', 64],
    [125, 'chest', 52],
    [62, 'body-length', 63.5],
    [62, 'chest', 52],
  ],
};

/** Wash days of a piece, days ago, the newest first; each a day on which the flat washed. */
function washesOf({ history }: DemoPiece): number[] {
  const { washes, everyDays, wears } = history;
  const since = wears > 0 ? Math.max(2, Math.min(everyDays, wears * 2)) : Math.min(everyDays, 2);
  const days: number[] = [];
  for (let k = 0; k < washes; k++) {
    const wanted = since + k * everyDays;
    if (wanted > halfYearDays) break;
    const later = washDays.filter((d) => d > (days.at(-1) ?? 0) && d >= wears);
    const day = later.sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))[0];
    if (day === undefined) break;
    days.push(day);
  }
  return days;
}

const mostlyWool = (p: DemoPiece): boolean =>
  (p.garment.parts[0]?.fibres ?? []).some((f) => f.fibre.startsWith('wool') && f.percent >= 50);

export interface DemoHistory {
  events: DemoEvent[];
  /** Which pieces were washed on which of the last wash days, with the readings that followed. */
  washed: { daysAgo: number; pieces: string[] }[];
}

export function demoHistory(wardrobe: readonly DemoPiece[]): DemoHistory {
  const events: DemoEvent[] = [];
  const washed = new Map<number, string[]>();
  /** Who wore something of a kind on which day. */
  const worn = new Set<string>();
  for (const p of wardrobe) {
    const id = p.id;
    const { washes, wears, tests = [] } = p.history;
    const days = washesOf(p);
    if (washes > days.length)
      events.push({
        garmentId: id,
        kind: 'washed',
        daysAgo: Math.max(halfYearDays, days.at(-1) ?? 0) + 6,
        minute: 600,
        ...(washes - days.length > 1 ? { count: washes - days.length } : {}),
        note: 'before Neat Fold',
      });
    for (const day of days) {
      events.push({ garmentId: id, kind: 'washed', daysAgo: day, minute: 11 * 60 + 30 });
      washed.set(day, [...(washed.get(day) ?? []), id]);
    }
    tests.forEach((test, k) =>
      events.push({
        garmentId: id,
        kind: test.kind === 'catcher' ? 'read' : 'tested',
        daysAgo: days[tests.length - 1 - k] ?? Math.min(halfYearDays, 2 + (tests.length - 1 - k) * 7),
        minute: 11 * 60 + 40,
        test,
      }),
    );
    // Wears: exactly as many as the piece says since its last wash, as many as a wash is good for between the earlier ones.
    const group = kindFacts(p.garment.kind).wearGroup ?? p.garment.kind;
    const usual = (wearsAllowed(p.garment.kind, mostlyWool(p)) ?? 1) * (habits[`${p.garment.owner}/${group}`] ?? 1);
    const spans = [
      { from: 0, to: days[0] ?? halfYearDays, wears },
      // One and a half wears are one and two in turn.
      ...days.map((day, k) => ({
        from: day,
        to: days[k + 1] ?? 0,
        wears: Math.max(1, Math.floor(usual * (k + 1)) - Math.floor(usual * k)),
      })),
    ];
    for (const span of spans) {
      const length = span.to - span.from;
      if (length < 1 || span.wears === 0) continue;
      const free = Array.from({ length }, (_, k) => span.from + k + (span.from === 0 ? 0.5 : 1))
        .map(Math.floor)
        .filter((d) => d < span.to && (d >= 1 || span.to === 1));
      const candidates = free.length > 0 ? free : [span.from];
      const alone = candidates.filter((d) => !worn.has(`${p.garment.owner}/${group}/${d}`));
      const few = Math.min(span.wears, candidates.length);
      const pool = alone.length >= few ? alone : candidates;
      const taken = Array.from({ length: few }, (_, k) => pool[Math.floor((k * pool.length) / few)] ?? span.from);
      // More wears than days: some days count twice.
      const extra = span.wears - few;
      taken.forEach((day, k) => {
        worn.add(`${p.garment.owner}/${group}/${day}`);
        const count = 1 + Math.floor(extra / few) + (k < extra % few ? 1 : 0);
        events.push({
          garmentId: id,
          kind: 'worn',
          daysAgo: day,
          minute: minuteOf(p, k),
          ...(count > 1 ? { count } : {}),
        });
      });
    }
    for (const [daysAgo, place, cm] of measured[id] ?? [])
      events.push({ garmentId: id, kind: 'measured', daysAgo, minute: 19 * 60, measure: { place, cm } });
  }
  return {
    events: events.sort((a, b) => b.daysAgo - a.daysAgo || a.minute - b.minute),
    washed: [...washed].map(([daysAgo, pieces]) => ({ daysAgo, pieces })).sort((a, b) => b.daysAgo - a.daysAgo),
  };
}
