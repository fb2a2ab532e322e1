/** Made-up baskets of any size: pieces of the demo wardrobe with other colours, histories and soils. The same seed gives the same basket. */
import { seeded } from '@core/units/random.ts';
import type { HamperDocument } from '@formats/hamper.ts';
import type { GarmentDocument } from '@formats/hamper-schema.ts';
import { demoHousehold } from '@data/demo/household.ts';
import { demoWardrobe } from '@data/demo/wardrobe.ts';

const clampByte = (x: number): number => Math.max(0, Math.min(255, Math.round(x)));
/** The same colour, a little off, as two pieces of one wardrobe are. */
function nearby(hex: string, random: () => number): string {
  const shift = () => (random() - 0.5) * 24;
  return `#${[1, 3, 5]
    .map((i) =>
      clampByte(parseInt(hex.slice(i, i + 2), 16) + shift())
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}

const soils = ['light', 'normal', 'normal', 'normal', 'heavy'] as const;
const now = '2026-05-09T08:00:00+02:00';

/** A basket of `size` washable pieces for the demo household; `washers` copies of its machine. */
export function basketOfSize(size: number, seed = 1, washers = 1): HamperDocument {
  const random = seeded(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const washable = demoWardrobe.filter(
    (p) =>
      p.garment.label?.wash?.by !== 'none' &&
      !p.garment.traits.includes('structured') &&
      !p.garment.traits.includes('heirloom'),
  );
  const garments = Array.from({ length: size }, (_, i): GarmentDocument => {
    const { garment: g } = pick(washable);
    const washCount = Math.floor(random() * 40);
    const tests =
      random() < 0.5
        ? [0, 1].map((k) => ({
            kind: 'catcher' as const,
            grade: random() < 0.9 ? 5 : 4,
            at: `2026-04-0${k + 1}T10:00:00+02:00`,
          }))
        : [];
    return {
      id: `g${i + 1}`,
      name: `${g.name} ${i + 1}`,
      kind: g.kind,
      size: g.size,
      parts: g.parts,
      construction: [],
      features: g.traits,
      dye: g.dye,
      label: g.label,
      dryMassG: g.dryMassG,
      valueEur: g.valueEur,
      colours: g.colours.map((c) => ({ ...c, hex: g.dye === 'undyed' ? c.hex : nearby(c.hex, random) })),
      washCount,
      tests,
      wearsSinceWash: 1 + Math.floor(random() * 8),
      soil: pick(soils),
      worn: { activity: random() < 0.25 ? 'sweaty' : 'normal' },
      neededBy: random() < 0.08 ? '2026-05-11T08:00:00+02:00' : null,
      stains:
        random() < 0.08
          ? [
              {
                id: 's1',
                kind: pick(['coffee', 'cooking-grease', 'red-wine', 'grass'] as const),
                ageHours: 30,
                sizeCm: 3,
              },
            ]
          : [],
    };
  });
  const machines = demoHousehold.document.washers ?? [];
  return {
    format: 'neat-fold/hamper',
    version: 1,
    now,
    garments,
    household: {
      ...demoHousehold.document,
      washers: Array.from({ length: washers }).flatMap((_, k) =>
        machines.map((w) => ({ ...w, id: k === 0 ? w.id : `${w.id}-${k + 1}` })),
      ),
    },
  };
}
