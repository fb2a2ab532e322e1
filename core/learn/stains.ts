/** How marks really come out here: by mark, by cloth, and by the agents that were used. */
import type { FibreId } from '../fibre/fibres.ts';
import type { Garment } from '../model/garment.ts';
import type { StainKind } from '../stain/stains.ts';
import { clamp, mean, sum } from '../units/numbers.ts';
import type { Learnt } from './lesson.ts';

/** A mark that was treated to the end: what was foretold, 0–1, and what became of it: 1 gone, 0.5 lighter, 0 as before. */
export interface StainOutcome {
  odds: number;
  outcome: number;
}
/** What became of a mark, as a share of gone. Treatments that were broken off or written anew say nothing. */
export const outcomeShares: Readonly<Record<string, number>> = { gone: 1, lighter: 0.5, same: 0, 'given-up': 0 };

/** As much as so many marks the book is believed. */
const bookWeight = 4;
export const outcomesNeeded = 2;
/** The cloth of one household says no more than this, points. */
const mostPoints = 20;

/**
 * Points to add to the odds of the next one (Beta prior of the book's odds, weight 4); null = too few.
 * @example learntStainPoints([{ odds: 0.6, outcome: 1 }, { odds: 0.6, outcome: 1 }]) // 13.3
 */
export function learntStainPoints(outcomes: readonly StainOutcome[]): number | null {
  if (outcomes.length < outcomesNeeded) return null;
  const book = mean(outcomes.map((o) => o.odds));
  const after = (bookWeight * book + sum(outcomes.map((o) => o.outcome))) / (bookWeight + outcomes.length);
  return clamp(100 * (after - book), -mostPoints, mostPoints);
}

/**
 * How marks came out by what was used on them, the agent used most first; one mark counts for each of its agents.
 * @example byAgent([{ agents: ['soap-bar'], outcome: 1 }]) // [{ agent: 'soap-bar', marks: 1, came: 1 }]
 */
export function byAgent(
  marks: readonly { agents: readonly string[]; outcome: number }[],
): { agent: string; marks: number; came: number }[] {
  const out = new Map<string, { agent: string; marks: number; came: number }>();
  for (const { agents, outcome } of marks)
    for (const agent of new Set(agents)) {
      const known = out.get(agent) ?? { agent, marks: 0, came: 0 };
      out.set(agent, { agent, marks: known.marks + 1, came: known.came + outcome });
    }
  return [...out.values()].sort((a, b) => b.marks - a.marks || b.came - a.came);
}

/** What most of the shell is. */
export function mainFibre(parts: Garment['parts']): FibreId {
  const shell = parts.find((p) => p.role === 'shell') ?? parts[0];
  const [first] = [...(shell?.fibres ?? [])].sort((a, b) => b.percent - a.percent);
  return first?.fibre ?? 'unknown';
}
/** What was learnt of a mark on this cloth, points; 0 = nothing. */
export const stainPointsOf = (learnt: Learnt['stains'], stain: StainKind, parts: Garment['parts']): number =>
  learnt.find((l) => l.stain === stain && l.fibre === mainFibre(parts))?.points ?? 0;
