/** The board's arithmetic in the browser, beside the page: what a move would cost, while the piece is still in the air. */
import { boardOf, consequence, targetOf, type Board } from '@formats/board.ts';
import type { HamperDocument } from '@formats/hamper.ts';
import type { PlanDocument } from '@formats/plan.ts';
import type { Consequence } from '@core/board/move.ts';

export type BoardQuestion =
  | { kind: 'open'; hamper: HamperDocument; plan: PlanDocument }
  | { kind: 'move'; id: number; piece: string; target: string };
export interface BoardAnswer {
  id: number;
  consequence: Consequence | null;
  tookMs: number;
}

let board: Board | null = null;
addEventListener('message', (event: MessageEvent<BoardQuestion>) => {
  const question = event.data;
  if (question.kind === 'open') {
    board = boardOf(question.hamper, question.plan);
    return;
  }
  const start = performance.now();
  const target = board && targetOf(question.target, board.loads.length);
  const answer: BoardAnswer = {
    id: question.id,
    consequence: board && target ? consequence(board, question.piece, target) : null,
    tookMs: performance.now() - start,
  };
  postMessage(answer);
});
