/** Reference cases from JSON text: a list of {id, inputs:{fn, …}}, answered in order. */
import * as v from 'valibot';
import { referenceValue } from '@core/reference/functions.ts';
import { ReferenceInputError } from '@core/reference/inputs.ts';
import { parseJson } from './json.ts';
import { maxProblems, problemsOf, type Problem } from './problem.ts';

const casesSchema = v.array(v.object({ id: v.string(), inputs: v.looseObject({ fn: v.string() }) }));
export interface ReferenceAnswer {
  id: string;
  value: number | string | boolean | null;
}
export type ReferenceResult =
  { ok: true; value: readonly ReferenceAnswer[] } | { ok: false; problems: readonly Problem[] };

export function referenceText(text: string): ReferenceResult {
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const checked = v.safeParse(casesSchema, parsed.value);
  if (!checked.success) return { ok: false, problems: problemsOf(checked.issues) };
  const problems: Problem[] = [];
  const value = checked.output.map(({ id, inputs }, i): ReferenceAnswer => {
    try {
      return { id, value: referenceValue(inputs) };
    } catch (error) {
      if (!(error instanceof ReferenceInputError)) throw error;
      const [key = '', ...words] = error.message.split(': ');
      problems.push({ path: `[${i}].inputs.${key}`, message: words.join(': ') });
      return { id, value: null };
    }
  });
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, maxProblems) } : { ok: true, value };
}
