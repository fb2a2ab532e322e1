/**
 * What somebody does who never learnt it: pale and coloured, as full as it goes, at 40 °C in the cotton programme at full spin with whatever stands there;
 * marks are left to the machine, and everything goes into the dryer, or over the first bars.
 */
import type { Profile } from '../piece/profile.ts';
import type { Scene } from './foretell.ts';
import type { DryWay, Play, PlayLoad, Way } from './play.ts';
import { detergentsOf, handTemperaturesOf } from './ways.ts';

const usualC = 40;
const nearestTo = (asked: number, offered: readonly number[]): number =>
  offered.reduce((best, x) => (Math.abs(x - asked) < Math.abs(best - asked) ? x : best), offered[0] ?? asked);

/** null where the household has nothing to wash with. */
function usualWay({ request: { household } }: Scene): { way: Way; mostKg: number } | null {
  const detergents = detergentsOf(household);
  const detergent = (detergents.find((p) => p.class === 'universal') ?? detergents[0])?.id;
  if (detergent === undefined) return null;
  const [washer] = household.washers;
  const programme = washer?.programmes.find((p) => p.family === 'cotton') ?? washer?.programmes[0];
  if (washer && programme)
    return {
      way: {
        by: 'machine',
        washer: washer.id,
        programme: programme.id,
        temperatureC: nearestTo(usualC, programme.temperaturesC),
        spinRpm: Math.max(...programme.spinsRpm),
        detergent,
        helpers: [],
      },
      mostKg: programme.maxLoadKg,
    };
  const [basin] = household.basins;
  return basin
    ? {
        way: {
          by: 'hand',
          basin: basin.id,
          temperatureC: nearestTo(usualC, handTemperaturesOf(household)),
          detergent,
          helpers: [],
        },
        mostKg: 2,
      }
    : null;
}

const isPale = (p: Profile): boolean => ['white', 'light'].includes(p.history.colour.class);

export function usualBeginner(scene: Scene): Play {
  const { household } = scene.request;
  const usual = usualWay(scene);
  const loads: PlayLoad[] = [];
  for (const pale of [true, false]) {
    let pieces: string[] = [];
    let massKg = 0;
    const close = (): void => {
      if (usual && pieces.length > 0)
        loads.push({ id: `L${loads.length + 1}`, pieces, way: usual.way, pockets: false, closed: false });
      pieces = [];
      massKg = 0;
    };
    for (const p of scene.basket.profiles) {
      if (isPale(p) !== pale) continue;
      if (usual && massKg + p.massKg > usual.mostKg) close();
      pieces.push(p.garment.id);
      massKg += p.massKg;
    }
    close();
  }
  const [dryer] = household.dryers;
  const place = household.dryingPlaces.find((d) => d.bars > 0) ?? household.dryingPlaces[0];
  const dry: DryWay | null = dryer
    ? { to: 'dryer', dryer: dryer.id, heat: 'normal' }
    : place
      ? { to: 'place', place: place.id, position: place.bars > 0 ? 'bars' : place.hangers > 0 ? 'hanger' : 'flat' }
      : null;
  return {
    tests: [],
    loads,
    aside: {},
    marks: {},
    nets: [],
    insideOut: [],
    drying: dry ? Object.fromEntries(loads.flatMap((l) => l.pieces.map((id) => [id, dry]))) : {},
  };
}
