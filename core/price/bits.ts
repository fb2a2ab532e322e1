/** What pieces bring to a load, as bits: quick to combine when thousands of sets are priced. */

/** Duties that hold for a load as soon as one piece has them. */
export const duty = {
  lowestSpin: 1,
  extraRinse: 2,
  noPowder: 4,
  catcher: 8,
  noSoak: 16,
  dark: 32,
  brighten: 64,
  waterproof: 128,
  noOxygen: 256,
  noSoftener: 512,
  noPod: 1024,
  overfill: 2048,
} as const;
/** Qualities a load has only when every piece has them. */
export const quality = {
  denim: 1,
  sport: 2,
  shirt: 4,
  silk: 8,
  handLabel: 16,
  hygiene: 32,
  lightSoil: 64,
  down: 128,
  cottonDenim: 256,
  white: 512,
  chlorine: 1024,
} as const;
