/** What the household has taught, with its evidence: read from runs, looks, wears, measures, readings and treatments, and told by core. */
import { and, asc, desc, eq, gt, inArray, isNotNull, sql } from 'drizzle-orm';
import { colourHistory, testVerdict } from '../core/colour/bleed.ts';
import { trustOf } from '../core/colour/trust.ts';
import { isMostlyWool } from '../core/fibre/blend.ts';
import { kindFacts } from '../core/garment/kinds.ts';
import { isSize, type Measure } from '../core/garment/measures.ts';
import { learntDose } from '../core/learn/dose.ts';
import { learntSlowness } from '../core/learn/drying.ts';
import { learntDye, readingsNeeded } from '../core/learn/dye.ts';
import { lessonKey, type Evidence, type Lesson, type LessonSubject } from '../core/learn/lesson.ts';
import {
  asFullLoadKwh,
  bookFullKwh,
  isBelievable,
  learntFullKwh,
  learntMinutes,
  newestRuns,
  runsNeeded,
} from '../core/learn/programme.ts';
import { expectedShrinkPercent, learntShrinkShare, pastWashEvent, type ShrinkSeen } from '../core/learn/shrinkage.ts';
import { byAgent, learntStainPoints, mainFibre, outcomesNeeded, outcomeShares } from '../core/learn/stains.ts';
import { learntWears, wearsNeeded } from '../core/learn/wears.ts';
import type { Garment } from '../core/model/garment.ts';
import { shrinkPercent, type WashEvent } from '../core/shrinkage/shrinkage.ts';
import { wearsAllowed } from '../core/wear/wear.ts';
import { garmentOf, householdOf } from '../formats/hamper.ts';
import type { HouseholdDocument } from '../formats/hamper-schema.ts';
import type { Transaction } from './client.ts';
import { stands } from './events.ts';
import { findingsSince } from './findings.ts';
import { garmentDocument, type Piece } from './garments.ts';
import { bookValues, dryingChecks, events, garments, loads, treatments } from './schema.ts';

export interface Lessons {
  all: Lesson[];
  /** Keys of those that somebody switched off. */
  off: ReadonlySet<string>;
}
const dayMs = 86_400_000;
/** Runs and doses are those of a year; wears too; marks and readings are rarer and count for five. */
const yearMs = 365 * dayMs;
const seldomMs = 5 * yearMs;

/** What runs, looks, places and people have taught, and what is not believed. `pieces` = the wardrobe. */
export async function readLessons(
  tx: Transaction,
  document: HouseholdDocument,
  pieces: readonly Piece[],
  now: Date,
): Promise<Lessons> {
  const all = [
    ...(await ofRuns(tx, document, now)),
    ...(await ofPlaces(tx, document)),
    ...(await ofWears(tx, pieces, now)),
    ...(await ofMarks(tx, now)),
    ...(await ofDyes(tx, pieces)),
    ...(await ofSizes(tx, document, pieces)),
  ];
  return { all, off: await switchedOff(tx) };
}
/** Only what runs have taught: minutes, energy and doses. */
export const readRunLessons = async (tx: Transaction, document: HouseholdDocument, now: Date): Promise<Lessons> => ({
  all: await ofRuns(tx, document, now),
  off: await switchedOff(tx),
});
/** How much slower than the model each place dries, where that is believed. */
export async function readSlowness(tx: Transaction, document: HouseholdDocument): Promise<Map<string, number>> {
  const off = await switchedOff(tx);
  return new Map(
    (await ofPlaces(tx, document)).flatMap((l) =>
      l.subject.is === 'place' && l.learnt !== null && !off.has(lessonKey(l.subject))
        ? [[l.subject.place, l.learnt] as const]
        : [],
    ),
  );
}
async function switchedOff(tx: Transaction): Promise<Set<string>> {
  const rows = await tx.select({ lesson: bookValues.lesson }).from(bookValues);
  return new Set(rows.map((r) => r.lesson));
}
/** Switch a lesson off (the book holds) or on again. */
export async function setBelieved(
  tx: Transaction,
  householdId: string,
  lesson: string,
  believed: boolean,
  since: Date,
): Promise<void> {
  if (believed) await tx.delete(bookValues).where(eq(bookValues.lesson, lesson));
  else await tx.insert(bookValues).values({ householdId, lesson, since }).onConflictDoNothing();
}

const grouped = <T>(list: readonly T[], keyOf: (item: T) => string): Map<string, T[]> => {
  const out = new Map<string, T[]>();
  for (const item of list) {
    const key = keyOf(item);
    const group = out.get(key);
    if (group) group.push(item);
    else out.set(key, [item]);
  }
  return out;
};
const seen = (at: Date, value: number, counts = true, expected: number | null = null): Evidence => ({
  at: at.toISOString(),
  value,
  expected,
  counts,
});

