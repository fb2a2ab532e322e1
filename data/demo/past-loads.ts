/** The wash days of the demo's last weeks as they were planned and finished, so that log, tickets and charts have loads to show. */
import { readHamperValue, type HamperDocument } from '../../formats/hamper.ts';
import { planHamper, type PlanDocument } from '../../formats/plan.ts';
import { isoInZone } from '../../formats/dates.ts';
import type { GarmentDocument } from '../../formats/hamper-schema.ts';
import { demoHousehold } from './household.ts';
import type { DemoHistory } from './history.ts';
import type { DemoPiece } from './wardrobe.ts';

const weeks = 4;
export interface PastDay {
  at: Date;
  hamper: HamperDocument;
  plan: PlanDocument;
}

const documentOf = ({ id, garment: g, history }: DemoPiece): GarmentDocument => ({
  id,
  name: g.name,
  kind: g.kind,
  parts: g.parts,
  construction: [],
  features: g.traits,
  colours: g.colours,
  dye: g.dye,
  label: g.label,
  dryMassG: g.dryMassG,
  size: g.size,
  washCount: Math.max(1, history.washes - 1),
  wearsSinceWash: 1,
  valueEur: g.valueEur,
  use: g.use,
  count: g.count,
  set: g.set,
  soil: 'normal',
});

/** What the flat washed this morning and has hung up, the last of it still to hang; a coffee mark on one of it is to be looked at dry. */
const thisMorning: Readonly<Record<string, GarmentDocument['stains']>> = {
  'juna-tee-white-2': [],
  'juna-pyjama': [],
  'juna-cardigan': [],
  'juna-socks': [],
  'tovi-briefs': [],
  'tovi-dress': [],
  'ren-jersey-blue': [],
  'ren-jeans': [],
  'ren-hoodie': [],
  'ren-oxford': [{ id: 's1', kind: 'coffee', place: 'left cuff', ageHours: 20 }],
  'ren-swim-towel': [],
};
/** What it washed yesterday: dry, and waiting for the iron or the cupboard. */
const yesterday: typeof thisMorning = {
  tablecloth: [],
  pillowcases: [],
  'tovi-silk-blouse': [],
  'dance-skirt': [],
  'ren-flannel': [],
  'ren-fleece': [],
  'baker-jacket-2': [],
};
const restMin = { morning: 75, yesterday: 20 * 60 } as const;
export function lastWash(wardrobe: readonly DemoPiece[], now: Date, when: keyof typeof restMin): PastDay {
  const list = when === 'morning' ? thisMorning : yesterday;
  const pieces = wardrobe.filter((p) => p.id in list);
  const day = planDay(
    pieces.map((p) => ({ ...documentOf(p), stains: list[p.id] })),
    now,
  );
  if (!day) throw new Error('the demo has washed nothing of late');
  const minutes = day.plan.loads.reduce((t, l) => t + l.durationMin + 10, restMin[when]);
  return { ...day, at: new Date(now.getTime() - minutes * 60_000) };
}

/** Plan each of the last weeks' wash days with what was washed on it; the flat washed everything it had taken out. */
export function pastDays(wardrobe: readonly DemoPiece[], history: DemoHistory, today: Date): PastDay[] {
  const byId = new Map(wardrobe.map((p) => [p.id, p]));
  return history.washed
    .filter((d) => d.daysAgo <= weeks * 7)
    .flatMap(({ daysAgo, pieces }): PastDay[] => {
      const at = new Date(today.getTime() - daysAgo * 86_400_000 - 3 * 3_600_000);
      const day = planDay(
        pieces.flatMap((id) => {
          const piece = byId.get(id);
          return piece ? [documentOf(piece)] : [];
        }),
        at,
      );
      return day ? [day] : [];
    });
}
/** The flat washes everything it has taken out; null = it was nothing. */
function planDay(garments: readonly GarmentDocument[], at: Date): PastDay | null {
  const read = readHamperValue({
    format: 'neat-fold/hamper',
    version: 1,
    now: isoInZone(at, demoHousehold.timeZone),
    household: { ...demoHousehold.document, rules: { ...demoHousehold.document.rules, waiting: 'none' } },
    garments,
  });
  if (!read.ok) throw new Error(`the demo's past cannot be planned: ${read.problems[0]?.path}`);
  const plan = planHamper(read.value);
  return plan.loads.length > 0 ? { at, hamper: read.value.document, plan } : null;
}
