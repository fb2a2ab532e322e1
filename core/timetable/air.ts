/** How long each piece dries beside what hangs with it: all that hangs indoors shares the air of the room. */
import { courseOfDrying, type DryingItem } from '../drying/room.ts';
import type { Household } from '../model/household.ts';
import type { Hanging, PlacedBlock } from './day.ts';
import type { Block } from './work.ts';

/** Minutes by piece when a block hangs in the room by itself: whatever hangs beside it only makes the air damper, so no timetable dries it sooner. */
export function ownAirMin(household: Pick<Household, 'room'>, blocks: readonly Block[]): Map<string, number> {
  return new Map(
    blocks.flatMap((block) => [
      ...sharedAirMin(household, [
        {
          block,
          before: [],
          steps: [],
          hanging: block.pieces.map((piece) => ({ piece, from: 0, to: 0 })),
        },
      ]),
    ]),
  );
}

/** What hung before the timetable begins: its water counts, its hours do not. */
export type HangingNow = Omit<DryingItem, 'fromH'>;
const roomGapMm = 100;

/** Minutes by piece: at least what it takes by itself, as the plan has it. */
export function sharedAirMin(
  household: Pick<Household, 'room'>,
  blocks: readonly PlacedBlock[],
  already: readonly HangingNow[] = [],
): Map<string, number> {
  const hung = blocks.flatMap((b) => b.hanging).filter((h) => h.piece.drying !== null);
  const out = new Map<string, number>();
  const inside: Hanging[] = [];
  for (const h of hung) {
    const { drying } = h.piece;
    if (!drying) continue;
    out.set(h.piece.id, drying.planMin);
    if (!drying.outdoors) inside.push(h);
  }
  if (inside.length === 0) return out;
  const start = Math.min(...(already.length > 0 ? [0] : []), ...inside.map((h) => h.from));
  const { room } = household;
  const items: DryingItem[] = [
    ...already.filter((x) => !x.outdoors).map((x) => ({ ...x, fromH: 0 })),
    ...inside.flatMap((h) => (h.piece.drying ? [{ ...h.piece.drying.item, fromH: (h.from - start) / 60 }] : [])),
  ];
  const { hours } = courseOfDrying(items, {
    temperatureC: room.temperatureC,
    humidity: room.relativeHumidity,
    airSpeedMPerS: room.airSpeedMPerS,
    gapMm: roomGapMm,
    volumeM3: room.volumeM3,
    airChangesPerH: room.airChangesPerHour,
    dehumidifierLPerDay: 0,
    dehumidifierSet: 0.45,
  });
  const before = items.length - inside.length;
  inside.forEach((h, i) => {
    const dryAtH = hours[before + i];
    const planMin = h.piece.drying?.planMin ?? 0;
    if (dryAtH === null || dryAtH === undefined) return;
    out.set(h.piece.id, Math.max(planMin, Math.ceil(dryAtH * 60 - (h.from - start))));
  });
  return out;
}
