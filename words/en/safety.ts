/** Protection and safety lines in words. Hazard words follow the sense of GHS labels. */
import type { PpeId, SafetyLineId } from '@core/chemistry/safety.ts';

export const safetyWords: Record<SafetyLineId, string> = {
  'label-first': 'Read the care label and the product label. They outrank this plan.',
  'no-mix': 'Use one product at a time and rinse between.',
  'bleach-alone': 'Use bleach alone in cold water, in a ventilated room. Add nothing else.',
  'bleach-gas': 'If you smell gas: leave, air the room, stay out. Call the poison centre or emergency number.',
  gloves: 'Put on gloves before you open the product.',
  eyes: 'If it gets in the eyes: rinse with lukewarm water for 15 min and call the poison centre.',
  'skin-splash': 'Rinse skin with water for 15 min and take off wet clothing.',
  swallowed: 'If swallowed: do not make the person vomit. Keep the packet and call the poison centre.',
  ventilate: 'Open a window and work with short pauses in fresh air.',
  flame: 'Keep away from flame, sparks, pilot lights and hot appliances. No smoking.',
  'solvent-air': 'Hang the item outdoors until you smell nothing. Do not machine wash or dry before that.',
  'fuel-cloth':
    'Take fuel-wet clothes outdoors and keep them away from the house and the dryer. If soaked, ask the waste service.',
  'fuel-body': 'Wash fuel off skin now with soap and water. Call the poison centre if it was swallowed or in the eyes.',
  'oily-rags':
    'Spread oily cloth flat outdoors, or keep it under water in a lidded metal tin. Never heap or tumble dry it.',
  'dryer-oil': 'Wash twice and check there is no oil smell. Do not dry oily cloth by heat.',
  lint: 'Clean the lint filter before every load and check the duct regularly.',
  'dryer-cool': 'Let the cool-down finish and unload at once. Do not stop it hot and leave a pile.',
  'dryer-alone': 'Do not run the dryer while you sleep or are out.',
  duct: 'Stop using the dryer and have the vent checked.',
  'gas-dryer': 'Leave, do not use switches, call the gas emergency line from outside.',
  electric: 'Stop and unplug if safe. Let a qualified electrician check it.',
  'scent-oil': 'Do not put essential oil in or on anything that goes into the dryer.',
  scald: 'Water over 45 °C burns. Test it, pour cold first, keep children away.',
  steam: 'Steam burns. Point it away from hands and never steam clothing on a person.',
  children: 'Lock products high and out of sight. Put caps back at once.',
  pods: 'Keep pods dry, in their closed box, out of reach. Never cut or bite. Hands must be dry.',
  'pod-drum': 'Put the pod in the empty drum first, then the clothes.',
  'tub-child': 'Cover or lock the tub. A child can drown in little water.',
  lift: 'Do not lift a full tub. Bail it down to 10 kg first.',
  biological: 'Wear gloves, remove solids, wash separately, wash hands.',
  sharps: 'Check pockets with tongs. Ask how to discard needles safely.',
  mould: 'Brush outdoors with mask and gloves. Asthma or weak immunity: let someone else do it.',
  mothballs:
    'Use only in a sealed box, one type, by label. Air clothing outdoors 24–48 h and wash before a baby wears it.',
  'borax-note': 'Do not use when pregnant or trying. Keep away from children. Check local sale rules.',
  'peroxide-skin': 'Wear gloves; it whitens skin and cloth.',
  'rust-remover': 'Use only types without fluoride. Never near bleach.',
  'instant-glue': 'Do not touch wet glue on cloth; it heats. Let it cool.',
  waste: 'Take leftovers to hazardous waste, never the drain or sink.',
  'stop-pro': 'Stop here and let a professional cleaner see it.',
  'leather-pro': 'Blot only. Ask a leather specialist.',
  'flame-cloth': 'Follow the wear label; home agents can reduce protection.',
  'iron-rest': 'Stand the iron up, unplug when you leave.',
};
export const ppeWords: Record<PpeId, string> = {
  'ppe-none': 'Wash hands after use.',
  'ppe-gloves': 'Wear household gloves.',
  'ppe-gloves-eye': 'Wear gloves and eye protection; add powder to water slowly.',
  'ppe-gloves-vent': 'Wear solvent-resistant gloves; open windows; no flame, spark or smoking.',
  'ppe-gloves-eye-vent': 'Wear gloves and eye protection; open windows; use nothing else in the same basin.',
  'ppe-mask': 'Wear a dust mask; keep powder low and away from flame.',
};

/** The fixed text with the household's own number in it; without one it names the local centre. */
export const withPoisonCentre = (text: string, number: string | null): string =>
  text.replace(
    /\b(?:the|your) poison centre\b/g,
    number ? `the poison centre (${number})` : 'your local poison centre',
  );

/** Safety lines as they are shown, with the household's poison centre in them. */
export const safetyTexts = (
  ids: readonly SafetyLineId[],
  poisonCentre: string | null,
): { id: SafetyLineId; text: string }[] =>
  ids.map((id) => ({ id, text: withPoisonCentre(safetyWords[id], poisonCentre) }));
