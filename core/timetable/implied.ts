/** What has happened implies what comes before it: a machine that runs was loaded, a piece that is pressed was dry. */
import type { Happened } from './day.ts';
import { handMinutes, type Block, type PieceWork, type Step } from './work.ts';

const before = (from: number, minutes: number): Happened => ({ from: from - minutes, to: from, expected: null });

/** Progress with the steps nobody told, as if each had ended when the next began. */
export function withImplied(blocks: readonly Block[], told: ReadonlyMap<string, Happened>): Map<string, Happened> {
  const all = new Map(told);
  const imply = (step: Pick<Step, 'id' | 'minutes'>, by: Happened | undefined): void => {
    if (by && !all.has(step.id)) all.set(step.id, before(by.from, step.minutes));
  };
  for (const block of blocks) {
    for (const piece of block.pieces) implyPiece(block, piece, imply, all);
    for (const step of [...block.steps].reverse())
      for (const index of step.after) {
        const earlier = block.steps[index];
        if (earlier) imply(earlier, all.get(step.id));
      }
    const { before: marks } = block;
    const [first] = block.steps;
    if (!marks || !first) continue;
    if (marks.soak) imply(marks.soak, all.get(first.id));
    imply(marks.hands, all.get(marks.soak?.id ?? first.id));
  }
  return all;
}

function implyPiece(
  block: Block,
  p: PieceWork,
  imply: (step: Pick<Step, 'id' | 'minutes'>, by: Happened | undefined) => void,
  all: ReadonlyMap<string, Happened>,
): void {
  const id = (kind: string): string => `${block.id}.${kind}.${p.id}`;
  const away = all.get(id('put-away'));
  if (p.pressMin > 0) imply({ id: id('press'), minutes: p.pressMin }, away);
  const next = all.get(id('press')) ?? away;
  if (p.drying) imply({ id: id('dry'), minutes: p.drying.planMin }, next);
  else imply({ id: `${block.id}.cool-check`, minutes: handMinutes.coolCheck }, next);
  const hung = block.steps[p.afterStep];
  if (hung) imply(hung, all.get(p.drying ? id('dry') : `${block.id}.cool-check`));
}
