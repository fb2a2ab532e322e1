/** What happens to each piece around the wash: preparing, the water left, pressing, putting away. */
import type { CareFlag } from '../envelope/envelope.ts';
import { kindFacts } from '../garment/kinds.ts';
import { ironOrder, stricter, type Iron } from '../model/orders.ts';
import type { PrepareStep, PressPlan } from '../model/plan.ts';
import { moistureAfterSpin, moistureAfterTowelRolls } from '../washing/spin.ts';
import { mixture } from '../units/numbers.ts';
import { physicalFibres } from '../fibre/physical.ts';
import { isKnit, type Profile } from './profile.ts';

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

/** Its size is looked at after the wash: wool in its first wash, and cloth whose trait says so. */
export const mayChangeSize = (p: Profile): boolean =>
  (p.isWool && p.garment.washCount === 0) || p.values.flags.has('measure');

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
  // The length before is known once it was measured.
  flags.delete('measure');
  if (mayChangeSize(p) && !p.garment.measured) flags.add('measure');
  // A part kept dry shows what the bath did, as long as the colour has not earned its trust.
  if (flags.has('detach') && p.history.dye !== null && !p.history.earned) flags.add('keep-control');
  const wanted = new Set<string>(flags);
  if (kind.flags.has('pockets')) wanted.add('empty-pockets');
  // Flour, mud and dust come off dry; wet they are paste.
  if (kind.flags.has('pockets') && p.garment.soil === 'heavy') wanted.add('brush-out');
  return prepareOrder.filter((s) => wanted.has(s));
}

/** Moisture when a piece leaves its bath: after the spin, dripping where the drum did not turn, by hand pressed and rolled once in a towel. */
export function moistureAtEnd(
  p: Profile,
  bath: { method: 'machine' | 'hand'; spinRpm: number; drumRadiusM: number },
): number {
  if (bath.method === 'hand') {
    const pressed = mixture(p.fibre, (f) => physicalFibres[f].pressed);
    return moistureAfterTowelRolls(p.fibre, pressed, 1, 1, 1);
  }
  if (bath.spinRpm > 0) return moistureAfterSpin(p.fibre, bath.spinRpm, bath.drumRadiusM);
  return mixture(p.fibre, (f) => physicalFibres[f].dripped);
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
