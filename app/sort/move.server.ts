/** Moves on the board: from what somebody did to pins. */
import type { MoveTarget } from '@core/board/move.ts';
import type { Board } from '@formats/board.ts';
import type { PlanDocument } from '@formats/plan.ts';
import { pinsWithout } from '@data/decisions.ts';
import type { PinDocument } from '@data/schema.ts';

/** The pins after a move: what was decided about the piece before is replaced. */
export function pinsAfterMove(
  pins: readonly PinDocument[],
  board: Board,
  plan: PlanDocument,
  piece: string,
  target: MoveTarget,
  confirmed: boolean,
): PinDocument[] {
  const kept = pinsWithout(pins, piece);
  const mark = confirmed ? { confirmed: true } : {};
  if (target.to === 'outcome') return [...kept, { outcome: { [piece]: target.outcome }, ...mark }];
  if (target.to === 'hand') return [...kept, { outcome: { [piece]: 'wash' }, by: 'hand', ...mark }];
  if (target.to === 'load')
    return [
      ...kept,
      { together: [...(plan.loads[target.load]?.garments ?? []).filter((g) => g !== piece), piece], ...mark },
    ];
  const others = board.loads
    .flat()
    .flatMap((i) => board.ids[i] ?? [])
    .filter((g) => g !== piece);
  return [...kept, { outcome: { [piece]: 'wash' }, ...mark }, ...others.map((g) => ({ apart: [piece, g] }))];
}
