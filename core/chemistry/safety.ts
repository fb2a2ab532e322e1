/** Protective equipment and safety lines: fixed texts, shown when their trigger holds, with who decides. Hazard words follow the sense of GHS labels. */
export const ppe = {
  'ppe-none': 'Wash hands after use.',
  'ppe-gloves': 'Wear household gloves.',
  'ppe-gloves-eye': 'Wear gloves and eye protection; add powder to water slowly.',
  'ppe-gloves-vent': 'Wear solvent-resistant gloves; open windows; no flame, spark or smoking.',
  'ppe-gloves-eye-vent': 'Wear gloves and eye protection; open windows; use nothing else in the same basin.',
  'ppe-mask': 'Wear a dust mask; keep powder low and away from flame.',
} as const satisfies Record<string, string>;
export type PpeId = keyof typeof ppe;

/** defer = who decides; null = nobody needs to be asked. */
export const safetyLines = {
  'label-first': {
    trigger: 'always',
    text: 'Read the care label and the product label. They outrank this plan.',
    defer: 'label',
  },
  'no-mix': { trigger: 'any two agents', text: 'Use one product at a time and rinse between.', defer: 'label' },
  'bleach-alone': {
    trigger: 'chlorine-bleach',
    text: 'Use bleach alone in cold water, in a ventilated room. Add nothing else.',
    defer: 'label, poison centre',
  },
  'bleach-gas': {
    trigger: 'haz-chlorine, haz-chloramine',
    text: 'If you smell gas: leave, air the room, stay out. Call the poison centre or emergency number.',
    defer: 'poison centre',
  },
  gloves: { trigger: 'ppe-gloves*', text: 'Put on gloves before you open the product.', defer: 'label' },
  eyes: {
    trigger: 'ppe-gloves-eye*, pods',
    text: 'If it gets in the eyes: rinse with lukewarm water for 15 min and call the poison centre.',
    defer: 'poison centre',
  },
  'skin-splash': {
    trigger: 'bleach, alkali, acid, solvent',
    text: 'Rinse skin with water for 15 min and take off wet clothing.',
    defer: 'poison centre',
  },
  swallowed: {
    trigger: 'any agent',
    text: 'If swallowed: do not make the person vomit. Keep the packet and call the poison centre.',
    defer: 'poison centre',
  },
  ventilate: { trigger: 'ppe *-vent', text: 'Open a window and work with short pauses in fresh air.', defer: 'label' },
  flame: {
    trigger: 'flam-solvent',
    text: 'Keep away from flame, sparks, pilot lights and hot appliances. No smoking.',
    defer: 'local rules',
  },
  'solvent-air': {
    trigger: 'c-noheat',
    text: 'Hang the item outdoors until you smell nothing. Do not machine wash or dry before that.',
    defer: 'local rules',
  },
  'fuel-cloth': {
    trigger: 'fuel-diesel',
    text: 'Take fuel-wet clothes outdoors and keep them away from the house and the dryer. If soaked, ask the waste service.',
    defer: 'local rules, fire service',
  },
  'fuel-body': {
    trigger: 'fuel-diesel',
    text: 'Wash fuel off skin now with soap and water. Call the poison centre if it was swallowed or in the eyes.',
    defer: 'poison centre',
  },
  'oily-rags': {
    trigger: 'paint-oil, engine-oil, soft-fat',
    text: 'Spread oily cloth flat outdoors, or keep it under water in a lidded metal tin. Never heap or tumble dry it.',
    defer: 'local rules',
  },
  'dryer-oil': {
    trigger: 'dryer + cooking or massage oil',
    text: 'Wash twice and check there is no oil smell. Do not dry oily cloth by heat.',
    defer: 'label',
  },
  lint: {
    trigger: 'dryer',
    text: 'Clean the lint filter before every load and check the duct regularly.',
    defer: 'appliance manual',
  },
  'dryer-cool': {
    trigger: 'dryer',
    text: 'Let the cool-down finish and unload at once. Do not stop it hot and leave a pile.',
    defer: 'appliance manual',
  },
  'dryer-alone': { trigger: 'dryer', text: 'Do not run the dryer while you sleep or are out.', defer: 'local rules' },
  duct: {
    trigger: 'dryer slow, hot, damp room',
    text: 'Stop using the dryer and have the vent checked.',
    defer: 'licensed technician',
  },
  'gas-dryer': {
    trigger: 'gas smell',
    text: 'Leave, do not use switches, call the gas emergency line from outside.',
    defer: 'licensed technician, emergency number',
  },
  electric: {
    trigger: 'burning smell, tripped fuse, wet plug',
    text: 'Stop and unplug if safe. Let a qualified electrician check it.',
    defer: 'licensed technician',
  },
  'scent-oil': {
    trigger: 'essential-oil',
    text: 'Do not put essential oil in or on anything that goes into the dryer.',
    defer: 'appliance manual',
  },
  scald: {
    trigger: 'water > 45 °C',
    text: 'Water over 45 °C burns. Test it, pour cold first, keep children away.',
    defer: 'label',
  },
  steam: {
    trigger: 'steam-mist, iron',
    text: 'Steam burns. Point it away from hands and never steam clothing on a person.',
    defer: 'appliance manual',
  },
  children: {
    trigger: 'any agent',
    text: 'Lock products high and out of sight. Put caps back at once.',
    defer: 'poison centre',
  },
  pods: {
    trigger: 'det-pod',
    text: 'Keep pods dry, in their closed box, out of reach. Never cut or bite. Hands must be dry.',
    defer: 'poison centre',
  },
  'pod-drum': { trigger: 'det-pod', text: 'Put the pod in the empty drum first, then the clothes.', defer: 'label' },
  'tub-child': {
    trigger: 'bulk soak',
    text: 'Cover or lock the tub. A child can drown in little water.',
    defer: 'local rules',
  },
  lift: { trigger: 'soak bath > 10 kg', text: 'Do not lift a full tub. Bail it down to 10 kg first.', defer: null },
  biological: {
    trigger: 'urine, vomit, faeces, blood',
    text: 'Wear gloves, remove solids, wash separately, wash hands.',
    defer: 'local rules',
  },
  sharps: {
    trigger: 'pockets, unknown source',
    text: 'Check pockets with tongs. Ask how to discard needles safely.',
    defer: 'local rules',
  },
  mould: {
    trigger: 'mildew',
    text: 'Brush outdoors with mask and gloves. Asthma or weak immunity: let someone else do it.',
    defer: 'doctor',
  },
  mothballs: {
    trigger: 'mothball',
    text: 'Use only in a sealed box, one type, by label. Air clothing outdoors 24–48 h and wash before a baby wears it.',
    defer: 'poison centre',
  },
  'borax-note': {
    trigger: 'borax',
    text: 'Do not use when pregnant or trying. Keep away from children. Check local sale rules.',
    defer: 'label, local rules',
  },
  'peroxide-skin': {
    trigger: 'peroxide-3, percarbonate',
    text: 'Wear gloves; it whitens skin and cloth.',
    defer: 'label',
  },
  'rust-remover': {
    trigger: 'rust-remover',
    text: 'Use only types without fluoride. Never near bleach.',
    defer: 'label, poison centre',
  },
  'instant-glue': {
    trigger: 'glue-instant',
    text: 'Do not touch wet glue on cloth; it heats. Let it cool.',
    defer: 'poison centre',
  },
  waste: {
    trigger: 'solvents, rust-remover',
    text: 'Take leftovers to hazardous waste, never the drain or sink.',
    defer: 'local rules',
  },
  'stop-pro': {
    trigger: 'stop-pro',
    text: 'Stop here and let a professional cleaner see it.',
    defer: 'professional cleaner',
  },
  'leather-pro': { trigger: 'skin-pro', text: 'Blot only. Ask a leather specialist.', defer: 'professional cleaner' },
  'flame-cloth': {
    trigger: 'flame-resistant',
    text: 'Follow the wear label; home agents can reduce protection.',
    defer: 'label',
  },
  'iron-rest': { trigger: 'iron', text: 'Stand the iron up, unplug when you leave.', defer: 'appliance manual' },
} as const satisfies Record<string, { trigger: string; text: string; defer: string | null }>;
export type SafetyLineId = keyof typeof safetyLines;
