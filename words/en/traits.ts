/** Why a trait limits what it limits, by trait and parameter. A limit inside a wool programme has the reason of the spin. */
import type { TraitId } from '@core/construction/traits.ts';
import type { EnvelopeParameter } from '@core/envelope/envelope.ts';

// prettier-ignore
export const traitLimitWords: Partial<Record<TraitId, Partial<Record<EnvelopeParameter, string>>>> = {
  'chunky-knit': { maxAction: 'an open knit pulls out of shape', dryPositions: 'a wet open knit grows when it hangs' },
  'hand-knit': { maxAction: 'an open knit pulls out of shape', dryPositions: 'a wet open knit grows when it hangs' },
  velvet: { tumble: 'pile crushes' },
  velveteen: { tumble: 'pile crushes' },
  corduroy: { maxAction: 'corduroy pile rubs off' },
  fleece: { softener: 'softener mats fleece', tumble: 'fleece mats with heat' },
  lace: { maxAction: 'lace tears under movement', maxSpinRpm: 'lace tears in a fast spin', tumble: 'lace does not bear tumbling' },
  mesh: { maxAction: 'mesh tears under movement', maxSpinRpm: 'mesh tears in a fast spin', tumble: 'mesh does not bear tumbling' },
  tulle: { maxAction: 'tulle tears under movement', maxSpinRpm: 'tulle tears in a fast spin', tumble: 'tulle does not bear tumbling' },
  terry: { softener: 'softener makes terry repel water' },
  'denim-raw': { company: 'raw indigo rubs and bleeds', tumble: 'raw denim shrinks in the dryer' },
  denim: { maxSpinRpm: 'a fast spin sets lengthwise creases in denim', tumble: 'denim shrinks and streaks in the dryer' },
  layered: { dryPositions: 'wet layers are heavy and need support' },
  quilted: { maxSpinRpm: 'wadding bunches in a fast spin' },
  padded: { maxSpinRpm: 'wadding bunches in a fast spin' },
  down: { tumble: 'down scorches above low heat', bleach: 'bleach damages down' },
  crinkle: { maxSpinRpm: 'a fast spin presses the crinkle out' },
  pleated: { maxSpinRpm: 'a fast spin presses the pleats out' },
  print: { maxTemperatureC: 'the print cracks and fades above 40 °C', tumble: 'tumbler heat cracks the print', ironInsideOut: 'never iron on the print' },
  'transfer-print': { maxTemperatureC: 'the transfer print cracks and fades above 40 °C', tumble: 'tumbler heat cracks the transfer print', ironInsideOut: 'never iron on the transfer print' },
  flock: { maxTemperatureC: 'the flock print cracks and fades above 40 °C', tumble: 'tumbler heat cracks the flock print', ironInsideOut: 'never iron on the flock print' },
  sequins: { maxAction: 'sequins come loose under movement', maxSpinRpm: 'sequins come loose in a fast spin', tumble: 'sequins do not bear tumbling', iron: 'never an iron on sequins' },
  beads: { maxAction: 'beads come loose under movement', maxSpinRpm: 'beads come loose in a fast spin', tumble: 'beads do not bear tumbling', iron: 'never an iron on beads' },
  elastic: { tumble: 'heat tires elastic', bleach: 'chlorine eats elastic' },
  underwire: { maxAction: 'the wire bends and works loose', maxSpinRpm: 'the wire bends in a fast spin', tumble: 'wire and cups do not bear tumbling' },
  'moulded-cups': { maxAction: 'cups dent', maxSpinRpm: 'cups dent in a fast spin', tumble: 'cups do not bear tumbling' },
  wicking: { softener: 'softener blocks wicking cloth' },
  waterproof: { softener: 'softener spoils the finish', tumble: 'only low heat', detergents: 'powder and softening agents clog the finish' },
  membrane: { softener: 'softener spoils the membrane', tumble: 'only low heat', maxSpinRpm: 'trapped water unbalances the drum', detergents: 'powder and softening agents clog the membrane' },
  'flame-resistant': { softener: 'softener can burn', bleach: 'chlorine strips the finish' },
  'rubber-backed': { tumble: 'rubber perishes with heat', maxTemperatureC: 'rubber perishes above 40 °C' },
};
