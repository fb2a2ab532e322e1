/** A load from its start until it is out of the water: the one place where its life meets basket, cupboard and history. */
import { mayJoinWithinMin, whyNotJoin } from '@core/board/join.ts';
import { advance, beginWalk, walkEnded, type WalkAction } from '@core/run/walk-state.ts';
import { textOf } from '@words/text.ts';
import { onwardsFrom } from '@core/run/clock.ts';
import type { Message } from '@core/message/message.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import type { GarmentDocument } from '@formats/hamper-schema.ts';
import { appendEvents, type NewEvent } from '@data/events.ts';
import { takeFromBasket } from '@data/basket.ts';
import { takeFromCupboard } from '@data/household.ts';
import { garmentDocument, listPieces } from '@data/garments.ts';
import {
  changeRunning,
  findLoad,
  markFinished,
  markStarted,
  newestPlanId,
  piecesInLoads,
  runningLoads,
  type LoadView,
} from '@data/loads.ts';
import { takenOut } from '@data/rack.ts';
import { piecesInSoaks } from '@data/treatments.ts';
import { upkeepUnderWay } from '@data/upkeep.ts';
import type { MeasuredLoad } from '@data/schema.ts';
import type { Scope } from '../server/request.server.ts';
import { handWalkOf } from './hand-walk.server.ts';

export type StartResult =
  'started' | 'already-started' | 'machine-busy' | 'piece-busy' | 'older-plan' | 'piece-gone' | 'piece-changed';

/** What decides how a piece may be washed: a change of it since the sorting makes the ticket wrong. */
const clothOfPiece = (g: GarmentDocument): string =>
  JSON.stringify([
    g.kind,
    g.parts,
    g.features,
    g.colours,
    g.dye,
    g.label,
    g.dryMassG,
    g.size,
    g.count,
    g.allowTestFirst,
  ]);

/** Something is in that drum: a load, or a run of care. */
const machineBusy = async (tx: Scope['tx'], washer: string): Promise<boolean> =>
  (await runningLoads(tx)).some((l) => l.load.washer === washer) ||
  (await upkeepUnderWay(tx)).some((u) => u.machine === washer);

/** Start a planned load, if its ticket still tells how things are: of the newest plan, its pieces as they were sorted, in the basket, and nowhere else. */
export async function startLoad({ tx, now }: Scope, load: LoadView, startedAt = now): Promise<StartResult> {
  if (load.status !== 'planned') return 'already-started';
  if (!load.aside && load.planId !== (await newestPlanId(tx))) return 'older-plan';
  const pieces = new Map((await listPieces(tx)).map((p) => [p.row.id, p]));
  for (const id of load.load.garments) {
    const piece = pieces.get(id);
    const planned = load.hamper.garments.find((g) => g.id === id);
    if (!piece?.basket || !planned) return 'piece-gone';
    if (clothOfPiece(garmentDocument(piece, now)) !== clothOfPiece(planned)) return 'piece-changed';
  }
  const busy = new Set([
    ...(await piecesInLoads(tx)).filter((p) => p.loadId !== load.id).map((p) => p.garmentId),
    ...(await piecesInSoaks(tx)).map((p) => p.garmentId),
  ]);
  if (load.load.garments.some((g) => busy.has(g))) return 'piece-busy';
  if (load.load.washer !== null && (await machineBusy(tx, load.load.washer))) return 'machine-busy';
  const walk = handWalkOf(load);
  const endsAt = new Date(startedAt.getTime() + load.load.durationMin * 60_000);
  if (!(await markStarted(tx, load.id, { startedAt, endsAt, walk, walkState: walk && beginWalk() })))
    return 'already-started';
  if (!load.doseTaken)
    for (const dose of [load.load.detergent, ...load.load.additives])
      if (dose) await takeFromCupboard(tx, dose.product, dose.amount);
  return 'started';
}

