/** A basin as the arithmetic of "what if" takes it: a bath that moves cloth by hand and does not spin. */
import type { Basin, Programme } from '../model/household.ts';
import { usableVolumeL } from '../washing/basin.ts';
import type { Pushed } from './what-if.ts';

/** A basin holds a kilogram of cloth to so many litres; its bath and moving last so many minutes. */
const litresPerKg = 10;
const handMinutes = 20;

/**
 * The machine part of a push by hand.
 * @example { ...byHand(sink, 30), temperatureC: 30, tumble: 'none', detergent: 'wool-silk', catcher: false, dryer: null }
 */
export function byHand(basin: Basin, temperatureC: number): Pick<Pushed, 'washer' | 'programme' | 'spinRpm'> {
  const programme: Programme = {
    id: basin.id,
    name: basin.name,
    family: 'hand-wash',
    action: 'hand',
    temperaturesC: [temperatureC],
    spinsRpm: [0],
    maxLoadKg: usableVolumeL(basin) / litresPerKg,
    durationMin: handMinutes,
    waterL: null,
    energyKwhAt: new Map(),
  };
  return {
    programme,
    spinRpm: 0,
    washer: {
      id: basin.id,
      name: basin.name,
      loading: 'front',
      drumRadiusM: 0,
      drumVolumeL: usableVolumeL(basin),
      pricePerRun: 0,
      refusesForms: [],
      bleachDispenser: false,
      programmes: [programme],
    },
  };
}
