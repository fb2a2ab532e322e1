/** Forms of the stain bench: marking a stain, and what the bench is told. */
import * as v from 'valibot';
import { agentIds } from '@core/chemistry/agents.ts';
import { heatEvents } from '@core/stain/score.ts';
import { stainKinds } from '@core/stain/stains.ts';
import type { MarkedStain } from '@data/schema.ts';
import { typedNumber } from '../forms/numbers.ts';

/** Ages to choose from, with the hours they stand for. */
export const ageChoices = [
  ['now', 'Just now', 0.2],
  ['today', 'Today', 8],
  ['week', 'This week', 72],
  ['month', 'Some weeks', 700],
  ['year', 'Months', 5000],
  ['old', 'Years', 20_000],
  ['unknown', 'No idea', null],
] as const;
export type AgeChoice = (typeof ageChoices)[number][0];
export const heatChoices = {
  none: 'No heat',
  'wash-30-60': 'Washed warm',
  'wash-over-60': 'Washed hot',
  tumble: 'Dryer',
  iron: 'Iron',
  repeated: 'Several times',
} as const satisfies Record<(typeof heatEvents)[number], string>;

export const stainSchema = v.object({
  kind: v.picklist(stainKinds, 'Kind of mark: choose one of the shown.'),
  place: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(40, 'Place: at most 40 letters.'))),
  side: v.optional(v.picklist(['front', 'back'], 'Place: tap the drawing again.')),
  x: typedNumber('Place', 0, 100),
  y: typedNumber('Place', 0, 200),
  sizeCm: typedNumber('Size', 0.1, 100, 'cm'),
  age: v.picklist(ageChoices.map(([id]) => id) as [AgeChoice, ...AgeChoice[]], 'Age: choose one of the shown.'),
  heat: v.picklist(heatEvents, 'Heat: choose one of the shown.'),
  tried: v.optional(
    v.union(
      [
        v.array(v.picklist(agentIds)),
        v.pipe(
          v.picklist(agentIds),
          v.transform((a) => [a]),
        ),
      ],
      'Tried: choose from the shown.',
    ),
  ),
});
export function toMarkedStain(f: v.InferOutput<typeof stainSchema>, id: string, now: Date): MarkedStain {
  const hours = ageChoices.find(([x]) => x === f.age)?.[2] ?? null;
  return {
    id,
    kind: f.kind,
    ageHours: hours,
    heatSet: f.heat !== 'none',
    heat: f.heat,
    place: f.place ?? '',
    ...(f.side !== undefined && f.x !== undefined && f.y !== undefined
      ? { spot: { side: f.side, x: f.x, y: f.y } }
      : {}),
    tried: f.tried ?? [],
    sizeCm: f.sizeCm ?? null,
    failedRounds: 0,
    notedAt: now.toISOString(),
  };
}
/** The first free id: s1, s2, … */
export const freeStainId = (taken: readonly { id: string }[]): string => {
  let n = 1;
  while (taken.some((s) => s.id === `s${n}`)) n++;
  return `s${n}`;
};

export const reportSchema = v.object({
  id: v.string(),
  from: v.string(),
  result: v.picklist(['passed', 'failed'], 'Check: answer yes or no.'),
});
export const judgeSchema = v.object({
  id: v.string(),
  judgement: v.picklist(['gone', 'lighter', 'same'], 'Result: choose one of the shown.'),
});
