/** One draw of what was foretold: the same luck gives the same piece the same fortune, whatever else was decided. */
import { tintedHex } from '../colour/colour.ts';
import { kindFacts } from '../garment/kinds.ts';
import type { Effect, Scene } from './foretell.ts';
import { profileIn } from './foretell.ts';
import { drawn, type Luck } from './luck.ts';

export interface Fate {
  effect: Effect;
  happened: boolean;
  /** The size it came out at: per cent, ΔE, musty index; null where it has none. */
  size: number | null;
  /** Of a length that shrank. */
  cm: number | null;
  /** What a tinted ground has become. */
  hex: string | null;
}

/**
 * Effects that share a draw and have no size exclude each other (a mark is set, or stays, or is gone); with a size they go up and down together.
 */
export function happen(scene: Scene, effects: readonly Effect[], luck: Luck): Fate[] {
  const taken = new Map<string, number>();
  return effects.map((effect): Fate => {
    const u = luck(effect.draw);
    const { size } = effect;
    if (!size) {
      const from = taken.get(effect.draw) ?? 0;
      taken.set(effect.draw, from + effect.odds);
      return { effect, happened: u >= from && u < from + effect.odds, size: null, cm: null, hex: null };
    }
    const actual = drawn(size.predicted, u, size.spread);
    const p = profileIn(scene, effect.piece);
    const ground = p?.garment.colours.find((c) => c.role === 'ground')?.hex ?? null;
    return {
      effect,
      happened: actual > size.limit,
      size: actual,
      cm: effect.kind === 'shrunk' && p ? (actual / 100) * kindFacts(p.garment.kind).usualLengthCm : null,
      hex: effect.dyeHex && ground ? tintedHex(ground, effect.dyeHex, actual) : null,
    };
  });
}
