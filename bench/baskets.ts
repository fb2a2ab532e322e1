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

/** How a basket comes about: `repeats` = how often a piece has a twin that nothing tells apart, 0–1; `washers` = copies of the demo household's machine. */
export interface Making {
  seed?: number;
  washers?: number;
  repeats?: number;
}
/** What a household has in one basket: some socks, towels and sheets are alike. */
export const householdBasket = (size: number, seed: number): HamperDocument => basketOf(size, { seed, repeats: 0.35 });
/** What a home with thirty rooms has: most linen is alike, and there are four machines. */
export const careHomeBasket = (size: number, seed: number): HamperDocument =>
  basketOf(size, { seed, repeats: 0.85, washers: 4 });
/** A basket of `size` washable pieces in which no two are alike, for the demo household. */
export const basketOfSize = (size: number, seed = 1, washers = 1): HamperDocument => basketOf(size, { seed, washers });

function basketOf(size: number, { seed = 1, washers = 1, repeats = 0 }: Making): HamperDocument {
  const random = seeded(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const washable = demoWardrobe.filter(
    (p) =>
      p.garment.label?.wash?.by !== 'none' &&
      !p.garment.traits.includes('structured') &&
      !p.garment.traits.includes('heirloom'),
  );
  const made: GarmentDocument[] = [];
  const garments = Array.from({ length: size }, (_, i): GarmentDocument => {
    const twin = repeats > 0 && made.length > 0 && random() < repeats ? pick(made) : null;
    if (twin) return { ...twin, id: `g${i + 1}`, name: `${twin.name} ${i + 1}` };
    const fresh = madeUp(i);
    made.push(fresh);
    return fresh;
  });
  function madeUp(i: number): GarmentDocument {
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
  }
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
