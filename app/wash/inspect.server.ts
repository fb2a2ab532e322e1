/** The last look at a load: which questions are open, what an answer changes, and what is washed again at once. */
import {
  askedForDays,
  dryLookOf,
  isAnswer,
  isGood,
  lookFacts,
  looksOf,
  rinseMatters,
  type Look,
} from '@core/run/inspection.ts';
import { catcherGrades, piecesRead, type Findings } from '@core/run/findings.ts';
import { soilOrder } from '@core/model/orders.ts';
import { profileOf } from '@core/piece/profile.ts';
import { garmentOf, householdOf, type HamperDocument } from '@formats/hamper.ts';
import type { GarmentDocument } from '@formats/hamper-schema.ts';
import { basketState, emptyState, putInBasket } from '@data/basket.ts';
import { appendEvents, type NewEvent } from '@data/events.ts';
import { findingsOf, keepFinding, type Finding } from '@data/findings.ts';
import { listPieces, type Piece } from '@data/garments.ts';
import { currentHamper } from '@data/hamper.ts';
import { changeFindings, storePlan, type LoadView } from '@data/loads.ts';
import { closeTreatmentOf } from '../treat/treat-actions.server.ts';
import { planInPool } from '../server/pool.server.ts';
import type { Scope } from '../server/request.server.ts';

/** Loads that came out since then are still asked about. */
export const askedSince = (now: Date): Date => new Date(now.getTime() - askedForDays * 86_400_000);

const garmentsOf = ({ hamper, load }: LoadView): GarmentDocument[] =>
  hamper.garments.filter((g) => load.garments.includes(g.id));

/** Every question of a finished load; those that wait for dry cloth only once the mark was not to be seen wet. */
export function allLooks(load: LoadView, answered: readonly Finding[], pieces: readonly Piece[]): Look[] {
  const { rules } = householdOf(load.hamper.household);
  const looks = looksOf({
    pieces: garmentsOf(load).map((g) => profileOf(garmentOf(g), rules)),
    catcher: load.load.procedure.some((s) => s.step === 'read-catcher'),
    byHand: load.load.method === 'hand',
    carefulRinse: rinseMatters(rules.skin, load.load.detergent?.class ?? null) || (load.walkState?.cloudy ?? false),
    withControl: new Set(
      pieces.filter((p) => p.state.detached !== null && load.load.garments.includes(p.row.id)).map((p) => p.row.id),
    ),
  });
  const gone = new Set(answered.filter((f) => f.kind === 'mark' && f.answer === 'gone').map((f) => f.look));
  return [...looks, ...looks.filter((l) => gone.has(l.id)).map(dryLookOf)];
}
export interface LoadLooks {
  open: Look[];
  answered: Finding[];
}
/** What nobody has answered yet, of a load that came out in the last two weeks; a piece washed again since is asked about there. */
export function openLooksOf(load: LoadView, answered: readonly Finding[], pieces: readonly Piece[], now: Date): Look[] {
  const { finishedAt } = load;
  if (load.status !== 'finished' || !finishedAt || finishedAt < askedSince(now)) return [];
  const known = new Set(answered.map((f) => f.look));
  const washedSince = new Set(
    pieces.filter((p) => p.state.lastWashedAt !== null && p.state.lastWashedAt > finishedAt).map((p) => p.row.id),
  );
  return allLooks(load, answered, pieces).filter(
    (l) => !known.has(l.id) && !l.pieces.every((id) => washedSince.has(id)),
  );
}
export async function looksOfLoad({ tx, now }: Scope, load: LoadView): Promise<LoadLooks> {
  const answered = (await findingsOf(tx, [load.id])).get(load.id) ?? [];
  if (load.status !== 'finished') return { open: [], answered };
  return { open: openLooksOf(load, answered, await listPieces(tx), now), answered };
}

