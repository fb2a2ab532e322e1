/** What happens to each piece around the wash: preparing, drying, pressing, putting away. */
import type { CareFlag, DryPosition } from '../envelope/envelope.ts';
import { kindFacts, type Layout } from '../garment/kinds.ts';
import { ironOrder, stricter, type Iron } from '../model/orders.ts';
import type { Dryer, DryingPlace, Household } from '../model/household.ts';
import type { DryMethod, DryPlan, PrepareStep, PressPlan } from '../model/plan.ts';
import { barsFor, dryingTimeHours, tumbleRun } from '../drying/drying.ts';
import { moistureAfterSpin, moistureAfterTowelRolls } from '../washing/spin.ts';
import { mixture } from '../units/numbers.ts';
import { physicalFibres } from '../fibre/physical.ts';
import { isKnit, isTowel, type Profile } from './profile.ts';

/** In the order of doing. */
const prepareOrder: readonly PrepareStep[] = [
  'mend',
  'empty-pockets',
  'brush-out',
  'photo',
  'measure',
  'detach',
  'keep-control',
  'tie-drawstring',
  'zip-closed',
  'hooks-closed',
  'buttons-open',
  'buttons-closed',
  'inside-out',
  'net',
  'net-no-metal',
];
export const prepareWords: Record<PrepareStep, string> = {
  mend: 'Mend loose buttons and open seams',
  'empty-pockets': 'Empty the pockets',
  'brush-out': 'Brush out dry dirt',
  photo: 'Take a photograph',
  measure: 'Measure it flat, to 0.5 cm',
  detach: 'Take off what comes off',
  'keep-control': 'Keep one part back to compare',
  'tie-drawstring': 'Tie the drawstring',
  'zip-closed': 'Close the zip',
  'hooks-closed': 'Close the hooks',
  'buttons-open': 'Open the buttons',
  'buttons-closed': 'Close the buttons',
  'inside-out': 'Turn inside out',
  net: 'Into a washing net',
  'net-no-metal': 'Into a net without metal',
};
/** What is done to a piece before its load. By hand nothing needs a net. */
export function prepareSteps(p: Profile, byHand = false): PrepareStep[] {
  const flags = new Set<CareFlag>(p.values.flags);
  const kind = kindFacts(p.garment.kind);
  if (kind.flags.has('small')) flags.delete('inside-out');
  if (['dark', 'black'].includes(p.history.colour.class) && kind.type === 'tube' && !kind.flags.has('small'))
    flags.add('inside-out');
  if (kind.flags.has('cover')) {
    flags.add('inside-out');
    if (flags.delete('buttons-open')) flags.add('buttons-closed');
  }
  if (kind.flags.has('netted') || (p.isWool && isKnit(p.garment) && !kind.flags.has('small'))) flags.add('net');
  if (flags.has('net-no-metal') || byHand) flags.delete('net');
  if (byHand) flags.delete('net-no-metal');
  if (p.isWool && p.garment.washCount === 0) flags.add('measure');
  // A part kept dry shows what the bath did, as long as the colour has not earned its trust.
  if (flags.has('detach') && p.history.dye !== null && !p.history.earned) flags.add('keep-control');
  const wanted = new Set<string>(flags);
  if (kind.flags.has('pockets')) wanted.add('empty-pockets');
  // Flour, mud and dust come off dry; wet they are paste.
  if (kind.flags.has('pockets') && p.garment.soil === 'heavy') wanted.add('brush-out');
  return prepareOrder.filter((s) => wanted.has(s));
}

/** Moisture when a piece leaves the bath: after the spin, or pressed and rolled once in a towel. */
export function moistureAtEnd(p: Profile, spinRpm: number, drumRadiusM: number): number {
  if (spinRpm > 0) return moistureAfterSpin(p.fibre, spinRpm, drumRadiusM);
  const pressed = mixture(p.fibre, (f) => physicalFibres[f].pressed);
  return moistureAfterTowelRolls(p.fibre, pressed, 1, 1, 1);
}

function positionFor(p: Profile): DryPosition {
  const may = p.values.dryPositions;
  const usual = kindFacts(p.garment.kind).layout;
  const wanted: DryPosition =
    usual === 'hanger' ? 'hanger' : usual === 'line' ? 'line' : usual.startsWith('flat') ? 'flat' : 'bars';
  if (may.has(wanted)) return wanted;
  return [...may][0] ?? 'flat';
}

const layoutFor = (position: DryPosition, bars: number): Layout =>
  position === 'bars'
    ? (`bar${Math.min(3, Math.max(1, bars))}` as Layout)
    : position === 'hanger'
      ? 'hanger'
      : position === 'line'
        ? 'line'
        : 'flat_towel';

