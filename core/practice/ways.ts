/** The ways of a play in terms of machines and basins: every choice a person at this household's machines could make, wrong ones too. */
import { byHand } from '../board/by-hand.ts';
import type { Pushed } from '../board/what-if.ts';
import { detergentClasses, type DetergentClass, type Household, type Product } from '../model/household.ts';
import type { Tumble } from '../model/orders.ts';
import { handTemperaturesC } from '../price/settings.ts';
import type { Play, Way } from './play.ts';

const isDetergentClass = (c: string): c is DetergentClass => (detergentClasses as readonly string[]).includes(c);
export const detergentsOf = (h: Household): Product[] => h.products.filter((p) => isDetergentClass(p.class));
/** What can go into a bath beside the detergent. */
export const helpersOf = (h: Household): Product[] =>
  h.products.filter((p) =>
    ['softener', 'vinegar', 'oxygen-bleach', 'chlorine-bleach', 'colour-catcher'].includes(p.class),
  );
export const handTemperaturesOf = (h: Household): number[] =>
  handTemperaturesC.filter((c) => c <= Math.max(h.water.hotC, h.water.coldC));

/** What is not on offer here, in the order of the way; null = it can be done. */
export type WayProblem = 'washer' | 'programme' | 'temperature' | 'spin' | 'basin' | 'detergent' | 'helper';
export function wayProblem(h: Household, way: Way): WayProblem | null {
  if (!detergentsOf(h).some((p) => p.id === way.detergent)) return 'detergent';
  if (way.helpers.some((id) => !helpersOf(h).some((p) => p.id === id))) return 'helper';
  if (way.by === 'hand')
    return !h.basins.some((b) => b.id === way.basin)
      ? 'basin'
      : handTemperaturesOf(h).includes(way.temperatureC)
        ? null
        : 'temperature';
  const washer = h.washers.find((w) => w.id === way.washer);
  if (!washer) return 'washer';
  const programme = washer.programmes.find((p) => p.id === way.programme);
  if (!programme) return 'programme';
  if (!programme.temperaturesC.includes(way.temperatureC)) return 'temperature';
  return programme.spinsRpm.includes(way.spinRpm) ? null : 'spin';
}

/** What of a play cannot be: the field it stands in. Empty = everything is possible. */
export function playProblems(h: Household, garments: ReadonlySet<string>, play: Play): string[] {
  const out: string[] = [];
  const placed = new Set<string>();
  play.loads.forEach((load, i) => {
    if (load.pieces.length === 0) out.push(`loads[${i}].pieces: a load needs a piece`);
    for (const id of load.pieces) {
      if (!garments.has(id)) out.push(`loads[${i}].pieces: “${id}” is not in this basket`);
      else if (placed.has(id) || play.aside[id] !== undefined)
        out.push(`loads[${i}].pieces: “${id}” is elsewhere, too`);
      placed.add(id);
    }
    const problem = wayProblem(h, load.way);
    if (problem) out.push(`loads[${i}].way.${problem}: is not to be had here`);
  });
  for (const [field, ids] of [
    ['tests', play.tests],
    ['nets', play.nets],
    ['insideOut', play.insideOut],
    ['aside', Object.keys(play.aside)],
    ['drying', Object.keys(play.drying)],
  ] as const)
    for (const id of ids) if (!garments.has(id)) out.push(`${field}: “${id}” is not in this basket`);
  for (const [id, dry] of Object.entries(play.drying)) {
    const there =
      dry.to === 'dryer' ? h.dryers.some((d) => d.id === dry.dryer) : h.dryingPlaces.some((d) => d.id === dry.place);
    if (!there) out.push(`drying.${id}: there is no such place`);
  }
  return out;
}

export const productOf = (h: Household, id: string): Product | null => h.products.find((p) => p.id === id) ?? null;

/** A way as the arithmetic of “what if” takes it; null where the household has no such machine or basin. */
export function pushedOf(h: Household, way: Way, tumble: Tumble, dryer: string | null): Pushed | null {
  const helpers = way.helpers.flatMap((id) => productOf(h, id) ?? []);
  const shared = {
    temperatureC: way.temperatureC,
    tumble,
    detergent: (productOf(h, way.detergent)?.class ?? 'colour') as DetergentClass,
    catcher: helpers.some((p) => p.class === 'colour-catcher'),
    dryer: h.dryers.find((d) => d.id === dryer) ?? null,
  };
  if (way.by === 'machine') {
    const washer = h.washers.find((w) => w.id === way.washer);
    const programme = washer?.programmes.find((p) => p.id === way.programme);
    return washer && programme ? { ...shared, washer, programme, spinRpm: way.spinRpm } : null;
  }
  const basin = h.basins.find((b) => b.id === way.basin);
  if (!basin) return null;
  return { ...shared, ...byHand(basin, way.temperatureC) };
}
