/** What a pushed setting would do to one load: choices from the household's own machine, consequences piece by piece. */
import { effectNames, effectSize, type EffectSize } from '@words/en/effects.ts';
import { oddsText } from '@words/odds.ts';
import { textOf } from '@words/text.ts';
import { byHand } from '@core/board/by-hand.ts';
import { isTinted, leastTold, toldEffects, type ToldKind, type ToldEffect } from '@core/board/told.ts';
import { whatIf, type PieceEffect, type Pushed } from '@core/board/what-if.ts';
import { detergentClasses, type Household } from '@core/model/household.ts';
import { handTemperaturesC } from '@core/price/settings.ts';
import { tumbleOrder } from '@core/model/orders.ts';
import { boardOf } from '@formats/board.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { findLoad } from '@data/loads.ts';
import { notFound, type Scope } from '../server/request.server.ts';
import type { ClothView } from '../ui/fold.tsx';
import { loadFacts, loadTitle, pieceRef } from '../wash/load-view.server.ts';
import { productClassText } from '../household/product-words.ts';
import { drawingOf } from '../shared/drawing.ts';
import { dryingText, durationText, lengthText } from '../shared/words.ts';
import { preferences } from '../server/preferences.server.ts';
import type { DrawingId } from '../ui/drawing/drawings.ts';

export interface EffectView {
  what: string;
  size: string;
  odds: string;
  level: ToldEffect['level'];
}
export interface PieceEffectView {
  id: string;
  name: string;
  cloth: ClothView;
  drawing: DrawingId;
  /** How it would look: its tint, its size as a share of what it was, and how many centimetres of its length go. */
  after: ClothView;
  size: number;
  lostText: string;
  tintText: string;
  passes: string[];
  effects: EffectView[];
}
export interface WhatIfView {
  loadId: string;
  title: string;
  options: {
    /** Programmes of the machines, then the basins. */
    ways: [string, string][];
    temperatures: [string, string][];
    spins: [string, string][];
    detergents: [string, string][];
    hasDryer: boolean;
  };
  byHand: boolean;
  chosen: { way: string; temperatureC: string; spinRpm: string; tumble: string; detergent: string };
  asPlanned: boolean;
  summary: string;
  broken: number;
  pieces: PieceEffectView[];
}

const handPrefix = 'hand/';
/** What a load may be tried in: every programme, and every basin by hand. */
interface WayView {
  key: string;
  name: string;
  byHand: boolean;
  temperaturesC: readonly number[];
  spinsRpm: readonly number[];
  push: (temperatureC: number) => Pick<Pushed, 'washer' | 'programme' | 'spinRpm' | 'basin'>;
}
function waysOf(household: Household): WayView[] {
  const several = household.washers.length > 1;
  const machines = household.washers.flatMap((washer) =>
    washer.programmes
      .filter((p) => p.family !== 'rinse-spin')
      .map((programme): WayView => ({
        key: `${washer.id}/${programme.id}`,
        name: several ? `${programme.name}, ${washer.name}` : programme.name,
        byHand: false,
        temperaturesC: programme.temperaturesC,
        spinsRpm: programme.spinsRpm,
        push: () => ({ washer, programme, spinRpm: 0 }),
      })),
  );
  const basins = household.basins.map((basin): WayView => ({
    key: `${handPrefix}${basin.id}`,
    name: `By hand, ${basin.name}`,
    byHand: true,
    temperaturesC: handTemperaturesC.filter((c) => c <= Math.max(household.water.hotC, household.water.coldC)),
    spinsRpm: [0],
    push: (temperatureC) => ({ ...byHand(basin, temperatureC), basin }),
  }));
  return [...machines, ...basins];
}

/** How large a consequence is, as it is told. */
function sizeOf(kind: ToldKind, e: PieceEffect, { byHand, spinRpm, inches, nameOf }: Telling): EffectSize {
  switch (kind) {
    case 'shrinks':
      return {
        kind,
        percent: e.shrinkPercent,
        lost: lengthText(e.shrinkCm, inches),
        feltingPercent: e.feltingPercent > leastTold.feltingPercent ? e.feltingPercent : null,
      };
    case 'tint':
      return { kind, deltaE: e.tint?.deltaE ?? 0, from: e.tint ? nameOf(e.tint.from) : '' };
    case 'fades':
      return { kind, deltaE: e.fadeDeltaE, seenAfter: e.washesToGrade4 };
    case 'creases':
      return { kind, spinRpm: byHand ? null : spinRpm };
    case 'sets':
      return { kind };
    case 'unclean':
      return { kind, percent: 100 * e.cleaningDeficit };
  }
}
interface Telling {
  byHand: boolean;
  spinRpm: number;
  inches: boolean;
  nameOf: (piece: number) => string;
}

/** The nearest of the offered values to what was asked; the machine has no others. */
const nearest = (offered: readonly number[], asked: number): number =>
  offered.reduce((best, x) => (Math.abs(x - asked) < Math.abs(best - asked) ? x : best), offered[0] ?? 0);

