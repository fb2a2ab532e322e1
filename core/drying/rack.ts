/** Packing of racks and flat places (engineering estimates; first fit decreasing). */
import { kindFacts, type GarmentKind } from '../garment/kinds.ts';
import { garmentMassG } from '../garment/mass.ts';
import { barsFor } from './drying.ts';

type Items = readonly (readonly [GarmentKind, number])[];
const sideClearanceM = 0.03;
const widthM = (kind: GarmentKind): number => kindFacts(kind).barLengthM + sideClearanceM;

export const barMetres = (items: Items): number =>
  items.reduce((m, [kind, n]) => m + n * barsFor(garmentMassG(kind)) * widthM(kind), 0);
/** How many pieces find room: adjacent bars only, heaviest and widest first. Below 50 mm pitch every second bar stays free. */
export function rackFit(bars: number, lengthM: number, pitchMm: number, items: Items): number {
  const used = new Array<number>(pitchMm >= 50 ? bars : Math.floor((bars + 1) / 2)).fill(0);
  const pieces = items
    .flatMap(([kind, n]) =>
      Array.from({ length: n }, () => ({ bars: barsFor(garmentMassG(kind)), width: widthM(kind) })),
    )
    .sort((x, y) => y.bars - x.bars || y.width - x.width);
  let placed = 0;
  for (const p of pieces) {
    let at = -1;
    let least = Infinity;
    for (let i = 0; i + p.bars <= used.length; i++) {
      const start = Math.max(...used.slice(i, i + p.bars));
      if (start + p.width <= lengthM + 1e-9 && start < least) {
        least = start;
        at = i;
      }
    }
    if (at < 0) continue;
    used.fill(least + p.width, at, at + p.bars);
    placed++;
  }
  return placed;
}
/** Clear air between two neighbours, mm; below 0 they press on each other. */
export const gapBetweenMm = (pitchMm: number, thickAMm: number, thickBMm: number, layers = 4): number =>
  pitchMm - (layers / 2) * (thickAMm + thickBMm);
export const flatNeedM2 = (items: Items): number =>
  items.reduce((m, [kind, n]) => m + 1.1 * n * kindFacts(kind).flatM2, 0);
export const hangerCount = (railM: number, thick = false): number => Math.floor(railM / (thick ? 0.1 : 0.06) + 1e-9);