async function ofRuns(tx: Transaction, document: HouseholdDocument, now: Date): Promise<Lesson[]> {
  const since = new Date(now.getTime() - yearMs);
  const runs = await tx
    .select({ loadId: loads.id, at: loads.finishedAt, run: loads.run, measured: loads.measured })
    .from(loads)
    .where(and(eq(loads.status, 'finished'), gt(loads.finishedAt, since)))
    .orderBy(desc(loads.finishedAt));
  const household = householdOf(document);
  const lessons: Lesson[] = [];
  const byProgramme = grouped(
    runs.flatMap((r) => (r.measured && r.run.washer && r.run.programme ? [{ ...r, measured: r.measured }] : [])),
    (r) => `${r.run.washer}/${r.run.programme}`,
  );
  for (const w of household.washers)
    for (const p of w.programmes) {
      const measured = byProgramme.get(`${w.id}/${p.id}`) ?? [];
      if (measured.length === 0) continue;
      const fits = measured.filter((r) => isBelievable(r.measured.minutes, p.durationMin));
      const newest = new Set(fits.slice(0, newestRuns));
      lessons.push({
        subject: { is: 'programme', washer: w.id, programme: p.id },
        book: p.durationMin,
        learnt: learntMinutes(
          measured.map((r) => r.measured.minutes),
          p.durationMin,
        ),
        needed: runsNeeded,
        evidence: measured.map((r) => seen(r.at ?? now, r.measured.minutes, newest.has(r))),
      });
      const drawn = grouped(
        fits.filter((r) => r.measured.kwh !== null),
        (r) => String(r.run.temperatureC),
      );
      for (const [celsius, list] of drawn) {
        const full = list.map((r) => asFullLoadKwh(r.measured.kwh ?? 0, r.run.fill));
        lessons.push({
          subject: { is: 'energy', washer: w.id, programme: p.id, temperatureC: Number(celsius) },
          book: bookFullKwh(p, Number(celsius), household.water.coldC),
          learnt: learntFullKwh(full),
          needed: runsNeeded,
          evidence: list.map((r, k) => seen(r.at ?? now, full[k] ?? 0, k < newestRuns)),
        });
      }
    }
  return [...lessons, ...(await ofDoses(tx, document, new Map(runs.map((r) => [r.loadId, r.run.product])), since))];
}

async function ofDoses(
  tx: Transaction,
  document: HouseholdDocument,
  productOf: ReadonlyMap<string, string | null>,
  since: Date,
): Promise<Lesson[]> {
  const looks = (await findingsSince(tx, ['residue', 'clean'], since)).flatMap((f) => {
    const product = productOf.get(f.loadId);
    const what =
      f.kind === 'residue' && f.answer === 'left' ? 'residue' : f.answer === 'not-clean' ? 'not-clean' : null;
    return product && what ? [{ product, at: f.at.toISOString(), seen: what } as const] : [];
  });
  const byProduct = grouped(looks, (l) => l.product);
  return (document.products ?? []).flatMap((p): Lesson[] => {
    const steps = learntDose(byProduct.get(p.id) ?? []);
    const last = steps.at(-1);
    return last
      ? [
          {
            subject: { is: 'dose', product: p.id },
            book: 1,
            learnt: last.share,
            needed: 1,
            evidence: [...steps].reverse().map((s) => seen(new Date(s.at), s.share)),
          },
        ]
      : [];
  });
}

async function ofPlaces(tx: Transaction, document: HouseholdDocument): Promise<Lesson[]> {
  const rows = await tx.select().from(dryingChecks).orderBy(asc(dryingChecks.id));
  const byPlace = grouped(rows, (r) => r.place);
  return (document.dryingPlaces ?? []).flatMap((d): Lesson[] => {
    const checks = byPlace.get(d.id) ?? [];
    if (checks.length === 0) return [];
    return [
      {
        subject: { is: 'place', place: d.id },
        book: 1,
        learnt: learntSlowness(checks),
        needed: 1,
        evidence: [...checks]
          .reverse()
          .map((c) => seen(c.at, c.hours / Math.max(0.1, c.modelHours), c.modelHours >= 0.5 && c.hours >= 0.5)),
      },
    ];
  });
}

