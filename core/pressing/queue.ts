/** The pressing queue: from the coolest plate to the hottest, and within one the piece that is nearest to drying out. */
import { kindFacts } from '../garment/kinds.ts';
import type { Profile } from '../piece/profile.ts';
import { pressPlan } from '../piece/care-steps.ts';
import type { PressPlan } from '../model/plan.ts';
import { ironClassC, ironDampOf, plateLimitC, plateWaitMin, sprayMl, wrinkleFactor } from './ironing.ts';

export interface PressPiece {
  id: string;
  profile: Profile;
  /** kg/kg now. */
  moisture: number;
  /** A mark is not proven gone. */
  markOpen: boolean;
}
export interface PressStep {
  id: string;
  plateC: number;
  press: PressPlan;
  minutes: number;
  /** Minutes until the plate is right, from the piece before. */
  waitMin: number;
  /** Water to spray, ml; 0 = damp enough, or not sprayed. */
  sprayMl: number;
  /** Steam of the plate works from about 140 °C; below it a damp cloth does it. */
  moistBy: 'steam' | 'damp-cloth' | 'spray' | 'nothing';
}
export const noPressReasons = ['needs-none', 'iron-forbidden', 'mark', 'fuel'] as const;
export type NoPressReason = (typeof noPressReasons)[number];
export interface PressQueue {
  steps: PressStep[];
  not: { id: string; why: NoPressReason }[];
  /** Minutes of the hands, and minutes the plate is waited for. */
  handsMin: number;
  waitMin: number;
  /** The same from the hottest to the coolest. */
  worstWaitMin: number;
}
const steamFromC = 140;
const plateOf = (p: Profile, press: PressPlan): number => Math.min(ironClassC[press.iron], plateLimitC(p.fibre));

function whyNot({ profile: p, markOpen }: PressPiece): NoPressReason | null {
  if (p.contamination === 'fuel') return 'fuel';
  const press = pressPlan(p);
  if (press === null) return kindFacts(p.garment.kind).flags.has('pressed') ? 'iron-forbidden' : 'needs-none';
  return markOpen ? 'mark' : null;
}

/**
 * @example pressQueue([linenShirt, silkBlouse]).steps.map((s) => s.plateC) // [130, 200]
 */
export function pressQueue(list: readonly PressPiece[]): PressQueue {
  const not: PressQueue['not'] = [];
  const ready: { piece: PressPiece; press: PressPlan; plateC: number; drynessMargin: number }[] = [];
  for (const piece of list) {
    const why = whyNot(piece);
    const press = pressPlan(piece.profile);
    if (why !== null || press === null) not.push({ id: piece.id, why: why ?? 'needs-none' });
    else
      ready.push({
        piece,
        press,
        plateC: plateOf(piece.profile, press),
        drynessMargin: piece.moisture - ironDampOf(piece.profile.fibre),
      });
  }
  ready.sort(
    (a, b) => a.plateC - b.plateC || a.drynessMargin - b.drynessMargin || a.piece.id.localeCompare(b.piece.id),
  );
  let before: number[] = [];
  const steps = ready.map(({ piece, press, plateC }): PressStep => {
    const { profile: p, moisture } = piece;
    const dry = moisture < ironDampOf(p.fibre);
    const waited = plateWaitMin(before) ?? 0;
    before = [...before, plateC];
    const ml = p.isSilk || p.isWool ? 0 : sprayMl(p.massKg * 1000, p.fibre, moisture);
    const moistBy = !dry
      ? 'nothing'
      : press.steam && plateC >= steamFromC
        ? 'steam'
        : press.pressCloth
          ? 'damp-cloth'
          : 'spray';
    return {
      id: piece.id,
      plateC,
      press,
      minutes:
        (kindFacts(p.garment.kind).ironMin ?? 0) *
        p.garment.count *
        (dry ? wrinkleFactor.normal : wrinkleFactor.damp_shaken),
      waitMin: (plateWaitMin(before) ?? 0) - waited,
      sprayMl: moistBy === 'spray' ? Math.round(ml) : 0,
      moistBy,
    };
  });
  const plates = steps.map((s) => s.plateC);
  return {
    steps,
    not,
    handsMin: steps.reduce((t, s) => t + s.minutes, 0),
    waitMin: plateWaitMin(plates) ?? 0,
    worstWaitMin: plateWaitMin([...plates].reverse()) ?? 0,
  };
}

/** Above iron-damp by so much a piece may be taken off the line for the iron at once, kg/kg. */
const offTheLineAbove = 0.08;
/** Whether what still hangs is right for the iron now. */
export const rightForIron = (p: Profile, moisture: number): boolean =>
  pressPlan(p) !== null && moisture <= ironDampOf(p.fibre) + offTheLineAbove;

/** A shirt in the order in which nothing pressed is creased again. */
export const shirtSteps = [
  'collar',
  'yoke',
  'cuffs',
  'sleeve-seams',
  'sleeves',
  'back',
  'fronts',
  'band',
  'hang',
  'touch-up',
] as const;
export type ShirtStep = (typeof shirtSteps)[number];
/** Pieces that are pressed in the order of a shirt. */
export const pressedAsShirt = (p: Profile): boolean =>
  kindFacts(p.garment.kind).wearGroup === 'shirt' || kindFacts(p.garment.kind).wearGroup === 'blouse';
