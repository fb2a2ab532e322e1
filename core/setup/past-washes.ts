/** What people say of the past of clothes nobody counted for, and the washes that stand for it (engineering estimates). */
export const washesBefore = { never: 0, some: 5, many: 25 } as const;
