/** The soaking tub: what may go in, what is planned, what is in the water; and how a tub begins and ends. */
import { say } from '@core/message/message.ts';
import { asDyed, countOf, mayBeUndyed, planSoak, soakObstacle, type SoakPlan } from '@core/stain/bulk-soak.ts';
import { afterSoak } from '@core/washing/soak.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { basketState, emptyState, putInBasket } from '@data/basket.ts';
import { appendEvents } from '@data/events.ts';
import { garmentDocument, listPieces } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { addSoak, endSoak, findSoak, openSoaks } from '@data/treatments.ts';
import { bandWords } from '@words/en/treat.ts';
import { textOf } from '@words/text.ts';
import type { Scope } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { durationText } from '../shared/words.ts';
import type { PieceRef } from '../wash/load-view.server.ts';
import { precautionsIn } from './treat-view.server.ts';

const groupWords = { white: 'White tub', light: 'Light tub', dark: 'Dark tub' } as const;
const tubTitle = (plan: Pick<SoakPlan, 'group' | 'short'>): string =>
  plan.short ? `${groupWords[plan.group]}, half an hour` : groupWords[plan.group];
/** What tells a tub from the others that are planned. */
export const tubKey = (plan: Pick<SoakPlan, 'group' | 'short'>): string =>
  plan.short ? `${plan.group}-short` : plan.group;

const washAfter = { celsius: afterSoak.mostC, percent: 100 * afterSoak.doseShare };
const waitingText = (names: string[]): string =>
  names.length === 0 ? '' : textOf(say('soak.waits', { names, ...washAfter }));
const undyedText = (names: string[]): string =>
  names.length === 0
    ? ''
    : textOf(say('soak.undyed', { names, percent: 100 * asDyed.doseShare, hours: asDyed.mostHours }));

/** `neverDyed` = the white pieces of unknown dye were looked at: white all through. */
export async function soakView({ tx, now }: Scope, chosen: readonly string[], neverDyed: boolean) {
  const home = await readHousehold(tx);
  const pieces = await listPieces(tx);
  const drumKg = Math.max(
    1,
    ...(home ? householdOf(home.document).washers.flatMap((w) => w.programmes.map((p) => p.maxLoadKg)) : [7]),
  );
  const ref = (id: string): PieceRef => {
    const p = pieces.find((x) => x.row.id === id);
    return { id, name: p?.row.name ?? id, cloth: clothOf(p?.row ?? { colours: [], traits: [], kind: 'other' }) };
  };
  const basket = pieces.filter((p) => p.basket !== null).map((p) => garmentOf(garmentDocument(p, now)));
  const running = (await openSoaks(tx)).map((s) => {
    const startedAt = s.startedAt?.getTime() ?? now.getTime();
    const minutesIn = (now.getTime() - startedAt) / 60_000;
    const next = s.plan.stirsAtMin[s.stirs] ?? null;
    return {
      id: s.id,
      title: tubTitle(s.plan),
      short: s.plan.short ?? false,
      count: countOf(s.plan.pieces),
      pieces: s.plan.pieces.map((p) => ref(p.id)),
      startedAt,
      endsAt: startedAt + s.plan.minutes * 60_000,
      stirs: s.stirs,
      stirsInAll: s.plan.stirsAtMin.length,
      nextStirAt: next === null ? null : startedAt + next * 60_000,
      due: next !== null && minutesIn >= next,
      bathChecks: s.plan.bathChecksAtMin.filter((m) => m >= minutesIn),
      over: minutesIn >= s.plan.endMin ? ('end' as const) : minutesIn >= s.plan.warnMin ? ('warn' as const) : null,
      loads: s.plan.loads.map((l) => l.map(ref)),
      then: textOf(say('soak.then-wash', { count: s.plan.loads.length, ...washAfter })),
      least: Math.max(0, Math.ceil(s.plan.leastMinutes - minutesIn)),
      dry: s.plan.dryKg,
    };
  });
  const busy = new Set(running.flatMap((r) => r.pieces.map((p) => p.id)));
  const choices = basket
    .filter((g) => !busy.has(g.id))
    .map((g) => {
      const obstacle = soakObstacle(g);
      // The look at a white piece of unknown dye comes with the tub.
      const lookOpens = obstacle !== null && mayBeUndyed(g) && soakObstacle({ ...g, dye: 'undyed' }) === null;
      return {
        piece: ref(g.id),
        refusal: obstacle && !lookOpens ? { text: textOf(obstacle.because), testOpens: obstacle.testOpens } : null,
        marked: g.stains.length > 0,
      };
    });
  const plan =
    chosen.length > 0
      ? planSoak(
          basket.filter((g) => chosen.includes(g.id) && !busy.has(g.id)),
          { maxLoadKg: drumKg },
          { neverDyed },
        )
      : null;
  return {
    /** Out of the soak and not washed since. */
    waiting: waitingText(pieces.filter((p) => p.basket?.soaked).map((p) => p.row.name)),
    serverNow: now.getTime(),
    running,
    choices: choices.sort((a, b) => Number(a.refusal !== null) - Number(b.refusal !== null)),
    chosen,
    tubs:
      plan?.tubs.map((t) => ({
        ...t,
        key: tubKey(t),
        title: tubTitle(t),
        count: countOf(t.pieces),
        refs: t.pieces.map((p) => ({ ...ref(p.id), band: bandWords[p.band] })),
      })) ?? [],
    /** White pieces among the chosen of which nobody has said whether they were ever dyed. */
    askUndyed: neverDyed
      ? ''
      : undyedText(basket.filter((g) => chosen.includes(g.id) && !busy.has(g.id) && mayBeUndyed(g)).map((g) => g.name)),
    neverDyed,
    refused:
      plan?.refused.map((r) => ({
        piece: ref(r.id),
        text: textOf(r.because),
        testOpens: r.testOpens,
      })) ?? [],
    precautions: precautionsIn(home, {
      agents: ['oxy-percarbonate', 'det-delicate'],
      stains: [],
      hottestC: 50,
      // What would have to be lifted: the cloth and its water, a kilogram the litre.
      bulkSoakKg: Math.max(0, ...(plan?.tubs ?? []).map((t) => t.dryKg + t.bathL)),
    }),
  };
}

