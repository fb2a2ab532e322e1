/** The demo household's id; until there are accounts it is the household everybody on this machine shares. */
export const demoHouseholdId = '6f0b1a5e-0000-4000-8000-00000000f01d';
