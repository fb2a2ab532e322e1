/** How a load is washed by hand: the bath, its warm water, its rinses, and the minutes of each step. */
import {
  bathCare,
  bathCareOrder,
  hotWaterL,
  leastBathL,
  noRinseSoakMin,
  rinsesNeeded,
  type BathCare,
} from '../washing/basin.ts';
import type { Basket } from './basket.ts';
import { duty } from './bits.ts';
import { hasDuty, type Features } from './features.ts';
import type { Setting } from './settings.ts';

export interface HandBath {
  litres: number;
  hotL: number;
  rinses: number;
  soakMin: number;
  moveMin: number;
  care: BathCare;
}

/** Minutes of the fixed hand steps: fill 5, drain 2, each rinse 5, press 3, towel roll 4. */
export const handStepMinutes = { fill: 5, move: 3, drain: 2, rinse: 5, press: 3, roll: 4 } as const;
const shortSoakMin = 10;

export function handBath(
  b: Basket,
  s: Extract<Setting, { method: 'hand' }>,
  f: Features,
  perLitre: number,
  noRinse: boolean,
): HandBath {
  const care = bathCareOrder[f.bathRank] ?? 'normal';
  const facts = bathCare[care];
  const litres = Math.min(s.usableL, Math.max(leastBathL, facts.liquorLPerKg * f.massKg));
  const hot = hotWaterL(litres, s.temperatureC, b.household.water.hotC, b.household.water.coldC);
  const rinses = noRinse ? 0 : Math.max(1, rinsesNeeded(perLitre * 1000, facts.residueMgPerL, f.carryL, litres));
  const soakMin = hasDuty(f, duty.catcher)
    ? 0
    : hasDuty(f, duty.noSoak)
      ? Math.min(shortSoakMin, facts.soakMin)
      : noRinse && care !== 'silk'
        ? Math.max(noRinseSoakMin, facts.soakMin)
        : facts.soakMin;
  return { litres, hotL: hot.ok ? hot.value : 0, rinses, soakMin, moveMin: handStepMinutes.move, care };
}
export const handDuration = (bath: HandBath): number =>
  handStepMinutes.fill +
  bath.soakMin +
  bath.moveMin +
  handStepMinutes.drain +
  bath.rinses * handStepMinutes.rinse +
  handStepMinutes.press +
  handStepMinutes.roll;