export type SoakView = Awaited<ReturnType<typeof soakView>>;
export type PlannedTubView = SoakView['tubs'][number];
export type RunningTubView = SoakView['running'][number];

/** The tub with these pieces is filled; false when they cannot soak together any more. */
export async function beginSoak(
  scope: Scope,
  key: string,
  pieces: readonly string[],
  neverDyed: boolean,
): Promise<boolean> {
  const view = await soakView(scope, pieces, neverDyed);
  const tub = view.tubs.find((t) => t.key === key);
  if (!tub || tub.pieces.length !== new Set(pieces).size) return false;
  const { key: _key, title: _title, count: _count, refs: _refs, ...plan } = tub;
  await addSoak(scope.tx, scope.householdId, plan, scope.now);
  await appendEvents(
    scope,
    plan.pieces.map((p) => ({
      garmentId: p.id,
      kind: 'treated' as const,
      at: scope.now,
      data: { note: `Soaking in oxygen bleach, ${Math.round(plan.percarbonateG)} g in ${Math.round(plan.bathL)} l` },
    })),
  );
  return true;
}

/** Drained: its pieces wait in the basket for the wash after the soak. Too early it asks first. */
export async function finishSoak(
  scope: Scope,
  id: string,
  early: boolean,
): Promise<'done' | 'gone' | { minutes: number; leastMinutes: number }> {
  const { tx, now } = scope;
  const soak = await findSoak(tx, id);
  if (!soak || soak.endedAt !== null) return 'gone';
  const minutes = Math.round((now.getTime() - (soak.startedAt?.getTime() ?? now.getTime())) / 60_000);
  if (minutes < soak.plan.leastMinutes && !early) return { minutes, leastMinutes: soak.plan.leastMinutes };
  if (!(await endSoak(tx, id, now))) return 'gone';
  for (const garmentId of soak.pieces) {
    const state = (await basketState(tx, garmentId)) ?? emptyState;
    await putInBasket(tx, scope.householdId, garmentId, { ...state, soaked: true });
  }
  await appendEvents(
    scope,
    soak.pieces.map((garmentId) => ({
      garmentId,
      kind: 'treated' as const,
      at: now,
      data: { note: `Out of the oxygen soak after ${durationText(minutes)}` },
    })),
  );
  return 'done';
}
