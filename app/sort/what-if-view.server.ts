/** What a pushed setting would do to one load: choices from the household's own machine, consequences piece by piece. */
import { textOf } from '@words/text.ts';
import { whatIf, type Pushed } from '@core/board/what-if.ts';
import { detergentClasses } from '@core/model/household.ts';
import { tumbleOrder } from '@core/model/orders.ts';
import { boardOf } from '@formats/board.ts';
import { householdOf } from '@formats/hamper.ts';
import { findLoad } from '@data/loads.ts';
import { notFound, type Scope } from '../server/request.server.ts';
import type { ClothView } from '../ui/fold.tsx';
import { loadFacts, loadTitle, pieceRef } from '../wash/load-view.server.ts';
import { productClassText } from '../household/product-words.ts';
import { dryingText, durationText } from '../shared/words.ts';

export interface EffectView {
  what: string;
  size: string;
  odds: string;
  level: 'fine' | 'watch' | 'bad';
}
export interface PieceEffectView {
  id: string;
  name: string;
  cloth: ClothView;
  after: ClothView;
  shrink: number;
  passes: string[];
  effects: EffectView[];
}
export interface WhatIfView {
  loadId: string;
  title: string;
  options: {
    programmes: [string, string][];
    temperatures: [string, string][];
    spins: [string, string][];
    detergents: [string, string][];
    hasDryer: boolean;
  };
  chosen: { programme: string; temperatureC: string; spinRpm: string; tumble: string; detergent: string };
  asPlanned: boolean;
  summary: string;
  broken: number;
  pieces: PieceEffectView[];
}

const oddsText = (p: number): string =>
  p < 0.02
    ? 'hardly ever'
    : p < 0.15
      ? `${Math.round(p * 100)} in 100`
      : p > 0.98
        ? 'almost surely'
        : `${Math.round(p * 10)} in 10`;
const level = (p: number): EffectView['level'] => (p >= 0.5 ? 'bad' : p >= 0.1 ? 'watch' : 'fine');
/** The nearest of the offered values to what was asked; the machine has no others. */
const nearest = (offered: readonly number[], asked: number): number =>
  offered.reduce((best, x) => (Math.abs(x - asked) < Math.abs(best - asked) ? x : best), offered[0] ?? 0);

