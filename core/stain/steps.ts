/**
 * The steps against each stain, before any limit of fibre, dye, trim and label: agent, dose, action, °C, minutes, most repeats in one round, full
 * rinses after it, check and condition. One full rinse = fresh water 10 l/kg or one to two minutes of gentle flow. Planning values.
 */
import type { AgentId } from '../chemistry/agents.ts';
import type { ToolId } from '../chemistry/tools.ts';
import type { ActionId, CheckId, WhenId } from './actions.ts';
import type { StainKind } from './stains.ts';

export interface StainStep {
  agent: AgentId | ToolId;
  /** As written on a recipe; null = none. */
  dose: string | null;
  action: ActionId;
  temperatureC: readonly [number, number];
  minutes: readonly [number, number];
  repeats: number;
  rinses: number;
  check: CheckId;
  when: WhenId;
}
const step = (
  agent: StainStep['agent'],
  dose: string | null,
  action: ActionId,
  temperatureC: readonly [number, number],
  minutes: readonly [number, number],
  repeats: number,
  rinses: number,
  check: CheckId,
  when: WhenId,
): StainStep => ({ agent, dose, action, temperatureC, minutes, repeats, rinses, check, when });

export const stainSteps: Record<StainKind, readonly StainStep[]> = {
  'ink-ballpoint': [
    step('absorbent-paper', 'dry', 'blot', [10, 25], [1, 2], 3, 0, 'transfer', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 5, 0, 'transfer', 'always'),
    step('water', '1–2 l', 'flush-back', [10, 20], [1, 2], 1, 1, 'garment-dye', 'always'),
    step('soap-dish', '1–2 ml', 'work-fingers', [15, 25], [5, 10], 2, 1, 'gone-wet', 'always'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [30, 60], 1, 2, 'gone-dry', 'if-left'),
  ],
  'ink-gel': [
    step('absorbent-paper', 'dry', 'blot', [10, 25], [1, 2], 3, 0, 'transfer', 'always'),
    step('water', '1–2 l', 'flush-back', [10, 20], [2, 3], 1, 1, 'transfer', 'always'),
    step('soap-dish', '1–2 ml', 'work-soft-brush', [15, 25], [5, 10], 2, 1, 'gone-wet', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 3, 2, 'garment-dye', 'if-left'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [30, 60], 1, 2, 'gone-dry', 'if-left'),
  ],
  'ink-washable': [
    step('absorbent-paper', 'dry', 'blot', [10, 25], [1, 2], 3, 0, 'transfer', 'always'),
    step('water', '2–3 l', 'flush-back', [10, 20], [3, 5], 2, 1, 'transfer', 'always'),
    step('det-delicate', '2 ml', 'work-fingers', [15, 25], [5, 10], 2, 1, 'gone-wet', 'always'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [30, 120], 1, 2, 'gone-dry', 'if-left'),
  ],
  'ink-permanent': [
    step('isopropyl-alcohol', '≤ 10 ml', 'dab-on-pad', [15, 25], [1, 3], 6, 0, 'transfer', 'always'),
    step('acetone', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 1], 2, 0, 'garment-dye', 'if-left'),
    step('open-air', null, 'air-out', [10, 25], [20, 60], 1, 0, 'fume', 'always'),
    step('soap-dish', '1–2 ml', 'work-fingers', [15, 25], [5, 10], 1, 2, 'gone-dry', 'always'),
  ],
  'red-wine': [
    step('absorbent-paper', 'dry', 'blot', [10, 25], [1, 2], 3, 0, 'transfer', 'always'),
    step('water', '2–3 l', 'flush-back', [10, 20], [2, 5], 1, 1, 'transfer', 'always'),
    step('det-colour-liquid', '2–5 ml', 'work-fingers', [15, 25], [10, 15], 2, 1, 'gone-wet', 'always'),
    step('vinegar-white', '1:2 water, 10–20 ml', 'dab', [15, 25], [2, 5], 1, 2, 'gone-wet', 'if-left'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [60, 240], 2, 2, 'gone-dry', 'if-left'),
  ],
  'sugary-drink': [
    step('water', '2–3 l', 'flush-back', [20, 30], [2, 5], 1, 1, 'transfer', 'always'),
    step('det-colour-liquid', '2–3 ml', 'work-fingers', [15, 30], [5, 10], 1, 1, 'gone-wet', 'always'),
    step('vinegar-white', '1:2 water, 10–20 ml', 'dab', [15, 25], [2, 5], 1, 1, 'gone-dry', 'if-left'),
  ],
  coffee: [
    step('absorbent-paper', 'dry', 'blot', [10, 25], [1, 2], 3, 0, 'transfer', 'always'),
    step('water', '2–3 l', 'flush-back', [10, 20], [2, 5], 1, 1, 'transfer', 'always'),
    step('det-colour-liquid', '2–5 ml', 'work-fingers', [15, 30], [5, 15], 2, 1, 'gone-wet', 'always'),
    step('vinegar-white', '1:2 water, 10–20 ml', 'dab', [15, 25], [3, 5], 1, 2, 'gone-wet', 'if-left'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [30, 120], 2, 2, 'gone-dry', 'if-left'),
  ],
  'coffee-milk': [
    step('absorbent-paper', 'dry', 'blot', [10, 25], [1, 2], 3, 0, 'transfer', 'always'),
    step('water', '2–3 l', 'flush-back', [5, 20], [2, 5], 1, 1, 'transfer', 'always'),
    step('enzyme-prespotter', '3–5 ml', 'spray-rest', [20, 35], [15, 30], 2, 1, 'gone-wet', 'always'),
    step('soap-dish', '1–2 ml', 'work-fingers', [20, 30], [5, 10], 1, 1, 'gone-wet', 'if-left'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [30, 120], 1, 2, 'gone-dry', 'if-left'),
  ],
  tea: [
    step('absorbent-paper', 'dry', 'blot', [10, 25], [1, 2], 3, 0, 'transfer', 'always'),
    step('water', '2–3 l', 'flush-back', [10, 20], [2, 5], 1, 1, 'transfer', 'always'),
    step('det-colour-liquid', '2–5 ml', 'work-fingers', [15, 30], [5, 15], 2, 1, 'gone-wet', 'always'),
    step('citric-acid', '10 g/l', 'dab', [15, 25], [3, 5], 1, 2, 'gone-wet', 'if-left'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [60, 240], 2, 2, 'gone-dry', 'if-left'),
  ],
  'cooking-grease': [
    step('blunt-edge', null, 'scrape', [10, 25], [1, 2], 1, 0, 'solid', 'always'),
    step('absorbent-powder', '2–3 mm', 'cover-absorb', [15, 25], [15, 60], 2, 0, 'solid', 'always'),
    step('soft-brush', 'dry', 'brush-dry', [15, 25], [1, 2], 1, 0, 'residue', 'always'),
    step('soap-dish', '1–3 ml', 'work-fingers', [20, 40], [5, 15], 2, 1, 'residue', 'always'),
    step('enzyme-prespotter', '3–5 ml', 'spray-rest', [20, 40], [15, 30], 1, 1, 'gone-dry', 'if-left'),
  ],
  'engine-oil': [
    step('blunt-edge', null, 'scrape', [10, 25], [1, 3], 1, 0, 'solid', 'always'),
    step('absorbent-powder', '2–3 mm', 'cover-absorb', [15, 25], [30, 120], 2, 0, 'solid', 'always'),
    step('soap-dish', '3–5 ml', 'work-soft-brush', [20, 40], [10, 20], 3, 1, 'residue', 'always'),
    step('solvent-spotter', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 3, 0, 'transfer', 'if-left'),
    step('open-air', null, 'air-out', [10, 30], [60, 240], 1, 0, 'fume', 'if-left'),
    step('soap-dish', '2–3 ml', 'work-fingers', [20, 40], [5, 10], 1, 2, 'gone-dry', 'if-left'),
  ],
  'fuel-diesel': [
    step('open-air', null, 'air-out', [5, 30], [240, 1440], 3, 0, 'fume', 'always'),
    step('absorbent-powder', '2–3 mm', 'cover-absorb', [10, 25], [30, 120], 1, 0, 'residue', 'always'),
    step('soap-dish', '2 ml/l', 'soak', [15, 30], [30, 60], 3, 2, 'fume', 'always'),
    step('open-air', null, 'air-out', [5, 30], [120, 1440], 2, 0, 'fume', 'always'),
  ],
  'collar-cuff': [
    step('soap-dish', '1–2 ml', 'work-soft-brush', [20, 35], [5, 10], 1, 1, 'residue', 'always'),
    step('ox-gall-soap', '1–2 g', 'work-soft-brush', [20, 35], [5, 15], 1, 1, 'gone-wet', 'if-left'),
    step('enzyme-prespotter', '3–5 ml', 'spray-rest', [20, 35], [15, 30], 2, 1, 'gone-wet', 'if-left'),
    step('oxy-percarbonate', '10 g/l', 'soak', [40, 50], [60, 120], 1, 2, 'gone-dry', 'white-only'),
  ],
  'makeup-foundation': [
    step('lift-tape', 'dry', 'lift', [10, 25], [1, 2], 3, 0, 'solid', 'always'),
    step('soap-dish', '1–3 ml', 'work-fingers', [15, 25], [5, 10], 2, 1, 'residue', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 3, 1, 'transfer', 'if-left'),
    step('enzyme-prespotter', '3–5 ml', 'spray-rest', [20, 35], [15, 30], 1, 1, 'gone-dry', 'if-left'),
  ],
  lipstick: [
    step('blunt-edge', null, 'scrape', [10, 20], [1, 2], 1, 0, 'solid', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 4, 1, 'transfer', 'always'),
    step('soap-dish', '1–3 ml', 'work-fingers', [15, 30], [5, 10], 2, 1, 'gone-wet', 'always'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [30, 120], 1, 2, 'gone-dry', 'if-left'),
  ],
  mascara: [
    step('blunt-edge', null, 'scrape', [10, 20], [1, 2], 1, 0, 'solid', 'always'),
    step('soap-dish', '1–3 ml', 'work-soft-brush', [15, 30], [5, 10], 2, 1, 'gone-wet', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 3, 2, 'gone-dry', 'if-left'),
  ],
  'deodorant-mark': [
    step('absorbent-paper', 'dry', 'rub-dry-cloth', [10, 25], [1, 2], 2, 0, 'solid', 'always'),
    step('det-delicate', '2 ml', 'work-fingers', [15, 25], [5, 10], 1, 1, 'residue', 'if-left'),
    step('vinegar-white', '1:2 water, 10–20 ml', 'dab', [15, 25], [5, 10], 1, 2, 'gone-dry', 'if-left'),
  ],
  'underarm-yellow': [
    step('water', '10 l/kg', 'soak', [20, 30], [10, 20], 1, 1, 'residue', 'always'),
    step('citric-acid', '10 g/l', 'soak', [20, 35], [20, 30], 1, 2, 'residue', 'always'),
    step('enzyme-prespotter', '5 ml per side', 'spray-rest', [20, 35], [15, 30], 2, 1, 'gone-wet', 'always'),
    step('oxy-percarbonate', '10–15 g/l', 'soak', [40, 50], [60, 240], 2, 2, 'gone-dry', 'fast-only'),
  ],
  sweat: [
    step('open-air', null, 'air-out', [5, 30], [30, 120], 1, 0, 'odour', 'always'),
    step('water', '10 l/kg', 'soak', [15, 25], [10, 20], 1, 1, 'odour', 'always'),
    step('enzyme-prespotter', '3–5 ml', 'spray-rest', [20, 35], [15, 30], 1, 1, 'odour', 'if-left'),
    step('oxy-percarbonate', '5 g/l', 'soak', [30, 40], [30, 60], 1, 2, 'odour', 'if-left'),
  ],
  'age-yellowing': [
    step('water', '10 l/kg', 'soak', [15, 25], [30, 60], 3, 1, 'transfer', 'always'),
    step('det-delicate', '2 ml/l', 'soak', [30, 40], [60, 120], 2, 2, 'gone-wet', 'always'),
    step('oxy-percarbonate', '5–10 g/l', 'soak', [30, 45], [60, 360], 2, 2, 'gone-dry', 'white-only'),
    step('citric-acid', '5 g/l', 'soak', [15, 25], [10, 15], 1, 2, 'gone-dry', 'white-only'),
  ],
  'unknown-old': [
    step('vacuum', 'dry', 'lift', [10, 25], [1, 3], 1, 0, 'solid', 'always'),
    step('water', '10 l/kg', 'soak', [10, 20], [15, 30], 2, 1, 'garment-dye', 'always'),
    step('det-delicate', '2 ml/l', 'soak', [20, 30], [30, 60], 2, 1, 'gone-wet', 'always'),
    step('enzyme-prespotter', '3 ml', 'spray-rest', [20, 30], [15, 30], 1, 1, 'gone-wet', 'if-left'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 2, 2, 'garment-dye', 'if-left'),
    step('oxy-percarbonate', '5 g/l', 'soak', [30, 40], [30, 120], 1, 2, 'gone-dry', 'if-left'),
  ],
  'greyed-whites': [
    step('citric-acid', '10 g/l', 'soak', [30, 40], [30, 60], 1, 2, 'residue', 'always'),
    step('oxy-percarbonate', '10–15 g/l', 'soak', [40, 60], [120, 360], 2, 2, 'gone-dry', 'white-only'),
    step('water-softener', 'label dose', 'soak', [30, 40], [5, 10], 1, 0, 'residue', 'if-hard-water'),
  ],
  'blood-fresh': [
    step('water', '2–3 l', 'flush-back', [5, 20], [2, 5], 2, 1, 'transfer', 'always'),
    step('enzyme-prespotter', '3–5 ml', 'spray-rest', [20, 30], [15, 30], 2, 1, 'gone-wet', 'always'),
    step('peroxide-3', '1–3 ml', 'dab', [15, 25], [2, 5], 3, 2, 'gone-dry', 'fast-only'),
  ],
  'blood-dried': [
    step('water', '10 l/kg', 'soak', [10, 20], [60, 480], 2, 1, 'transfer', 'always'),
    step('enzyme-prespotter', '5 ml/l', 'soak', [20, 35], [30, 60], 2, 1, 'gone-wet', 'always'),
    step('peroxide-3', '1–3 ml', 'dab', [15, 25], [5, 10], 3, 2, 'gone-dry', 'fast-only'),
  ],
  grass: [
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 3], 3, 1, 'transfer', 'always'),
    step('enzyme-prespotter', '3–5 ml', 'work-soft-brush', [20, 35], [15, 30], 2, 1, 'gone-wet', 'always'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [60, 240], 2, 2, 'gone-dry', 'if-left'),
  ],
  mud: [
    step('open-air', null, 'air-out', [10, 30], [60, 480], 1, 0, 'solid', 'always'),
    step('soft-brush', 'dry', 'brush-dry', [10, 25], [2, 5], 2, 0, 'solid', 'always'),
    step('det-colour-liquid', '3–5 ml', 'work-soft-brush', [20, 40], [10, 20], 2, 1, 'gone-wet', 'always'),
    step('citric-acid', '10 g/l', 'soak', [20, 35], [15, 30], 1, 2, 'gone-dry', 'if-left'),
  ],
  pollen: [
    step('lift-tape', 'dry', 'lift', [10, 25], [1, 2], 5, 0, 'solid', 'always'),
    step('vacuum', 'dry', 'lift', [10, 25], [1, 2], 1, 0, 'solid', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 2, 1, 'transfer', 'if-left'),
    step('det-delicate', '2 ml', 'work-fingers', [15, 25], [5, 10], 1, 1, 'gone-dry', 'always'),
  ],
  rust: [
    step('water', '1–2 l', 'flush-back', [10, 25], [1, 2], 1, 1, 'garment-dye', 'always'),
    step('citric-acid', '20 g/l', 'soak', [30, 40], [30, 60], 3, 2, 'gone-wet', 'always'),
    step('rust-remover', 'label dose', 'dab', [15, 25], [2, 5], 2, 2, 'gone-dry', 'if-left'),
  ],
  'tomato-sauce': [
    step('blunt-edge', null, 'scrape', [10, 25], [1, 2], 1, 0, 'solid', 'always'),
    step('water', '2–3 l', 'flush-back', [10, 20], [2, 5], 1, 1, 'transfer', 'always'),
    step('soap-dish', '1–3 ml', 'work-fingers', [15, 30], [5, 10], 1, 1, 'residue', 'always'),
    step('enzyme-prespotter', '3–5 ml', 'spray-rest', [20, 35], [15, 30], 2, 1, 'gone-wet', 'always'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [30, 120], 1, 2, 'gone-wet', 'if-left'),
    step('sunlight', null, 'sun-dry', [10, 35], [120, 360], 2, 0, 'gone-dry', 'white-only'),
  ],
  chocolate: [
    step('cold-pack', null, 'freeze', [-18, 0], [15, 30], 1, 0, 'solid', 'always'),
    step('blunt-edge', null, 'scrape', [0, 20], [1, 2], 1, 0, 'solid', 'always'),
    step('water', '2–3 l', 'flush-back', [10, 20], [2, 5], 1, 1, 'transfer', 'always'),
    step('enzyme-prespotter', '3–5 ml', 'work-fingers', [20, 35], [15, 30], 2, 1, 'gone-wet', 'always'),
    step('soap-dish', '1–2 ml', 'work-fingers', [20, 30], [5, 10], 1, 1, 'residue', 'if-left'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [30, 60], 1, 2, 'gone-dry', 'if-left'),
  ],
  'food-on-wool': [
    step('blunt-edge', null, 'scrape', [10, 25], [1, 2], 1, 0, 'solid', 'always'),
    step('soft-brush', 'dry', 'brush-dry', [10, 25], [1, 2], 1, 0, 'solid', 'always'),
    step('det-wool-silk', '1:4 water, 5 ml', 'dab', [20, 30], [3, 5], 2, 1, 'transfer', 'always'),
    step('prespotter-wool-safe', '1–3 ml', 'spray-rest', [20, 30], [10, 15], 1, 1, 'gone-dry', 'if-left'),
  ],
  'dye-bleed': [
    step('water', '10 l/kg', 'rinse-bath', [10, 20], [5, 10], 3, 1, 'transfer', 'always'),
    step('det-colour-liquid', '5 ml/l with 1 dye-trap-sheet', 'soak', [30, 40], [30, 60], 2, 1, 'transfer', 'always'),
    step('oxy-percarbonate', '10 g/l', 'soak', [40, 50], [60, 360], 1, 2, 'gone-wet', 'fast-only'),
    step('reducer-run-remover', 'label dose', 'soak', [40, 60], [10, 30], 1, 2, 'gone-dry', 'white-only'),
  ],
  wax: [
    step('cold-pack', null, 'freeze', [-18, 0], [20, 60], 1, 0, 'solid', 'always'),
    step('blunt-edge', null, 'scrape', [0, 15], [1, 3], 2, 0, 'solid', 'always'),
    step('warm-iron-paper', '≤ 110 °C iron', 'iron-through-paper', [90, 110], [0.1, 0.2], 6, 0, 'transfer', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 2, 1, 'transfer', 'if-left'),
    step('soap-dish', '1–3 ml', 'work-fingers', [30, 40], [5, 10], 1, 1, 'residue', 'always'),
  ],
  gum: [
    step('cold-pack', null, 'freeze', [-18, 0], [30, 60], 2, 0, 'solid', 'always'),
    step('blunt-edge', null, 'scrape', [0, 15], [1, 3], 3, 0, 'solid', 'always'),
    step('solvent-spotter', '≤ 3 ml', 'dab-on-pad', [15, 25], [1, 2], 2, 0, 'residue', 'if-left'),
    step('open-air', null, 'air-out', [10, 30], [30, 120], 1, 0, 'fume', 'if-left'),
    step('soap-dish', '1–2 ml', 'work-fingers', [20, 40], [5, 10], 1, 1, 'residue', 'always'),
  ],
  mildew: [
    step('soft-brush', 'dry, outdoors', 'brush-dry', [5, 30], [2, 5], 1, 0, 'solid', 'always'),
    step('det-colour-liquid', '5 ml/l', 'soak', [30, 40], [30, 60], 1, 1, 'odour', 'always'),
    step('oxy-percarbonate', '10–15 g/l', 'soak', [40, 60], [60, 360], 2, 2, 'gone-dry', 'always'),
    step('chlorine-bleach', '5–10 ml/l', 'soak', [15, 30], [5, 10], 1, 2, 'gone-dry', 'white-cellulose-only'),
  ],
  milk: [
    step('water', '2–3 l', 'flush-back', [5, 20], [2, 5], 1, 1, 'transfer', 'always'),
    step('enzyme-prespotter', '3–5 ml', 'spray-rest', [20, 35], [15, 30], 2, 1, 'gone-wet', 'always'),
    step('soap-dish', '1–2 ml', 'work-fingers', [20, 30], [5, 10], 1, 1, 'gone-dry', 'if-left'),
  ],
  egg: [
    step('blunt-edge', null, 'scrape', [5, 20], [1, 2], 1, 0, 'solid', 'always'),
    step('water', '10 l/kg', 'soak', [5, 20], [15, 30], 1, 1, 'transfer', 'always'),
    step('enzyme-prespotter', '3–5 ml', 'work-fingers', [20, 35], [15, 30], 2, 1, 'gone-wet', 'always'),
    step('soap-dish', '1–2 ml', 'work-fingers', [20, 30], [5, 10], 1, 1, 'gone-dry', 'if-left'),
  ],
  urine: [
    step('absorbent-paper', 'dry', 'blot', [10, 25], [1, 2], 3, 0, 'transfer', 'always'),
    step('water', '3–5 l', 'flush-back', [10, 20], [3, 5], 2, 1, 'odour', 'always'),
    step('bio-odour-enzyme', '50 ml/l', 'soak', [20, 35], [30, 60], 2, 1, 'odour', 'always'),
    step('citric-acid', '5 g/l', 'soak', [15, 25], [10, 15], 1, 2, 'odour', 'if-left'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 50], [60, 120], 1, 2, 'odour', 'if-left'),
  ],
  vomit: [
    step('blunt-edge', 'gloves', 'scrape', [10, 25], [1, 3], 1, 0, 'solid', 'always'),
    step('water', '3–5 l', 'flush-back', [10, 20], [3, 5], 2, 1, 'transfer', 'always'),
    step('enzyme-prespotter', '5 ml/l', 'soak', [20, 35], [30, 60], 1, 1, 'odour', 'always'),
    step('oxy-percarbonate', '10 g/l', 'soak', [40, 60], [60, 120], 1, 2, 'odour', 'if-left'),
  ],
  faeces: [
    step('blunt-edge', 'gloves', 'scrape', [10, 25], [1, 3], 1, 0, 'solid', 'always'),
    step('water', '3–5 l', 'flush-back', [10, 20], [3, 5], 2, 1, 'transfer', 'always'),
    step('enzyme-prespotter', '5 ml/l', 'soak', [20, 35], [30, 60], 1, 1, 'gone-wet', 'always'),
    step('oxy-percarbonate', '10–15 g/l', 'soak', [40, 60], [60, 120], 1, 2, 'gone-dry', 'if-left'),
  ],
  'turmeric-curry': [
    step('blunt-edge', null, 'scrape', [10, 25], [1, 2], 1, 0, 'solid', 'always'),
    step('soap-dish', '2–3 ml', 'work-fingers', [15, 30], [10, 15], 2, 1, 'residue', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 3], 3, 2, 'transfer', 'if-left'),
    step('oxy-percarbonate', '10–15 g/l', 'soak', [40, 50], [60, 360], 2, 2, 'gone-wet', 'fast-only'),
    step('sunlight', null, 'sun-dry', [10, 35], [120, 480], 3, 0, 'gone-dry', 'white-only'),
  ],
  'berry-juice': [
    step('absorbent-paper', 'dry', 'blot', [10, 25], [1, 2], 3, 0, 'transfer', 'always'),
    step('water', '2–3 l', 'flush-back', [10, 20], [2, 5], 1, 1, 'transfer', 'always'),
    step('vinegar-white', '1:2 water, 10–20 ml', 'dab', [15, 25], [3, 5], 2, 1, 'transfer', 'always'),
    step('det-colour-liquid', '2–5 ml', 'work-fingers', [15, 30], [5, 15], 1, 1, 'gone-wet', 'always'),
    step('oxy-percarbonate', '10 g/l', 'soak', [30, 40], [60, 240], 2, 2, 'gone-dry', 'if-left'),
  ],
  sunscreen: [
    step('absorbent-powder', '2–3 mm', 'cover-absorb', [15, 25], [15, 30], 1, 0, 'residue', 'always'),
    step('soap-dish', '2–3 ml', 'work-soft-brush', [20, 35], [10, 15], 2, 1, 'residue', 'always'),
    step('enzyme-prespotter', '3–5 ml', 'spray-rest', [20, 35], [15, 30], 1, 1, 'residue', 'always'),
    step('citric-acid', '20 g/l', 'soak', [30, 40], [30, 60], 2, 2, 'gone-dry', 'if-orange'),
  ],
  'nail-polish': [
    step('acetone', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 4, 0, 'transfer', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 3, 0, 'transfer', 'if-left'),
    step('open-air', null, 'air-out', [10, 30], [30, 120], 1, 0, 'fume', 'always'),
    step('soap-dish', '1–2 ml', 'work-fingers', [15, 30], [5, 10], 1, 1, 'gone-dry', 'always'),
  ],
  'glue-water': [
    step('blunt-edge', null, 'scrape', [10, 25], [1, 2], 1, 0, 'solid', 'always'),
    step('water', '10 l/kg', 'soak', [30, 40], [30, 60], 2, 1, 'residue', 'always'),
    step('det-delicate', '2–3 ml', 'work-soft-brush', [25, 40], [5, 10], 2, 1, 'gone-wet', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [2, 5], 2, 1, 'gone-dry', 'if-left'),
  ],
  'glue-instant': [
    step('open-air', null, 'air-out', [10, 25], [30, 120], 1, 0, 'solid', 'always'),
    step('blunt-edge', null, 'scrape', [10, 25], [1, 2], 1, 0, 'solid', 'always'),
    step('acetone', '≤ 5 ml', 'dab-on-pad', [15, 25], [3, 5], 3, 0, 'transfer', 'always'),
    step('open-air', null, 'air-out', [10, 30], [30, 120], 1, 0, 'fume', 'always'),
    step('soap-dish', '1–2 ml', 'work-fingers', [15, 30], [5, 10], 1, 1, 'gone-dry', 'always'),
  ],
  'label-adhesive': [
    step('cold-pack', null, 'freeze', [-18, 0], [20, 40], 1, 0, 'solid', 'always'),
    step('lift-tape', 'dry', 'lift', [0, 20], [1, 3], 3, 0, 'solid', 'always'),
    step('solvent-spotter', '≤ 3 ml', 'dab-on-pad', [15, 25], [1, 2], 2, 0, 'residue', 'if-left'),
    step('open-air', null, 'air-out', [10, 30], [30, 120], 1, 0, 'fume', 'if-left'),
    step('soap-dish', '1–2 ml', 'work-fingers', [20, 35], [5, 10], 1, 1, 'residue', 'always'),
  ],
  'paint-water': [
    step('blunt-edge', null, 'scrape', [10, 25], [1, 2], 1, 0, 'solid', 'always'),
    step('water', '3–5 l', 'flush-back', [20, 35], [3, 5], 2, 1, 'transfer', 'always'),
    step('soap-dish', '2–3 ml', 'work-soft-brush', [20, 35], [5, 10], 3, 1, 'gone-wet', 'always'),
    step('isopropyl-alcohol', '≤ 10 ml', 'dab-on-pad', [15, 25], [2, 5], 3, 1, 'gone-dry', 'if-left'),
  ],
  'paint-oil': [
    step('blunt-edge', null, 'scrape', [10, 25], [1, 3], 1, 0, 'solid', 'always'),
    step('mineral-spirits', '≤ 10 ml, outdoors', 'dab-on-pad', [10, 25], [2, 5], 3, 0, 'transfer', 'always'),
    step('open-air', null, 'air-out', [5, 30], [120, 480], 1, 0, 'fume', 'always'),
    step('soap-dish', '3–5 ml', 'work-soft-brush', [20, 40], [10, 15], 2, 2, 'fume', 'always'),
  ],
  'shoe-polish': [
    step('blunt-edge', null, 'scrape', [10, 25], [1, 2], 1, 0, 'solid', 'always'),
    step('solvent-spotter', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 4, 0, 'transfer', 'always'),
    step('open-air', null, 'air-out', [10, 30], [60, 240], 1, 0, 'fume', 'always'),
    step('soap-dish', '2–3 ml', 'work-soft-brush', [20, 35], [5, 15], 2, 1, 'gone-wet', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 2, 1, 'gone-dry', 'if-left'),
  ],
  tar: [
    step('cold-pack', null, 'freeze', [-18, 0], [20, 60], 1, 0, 'solid', 'always'),
    step('blunt-edge', null, 'scrape', [0, 15], [1, 3], 2, 0, 'solid', 'always'),
    step('soft-fat', '0.5–2 g', 'paste-rest', [15, 30], [30, 60], 2, 0, 'transfer', 'always'),
    step('soap-dish', '3–5 ml', 'work-soft-brush', [20, 40], [10, 15], 3, 1, 'residue', 'always'),
    step('solvent-spotter', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 2, 0, 'transfer', 'if-left'),
    step('open-air', null, 'air-out', [10, 30], [60, 240], 1, 0, 'fume', 'if-left'),
  ],
  perfume: [
    step('water', '2–3 l', 'flush-back', [15, 25], [2, 5], 1, 1, 'garment-dye', 'always'),
    step('glycerine', '1–3 ml', 'dab', [15, 25], [10, 30], 1, 1, 'transfer', 'if-left'),
    step('det-delicate', '2 ml', 'work-fingers', [15, 25], [5, 10], 1, 1, 'odour', 'always'),
    step('isopropyl-alcohol', '≤ 5 ml', 'dab-on-pad', [15, 25], [1, 2], 2, 1, 'gone-dry', 'if-left'),
  ],
  scorch: [
    step('soft-brush', 'dry', 'brush-dry', [10, 25], [1, 2], 1, 0, 'fibre-sound', 'always'),
    step('det-delicate', '2 ml', 'dab', [20, 30], [5, 10], 1, 1, 'fibre-sound', 'always'),
    step('peroxide-3', '2–5 ml', 'dab', [15, 25], [10, 20], 3, 2, 'gone-wet', 'white-only'),
    step('sunlight', null, 'sun-dry', [10, 35], [60, 240], 2, 0, 'gone-dry', 'white-only'),
  ],
  'detergent-residue': [
    step('water', '10 l/kg', 'rinse-bath', [30, 40], [5, 10], 3, 1, 'residue', 'always'),
    step('citric-acid', '5 g/l', 'soak', [20, 30], [10, 15], 1, 2, 'residue', 'if-left'),
  ],
  'water-ring': [
    step('soft-brush', 'dry', 'brush-dry', [10, 25], [1, 1], 1, 0, 'solid', 'always'),
    step('steam-mist', 'whole panel', 'mist-even', [15, 30], [1, 3], 2, 0, 'gone-dry', 'always'),
    step('det-wool-silk', '1 ml/l', 'soak', [15, 30], [3, 10], 1, 2, 'gone-dry', 'if-left'),
  ],
};
