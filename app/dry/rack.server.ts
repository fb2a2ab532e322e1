/** What the hands say about what hangs: dry, still damp, weighed, turned; the one place where the rack meets history and learning. */
import { pressPlan } from '@core/piece/care-steps.ts';
import { afterDryer, clothOutC, dryerRun, type DryerRun } from '@core/rack/dryer.ts';
import { feltDampMoisture, scaleVerdict, type ScaleVerdict } from '@core/rack/dry-check.ts';
import { forecastDrying, hoursToMoisture } from '@core/rack/forecast.ts';
import { hangUp } from '@core/rack/hang.ts';
import { appendEvents } from '@data/events.ts';
import { changeRack, foretell, hangAll, readRack, spacesOf, type Rack, type WetPiece } from '@data/rack.ts';
import { noteUpkeep } from '@data/upkeep.ts';
import { changeWet, endDryer, keepCheck, putAway, startDryer } from '@data/wet.ts';
import type { Scope } from '../server/request.server.ts';

const hourMs = 3_600_000;
const hoursHung = (p: WetPiece, now: Date): number => (p.hungMs === null ? 0 : (now.getTime() - p.hungMs) / hourMs);

/** Felt, and dry: only now it is. What hung tells its place how good the estimate was. Answers how many were wet. */
export async function feltDry(scope: Scope, ids: readonly string[]): Promise<number> {
  const { tx, now, householdId } = scope;
  const rack = await readRack(tx, now);
  let dry = 0;
  for (const p of rack?.drying ?? []) {
    if (!ids.includes(p.id)) continue;
    if (!(await changeWet(tx, p.id, { dryAt: now, moistureAt: now }, 'wet'))) continue;
    dry++;
    const hours = hoursHung(p, now);
    const { place, modelHours } = p.row;
    if (place !== null && modelHours !== null)
      await keepCheck(tx, householdId, { place, garmentId: p.id, found: 'dry', hours, modelHours, at: now });
    await appendEvents(scope, [
      {
        garmentId: p.id,
        kind: 'dried',
        at: now,
        loadId: p.row.loadId,
        data: place !== null && hours > 0 ? { drying: { place, hours: Math.round(hours * 10) / 10 } } : {},
      },
    ]);
  }
  if (dry > 0) await foretell(tx, now);
  return dry;
}

/** Felt, and damp: its hours begin anew from there, and its place learns. */
export async function stillDamp({ tx, now, householdId }: Scope, ids: readonly string[]): Promise<number> {
  let damp = 0;
  await changeRack(tx, now, async (rack) => {
    const { pieces } = forecastDrying(rack.drying, rack.surroundings);
    for (const p of rack.drying) {
      if (!ids.includes(p.id)) continue;
      const estimate = pieces.find((f) => f.id === p.id)?.moisture ?? 0;
      const moisture = feltDampMoisture(p.profile, rack.household.room.relativeHumidity, estimate);
      if (!(await changeWet(tx, p.id, { moisture, moistureAt: now }, 'wet'))) continue;
      damp++;
      const { place, modelHours } = p.row;
      if (place !== null && modelHours !== null)
        await keepCheck(tx, householdId, {
          place,
          garmentId: p.id,
          found: 'damp',
          hours: hoursHung(p, now),
          modelHours,
          at: now,
        });
    }
  });
  return damp;
}

/** On the kitchen scale; null = it is not wet. A verdict of dry ends its drying, any other corrects it. */
export async function weighed(scope: Scope, id: string, massG: number): Promise<ScaleVerdict | null> {
  const { tx, now } = scope;
  const rack = await readRack(tx, now);
  const p = rack?.drying.find((x) => x.id === id);
  if (!rack || !p) return null;
  const { weighedG, weighedAt } = p.row;
  const before =
    weighedG !== null && weighedAt !== null
      ? { massG: weighedG, minutesAgo: (now.getTime() - weighedAt.getTime()) / 60_000 }
      : null;
  const verdict = scaleVerdict(p.profile, massG, rack.household.room.relativeHumidity, before);
  if (verdict.verdict === 'dry') {
    await feltDry(scope, [id]);
    return verdict;
  }
  // Only a dry mass that was weighed once is good enough to teach the place.
  const { place } = p.row;
  const since = Math.max(p.atMs, p.hungMs ?? Infinity);
  if (verdict.verdict === 'damp' && p.profile.garment.weighedDryMassG !== null && place !== null) {
    const modelHours = hoursToMoisture(rack.drying, id, verdict.moisture, rack.surroundings);
    const hours = (now.getTime() - since) / hourMs;
    if (modelHours !== null && hours > 0)
      await keepCheck(tx, scope.householdId, { place, garmentId: id, found: 'weighed', hours, modelHours, at: now });
  }
  await changeRack(tx, now, async () => {
    const wetness = verdict.verdict === 'damp' ? { moisture: verdict.moisture, moistureAt: now } : {};
    await changeWet(tx, id, { ...wetness, weighedG: massG, weighedAt: now }, 'wet');
  });
  return verdict;
}

export async function turned({ tx, now }: Scope, ids: readonly string[]): Promise<number> {
  let done = 0;
  for (const id of ids) if (await changeWet(tx, id, { turnedAt: now }, 'wet')) done++;
  return done;
}

