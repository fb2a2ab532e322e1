/** From a piece's facts to how its fold is drawn. */
import type { GarmentDocument } from '@formats/hamper-schema.ts';
import { estimatedMassG } from '@formats/hamper.ts';
import { kindFacts } from '@core/garment/kinds.ts';
import type { ClothView, Texture } from '../ui/fold.tsx';

interface ClothSource {
  kind: GarmentDocument['kind'];
  size?: GarmentDocument['size'] | undefined;
  colours: GarmentDocument['colours'];
  traits: readonly string[];
  dryMassG?: number | null | undefined;
}

const textureOf: readonly [string, Texture][] = [
  ['lace', 'lace'],
  ['mesh', 'lace'],
  ['tulle', 'lace'],
  ['chunky-knit', 'chunky'],
  ['hand-knit', 'chunky'],
  ['terry', 'terry'],
  ['fleece', 'pile'],
  ['pile', 'pile'],
  ['velvet', 'pile'],
  ['corduroy', 'pile'],
  ['denim-raw', 'denim'],
  ['denim', 'denim'],
  ['jersey-knit', 'knit'],
  ['woven', 'woven'],
];

export function clothOf(s: ClothSource): ClothView {
  const ground = s.colours.find((c) => c.role === 'ground')?.hex ?? '#8b8d94';
  const massG = s.dryMassG ?? estimatedMassG({ kind: s.kind, size: s.size });
  return {
    hex: ground,
    bands: s.colours.filter((c) => c.role !== 'ground').map((c) => c.hex),
    texture: textureOf.find(([t]) => s.traits.includes(t))?.[1] ?? 'plain',
    bulk: (massG / 1000) * kindFacts(s.kind).looseVolumeLPerKg,
  };
}
export const clothOfDocument = (g: GarmentDocument): ClothView =>
  clothOf({
    kind: g.kind,
    size: g.size,
    colours: g.colours,
    traits: [...(g.construction ?? []), ...(g.features ?? [])],
    dryMassG: g.dryMassG,
  });
