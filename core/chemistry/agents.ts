/** Agents of the laundry cupboard: compatibility group, pH at working strength, how strong, how to measure, how they keep, what they can do to you. Typical retail strengths; the product label always wins. */
import type { PpeId } from './safety.ts';

export const agentGroups = ['neutral-surf', 'enzyme-det', 'oxi-det', 'soap', 'alkali', 'peroxy', 'chlorine', 'acid', 'rust-acid', 'ammonia', 'reducer', 'flam-solvent', 'cationic', 'oil-finish', 'inert', 'storage-vapour'] as const;
export type AgentGroup = (typeof agentGroups)[number];

export interface AgentFacts {
  name: string;
  group: AgentGroup;
  /** Lowest and highest pH; null = not in water. */
  ph: readonly [number, number] | null;
  concentration: string;
  /** Level spoons; null = none. Weigh where possible. */
  homeMeasure: string | null;
  shelf: string;
  hazards: string;
  ppe: PpeId;
}

export const agents = {
  water: { name: 'Plain tap water', group: 'inert', ph: [6.5, 8.5], concentration: 'as is', homeMeasure: null, shelf: '—', hazards: 'scald above 45 °C', ppe: 'ppe-none' },
  'det-delicate': { name: 'Neutral liquid for delicates (no protease, no bleach, no brightener)', group: 'neutral-surf', ph: [6.5, 8], concentration: '1–2 ml/l spot soak; 2–4.5 ml/l hand wash; 20–30 ml per 2 kg machine', homeMeasure: '5 ml per 5 l basin', shelf: '24 months closed; keep above 5 °C', hazards: 'eye irritant', ppe: 'ppe-none' },
  'det-wool-silk': { name: 'Wool and silk liquid (no protease)', group: 'neutral-surf', ph: [6, 7.5], concentration: '1–2 ml/l spot soak; 2–4.5 ml/l hand wash; 20–35 ml per 2 kg machine; spot 1:4', homeMeasure: '5 ml per 5 l basin', shelf: '24 months', hazards: 'eye irritant', ppe: 'ppe-none' },
  'det-no-rinse': { name: 'No-rinse wool wash', group: 'neutral-surf', ph: [6, 7.5], concentration: '0.8–1.9 ml/l; more than 2 ml/l must be rinsed', homeMeasure: '5 ml per 5 l basin', shelf: '24 months', hazards: 'mild eye irritant', ppe: 'ppe-none' },
  'det-universal-powder': { name: 'Universal powder with oxygen bleach and enzymes', group: 'oxi-det', ph: [10, 11], concentration: '5–8 g/l drum water; 60–90 g per 5 kg', homeMeasure: '100 ml scoop ≈ 65 g', shelf: '12–18 months dry; lumps = discard', hazards: 'serious eye irritant; dust', ppe: 'ppe-gloves' },
  'det-tablet': { name: 'Pressed tablet with oxygen bleach', group: 'oxi-det', ph: [9.5, 10.8], concentration: '1 tablet = 1 fixed dose (normal soil, 4–5 kg)', homeMeasure: 'count', shelf: '18 months dry', hazards: 'serious eye irritant', ppe: 'ppe-gloves' },
  'det-colour-liquid': { name: 'Colour liquid with enzymes, no bleach', group: 'enzyme-det', ph: [7.5, 9], concentration: '40–70 ml per 5 kg; spot neat 2–5 ml', homeMeasure: '15 ml = 1 tbsp', shelf: '18 months', hazards: 'eye irritant; sensitiser possible', ppe: 'ppe-gloves' },
  'det-dark-liquid': { name: 'Dark and black liquid, no bleach, no brightener', group: 'enzyme-det', ph: [7, 8.5], concentration: '40–70 ml per 5 kg', homeMeasure: '15 ml = 1 tbsp', shelf: '18 months', hazards: 'eye irritant', ppe: 'ppe-gloves' },
  'det-pod': { name: 'Liquid pod in dissolving film', group: 'enzyme-det', ph: [7, 9.5], concentration: 'one up to 6 kg and normal soil; into the empty drum before the clothes', homeMeasure: 'count; never cut', shelf: '12 months, dry hands', hazards: 'serious eye damage, dangerous if bitten', ppe: 'ppe-none' },
  'soap-bar': { name: 'Laundry bar soap', group: 'soap', ph: [9, 10.5], concentration: 'rubbed on wet spot, 0.5–2 g', homeMeasure: null, shelf: '36 months dry', hazards: 'mild eye irritant', ppe: 'ppe-none' },
  'soap-homemade': { name: 'Home-made soap solution', group: 'soap', ph: [9, 10.5], concentration: '20 g soap per litre stock', homeMeasure: 'by the recipe', shelf: '4 weeks cool; discard if smell or mould', hazards: 'hot liquid when making; eye irritant', ppe: 'ppe-gloves' },
  'ox-gall-soap': { name: 'Ox-gall soap (bar or liquid)', group: 'soap', ph: [8, 10], concentration: 'rubbed on wet spot 0.5–2 g or neat 1–3 ml', homeMeasure: null, shelf: '36 months', hazards: 'mild eye irritant', ppe: 'ppe-none' },
  'shampoo-baby': { name: 'Baby shampoo, plain', group: 'neutral-surf', ph: [5.5, 7], concentration: '1–2 ml/l hand', homeMeasure: '5 ml per 5 l basin', shelf: '24 months', hazards: 'low', ppe: 'ppe-none' },
  'soap-dish': { name: 'Hand dish-washing liquid (not machine dishwasher product)', group: 'neutral-surf', ph: [6, 8], concentration: 'neat 1–3 ml on spot; 1 ml/l soak', homeMeasure: '5 ml = 1 tsp', shelf: '24 months', hazards: 'eye irritant; foams, rinse before drum', ppe: 'ppe-none' },
  'soap-nut': { name: 'Saponin husks', group: 'neutral-surf', ph: [5, 6.5], concentration: '4–6 half shells per load', homeMeasure: 'count', shelf: '12 months dry', hazards: 'low; nut-like allergy unlikely but possible', ppe: 'ppe-none' },
  'enzyme-prespotter': { name: 'Enzyme pre-spotter (protease, amylase, lipase)', group: 'enzyme-det', ph: [7, 8.5], concentration: 'neat 2–5 ml per 5 cm spot; soak 5 ml/l', homeMeasure: '5 ml = 1 tsp', shelf: '12 months below 25 °C', hazards: 'skin and eye irritant; do not spray near face', ppe: 'ppe-gloves' },
  'prespotter-wool-safe': { name: 'Pre-spotter with no protease, labelled for wool and silk', group: 'neutral-surf', ph: [6.5, 7.5], concentration: 'neat 1–3 ml per 5 cm spot', homeMeasure: '5 ml = 1 tsp', shelf: '12 months', hazards: 'eye irritant', ppe: 'ppe-none' },
  'bio-odour-enzyme': { name: 'Bio-enzymatic odour cleaner', group: 'enzyme-det', ph: [6.5, 8], concentration: 'neat to wet through, or 50 ml/l', homeMeasure: '15 ml = 1 tbsp', shelf: '12 months', hazards: 'mild', ppe: 'ppe-gloves' },
  'oxy-percarbonate': { name: 'Oxygen bleach powder (sodium percarbonate)', group: 'peroxy', ph: [10.4, 11], concentration: '5–15 g/l at 30–60 °C; 10 g/l ≈ 0.3 % peroxide', homeMeasure: '5 ml ≈ 5 g', shelf: '24 months dry; mixed bath 6–8 h only, never stored', hazards: 'oxidiser; serious eye damage; swells closed bottles', ppe: 'ppe-gloves-eye' },
  'peroxide-3': { name: 'Hydrogen peroxide 3 %', group: 'peroxy', ph: [3, 5], concentration: '3 % spot; 1 % = 1 part + 2 parts water for protein fibre', homeMeasure: '5 ml = 1 tsp', shelf: '6 months opened, dark bottle', hazards: 'mild eye and skin irritant; bleaches', ppe: 'ppe-gloves' },
  'chlorine-bleach': { name: 'Household chlorine bleach (sodium hypochlorite 3–6 %)', group: 'chlorine', ph: [11, 13], concentration: '5–10 ml/l of 5 % = 250–500 ppm, ≤ 30 °C, ≤ 10 min', homeMeasure: '10 ml = 2 tsp', shelf: '6 months, loses strength', hazards: 'corrosive; toxic gas with acid or ammonia; toxic to water life', ppe: 'ppe-gloves-eye-vent' },
  borax: { name: 'Borax (sodium tetraborate)', group: 'alkali', ph: [9.2, 9.5], concentration: '5–10 g/l', homeMeasure: '5 ml ≈ 4.3 g', shelf: 'stable dry', hazards: 'may harm fertility or unborn child; sale restricted in some regions', ppe: 'ppe-gloves-eye' },
  'borax-substitute': { name: 'Sodium sesquicarbonate', group: 'alkali', ph: [9.8, 10.2], concentration: '5–10 g/l', homeMeasure: '5 ml ≈ 4.5 g', shelf: 'stable dry', hazards: 'eye irritant', ppe: 'ppe-gloves' },
  'washing-soda': { name: 'Washing soda (sodium carbonate)', group: 'alkali', ph: [11, 11.6], concentration: '2–10 g/l', homeMeasure: '5 ml ≈ 4 g crystals or 5 g light ash', shelf: 'stable dry', hazards: 'serious eye irritant; dries skin', ppe: 'ppe-gloves-eye' },
  'baking-soda': { name: 'Baking soda (sodium bicarbonate)', group: 'alkali', ph: [8, 8.5], concentration: '10–20 g/l; paste 3:1 with water', homeMeasure: '5 ml ≈ 5 g', shelf: 'stable dry', hazards: 'low', ppe: 'ppe-none' },
  'water-softener': { name: 'Laundry water softener (citrate, zeolite or polymer)', group: 'inert', ph: [8, 10], concentration: 'product label, by hardness', homeMeasure: 'product scoop', shelf: '24 months dry', hazards: 'eye irritant', ppe: 'ppe-gloves' },
  ammonia: { name: 'Household ammonia (listed to be refused)', group: 'ammonia', ph: [11, 12], concentration: 'not offered', homeMeasure: null, shelf: '—', hazards: 'corrosive vapour; toxic gas with chlorine bleach', ppe: 'ppe-gloves-eye-vent' },
  'vinegar-white': { name: 'White vinegar, 5–8 % acetic acid', group: 'acid', ph: [2.4, 3], concentration: 'spot 1:2 with water; rinse 10–20 ml/l; drawer ≤ 60 ml per load', homeMeasure: '15 ml = 1 tbsp', shelf: 'stable', hazards: 'mild eye irritant; refuse above 10 %', ppe: 'ppe-none' },
  'citric-acid': { name: 'Citric acid powder', group: 'acid', ph: [2, 2.5], concentration: '5–20 g/l, ≤ 40 °C', homeMeasure: '5 ml ≈ 4.5 g', shelf: 'stable dry', hazards: 'serious eye irritant', ppe: 'ppe-gloves-eye' },
  'lemon-juice': { name: 'Lemon juice (about 5 % citric acid, with sugar and oil)', group: 'acid', ph: [2, 2.6], concentration: 'neat on spot', homeMeasure: '15 ml = 1 tbsp', shelf: '3 days cold', hazards: 'mild eye irritant; skin burn with sun', ppe: 'ppe-gloves' },
  'rust-remover': { name: 'Textile rust remover (oxalic or citric type; fluoride types refused)', group: 'rust-acid', ph: [1, 2.5], concentration: 'product label; ≤ 5 min per round', homeMeasure: 'product cap', shelf: '24 months', hazards: 'harmful; serious eye damage; toxic gas with chlorine bleach', ppe: 'ppe-gloves-eye-vent' },
  'isopropyl-alcohol': { name: 'Isopropyl alcohol 70 %', group: 'flam-solvent', ph: [7, 7], concentration: 'neat ≤ 10 ml per session; acetates 1 part + 2 parts water', homeMeasure: '5 ml = 1 tsp', shelf: '24 months, tight cap', hazards: 'highly flammable; eye irritant; vapour makes drowsy', ppe: 'ppe-gloves-vent' },
  acetone: { name: 'Acetone (also ester nail-polish remover)', group: 'flam-solvent', ph: [7, 7], concentration: 'neat ≤ 5 ml per session', homeMeasure: '5 ml = 1 tsp', shelf: '24 months, tight cap', hazards: 'highly flammable; eye irritant; vapour makes drowsy', ppe: 'ppe-gloves-vent' },
  'solvent-spotter': { name: 'Volatile dry spotting fluid (hydrocarbon)', group: 'flam-solvent', ph: [7, 7], concentration: 'neat ≤ 5 ml per session', homeMeasure: '5 ml = 1 tsp', shelf: '24 months, tight cap', hazards: 'flammable; fatal if swallowed into lungs; drowsy', ppe: 'ppe-gloves-vent' },
  'mineral-spirits': { name: 'Odourless mineral spirits', group: 'flam-solvent', ph: [7, 7], concentration: 'neat ≤ 10 ml, outdoors', homeMeasure: '5 ml = 1 tsp', shelf: '36 months, tight cap', hazards: 'flammable; fatal if swallowed into lungs', ppe: 'ppe-gloves-vent' },
  'essential-oil': { name: 'Essential oil (listed to be refused near heat)', group: 'flam-solvent', ph: [7, 7], concentration: 'not offered', homeMeasure: null, shelf: '—', hazards: 'flammable; sensitiser; harmful to children and cats', ppe: 'ppe-gloves' },
  glycerine: { name: 'Glycerine (vegetable)', group: 'oil-finish', ph: [7, 7], concentration: 'neat or 1:1 water, 1–3 ml', homeMeasure: '5 ml ≈ 6 g', shelf: '24 months', hazards: 'low; slippery floor', ppe: 'ppe-none' },
  'soft-fat': { name: 'Plain white petroleum jelly or vegetable oil, to soften tar and gum', group: 'oil-finish', ph: [7, 7], concentration: '0.5–2 g on spot', homeMeasure: '5 ml ≈ 4.5 g', shelf: '12 months', hazards: 'oily cloth can self-heat', ppe: 'ppe-none' },
  'dye-trap-sheet': { name: 'Dye-trapping sheet', group: 'inert', ph: [7, 7], concentration: '1 sheet per load; 2 for unknown dye', homeMeasure: 'count', shelf: '36 months dry', hazards: 'keep out of dryer', ppe: 'ppe-none' },
  'dye-fixative': { name: 'Cationic dye fixative', group: 'cationic', ph: [5, 7], concentration: 'product label, ≤ 40 °C', homeMeasure: 'product cap', shelf: '24 months', hazards: 'eye irritant; toxic to water life', ppe: 'ppe-gloves' },
  'reducer-run-remover': { name: 'Colour-run remover (sodium dithionite type)', group: 'reducer', ph: [6, 10], concentration: 'product label; typical 5–10 g/l, 40–60 °C', homeMeasure: 'sachet', shelf: '12 months dry, single use', hazards: 'self-heats if damp in pack; choking gas with acid; harmful', ppe: 'ppe-gloves-eye-vent' },
  'laundry-blue': { name: 'Laundry blue (blue tint for whites)', group: 'inert', ph: [7, 7], concentration: 'product label, ≤ 0.05 g/l', homeMeasure: 'drops', shelf: 'stable', hazards: 'stains', ppe: 'ppe-gloves' },
  'fabric-softener': { name: 'Fabric softener (cationic)', group: 'cationic', ph: [2.5, 4], concentration: '20–35 ml per 5 kg', homeMeasure: 'product cap', shelf: '18 months', hazards: 'eye irritant', ppe: 'ppe-none' },
  'dryer-sheet': { name: 'Dryer sheet (cationic on fleece)', group: 'cationic', ph: null, concentration: '1 sheet per load', homeMeasure: 'count', shelf: '24 months', hazards: 'leaves film on filter and sensor', ppe: 'ppe-none' },
  'dryer-ball': { name: 'Dryer balls, wool or plastic, dry and unscented', group: 'inert', ph: null, concentration: '3–6 per load', homeMeasure: 'count', shelf: 'until split', hazards: 'noise only', ppe: 'ppe-none' },
  'hygiene-rinse': { name: 'Laundry hygiene rinse (quaternary)', group: 'cationic', ph: [6, 8], concentration: 'product label, last rinse', homeMeasure: 'product cap', shelf: '24 months', hazards: 'serious eye damage; toxic to water life', ppe: 'ppe-gloves-eye' },
  lanolin: { name: 'Lanolin emulsion', group: 'oil-finish', ph: [6.5, 8], concentration: '1–2 g per 100 g wool in 30 °C soak', homeMeasure: '5 ml ≈ 4.5 g', shelf: '24 months', hazards: 'wool-alcohol allergy possible', ppe: 'ppe-none' },
  starch: { name: 'Laundry starch (cooked or spray)', group: 'inert', ph: [6, 8], concentration: '5–20 g/l', homeMeasure: '5 ml ≈ 2.7 g', shelf: 'cooked: 2 days cold', hazards: 'slip hazard when sprayed', ppe: 'ppe-none' },
  'table-salt': { name: 'Table salt', group: 'inert', ph: [7, 7], concentration: '10–20 g/l', homeMeasure: '5 ml ≈ 6 g', shelf: 'stable', hazards: 'low', ppe: 'ppe-none' },
  'absorbent-powder': { name: 'Corn starch or white fuller’s earth (no talc)', group: 'inert', ph: [7, 7], concentration: 'cover 2–3 mm', homeMeasure: '15 ml = 1 tbsp', shelf: 'stable dry', hazards: 'dust; keep from flame and face', ppe: 'ppe-mask' },
  'leather-care': { name: 'Leather cleaner and cream', group: 'oil-finish', ph: [4.5, 7], concentration: '5 ml on cloth', homeMeasure: '5 ml = 1 tsp', shelf: '24 months', hazards: 'low', ppe: 'ppe-none' },
  'suede-care': { name: 'Suede brush and dry eraser', group: 'inert', ph: null, concentration: 'dry', homeMeasure: null, shelf: '—', hazards: 'dust', ppe: 'ppe-none' },
  mothball: { name: 'Mothballs: naphthalene or paradichlorobenzene (not offered)', group: 'storage-vapour', ph: null, concentration: 'sealed box only, product label', homeMeasure: 'count', shelf: '—', hazards: 'toxic vapour; poisonous if eaten; never mix types', ppe: 'ppe-gloves-vent' },
  cedar: { name: 'Cedar wood', group: 'storage-vapour', ph: null, concentration: 'replace or sand each 12 months', homeMeasure: 'count', shelf: '12 months', hazards: 'low; keep sap off cloth', ppe: 'ppe-none' },
} as const satisfies Record<string, AgentFacts>;

export type AgentId = keyof typeof agents;
export const agentIds = Object.keys(agents) as AgentId[];
export const agentFacts = (id: AgentId): AgentFacts => agents[id];

/** Known, and never offered as a step. */
export const refusedAgents: readonly AgentId[] = ['ammonia', 'essential-oil', 'mothball'];

/** Made on the spot from a stock agent: not kept, not bought. */
export const preparations = {
  'peroxide-1': { name: 'Hydrogen peroxide 1 %', from: 'peroxide-3', mix: '1 part peroxide 3 % and 2 parts water, used within 60 min' },
  'alcohol-1-2': { name: 'Diluted alcohol', from: 'isopropyl-alcohol', mix: '1 part alcohol and 2 parts water' },
} as const satisfies Record<string, { name: string; from: AgentId; mix: string }>;
export type PreparationId = keyof typeof preparations;

/** The stock agent behind an agent or a preparation. */
export const stockOf = (id: AgentId | PreparationId): AgentId => (id in preparations ? preparations[id as PreparationId].from : (id as AgentId));