export async function whatIfView({ tx }: Scope, loadId: string, query: URLSearchParams): Promise<WhatIfView> {
  const view = await findLoad(tx, loadId);
  if (!view) throw notFound('That load is not known here.');
  const { hamper, plan, load } = view;
  const household = householdOf(hamper.household);
  const board = boardOf(hamper, plan);
  const programmes = household.washers.flatMap((w) =>
    w.programmes.filter((p) => p.family !== 'rinse-spin').map((p) => ({ w, p, key: `${w.id}/${p.id}` })),
  );
  const planned = `${load.washer ?? ''}/${load.programme ?? ''}`;
  const asked = query.get('programme');
  const choice = programmes.find((x) => x.key === asked) ?? programmes.find((x) => x.key === planned) ?? programmes[0];
  if (!choice) throw notFound('There is no machine to try things on.');
  const temperatureC = nearest(choice.p.temperaturesC, Number(query.get('temperatureC') ?? load.temperatureC));
  const spinRpm = nearest(choice.p.spinsRpm, Number(query.get('spinRpm') ?? load.spinRpm));
  const dryer = household.dryers[0] ?? null;
  const tumble = (dryer && tumbleOrder.find((t) => t === query.get('tumble'))) || 'none';
  const cupboard = detergentClasses.filter((c) => household.products.some((p) => p.class === c && p.remaining !== 0));
  const detergent =
    cupboard.find((c) => c === query.get('detergent')) ??
    cupboard.find((c) => c === load.detergent?.class) ??
    cupboard[0] ??
    'colour';
  const pushed: Pushed = {
    washer: choice.w,
    programme: choice.p,
    temperatureC,
    spinRpm,
    tumble,
    detergent,
    catcher: load.additives.some((a) => a.class === 'colour-catcher'),
    dryer,
  };
  const pieces = load.garments.map((id) => board.ids.indexOf(id)).filter((i) => i >= 0);
  const result = whatIf(board.basket, pieces, pushed, household);
  const docs = new Map(hamper.garments.map((g) => [g.id, g]));
  const name = (i: number): string => docs.get(board.ids[i] ?? '')?.name ?? '';
  const rows = result.pieces.flatMap((e): PieceEffectView[] => {
    const doc = docs.get(board.ids[e.piece] ?? '');
    if (!doc) return [];
    const ref = pieceRef(doc);
    const effects: EffectView[] = [];
    const add = (what: string, size: string, p: number, show: boolean): void => {
      if (show) effects.push({ what, size, odds: oddsText(p), level: level(p) });
    };
    add(
      'Shrinks',
      `${e.shrinkPercent.toFixed(1)} %, about ${e.shrinkCm.toFixed(1)} cm in length${e.feltingPercent > 0.5 ? `, ${e.feltingPercent.toFixed(1)} % by felting, for good` : ''}`,
      e.shrinkOdds,
      e.shrinkPercent >= 0.3,
    );
    if (e.tint)
      add('Takes colour', `ΔE ${e.tint.deltaE.toFixed(1)} from ${name(e.tint.from)}`, e.tint.odds, e.tint.deltaE >= 1);
    add(
      'Fades',
      `ΔE ${e.fadeDeltaE.toFixed(2)} a wash${e.washesToGrade4 ? `, seen after about ${e.washesToGrade4}; odds after ten` : ''}`,
      e.fadeOdds,
      e.fadeDeltaE >= 0.05,
    );
    add('Creases', `${spinRpm} rpm`, e.creaseOdds, e.creaseOdds >= 0.1);
    add('The stain sets', 'heat before it is gone', e.stainSetOdds, e.stainSetOdds > 0);
    add(
      'Stays dirty',
      `${Math.round(e.cleaningDeficit * 100)} % short of what its soil asks`,
      e.uncleanOdds,
      e.cleaningDeficit >= 0.05,
    );
    if (e.dryingHours !== null)
      effects.push({ what: 'Dries', size: `${dryingText(e.dryingHours)} in this room`, odds: '', level: 'fine' });
    return [
      {
        id: ref.id,
        name: ref.name,
        cloth: ref.cloth,
        after: e.tint && e.tint.deltaE >= 1 ? { ...ref.cloth, hex: e.tint.hex } : ref.cloth,
        shrink: e.shrinkPercent,
        passes: e.passes.map(textOf),
        effects,
      },
    ];
  });
  return {
    loadId,
    title: loadTitle(loadFacts(hamper, plan, load)),
    options: {
      programmes: programmes.map((x) => [x.key, household.washers.length > 1 ? `${x.p.name}, ${x.w.name}` : x.p.name]),
      temperatures: choice.p.temperaturesC.map((c) => [String(c), `${c} °C`]),
      spins: choice.p.spinsRpm.map((r) => [String(r), r === 0 ? 'no spin' : `${r} rpm`]),
      detergents: cupboard.map((c) => [c, productClassText(c)]),
      hasDryer: dryer !== null,
    },
    chosen: { programme: choice.key, temperatureC: String(temperatureC), spinRpm: String(spinRpm), tumble, detergent },
    asPlanned:
      choice.key === planned &&
      temperatureC === load.temperatureC &&
      spinRpm === load.spinRpm &&
      tumble === 'none' &&
      detergent === load.detergent?.class,
    summary: `${durationText(result.minutes)}, ${result.energyKwh.toFixed(2)} kWh in the machine${result.tumbleKwh > 0 ? `, ${result.tumbleKwh.toFixed(2)} kWh in the dryer` : ''}${result.overfilled ? '; more than this programme takes' : ''}.`,
    broken: rows.filter((r) => r.passes.length > 0).length,
    pieces: rows,
  };
}
