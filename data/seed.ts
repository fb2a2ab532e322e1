/** Load the demo household into an empty database. Deterministic apart from the day it is run on. */
import { addGarment } from './garments.ts';
import { putInBasket, emptyState } from './basket.ts';
import { closeDatabase, inHousehold } from './client.ts';
import { createHousehold, readHousehold } from './household.ts';
import { appendEvents, type NewEvent } from './events.ts';
import { demoHouseholdId } from './demo/id.ts';
import { demoHousehold } from './demo/household.ts';
import { demoWardrobe, type DemoPiece } from './demo/wardrobe.ts';

const dayMs = 86_400_000;

/** Washes at their interval, wears since the last one, tests at the last washes; older washes in one event. */
function historyOf({ id, history }: DemoPiece, today: number, offset: number): NewEvent[] {
  const { washes, everyDays, wears, tests = [] } = history;
  const recent = Math.min(washes, 5);
  const since = wears > 0 ? Math.max(2, Math.min(everyDays, wears * 2)) : Math.min(everyDays, 2);
  const out: NewEvent[] = [];
  const noon = (daysAgo: number): Date => new Date(today - daysAgo * dayMs - offset * 60_000);
  if (washes > recent)
    out.push({
      garmentId: id,
      kind: 'washed',
      at: noon(since + recent * everyDays),
      data: { count: washes - recent, note: 'before Neat Fold' },
    });
  for (let k = recent - 1; k >= 0; k--)
    out.push({ garmentId: id, kind: 'washed', at: noon(since + k * everyDays), data: {} });
  tests.forEach((test, k) =>
    out.push({
      garmentId: id,
      kind: test.kind === 'catcher' ? 'read' : 'tested',
      at: noon(since + (tests.length - 1 - k) * everyDays),
      data: { test },
    }),
  );
  if (wears > 3)
    out.push({ garmentId: id, kind: 'worn', at: noon(Math.min(since - 0.5, 3)), data: { count: wears - 3 } });
  for (let k = Math.min(wears, 3); k > 0; k--)
    out.push({ garmentId: id, kind: 'worn', at: noon(Math.min(since - 0.5, k * 0.8)), data: {} });
  return out;
}

/** true when the demo was loaded, false when the household was already there. */
export async function loadDemo(now: Date): Promise<boolean> {
  return inHousehold(demoHouseholdId, async (tx) => {
    if (await readHousehold(tx)) return false;
    await createHousehold(tx, demoHouseholdId, demoHousehold);
    const today = new Date(now).setUTCHours(11, 0, 0, 0);
    const noonPassed = Math.min(today, now.getTime());
    const events: NewEvent[] = [];
    for (const [i, piece] of demoWardrobe.entries()) {
      await addGarment(tx, demoHouseholdId, piece.id, piece.garment);
      events.push(...historyOf(piece, noonPassed, i % 50));
    }
    await appendEvents({ tx, householdId: demoHouseholdId, actor: 'demo' }, events);
    for (const { id, basket, neededInDays } of demoWardrobe) {
      const neededBy = neededInDays ? new Date(today + neededInDays * dayMs + 7 * 3_600_000).toISOString() : null;
      if (basket) await putInBasket(tx, demoHouseholdId, id, { ...emptyState, ...basket, neededBy });
    }
    return true;
  });
}

if (process.argv[1]?.endsWith('seed.ts')) {
  const loaded = await loadDemo(new Date());
  if (loaded) console.log('loaded the demo household');
  await closeDatabase();
}
