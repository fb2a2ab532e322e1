/** From so many pieces on a first plan is stored at once, and made better while it can be looked at. */
export const firstPlanFrom = 31;
/** From so many pieces on the best plan takes longer than anybody waits for a page: the first is shown as soon as it is there. */
export const largeFrom = 61;
