/** Start and finish a load: the one place where a load's life meets basket, cupboard and history. */
import { catcherGrades, piecesRead, type Findings } from '@core/run/findings.ts';
import { garmentOf } from '@formats/hamper.ts';
import type { GarmentDocument } from '@formats/hamper-schema.ts';
import { appendEvents, type NewEvent } from '@data/events.ts';
import { closeTreatmentsOf } from '../treat/treat-actions.server.ts';
import { basketState, putInBasket, takeFromBasket } from '@data/basket.ts';
import { takeFromCupboard } from '@data/household.ts';
import { garmentDocument, listPieces } from '@data/garments.ts';
import {
  changeFindings,
  findLoad,
  markFinished,
  markStarted,
  newestPlanId,
  piecesInLoads,
  type LoadView,
} from '@data/loads.ts';
import { piecesInSoaks } from '@data/treatments.ts';
import type { Scope } from '../server/request.server.ts';

export type StartResult = 'started' | 'already-started' | 'piece-busy' | 'older-plan' | 'piece-gone' | 'piece-changed';

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

/** Start a planned load, if its ticket still tells how things are: of the newest plan, its pieces as they were sorted, in the basket, and nowhere else. */
export async function startLoad({ tx, now }: Scope, load: LoadView): Promise<StartResult> {
  if (load.status !== 'planned') return 'already-started';
  if (load.planId !== (await newestPlanId(tx))) return 'older-plan';
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
  if (!(await markStarted(tx, load.id, now, new Date(now.getTime() + load.load.durationMin * 60_000))))
    return 'already-started';
  if (!load.doseTaken)
    for (const dose of [load.load.detergent, ...load.load.additives])
      if (dose) await takeFromCupboard(tx, dose.product, dose.amount);
  return 'started';
}

/** What a catcher says of the pieces it was washed with. */
function readingEvents(
  garments: readonly GarmentDocument[],
  catcher: Findings['catcher'],
  loadId: string,
  at: Date,
): NewEvent[] {
  if (catcher === 'none') return [];
  const test = { kind: 'catcher' as const, grade: catcherGrades[catcher] };
  return piecesRead(garments.map(garmentOf), catcher).map((g) => ({
    garmentId: g.id,
    kind: 'read',
    at,
    loadId,
    data: { test },
  }));
}
/** The catcher of a finished load, read afterwards: false when it was read already. */
export async function readLater(
  scope: Scope,
  load: LoadView,
  catcher: Exclude<Findings['catcher'], 'none'>,
): Promise<boolean> {
  if (load.status !== 'finished' || load.findings?.catcher !== 'none') return false;
  await changeFindings(scope.tx, load.id, { ...load.findings, catcher });
  const garments = load.hamper.garments.filter((g) => load.load.garments.includes(g.id));
  await appendEvents(scope, readingEvents(garments, catcher, load.id, scope.now));
  return true;
}

/** Finish a running load: false when somebody was faster. Pieces leave the basket; a piece whose stain is left stays, without any heat. */
export async function finishLoad(scope: Scope, id: string, findings: Findings): Promise<boolean> {
  const { tx, householdId, now } = scope;
  const load = await findLoad(tx, id);
  if (!load || !(await markFinished(tx, id, now, findings))) return false;
  const garments = load.hamper.garments.filter((g) => load.load.garments.includes(g.id));
  const events: NewEvent[] = garments.map((g) => ({
    garmentId: g.id,
    kind: 'washed',
    at: now,
    loadId: id,
    data: { temperatureC: load.load.temperatureC, programme: load.load.programme ?? 'by hand' },
  }));
  events.push(...readingEvents(garments, findings.catcher, id, now));
  const stained = garments.filter((g) => (g.stains?.length ?? 0) > 0);
  if (findings.stains !== 'none') {
    for (const g of stained)
      for (const s of g.stains ?? [])
        events.push({
          garmentId: g.id,
          kind: 'treated',
          at: now,
          loadId: id,
          data: { stain: { id: s.id, kind: s.kind, result: findings.stains === 'gone' ? 'gone' : 'same' } },
        });
  }
  if (findings.size !== 'not-looked')
    for (const g of garments)
      events.push({
        garmentId: g.id,
        kind: 'measured',
        at: now,
        loadId: id,
        data: { size: findings.size },
      });
  await appendEvents(scope, events);
  if (findings.stains !== 'none')
    await closeTreatmentsOf(
      scope,
      stained.map((g) => g.id),
      findings.stains === 'gone' ? 'gone' : 'same',
    );
  const stay = findings.stains === 'left' ? stained.map((g) => g.id) : [];
  await takeFromBasket(
    tx,
    garments.map((g) => g.id).filter((g) => !stay.includes(g)),
  );
  for (const garmentId of stay) {
    const state = await basketState(tx, garmentId);
    if (state)
      await putInBasket(tx, householdId, garmentId, {
        ...state,
        soil: 'light',
        stains: state.stains.map((s) => ({ ...s, failedRounds: (s.failedRounds ?? 0) + 1 })),
      });
  }
  return true;
}
