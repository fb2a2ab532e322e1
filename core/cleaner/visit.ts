/** A piece at the cleaner: what goes on the slip, what is compared when it comes back. */
export const returnLooks = ['colour', 'marks', 'parts', 'size', 'smell'] as const;
export type ReturnLook = (typeof returnLooks)[number];
/** The good answer first. */
export const returnAnswers = {
  colour: ['as-before', 'paler', 'patchy'],
  marks: ['gone', 'lighter', 'still-there'],
  parts: ['all-there', 'missing'],
  size: ['as-before', 'smaller', 'larger'],
  smell: ['none', 'solvent'],
} as const satisfies Record<ReturnLook, readonly [string, ...string[]]>;
export const isReturnAnswer = (look: ReturnLook, answer: string): boolean =>
  (returnAnswers[look] as readonly string[]).includes(answer);

/** Which questions are asked of a piece: marks only where there were some, size only where it was measured. */
export const returnLooksOf = (piece: { marks: number; measured: boolean; parts: boolean }): ReturnLook[] =>
  returnLooks.filter((l) =>
    l === 'marks' ? piece.marks > 0 : l === 'size' ? piece.measured : l === 'parts' ? piece.parts : true,
  );

export const returnRemedies = ['air-it', 'ask-again', 'claim', 'measure', 'keep-for-good'] as const;
export type ReturnRemedy = (typeof returnRemedies)[number];
/** What follows from an answer: solvent is aired out of the bag, the rest is told while the ticket is fresh. */
export function returnRemedy(look: ReturnLook, answer: string): ReturnRemedy | null {
  if (answer === returnAnswers[look][0]) return null;
  switch (look) {
    case 'smell':
      return 'air-it';
    case 'marks':
      return 'ask-again';
    case 'size':
      return 'measure';
    case 'colour':
    case 'parts':
      return 'claim';
  }
}
export interface PastVisit {
  cost: number;
  worthIt: boolean | null;
}
/** What earlier visits say: how many, what one costs, how often it was worth it. null = there were none. */
export function pastVisits(
  list: readonly PastVisit[],
): { visits: number; meanCost: number; worth: number; judged: number } | null {
  if (list.length === 0) return null;
  const judged = list.filter((v) => v.worthIt !== null);
  return {
    visits: list.length,
    meanCost: list.reduce((t, v) => t + v.cost, 0) / list.length,
    worth: judged.filter((v) => v.worthIt).length,
    judged: judged.length,
  };
}