/** Wears between two washes that both are known, with the moment of the second. */
async function stretches(tx: Transaction, since: Date): Promise<{ garmentId: string; wears: number; at: Date }[]> {
  // A stretch is what lies between two washes: wears belong to the wash before them, and the wash that ends it to the same stretch.
  const { rows } = await tx.execute<{ garment_id: string; wears: string; at: string }>(sql`
    with e as (
      select garment_id, kind, at, coalesce((data->>'count')::int, 1) as n,
        count(*) filter (where kind <> 'worn') over (partition by garment_id order by at, id) as washes
      from event where kind in ('worn', 'washed', 'cleaned') and at > ${since} and ${stands()}
    ), s as (
      select garment_id, kind, at, n, case when kind = 'worn' then washes else washes - 1 end as stretch from e
    )
    select garment_id, sum(n) filter (where kind = 'worn') as wears, min(at) filter (where kind <> 'worn') as at
    from s where stretch > 0 group by garment_id, stretch
    having count(*) filter (where kind = 'worn') > 0 and count(*) filter (where kind <> 'worn') > 0 order by 3 desc`);
  return rows.map((r) => ({ garmentId: r.garment_id, wears: Number(r.wears), at: new Date(r.at) }));
}
async function ofWears(tx: Transaction, pieces: readonly Piece[], now: Date): Promise<Lesson[]> {
  const byId = new Map(pieces.map((p) => [p.row.id, p] as const));
  const known = (await stretches(tx, new Date(now.getTime() - yearMs))).flatMap((s) => {
    const subject = wearsSubject(byId.get(s.garmentId));
    return subject ? [{ ...s, subject }] : [];
  });
  return [...grouped(known, (s) => lessonKey(s.subject)).values()].flatMap((list): Lesson[] => {
    const [first] = list;
    const piece = first && byId.get(first.garmentId);
    const book = piece && wearsAllowed(piece.row.kind, isMostlyWool(piece.row.parts));
    if (!first || !book) return [];
    return [
      {
        subject: first.subject,
        book,
        learnt: learntWears(
          book,
          list.map((s) => s.wears),
        ),
        needed: wearsNeeded,
        evidence: list.map((s) => seen(s.at, s.wears)),
      },
    ];
  });
}
/** The habit a piece belongs to: its owner's, with things of its kind; null where a kind has none. */
export function wearsSubject(piece: Piece | undefined): (LessonSubject & { is: 'wears' }) | null {
  if (!piece || piece.row.owner === '') return null;
  const wool = isMostlyWool(piece.row.parts);
  const group = kindFacts(piece.row.kind).wearGroup;
  const usual = wearsAllowed(piece.row.kind, wool);
  if (group === null || usual === null || usual <= 1) return null;
  return { is: 'wears', owner: piece.row.owner, group, wool: wool && group === 'jumper' };
}

async function ofMarks(tx: Transaction, now: Date): Promise<Lesson[]> {
  const since = new Date(now.getTime() - seldomMs);
  const rows = await tx
    .select({
      at: treatments.closedAt,
      outcome: treatments.outcome,
      procedure: treatments.procedure,
      parts: garments.parts,
    })
    .from(treatments)
    .innerJoin(garments, eq(garments.id, treatments.garmentId))
    .where(and(isNotNull(treatments.closedAt), gt(treatments.closedAt, since)))
    .orderBy(desc(treatments.closedAt));
  const known = rows.flatMap((r) => {
    const outcome = r.outcome === null ? undefined : outcomeShares[r.outcome];
    const { stain, score, learntPoints = 0 } = r.procedure;
    // What was taught before is no evidence for itself.
    const odds = (score - learntPoints) / 100;
    return outcome === undefined
      ? []
      : [
          {
            at: r.at ?? now,
            stain: stain.kind,
            fibre: mainFibre(r.parts),
            odds,
            outcome,
            agents: r.procedure.steps.filter((s) => s.kind === 'treat').map((s) => String(s.what)),
          },
        ];
  });
  return [...grouped(known, (m) => `${m.stain}/${m.fibre}`).values()].flatMap((list): Lesson[] => {
    const [first] = list;
    return first
      ? [
          {
            subject: { is: 'stain', stain: first.stain, fibre: first.fibre },
            book: 0,
            learnt: learntStainPoints(list),
            needed: outcomesNeeded,
            byAgent: byAgent(list),
            evidence: list.map((m) => seen(m.at, 100 * m.outcome, true, 100 * m.odds)),
          },
        ]
      : [];
  });
}

