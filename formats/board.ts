/** A stored plan as a board to work on: its basket with the pins that hold, and its loads as piece indices. Shared by server and browser worker. */
import { basketOf, type Basket } from '@core/price/basket.ts';
import { consequenceOf, type Consequence, type MoveTarget } from '@core/board/move.ts';
import { decide } from '@core/piece/outcomes.ts';
import { applyPins } from '@core/board/pins.ts';
import { readHamperValue, type HamperDocument } from './hamper.ts';
import type { PlanDocument } from './plan.ts';

export interface Board {
  basket: Basket;
  loads: number[][];
  ids: string[];
}

export function boardOf(hamper: HamperDocument, plan: PlanDocument): Board {
  const read = readHamperValue(hamper);
  if (!read.ok) throw new Error('the stored plan has no valid hamper');
  const { household, garments, now, pins = [] } = read.value.request;
  const base = basketOf(garments, household);
  const basket =
    pins.length > 0
      ? applyPins(
          garments,
          household,
          base,
          base.profiles.map((p) => decide(p, household, now)),
          pins,
        ).basket
      : base;
  const ids = garments.map((g) => g.id);
  return { basket, ids, loads: plan.loads.map((l) => l.garments.map((g) => ids.indexOf(g)).sort((a, b) => a - b)) };
}

/** Where a piece may be put besides into a load. */
export const restingPlaces = ['wait', 'air', 'spot-clean', 'professional', 'left-out'] as const;

/** `load:2`, `own`, `hand` or one of the resting places; null when it is none of these or there is no such load. */
export function targetOf(text: string, loads: number): MoveTarget | null {
  if (text === 'own' || text === 'hand') return { to: text };
  const outcome = restingPlaces.find((o) => o === text);
  if (outcome) return { to: 'outcome', outcome };
  const load = /^load:(\d{1,3})$/.exec(text)?.[1];
  return load !== undefined && Number(load) < loads ? { to: 'load', load: Number(load) } : null;
}

export const consequence = (board: Board, piece: string, target: MoveTarget): Consequence =>
  consequenceOf(board.basket, board.loads, board.ids.indexOf(piece), target);
