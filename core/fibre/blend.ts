import type { FibreShare, Part } from '../model/garment.ts';
import { fibreFacts, type FibreId } from './fibres.ts';
import { physicalGroup, type PhysicalFibreId } from './physical.ts';

/**
 * Fibres of one part that set limits: each at or above its threshold (protein, acetate, cupro 5 %; unknown 1 %; elastane 10 %; others 20 %).
 * When nothing reaches its threshold, the largest share counts. A fibre of 0 % is absent.
 */
export function significantFibres(shares: readonly FibreShare[]): FibreShare[] {
  const present = shares.filter((s) => s.percent > 0);
  const significant = present.filter((s) => s.percent >= fibreFacts(s.fibre).significantFromPercent);
  if (significant.length > 0) return significant;
  return [...present].sort((a, b) => b.percent - a.percent || a.fibre.localeCompare(b.fibre)).slice(0, 1);
}

/** Elastane between 1 % and 10 %: it does not count in full, but caps heat and chlorine. */
export const hasLittleElastane = (shares: readonly FibreShare[]): boolean =>
  shares.some((s) => s.fibre === 'elastane' && s.percent >= 1 && s.percent < 10);

/** Parts that decide the method: everything but trim. */
export const mainParts = (parts: readonly Part[]): readonly Part[] => {
  const main = parts.filter((p) => p.role !== 'trim');
  return main.length > 0 ? main : parts;
};

/** Mass shares of physical fibre groups of the main part, for water, spin and drying models. */
export function physicalShares(parts: readonly Part[]): ReadonlyMap<PhysicalFibreId, number> {
  const shares = new Map<PhysicalFibreId, number>();
  const filling = parts.find((p) => p.role === 'filling');
  const part = filling ?? mainParts(parts)[0];
  for (const { fibre, percent } of part?.fibres ?? []) {
    if (percent <= 0) continue;
    const group = physicalGroup[fibre];
    shares.set(group, (shares.get(group) ?? 0) + percent / 100);
  }
  if (shares.size === 0) shares.set('cotton', 1);
  return shares;
}

/** True when a fibre that passes the test is significant in some main part. */
export const hasSignificant = (parts: readonly Part[], test: (id: FibreId) => boolean): boolean =>
  mainParts(parts).some((p) => significantFibres(p.fibres).some((s) => test(s.fibre)));

export const isProtein = (id: FibreId): boolean => fibreFacts(id).group === 'protein';
/** Wool and the hairs, not silk. */
export const isWool = (id: FibreId): boolean => isProtein(id) && id !== 'silk';
export const isHide = (id: FibreId): boolean => fibreFacts(id).group === 'hide';
export const isCellulose = (id: FibreId): boolean => fibreFacts(id).group === 'cellulose';
/** Wool and hair are half of some main part or more: it airs, and wears as wool does. */
export const isMostlyWool = (parts: readonly Part[]): boolean =>
  mainParts(parts).some(
    (part) => part.fibres.filter((f) => isWool(f.fibre)).reduce((sum, f) => sum + f.percent, 0) >= 50,
  );