/** One step of a wash by hand; `seen` = the state the screen had seen. The answer is a refusal in words, or how the walk stands. */
export type WalkAnswer = 'gone-on' | 'ended' | { refused: Message } | 'elsewhere' | 'not-running';
export async function stepWalk(
  { tx, now }: Scope,
  load: LoadView,
  { seen, action, at }: { seen: number; action: WalkAction; at: number },
): Promise<WalkAnswer> {
  if (load.status !== 'running' || !load.walk || !load.walkState) return 'not-running';
  if (load.walkState.seen !== seen) return 'elsewhere';
  // An action that waited for the network happened when it was done, but not before the one before it and not after now.
  const began = Math.max(load.startedAt?.getTime() ?? 0, load.walkState.clock?.startedAt ?? 0);
  const moment = Math.min(now.getTime(), onwardsFrom(began, at));
  const next = advance(load.walk, load.walkState, action, moment);
  if (!next.ok) return { refused: next.reason };
  if (!(await changeRunning(tx, load.id, { walkState: next.value }, load.walkState))) return 'elsewhere';
  return walkEnded(load.walk, next.value) ? 'ended' : 'gone-on';
}

/** The machine has ended, seen by somebody or told by a device. */
export async function noteEnd(
  { tx }: Scope,
  load: LoadView,
  at: Date,
  measured: Pick<MeasuredLoad, 'kwh' | 'by'> & { minutes?: number },
): Promise<boolean> {
  if (load.status !== 'running' || !load.startedAt || load.measured) return false;
  const minutes = measured.minutes ?? (at.getTime() - load.startedAt.getTime()) / 60_000;
  return changeRunning(tx, load.id, {
    endsAt: at,
    trouble: null,
    measured: { endedAt: at.toISOString(), minutes: Math.round(minutes), kwh: measured.kwh, by: measured.by },
  });
}

/** Out of the water: false when somebody was faster. The pieces are wet now; what is to be looked at is asked after it. */
export async function takeOut(scope: Scope, id: string): Promise<boolean> {
  const { tx, now } = scope;
  const load = await findLoad(tx, id);
  if (!load || !(await markFinished(tx, id, now, { catcher: 'none', stains: 'none', size: 'not-looked' })))
    return false;
  const garments = load.hamper.garments.filter((g) => load.load.garments.includes(g.id));
  await appendEvents(
    scope,
    garments.map((g): NewEvent => ({
      garmentId: g.id,
      kind: 'washed',
      at: now,
      loadId: id,
      data: { temperatureC: load.load.temperatureC, programme: load.load.programme ?? 'by hand' },
    })),
  );
  await takeFromBasket(
    tx,
    garments.map((g) => g.id),
  );
  await takenOut(tx, scope.householdId, load, now);
  return true;
}

/** Why a piece may not be with what runs, in words; empty = it may. */
export function whyNotWith({ hamper, load }: LoadView, garmentId: string): string[] {
  const household = householdOf(hamper.household);
  const garments = hamper.garments
    .filter((g) => g.id === garmentId || load.garments.includes(g.id))
    .map((g) => garmentOf(g));
  return whyNotJoin(garments, household, load.garments, garmentId, {
    washer: load.washer,
    programme: load.programme,
    temperatureC: load.temperatureC,
    spinRpm: load.spinRpm,
    detergentClass: load.detergent?.class ?? null,
  }).map(textOf);
}

export type JoinAnswer = 'joined' | 'too-late' | 'not-here' | { refused: readonly string[] };
/** A forgotten piece joins a running machine, if it had been allowed to from the start. */
export async function joinRunning({ tx, now }: Scope, load: LoadView, garmentId: string): Promise<JoinAnswer> {
  if (load.status !== 'running' || load.load.method !== 'machine' || !load.startedAt) return 'not-here';
  if (now.getTime() - load.startedAt.getTime() > mayJoinWithinMin * 60_000) return 'too-late';
  if (load.load.garments.includes(garmentId)) return 'joined';
  const piece = (await listPieces(tx)).find((p) => p.row.id === garmentId);
  const planned = load.hamper.garments.find((g) => g.id === garmentId);
  if (!piece?.basket || !planned || clothOfPiece(garmentDocument(piece, now)) !== clothOfPiece(planned))
    return 'not-here';
  const busy = [...(await piecesInLoads(tx)), ...(await piecesInSoaks(tx))].some((p) => p.garmentId === garmentId);
  if (busy) return 'not-here';
  const why = whyNotWith(load, garmentId);
  if (why.length > 0) return { refused: why };
  await changeRunning(tx, load.id, { added: [...load.added, garmentId] });
  return 'joined';
}
