/** What the finished loads teach the next plan: real run times and energy by programme, and a smaller dose after residue. */
import { and, desc, eq, gt } from 'drizzle-orm';
import { doseShareAfter } from '../core/run/inspection.ts';
import { learntProgramme, type LearntProgramme, type MeasuredRun } from '../core/run/learnt.ts';
import type { HouseholdDocument } from '../formats/hamper-schema.ts';
import type { Transaction } from './client.ts';
import { findingsSince } from './findings.ts';
import { loads } from './schema.ts';

export interface Learnt {
  /** By `washer/programme`. */
  programmes: ReadonlyMap<string, LearntProgramme>;
  /** Share of the pack's dose by product; 1 = as the pack says. */
  doseShares: ReadonlyMap<string, number>;
}
const lookBackMs = 365 * 86_400_000;
export const programmeKey = (washer: string, programme: string): string => `${washer}/${programme}`;

const pastRuns = (tx: Transaction, now: Date) =>
  tx
    .select({ loadId: loads.id, run: loads.run, measured: loads.measured })
    .from(loads)
    .where(and(eq(loads.status, 'finished'), gt(loads.finishedAt, new Date(now.getTime() - lookBackMs))))
    .orderBy(desc(loads.finishedAt));

export async function readLearnt(tx: Transaction, document: HouseholdDocument, now: Date): Promise<Learnt> {
  const runs = await pastRuns(tx, now);
  const byProgramme = new Map<string, MeasuredRun[]>();
  for (const { run, measured } of runs) {
    const { washer, programme, temperatureC, fill } = run;
    if (washer && programme && measured) {
      const key = programmeKey(washer, programme);
      byProgramme.set(key, [...(byProgramme.get(key) ?? []), { temperatureC, fill, ...measured }]);
    }
  }
  const programmes = new Map<string, LearntProgramme>();
  for (const w of document.washers ?? [])
    for (const p of w.programmes) {
      const measured = byProgramme.get(programmeKey(w.id, p.id));
      if (measured) programmes.set(programmeKey(w.id, p.id), learntProgramme(measured, p.durationMin));
    }
  const productOf = new Map(runs.map((r) => [r.loadId, r.run.product]));
  const doseShares = new Map<string, number>();
  for (const f of await findingsSince(tx, ['residue', 'clean'], new Date(now.getTime() - lookBackMs))) {
    const product = productOf.get(f.loadId);
    if (!product) continue;
    const seen =
      f.kind === 'residue' && f.answer === 'left' ? 'residue' : f.answer === 'not-clean' ? 'not-clean' : null;
    if (seen) doseShares.set(product, doseShareAfter(doseShares.get(product) ?? 1, seen));
  }
  return { programmes, doseShares };
}

const scaled = (row: { light: number; normal: number; heavy: number }, share: number) => ({
  light: row.light * share,
  normal: row.normal * share,
  heavy: row.heavy * share,
});
/** The household as the next plan sees it: with the times and doses it has taught. */
export function asLearnt(document: HouseholdDocument, learnt: Learnt): HouseholdDocument {
  return {
    ...document,
    washers: document.washers?.map((w) => ({
      ...w,
      programmes: w.programmes.map((p) => {
        const l = learnt.programmes.get(programmeKey(w.id, p.id));
        if (!l) return p;
        const energy = [...l.energyKwhAt].map(([c, kwh]) => [String(c), kwh] as const);
        return {
          ...p,
          durationMin: l.durationMin ?? p.durationMin,
          energyKwhAt: energy.length > 0 ? { ...p.energyKwhAt, ...Object.fromEntries(energy) } : p.energyKwhAt,
        };
      }),
    })),
    products: document.products?.map((p) => {
      const share = learnt.doseShares.get(p.id) ?? 1;
      if (share === 1 || !p.dose) return p;
      const { table, handPerLitre } = p.dose;
      return {
        ...p,
        dose: {
          ...p.dose,
          table: table && {
            soft: scaled(table.soft, share),
            medium: scaled(table.medium, share),
            hard: scaled(table.hard, share),
          },
          ...(typeof handPerLitre === 'number' ? { handPerLitre: handPerLitre * share } : {}),
        },
      };
    }),
  };
}
