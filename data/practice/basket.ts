/** A basket to practise on: pieces as somebody would say them, what of them cannot be read, and the mistake it tempts to. */
import { readPieceLine } from '../../core/phrase/piece-line.ts';
import type { Mistake } from '../../core/practice/mistakes.ts';
import type { StainKind } from '../../core/stain/stains.ts';
import type { GarmentDocument, HamperDocument } from '../../formats/hamper-schema.ts';
import { practiceHouseholds, type PracticePlace } from './households.ts';

export interface PracticePiece {
  line: string;
  /** The label is gone or cannot be read: this is what eyes and fingers say instead of fibre and symbols. */
  touch?: string;
  /** What it is called then: its usual name would tell. */
  called?: string;
  /** Washes so far; 0 = new. Missing = often washed. */
  washes?: number;
  soil?: NonNullable<GarmentDocument['soil']>;
  wears?: number;
  valueEur?: number;
  marks?: readonly { kind: StainKind; ageHours: number; sizeCm?: number; place?: string }[];
  set?: string;
  allowTestFirst?: boolean;
}
export interface PracticeBasket {
  id: string;
  title: string;
  /** What it is about, without telling the answer. */
  about: string;
  level: 1 | 2 | 3 | 4 | 5;
  place: PracticePlace;
  pieces: readonly PracticePiece[];
  /** Pieces by their number, `p1` the first; null = made from a seed. */
  mistake: Mistake | null;
}

/** Every basket lies there on the same day. */
const day = '2026-07-04T08:00:00+02:00';
const oftenWashed = 18;

/** The piece as the planner knows it: the truth, whether or not it can be read. */
export function garmentOfPiece(piece: PracticePiece, index: number, place: PracticePlace): GarmentDocument {
  const read = readPieceLine(piece.line);
  // What is washed by hand is not let become dirty.
  const usualSoil = place === 'tub' || read.label?.wash?.by === 'hand' ? 'light' : 'normal';
  return {
    id: `p${index + 1}`,
    name: piece.called ?? read.name,
    kind: read.kind,
    parts: read.parts.map((p) => ({ role: p.role, fibres: p.fibres.map((f) => ({ ...f })) })),
    features: read.traits,
    colours: read.colours.length > 0 ? read.colours : [{ hex: '#f4f2ec', role: 'ground' }],
    dye: read.dye,
    label: read.label ? { ...read.label, phrases: [...read.label.phrases] } : null,
    size: read.size,
    heightCm: read.heightCm,
    odour: read.odour,
    washCount: piece.washes ?? oftenWashed,
    wearsSinceWash: piece.wears ?? read.wearsSinceWash ?? 2,
    soil: piece.soil ?? usualSoil,
    use: read.use,
    count: read.count ?? 1,
    set: piece.set ?? null,
    valueEur: piece.valueEur ?? read.valueEur ?? 20,
    allowTestFirst: piece.allowTestFirst ?? false,
    stains: (piece.marks ?? []).map((m, i) => ({
      id: `m${i + 1}`,
      kind: m.kind,
      ageHours: m.ageHours,
      sizeCm: m.sizeCm ?? 2,
      place: m.place ?? '',
      heatSet: false,
    })),
  };
}
/** @example hamperOfBasket(basket).garments[0]?.id // 'p1' */
export const hamperOfBasket = (b: Pick<PracticeBasket, 'place' | 'pieces'>): HamperDocument => ({
  format: 'neat-fold/hamper',
  version: 1,
  now: day,
  household: practiceHouseholds[b.place],
  garments: b.pieces.map((p, i) => garmentOfPiece(p, i, b.place)),
});