/** What a catcher says of the pieces it was washed with. */
function readingEvents(
  garments: readonly GarmentDocument[],
  catcher: Findings['catcher'],
  grade: number | null,
  loadId: string,
  at: Date,
): NewEvent[] {
  if (catcher === 'none') return [];
  const test = { kind: 'catcher' as const, grade: grade ?? catcherGrades[catcher] };
  return piecesRead(garments.map(garmentOf), catcher).map((g) => ({
    garmentId: g.id,
    kind: 'read',
    at,
    loadId,
    data: { test },
  }));
}
/**
 * Back into the basket, with every mark that is not proven gone dry: those that failed one round older. What somebody has marked on the piece
 * meanwhile stays as it is.
 */
async function backToBasket(
  { tx, householdId }: Scope,
  load: LoadView,
  g: GarmentDocument,
  failed: ReadonlySet<string>,
  soil: GarmentDocument['soil'],
): Promise<void> {
  const answered = (await findingsOf(tx, [load.id])).get(load.id) ?? [];
  const proven = new Set(
    answered.filter((f) => f.kind === 'mark-dry' && f.answer === 'gone').map((f) => f.look.split('/')[2] ?? ''),
  );
  const now = await basketState(tx, g.id);
  const marked = new Set((now?.stains ?? []).map((s) => s.id));
  const unproven = (g.stains ?? [])
    .filter((s) => !proven.has(s.id) && !marked.has(s.id))
    .map((s) => (failed.has(s.id) ? { ...s, failedRounds: (s.failedRounds ?? 0) + 1 } : s));
  const before = now ?? { ...emptyState, soil: 'light' as const, hygiene: g.hygiene ?? false };
  const wanted = soil ?? 'light';
  await putInBasket(tx, householdId, g.id, {
    ...before,
    soil: soilOrder.indexOf(wanted) > soilOrder.indexOf(before.soil) ? wanted : before.soil,
    stains: [
      ...before.stains.map((s) => (failed.has(s.id) ? { ...s, failedRounds: (s.failedRounds ?? 0) + 1 } : s)),
      ...unproven,
    ],
  });
}

async function followMark(scope: Scope, load: LoadView, look: Look, answer: string): Promise<void> {
  const g = garmentsOf(load).find((x) => x.id === look.pieces[0]);
  const stain = look.stain;
  if (!g || !stain) return;
  const result = answer as 'gone' | 'lighter' | 'same';
  if (look.kind === 'mark' && result === 'gone') return; // wet cloth hides what is left: asked again when it is dry
  await appendEvents(scope, [
    {
      garmentId: g.id,
      kind: 'treated',
      at: scope.now,
      loadId: load.id,
      data: { stain: { id: stain.id, kind: stain.kind, result } },
    },
  ]);
  await closeTreatmentOf(scope, g.id, stain.id, result === 'gone' ? 'gone' : 'same');
  if (result === 'gone') return;
  await backToBasket(scope, load, g, new Set([stain.id]), 'light');
}

async function follow(scope: Scope, load: LoadView, look: Look, finding: Finding, grade: number | null): Promise<void> {
  const { answer, pieces, note } = finding;
  const said = (f: Partial<Findings>) =>
    changeFindings(scope.tx, load.id, {
      ...(load.findings ?? { catcher: 'none', stains: 'none', size: 'not-looked' }),
      ...f,
    });
  const noteEach = (data: NewEvent['data']) =>
    appendEvents(
      scope,
      pieces.map((garmentId): NewEvent => ({ garmentId, kind: 'noted', at: scope.now, loadId: load.id, data })),
    );
  switch (look.kind) {
    case 'catcher':
      await said({ catcher: answer as Findings['catcher'] });
      return appendEvents(
        scope,
        readingEvents(garmentsOf(load), answer as Findings['catcher'], grade, load.id, scope.now),
      );
    case 'mark':
      await said({ stains: answer === 'gone' && load.findings?.stains !== 'left' ? 'gone' : 'left' });
      return followMark(scope, load, look, answer);
    case 'mark-dry':
      await said({ stains: answer === 'gone' ? (load.findings?.stains ?? 'gone') : 'left' });
      return followMark(scope, load, look, answer);
    case 'size':
      await said({ size: answer === 'changed' || load.findings?.size === 'changed' ? 'changed' : 'kept' });
      return appendEvents(scope, [
        {
          garmentId: look.pieces[0] ?? '',
          kind: 'measured',
          at: scope.now,
          loadId: load.id,
          data: { size: answer as 'kept' | 'changed' },
        },
      ]);
    case 'damage':
      return isGood('damage', answer) ? undefined : noteEach({ mend: note || 'Something broke in the wash' });
    case 'control':
      return isGood('control', answer)
        ? undefined
        : noteEach({ note: `Paler than the part that stayed dry, after ${load.load.temperatureC} °C` });
    case 'smell':
      return isGood('smell', answer) ? undefined : noteEach({ note: 'Smelled when it came out of the wash' });
    case 'dye':
    case 'clean':
    case 'residue':
      return undefined;
  }
}

