/** Dose that left something in the cloth, or did not clean: the share of the pack's dose that suits this water and these machines. */

/** Share of the pack's dose after residue: 0.85 of what it was, never less than what leaves cloth grey. */
const lessDose = 0.85;
const leastDoseShare = 0.7;
/** After residue less, when it did not clean back to the pack. */
const shareAfter = (share: number, seen: 'residue' | 'not-clean'): number =>
  seen === 'residue' ? Math.max(leastDoseShare, Math.round(share * lessDose * 100) / 100) : 1;

export interface DoseSeen {
  at: string;
  seen: 'residue' | 'not-clean';
}
/**
 * The share after each look, oldest first; the last one holds.
 * @example learntDose([{ at, seen: 'residue' }, { at, seen: 'residue' }]).at(-1)?.share // 0.72
 */
export function learntDose(oldestFirst: readonly DoseSeen[]): (DoseSeen & { share: number })[] {
  let share = 1;
  return oldestFirst.map((d) => {
    share = shareAfter(share, d.seen);
    return { ...d, share };
  });
}
