/** Load the demo household into a database that does not have it. Deterministic apart from the day it is run on. */
import { eq } from 'drizzle-orm';
import { lookFacts, looksOf } from '../core/run/inspection.ts';
import { profileOf } from '../core/piece/profile.ts';
import { garmentOf, householdOf, type HamperDocument } from '../formats/hamper.ts';
import type { PlannedLoadDocument } from '../formats/plan.ts';
import { keepFinding } from './findings.ts';
import { drawPicture, pastPictures } from './demo/past-pictures.ts';
import { addPhoto } from './photos.ts';
import { smallPicture, type SmallPicture } from './pictures.ts';
import { letStandInsIn } from './stand-in-devices.ts';
import { addGarment, findPiece, garmentDocument } from './garments.ts';
import { putInBasket, emptyState } from './basket.ts';
import { closeDatabase, inHousehold, lookInHousehold, type Transaction } from './client.ts';
import { createHousehold, forgetHousehold, readHousehold } from './household.ts';
import { appendEvents, type NewEvent } from './events.ts';
import { demoHistory, type DemoEvent } from './demo/history.ts';
import { demoHouseholdId } from './demo/id.ts';
import { demoHousehold } from './demo/household.ts';
import { lastWash, pastDays, type PastDay } from './demo/past-loads.ts';
import { demoWardrobe } from './demo/wardrobe.ts';
import { findLoad, storePlan } from './loads.ts';
import { hangAll, takenOut } from './rack.ts';
import { changeWet, keepCheck } from './wet.ts';
import { beginBench } from '../core/stain/bench.ts';
import { procedureFor } from '../core/stain/procedure.ts';
import { workplaceOf } from '../core/piece/pretreat.ts';
import { pastLooks, pastMarks, realProgrammes } from './demo/past-lessons.ts';
import type { Findings } from '../core/run/findings.ts';
import { loads, treatments, type MeasuredLoad } from './schema.ts';
import { stainNames } from '@words/en/things.ts';

const minuteMs = 60_000;
const dayMs = 86_400_000;
/** The demo's flat keeps summer and winter at an hour's distance from UTC; that is near enough for its past. */
const zoneMinutes = 60;

interface PastLoad {
  id: string;
  finishedAt: Date;
  temperatureC: number;
  programme: string;
}
/** Past washes of the last days were felt dry on the next; older ones need no word. */
const driedWithinMs = 20 * 3_600_000;
const lastDaysMs = 7 * 86_400_000;
/** Some runs were noted, some metered; a little different each time. */
function realRun(load: PlannedLoadDocument, endedAt: Date): MeasuredLoad | null {
  const real = realProgrammes[load.programme ?? ''];
  if (!real) return null;
  const sway = 1 + (((Math.round(load.massKg * 10) * 7) % 5) - 2) / 100;
  return {
    endedAt: endedAt.toISOString(),
    minutes: Math.round(load.durationMin * real.minutes * sway),
    kwh: real.kwh === null ? null : Math.round(load.energyKwh * real.kwh * sway * 1000) / 1000,
    by: real.kwh === null ? 'hand' : 'meter',
  };
}
/** What was seen of a past load: its catcher as it was read, the rest as it should be. */
async function storeAnswers(
  tx: Transaction,
  loadId: string,
  hamper: HamperDocument,
  load: PlannedLoadDocument,
  seen: Findings,
  at: Date,
): Promise<void> {
  const { rules } = householdOf(hamper.household);
  const looks = looksOf({
    pieces: hamper.garments.filter((g) => load.garments.includes(g.id)).map((g) => profileOf(garmentOf(g), rules)),
    catcher: load.procedure.some((s) => s.step === 'read-catcher'),
    byHand: load.method === 'hand',
    carefulRinse: false,
    withControl: new Set(),
  });
  for (const { id, kind, pieces } of looks)
    await keepFinding(
      { tx, householdId: demoHouseholdId, actor: 'demo' },
      {
        loadId,
        look: id,
        kind,
        answer: kind === 'catcher' && seen.catcher !== 'none' ? seen.catcher : lookFacts[kind].answers[0],
        pieces: [...pieces],
        note: '',
        at,
      },
    );
}

