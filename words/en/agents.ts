/** Agents in words: how strong they are taken, how to measure them at home, how they keep, what they can do to people. */
import type { AgentId } from '@core/chemistry/agents.ts';

interface AgentWords {
  /** Usual strength; the product's own label wins. */
  strength: string;
  homeMeasure: string | null;
  shelf: string;
  hazards: string;
}

export const agentWords: Record<AgentId, AgentWords> = {
  water: { strength: 'as is', homeMeasure: null, shelf: '—', hazards: 'scald above 45 °C' },
  'det-delicate': {
    strength: '1–2 ml/l spot soak; 2–4.5 ml/l hand wash; 20–30 ml per 2 kg machine',
    homeMeasure: '5 ml per 5 l basin',
    shelf: '24 months closed; keep above 5 °C',
    hazards: 'eye irritant',
  },
  'det-wool-silk': {
    strength: '1–2 ml/l spot soak; 2–4.5 ml/l hand wash; 20–35 ml per 2 kg machine; spot 1:4',
    homeMeasure: '5 ml per 5 l basin',
    shelf: '24 months',
    hazards: 'eye irritant',
  },
  'det-no-rinse': {
    strength: '0.8–1.9 ml/l; more than 2 ml/l must be rinsed',
    homeMeasure: '5 ml per 5 l basin',
    shelf: '24 months',
    hazards: 'mild eye irritant',
  },
  'det-universal-powder': {
    strength: '5–8 g/l drum water; 60–90 g per 5 kg',
    homeMeasure: '100 ml scoop ≈ 65 g',
    shelf: '12–18 months dry; lumps = discard',
    hazards: 'serious eye irritant; dust',
  },
  'det-tablet': {
    strength: '1 tablet = 1 fixed dose (normal soil, 4–5 kg)',
    homeMeasure: 'count',
    shelf: '18 months dry',
    hazards: 'serious eye irritant',
  },
  'det-colour-liquid': {
    strength: '40–70 ml per 5 kg; spot neat 2–5 ml',
    homeMeasure: '15 ml = 1 tbsp',
    shelf: '18 months',
    hazards: 'eye irritant; sensitiser possible',
  },
  'det-dark-liquid': {
    strength: '40–70 ml per 5 kg',
    homeMeasure: '15 ml = 1 tbsp',
    shelf: '18 months',
    hazards: 'eye irritant',
  },
  'det-pod': {
    strength: 'one up to 6 kg and normal soil; into the empty drum before the clothes',
    homeMeasure: 'count; never cut',
    shelf: '12 months, dry hands',
    hazards: 'serious eye damage, dangerous if bitten',
  },
  'soap-bar': {
    strength: 'rubbed on wet spot, 0.5–2 g',
    homeMeasure: null,
    shelf: '36 months dry',
    hazards: 'mild eye irritant',
  },
  'soap-homemade': {
    strength: '20 g soap per litre stock',
    homeMeasure: 'by the recipe',
    shelf: '4 weeks cool; discard if smell or mould',
    hazards: 'hot liquid when making; eye irritant',
  },
  'ox-gall-soap': {
    strength: 'rubbed on wet spot 0.5–2 g or neat 1–3 ml',
    homeMeasure: null,
    shelf: '36 months',
    hazards: 'mild eye irritant',
  },
  'shampoo-baby': { strength: '1–2 ml/l hand', homeMeasure: '5 ml per 5 l basin', shelf: '24 months', hazards: 'low' },
  'soap-dish': {
    strength: 'neat 1–3 ml on spot; 1 ml/l soak',
    homeMeasure: '5 ml = 1 tsp',
    shelf: '24 months',
    hazards: 'eye irritant; foams, rinse before drum',
  },
  'soap-nut': {
    strength: '4–6 half shells per load',
    homeMeasure: 'count',
    shelf: '12 months dry',
    hazards: 'low; nut-like allergy unlikely but possible',
  },
  'enzyme-prespotter': {
    strength: 'neat 2–5 ml per 5 cm spot; soak 5 ml/l',
    homeMeasure: '5 ml = 1 tsp',
    shelf: '12 months below 25 °C',
    hazards: 'skin and eye irritant; do not spray near face',
  },
  'prespotter-wool-safe': {
    strength: 'neat 1–3 ml per 5 cm spot',
    homeMeasure: '5 ml = 1 tsp',
    shelf: '12 months',
    hazards: 'eye irritant',
  },
  'bio-odour-enzyme': {
    strength: 'neat to wet through, or 50 ml/l',
    homeMeasure: '15 ml = 1 tbsp',
    shelf: '12 months',
    hazards: 'mild',
  },
  'oxy-percarbonate': {
    strength: '5–15 g/l at 30–60 °C; 10 g/l ≈ 0.3 % peroxide',
    homeMeasure: '5 ml ≈ 5 g',
    shelf: '24 months dry; mixed bath 6–8 h only, never stored',
    hazards: 'oxidiser; serious eye damage; swells closed bottles',
  },
  'peroxide-3': {
    strength: '3 % spot; 1 % = 1 part + 2 parts water for protein fibre',
    homeMeasure: '5 ml = 1 tsp',
    shelf: '6 months opened, dark bottle',
    hazards: 'mild eye and skin irritant; bleaches',
  },
  'chlorine-bleach': {
    strength: '5–10 ml/l of 5 % = 250–500 ppm, ≤ 30 °C, ≤ 10 min',
    homeMeasure: '10 ml = 2 tsp',
    shelf: '6 months, loses strength',
    hazards: 'corrosive; toxic gas with acid or ammonia; toxic to water life',
  },
  borax: {
    strength: '5–10 g/l',
    homeMeasure: '5 ml ≈ 4.3 g',
    shelf: 'stable dry',
    hazards: 'may harm fertility or unborn child; sale restricted in some regions',
  },
  'borax-substitute': {
    strength: '5–10 g/l',
    homeMeasure: '5 ml ≈ 4.5 g',
    shelf: 'stable dry',
    hazards: 'eye irritant',
  },
  'washing-soda': {
    strength: '2–10 g/l',
    homeMeasure: '5 ml ≈ 4 g crystals or 5 g light ash',
    shelf: 'stable dry',
    hazards: 'serious eye irritant; dries skin',
  },
  'baking-soda': {
    strength: '10–20 g/l; paste 3:1 with water',
    homeMeasure: '5 ml ≈ 5 g',
    shelf: 'stable dry',
    hazards: 'low',
  },
  'water-softener': {
    strength: 'product label, by hardness',
    homeMeasure: 'product scoop',
    shelf: '24 months dry',
    hazards: 'eye irritant',
  },
  ammonia: {
    strength: 'not offered',
    homeMeasure: null,
    shelf: '—',
    hazards: 'corrosive vapour; toxic gas with chlorine bleach',
  },
  'vinegar-white': {
    strength: 'spot 1:2 with water; rinse 10–20 ml/l; drawer ≤ 60 ml per load',
    homeMeasure: '15 ml = 1 tbsp',
    shelf: 'stable',
    hazards: 'mild eye irritant; refuse above 10 %',
  },
  'citric-acid': {
    strength: '5–20 g/l, ≤ 40 °C',
    homeMeasure: '5 ml ≈ 4.5 g',
    shelf: 'stable dry',
    hazards: 'serious eye irritant',
  },
  'lemon-juice': {
    strength: 'neat on spot',
    homeMeasure: '15 ml = 1 tbsp',
    shelf: '3 days cold',
    hazards: 'mild eye irritant; skin burn with sun',
  },
  'rust-remover': {
    strength: 'product label; ≤ 5 min per round',
    homeMeasure: 'product cap',
    shelf: '24 months',
    hazards: 'harmful; serious eye damage; toxic gas with chlorine bleach',
  },
  'isopropyl-alcohol': {
    strength: 'neat ≤ 10 ml per session; acetates 1 part + 2 parts water',
    homeMeasure: '5 ml = 1 tsp',
    shelf: '24 months, tight cap',
    hazards: 'highly flammable; eye irritant; vapour makes drowsy',
  },
  acetone: {
    strength: 'neat ≤ 5 ml per session',
    homeMeasure: '5 ml = 1 tsp',
    shelf: '24 months, tight cap',
    hazards: 'highly flammable; eye irritant; vapour makes drowsy',
  },
  'solvent-spotter': {
    strength: 'neat ≤ 5 ml per session',
    homeMeasure: '5 ml = 1 tsp',
    shelf: '24 months, tight cap',
    hazards: 'flammable; fatal if swallowed into lungs; drowsy',
  },
  'mineral-spirits': {
    strength: 'neat ≤ 10 ml, outdoors',
    homeMeasure: '5 ml = 1 tsp',
    shelf: '36 months, tight cap',
    hazards: 'flammable; fatal if swallowed into lungs',
  },
  'essential-oil': {
    strength: 'not offered',
    homeMeasure: null,
    shelf: '—',
    hazards: 'flammable; sensitiser; harmful to children and cats',
  },
  glycerine: {
    strength: 'neat or 1:1 water, 1–3 ml',
    homeMeasure: '5 ml ≈ 6 g',
    shelf: '24 months',
    hazards: 'low; slippery floor',
  },
  'soft-fat': {
    strength: '0.5–2 g on spot',
    homeMeasure: '5 ml ≈ 4.5 g',
    shelf: '12 months',
    hazards: 'oily cloth can self-heat',
  },
  'dye-trap-sheet': {
    strength: '1 sheet per load; 2 for unknown dye',
    homeMeasure: 'count',
    shelf: '36 months dry',
    hazards: 'keep out of dryer',
  },
  'dye-fixative': {
    strength: 'product label, ≤ 40 °C',
    homeMeasure: 'product cap',
    shelf: '24 months',
    hazards: 'eye irritant; toxic to water life',
  },
  'reducer-run-remover': {
    strength: 'product label; typical 5–10 g/l, 40–60 °C',
    homeMeasure: 'sachet',
    shelf: '12 months dry, single use',
    hazards: 'self-heats if damp in pack; choking gas with acid; harmful',
  },
  'laundry-blue': { strength: 'product label, ≤ 0.05 g/l', homeMeasure: 'drops', shelf: 'stable', hazards: 'stains' },
  'fabric-softener': {
    strength: '20–35 ml per 5 kg',
    homeMeasure: 'product cap',
    shelf: '18 months',
    hazards: 'eye irritant',
  },
  'dryer-sheet': {
    strength: '1 sheet per load',
    homeMeasure: 'count',
    shelf: '24 months',
    hazards: 'leaves film on filter and sensor',
  },
  'dryer-ball': { strength: '3–6 per load', homeMeasure: 'count', shelf: 'until split', hazards: 'noise only' },
  'hygiene-rinse': {
    strength: 'product label, last rinse',
    homeMeasure: 'product cap',
    shelf: '24 months',
    hazards: 'serious eye damage; toxic to water life',
  },
  lanolin: {
    strength: '1–2 g per 100 g wool in 30 °C soak',
    homeMeasure: '5 ml ≈ 4.5 g',
    shelf: '24 months',
    hazards: 'wool-alcohol allergy possible',
  },
  starch: {
    strength: '5–20 g/l',
    homeMeasure: '5 ml ≈ 2.7 g',
    shelf: 'cooked: 2 days cold',
    hazards: 'slip hazard when sprayed',
  },
  'table-salt': { strength: '10–20 g/l', homeMeasure: '5 ml ≈ 6 g', shelf: 'stable', hazards: 'low' },
  'absorbent-powder': {
    strength: 'cover 2–3 mm',
    homeMeasure: '15 ml = 1 tbsp',
    shelf: 'stable dry',
    hazards: 'dust; keep from flame and face',
  },
  'leather-care': { strength: '5 ml on cloth', homeMeasure: '5 ml = 1 tsp', shelf: '24 months', hazards: 'low' },
  'suede-care': { strength: 'dry', homeMeasure: null, shelf: '—', hazards: 'dust' },
  mothball: {
    strength: 'sealed box only, product label',
    homeMeasure: 'count',
    shelf: '—',
    hazards: 'toxic vapour; poisonous if eaten; never mix types',
  },
  cedar: {
    strength: 'replace or sand each 12 months',
    homeMeasure: 'count',
    shelf: '12 months',
    hazards: 'low; keep sap off cloth',
  },
};
