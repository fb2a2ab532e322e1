/** Trying a colour on a white cloth, in practice: what the reading will be, and what is known of the basket afterwards. */
import { bleedLimits, bleedScore, colourHistory, stainDeltaE } from '../colour/bleed.ts';
import { stainingGrade } from '../colour/grading.ts';
import type { Garment } from '../model/garment.ts';
import type { PlanRequest } from '../plan/plan.ts';
import { estimateSpread } from '../units/odds.ts';
import { dyeDraw, sceneOf, type Scene } from './foretell.ts';
import { drawn, type Luck } from './luck.ts';
import type { Play } from './play.ts';

/** A wet white cotton cloth held to it: as an ordinary wash beside half a kilogram of it. */
const trial = { temperatureC: 30, minutes: 40, donorKg: 0.5, clothLightness: 97 } as const;
const cotton = new Map([['cotton', 1]] as const);

/** How much more dye it gives than the book says. */
export const loosenessOf = (garment: string, luck: Luck): number => drawn(1, luck(dyeDraw(garment)), estimateSpread);

/** Staining grade 1–5 of the test cloth. */
export function testGrade(g: Garment, luck: Luck): number {
  const h = colourHistory(g);
  if (h.dye === null) return 5;
  const { temperatureC, minutes, donorKg, clothLightness } = trial;
  const score = bleedScore(h.dye, h.colour.strongest.lightness, g.washCount, temperatureC, minutes);
  const deltaE = stainDeltaE(
    score,
    h.dye,
    cotton,
    clothLightness,
    donorKg * h.colour.strongestShare,
    bleedLimits.referenceLoadKg,
  );
  return stainingGrade(deltaE * loosenessOf(g.id, luck));
}

/** The basket as somebody knows it who made these tests. */
export function knownAfter(request: PlanRequest, play: Play, luck: Luck): Scene {
  const tried = new Set(play.tests);
  const garments = request.garments.map((g): Garment => {
    const grade = testGrade(g, luck);
    const readings = play.tests.flatMap((id) =>
      id === g.id ? [{ kind: 'spot' as const, agent: 'water', grade, at: request.now }] : [],
    );
    return readings.length > 0 ? { ...g, tests: [...g.tests, ...readings] } : g;
  });
  return sceneOf({ ...request, garments }, new Map([...tried].map((id) => [id, loosenessOf(id, luck)])));
}
