/** Forms of the test bench. */
import * as v from 'valibot';
import { agentIds } from '@core/chemistry/agents.ts';

const grades = ['5', '4.5', '4', '3.5', '3', '2.5', '2', '1.5', '1'] as const;
const grade = v.pipe(
  v.picklist(grades, 'Grade: choose the step that looks most like your cloth.'),
  v.transform(Number),
);
/** A grade by itself, of a catcher. */
export const gradeSchema = v.object({ grade });
export const testSchema = v.object({
  kind: v.picklist(['spot', 'part', 'catcher'], 'Test: choose one of the shown.'),
  agent: v.picklist(agentIds, 'Agent: choose one of the shown.'),
  grade,
});
/** The risk in the owner's own words: a ticked box is no thought. */
export const riskSchema = v.object({
  risk: v.pipe(
    v.string('Risk: write in your own words what may happen.'),
    v.trim(),
    v.minLength(15, 'Risk: write in your own words what may happen, at least a short sentence.'),
    v.maxLength(300, 'Risk: at most 300 letters.'),
  ),
});
