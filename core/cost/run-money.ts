/** What a run costs at the prices of the day: energy, water, products and coins. */
import type { Household } from '../model/household.ts';
import type { PlannedLoad } from '../model/plan.ts';
import { productMoney } from '../price/product-choice.ts';
import { sum } from '../units/numbers.ts';

type Run = Pick<PlannedLoad, 'washer' | 'energyKwh' | 'waterL' | 'detergent' | 'additives'>;
/**
 * In the household's currency.
 * @example runMoney(home, { washer: 'w1', energyKwh: 1, waterL: 50, detergent: null, additives: [] }) // 0.30 + 0.23
 */
export function runMoney(h: Pick<Household, 'tariff' | 'products' | 'washers'>, run: Run): number {
  const doses = [...(run.detergent ? [run.detergent] : []), ...run.additives];
  const products = doses.map((d) => {
    const product = h.products.find((p) => p.id === d.product);
    return product ? productMoney(product, d.amount, d.unit) : 0;
  });
  const coins = h.washers.find((w) => w.id === run.washer)?.pricePerRun ?? 0;
  return run.energyKwh * h.tariff.electricityPerKwh + (run.waterL / 1000) * h.tariff.waterPerM3 + sum(products) + coins;
}
