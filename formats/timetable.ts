/** The timetable document (version 1): a hamper's plan with its hours, and what of it has happened already. */
import * as v from 'valibot';
import { planBasket } from '@core/plan/plan.ts';
import type { PartitionSolver } from '@core/solve/partition.ts';
import { noTools } from '@core/solve/solve.ts';
import { resourceKinds, taskKinds, type Timetable } from '@core/model/timetable.ts';
import { isKnownTask, timetableOf } from '@core/timetable/timetable.ts';
import { textOf } from '@words/text.ts';
import { instant } from './hamper-schema.ts';
import { readHamperValue } from './hamper.ts';
import { parseJson } from './json.ts';
import { rounded, warningSchema } from './plan.ts';
import { maxProblems, problemsOf, shortPath, type Problem } from './problem.ts';

const moment = v.string();
const use = v.object({
  kind: v.picklist(resourceKinds),
  id: v.string(),
  bars: v.optional(v.number()),
  flatM2: v.optional(v.number()),
  hangers: v.optional(v.number()),
});
export const timetableSchema = v.object({
  format: v.literal('neat-fold/timetable'),
  version: v.literal(1),
  from: moment,
  tasks: v.array(
    v.object({
      id: v.string(),
      load: v.nullable(v.string()),
      garments: v.array(v.string()),
      kind: v.picklist(taskKinds),
      start: moment,
      end: moment,
      attended: v.boolean(),
      person: v.nullable(v.number()),
      uses: v.array(use),
      after: v.array(v.string()),
      maxWaitMin: v.nullable(v.number()),
      text: v.string(),
    }),
  ),
  finish: v.nullable(moment),
  ready: v.array(v.object({ garment: v.string(), at: moment })),
  late: v.array(v.object({ garment: v.string(), neededBy: moment, at: moment })),
  warnings: v.array(warningSchema),
  figures: v.object({
    makespanMin: v.number(),
    lowerBoundMin: v.number(),
    handsMin: v.number(),
    interruptions: v.number(),
    energyMoney: v.number(),
  }),
});
export type TimetableDocument = v.InferOutput<typeof timetableSchema>;

/** A moment with the offset of another. */
function momentText(ms: number, offsetOf: string): string {
  const sign = /([+-])(\d\d):(\d\d)$/.exec(offsetOf);
  const minutes = sign ? (sign[1] === '-' ? -1 : 1) * (Number(sign[2]) * 60 + Number(sign[3])) : 0;
  const local = new Date(ms + minutes * 60_000).toISOString().replace(/\.000Z$/, 'Z');
  return sign ? `${local.slice(0, -1)}${sign[0]}` : local;
}

/** The document of a timetable; its moments carry the offset of `now`. */
export function toTimetableDocument(t: Timetable, now: string): TimetableDocument {
  const at = (ms: number): string => momentText(ms, now);
  const document: TimetableDocument = {
    format: 'neat-fold/timetable',
    version: 1,
    from: now,
    tasks: t.tasks.map(({ startMs, endMs, message, uses, ...rest }) => ({
      id: rest.id,
      load: rest.load,
      garments: [...rest.garments],
      kind: rest.kind,
      start: at(startMs),
      end: at(endMs),
      attended: rest.attended,
      person: rest.person,
      uses: uses.map((u) => ({ ...u })),
      after: [...rest.after],
      maxWaitMin: rest.maxWaitMin,
      text: textOf(message),
    })),
    finish: t.finishMs === null ? null : at(t.finishMs),
    ready: t.ready.map((r) => ({ garment: r.garment, at: at(r.atMs) })),
    late: t.late.map((l) => ({ garment: l.garment, neededBy: at(l.neededByMs), at: at(l.atMs) })),
    warnings: t.warnings.map(({ message, ...w }) => ({ ...w, garments: [...w.garments], text: textOf(message) })),
    figures: t.figures,
  };
  return rounded(document, '') as TimetableDocument;
}

const progressSchema = v.object({
  progress: v.nullish(v.array(v.object({ task: v.string(), started: instant, ended: v.nullish(instant) }))),
});
type ProgressDocument = NonNullable<v.InferOutput<typeof progressSchema>['progress']>;

/** What has happened lies in the past, in order, once a task. */
function progressProblems(list: ProgressDocument, now: string): Problem[] {
  const seen = new Set<string>();
  return list.flatMap((p, i): Problem[] => {
    const out: Problem[] = [];
    const at = `progress[${i}]`;
    if (seen.has(p.task)) out.push({ path: `${at}.task`, message: `"${shortPath(p.task)}" stands twice` });
    seen.add(p.task);
    if (Date.parse(p.started) > Date.parse(now))
      out.push({ path: `${at}.started`, message: 'must not be later than now' });
    if (p.ended != null && Date.parse(p.ended) > Date.parse(now))
      out.push({ path: `${at}.ended`, message: 'must not be later than now' });
    if (p.ended != null && Date.parse(p.ended) < Date.parse(p.started))
      out.push({ path: `${at}.ended`, message: 'must not be before it started' });
    return out;
  });
}

export interface ReadTimetable {
  document: TimetableDocument;
  now: string;
  names: ReadonlyMap<string, string>;
}
export type TimetableResult = { ok: true; value: ReadTimetable } | { ok: false; problems: readonly Problem[] };

/** A hamper document, perhaps with its `progress`, to its timetable. */
export function timetableText(text: string, partition: PartitionSolver | null = null): TimetableResult {
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const { value } = parsed;
  if (value === null || typeof value !== 'object' || Array.isArray(value))
    return { ok: false, problems: [{ path: 'document', message: 'must be an object' }] };
  const { progress: given, ...rest } = value as Record<string, unknown>;
  const hamper = readHamperValue(rest);
  const checked = v.safeParse(progressSchema, { progress: given });
  const problems = [...(hamper.ok ? [] : hamper.problems), ...(checked.success ? [] : problemsOf(checked.issues))];
  if (!hamper.ok || !checked.success) return { ok: false, problems: problems.slice(0, maxProblems) };
  const list = checked.output.progress ?? [];
  const { request, document } = hamper.value;
  const odd = progressProblems(list, request.now);
  if (odd.length > 0) return { ok: false, problems: odd.slice(0, maxProblems) };
  const plan = planBasket(request, { ...noTools, partition });
  const work = {
    household: request.household,
    garments: request.garments,
    now: request.now,
    loads: plan.loads,
    planned: plan.garments,
    planWarnings: plan.warnings,
  };
  const isTask = isKnownTask(work);
  const unknown = list.flatMap((p, i) =>
    isTask(p.task)
      ? []
      : [{ path: `progress[${i}].task`, message: `"${shortPath(p.task)}" is no task of this timetable` }],
  );
  if (unknown.length > 0) return { ok: false, problems: unknown.slice(0, maxProblems) };
  const progress = list.map((p) => ({
    task: p.task,
    startedMs: Date.parse(p.started),
    endedMs: p.ended == null ? null : Date.parse(p.ended),
  }));
  return {
    ok: true,
    value: {
      document: toTimetableDocument(timetableOf({ ...work, progress }), request.now),
      now: request.now,
      names: new Map(document.garments.map((g) => [g.id, g.name])),
    },
  };
}
