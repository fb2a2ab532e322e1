/** Protective equipment and safety lines, each with who decides; their fixed texts stand in `words/`. */
export const ppeIds = [
  'ppe-none',
  'ppe-gloves',
  'ppe-gloves-eye',
  'ppe-gloves-vent',
  'ppe-gloves-eye-vent',
  'ppe-mask',
] as const;
export type PpeId = (typeof ppeIds)[number];

/** defer = who decides; null = nobody needs to be asked. */
export const safetyLines = {
  'label-first': {
    defer: 'label',
  },
  'no-mix': { defer: 'label' },
  'bleach-alone': {
    defer: 'label, poison centre',
  },
  'bleach-gas': {
    defer: 'poison centre',
  },
  gloves: { defer: 'label' },
  eyes: {
    defer: 'poison centre',
  },
  'skin-splash': {
    defer: 'poison centre',
  },
  swallowed: {
    defer: 'poison centre',
  },
  ventilate: { defer: 'label' },
  flame: {
    defer: 'local rules',
  },
  'solvent-air': {
    defer: 'local rules',
  },
  'fuel-cloth': {
    defer: 'local rules, fire service',
  },
  'fuel-body': {
    defer: 'poison centre',
  },
  'oily-rags': {
    defer: 'local rules',
  },
  'dryer-oil': {
    defer: 'label',
  },
  lint: {
    defer: 'appliance manual',
  },
  'dryer-cool': {
    defer: 'appliance manual',
  },
  'dryer-alone': { defer: 'local rules' },
  duct: {
    defer: 'licensed technician',
  },
  'gas-dryer': {
    defer: 'licensed technician, emergency number',
  },
  electric: {
    defer: 'licensed technician',
  },
  'scent-oil': {
    defer: 'appliance manual',
  },
  scald: {
    defer: 'label',
  },
  steam: {
    defer: 'appliance manual',
  },
  children: {
    defer: 'poison centre',
  },
  pods: {
    defer: 'poison centre',
  },
  'pod-drum': { defer: 'label' },
  'tub-child': {
    defer: 'local rules',
  },
  lift: { defer: null },
  biological: {
    defer: 'local rules',
  },
  sharps: {
    defer: 'local rules',
  },
  mould: {
    defer: 'doctor',
  },
  mothballs: {
    defer: 'poison centre',
  },
  'borax-note': {
    defer: 'label, local rules',
  },
  'peroxide-skin': {
    defer: 'label',
  },
  'rust-remover': {
    defer: 'label, poison centre',
  },
  'instant-glue': {
    defer: 'poison centre',
  },
  waste: {
    defer: 'local rules',
  },
  'stop-pro': {
    defer: 'professional cleaner',
  },
  'leather-pro': { defer: 'professional cleaner' },
  'flame-cloth': {
    defer: 'label',
  },
  'iron-rest': { defer: 'appliance manual' },
} as const satisfies Record<string, { defer: string | null }>;
export type SafetyLineId = keyof typeof safetyLines;