/** Store the planned and finished loads of a past day; by piece, which load it was in. */
async function storeDay(
  tx: Transaction,
  { at, hamper, plan }: PastDay,
  readings: ReadonlyMap<string, number>,
  now: Date,
  aside = false,
): Promise<Map<string, PastLoad>> {
  const planId = await storePlan(tx, demoHouseholdId, hamper, plan, at, aside);
  const rows = await tx.select({ id: loads.id, number: loads.number }).from(loads).where(eq(loads.planId, planId));
  const pieces = new Map<string, PastLoad>();
  let clock = at.getTime();
  for (const [number, load] of plan.loads.entries()) {
    const row = rows.find((r) => r.number === number);
    if (!row) continue;
    const startedAt = new Date(clock);
    const finishedAt = new Date(clock + load.durationMin * minuteMs);
    clock = finishedAt.getTime() + 10 * minuteMs;
    const grades = load.garments.flatMap((g) => readings.get(g) ?? []);
    const worst = Math.min(...grades);
    const findings: Findings = {
      catcher: grades.length === 0 ? 'none' : worst >= 4 ? 'clear' : worst >= 2.5 ? 'trace' : 'strong',
      stains: 'none',
      size: 'kept',
    };
    await tx
      .update(loads)
      .set({
        status: 'finished',
        startedAt,
        endsAt: finishedAt,
        finishedAt,
        findings,
        doseTaken: true,
        measured: realRun(load, finishedAt),
      })
      .where(eq(loads.id, row.id));
    await storeAnswers(tx, row.id, hamper, load, findings, finishedAt);
    const driedAt = new Date(finishedAt.getTime() + driedWithinMs);
    if (driedAt < now && now.getTime() - driedAt.getTime() < lastDaysMs)
      await appendEvents(
        { tx, householdId: demoHouseholdId, actor: 'demo' },
        load.garments.map((garmentId): NewEvent => ({ garmentId, kind: 'dried', at: driedAt })),
      );
    for (const g of load.garments)
      pieces.set(g, {
        id: row.id,
        finishedAt,
        temperatureC: load.temperatureC,
        programme: load.programme ?? 'by hand',
      });
  }
  return pieces;
}

const hangingMs = 10 * minuteMs;
/** Loads of late are out. Of this morning's all but the last hang; yesterday's are dry, and wait for iron and cupboard. */
async function storeLastWash(tx: Transaction, day: PastDay, now: Date, dry: boolean): Promise<void> {
  // Beside the plan of the day: what lies in the basket now is still to be sorted.
  const washed = await storeDay(tx, day, new Map(), now, true);
  const ids = [...new Set([...washed.values()].map((l) => l.id))];
  for (const [id, l] of washed)
    await appendEvents({ tx, householdId: demoHouseholdId, actor: 'demo' }, [
      {
        garmentId: id,
        kind: 'washed',
        at: l.finishedAt,
        loadId: l.id,
        data: { temperatureC: l.temperatureC, programme: l.programme },
      },
    ]);
  for (const [i, loadId] of ids.entries()) {
    const load = await findLoad(tx, loadId);
    if (!load?.finishedAt) continue;
    await takenOut(tx, demoHouseholdId, load, load.finishedAt);
    const hungAt = new Date(load.finishedAt.getTime() + hangingMs);
    if (dry)
      for (const id of load.load.garments) await changeWet(tx, id, { hungAt, dryAt: now, moisture: dryMoisture });
    else if (i < ids.length - 1) await hangAll(tx, hungAt, load.load.garments);
  }
}
/** Cotton in the air of a room, kg/kg. */
const dryMoisture = 0.06;

/** Marks that were treated to an end, and looks at the rack. */
async function storeLessons(tx: Transaction, now: Date): Promise<void> {
  const household = householdOf(demoHousehold.document);
  const before = (daysAgo: number): Date => new Date(now.getTime() - daysAgo * dayMs);
  for (const [k, m] of pastMarks.entries()) {
    const piece = await findPiece(tx, m.piece);
    if (!piece) throw new Error(`the demo's past treats ${m.piece}, which is not there`);
    const stain = {
      id: `past-${k + 1}`,
      kind: m.stain,
      ageHours: m.ageHours,
      place: m.place,
      sizeCm: m.sizeCm,
      tried: [],
      heatSet: false,
      failedRounds: 0,
    };
    const garment = garmentOf({ ...garmentDocument(piece, now), stains: [stain] });
    const [mark] = garment.stains;
    if (!mark) continue;
    const procedure = procedureFor(garment, mark, workplaceOf(household));
    await tx.insert(treatments).values({
      householdId: demoHouseholdId,
      garmentId: m.piece,
      stainId: stain.id,
      procedure,
      state: beginBench(procedure),
      openedAt: before(m.daysAgo),
      closedAt: new Date(before(m.daysAgo).getTime() + 2 * 3_600_000),
      outcome: m.outcome,
    });
    await appendEvents({ tx, householdId: demoHouseholdId, actor: 'demo' }, [
      {
        garmentId: m.piece,
        kind: 'stained',
        at: new Date(before(m.daysAgo).getTime() - m.ageHours * 3_600_000),
        data: { note: `${stainNames[m.stain].toLowerCase()}, ${m.place}` },
      },
      {
        garmentId: m.piece,
        kind: 'treated',
        at: new Date(before(m.daysAgo).getTime() + 2 * 3_600_000),
        data: { stain: { id: stain.id, kind: m.stain, result: m.outcome } },
      },
    ]);
  }
  for (const { daysAgo, piece, ...look } of pastLooks)
    await keepCheck(tx, demoHouseholdId, { ...look, garmentId: piece, at: before(daysAgo) });
}

