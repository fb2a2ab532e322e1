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
  /** Its label forbids a detergent that bleaches. */
  noBleach: 4096,
  bulk: 8192,
  bulkSuffers: 16384,
  wool: 32768,
} as const;
/** Qualities a load has only when every piece has them. */
export const quality = {
  down: 128,
  robustCotton: 256,
  white: 512,
  chlorine: 1024,
  /** Out of the oxygen soak: half the detergent. */
  soaked: 2048,
} as const;
