/** What somebody may do in a household: an owner decides about people and the household itself, a member does the washing, a helper sees tickets and clocks. */
export const roles = ['owner', 'member', 'helper'] as const;
export type Role = (typeof roles)[number];