/** What each dryer of the house would take now, of the wet pieces that are meant for it. */
export const dryerRuns = (rack: Rack): DryerRun[] => {
  const wet = rack.drying.filter((p) => p.forDryer);
  let left = wet;
  const busy = new Set(rack.dryers.map((d) => d.dryer));
  return rack.household.dryers.flatMap((dryer) => {
    if (busy.has(dryer.id) || left.length === 0) return [];
    const list = left.map((p) => ({ id: p.id, profile: p.profile, moisture: p.moisture, markOpen: p.marked }));
    const run = dryerRun(list, dryer, rack.household);
    if (!run) return [];
    left = left.filter((p) => !run.pieces.includes(p.id));
    return [run];
  });
};
export type DryerAnswer = 'started' | 'busy' | 'nothing';
/** The lint filter was cleaned for it: that is noted with the care of the machine. */
export async function startDryerRun(scope: Scope, dryerId: string): Promise<DryerAnswer> {
  const { tx, now, householdId } = scope;
  const rack = await readRack(tx, now);
  if (!rack) return 'nothing';
  if (rack.dryers.some((d) => d.dryer === dryerId)) return 'busy';
  const run = dryerRuns(rack).find((r) => r.dryer.id === dryerId);
  if (!run) return 'nothing';
  const started = await startDryer(tx, householdId, {
    dryer: dryerId,
    pieces: run.pieces,
    low: run.low,
    kwh: run.energyKwh,
    startedAt: now,
    endsAt: new Date(now.getTime() + run.minutes * 60_000),
  });
  if (!started) return 'busy';
  await noteUpkeep(scope, dryerId, 'lint-filter', now);
  await foretell(tx, now);
  return 'started';
}
/** The pieces meant for a dryer go up instead, wherever there is room. Answers how many hang. */
export async function hangInstead({ tx, now }: Scope, dryerId: string): Promise<number> {
  const rack = await readRack(tx, now);
  const run = rack && dryerRuns(rack).find((r) => r.dryer.id === dryerId);
  if (!rack || !run) return 0;
  const spaces = spacesOf(rack.drying, rack.household);
  const placed: string[] = [];
  for (const p of rack.drying.filter((x) => run.pieces.includes(x.id))) {
    const at = hangUp(p.profile, p.moisture, spaces, rack.house);
    if (at.place !== null && (await changeWet(tx, p.id, at, 'wet'))) placed.push(p.id);
  }
  return hangAll(tx, now, placed);
}
/** Out of the drum: what was stopped before its time is as damp as the time left; the rest is dry once it has cooled. */
export async function stopDryerRun(scope: Scope, id: string): Promise<boolean> {
  const { tx, now } = scope;
  const run = await endDryer(tx, id, now);
  if (!run) return false;
  const whole = run.endsAt.getTime() - run.startedAt.getTime();
  const share = (now.getTime() - run.startedAt.getTime()) / Math.max(1, whole);
  const rack = await readRack(tx, now);
  for (const p of rack?.drying ?? []) {
    if (!run.pieces.includes(p.id)) continue;
    const hot = { hotC: run.low ? clothOutC.low : clothOutC.normal, moistureAt: now };
    if (share >= 1) {
      await changeWet(tx, p.id, { ...hot, dryAt: now, moisture: afterDryer(p.moisture, 1) }, 'wet');
      await appendEvents(scope, [{ garmentId: p.id, kind: 'dried', at: now, loadId: p.row.loadId }]);
    } else await changeWet(tx, p.id, { ...hot, moisture: afterDryer(p.moisture, share) }, 'wet');
  }
  return true;
}
/** Whether a dry piece waits for the iron: its plan sends it there, nobody has pressed it or let it be. */
export const waitsForIron = (p: WetPiece): boolean => p.row.pressedAt === null && pressPlan(p.profile) !== null;

/** Off the board, hot; or left as it is. What came damp from the line is dry now. */
export async function pressed(scope: Scope, ids: readonly string[], done: boolean): Promise<number> {
  const { tx, now } = scope;
  const rack = await readRack(tx, now);
  let count = 0;
  for (const p of [...(rack?.dry ?? []), ...(rack?.drying ?? [])]) {
    if (!ids.includes(p.id) || !waitsForIron(p) || (done && p.marked)) continue;
    if (p.row.dryAt === null && !done) continue;
    const change = { pressedAt: now, ...(done ? { hotC: clothOutC.normal } : {}) };
    if (p.row.dryAt === null) {
      if (!(await changeWet(tx, p.id, { ...change, dryAt: now }, 'wet'))) continue;
      await appendEvents(scope, [{ garmentId: p.id, kind: 'dried', at: now, loadId: p.row.loadId }]);
    } else if (!(await changeWet(tx, p.id, change, 'dry'))) continue;
    count++;
  }
  return count;
}

export interface PutAway {
  away: number;
  /** Names of those that stay out, because of a mark nobody has seen gone, or a part that is still off. */
  marked: string[];
  parts: string[];
}
/** Back in the cupboard: now it is clean. `refitted` = their parts are back on. */
export async function intoCupboard(
  scope: Scope,
  ids: readonly string[],
  refitted: ReadonlySet<string>,
): Promise<PutAway> {
  const { tx, now } = scope;
  const rack = await readRack(tx, now);
  const dry = (rack?.dry ?? []).filter((p) => ids.includes(p.id));
  const marked = dry.filter((p) => p.marked);
  const parts = dry.filter((p) => !p.marked && p.piece.state.detached !== null && !refitted.has(p.id));
  const ready = dry.filter((p) => !marked.includes(p) && !parts.includes(p));
  await appendEvents(
    scope,
    ready
      .filter((p) => p.piece.state.detached !== null)
      .map((p) => ({ garmentId: p.id, kind: 'noted' as const, at: now, data: { refitted: true } })),
  );
  const away = await putAway(
    tx,
    ready.map((p) => p.id),
  );
  const names = (list: readonly WetPiece[]): string[] => list.map((p) => p.piece.row.name);
  return { away: away.length, marked: names(marked), parts: names(parts) };
}
