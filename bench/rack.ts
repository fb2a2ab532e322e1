/** How long the rack takes: sixty pieces hung up, and the course of their drying. */
import { Space } from '@core/drying/spaces.ts';
import { forecastDrying, type HangingPiece } from '@core/rack/forecast.ts';
import { hangUp } from '@core/rack/hang.ts';
import { profileOf } from '@core/piece/profile.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { demoHousehold } from '../data/demo/household.ts';
import { basketOfSize } from './baskets.ts';
import { quantile, table } from './table.ts';

const household = householdOf(demoHousehold.document);
const outdoors = { temperatureC: 12, humidity: 0.7, airSpeedMPerS: 1, wet: false };
const now = Date.UTC(2026, 4, 9, 8);
const rounds = 40;

const rows = [10, 30, 60].map((n) => {
  const { garments } = basketOfSize(n);
  const profiles = garments.map((g) => profileOf(garmentOf(g), household.rules));
  const packing: number[] = [];
  const course: number[] = [];
  let without = 0;
  for (let k = 0; k < rounds; k++) {
    const spaces = household.dryingPlaces.map((d) => new Space(d));
    const begun = performance.now();
    const placed = profiles.map((p) => hangUp(p, 0.63, spaces, { household, outdoors }));
    packing.push(performance.now() - begun);
    without = placed.filter((p) => p.place === null).length;
    const hung = profiles.map((profile, i): HangingPiece => ({
      id: String(i),
      profile,
      moisture: 0.63,
      atMs: now,
      hungMs: now,
      musty: 0,
      placement: placed[i] ?? { place: null, position: 'bars', spots: [] },
    }));
    const from = performance.now();
    forecastDrying(hung, {
      household,
      nowMs: now,
      roomNow: null,
      air: 'as-it-is',
      outdoorAt: () => outdoors,
      slowness: new Map(),
    });
    course.push(performance.now() - from);
  }
  return [
    n,
    without,
    quantile(packing, 0.5).toFixed(2),
    quantile(packing, 0.95).toFixed(2),
    quantile(course, 0.5).toFixed(1),
    quantile(course, 0.95).toFixed(1),
  ];
});
console.log(
  `### The rack\n\n${table(['pieces', 'without a place', 'hung up, ms', '95 %, ms', 'course of drying, ms', '95 %, ms'], rows)}`,
);
