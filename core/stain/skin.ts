/** Leather and suede: dry ways, at most a barely damp cloth, then the specialist. */
import type { Cloth } from '../chemistry/cloth.ts';
import { say, type Message } from '../message/message.ts';
import type { StopCode } from './actions.ts';
import type { StainKind } from './stains.ts';
import type { StainStep } from './steps.ts';

type Route = 'skin-dry' | 'skin-grease' | 'skin-water' | 'skin-solid' | 'skin-pro';
export const skinRoutes: Record<StainKind, Route> = {
  'ink-ballpoint': 'skin-pro',
  'ink-gel': 'skin-pro',
  'ink-washable': 'skin-pro',
  'ink-permanent': 'skin-pro',
  'red-wine': 'skin-water',
  'sugary-drink': 'skin-water',
  coffee: 'skin-water',
  'coffee-milk': 'skin-water',
  tea: 'skin-water',
  'cooking-grease': 'skin-grease',
  'engine-oil': 'skin-grease',
  'fuel-diesel': 'skin-pro',
  'collar-cuff': 'skin-grease',
  'makeup-foundation': 'skin-grease',
  lipstick: 'skin-grease',
  mascara: 'skin-grease',
  'deodorant-mark': 'skin-dry',
  'underarm-yellow': 'skin-water',
  sweat: 'skin-water',
  'age-yellowing': 'skin-water',
  'unknown-old': 'skin-water',
  'greyed-whites': 'skin-water',
  'blood-fresh': 'skin-water',
  'blood-dried': 'skin-water',
  grass: 'skin-water',
  mud: 'skin-dry',
  pollen: 'skin-dry',
  rust: 'skin-pro',
  'tomato-sauce': 'skin-water',
  chocolate: 'skin-water',
  'food-on-wool': 'skin-water',
  'dye-bleed': 'skin-pro',
  wax: 'skin-solid',
  gum: 'skin-solid',
  mildew: 'skin-pro',
  milk: 'skin-water',
  egg: 'skin-water',
  urine: 'skin-pro',
  vomit: 'skin-pro',
  faeces: 'skin-pro',
  'turmeric-curry': 'skin-water',
  'berry-juice': 'skin-water',
  sunscreen: 'skin-grease',
  'nail-polish': 'skin-pro',
  'glue-water': 'skin-solid',
  'glue-instant': 'skin-pro',
  'label-adhesive': 'skin-solid',
  'paint-water': 'skin-pro',
  'paint-oil': 'skin-pro',
  'shoe-polish': 'skin-pro',
  tar: 'skin-solid',
  perfume: 'skin-pro',
  scorch: 'skin-pro',
  'detergent-residue': 'skin-water',
  'water-ring': 'skin-water',
};
const dry = (
  agent: StainStep['agent'],
  action: StainStep['action'],
  minutes: readonly [number, number],
  dose: string | null = null,
  temperatureC: readonly [number, number] = [15, 25],
): StainStep => ({ agent, dose, action, temperatureC, minutes, repeats: 1, rinses: 0, check: 'solid', when: 'always' });

export function skinRoute(
  kind: StainKind,
  cloth: Cloth,
): { route: Route; steps: StainStep[]; stop: StopCode; because: Message } {
  const route = skinRoutes[kind];
  const suede = cloth.columns.has('suede');
  const blot = dry('absorbent-paper', 'blot', [1, 2], 'dry');
  const brush = suede ? dry('suede-care', 'brush-dry', [2, 5], 'dry') : dry('soft-brush', 'brush-dry', [2, 5], 'dry');
  const steps: Record<Route, StainStep[]> = {
    'skin-dry': [dry('open-air', 'air-out', [720, 1440]), brush],
    'skin-grease': [
      blot,
      dry('absorbent-powder', 'cover-absorb', [240, 720], '2–3 mm'),
      brush,
      dry('absorbent-powder', 'cover-absorb', [240, 720], '2–3 mm'),
      brush,
    ],
    'skin-water': [
      blot,
      dry('open-air', 'air-out', [1440, 1440]),
      ...(suede ? [brush] : [dry('leather-care', 'rub-dry-cloth', [2, 5], '5 ml on a barely damp cloth')]),
    ],
    'skin-solid': [dry('cold-pack', 'freeze', [20, 40], null, [-18, 0]), dry('blunt-edge', 'scrape', [1, 3])],
    'skin-pro': [blot],
  };
  return {
    route,
    steps: steps[route],
    stop: route === 'skin-pro' || route === 'skin-grease' || route === 'skin-solid' ? 'stop-pro' : 'stop-leave',
    because: say(route === 'skin-pro' ? 'stop.skin-blot' : 'stop.skin-still'),
  };
}