export type LookResult = 'kept' | 'answered' | 'unknown' | 'no-pieces';
/** Answer one question. `pieces` = whom it concerns, where not all. */
export async function answerLook(
  scope: Scope,
  load: LoadView,
  id: string,
  {
    answer,
    pieces,
    note,
    grade = null,
  }: { answer: string; pieces: readonly string[]; note: string; grade?: number | null },
): Promise<LookResult> {
  const answered = (await findingsOf(scope.tx, [load.id])).get(load.id) ?? [];
  const look = allLooks(load, answered, await listPieces(scope.tx)).find((l) => l.id === id);
  if (!look || !isAnswer(look.kind, answer)) return answered.some((f) => f.look === id) ? 'answered' : 'unknown';
  const concerned = isGood(look.kind, answer)
    ? [...look.pieces]
    : look.pieces.length === 1
      ? [...look.pieces]
      : lookFacts[look.kind].which
        ? look.pieces.filter((p) => pieces.includes(p))
        : [...look.pieces];
  if (concerned.length === 0) return 'no-pieces';
  const finding: Finding = {
    loadId: load.id,
    look: id,
    kind: look.kind,
    answer,
    pieces: concerned,
    note,
    at: scope.now,
  };
  if (!(await keepFinding(scope, finding))) return 'answered';
  await follow(scope, load, look, finding, grade);
  return 'kept';
}
/** Everything that may be answered together and is still open is as it should be. Answers how many. */
export async function restIsFine(scope: Scope, load: LoadView): Promise<number> {
  const { open } = await looksOfLoad(scope, load);
  let n = 0;
  for (const look of open) {
    const { when, alone, answers } = lookFacts[look.kind];
    if (when === 'dry' || alone) continue;
    const result = await answerLook(scope, load, look.id, { answer: answers[0], pieces: [], note: '' });
    if (result === 'kept') n++;
  }
  return n;
}

/** The same pieces as a load of their own, beside the day's plan: to be washed before they dry. Answers the new plan's load, or why there is none. */
export async function washAgain(
  scope: Scope,
  load: LoadView,
  ids: readonly string[],
): Promise<{ loads: number } | { refused: string }> {
  const again = garmentsOf(load).filter((g) => ids.includes(g.id));
  if (again.length === 0) return { refused: 'Choose the pieces that are washed again.' };
  const here = new Set((await listPieces(scope.tx)).map((p) => p.row.id));
  if (again.some((g) => !here.has(g.id))) return { refused: 'One of the pieces is no longer in the wardrobe.' };
  for (const g of again) {
    const soil = g.soil ?? 'normal';
    const least = soilOrder.indexOf(soil) < soilOrder.indexOf('normal') ? 'normal' : soil;
    await backToBasket(scope, load, g, new Set(), least);
  }
  const hamper = await currentHamper(scope.tx, scope.now);
  if (!hamper) return { refused: 'There is no household.' };
  // They are wet: nothing waits for a fuller load, whatever the house rule.
  const { pins: _, ...rest } = hamper;
  const own: HamperDocument = {
    ...rest,
    household: { ...hamper.household, rules: { ...hamper.household.rules, waiting: 'none' } },
    garments: hamper.garments.filter((g) => ids.includes(g.id)),
  };
  const plan = await planInPool(own, { urgency: 'waited-for' });
  if (plan.loads.length === 0)
    return {
      refused: 'Nothing here washes them as they are now. Put them in the basket; Sort then says why.',
    };
  await storePlan(scope.tx, scope.householdId, own, plan, scope.now, true);
  return { loads: plan.loads.length };
}
