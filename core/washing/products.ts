/** Which detergent class suits which cloth, in order of preference, and which product of the cupboard serves a load. */
import { detergentClasses, type DetergentClass, type Product, type Washer } from '../model/household.ts';
import { handDosePerLitre } from './dose.ts';

/** What the cloth asks of its detergent. */
export const clothNeeds = [
  'white',
  'coloured',
  'dark',
  'raw-indigo',
  'soft',
  'delicate',
  'wool-silk',
  'down',
  'waterproof',
  'unknown',
] as const;
export type ClothNeed = (typeof clothNeeds)[number];

/** Best first; a class that is missing here is not permitted. Soaps come last, only when nothing else is left. */
// prettier-ignore
export const detergentPreference: Record<ClothNeed, readonly DetergentClass[]> = {
  white: ['universal', 'colour', 'delicate', 'wool-silk', 'no-rinse-wool', 'soap', 'own-soap'],
  coloured: ['colour', 'dark', 'delicate', 'wool-silk', 'no-rinse-wool', 'universal', 'soap', 'own-soap'],
  dark: ['dark', 'colour', 'delicate', 'wool-silk', 'no-rinse-wool', 'universal', 'soap', 'own-soap'],
  'raw-indigo': ['dark', 'colour', 'delicate', 'wool-silk', 'no-rinse-wool'],
  soft: ['delicate', 'colour', 'dark', 'wool-silk', 'no-rinse-wool', 'universal', 'soap', 'own-soap'],
  delicate: ['delicate', 'colour', 'wool-silk', 'no-rinse-wool'],
  'wool-silk': ['wool-silk', 'no-rinse-wool'],
  down: ['wool-silk', 'no-rinse-wool', 'delicate'],
  waterproof: ['delicate'],
  unknown: ['wool-silk', 'no-rinse-wool', 'delicate'],
};

/** The needs' shared classes, best compromise first: smallest worst rank, then smallest sum of ranks, then table order. */
export function sharedClasses(needs: readonly ClothNeed[], permitted: ReadonlySet<DetergentClass>): DetergentClass[] {
  const distinct = [...new Set(needs)];
  const ranked = detergentClasses
    .filter((c) => permitted.has(c) && distinct.every((n) => detergentPreference[n].includes(c)))
    .map((c) => ({ c, ranks: distinct.map((n) => detergentPreference[n].indexOf(c)) }));
  const worst = (r: readonly number[]): number => Math.max(...r);
  const total = (r: readonly number[]): number => r.reduce((a, b) => a + b, 0);
  return ranked
    .sort(
      (a, b) =>
        worst(a.ranks) - worst(b.ranks) ||
        total(a.ranks) - total(b.ranks) ||
        detergentClasses.indexOf(a.c) - detergentClasses.indexOf(b.c),
    )
    .map((r) => r.c);
}

export interface ProductSituation {
  method: 'machine' | 'hand';
  temperatureC: number;
  washer: Washer | null;
  hasDark: boolean;
  noPowder: boolean;
  noPod: boolean;
  /** Whether a detergent that bleaches may be taken: never, only for want of another, or as the cloth prefers. */
  bleach: 'never' | 'last' | 'allowed';
  hardnessMmolPerL: number;
}

/** Powder needs more than 20 °C to dissolve; on dark cloth more than 30 °C while another form is there. */
const powderLeastC = { any: 20, dark: 30 } as const;

/** Home-made soap leaves lime soap in harder water. */
const ownSoapHardness = 2;

function usable(p: Product, s: ProductSituation, otherFormInCupboard: boolean): boolean {
  if (p.remaining === 0) return false;
  if (s.bleach === 'never' && isPowdered(p)) return false;
  if (p.class === 'own-soap' && s.hardnessMmolPerL >= ownSoapHardness) return false;
  if (s.method === 'hand') return handDosePerLitre(p) !== null;
  if (s.washer?.refusesForms.includes(p.form)) return false;
  if (p.form === 'bar') return false;
  if (s.noPod && p.form === 'pod') return false;
  if (p.form === 'powder' || p.form === 'tablet') {
    if (s.noPowder || s.temperatureC <= powderLeastC.any) return false;
    if (p.form === 'powder' && s.hasDark && s.temperatureC <= powderLeastC.dark && otherFormInCupboard) return false;
  }
  return true;
}

/** The product for a load: the first class that has a usable product, the first of it by id. */
export function chooseProduct(
  products: readonly Product[],
  classes: readonly DetergentClass[],
  s: ProductSituation,
): Product | null {
  if (s.bleach === 'last')
    return (
      chooseProduct(products, classes, { ...s, bleach: 'never' }) ??
      chooseProduct(products, classes, { ...s, bleach: 'allowed' })
    );
  for (const c of classes) {
    const ofClass = products.filter((p) => p.class === c);
    const other = products.some(
      (p) => classes.includes(p.class as DetergentClass) && p.form !== 'powder' && p.remaining !== 0,
    );
    const best = ofClass.filter((p) => usable(p, s, other)).sort((a, b) => (a.id < b.id ? -1 : 1))[0];
    if (best) return best;
  }
  return null;
}

/** Universal powder and tablets carry oxygen bleach; pods and liquids are free of it. */
export const isPowdered = (p: Product): boolean =>
  p.class === 'universal' && (p.form === 'powder' || p.form === 'tablet');

/** Soap is rinsed out once more. */
export const isRinsedAgain = (p: Product): boolean => p.class === 'soap' || p.class === 'own-soap';

/** A helper of a class (catcher, vinegar, oxygen bleach …) that is not used up. */
export const helperOfClass = (products: readonly Product[], productClass: string): Product | null =>
  products.find((p) => p.class === productClass && p.remaining !== 0) ?? null;
