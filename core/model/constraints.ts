/**
 * The hard constraints of a plan, with a name each beside its number in the open documents, and who may set it aside: a *risk* rule yields to a
 * confirmed decision, a *safety* rule to nobody. H6 is no matter of risk: without a shared detergent there is no wash.
 */
export type RuleType = 'safety' | 'risk';

// prettier-ignore
export const constraints = {
  H1:  { name: 'careLimit',     type: 'risk' },
  H2:  { name: 'fill',          type: 'risk' },
  H3:  { name: 'dyeTransfer',   type: 'risk' },
  H4:  { name: 'contamination', type: 'safety' },
  H5:  { name: 'ownColour',     type: 'risk' },
  H6:  { name: 'detergent',     type: 'safety' },
  H7:  { name: 'hardware',      type: 'risk' },
  H8:  { name: 'chemistry',     type: 'safety' },
  H10: { name: 'houseRule',     type: 'risk' },
  H11: { name: 'use',           type: 'risk' },
} as const satisfies Record<string, { name: string; type: RuleType }>;
export type Constraint = keyof typeof constraints;
export type ConstraintName = (typeof constraints)[Constraint]['name'];

/** Why a set cannot be one load: a broken constraint, or nothing in the house that would do. */
export type Violation = Constraint | 'no-suitable-programme' | 'no-suitable-product';
