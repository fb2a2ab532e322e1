/**
 * Stand-in for a water supplier's look-up by place: a few made-up supply areas. A real one would answer the same question over the network:
 * given a place, its hardness in mmol/l, or nothing.
 */
interface SupplyArea {
  place: string;
  hardnessMmolPerL: number;
}
const areas: readonly SupplyArea[] = [
  { place: 'Quayside', hardnessMmolPerL: 2.3 },
  { place: 'Old Harbour', hardnessMmolPerL: 2.1 },
  { place: 'Upper Mills', hardnessMmolPerL: 0.9 },
  { place: 'Limekiln', hardnessMmolPerL: 4.1 },
  { place: 'Moorfoot', hardnessMmolPerL: 0.4 },
  { place: 'Chalk Hill', hardnessMmolPerL: 3.4 },
  { place: 'Riverbank', hardnessMmolPerL: 1.7 },
];
export const supplyPlaces: readonly string[] = areas.map((a) => a.place);

/** Hardness at a place, mmol/l; null when the supplier does not know the place. */
export const hardnessAt = (place: string): number | null =>
  areas.find((a) => a.place.toLowerCase() === place.trim().toLowerCase())?.hardnessMmolPerL ?? null;
