/** What the hands say about what hangs: dry, still damp, weighed, turned; the one place where the rack meets history and learning. */
import { equilibriumMoisture } from '@core/drying/drying.ts';
import { pressPlan } from '@core/piece/care-steps.ts';
import { clothOutC, dryerRun, type DryerRun } from '@core/rack/dryer.ts';
import { scaleVerdict, type ScaleVerdict } from '@core/rack/dry-check.ts';
import { forecastDrying } from '@core/rack/forecast.ts';
import { appendEvents } from '@data/events.ts';
import { changeRack, foretell, readRack, type Rack, type WetPiece } from '@data/rack.ts';
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

/** Felt, and damp: a thick place still holds so much more than dry cloth, kg/kg. */
const dampHolds = 0.08;
export async function stillDamp({ tx, now, householdId }: Scope, ids: readonly string[]): Promise<number> {
  let damp = 0;
  await changeRack(tx, now, async (rack) => {
    const { pieces } = forecastDrying(rack.drying, rack.surroundings);
    for (const p of rack.drying) {
      if (!ids.includes(p.id)) continue;
      const dryAt = equilibriumMoisture(p.profile.fibre, rack.household.room.relativeHumidity);
      const moisture = Math.max(pieces.find((f) => f.id === p.id)?.moisture ?? 0, dryAt + dampHolds);
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
export async function startDryerRun({ tx, now, householdId }: Scope, dryerId: string): Promise<DryerAnswer> {
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
  await foretell(tx, now);
  return 'started';
}
/** Out of the drum: what was stopped before its time is as damp as the time left; the rest is dry once it has cooled. */
export async function stopDryerRun(scope: Scope, id: string): Promise<boolean> {
  const { tx, now } = scope;
  const run = await endDryer(tx, id, now);
  if (!run) return false;
  const whole = run.endsAt.getTime() - run.startedAt.getTime();
  const share = Math.min(1, (now.getTime() - run.startedAt.getTime()) / Math.max(1, whole));
  const rack = await readRack(tx, now);
  for (const p of rack?.drying ?? []) {
    if (!run.pieces.includes(p.id)) continue;
    const hot = { hotC: run.low ? clothOutC.low : clothOutC.normal, moistureAt: now };
    if (share >= 1) {
      await changeWet(tx, p.id, { ...hot, dryAt: now, moisture: cupboardDry }, 'wet');
      await appendEvents(scope, [{ garmentId: p.id, kind: 'dried', at: now, loadId: p.row.loadId }]);
    } else await changeWet(tx, p.id, { ...hot, moisture: p.moisture - share * (p.moisture - cupboardDry) }, 'wet');
  }
  return true;
}
const cupboardDry = 0.08;

/** Whether a dry piece waits for the iron: its plan sends it there, nobody has pressed it or let it be. */
export const waitsForIron = (p: WetPiece): boolean => p.row.pressedAt === null && pressPlan(p.profile) !== null;

/** Back in the cupboard: now it is clean. Answers how many. */
export async function intoCupboard({ tx, now }: Scope, ids: readonly string[]): Promise<number> {
  const rack = await readRack(tx, now);
  const dry = (rack?.dry ?? []).filter((p) => ids.includes(p.id)).map((p) => p.id);
  return (await putAway(tx, dry)).length;
}
