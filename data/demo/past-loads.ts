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

/** Plan each of the last weeks' wash days with what was washed on it; the flat washed everything it had taken out. */
export function pastDays(wardrobe: readonly DemoPiece[], history: DemoHistory, today: Date): PastDay[] {
  const byId = new Map(wardrobe.map((p) => [p.id, p]));
  return history.washed
    .filter((d) => d.daysAgo <= weeks * 7)
    .flatMap(({ daysAgo, pieces }): PastDay[] => {
      const at = new Date(today.getTime() - daysAgo * 86_400_000 - 3 * 3_600_000);
      const read = readHamperValue({
        format: 'neat-fold/hamper',
        version: 1,
        now: isoInZone(at, demoHousehold.timeZone),
        household: { ...demoHousehold.document, rules: { ...demoHousehold.document.rules, waiting: 'none' } },
        garments: pieces.flatMap((id) => {
          const piece = byId.get(id);
          return piece ? [documentOf(piece)] : [];
        }),
      });
      if (!read.ok) throw new Error(`the demo's past cannot be planned: ${read.problems[0]?.path}`);
      const plan = planHamper(read.value);
      return plan.loads.length > 0 ? [{ at, hamper: read.value.document, plan }] : [];
    });
}
