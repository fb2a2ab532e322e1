/** Schema of a stored round of practice: what a learner decided, as it goes into an archive and out of it. */
import * as v from 'valibot';
import { agentIds } from '@core/chemistry/agents.ts';
import { skills } from '@core/practice/effects.ts';
import { measures } from '@core/practice/assess.ts';
import { asides, waters } from '@core/practice/play.ts';

const id = v.string();
const ids = v.array(id);
const number = v.pipe(v.number(), v.finite());
const score = v.pipe(number, v.minValue(0), v.maxValue(100));
const shared = { temperatureC: number, detergent: id, helpers: ids };
const waySchema = v.variant('by', [
  v.object({ by: v.literal('machine'), washer: id, programme: id, spinRpm: number, ...shared }),
  v.object({ by: v.literal('hand'), basin: id, ...shared }),
]);
const drySchema = v.variant('to', [
  v.object({ to: v.literal('dryer'), dryer: id, heat: v.picklist(['low', 'normal']) }),
  v.object({ to: v.literal('place'), place: id, position: v.picklist(['bars', 'line', 'hanger', 'flat']) }),
]);
export const playSchema = v.object({
  tests: ids,
  loads: v.array(v.object({ id, pieces: ids, way: waySchema, pockets: v.boolean(), closed: v.boolean() })),
  aside: v.record(id, v.picklist(asides)),
  marks: v.record(id, v.object({ water: v.picklist(waters), agents: v.array(v.picklist(agentIds)) })),
  nets: ids,
  insideOut: ids,
  drying: v.record(id, drySchema),
});
export const roundSchema = v.object({
  play: playSchema,
  scores: v.nullish(
    v.object({
      score,
      measures: v.object(
        Object.fromEntries(measures.map((m) => [m, score])) as Record<(typeof measures)[number], typeof score>,
      ),
      skills: v.record(v.picklist(skills), v.nullable(score)),
      ended: v.boolean(),
      hints: number,
    }),
  ),
});
