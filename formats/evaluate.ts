/** Pricing candidate sets of a hamper document: each taken as one load, or each of its garments given an outcome. No coupling between rows; pins play no part. */
import * as v from 'valibot';
import { candidatePrices, type CandidatePrice } from '@core/board/evaluate.ts';
import { outcomes } from '@core/model/plan.ts';
import { readHamperValue, type HamperResult } from './hamper.ts';
import { parseJson } from './json.ts';
import { rounded } from './plan.ts';
import { maxProblems, problemsOf, type Problem } from './problem.ts';

const ids = v.pipe(v.array(v.string()), v.minLength(1, 'must not be empty'));
const candidateSchema = v.union([ids, v.object({ garments: ids, outcome: v.optional(v.picklist(outcomes), 'wash') })]);
const evaluationSchema = v.object({ candidates: v.array(candidateSchema) });

export type EvaluationResult =
  { ok: true; value: readonly CandidatePrice[] } | { ok: false; problems: readonly Problem[] };

export function evaluateText(text: string): EvaluationResult {
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const { value } = parsed;
  if (value === null || typeof value !== 'object' || Array.isArray(value))
    return { ok: false, problems: [{ path: 'document', message: 'must be an object' }] };
  const { candidates, ...document } = value as Record<string, unknown>;
  const hamper: HamperResult = readHamperValue(document);
  const checked = v.safeParse(evaluationSchema, { candidates });
  const problems = [...(hamper.ok ? [] : hamper.problems), ...(checked.success ? [] : problemsOf(checked.issues))];
  if (!hamper.ok || !checked.success) return { ok: false, problems: problems.slice(0, maxProblems) };
  const known = new Set(hamper.value.document.garments.map((g) => g.id));
  const rows = checked.output.candidates.map((c) =>
    Array.isArray(c) ? { garments: c, outcome: 'wash' as const, path: '' } : { ...c, path: '.garments' },
  );
  const unknown = rows.flatMap((r, i) =>
    r.garments.flatMap((id, k) =>
      known.has(id)
        ? r.garments.indexOf(id) === k
          ? []
          : [{ path: `candidates[${i}]${r.path}[${k}]`, message: `"${id}" stands twice` }]
        : [{ path: `candidates[${i}]${r.path}[${k}]`, message: `"${id}" is no garment of this document` }],
    ),
  );
  if (unknown.length > 0) return { ok: false, problems: unknown.slice(0, maxProblems) };
  return { ok: true, value: rounded(candidatePrices(hamper.value.request, rows), '') as CandidatePrice[] };
}