/** First readings in water, by dye. */
async function ofDyes(tx: Transaction, pieces: readonly Piece[]): Promise<Lesson[]> {
  const first = pieces.flatMap((p) => {
    const reading = p.state.readings.find((r) => r.agent === 'water');
    return reading ? [{ piece: p, reading }] : [];
  });
  if (first.length === 0) return [];
  const ids = first.map((f) => f.piece.row.id);
  const washes = await tx
    .select({ garmentId: events.garmentId, at: events.at, data: events.data })
    .from(events)
    .where(and(eq(events.kind, 'washed'), inArray(events.garmentId, ids), stands()));
  const readings = first.flatMap(({ piece, reading }) => {
    const washCount = washes
      .filter((w) => w.garmentId === piece.row.id && w.at < reading.at)
      .reduce((n, w) => n + (w.data.count ?? 1), 0);
    const garment = { colours: piece.row.colours, dye: piece.row.dye, washCount, tests: [] };
    const { dye } = colourHistory(garment);
    return dye === null
      ? []
      : [{ dye, at: reading.at, odds: trustOf(garment).prior, ran: testVerdict(reading.grade) !== 'clear' }];
  });
  return [...grouped(readings, (r) => r.dye).values()].flatMap((list): Lesson[] => {
    const [one] = list;
    return one
      ? [
          {
            subject: { is: 'dye', dye: one.dye },
            book: 1,
            learnt: learntDye(list),
            needed: readingsNeeded,
            evidence: [...list]
              .sort((a, b) => b.at.getTime() - a.at.getTime())
              .map((r) => seen(r.at, r.ran ? 1 : 0, true, r.odds)),
          },
        ]
      : [];
  });
}

export interface PastWash {
  at: Date;
  temperatureC: number | null;
  programme: string | null;
  washer: string | null;
  times: number;
}
/** Washes of these pieces, oldest first, as shrinkage feels them. */
export async function pastWashes(tx: Transaction, ids: readonly string[]): Promise<Map<string, PastWash[]>> {
  if (ids.length === 0) return new Map();
  const rows = await tx
    .select({ garmentId: events.garmentId, at: events.at, data: events.data, run: loads.run })
    .from(events)
    .leftJoin(loads, eq(loads.id, events.loadId))
    .where(and(eq(events.kind, 'washed'), inArray(events.garmentId, [...ids]), stands()))
    .orderBy(asc(events.at));
  const washes = rows.map((r) => ({
    garmentId: r.garmentId,
    at: r.at,
    temperatureC: r.data.temperatureC ?? r.run?.temperatureC ?? null,
    programme: r.run?.programme ?? null,
    washer: r.run?.washer ?? null,
    times: r.data.count ?? 1,
  }));
  return grouped(washes, (w) => w.garmentId);
}
/** The washes before a moment (ISO 8601), as shrinkage feels them. */
export function washEventsUpTo(
  washes: readonly PastWash[],
  at: string,
  document: HouseholdDocument,
  g: Garment,
): WashEvent[] {
  const { washers } = householdOf(document);
  return washes
    .filter((w) => w.at.getTime() < Date.parse(at))
    .map((w) =>
      pastWashEvent(g, {
        ...w,
        programme: washers.find((x) => x.id === w.washer)?.programmes.find((p) => p.id === w.programme) ?? null,
      }),
    );
}
/** What was measured, place by place, against what the washes between were expected to take. */
export function shrinkSeen(
  g: Garment,
  measures: readonly Measure[],
  washes: readonly PastWash[],
  document: HouseholdDocument,
): (ShrinkSeen & { at: string })[] {
  return [...grouped(measures.filter(isSize), (m) => m.place).values()].flatMap((list) => {
    const sorted = [...list].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
    const [first] = sorted;
    const last = sorted.at(-1);
    if (!first || !last || sorted.length < 2) return [];
    const expected = (m: Measure): number =>
      expectedShrinkPercent(g, m.place, washEventsUpTo(washes, m.at, document, g));
    return [
      {
        place: first.place,
        at: last.at,
        lostPercent: shrinkPercent(first.cm, last.cm),
        expectedPercent: Math.max(0, expected(last) - expected(first)),
      },
    ];
  });
}
async function ofSizes(tx: Transaction, document: HouseholdDocument, pieces: readonly Piece[]): Promise<Lesson[]> {
  const twice = pieces.filter((p) => p.state.measures.filter(isSize).length >= 2);
  const washes = await pastWashes(
    tx,
    twice.map((p) => p.row.id),
  );
  return twice.flatMap((p): Lesson[] => {
    const g = garmentOf(garmentDocument(p));
    const looked = shrinkSeen(g, p.state.measures, washes.get(p.row.id) ?? [], document);
    if (looked.length === 0) return [];
    return [
      {
        subject: { is: 'shrinkage', garment: p.row.id },
        book: 1,
        learnt: learntShrinkShare(looked),
        needed: 1,
        evidence: looked.map((l) => ({ at: l.at, value: l.lostPercent, expected: l.expectedPercent, counts: true })),
      },
    ];
  });
}
