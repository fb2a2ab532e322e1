/** Which shrinkage row a piece belongs to, by its cloth. */
import { hasSignificant, isWool, mainParts } from '../fibre/blend.ts';
import type { FibreId } from '../fibre/fibres.ts';
import { isDenim, isKnit, isTowel } from '../envelope/garment-envelope.ts';
import type { Garment } from '../model/garment.ts';
import type { ShrinkClass } from './shrinkage.ts';

const regenerated: readonly FibreId[] = ['viscose', 'modal', 'lyocell', 'cupro', 'acetate', 'triacetate'];

export function shrinkClassOf(g: Garment): ShrinkClass {
  const has = (...ids: FibreId[]): boolean => hasSignificant(g.parts, (f) => ids.includes(f));
  const knit = isKnit(g);
  if (has('cashmere')) return 'cashmere-knit';
  if (has('mohair', 'alpaca', 'angora')) return 'mohair-alpaca-knit';
  if (has('wool')) return knit ? 'wool-knit' : 'wool-woven';
  if (hasSignificant(g.parts, isWool)) return 'wool-superwash';
  if (has('silk')) return 'silk-woven';
  if (g.traits.has('denim-raw')) return 'denim-raw';
  if (isDenim(g)) return 'denim-sanforized';
  if (isTowel(g) || g.traits.has('terry')) return 'terry';
  if (has('linen', 'hemp')) return 'linen';
  if (has(...regenerated)) return knit ? 'viscose-knit' : 'viscose-woven';
  const share = (f: FibreId): number =>
    Math.max(0, ...mainParts(g.parts).flatMap((p) => p.fibres.filter((x) => x.fibre === f).map((x) => x.percent)));
  if (share('cotton') >= 20 && share('polyester') >= 20) return 'polycotton';
  if (share('cotton') >= 50) return knit ? 'cotton-jersey-preshrunk' : 'cotton-woven-sanforized';
  if (has('acrylic')) return 'acrylic-knit';
  return has('polyamide', 'elastane') ? 'nylon' : 'polyester';
}