export async function whatIfView({ tx }: Scope, loadId: string, query: URLSearchParams): Promise<WhatIfView> {
  const view = await findLoad(tx, loadId);
  if (!view) throw notFound('That load is not known here.');
  const { hamper, plan, load } = view;
  const household = householdOf(hamper.household);
  const board = boardOf(hamper, plan);
  const ways = waysOf(household);
  const planned =
    load.method === 'hand' ? `${handPrefix}${load.basin ?? ''}` : `${load.washer ?? ''}/${load.programme ?? ''}`;
  const asked = query.get('way');
  const way = ways.find((x) => x.key === asked) ?? ways.find((x) => x.key === planned) ?? ways[0];
  if (!way) throw notFound('There is no machine and no basin to try things in.');
  const temperatureC = nearest(way.temperaturesC, Number(query.get('temperatureC') ?? load.temperatureC));
  const spinRpm = nearest(way.spinsRpm, Number(query.get('spinRpm') ?? load.spinRpm));
  const dryer = household.dryers[0] ?? null;
  const tumble = (dryer && tumbleOrder.find((t) => t === query.get('tumble'))) || 'none';
  const cupboard = detergentClasses.filter((c) => household.products.some((p) => p.class === c && p.remaining !== 0));
  const detergent =
    cupboard.find((c) => c === query.get('detergent')) ??
    cupboard.find((c) => c === load.detergent?.class) ??
    cupboard[0] ??
    'colour';
  const pushed: Pushed = {
    ...way.push(temperatureC),
    temperatureC,
    spinRpm,
    tumble,
    detergent,
    catcher: load.additives.some((a) => a.class === 'colour-catcher'),
    dryer,
  };
  const inches = preferences().units.length === 'in';
  const pieces = load.garments.map((id) => board.ids.indexOf(id)).filter((i) => i >= 0);
  const result = whatIf(board.basket, pieces, pushed, household);
  const docs = new Map(hamper.garments.map((g) => [g.id, g]));
  const name = (i: number): string => docs.get(board.ids[i] ?? '')?.name ?? '';
  const rows = result.pieces.flatMap((e): PieceEffectView[] => {
    const doc = docs.get(board.ids[e.piece] ?? '');
    if (!doc) return [];
    const ref = pieceRef(doc);
    const garment = garmentOf(doc);
    const effects: EffectView[] = toldEffects(e).map(({ kind, odds, level }) => ({
      what: effectNames[kind],
      size: effectSize(sizeOf(kind, e, { byHand: way.byHand, spinRpm, inches, nameOf: name })),
      odds: oddsText(odds),
      level,
    }));
    if (e.dryingHours !== null)
      effects.push({
        what: effectNames.dries,
        size: effectSize({ kind: 'dries', time: dryingText(e.dryingHours) }),
        odds: '',
        level: 'fine',
      });
    return [
      {
        id: ref.id,
        name: ref.name,
        cloth: ref.cloth,
        drawing: drawingOf(garment.kind),
        after: e.tint && isTinted(e) ? { ...ref.cloth, hex: e.tint.hex } : ref.cloth,
        size: 1 - e.shrinkPercent / 100,
        lostText: e.shrinkCm >= leastTold.shrinkCm ? `−${lengthText(e.shrinkCm, inches)}` : '',
        tintText: e.tint && isTinted(e) ? `tinted by ${name(e.tint.from)}` : '',
        passes: e.passes.map(textOf),
        effects,
      },
    ];
  });
  return {
    loadId,
    title: loadTitle(loadFacts(hamper, plan, load)),
    options: {
      ways: ways.map((x) => [x.key, x.name]),
      temperatures: way.temperaturesC.map((c) => [String(c), `${c} °C`]),
      spins: way.spinsRpm.map((r) => [String(r), r === 0 ? 'no spin' : `${r} rpm`]),
      detergents: cupboard.map((c) => [c, productClassText(c)]),
      hasDryer: dryer !== null,
    },
    byHand: way.byHand,
    chosen: { way: way.key, temperatureC: String(temperatureC), spinRpm: String(spinRpm), tumble, detergent },
    asPlanned:
      way.key === planned &&
      temperatureC === load.temperatureC &&
      spinRpm === load.spinRpm &&
      tumble === 'none' &&
      detergent === load.detergent?.class,
    summary: `${durationText(result.minutes)}, ${result.energyKwh.toFixed(2)} kWh ${result.litres === null ? 'in the machine' : `for ${Math.round(result.litres)} l of water with its rinses`}${result.tumbleKwh > 0 ? `, ${result.tumbleKwh.toFixed(2)} kWh in the dryer` : ''}${result.overfilled ? `; more than this ${way.byHand ? 'basin' : 'programme'} takes` : ''}.`,
    broken: rows.filter((r) => r.passes.length > 0).length,
    pieces: rows,
  };
}
