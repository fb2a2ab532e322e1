/** What hands do at the stain bench, what they look for afterwards, when a step is due, and when to stop. */
export const actionIds = [
  'scrape',
  'lift',
  'blot',
  'rub-dry-cloth',
  'cover-absorb',
  'brush-dry',
  'freeze',
  'dab',
  'dab-on-pad',
  'flush-back',
  'work-fingers',
  'work-soft-brush',
  'spray-rest',
  'paste-rest',
  'soak',
  'rinse-bath',
  'iron-through-paper',
  'air-out',
  'sun-dry',
  'mist-even',
] as const;
export type ActionId = (typeof actionIds)[number];

export const checkIds = [
  'solid',
  'transfer',
  'garment-dye',
  'gone-wet',
  'gone-dry',
  'residue',
  'odour',
  'fume',
  'fibre-sound',
] as const;
export type CheckId = (typeof checkIds)[number];

/** When a step is due: always; when the check before it failed; undyed, unprinted and bleach allowed; undyed or tested fast; undyed
 * cellulose that bears chlorine; when an orange tone of an iron complex is left; from 2.5 mmol/l of hardness. */
export const whenIds = [
  'always',
  'if-left',
  'white-only',
  'fast-only',
  'white-cellulose-only',
  'if-orange',
  'if-hard-water',
] as const;
export type WhenId = (typeof whenIds)[number];

/**
 * To a professional: dye that moves, cloth or size that is no work for home, rounds used up on what is delicate. Permanent: fibre damage. Safety:
 * fuel, fumes, unknown chemicals. Leave: poor odds, or rounds used up on sound cloth.
 */
export const stopCodes = ['stop-pro', 'stop-permanent', 'stop-safety', 'stop-leave'] as const;
export type StopCode = (typeof stopCodes)[number];
