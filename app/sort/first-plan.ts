/** From so many pieces on a first plan is stored at once, and made better while it can be looked at. */
export const firstPlanFrom = 61;
