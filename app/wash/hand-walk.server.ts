/** A hand load of a stored plan as the walk through its steps. */
import { writeHandWalk, type HandWalk } from '@core/run/hand-walk.ts';
import { displayDose } from '@core/plan/plan.ts';
import { profileOf } from '@core/piece/profile.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import type { LoadView } from '@data/loads.ts';

const numberOf = (id: string | undefined): number | null => (id ? Number(id.slice(1)) : null);

/** null for a load of a machine, or when its tub is not known any more. */
export function handWalkOf({ hamper, plan, load }: Pick<LoadView, 'hamper' | 'plan' | 'load'>): HandWalk | null {
  if (load.method !== 'hand') return null;
  const household = householdOf(hamper.household);
  const basin = household.basins.find((b) => b.id === load.basin);
  if (!basin) return null;
  const pieces = hamper.garments
    .filter((g) => load.garments.includes(g.id))
    .map((g) => profileOf(garmentOf(g), household.rules));
  const minutesOf = (step: string): number =>
    load.procedure.filter((s) => s.step === step).reduce((sum, s) => sum + s.minutes, 0);
  const { detergent } = load;
  const product = household.products.find((p) => p.id === detergent?.product);
  return writeHandWalk({
    pieces,
    household,
    basin,
    temperatureC: load.temperatureC,
    massKg: load.massKg,
    soakMin: minutesOf('soak'),
    rinses: load.procedure.filter((s) => s.step === 'rinse').length,
    detergent:
      detergent && product
        ? {
            name: product.name,
            productClass: product.class,
            amount: displayDose(detergent.amount, detergent.unit, true),
            unit: detergent.unit,
          }
        : null,
    usesBathOf: numberOf(load.reuses),
    bathGoesTo: numberOf(plan.loads.find((l) => l.reuses === load.id)?.id),
    suspectDye: load.procedure.some((s) => s.step === 'read-catcher'),
  });
}