/** A drying place that offers the position and the shade the piece needs; the household's order decides ties. */
function placeFor(
  places: readonly DryingPlace[],
  position: DryPosition,
  shade: boolean,
  outdoorsFirst: boolean,
): DryingPlace | null {
  const fits = places.filter(
    (d) =>
      (position === 'flat' ? d.flatM2 > 0 : position === 'hanger' ? d.hangers > 0 : d.bars > 0) && !(shade && d.sun),
  );
  return (outdoorsFirst ? fits.find((d) => d.outdoors) : fits.find((d) => !d.outdoors)) ?? fits[0] ?? null;
}

function dryerFor(p: Profile, h: Household): Dryer | null {
  if (p.values.tumble === 'none' || h.rules.tumble === 'never') return null;
  if (h.rules.tumble === 'towels' && !isTowel(p.garment)) return null;
  return h.dryers.find((d) => p.massKg <= d.maxLoadKg) ?? null;
}

/** How to dry one piece after its load. Gap 60 mm on bars, 100 mm elsewhere. */
export function dryPlan(p: Profile, h: Household, spinRpm: number, drumRadiusM: number): DryPlan {
  const x0 = moistureAtEnd(p, spinRpm, drumRadiusM);
  const { shade, awayFromHeat } = p.values;
  const shadeNeeded =
    shade || p.isSilk || (p.isWool && p.coloured) || ['dark', 'black'].includes(p.history.colour.class);
  const dryer = dryerFor(p, h);
  if (dryer && x0 <= 0.9) {
    const run = tumbleRun(dryer.type, Math.max(1, p.massKg), x0, dryer.maxLoadKg, p.values.tumble === 'low');
    return {
      method: p.values.tumble === 'low' ? 'tumble-low' : 'tumble-normal',
      place: dryer.id,
      bars: 0,
      hours: run.minutes / 60,
      shade: false,
      awayFromHeat: false,
      flips: 0,
    };
  }
  const position = positionFor(p);
  const white = p.history.colour.class === 'white';
  const place = placeFor(h.dryingPlaces, position, shadeNeeded, white);
  const bars =
    position === 'bars'
      ? Math.max(
          barsFor(p.massKg * 1000),
          h.rules.tshirtDrying === 'bars' && kindFacts(p.garment.kind).wearGroup === 'tshirt' ? 2 : 1,
        )
      : 0;
  const air = {
    temperatureC: h.room.temperatureC,
    humidity: h.room.relativeHumidity,
    airSpeedMPerS: place?.outdoors ? Math.max(1, h.room.airSpeedMPerS) : h.room.airSpeedMPerS,
    gapMm: position === 'bars' ? 60 : 100,
  };
  const time = dryingTimeHours(p.garment.kind, p.fibre, x0, layoutFor(position, bars), air);
  const hours = time.ok ? time.value : 0;
  const method: DryMethod = position;
  return {
    method,
    place: place?.id ?? null,
    bars,
    hours,
    shade: shadeNeeded,
    awayFromHeat,
    flips: position === 'flat' ? Math.floor(hours / 12) : 0,
  };
}

/** Iron limit of a piece once its marks are gone: until then it waits, but it is not forgotten. */
const ironOnceGone = (p: Profile): Iron =>
  p.envelope.bounds.reduce<Iron>(
    (iron, b) => (b.parameter === 'iron' && b.source !== 'stain' ? stricter(ironOrder, iron, b.limit) : iron),
    'high',
  );

/** null when the piece needs no iron; fuel and crossed symbols forbid it. A mark only puts it off: `waitsForMark`. */
export function pressPlan(p: Profile): PressPlan | null {
  if (!kindFacts(p.garment.kind).flags.has('pressed') || p.contamination === 'fuel') return null;
  const iron = ironOnceGone(p);
  if (iron === 'none') return null;
  return {
    iron,
    steam: p.values.steam && iron !== 'low',
    insideOut: p.values.ironInsideOut || ['dark', 'black'].includes(p.history.colour.class),
    pressCloth: p.values.pressCloth,
  };
}
/** Whether the iron waits until a mark is proven gone. */
export const pressWaits = (p: Profile): boolean => pressPlan(p) !== null && p.garment.stains.length > 0;

/** Wool is folded whatever its kind: it grows on a hanger. */
export const storeAs = (p: Profile): 'fold' | 'hang' =>
  p.isWool && isKnit(p.garment) ? 'fold' : kindFacts(p.garment.kind).store;