/** The diaries of the jeans and the cardigan. */
async function storePictures(
  tx: Transaction,
  pictures: ReadonlyMap<(typeof pastPictures)[number], SmallPicture>,
  now: Date,
): Promise<void> {
  for (const [{ piece, place, moment, daysAgo, note }, made] of pictures)
    await addPhoto(
      tx,
      demoHouseholdId,
      { garmentId: piece, place, moment, note, at: new Date(now.getTime() - daysAgo * dayMs) },
      made,
    );
}
async function drawPictures(): Promise<Map<(typeof pastPictures)[number], SmallPicture>> {
  const out = new Map<(typeof pastPictures)[number], SmallPicture>();
  for (const p of pastPictures) {
    const made = await smallPicture(await drawPicture(p));
    if (!made.ok) throw new Error(`a picture of the demo cannot be drawn: ${made.problem}`);
    out.set(p, made.value);
  }
  return out;
}

/** true when the demo was loaded, false when the household was already there. */
export async function loadDemo(now: Date): Promise<boolean> {
  if (await lookInHousehold(demoHouseholdId, readHousehold)) return false;
  // The past is worked out first: a transaction that waits for it would be given up on a slow machine.
  const midnight = new Date(now).setUTCHours(0, 0, 0, 0);
  const history = demoHistory(demoWardrobe);
  const past = [...pastDays(demoWardrobe, history, new Date(midnight + 11.5 * 60 * minuteMs))];
  const pictures = await drawPictures();
  const yesterday = lastWash(demoWardrobe, now, 'yesterday');
  const morning = lastWash(demoWardrobe, now, 'morning');
  return inHousehold(demoHouseholdId, async (tx) => {
    if (await readHousehold(tx)) return false;
    await createHousehold(tx, demoHouseholdId, demoHousehold);
    for (const piece of demoWardrobe) await addGarment(tx, demoHouseholdId, piece.id, piece.garment);

    const momentOf = (e: DemoEvent): Date =>
      new Date(Math.min(midnight - e.daysAgo * dayMs + (e.minute - zoneMinutes) * minuteMs, now.getTime() - minuteMs));
    const inLoads = new Map<number, Map<string, PastLoad>>();
    for (const day of past) {
      const daysAgo = Math.round((midnight - new Date(day.at).setUTCHours(0, 0, 0, 0)) / dayMs);
      const readings = new Map(
        history.events.flatMap((e) =>
          e.kind === 'read' && e.daysAgo === daysAgo && e.test ? [[e.garmentId, e.test.grade] as const] : [],
        ),
      );
      inLoads.set(daysAgo, await storeDay(tx, day, readings, now));
    }
    // What was washed of late and still hangs, or waits for the iron, nobody has worn since.
    const washedSince = new Map(
      [yesterday, morning].flatMap((day) => day.hamper.garments.map((g) => [g.id, day.at] as const)),
    );
    const told = history.events.filter((e) => e.kind !== 'worn' || momentOf(e) < (washedSince.get(e.garmentId) ?? now));
    const events = told.map((e): NewEvent => {
      const load = e.kind === 'washed' || e.kind === 'read' ? inLoads.get(e.daysAgo)?.get(e.garmentId) : undefined;
      return {
        garmentId: e.garmentId,
        kind: e.kind,
        at: load ? load.finishedAt : momentOf(e),
        loadId: load?.id ?? null,
        data: {
          ...(e.count === undefined ? {} : { count: e.count }),
          ...(e.note === undefined ? {} : { note: e.note }),
          ...(e.test ? { test: e.test } : {}),
          ...(e.measure ? { measure: e.measure } : {}),
          ...(load && e.kind === 'washed' ? { temperatureC: load.temperatureC, programme: load.programme } : {}),
        },
      };
    });
    const chunk = 1_000;
    for (let k = 0; k < events.length; k += chunk)
      await appendEvents({ tx, householdId: demoHouseholdId, actor: 'demo' }, events.slice(k, k + chunk));

    await storeLessons(tx, now);
    await storePictures(tx, pictures, now);
    await storeLastWash(tx, yesterday, now, true);
    await storeLastWash(tx, morning, now, false);

    const noon = new Date(now).setUTCHours(11, 0, 0, 0);
    for (const { id, basket, neededInDays } of demoWardrobe) {
      const neededBy = neededInDays ? new Date(noon + neededInDays * dayMs + 7 * 3_600_000).toISOString() : null;
      if (basket) await putInBasket(tx, demoHouseholdId, id, { ...emptyState, ...basket, neededBy });
    }
    return true;
  });
}

if (process.argv[1]?.endsWith('seed.ts')) {
  // Only the demo is begun anew; whoever made a household of their own keeps it.
  if (process.argv.includes('--fresh')) await inHousehold(demoHouseholdId, forgetHousehold);
  const loaded = await loadDemo(new Date());
  if (loaded) console.log('loaded the demo household');
  const tokens = process.argv.find((a) => a.startsWith('--devices='))?.slice('--devices='.length);
  if (tokens) await letStandInsIn(tokens);
  await closeDatabase();
}
