/** What a pushed setting does to a piece: what each consequence is called, and how large it is. */
import type { ToldKind } from '@core/board/told.ts';

export const effectNames: Record<ToldKind | 'dries', string> = {
  shrinks: 'Shrinks',
  tint: 'Takes colour',
  fades: 'Fades',
  creases: 'Creases',
  sets: 'The stain sets',
  unclean: 'Stays dirty',
  dries: 'Dries',
};
/** Shares in percent, colour as ΔE CIEDE2000; `lost` and `dries` are lengths and times as the household reads them. */
interface Sizes {
  shrinks: { percent: number; lost: string; feltingPercent: number | null };
  tint: { deltaE: number; from: string };
  fades: { deltaE: number; seenAfter: number | null };
  /** null = by hand. */
  creases: { spinRpm: number | null };
  sets: object;
  unclean: { percent: number };
  dries: { time: string };
}
export type EffectSize = { [K in keyof Sizes]: { kind: K } & Sizes[K] }[keyof Sizes];

/** @example effectSize({ kind: 'creases', spinRpm: 800 }) // '800 rpm' */
export function effectSize(e: EffectSize): string {
  switch (e.kind) {
    case 'shrinks': {
      const felting = e.feltingPercent === null ? '' : `, ${e.feltingPercent.toFixed(1)} % by felting, for good`;
      return `${e.percent.toFixed(1)} %, about ${e.lost} in length${felting}`;
    }
    case 'tint':
      return `ΔE ${e.deltaE.toFixed(1)} from ${e.from}`;
    case 'fades':
      return `ΔE ${e.deltaE.toFixed(2)} a wash${e.seenAfter ? `, seen after about ${e.seenAfter}; odds after ten` : ''}`;
    case 'creases':
      return e.spinRpm === null ? 'pressed out' : `${e.spinRpm} rpm`;
    case 'sets':
      return 'heat before it is gone';
    case 'unclean':
      return `${Math.round(e.percent)} % short of what its soil asks`;
    case 'dries':
      return `${e.time} in this room`;
  }
}
