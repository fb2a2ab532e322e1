/** What hands do at the stain bench, what they look for afterwards, when a step is due, and when to stop. */
export const actions = {
  scrape: 'Lift with a blunt edge from rim to middle; never cut.',
  lift: 'Press tape or gauze-covered nozzle down and peel straight up.',
  blot: 'Press a clean white pad; fresh side each time; stop when nothing transfers.',
  'rub-dry-cloth': 'Stroke lightly with a dry white cloth, along the grain.',
  'cover-absorb': 'Cover 2–3 mm deep; leave; tip off.',
  'brush-dry': 'Stroke dry cloth one way with a soft clean brush.',
  freeze: 'Bag the item or lay ice in a bag on it until brittle.',
  dab: 'Touch with a moist pad from edge to centre, then a dry pad.',
  'dab-on-pad': 'Face down on white pad; moisten the back; move pad each 30 s.',
  'flush-back': 'Tap water through the back, gentle flow, stain hanging free.',
  'work-fingers': 'Spread with a fingertip, edge to centre, no scrubbing.',
  'work-soft-brush': 'Tap and stroke with a soft brush, 20 strokes at most.',
  'spray-rest': 'Wet the mark through; keep damp; leave.',
  'paste-rest': 'Spread thin layer; leave; wipe off.',
  soak: 'Fully under the liquid, loose, lid or plate on top; move gently at start and end.',
  'rinse-bath': 'Move gently in a clean bath, drain, repeat.',
  'iron-through-paper': 'Iron on paper, 5–10 s each (0.1–0.2 min), fresh paper every press.',
  'air-out': 'Hang outdoors or at an open window; no heat, spark or flame.',
  'sun-dry': 'Damp, flat, in sun; re-wet each 60 min.',
  'mist-even': 'Mist or steam the whole panel seam to seam so no edge dries first.',
} as const satisfies Record<string, string>;
export type ActionId = keyof typeof actions;

// prettier-ignore
export const checks = {
  solid: { passes: 'nothing lifts or flakes off', ifFails: 'repeat step' },
  transfer: { passes: 'white pad stays clean 10 s', ifFails: 'repeat to limit, then next step' },
  'garment-dye': { passes: 'pad shows no garment colour', ifFails: 'rinse cold now → stop-pro' },
  'gone-wet': { passes: 'mark not visible wet', ifFails: 'next if-left step' },
  'gone-dry': { passes: 'no mark after air-drying 12–24 h, daylight, both sides', ifFails: 'next round while rounds are left, else stop' },
  residue: { passes: 'no slick, sticky or stiff feel; rinse water clear', ifFails: 'rinse again, then repeat' },
  odour: { passes: 'no smell when damp and after drying', ifFails: 'repeat or next step' },
  fume: { passes: 'no solvent or fuel smell at 10 cm', ifFails: 'keep airing; no drum, no heat: stop-safety' },
  'fibre-sound': { passes: 'no fibre loss, gloss or melt', ifFails: 'stop-permanent' },
} as const satisfies Record<string, { passes: string; ifFails: string }>;
export type CheckId = keyof typeof checks;

export const whens = {
  always: 'do the step',
  'if-left': 'only when the previous check failed',
  'white-only': 'undyed, no print, label permits bleach',
  'fast-only': 'undyed, or dyed with passed test',
  'white-cellulose-only': 'undyed cotton, linen, hemp; label permits chlorine; no elastane or metal; never urine',
  'if-orange': 'orange-brown tone left (iron complex)',
  'if-hard-water': 'hardness > 2.5 mmol/L',
} as const satisfies Record<string, string>;
export type WhenId = keyof typeof whens;

export const stopCodes = {
  'stop-pro': {
    trigger:
      'garment dye moves; acetone needed on acetate; structured, lined, velvet, beaded, heirloom or dry-clean-only with failed test; skin routes; rounds used up on silk, acetates, metallic-thread; paint or ink > 10 cm',
    text: 'Stop here. Let it air dry and show it, with the list of what you used, to a professional cleaner.',
  },
  'stop-permanent': {
    trigger: 'melted, scorched brown-black, bleached patch, fibre loss, dye stripped',
    text: 'This is fibre damage, not a stain. Washing will not reverse it.',
  },
  'stop-safety': {
    trigger: 'fuel smell, unknown chemical, fumes from mixing, medical sharps, heavy petrol or solvent soak',
    text: 'Do not wash or heat this. Air it outdoors and follow the safety card.',
  },
  'stop-leave': {
    trigger: 'score < 20 or caps reached on sound garment',
    text: 'More treatment is likelier to harm the cloth than help. Wear, dye or mend it.',
  },
} as const satisfies Record<string, { trigger: string; text: string }>;
export type StopCode = keyof typeof stopCodes;
