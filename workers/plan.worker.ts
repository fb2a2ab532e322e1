/** Planning off the main thread: a hamper document in, what the page needs out. The same core as everywhere; runs in a pool of server threads. */
import { readHamperValue, type HamperDocument } from '@formats/hamper.ts';
import { planHamper, type PlanDocument } from '@formats/plan.ts';

export interface PlanTask { hamper: HamperDocument }
export type PlanAnswer = { ok: true; plan: PlanDocument } | { ok: false; problem: string };

export default function plan({ hamper }: PlanTask): PlanAnswer {
  const read = readHamperValue(hamper);
  if (!read.ok) return { ok: false, problem: read.problems.map((p) => `${p.path}: ${p.message}`).join('\n') };
  return { ok: true, plan: planHamper(read.value) };
}
